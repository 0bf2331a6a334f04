import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { WHITE, blend, toHex } from '../../../../../core/colour';
import { isDrawn, lineAt } from '../../../../../core/lines';
import { inkOf, paintedFill } from '../../../../../core/paint';
import { partOf, type PartName, type Theme } from '../../../../../core/theme';

interface Drawn {
  readonly part: PartName;
  readonly label: string;
  readonly area: string;
  readonly fill: string;
  readonly ink: string;
}

/** The drawn schematic of a table: every part in its present colours, picked by a click or by the keyboard. */
@Component({
  selector: 'zest-anatomy',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 class="zest-label" id="anatomy">Anatomy</h2>
    <div class="drawing" role="group" aria-labelledby="anatomy">
      @for (each of drawn(); track each.part) {
        <button
          type="button"
          [style.grid-area]="each.area"
          [style.background]="each.fill"
          [style.color]="each.ink"
          [attr.aria-pressed]="each.part === part()"
          (click)="picked.emit(each.part)"
        >
          {{ each.label }}
          @if (each.part === 'lines') {
            <span class="stroke" aria-hidden="true" [style.border-block-start]="stroke()"></span>
          }
        </button>
      }
    </div>
  `,
  styles: `
    :host {
      display: block;
    }
    h2 {
      margin-block-end: 8px;
      font-family: var(--zest-text);
    }
    .drawing {
      display: grid;
      gap: 4px;
      padding: 10px;
      background: var(--zest-card);
      border: 1px solid var(--zest-line);
      border-radius: 12px;
      grid-template: 'table table' 26px 'caption caption' 26px 'head head' 28px 'rowhead body' 62px 'foot foot' 26px 'lines lines' 30px / 74px 1fr;
    }
    button {
      font: 600 12px/1.15 var(--zest-text);
      border: 1px solid var(--zest-line);
      border-radius: 5px;
      padding: 2px 8px;
      text-align: start;
      cursor: pointer;
      min-width: 0;
      position: relative;
    }
    button:hover {
      border-color: var(--zest-edge);
    }
    button[aria-pressed='true'] {
      outline: 2px solid var(--zest-zest);
      outline-offset: 1px;
    }
    button:focus-visible {
      outline: 3px solid var(--zest-zest);
      outline-offset: 1px;
      z-index: 1;
    }
    .stroke {
      position: absolute;
      inset-inline: 56px 8px;
      top: 50%;
    }
  `,
})
export class Anatomy {
  readonly theme = input.required<Theme>();
  readonly part = input.required<PartName>();
  readonly picked = output<PartName>();

  protected readonly drawn = computed<readonly Drawn[]>(() =>
    areas.map(([part, area]) => ({ part, area, label: partOf(part).label, ...colours(this.theme(), part) })),
  );
  protected readonly stroke = computed(() => {
    const line = (['under-header', 'rows', 'outer-top', 'outer-bottom', 'columns'] as const).map((name) => lineAt(this.theme(), name)).find(isDrawn);
    return line ? `${Math.min(line.width, 4)}px ${line.style} ${toHex(blend(line.rgba, WHITE))}` : '0';
  });
}

const areas: readonly (readonly [PartName, string])[] = [
  ['table', 'table'],
  ['caption', 'caption'],
  ['column-headers', 'head'],
  ['row-headers', 'rowhead'],
  ['body-rows', 'body'],
  ['footer', 'foot'],
  ['lines', 'lines'],
];

function colours(theme: Theme, part: PartName): { fill: string; ink: string } {
  if (part === 'lines') return { fill: toHex(WHITE), ink: '#20261f' };
  const slot = { part, conditions: [] };
  const fill = paintedFill(theme, slot);
  return { fill: toHex(fill), ink: toHex(blend(inkOf(theme, slot), fill)) };
}
