import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toHex } from '../../../../core/colour';
import { lineStyles } from '../../../../core/theme';
import { readRow } from './rows';
import { EditedLook } from './edited-look';
import { ColourEditor } from './colour-editor';

/** A line with a drawn preview: how wide, in which style, in what colour. */
@Component({
  selector: 'zest-line-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ColourEditor],
  template: `
    <div class="drawn" aria-hidden="true"><span [style.border-block-start]="preview()"></span></div>
    <div class="row">
      <label
        >Width, px
        <input
          class="zest-field"
          type="number"
          min="0"
          max="40"
          step="0.5"
          [value]="parts().width"
          (change)="say({ width: $any($event.target).value })"
      /></label>
      <label
        >Style
        <select class="zest-field" (change)="say({ style: $any($event.target).value })">
          @for (style of styles; track style) {
            <option [value]="style" [selected]="style === parts().style">{{ style }}</option>
          }
        </select>
      </label>
    </div>
    <zest-colour-editor [text]="parts().colour" [none]="false" (changed)="say({ colour: $event })" />
    <div class="row">
      <button type="button" class="zest-choice" [attr.aria-pressed]="text() === 'none'" (click)="changed.emit('none')">none</button>
      <button type="button" class="zest-choice" [attr.aria-pressed]="text() === 'hidden'" (click)="changed.emit('hidden')">hidden</button>
    </div>
    <p class="zest-note">None: no line at this place, nor the one between rows or columns there. Hidden: nor any other line that meets it.</p>
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
      width: 260px;
    }
    .drawn {
      display: grid;
      align-items: center;
      height: 34px;
      padding-inline: 14px;
      background: #fff;
      border: 1px solid var(--zest-line);
      border-radius: 8px;
    }
    .row {
      display: flex;
      gap: 8px;
      align-items: end;
    }
    label {
      display: grid;
      gap: 2px;
    }
    .zest-field {
      width: 92px;
    }
  `,
})
export class LineEditor {
  private readonly state = inject(EditedLook);
  readonly text = input.required<string>();
  readonly changed = output<string>();
  protected readonly styles = lineStyles;

  protected readonly parts = computed(() => {
    const match = /^([\d.]+)px\s+([a-z]+)\s+(.+)$/.exec(this.text());
    const style = lineStyles.find((each) => each === match?.[2]) ?? 'solid';
    const first = this.state.view()?.swatches[0]?.name ?? '#808080';
    const colour = match
      ? match[2] === style
        ? (match[3] ?? first)
        : `${match[2] ?? ''} ${match[3] ?? ''}`
      : (/^[\d.]+px\s+(.+)$/.exec(this.text())?.[1] ?? first);
    return { width: match?.[1] ?? /^([\d.]+)px/.exec(this.text())?.[1] ?? '1', style, colour };
  });
  protected readonly preview = computed(() => {
    const view = this.state.view();
    const read = view && readRow('rows', this.text(), view.vocabulary).ok ? view.vocabulary : undefined;
    const { width, style, colour } = this.parts();
    const match = /^(.+?)(?:\s+(\d+)%)?$/.exec(colour);
    const rgba = read?.swatches.get(match?.[1] ?? '');
    const drawn = rgba ? toHex({ ...rgba, alpha: Number(match?.[2] ?? 100) / 100 }) : colour;
    return read && this.text() !== 'none' && this.text() !== 'hidden' ? `${width}px ${style} ${drawn}` : '0';
  });

  protected say(change: { readonly width?: string; readonly style?: string; readonly colour?: string }): void {
    const { width, style, colour } = { ...this.parts(), ...change };
    this.changed.emit(colour === 'none' || Number(width) === 0 ? 'none' : `${width}px ${style} ${colour}`);
  }
}
