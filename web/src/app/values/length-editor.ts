import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { ValueKind } from '../../../../core/theme';

interface Scale {
  readonly most: number;
  readonly step: number;
  readonly least?: number;
}

/** How far the slider of a unit goes; anything within the value's own range can be typed beside it. */
const scales: Readonly<Record<string, Scale>> = {
  px: { most: 64, step: 1 },
  em: { most: 4, step: 0.05 },
  rem: { most: 4, step: 0.05 },
  '%': { most: 100, step: 1 },
  '': { most: 3, step: 0.05, least: 0.5 },
};
const unitsByKind: { readonly [kind in ValueKind]?: readonly string[] } = {
  size: ['px', 'em', 'rem', '%'],
  width: ['px', 'em', 'rem', '%'],
  leading: ['', 'px', 'em', '%'],
  weight: [''],
  share: ['%'],
};

/** A length or a number: a slider to drag, a field to type in, its unit, and the words that stand for one. */
@Component({
  selector: 'zest-length-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="row">
      <input
        type="range"
        aria-label="Drag"
        [min]="scale().least ?? 0"
        [max]="scale().most"
        [step]="scale().step"
        [value]="amount()"
        (input)="say($any($event.target).value, unit())"
      />
      <input
        class="zest-field"
        aria-label="Number"
        inputmode="decimal"
        [value]="isNumber() ? amount() : ''"
        (change)="say($any($event.target).value, unit())"
      />
      @if (units().length > 1) {
        <select class="zest-field" aria-label="Unit" (change)="say(String(amount()), $any($event.target).value)">
          @for (each of units(); track each) {
            <option [value]="each" [selected]="each === unit()">{{ each || 'lines' }}</option>
          }
        </select>
      } @else {
        <span>{{ units()[0] }}</span>
      }
    </div>
    @if (words().length > 0) {
      <div class="words" role="group" aria-label="Choices">
        @for (word of words(); track word) {
          <button type="button" class="zest-choice" [attr.aria-pressed]="word === text()" (click)="changed.emit(word)">{{ word }}</button>
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
      width: 280px;
    }
    .row {
      display: flex;
      gap: 8px;
      align-items: center;
    }
    input[type='range'] {
      flex: 1;
      min-width: 0;
      accent-color: var(--zest-zest);
    }
    .zest-field {
      width: 64px;
    }
    .words {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
    }
  `,
})
export class LengthEditor {
  readonly text = input.required<string>();
  readonly kind = input.required<ValueKind>();
  readonly words = input<readonly string[]>([]);
  readonly changed = output<string>();
  protected readonly String = String;

  private readonly match = computed(() => /^([+-]?[\d.]+)(px|em|rem|%)?$/.exec(this.text()));
  protected readonly isNumber = computed(() => this.match() !== null);
  protected readonly units = computed(() => unitsByKind[this.kind()] ?? ['px', 'em', 'rem']);
  protected readonly amount = computed(() => Number(this.match()?.[1] ?? (this.kind() === 'weight' ? 400 : 0)));
  protected readonly unit = computed(() => {
    const said = this.match()?.[2] ?? '';
    return this.units().includes(said) ? said : (this.units()[0] ?? 'px');
  });
  protected readonly scale = computed<Scale>(() => {
    if (this.kind() === 'weight') return { least: 100, most: 900, step: 10 };
    const scale = scales[this.unit()] ?? { most: 64, step: 1 };
    const wide = this.kind() === 'width' && this.unit() === 'px';
    return this.kind() === 'spacing' ? { ...scale, least: -scale.most / 8, most: scale.most / 4 } : wide ? { ...scale, most: 1200 } : scale;
  });

  protected say(typed: string, unit: string): void {
    const n = typed.trim().replace(',', '.');
    this.changed.emit(n === '0' && unit !== '%' ? '0' : `${n}${unit}`);
  }
}
