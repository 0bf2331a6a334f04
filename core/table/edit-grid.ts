import { bad, good, type Outcome } from '../outcome';
import { axes, closeMerges, mergeAcross, openMerges, swapMerges, type Axis } from './axis';
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

/** A row changes places with the one before it (-1) or after it (1). */
export function moveRow(table: Table, row: number, by: -1 | 1): Edited {
  const first = Math.min(row, row + by);
  if (first < 0 || first + 1 >= table.rows.length)
    return refuse('move-edge', 'The row is at the edge of the table already.', 'Move it the other way.');
  if (sectionOf(table, row) !== sectionOf(table, row + by)) {
    return refuse(
      'move-section',
      'A row stays in its part of the table: header, body or footer.',
      'Change how many header or footer rows there are instead.',
    );
  }
  const torn = tornBy(table.merges, axes.row, first);
  return torn ?? good({ ...table, rows: swap(table.rows, first), merges: swapMerges(table.merges, axes.row, first) });
}

/** A column changes places with the one before it (-1) or after it (1). */
export function moveColumn(table: Table, column: number, by: -1 | 1): Edited {
  const first = Math.min(column, column + by);
  if (first < 0 || first + 1 >= widthOf(table))
    return refuse('move-edge', 'The column is at the edge of the table already.', 'Move it the other way.');
  const torn = tornBy(table.merges, axes.column, first);
  return torn ?? good({ ...table, rows: table.rows.map((cells) => swap(cells, first)), merges: swapMerges(table.merges, axes.column, first) });
}

function tornBy(merges: readonly Merge[], axis: Axis, first: number): Edited | undefined {
  const torn = mergeAcross(merges, axis, first) ?? mergeAcross(merges, axis, first + 1);
  if (!torn) return undefined;
  return refuse(
    'move-merge',
    `The ${axis.word} is part of merged cells at row ${torn.row + 1}, column ${torn.column + 1}.`,
    'Split them first, then move it.',
  );
}

const swap = <T>(items: readonly T[], first: number): readonly T[] => [
  ...items.slice(0, first),
  ...items.slice(first, first + 2).reverse(),
  ...items.slice(first + 2),
];

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
