import { bad, good } from '../outcome';
import type { Edited } from './edit-grid';
import { gridOf } from './grid';
import { sectionOf, type Merge, type Table } from './table';

const isOne = ({ rows, columns }: Merge): boolean => rows * columns === 1;

/** The merges after a line was drawn before row `at`: one that reached across becomes one on each side of it. */
export function splitAcross(table: Table, at: number): readonly Merge[] {
  return table.merges.flatMap((merge) => {
    const above = at - merge.row;
    if (above <= 0 || above >= merge.rows) return [merge];
    return [
      { ...merge, rows: above },
      { ...merge, row: at, rows: merge.rows - above },
    ].filter((piece) => !isOne(piece));
  });
}

/**
 * Merges the block between two slots, corner to corner. What the other cells held is put behind the first
 * one's text, each on a line of its own, so that nothing is lost.
 */
export function mergeCells(table: Table, from: { row: number; column: number }, to: { row: number; column: number }): Edited {
  const [top, bottom] = [Math.min(from.row, to.row), Math.max(from.row, to.row)];
  const [left, right] = [Math.min(from.column, to.column), Math.max(from.column, to.column)];
  if (sectionOf(table, top) !== sectionOf(table, bottom)) {
    return bad({
      code: 'merge-section',
      say: 'Merged cells cannot reach from the header into the body or from the body into the footer.',
      remedy: 'Choose cells of one part of the table.',
    });
  }
  const grid = gridOf(table);
  const inside = new Set(range(top, bottom).flatMap((row) => range(left, right).map((column) => grid.at(row, column))));
  const torn = [...inside].find(
    (cell) => cell.row < top || cell.column < left || cell.row + cell.rows - 1 > bottom || cell.column + cell.columns - 1 > right,
  );
  if (torn) {
    return bad({
      code: 'merge-overlap',
      say: `The choice cuts through merged cells at row ${torn.row + 1}, column ${torn.column + 1}.`,
      remedy: 'Choose all of them, or split them first.',
    });
  }
  if (inside.size < 2)
    return bad({
      code: 'merge-one',
      say: 'One cell alone cannot be merged.',
      remedy: 'Choose a second cell: hold Shift and press an arrow key, or click.',
    });
  const text = [...inside]
    .map((cell) => cell.text)
    .filter((each) => each !== '')
    .join('\n');
  const rows = table.rows.map((cells, row) =>
    row < top || row > bottom
      ? cells
      : cells.map((old, column) => (column < left || column > right ? old : row === top && column === left ? text : '')),
  );
  const kept = table.merges.filter((merge) => !inside.has(grid.at(merge.row, merge.column)));
  return good({ ...table, rows, merges: [...kept, { row: top, column: left, rows: bottom - top + 1, columns: right - left + 1 }] });
}

const range = (from: number, to: number): number[] => Array.from({ length: to - from + 1 }, (_, i) => from + i);

/** Takes merged cells apart again; their text stays in the first one. */
export function splitCells(table: Table, row: number, column: number): Edited {
  const cell = gridOf(table).at(row, column);
  if (cell.rows * cell.columns === 1) return bad({ code: 'split-one', say: 'This cell is not merged.', remedy: 'Choose merged cells.' });
  return good({ ...table, merges: table.merges.filter((merge) => merge.row !== cell.row || merge.column !== cell.column) });
}
