import type { Feature } from '../feature';
import { TOTAL, VALUE } from '../marks';
import { asides, textOf } from '../text';
import type { Unit } from '../units';

/** How a total is worked out and written, as its cell says. */
interface Said {
  readonly is: string;
  readonly as?: Intl.NumberFormatOptions;
  readonly of?: number;
  readonly unit?: string;
  readonly brackets?: number;
}

/** Totals of the rows that were found, in place of those of all. */
export const totals: Feature = (live) => (live.can.has('totals') ? { shown: (found) => addUp(live.body().table, found, live.language) } : undefined);

/** Writes the totals of the rows that were found into the footer. */
function addUp(table: HTMLTableElement, found: readonly Unit[], language: string): void {
  for (const cell of table.querySelectorAll<HTMLTableCellElement>(`tfoot [${TOTAL}]`)) {
    const said = JSON.parse(cell.dataset['total'] as string) as Said;
    const row = cell.parentElement as HTMLTableRowElement;
    const column = [...row.cells].slice(0, cell.cellIndex).reduce((sum, each) => sum + each.colSpan, 0);
    const cells = found.flatMap((unit) => unit.cellsAt(column));
    const texts = cells.map((each) => each.getAttribute(VALUE) ?? textOf(each)).filter(Boolean);
    const values = cells.flatMap((each) => each.getAttribute(VALUE) || []);
    const numbers = values.map(Number).sort((a, b) => a - b);
    const value = amountOf(said.is, numbers, texts);
    const isNone = Number.isNaN(value ?? NaN) || (said.as && numbers.length === 0);
    const amount = (value ?? 0) / (said.of ?? 1);
    const isBracketed = said.brackets && amount < 0;
    const text = new Intl.NumberFormat(language, said.as).format(isBracketed ? -amount : amount) + (said.unit ? `\u00a0${said.unit}` : '');
    const shown = isNone ? '' : isBracketed ? `(${text})` : text;
    cell.replaceChildren(...asides(cell), shown);
  }
}

/** What a kind of total comes to, of the numbers in their order or of all texts. */
function amountOf(kind: string, numbers: readonly number[], texts: readonly string[]): number | undefined {
  if (kind === 'count') return texts.length;
  if (kind === 'distinct') return new Set(texts).size;
  const sum = Number(numbers.reduce((total, each) => total + each, 0).toPrecision(12));
  const half = numbers.length >> 1;
  const middle = ((numbers[half] ?? NaN) + (numbers[numbers.length % 2 ? half : half - 1] ?? NaN)) / 2;
  return { sum, mean: sum / numbers.length, median: middle, least: numbers[0], greatest: numbers.at(-1) }[kind];
}
