import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { readRow } from './rows';
import { EditedLook } from './edited-look';
import { ColourEditor } from './colour-editor';

interface Shadow {
  readonly inset: boolean;
  readonly lengths: readonly [string, string, string, string];
  readonly colour: string;
}

const fields = ['Across', 'Down', 'Blur', 'Spread'] as const;

/** Shadows one by one, with what they come to drawn beside them. */
@Component({
  selector: 'zest-shadow-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ColourEditor, MatButtonModule],
  template: `
    <div class="drawn" aria-hidden="true"><span [style.box-shadow]="preview()"></span></div>
    <div class="row" role="group" aria-label="Shadows">
      @for (shadow of shadows(); track $index) {
        <button type="button" class="zest-choice" [attr.aria-pressed]="$index === at()" (click)="at.set($index)">Shadow {{ $index + 1 }}</button>
      }
      <button type="button" class="zest-choice" (click)="add()">Add one</button>
    </div>
    @if (shadows()[at()]; as shadow) {
      <div class="fields">
        @for (field of fields; track field; let i = $index) {
          <label>{{ field }}<input class="zest-field" [value]="shadow.lengths[i]" (change)="length(i, $any($event.target).value)" /></label>
        }
      </div>
      <label class="row"
        ><input type="checkbox" [checked]="shadow.inset" (change)="change({ inset: $any($event.target).checked })" /> Inside the edge</label
      >
      <zest-colour-editor [text]="shadow.colour" [none]="false" (changed)="change({ colour: $event })" />
      <button mat-stroked-button type="button" (click)="remove()">Take this shadow away</button>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
      width: 280px;
    }
    .drawn {
      display: grid;
      place-items: center;
      height: 70px;
      background: #fff;
      border: 1px solid var(--zest-line);
      border-radius: 8px;
      overflow: hidden;
    }
    .drawn span {
      width: 110px;
      height: 34px;
      border-radius: 6px;
      background: #fff;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      align-items: center;
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(4, 1fr);
      gap: 6px;
    }
    .fields label {
      display: grid;
      gap: 2px;
    }
    .zest-field {
      width: 100%;
    }
  `,
})
export class ShadowEditor {
  private readonly state = inject(EditedLook);
  readonly text = input.required<string>();
  readonly changed = output<string>();
  protected readonly fields = fields;
  protected readonly at = signal(0);
  protected readonly shadows = computed<readonly Shadow[]>(() =>
    this.text() === 'none' || this.text() === ''
      ? []
      : this.text()
          .split(/,(?![^(]*\))/)
          .map(readShadow),
  );
  protected readonly preview = computed(() => {
    const view = this.state.view();
    const ok = view && readRow('shadow', this.text(), view.vocabulary).ok;
    return ok ? this.text().replace(/([a-z][a-z0-9-]*)( \d+%)?/g, (whole, name: string, share?: string) => this.drawn(name, share) ?? whole) : 'none';
  });

  private drawn(name: string, share: string | undefined): string | undefined {
    const rgba = this.state.view()?.vocabulary.swatches.get(name);
    if (!rgba) return undefined;
    const [r, g, b] = [rgba.r, rgba.g, rgba.b].map((n) => Math.round(n * 255));
    return `rgb(${r ?? 0} ${g ?? 0} ${b ?? 0} /${share ?? ' 100%'})`;
  }

  protected add(): void {
    this.emit([...this.shadows(), { inset: false, lengths: ['0', '2px', '8px', '0'], colour: '#000000 20%' }]);
    this.at.set(this.shadows().length);
  }
  protected remove(): void {
    this.emit(this.shadows().filter((_, i) => i !== this.at()));
    this.at.set(0);
  }
  protected length(side: number, typed: string): void {
    const text = /^[+-]?\d+(\.\d+)?$/.test(typed.trim()) && Number(typed) !== 0 ? `${typed.trim()}px` : typed.trim();
    const shadow = this.shadows()[this.at()];
    if (!shadow) return;
    const [x, y, blur, spread] = shadow.lengths.map((each, i) => (i === side ? text : each));
    this.change({ lengths: [x ?? '0', y ?? '0', blur ?? '0', spread ?? '0'] });
  }
  protected change(change: Partial<Shadow>): void {
    this.emit(this.shadows().map((shadow, i) => (i === this.at() ? { ...shadow, ...change } : shadow)));
  }
  private emit(shadows: readonly Shadow[]): void {
    const written = shadows.map(({ inset, lengths, colour }) => `${inset ? 'inset ' : ''}${lengths.join(' ')} ${colour}`);
    this.changed.emit(written.length === 0 ? 'none' : written.join(', '));
  }
}

/** A shadow taken apart into its fields; lengths that are not said are none. */
function readShadow(text: string): Shadow {
  const words = text.trim().split(/\s+/);
  const inset = words[0] === 'inset';
  const rest = inset ? words.slice(1) : words;
  const count = rest.findIndex((word) => !/^[+-]?[\d.]/.test(word));
  const lengths = rest.slice(0, count < 0 ? rest.length : count);
  const [across = '0', down = '0', blur = '0', spread = '0'] = lengths;
  return { inset, lengths: [across, down, blur, spread], colour: count < 0 ? '#000000' : rest.slice(count).join(' ') };
}
