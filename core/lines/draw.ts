import { gridOf, sectionRows, type GridCell, type Table } from '../table';
import { edgeLines, lineAt, type EdgeLines, type Line } from './lines';
import type { Theme } from '../theme';

/**
 * Who draws what, so that every edge is drawn exactly once, however cells are merged: the table's own
 * border closes the outside, and each cell draws its top and its start edge where these lie inside.
 * A cell's top edge lies inside when its first row is not the table's first; its start edge, when it does
 * not start in the first column. Both hold for the whole length of the edge, since rows, header and footer
 * reach across the whole table.
 */
export interface CellLines {
  readonly top: Line | undefined;
  readonly start: Line | undefined;
}

export function cellLines(theme: Theme, table: Table, cell: GridCell): CellLines {
  const lines = edgeLines(theme);
  return { top: topLine(lines, table, cell), start: cell.column === 0 ? undefined : lines.columns };
}

function topLine(lines: EdgeLines, table: Table, cell: GridCell): Line | undefined {
  if (cell.row === 0) return undefined;
  if (cell.section === 'body' && cell.row === table.headerRows) return lines.headerBody;
  if (cell.section === 'footer' && cell.row === sectionRows(table, 'footer').first) {
    return sectionRows(table, 'body').count > 0 ? lines.bodyFooter : lines.headerFooter;
  }
  return lines.rows;
}

export interface OuterLines {
  readonly top: Line;
  readonly end: Line;
  readonly bottom: Line;
  readonly start: Line;
}

export const outerLines = (theme: Theme): OuterLines => ({
  top: lineAt(theme, 'outer-top'),
  end: lineAt(theme, 'outer-end'),
  bottom: lineAt(theme, 'outer-bottom'),
  start: lineAt(theme, 'outer-start'),
});

/** One unit of an edge, named by the slots on its two sides; -1 and the table's size stand for the outside. */
export interface Segment {
  readonly along: 'row' | 'column';
  readonly row: number;
  readonly column: number;
}

/** Every unit of edge that cells draw, once for each time it is drawn. Used to show that none is doubled or missing. */
export function drawnSegments(table: Table): readonly Segment[] {
  return gridOf(table)
    .rows.flat()
    .flatMap((cell) => {
      const tops =
        cell.row === 0 ? [] : Array.from({ length: cell.columns }, (_, i) => ({ along: 'row' as const, row: cell.row, column: cell.column + i }));
      const starts =
        cell.column === 0 ? [] : Array.from({ length: cell.rows }, (_, i) => ({ along: 'column' as const, row: cell.row + i, column: cell.column }));
      return [...tops, ...starts];
    });
}
