import { bad, good, type Outcome } from '../../outcome';
import { axes, closeMerges, openMerges, type Axis } from './axis';
import type { Row } from '../cell';
import { PLAIN_COLUMN, type Column } from '../columns/column';
import { closeExceptions, openExceptions } from '../looks/exception';
import { LIMITS } from '../reading/limits';
import { sectionOf, widthOf, type Merge, type Table } from '../table';

/** An edited table, or why it cannot be done. The given table is never changed. */
export type Edited = Outcome<Table>;

const refuse = (code: string, say: string, remedy: string): Edited => bad({ code, say, remedy });

/**
 * So many new empty rows before or after a row, in the same row group; but behind the last header row a row is one of the body:
 * a table is written downwards.
 */
export function insertRow(table: Table, row: number, side: 'before' | 'after', count = 1): Edited {
  if (table.rows.length + count > LIMITS.rows)
    return refuse('rows-most', `A table has at most ${LIMITS.rows.toLocaleString('en')} rows.`, 'Delete some first.');
  const at = side === 'before' ? row : row + 1;
  const section = side === 'after' && at === table.headerRows ? 'body' : sectionOf(table, row);
  const width = widthOf(table);
  const empty = Array.from({ length: count }, () => Array.from({ length: width }, () => ''));
  return good({
    ...table,
    rows: [...table.rows.slice(0, at), ...empty, ...table.rows.slice(at)],
    merges: openMerges(table.merges, axes.row, at, count),
    headerRows: table.headerRows + (section === 'header' ? count : 0),
    footerRows: table.footerRows + (section === 'footer' ? count : 0),
    groups: table.groups.map((each) => (each >= at ? each + count : each)),
    exceptions: openExceptions(table.exceptions, 'row', at, count),
  });
}

const shareIn = ({ width }: Column): number => (width.endsWith('%') ? Number.parseFloat(width) : 0);
const arePercent = (columns: readonly Column[]): boolean => columns.length > 0 && columns.every((each) => shareIn(each) > 0);

/** How wide a new column is: where the others part the table among them, as wide as the one that it stands beside, or as they are in the middle. */
function newWidth(columns: readonly Column[], beside: number): string {
  const own = columns[beside]?.width ?? '';
  if (own.endsWith('fr')) return own;
  return arePercent(columns) ? `${rounded(100 / (columns.length + 1))}%` : '';
}

/** The other columns' widths with one more among them: shares of the whole make room for it. */
const withRoom = (columns: readonly Column[]): readonly Column[] =>
  arePercent(columns) ? columns.map((each) => ({ ...each, width: `${rounded((shareIn(each) * columns.length) / (columns.length + 1))}%` })) : columns;
const rounded = (n: number): number => Math.round(n * 100) / 100;

/** A new empty column before or after a column; next to a row header column it is one too. */
export function insertColumn(table: Table, column: number, side: 'before' | 'after'): Edited {
  if (widthOf(table) >= LIMITS.columns) return refuse('columns-most', `A table has at most ${LIMITS.columns} columns.`, 'Delete one first.');
  const at = side === 'before' ? column : column + 1;
  const width = widthOf(table);
  // A heading over the whole row stays one.
  const isWhole = ({ row, rows, columns }: Merge): boolean => rows === 1 && columns === width && table.groups.includes(row);
  const whole = new Set(table.merges.filter(isWhole).map(({ row }) => row));
  const merges = openMerges(table.merges, axes.column, at).map((merge, i) => {
    const before = table.merges[i];
    return before && isWhole(before) ? { ...before, columns: width + 1 } : merge;
  });
  return good({
    ...table,
    rows: table.rows.map((cells, row) => cells.toSpliced(at === 0 && whole.has(row) ? 1 : at, 0, '')),
    merges,
    columns: withRoom(table.columns).toSpliced(at, 0, { ...PLAIN_COLUMN, width: newWidth(table.columns, column) }),
    exceptions: openExceptions(table.exceptions, 'column', at),
    rowHeaders: table.rowHeaders + (column < table.rowHeaders ? 1 : 0),
  });
}

export const deleteRow = (table: Table, row: number): Edited => deleteRows(table, row, row);

/** Takes out the rows from one to another, both meant. What merged cells held goes to what is left of them. */
export function deleteRows(table: Table, from: number, to: number): Edited {
  const height = table.rows.length;
  if (to - from + 1 >= height) return refuse('rows-least', 'A table keeps at least one row.', 'Delete the table instead, or empty the row.');
  const count = (first: number, end: number): number => Math.max(0, Math.min(to + 1, end) - Math.max(from, first));
  const rows = keepAnchors(table, axes.row, from, to);
  return good({
    ...table,
    rows: [...rows.slice(0, from), ...rows.slice(to + 1)],
    merges: closeMerges(table.merges, axes.row, from, to),
    headerRows: table.headerRows - count(0, table.headerRows),
    footerRows: table.footerRows - count(height - table.footerRows, height),
    groups: table.groups.filter((each) => each < from || each > to).map((each) => (each > to ? each - (to - from + 1) : each)),
    exceptions: closeExceptions(table.exceptions, 'row', from, to),
  });
}

export function deleteColumn(table: Table, column: number): Edited {
  if (widthOf(table) === 1) return refuse('columns-least', 'A table keeps at least one column.', 'Delete the table instead, or empty the column.');
  return good({
    ...table,
    rows: keepAnchors(table, axes.column, column).map((cells) => cells.toSpliced(column, 1)),
    merges: closeMerges(table.merges, axes.column, column),
    columns: table.columns.toSpliced(column, 1),
    exceptions: closeExceptions(table.exceptions, 'column', column),
    rowHeaders: table.rowHeaders - (column < table.rowHeaders ? 1 : 0),
  });
}

/** Texts after each merge that starts in lines to be deleted, and goes on behind them, has handed its content to the next line. */
function keepAnchors(table: Table, { start, span }: Axis, from: number, to = from): readonly Row[] {
  let rows = table.rows;
  for (const merge of table.merges) {
    if (merge[start] < from || merge[start] > to || merge[start] + merge[span] <= to + 1) continue;
    const held = table.rows[merge.row]?.[merge.column] ?? '';
    const [row, column] = start === 'row' ? [to + 1, merge.column] : [merge.row, to + 1];
    rows = rows.with(row, (rows[row] ?? []).with(column, held));
  }
  return rows;
}
