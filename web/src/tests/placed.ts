import { viewOf, starter } from '../../../core/tests/themes';
import {
  arrangementRules,
  askedBy,
  besideOf,
  boxed,
  byWidth,
  framedTable,
  labelRules,
  frameRules,
  tableRules,
  themeCss,
  turns,
  visitedTable,
  visitorRules,
  writeCss,
  writeHtml,
} from '../../../core/compile';
import { setValue } from '../../../core/edit';
import { PLAIN_VISITOR, type Visitor } from '../../../core/page';
import { tableOf, turnedTable, type Table } from '../../../core/table';
import { type Theme } from '../../../core/theme';
import { dress } from '../../../runtime/dress';
import { everyFeature } from '../../../runtime/features';

const hosts: HTMLElement[] = [];
/** Takes away what was placed; after each spec. */
export const takeAway = (): void => hosts.splice(0).forEach((host) => host.remove());

export const grown = (base: string): Theme => ({ format: 'zest-theme/2', name: base, base: starter(base), swatches: [], values: {} });
export const arranged = (theme: Theme, arrangement: string, step?: string): Theme =>
  setValue(theme, { part: 'table', condition: 'rest', step }, 'arrangement', arrangement);

/** A dressed table in a container of so many px, as it is published. Gives the container. */
export function placed(theme: Theme, table: Table, width: number, visitor?: Partial<Visitor>, named = false): HTMLElement {
  const host = document.createElement('div');
  hosts.push(host);
  const shadow = host.attachShadow({ mode: 'open' });
  document.body.append(host);
  const turned = turns(viewOf(theme)) ? turnedTable(table) : undefined;
  const beside = besideOf(turned ? [table, turned] : [table]);
  const css = writeCss([
    ...frameRules,
    ...visitorRules,
    ...byWidth(viewOf(theme), (at) => [
      ...themeCss(at, { key: 'case', lean: true, around: visitor !== undefined, beside }),
      ...arrangementRules(at, 'case', beside.exceptions, beside.holdsRows),
    ]),
    ...tableRules(table, 'table'),
    ...(named ? labelRules(viewOf(theme), table, '.zp-frame') : []),
  ]);
  const options = {
    id: 'case',
    theme: 'case',
    ...askedBy(viewOf(theme), table),
    named,
    turned: visitor === undefined && turns(viewOf(theme)),
    sortable: visitor?.sort === true,
    totals: visitor?.totals === true,
  };
  const framed = framedTable(table, options);
  const whole = visitor ? visitedTable(framed, table, { ...PLAIN_VISITOR, ...visitor }, { id: 'case', theme: 'case' }) : framed;
  shadow.innerHTML = `<style>:host{all:initial;font:16px/1.4 sans-serif;color:#000}${css}</style><div class="room">${writeHtml(boxed(whole), 'compact')}</div>`;
  host.style.cssText = 'display:block';
  const room = shadow.querySelector<HTMLElement>('.room') as HTMLElement;
  room.style.width = `${width}px`;
  const box = shadow.querySelector<HTMLElement>('[data-visitor]');
  if (box) dress(box, everyFeature);
  return room;
}
export const bodyRows = (room: HTMLElement): readonly HTMLTableRowElement[] => [
  ...room.querySelectorAll<HTMLTableRowElement>('tbody > tr:not([hidden])'),
];
export const boxOf = (element: Element): DOMRect => element.getBoundingClientRect();
/** What of a row is not one cell below the other at full width. */
export function unstacked(row: HTMLTableRowElement): string[] {
  const cells = [...row.cells];
  return cells.flatMap((cell, i) => {
    const [at, before] = [boxOf(cell), cells[i - 1]];
    const isBelow = !before || at.top >= boxOf(before).bottom - 0.5;
    return isBelow && Math.abs(at.width - boxOf(row).width) < 1 ? [] : [`${cell.textContent}: ${at.left} ${at.top} ${at.width}`];
  });
}

export const boats = tableOf(
  'Boats',
  [
    ['Boat', 'Leaves', '', 'Fare'],
    ['', 'Weekday', 'Weekend', ''],
    ['Moth', '18:35', '19:05', '£8.20'],
    ['Wick', '19:20', '20:15', '£11.00'],
    ['Boats', '2', '2', ''],
  ],
  {
    headerRows: 2,
    rowHeaders: 1,
    footerRows: 1,
    merges: [
      { row: 0, column: 0, rows: 2, columns: 1 },
      { row: 0, column: 1, rows: 1, columns: 2 },
      { row: 0, column: 3, rows: 2, columns: 1 },
    ],
  },
);
