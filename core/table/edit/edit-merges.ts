import { joinCells, linesOf, textOf } from '../cell';
import { bad, good } from '../../outcome';
import type { Edited } from './edit-grid';
import { gridOf } from '../grid/grid';
import { sectionOf, type Merge, type Table } from '../table';

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
 * one's text, each on a line of its own, so that nothing is lost; `keep` can ask for the first text only.
 */
export function mergeCells(
  table: Table,
  from: { row: number; column: number },
  to: { row: number; column: number },
  keep: 'all' | 'first' = 'all',
): Edited {
  const [top, bottom] = [Math.min(from.row, to.row), Math.max(from.row, to.row)];
  const [left, right] = [Math.min(from.column, to.column), Math.max(from.column, to.column)];
  if (sectionOf(table, top) !== sectionOf(table, bottom)) {
    return bad({
      code: 'merge-section',
      say: 'Merged cells cannot reach from the header into the body or from the body into the footer.',
      remedy: 'Choose cells of one part of the table.',
    });
  }
  const heading = table.groups.find((row) => row > top && row <= bottom);
  if (heading !== undefined) {
    return bad({
      code: 'merge-group',
      say: `Merged cells cannot reach over the heading in row ${heading + 1}: they end with their row group.`,
      remedy: 'Choose cells between two headings.',
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
  const whole = joinCells(
    [...inside]
      .map(({ row, column }) => table.rows[row]?.[column] ?? '')
      .filter((each) => textOf(each) !== '')
      .slice(0, keep === 'first' ? 1 : undefined),
  );
  const rows = table.rows.map((cells, row) =>
    row < top || row > bottom
      ? cells
      : cells.map((old, column) => (column < left || column > right ? old : row === top && column === left ? whole : '')),
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

/**
 * Splits merged cells and gives texts back that stand in them line by line, as merging put them: one to each cell, in the order in
 * which one reads. Where there are more lines than cells, the text stays in the first.
 */
export function splitTexts(table: Table, row: number, column: number): Edited {
  const cell = gridOf(table).at(row, column);
  const split = splitCells(table, row, column);
  const lines = linesOf(table.rows[cell.row]?.[cell.column] ?? '');
  if (!split.ok || lines.length < 2 || lines.length > cell.rows * cell.columns) return split;
  const rows = split.value.rows.map((cells, r) =>
    r < cell.row || r >= cell.row + cell.rows
      ? cells
      : cells.map((old, c) =>
          c < cell.column || c >= cell.column + cell.columns ? old : (lines[(r - cell.row) * cell.columns + c - cell.column] ?? ''),
        ),
  );
  return good({ ...split.value, rows });
}

/**
 * Merges neighbours that say the same within a choice, down each column first and then across: a boat named in four rows
 * becomes one cell over the four. Their text is kept once. Empty cells, and cells that are merged already, stay as they are.
 */
export function mergeEqual(table: Table, chosen: { row: number; column: number; toRow: number; toColumn: number }): Edited {
  const grid = gridOf(table);
  const merges: Merge[] = [];
  const taken = new Set<string>();
  const isSame = (row: number, column: number, text: string): boolean => {
    const cell = grid.at(row, column);
    return cell.rows * cell.columns === 1 && cell.text === text && !taken.has(`${row} ${column}`);
  };
  for (let row = chosen.row; row <= chosen.toRow; row++)
    for (let column = chosen.column; column <= chosen.toColumn; column++) {
      const { text } = grid.at(row, column);
      if (text.trim() === '' || !isSame(row, column, text)) continue;
      let [rows, columns] = [1, 1];
      while (
        row + rows <= chosen.toRow &&
        sectionOf(table, row + rows) === sectionOf(table, row) &&
        !table.groups.includes(row + rows) &&
        isSame(row + rows, column, text)
      )
        rows++;
      const isColumnSame = (at: number): boolean => range(row, row + rows - 1).every((each) => isSame(each, at, text));
      while (column + columns <= chosen.toColumn && isColumnSame(column + columns)) columns++;
      if (rows * columns === 1) continue;
      merges.push({ row, column, rows, columns });
      for (const r of range(row, row + rows - 1)) for (const c of range(column, column + columns - 1)) taken.add(`${r} ${c}`);
    }
  if (merges.length === 0)
    return bad({
      code: 'merge-none',
      say: 'No neighbours in the choice say the same.',
      remedy: 'Choose cells that repeat: hold Shift and press arrow keys, or click.',
    });
  const anchors = new Set(merges.map(({ row, column }) => `${row} ${column}`));
  const rows = table.rows.map((cells, row) =>
    row < chosen.row || row > chosen.toRow
      ? cells
      : cells.map((cell, column) => (taken.has(`${row} ${column}`) && !anchors.has(`${row} ${column}`) ? '' : cell)),
  );
  return good({ ...table, rows, merges: [...table.merges, ...merges] });
}
