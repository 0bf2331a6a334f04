import { winnerAt } from '../resolve';
import {
  frameBefore,
  framedAt,
  gridOf,
  marksOf,
  rowGroupOf,
  sectionRows,
  slotOf,
  widthOf,
  type Exception,
  type GridCell,
  type Table,
} from '../table';
import { propertyOf, type ThemeView } from '../theme';
import {
  bandOf,
  bandTrait,
  closedBy,
  columnTraits,
  drawnBetweenColumns,
  drawnBetweenRows,
  type ColumnTrait,
  type Drawn,
  type RowTrait,
} from './edges';
import { isDrawn, lineAt, stronger, type Line, type LineName } from './lines';

/**
 * Who draws what, so that every edge is drawn exactly once, however cells are merged: the table's own
 * border closes the outside, and each cell draws its top and its start edge where these lie inside.
 * A cell's top edge lies inside when its first row is not the table's first; its start edge, when it does
 * not start in the first column. Both hold for the whole length of the edge, since rows, header and footer
 * reach across the whole table. Spaced cells share no edge: each draws all four of its own. A column with a frame draws that: its
 * cells their start and their end, the first its top and the last its bottom; the cells after it draw no start.
 */
export interface CellLines {
  readonly top: Line | undefined;
  readonly start: Line | undefined;
  readonly bottom: Line | undefined;
  readonly end: Line | undefined;
}

export function cellLines(view: ThemeView, table: Table, cell: GridCell): CellLines {
  const { top, start, bottom, end } = cellEdges(view, table, cell);
  return { top: top?.line, start: start?.line, bottom: bottom?.line, end: end?.line };
}

/** A line on a cell's edge, and whose it is: one of the theme's, or the table's own beside its theme. */
export interface EdgeLine {
  readonly line: Line;
  readonly name: LineName | 'line-above' | 'line-before' | 'frame';
}

/** The lines that a cell draws, with what they come from; undefined for edges that it does not draw. */
export interface CellEdges {
  readonly top: EdgeLine | undefined;
  readonly start: EdgeLine | undefined;
  readonly bottom: EdgeLine | undefined;
  readonly end: EdgeLine | undefined;
}

export function cellEdges(view: ThemeView, table: Table, cell: GridCell): CellEdges {
  const edges = edgesWithout(view, table, cell);
  const framed = framedAt(table, cell);
  const before = closedBy(view) ? undefined : frameBefore(table, cell);
  const line = framed && frameLine(view, framed.exception);
  const own = before && frameLine(view, before) ? { ...edges, start: undefined } : edges;
  if (!framed || !line) return own;
  const frame: EdgeLine = { line, name: 'frame' };
  return { start: frame, end: frame, top: framed.isTop ? frame : own.top, bottom: framed.isBottom ? frame : own.bottom };
}

/** The line of a column's frame; undefined where none is drawn, or where it cannot be read. */
export function frameLine(view: ThemeView, { values }: Pick<Exception, 'values'>): Line | undefined {
  const read = view.read(propertyOf('frame'), values['frame'] ?? '');
  return read.ok && read.value.kind === 'line' && isDrawn(read.value) ? read.value : undefined;
}

/** The lines of a cell but for frames. */
function edgesWithout(view: ThemeView, table: Table, cell: GridCell): CellEdges {
  const closed = closedBy(view);
  return {
    top: cell.row === 0 ? closed?.rows : (ownLine(view, table, cell, 'line-above') ?? topLine(view, table, cell)),
    start:
      cell.column === 0 ? closed?.columns : (ownLine(view, table, cell, 'line-before') ?? drawnBetweenColumns(view, columnTraitsOf(table, cell))),
    bottom: closed?.rows,
    end: closed?.columns,
  };
}

/** The line that the table itself has on an edge of a cell, beside its theme. */
function ownLine(view: ThemeView, table: Table, cell: GridCell, name: 'line-above' | 'line-before'): EdgeLine | undefined {
  if (table.exceptions.length === 0) return undefined;
  const { value, excepted } = winnerAt(view, slotOf(table, cell), name);
  return excepted && value.kind === 'line' ? { line: value, name } : undefined;
}

function topLine(view: ThemeView, table: Table, cell: GridCell): Drawn {
  const { first } = sectionRows(table, cell.section);
  if (cell.section === 'header') return drawnBetweenRows(view, 'tiers');
  if (cell.row > first) {
    const group = rowGroupOf(table, cell.row);
    return drawnBetweenRows(view, 'rows', cell.section === 'body' ? rowTraitsOf(view, cell.row - group.first, group.count) : []);
  }
  if (cell.section === 'body') return drawnBetweenRows(view, 'header-body');
  return drawnBetweenRows(view, sectionRows(table, 'body').count > 0 ? 'body-footer' : 'header-footer');
}

function rowTraitsOf(view: ThemeView, index: number, count: number): readonly RowTrait[] {
  const band = bandTrait(bandOf(view), index + 1);
  return [
    ...(band === undefined ? [] : [band]),
    ...(index === 1 ? (['after-first-row'] as const) : []),
    ...(index > 0 && index === count - 1 ? (['before-last-row'] as const) : []),
  ];
}

function columnTraitsOf(table: Table, cell: GridCell): readonly ColumnTrait[] {
  const holds: Readonly<Record<ColumnTrait, boolean>> = {
    'header-columns': cell.section === 'header',
    'after-first-column': cell.column === 1,
    'before-last-column': cell.column === widthOf(table) - 1,
    'beside-row-headers': marksOf(table, cell).beside,
  };
  return columnTraits.filter((trait) => holds[trait]);
}

export interface OuterLines {
  readonly top: Line;
  readonly end: Line;
  readonly bottom: Line;
  readonly start: Line;
}

export const outerLines = (view: ThemeView): OuterLines => ({
  top: lineAt(view, 'outer-top'),
  end: lineAt(view, 'outer-end'),
  bottom: lineAt(view, 'outer-bottom'),
  start: lineAt(view, 'outer-start'),
});

/**
 * What lies between a table and its caption, on whichever side that stands: one line, the stronger of the caption's and the
 * table's outer one, drawn by whose it is. The other draws none.
 */
export function captionLines(view: ThemeView, side: 'above' | 'below'): { readonly caption: Line | undefined; readonly outer: Line | undefined } {
  const [caption, outer] = [lineAt(view, 'under-caption'), lineAt(view, side === 'above' ? 'outer-top' : 'outer-bottom')];
  if (!isDrawn(outer)) return { caption: isDrawn(caption) ? caption : undefined, outer: undefined };
  const isCaption =
    isDrawn(caption) && stronger({ line: outer, origin: 'table' as const }, { line: caption, origin: 'table' as const }).line === caption;
  return isCaption ? { caption, outer: undefined } : { caption: undefined, outer };
}

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
