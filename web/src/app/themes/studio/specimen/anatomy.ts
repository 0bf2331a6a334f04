import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { WHITE, blend, toHex } from '../../../../../../core/colour';
import { isDrawn, lineAt } from '../../../../../../core/lines';
import { inkOf, paintedFill } from '../../../../../../core/paint';
import { cardParts, partOf, type PartName, type ThemeView } from '../../../../../../core/theme';
import type { Picked } from './specimen';

interface Drawn {
  readonly part: PartName;
  readonly label: string;
  readonly area: string;
  readonly fill: string;
  readonly ink: string;
}

/** The drawn schematic of a table: every part in its present colours, picked by a click or by the keyboard, several with Shift. */
@Component({
  selector: 'zest-anatomy',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="over">
      <h2 class="zest-label">Anatomy</h2>
      <span class="zest-note">Shift for several</span>
    </div>
    @for (drawing of drawings(); track $index) {
      <div class="drawing" [class.of-cards]="drawing.isOfCards" role="group" [attr.aria-label]="drawing.isOfCards ? 'Anatomy of cards' : 'Anatomy'">
        @for (each of drawing.parts; track each.part) {
          <button
            type="button"
            [style.grid-area]="each.area"
            [style.background]="each.fill"
            [style.color]="each.ink"
            [attr.aria-pressed]="parts().includes(each.part)"
            (click)="picked.emit({ part: each.part, condition: 'rest', beside: $event.shiftKey })"
          >
            {{ each.label }}
            @if (each.part === 'lines') {
              <span class="stroke" aria-hidden="true" [style.border-block-start]="stroke()"></span>
            }
          </button>
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .over {
      display: flex;
      justify-content: space-between;
      align-items: baseline;
      margin-block-end: 6px;
    }
    h2 {
      font-family: var(--zest-text);
    }
    .drawing {
      display: grid;
      gap: 3px;
      padding: 8px;
      background: var(--zest-card);
      border: 1px solid var(--zest-line);
      border-radius: 12px;
      grid-template:
        'table table table table' 24px
        'search search field field' 24px
        'info info info info' 24px
        'caption caption caption caption' 24px
        'corner groups groups groups' 24px
        'corner head head head' 24px
        'grouphead grouphead grouphead grouphead' 24px
        'rowhead body body numbers' 34px
        'rowhead links buttons icons' 24px
        'foot foot foot foot' 24px
        'lines lines lines lines' 24px
        'empty empty empty empty' 24px
        'pager pager items items' 24px / 52px 0.8fr 1.15fr 1.15fr;
    }
    .drawing.of-cards {
      margin-block-end: 8px;
      grid-template: none;
      grid-auto-rows: 24px;
      grid-template-columns: 1fr 1fr;
    }
    button {
      font: 600 11px/1.1 var(--zest-text);
      border: 1px solid var(--zest-line);
      border-radius: 5px;
      padding: 1px 3px;
      text-align: start;
      cursor: pointer;
      min-width: 0;
      position: relative;
      overflow: hidden;
    }
    button:hover {
      border-color: var(--zest-edge);
    }
    button[aria-pressed='true'] {
      outline: 2px solid var(--zest-zest);
      outline-offset: 1px;
      z-index: 1;
    }
    button:focus-visible {
      outline: 3px solid var(--zest-zest);
      outline-offset: 1px;
      z-index: 2;
    }
    .stroke {
      position: absolute;
      inset-inline: 50px 8px;
      top: 50%;
    }
  `,
})
export class Anatomy {
  readonly view = input.required<ThemeView>();
  readonly parts = input.required<readonly PartName[]>();
  /** Whether cards are shown, whose parts are then drawn too. */
  readonly cards = input(false);
  readonly picked = output<Picked>();

  /** The parts of cards, where some are shown, above those of the table. */
  protected readonly drawings = computed(() => {
    const drawn = ([part, area]: Area): Drawn => ({ part, area, label: partOf(part).label, ...colours(this.view(), part) });
    const ofTable = { isOfCards: false, parts: areas.map(drawn) };
    return this.cards() ? [{ isOfCards: true, parts: cardAreas.map((part) => drawn([part, 'auto'])) }, ofTable] : [ofTable];
  });
  protected readonly stroke = computed(() => {
    const line = (['under-header', 'rows', 'outer-top', 'outer-bottom', 'columns'] as const).map((name) => lineAt(this.view(), name)).find(isDrawn);
    return line ? `${Math.min(line.width, 4)}px ${line.style} ${toHex(blend(line.rgba, WHITE))}` : '0';
  });
}

type Area = readonly [part: PartName, area: string];
const areas: readonly Area[] = [
  ['table', 'table'],
  ['search-bar', 'search'],
  ['search-field', 'field'],
  ['info-line', 'info'],
  ['caption', 'caption'],
  ['corner', 'corner'],
  ['header-groups', 'groups'],
  ['column-headers', 'head'],
  ['group-headings', 'grouphead'],
  ['row-headers', 'rowhead'],
  ['body-rows', 'body'],
  ['numbers', 'numbers'],
  ['links', 'links'],
  ['buttons', 'buttons'],
  ['icons', 'icons'],
  ['footer', 'foot'],
  ['lines', 'lines'],
  ['empty-message', 'empty'],
  ['pager', 'pager'],
  ['pager-items', 'items'],
];

const cardAreas: readonly PartName[] = ['period-switch', ...cardParts.filter((part) => part !== 'period-switch')];

function colours(view: ThemeView, part: PartName): { fill: string; ink: string } {
  if (part === 'lines') return { fill: toHex(WHITE), ink: '#20261f' };
  const slot = { part, conditions: [] };
  const fill = paintedFill(view, slot);
  return { fill: toHex(fill), ink: toHex(blend(inkOf(view, slot), fill)) };
}
