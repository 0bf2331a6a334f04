import { bad, good, type Outcome } from '../outcome';
import { axes, closeMerges, openMerges, type Axis } from './axis';
import { LIMITS } from './read-table';
import { sectionOf, widthOf, type Table } from './table';

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
  });
}

/** A new empty column before or after a column; next to a row header column it is one too. */
export function insertColumn(table: Table, column: number, side: 'before' | 'after'): Edited {
  if (widthOf(table) >= LIMITS.columns) return refuse('columns-most', `A table has at most ${LIMITS.columns} columns.`, 'Delete one first.');
  const at = side === 'before' ? column : column + 1;
  return good({
    ...table,
    rows: table.rows.map((cells) => cells.toSpliced(at, 0, '')),
    merges: openMerges(table.merges, axes.column, at),
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
  });
}

export function deleteColumn(table: Table, column: number): Edited {
  if (widthOf(table) === 1) return refuse('columns-least', 'A table keeps at least one column.', 'Delete the table instead, or empty the column.');
  return good({
    ...table,
    rows: keepAnchors(table, axes.column, column).map((cells) => cells.toSpliced(column, 1)),
    merges: closeMerges(table.merges, axes.column, column),
    rowHeaders: table.rowHeaders - (column < table.rowHeaders ? 1 : 0),
  });
}

/** Texts after each merge that starts in a line to be deleted, and goes on, has handed its content to the next line. */
function keepAnchors(table: Table, { start, span }: Axis, at: number): readonly (readonly string[])[] {
  let rows = table.rows;
  for (const merge of table.merges.filter((each) => each[start] === at && each[span] > 1)) {
    const text = table.rows[merge.row]?.[merge.column] ?? '';
    const [row, column] = start === 'row' ? [merge.row + 1, merge.column] : [merge.row, merge.column + 1];
    rows = rows.with(row, (rows[row] ?? []).with(column, text));
  }
  return rows;
}
