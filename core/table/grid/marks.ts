import { gridOf, type GridCell } from './grid';
import { isCorner, isHeaderGroup } from './slots';
import { widthOf, type Table } from '../table';

/**
 * Where a cell stands, as far as a stylesheet cannot count it for itself. In most rows the n-th cell stands
 * in the n-th column; an uneven row is one in which that is not so, and its cells say it.
 */
export interface Marks {
  readonly inset: boolean;
  readonly beside: boolean;
  readonly second: boolean;
  readonly last: boolean;
  readonly even: boolean;
  /** Whether it reaches to the end of the table. */
  readonly end: boolean;
  readonly group: boolean;
  readonly corner: boolean;
}

export function isUnevenRow(table: Table, row: number): boolean {
  const cells = gridOf(table).row(row);
  return cells.length !== widthOf(table);
}

/** The marks that a cell needs. */
export function marksOf(table: Table, cell: GridCell): Marks {
  const row = gridOf(table).row(cell.row);
  const uneven = isUnevenRow(table, cell.row);
  return {
    inset: row[0] === cell && cell.column > 0,
    beside: table.rowHeaders > 0 && cell.column === table.rowHeaders,
    second: uneven && cell.column === 1,
    last: uneven && cell.column === widthOf(table) - 1,
    even: uneven && cell.section !== 'footer' && cell.column % 2 === 1,
    end: uneven && cell.column + cell.columns === widthOf(table),
    group: isHeaderGroup(table, cell),
    corner: isCorner(table, cell),
  };
}
