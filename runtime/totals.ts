import { asides, textOf } from './text';
import type { Unit } from './units';

/** How a total is worked out and written, as its cell says. */
interface Said {
  readonly is: string;
  readonly as?: Intl.NumberFormatOptions;
  readonly of?: number;
  readonly unit?: string;
  readonly brackets?: number;
}

/** Writes the totals of the rows that were found into the footer. */
export function addUp(table: HTMLTableElement, found: readonly Unit[], language: string): void {
  for (const cell of table.querySelectorAll<HTMLTableCellElement>('tfoot [data-total]')) {
    const said = JSON.parse(cell.dataset['total'] ?? '{}') as Said;
    const row = cell.parentElement as HTMLTableRowElement;
    const column = [...row.cells].slice(0, cell.cellIndex).reduce((sum, each) => sum + each.colSpan, 0);
    const cells = found.flatMap((unit) => unit.cellsAt(column));
    const texts = cells.map((each) => each.getAttribute('data-value') ?? textOf(each)).filter(Boolean);
    const numbers = cells.flatMap((each) => (each.getAttribute('data-value') ? Number(each.getAttribute('data-value')) : [])).sort((a, b) => a - b);
    const sum = Number(numbers.reduce((total, each) => total + each, 0).toPrecision(12));
    const half = numbers.length >> 1;
    const value =
      said.is === 'count'
        ? texts.length
        : said.is === 'distinct'
          ? new Set(texts).size
          : {
              sum,
              mean: sum / numbers.length,
              median: ((numbers[half] ?? NaN) + (numbers[numbers.length % 2 ? half : half - 1] ?? NaN)) / 2,
              least: numbers[0],
              greatest: numbers.at(-1),
            }[said.is];
    const isNone = value === undefined || Number.isNaN(value) || (said.as && numbers.length === 0);
    const amount = (value ?? 0) / (said.of ?? 1);
    const isBracketed = said.brackets && amount < 0;
    const text = new Intl.NumberFormat(language, said.as).format(isBracketed ? -amount : amount) + (said.unit ? `\u00a0${said.unit}` : '');
    const shown = isNone ? '' : isBracketed ? `(${text})` : text;
    cell.replaceChildren(...asides(cell), shown);
  }
}
