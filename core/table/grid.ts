import { heightOf, sectionOf, widthOf, type Merge, type Section, type Table } from './table';

/** A cell as it stands in the grid: its first slot, how far it spans, and what it holds. */
export interface GridCell {
  readonly row: number;
  readonly column: number;
  readonly rows: number;
  readonly columns: number;
  readonly text: string;
  readonly section: Section;
  /** A cell of the body in a column of row headers. */
  readonly isRowHeader: boolean;
}

/**
 * Who covers which slot. Worked out once for each immutable table and remembered by it.
 * Price: time and memory grow with the number of slots.
 */
export interface Grid {
  readonly width: number;
  readonly height: number;
  /** Every cell, row by row, as the markup has them. */
  readonly rows: readonly (readonly GridCell[])[];
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

function layOut(table: Table): Grid {
  const [width, height] = [widthOf(table), heightOf(table)];
  const slots = new Array<GridCell | undefined>(width * height);
  const anchors = new Map<number, Merge>(table.merges.map((merge) => [merge.row * width + merge.column, merge]));
  const rows: GridCell[][] = [];
  for (let row = 0; row < height; row++) {
    const cells: GridCell[] = [];
    const section = sectionOf(table, row);
    for (let column = 0; column < width; column++) {
      if (slots[row * width + column]) continue;
      const merge = anchors.get(row * width + column);
      const [rowSpan, columnSpan] = [merge?.rows ?? 1, merge?.columns ?? 1];
      const cell: GridCell = {
        row,
        column,
        rows: rowSpan,
        columns: columnSpan,
        section,
        text: table.rows[row]?.[column] ?? '',
        isRowHeader: section === 'body' && column < table.rowHeaders,
      };
      for (let r = row; r < row + rowSpan; r++) slots.fill(cell, r * width + column, r * width + column + columnSpan);
      cells.push(cell);
    }
    rows.push(cells);
  }
  return {
    width,
    height,
    rows,
    at: (row, column) => {
      const cell = column >= 0 && column < width ? slots[row * width + column] : undefined;
      if (!cell) throw new RangeError(`No slot at row ${row}, column ${column} of a grid of ${height} rows and ${width} columns`);
      return cell;
    },
  };
}
