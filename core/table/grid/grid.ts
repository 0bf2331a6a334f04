import { marksIn, textOf, type Mark } from '../cell';
import { heightOf, sectionOf, widthOf, type Merge, type Section, type Table } from '../table';

/** A cell as it stands in the grid: its first slot, how far it spans, and what it holds. */
export interface GridCell {
  readonly row: number;
  readonly column: number;
  readonly rows: number;
  readonly columns: number;
  readonly text: string;
  readonly marks: readonly Mark[];
  readonly section: Section;
  /** A cell of the body in a column of row headers. */
  readonly isRowHeader: boolean;
}

/**
 * Who covers which slot. A row is worked out when it is first asked for and remembered, so that a table of 100,000 rows
 * costs no more than what is looked at.
 */
export interface Grid {
  readonly width: number;
  readonly height: number;
  /** Every cell, row by row, as the markup has them. Price: time and memory grow with the number of slots. */
  readonly rows: readonly (readonly GridCell[])[];
  /** The cells that start in a row; none outside the grid. */
  readonly row: (row: number) => readonly GridCell[];
  /** The cell that covers a slot. Throws RangeError outside the grid. */
  readonly at: (row: number, column: number) => GridCell;
}

const grids = new WeakMap<Table, Grid>();

export function gridOf(table: Table): Grid {
  const known = grids.get(table);
  if (known) return known;
  const grid = layOut(table);
  grids.set(table, grid);
  return grid;
}

const covers = new WeakMap<readonly Merge[], { readonly width: number; readonly slots: ReadonlyMap<number, Merge> }>();

/** The merge that covers each merged slot. Edits of texts leave the list of merges as it is, and so this too. */
function coverOf(merges: readonly Merge[], width: number): ReadonlyMap<number, Merge> {
  const known = covers.get(merges);
  if (known?.width === width) return known.slots;
  const slots = new Map<number, Merge>();
  for (const merge of merges)
    for (let row = merge.row; row < merge.row + merge.rows; row++)
      for (let column = merge.column; column < merge.column + merge.columns; column++) slots.set(row * width + column, merge);
  covers.set(merges, { width, slots });
  return slots;
}

function layOut(table: Table): Grid {
  const [width, height] = [widthOf(table), heightOf(table)];
  const cover = coverOf(table.merges, width);
  const cells = new Map<number, GridCell>();
  const cellFrom = (row: number, column: number, merge: Merge | undefined): GridCell => {
    const slot = row * width + column;
    const known = cells.get(slot);
    if (known) return known;
    const section = sectionOf(table, row);
    const held = table.rows[row]?.[column];
    const cell: GridCell = {
      row,
      column,
      rows: merge?.rows ?? 1,
      columns: merge?.columns ?? 1,
      section,
      text: textOf(held),
      marks: marksIn(held),
      isRowHeader: section === 'body' && column < table.rowHeaders,
    };
    cells.set(slot, cell);
    return cell;
  };
  const lines = new Map<number, readonly GridCell[]>();
  const rowAt = (row: number): readonly GridCell[] => {
    if (row < 0 || row >= height) return [];
    const known = lines.get(row);
    if (known) return known;
    const line: GridCell[] = [];
    for (let column = 0; column < width; column++) {
      const merge = cover.get(row * width + column);
      if (!merge || (merge.row === row && merge.column === column)) line.push(cellFrom(row, column, merge));
    }
    lines.set(row, line);
    return line;
  };
  let all: readonly (readonly GridCell[])[] | undefined;
  return {
    width,
    height,
    get rows() {
      all ??= Array.from({ length: height }, (_, row) => rowAt(row));
      return all;
    },
    row: rowAt,
    at: (row, column) => {
      if (row < 0 || row >= height || column < 0 || column >= width)
        throw new RangeError(`No slot at row ${row}, column ${column} of a grid of ${height} rows and ${width} columns`);
      const merge = cover.get(row * width + column);
      return cellFrom(merge?.row ?? row, merge?.column ?? column, merge);
    },
  };
}
