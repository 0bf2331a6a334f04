import { AS_IT_SAYS, PLAIN_FORMAT, formatValue, isCounted, isNumericType, readValueOf, totalOf, type Value } from '../../data-types';
import { cellOf, textOf, type Cell } from '../cell';
import type { GridCell } from '../grid/grid';
import { languageIn } from './language';
import { readIn } from './readings';
import { heightOf, sectionRows, type Table } from '../table';

/** What a text in a column comes to as a value of its type; undefined where it is not of it. */
export function valueIn(table: Table, column: number, text: string): Value | undefined {
  const set = table.columns[column];
  if (!set || set.type === '') return readValueOf('text', text, AS_IT_SAYS);
  return readValueOf(set.type, text, { decimal: table.decimal, order: set.order });
}

/** Whether a body cell holds something that is not of its column's type. It is marked, and never refused. */
export const isWrong = (table: Table, { section, column, text, row }: GridCell): boolean =>
  section === 'body' && (table.columns[column]?.type ?? '') !== '' && !table.groups.includes(row) && valueIn(table, column, text) === undefined;

/** Whether a cell shows its column's total: in the last footer row or, for a row group, in its heading, where nothing was typed. */
export const isTotal = (table: Table, { section, row, column, text, columns }: GridCell): boolean =>
  columns === 1 &&
  text.trim() === '' &&
  (table.columns[column]?.total ?? '') !== '' &&
  (section === 'footer' ? row === heightOf(table) - 1 : section === 'body' && table.groups.includes(row));

/** What a cell that shows a total comes to: over all body rows or, in a heading, over its group's. */
function totalAt(table: Table, { section, row, column }: GridCell): number | null {
  const kind = table.columns[column]?.total ?? '';
  if (section === 'footer' || kind === '') return totalIn(table, column);
  const { first, count } = sectionRows(table, 'body');
  const end = table.groups.find((each) => each > row) ?? first + count;
  return totalOf(kind, valuesOf(table, column, row + 1 - first, end - row - 1));
}

/** The values of a column's body rows, headings left out. A column that says no type is read as what its cells seem to be. */
export function* valuesOf(table: Table, column: number, from = 0, most = Infinity): Generator<Value | undefined> {
  const { first, count } = sectionRows(table, 'body');
  const headings = new Set(table.groups);
  for (let row = first + from; row < first + Math.min(count, from + most); row++)
    if (!headings.has(row)) yield readIn(table, column, textOf(table.rows[row]?.[column]));
}

const totals = new WeakMap<Table, Map<number, number | null>>();
/** Says a column's total in a state of a table ahead, so that it need not be worked out on the spot. */
export function rememberTotal(table: Table, column: number, total: number | null): void {
  totals.set(table, (totals.get(table) ?? new Map<number, number | null>()).set(column, total));
}
/** A column's total over all body rows. Price: every cell of the column is read once for each state of the table. */
export function totalIn(table: Table, column: number): number | null {
  const before = totals.get(table)?.get(column);
  if (before !== undefined) return before;
  const kind = table.columns[column]?.total ?? '';
  const total = kind === '' ? null : totalOf(kind, valuesOf(table, column));
  rememberTotal(table, column, total);
  return total;
}

/** A total as it is shown: in the column's format, or in the plain one of its type. */
function shownTotal(table: Table, column: number, total: number | null): string {
  const set = table.columns[column];
  if (!set || total === null || set.total === '') return '';
  const { format, type } = set;
  if (isCounted(set.total)) return formatValue('whole', total, PLAIN_FORMAT, languageIn(table, column));
  return formatValue(type === '' ? 'number' : type, total, format ?? PLAIN_FORMAT, languageIn(table, column));
}

/**
 * What a cell shows: what was typed or, in a column with a format, its value written in that; in the last footer row the
 * total. A text with marks of its own stays as it is.
 */
export function shownCell(table: Table, cell: GridCell): Cell {
  const { column, section, text, marks, columns } = cell;
  if (isTotal(table, cell)) return shownTotal(table, column, totalAt(table, cell));
  const set = table.columns[column];
  const isFormatted = set?.format != null && set.type !== '' && section !== 'header' && columns === 1 && marks.length === 0;
  if (!isFormatted || set.format === null || table.groups.includes(cell.row)) return cellOf(text, marks);
  const value = valueIn(table, column, text);
  return value === undefined ? text : formatValue(set.type, value, set.format, languageIn(table, column));
}
export const shownText = (table: Table, cell: GridCell): string => textOf(shownCell(table, cell));

/** Whether a cell holds a number as its column's type has it; undefined where the column says no type. */
export function typedNumber(table: Table, cell: GridCell): number | false | undefined {
  const { type = '', total = '' } = table.columns[cell.column] ?? {};
  if (total !== '' && isTotal(table, cell)) {
    const isAmount = type === '' || isNumericType(type) || isCounted(total);
    return isAmount ? (totalAt(table, cell) ?? false) : false;
  }
  if (type === '') return undefined;
  const value = isNumericType(type) ? valueIn(table, cell.column, cell.text) : undefined;
  return typeof value === 'number' ? value : false;
}
