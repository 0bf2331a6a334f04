import { CdkDrag, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';

/** Rows or columns that are moved together to stand before another, counted from 0. */
export interface Carried {
  readonly from: number;
  readonly before: number;
}

/**
 * The strip beside a grid with a handle for each of its rows or columns: a press chooses the whole of it, a drag moves it,
 * and a column's edge makes it wider. For the pointer; by keyboard the grid's own keys do the same.
 */
@Component({
  selector: 'zest-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkDrag, CdkDropList],
  template: `
    <div
      cdkDropList
      [cdkDropListOrientation]="axis() === 'row' ? 'vertical' : 'horizontal'"
      [class]="axis()"
      role="group"
      [attr.aria-label]="axis() === 'row' ? 'Rows' : 'Columns'"
      (cdkDropListDropped)="drop($event)"
    >
      @for (handle of handles(); track handle.key) {
        <button
          cdkDrag
          type="button"
          tabindex="-1"
          [cdkDragStartDelay]="{ touch: 250, mouse: 0 }"
          [cdkDragLockAxis]="axis() === 'row' ? 'y' : 'x'"
          [style.width.px]="axis() === 'row' ? null : handle.size"
          [style.height.px]="axis() === 'row' ? handle.size : null"
          [class.chosen]="handle.isChosen"
          [class.hidden]="hidden().has(handle.at)"
          [attr.aria-label]="(axis() === 'row' ? 'Choose row ' : 'Choose column ') + (handle.at + 1)"
          (click)="chosen.emit({ at: handle.at, more: $event.shiftKey })"
        >
          {{ handle.at + 1 }}
          @if (axis() === 'column') {
            <span class="grip" (pointerdown)="grip($event, handle.at, handle.size)" (mousedown)="$event.stopPropagation()"></span>
          }
        </button>
      }
    </div>
  `,
  styles: `
    :host {
      display: block;
    }
    :host:has(> .column) {
      height: 100%;
    }
    div {
      display: flex;
    }
    .row {
      flex-direction: column;
    }
    button {
      box-sizing: border-box;
      flex: none;
      border: 0;
      margin: 0;
      padding: 0;
      font:
        11px/1 'Atkinson Mono',
        ui-monospace,
        monospace;
      color: light-dark(#5d665a, #a9b2a3);
      background: light-dark(#f6f5ec, #1a1e19);
      cursor: grab;
      position: relative;
      overflow: hidden;
    }
    .row button {
      width: 100%;
      border-block-end: 1px solid light-dark(#dfe0d3, #343a32);
    }
    .column button {
      height: 100%;
      border-inline-end: 1px solid light-dark(#dfe0d3, #343a32);
    }
    .column {
      height: 100%;
    }
    button:hover {
      background: light-dark(#e9e8dd, #2a2f28);
    }
    .chosen {
      background: light-dark(#fdeadb, #3a2415);
      color: light-dark(#8f3400, #ff9a5c);
      font-weight: 700;
    }
    .hidden {
      text-decoration: line-through;
    }
    .grip {
      position: absolute;
      inset-block: 0;
      inset-inline-end: 0;
      width: 7px;
      cursor: col-resize;
    }
    .grip:hover {
      background: #e2590a;
    }
    .cdk-drag-preview {
      box-shadow: 0 2px 8px rgb(0 0 0 / 35%);
    }
  `,
})
export class Strip {
  readonly axis = input.required<'row' | 'column'>();
  /** Where the first handle's row or column stands in the table. */
  readonly first = input(0);
  /** How many handles take turns where rows come and go: one that goes is used again for one that comes in. */
  readonly pool = input(Infinity);
  /** How high or wide each is, in px. */
  readonly sizes = input.required<readonly number[]>();
  /** First and last that are chosen. */
  readonly choice = input.required<readonly [number, number]>();
  readonly hidden = input<ReadonlySet<number>>(new Set());
  readonly chosen = output<{ readonly at: number; readonly more: boolean }>();
  readonly carried = output<Carried>();
  /** A column's edge was dragged: its width in px; `done` when it was let go. */
  readonly resized = output<{ readonly at: number; readonly width: number }>();

  protected readonly handles = computed(() => {
    const [from, to] = this.choice();
    return this.sizes().map((size, i) => {
      const at = this.first() + i;
      return { at, key: at % this.pool(), size, isChosen: at >= from && at <= to };
    });
  });

  protected drop({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    if (previousIndex === currentIndex) return;
    const from = this.first() + previousIndex;
    this.carried.emit({ from, before: this.first() + currentIndex + (currentIndex > previousIndex ? 1 : 0) });
  }

  protected grip(event: PointerEvent, at: number, size: number): void {
    event.stopPropagation();
    event.preventDefault();
    const target = event.target as HTMLElement;
    const turn = getComputedStyle(target).direction === 'rtl' ? -1 : 1;
    const width = (moved: PointerEvent): number => Math.max(24, Math.round(size + turn * (moved.clientX - event.clientX)));
    const move = (moved: PointerEvent): void => this.resized.emit({ at, width: width(moved) });
    const end = (): void => {
      target.removeEventListener('pointermove', move);
      target.removeEventListener('pointerup', end);
      target.removeEventListener('pointercancel', end);
    };
    target.setPointerCapture(event.pointerId);
    target.addEventListener('pointermove', move);
    target.addEventListener('pointerup', end);
    target.addEventListener('pointercancel', end);
  }
}
