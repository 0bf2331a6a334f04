import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';

/** A width that can be dragged: a ruler whose handle is a slider, so that the arrow keys move it too. */
@Component({
  selector: 'zest-ruler',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="ticks" aria-hidden="true">
      @for (tick of ticks(); track tick) {
        <span [style.left.%]="(tick / most()) * 100">{{ tick }}</span>
      }
    </div>
    @for (band of seenBands(); track band.from) {
      <i
        class="band"
        aria-hidden="true"
        [class]="band.state"
        [style.left.%]="(band.from / most()) * 100"
        [style.width.%]="((band.to - band.from) / most()) * 100"
      ></i>
    }
    @for (mark of seenMarks(); track mark) {
      <i class="mark" aria-hidden="true" [style.left.%]="(mark / most()) * 100"></i>
    }
    <input
      type="range"
      [attr.aria-label]="label()"
      [attr.aria-valuetext]="width() + ' pixels'"
      min="0"
      [max]="most()"
      step="8"
      [value]="width()"
      (input)="drag($event)"
    />
    <output [style.left.%]="(width() / most()) * 100" [class.flip]="width() / most() > 0.8">{{ width() }}</output>
  `,
  styles: `
    :host {
      display: block;
      position: relative;
      height: 24px;
      font: 11px/1 var(--zest-mono);
      color: var(--zest-soft);
    }
    .ticks {
      position: absolute;
      inset: 0;
      border-block-end: 1px solid var(--zest-edge);
      overflow: hidden;
    }
    .ticks span {
      position: absolute;
      bottom: 3px;
      padding-inline-start: 3px;
      border-inline-start: 1px solid var(--zest-line);
    }
    .band {
      position: absolute;
      inset-block-end: -1px;
      height: 4px;
      background: var(--zest-leaf);
    }
    .band.tight {
      background: repeating-linear-gradient(90deg, var(--zest-leaf) 0 4px, transparent 4px 7px);
    }
    .band.beyond {
      background: var(--zest-alarm);
    }
    .mark {
      position: absolute;
      inset-block-end: 0;
      width: 2px;
      height: 12px;
      background: var(--zest-ink);
    }
    input {
      position: absolute;
      inset: 0;
      width: 100%;
      margin: 0;
      appearance: none;
      background: none;
      cursor: ew-resize;
      height: 24px;
    }
    input::-webkit-slider-thumb {
      appearance: none;
      width: 4px;
      height: 24px;
      background: var(--zest-zest);
      border-radius: 2px;
    }
    input::-moz-range-thumb {
      width: 4px;
      height: 24px;
      border: 0;
      background: var(--zest-zest);
      border-radius: 2px;
    }
    output {
      position: absolute;
      top: 2px;
      padding: 2px 8px;
      color: var(--zest-zest-text);
      font-weight: 700;
      pointer-events: none;
      background: var(--zest-paper);
      margin-inline-start: 6px;
    }
    output.flip {
      translate: calc(-100% - 14px) 0;
    }
  `,
})
export class Ruler {
  readonly width = model.required<number>();
  /** Width of the whole ruler in px. */
  readonly most = input.required<number>();
  readonly label = input('Container width');
  /** Widths at which something else begins to hold, as marks on the ruler. */
  readonly marks = input<readonly number[]>([]);
  /** Stretches of widths, drawn along the ruler by how something does there. */
  readonly bands = input<readonly { readonly from: number; readonly to: number; readonly state: string }[]>([]);
  protected readonly seenBands = computed(() =>
    this.bands()
      .filter(({ from }) => from <= this.most())
      .map(({ from, to, state }) => ({ from: from - 1, to: Math.min(to, this.most()), state })),
  );
  protected readonly seenMarks = computed(() => this.marks().filter((mark) => mark <= this.most()));
  /** Round widths along the ruler, but for those that the handle's own number would cover. */
  protected readonly ticks = computed(() => {
    const [most, handle] = [this.most(), Math.min(this.width(), this.most())];
    return [0, 320, 480, 640, 800, 960, 1120, 1280].filter((tick) => tick < most - 20 && Math.abs(tick - handle) > most * 0.1);
  });

  protected drag(event: Event): void {
    this.width.set(Math.max(240, Math.min(Number((event.target as HTMLInputElement).value), this.most())));
  }
}
