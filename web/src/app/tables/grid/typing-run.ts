import { heightOf, sectionOf, widthOf, type GridCell, type Table } from '../../../../../core/table';

/** Where typing goes on: a slot, or the first of a row that is still to be made. */
export interface Goal {
  readonly row: number;
  readonly column: number;
  readonly isNew: boolean;
}

/**
 * Texts typed one after the other with Tab, as rows are written: it goes on to the next row behind the last column, and Enter goes
 * back to the column in which the run began. It lasts until another key or the pointer goes elsewhere; Escape ends it too, so that
 * Tab leaves the grid again (WCAG 2.2, 2.1.2).
 */
export class TypingRun {
  private from: number | undefined;

  get isOn(): boolean {
    return this.from !== undefined;
  }
  end(): void {
    this.from = undefined;
  }

  /** The next cell of the row or, back, the one before it. `row` is the row in which typing is, of those that a merged cell has. */
  along(table: Table, cell: GridCell, row: number, back: boolean): Goal {
    this.from ??= cell.column;
    const [right, column] = [widthOf(table) - 1, back ? cell.column - 1 : cell.column + cell.columns];
    if (column >= 0 && column <= right) return { row, column, isNew: false };
    if (back) return row === 0 ? { row, column: cell.column, isNew: false } : { row: row - 1, column: right, isNew: false };
    this.from = 0;
    return this.below(table, row + 1, 0);
  }

  /** The row below: in the column in which the run began or, without a run, in the same one. Where it `grows`, a row is made below the last. */
  down(table: Table, cell: GridCell, grows = false): Goal {
    const row = cell.row + cell.rows;
    if (this.from !== undefined || grows) return this.below(table, row, this.from ?? cell.column);
    return { row: Math.min(row, heightOf(table) - 1), column: cell.column, isNew: false };
  }

  /** A table grows by rows of its body only: what is behind a footer's last cell is nothing. */
  private below(table: Table, row: number, column: number): Goal {
    const last = heightOf(table) - 1;
    if (row <= last) return { row, column, isNew: false };
    return sectionOf(table, last) === 'footer' ? { row: last, column: widthOf(table) - 1, isNew: false } : { row, column, isNew: true };
  }
}
