import { element, framedTable, tableElement, visitedTable, writeHtml } from '../../../core/compile';
import { PLAIN_VISITOR, type Visitor } from '../../../core/page';
import { PLAIN_COLUMN, tableOf, type Table } from '../../../core/table';
import { dress } from '../../../runtime/dress';
import { everyFeature } from '../../../runtime/features';

const boxes: HTMLElement[] = [];
/** Takes away what was placed; after each spec. */
export const takeAway = (): void => boxes.splice(0).forEach((box) => box.remove());

/** A placed table as it is published, brought to life. */
export function visit(table: Table, set: Partial<Visitor> = {}): HTMLElement {
  const visitor = { ...PLAIN_VISITOR, ...set };
  const options = { id: 'place-1', theme: 'v', sortable: visitor.sort, unsorted: visitor.unsorted, filtered: visitor.filter, totals: visitor.totals };
  const framed = framedTable(table, options);
  const whole = visitor.columns ? tableElement(table, { ...options, whole: true }) : undefined;
  const holder = document.createElement('div');
  holder.innerHTML = writeHtml(element('div', {}, visitedTable(framed, table, visitor, { id: 'place-1', theme: 'v', whole })), 'compact');
  const box = holder.querySelector<HTMLElement>('[data-visitor]') as HTMLElement;
  document.body.append(holder);
  boxes.push(holder);
  dress(box, everyFeature);
  return box;
}
export const texts = (box: HTMLElement, column = 0): readonly string[] =>
  [...box.querySelectorAll<HTMLTableRowElement>('tbody > tr:not([hidden])')].map((row) => row.cells[column]?.textContent ?? '');
export const sorter = (box: HTMLElement, name: string): HTMLElement =>
  [...box.querySelectorAll<HTMLElement>('.zp-sort')].find((each) => each.textContent === name) as HTMLElement;
export const type = (box: HTMLElement, text: string): void => {
  const field = box.querySelector('input') as HTMLInputElement;
  field.value = text;
  field.dispatchEvent(new Event('input'));
};
export const go = (box: HTMLElement, name: string): void => box.querySelector<HTMLElement>(`.zp-page[aria-label="${name}"]`)?.click();
export const says = (box: HTMLElement): string => box.querySelector('[role=status]')?.textContent ?? '';

export const boats = tableOf(
  'Boats',
  [
    ['Boat', 'Fare', 'Sails'],
    ['Émile', '£12.00', '13.2.2026'],
    ['Wick', '–', '4.5.2026'],
    ['moth 10', '(£3)', '1.12.2025'],
    ['moth 9', '£4.50', 'unknown'],
  ],
  { columns: [PLAIN_COLUMN, PLAIN_COLUMN, { ...PLAIN_COLUMN, type: 'date' }] },
);
