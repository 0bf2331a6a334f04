import { NgTemplateOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  TemplateRef,
  computed,
  contentChild,
  inject,
  input,
  signal,
} from '@angular/core';

/** Narrowest card and the room between two, in px. */
const [CARD, GAP] = [268, 16];
/** Rows of cards that the browser skips or draws as one. */
const ROWS = 3;

/**
 * Cards in a grid, any number of them. They stand on shelves of a few rows, and a shelf out of view costs the
 * browser nothing, while all of them stay in the document: found by the browser's own search, reached by Tab
 * and counted by assistive technology. The card is the `ng-template` within, given the item.
 */
@Component({
  selector: 'zest-card-wall',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NgTemplateOutlet],
  template: `
    <div role="list" [attr.aria-label]="label()">
      @for (shelf of shelves(); track $index) {
        <div
          role="presentation"
          [style.grid-template-columns]="'repeat(' + columns() + ', minmax(0, 1fr))'"
          [style.contain-intrinsic-block-size]="'auto ' + heightOf(shelf.length) + 'px'"
        >
          @for (item of shelf; track item.id) {
            <ng-container *ngTemplateOutlet="card(); context: { $implicit: item }" />
          }
        </div>
      }
    </div>
  `,
  styles: `
    :host {
      display: block;
    }
    [role='presentation'] {
      display: grid;
      gap: ${GAP}px;
      content-visibility: auto;
    }
    [role='presentation'] + [role='presentation'] {
      margin-top: ${GAP}px;
    }
  `,
})
export class CardWall<Item extends { readonly id: string }> {
  readonly items = input.required<readonly Item[]>();
  readonly label = input.required<string>();
  /** Height of a card in px: shelves out of view keep room for theirs. */
  readonly height = input(246);
  protected readonly card = contentChild.required<TemplateRef<{ $implicit: Item }>>(TemplateRef);
  private readonly width = signal(CARD);
  protected readonly columns = computed(() => Math.max(1, Math.floor((this.width() + GAP) / (CARD + GAP))));
  protected readonly shelves = computed(() => {
    const size = this.columns() * ROWS;
    return Array.from({ length: Math.ceil(this.items().length / size) }, (_, i) => this.items().slice(i * size, (i + 1) * size));
  });

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const observer = new ResizeObserver(([entry]) => this.width.set(entry?.contentRect.width ?? CARD));
    observer.observe(host);
    inject(DestroyRef).onDestroy(() => observer.disconnect());
  }

  protected heightOf(cards: number): number {
    const rows = Math.ceil(cards / this.columns());
    return rows * this.height() + (rows - 1) * GAP;
  }
}
