import { bad, good, type Outcome } from '../outcome';
import { axes, closeMerges, openMerges, type Axis } from './axis';
import type { Row } from './cell';
import { PLAIN_COLUMN } from './column';
import { LIMITS } from './read-table';
import { sectionOf, widthOf, type Merge, type Table } from './table';

/** An edited table, or why it cannot be done. The given table is never changed. */
export type Edited = Outcome<Table>;

const refuse = (code: string, say: string, remedy: string): Edited => bad({ code, say, remedy });

/** A new empty row before or after a row, in the same row group. */
export function insertRow(table: Table, row: number, side: 'before' | 'after'): Edited {
  if (table.rows.length >= LIMITS.rows) return refuse('rows-most', `A table has at most ${LIMITS.rows} rows.`, 'Delete one first.');
  const at = side === 'before' ? row : row + 1;
  const section = sectionOf(table, row);
  const empty = Array.from({ length: widthOf(table) }, () => '');
  return good({
    ...table,
    rows: table.rows.toSpliced(at, 0, empty),
    merges: openMerges(table.merges, axes.row, at),
    headerRows: table.headerRows + (section === 'header' ? 1 : 0),
    footerRows: table.footerRows + (section === 'footer' ? 1 : 0),
    groups: table.groups.map((each) => (each >= at ? each + 1 : each)),
  });
}

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
    columns: table.columns.toSpliced(at, 0, PLAIN_COLUMN),
    rowHeaders: table.rowHeaders + (column < table.rowHeaders ? 1 : 0),
  });
}

export function deleteRow(table: Table, row: number): Edited {
  if (table.rows.length === 1) return refuse('rows-least', 'A table keeps at least one row.', 'Delete the table instead, or empty the row.');
  const section = sectionOf(table, row);
  return good({
    ...table,
    rows: keepAnchors(table, axes.row, row).toSpliced(row, 1),
    merges: closeMerges(table.merges, axes.row, row),
    headerRows: table.headerRows - (section === 'header' ? 1 : 0),
    footerRows: table.footerRows - (section === 'footer' ? 1 : 0),
    groups: table.groups.filter((each) => each !== row).map((each) => (each > row ? each - 1 : each)),
  });
}

export function deleteColumn(table: Table, column: number): Edited {
  if (widthOf(table) === 1) return refuse('columns-least', 'A table keeps at least one column.', 'Delete the table instead, or empty the column.');
  return good({
    ...table,
    rows: keepAnchors(table, axes.column, column).map((cells) => cells.toSpliced(column, 1)),
    merges: closeMerges(table.merges, axes.column, column),
    columns: table.columns.toSpliced(column, 1),
    rowHeaders: table.rowHeaders - (column < table.rowHeaders ? 1 : 0),
  });
}

/** Texts after each merge that starts in a line to be deleted, and goes on, has handed its content to the next line. */
function keepAnchors(table: Table, { start, span }: Axis, at: number): readonly Row[] {
  let rows = table.rows;
  for (const merge of table.merges.filter((each) => each[start] === at && each[span] > 1)) {
    const text = table.rows[merge.row]?.[merge.column] ?? '';
    const [row, column] = start === 'row' ? [merge.row + 1, merge.column] : [merge.row, merge.column + 1];
    rows = rows.with(row, (rows[row] ?? []).with(column, text));
  }
  return rows;
}
