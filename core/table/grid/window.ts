import { gridOf, type GridCell } from './grid';
import { rowGroupOf } from './groups';
import { heightOf, sectionRows, type Table } from '../table';

/** A cell as it is seen where only some rows are in the document: with as many of its rows as are. */
export interface SeenCell {
  readonly cell: GridCell;
  readonly rows: number;
}
export interface SeenRow {
  readonly row: number;
  readonly cells: readonly SeenCell[];
}

/** The rows from one up to another. A cell that is merged from above stands in the first of them, with what is left of it. */
export function seenRows(table: Table, from: number, to: number): readonly SeenRow[] {
  const grid = gridOf(table);
  const end = Math.min(to, heightOf(table));
  return Array.from({ length: Math.max(0, end - from) }, (_, i): SeenRow => {
    const row = from + i;
    const cells = i > 0 ? grid.row(row) : [...new Set(Array.from({ length: grid.width }, (_each, column) => grid.at(row, column)))];
    return { row, cells: cells.map((cell) => ({ cell, rows: Math.min(cell.row + cell.rows, end) - row })) };
  });
}

/** The body rows that are in the document, from one up to another. */
export interface Seen {
  readonly from: number;
  readonly to: number;
}

/**
 * Which body rows are in the document when `row` is the first that is looked at: `size` of them and up to a band more,
 * some above. A stylesheet counts the rows that are there, so the first one is a whole number of bands into its group.
 */
export function seenAround(table: Table, row: number, size: number, every: number, before = Math.floor(size / 3)): Seen {
  const { first, count } = sectionRows(table, 'body');
  if (count <= size) return { from: first, to: first + count };
  const wanted = Math.max(first, Math.min(row - before, first + count - size));
  const group = rowGroupOf(table, wanted);
  const from = group.first + Math.floor((wanted - group.first) / every) * every;
  return { from, to: Math.min(first + count, wanted + size) };
}
