import { bodyGroups, type RowGroup } from '../grid/groups';
import { gridOf, type GridCell } from '../grid/grid';
import { sectionRows, type Table } from '../table';
import { exceptionAt } from './exceptions-on';
import type { Exception } from './exception';

/** A cell in a column that has a frame around it. */
export interface Framed {
  /** The column's exception, which says the frame. */
  readonly exception: Exception;
  /** Whether the frame is closed above it, or below it. */
  readonly isTop: boolean;
  readonly isBottom: boolean;
}

const framing = (table: Table, column: number): Exception | undefined => {
  const exception = exceptionAt(table, null, column);
  return exception?.values['frame'] === undefined ? undefined : exception;
};

/**
 * The frame that a cell is within, if its column has one: around the column's own cells from the first of its header that reaches so far to the
 * last of its footer, or of the body where header or footer have none of its own. A cell over several columns is none of them.
 */
export function framedAt(table: Table, cell: GridCell): Framed | undefined {
  if (table.exceptions.length === 0) return undefined;
  const exception = framing(table, cell.column);
  if (exception === undefined || !isIn(exception, cell)) return undefined;
  const ends = endsOf(table, exception, cell.column)[cell.section];
  return { exception, isTop: cell.row === ends.first, isBottom: cell.row + cell.rows - 1 === ends.last };
}

/** The frame that ends right before a cell, so that no line is drawn at its start: the frame's is there. */
export function frameBefore(table: Table, cell: GridCell): Exception | undefined {
  if (table.exceptions.length === 0 || cell.column === 0) return undefined;
  const exception = framing(table, cell.column - 1);
  if (exception === undefined) return undefined;
  const before = gridOf(table).at(cell.row, cell.column - 1);
  return before.column === cell.column - 1 && isIn(exception, before) ? exception : undefined;
}

const isIn = ({ reach }: Exception, { columns, section }: GridCell): boolean => columns === 1 && (section !== 'header' || reach === 'header');

interface Ends {
  readonly first: number | undefined;
  readonly last: number | undefined;
}
const NO_ENDS: Ends = { first: undefined, last: undefined };

type FrameEnds = Readonly<Record<GridCell['section'], Ends>>;
const found = new WeakMap<Table, Map<number, FrameEnds>>();

/** Between which rows of each section a column's frame is closed. */
function endsOf(table: Table, exception: Exception, column: number): FrameEnds {
  const known = found.get(table) ?? new Map<number, FrameEnds>();
  found.set(table, known);
  const ends = known.get(column) ?? findEnds(table, exception, column);
  known.set(column, ends);
  return ends;
}

function findEnds(table: Table, exception: Exception, column: number): FrameEnds {
  const rowsIn = (section: 'header' | 'footer'): readonly GridCell[] => {
    const { first, count } = sectionRows(table, section);
    const cells = Array.from({ length: count }, (_, i) => gridOf(table).at(first + i, column));
    return cells.filter((cell) => cell.column === column && isIn(exception, cell));
  };
  /** The last row of the body's last cell of its own: one over several columns stands below the frame. */
  const endOf = ({ first, count }: RowGroup): number | undefined => {
    for (let row = first + count - 1; row >= first; row--) {
      const cell = gridOf(table).at(row, column);
      if (cell.column === column && isIn(exception, cell)) return cell.row + cell.rows - 1;
    }
    return undefined;
  };
  const [header, footer, groups] = [rowsIn('header'), rowsIn('footer'), bodyGroups(table)];
  const [top, foot, group, end] = [header[0], footer.at(-1), groups[0], groups.at(-1)];
  return {
    header: { ...NO_ENDS, first: top?.row },
    body: { first: top === undefined ? group?.first : undefined, last: foot === undefined && end ? endOf(end) : undefined },
    footer: { ...NO_ENDS, last: foot && foot.row + foot.rows - 1 },
  };
}
