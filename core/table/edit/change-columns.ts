import { isSameCell, type Cell, type Row } from '../cell';
import { LIMITS } from '../reading/limits';
import { cellProblem } from '../reading/read-rows';
import type { Table } from '../table';

/** Where a column of every row comes from: the one that stood at this place; nowhere, its cells are empty; or its cells, row by row. */
export type ColumnFrom = number | null | { readonly cells: readonly Cell[] };

/** So many letters of given cells go into one request; beyond that whole rows go ahead of it, piece by piece. */
const MOST_GIVEN = 4_000_000;

/** The rows with other columns. Throws RangeError where a column or a cell is not there. */
export function withColumnsFrom(rows: readonly Row[], columns: readonly ColumnFrom[]): readonly Row[] {
  const at = (row: Row, from: ColumnFrom, r: number): Cell => {
    const cell = from === null ? '' : typeof from === 'number' ? row[from] : from.cells[r];
    if (cell === undefined) throw new RangeError(`There is no cell for column ${JSON.stringify(from).slice(0, 20)} in row ${r + 1}`);
    return cell;
  };
  return rows.map((row, r) => columns.map((from) => at(row, from, r)));
}

/**
 * Where the columns of one table come from in the other, when the rows are the same but for columns that were put in, taken out or
 * moved; undefined where that is not so. Said so, a column among 100,000 rows is one line and not all of them.
 */
export function columnsBetween(before: Table, after: Table): readonly ColumnFrom[] | undefined {
  const [old, now] = [before.rows, after.rows];
  const [width, wanted] = [old[0]?.length ?? 0, now[0]?.length ?? 0];
  if (old === now || old.length !== now.length || old.some((row, r) => row === now[r])) return undefined;
  const isColumn = (from: number, to: number): boolean => old.every((row, r) => isSameCell(row[from] ?? '', now[r]?.[to] ?? ''));
  const taken = new Set<number>();
  const columns: ColumnFrom[] = [];
  for (let to = 0; to < wanted; to++) {
    const all = Array.from({ length: width }, (_, from) => from).filter((from) => !taken.has(from));
    // The very same settings say which it was; otherwise the first that holds the same.
    const named = all.filter((from) => before.columns[from] === after.columns[to]);
    const from = [...named, ...all].find((each) => isColumn(each, to));
    if (from !== undefined) taken.add(from);
    columns.push(from ?? (now.every((row) => row[to] === '') ? null : { cells: now.map((row) => row[to] ?? '') }));
  }
  const isAsBefore = width === wanted && columns.every((from, to) => from === to || typeof from === 'object');
  if (isAsBefore || taken.size === 0 || tooMany(columns)) return undefined;
  return columns;
}

function tooMany(columns: readonly ColumnFrom[]): boolean {
  const given = columns.flatMap((from) => (typeof from === 'object' && from !== null ? [from.cells] : []));
  return given.length > columns.length / 2 || given.reduce((sum, cells) => sum + JSON.stringify(cells).length, 0) > MOST_GIVEN;
}

/** What is wrong with columns that came from anywhere; undefined where nothing is. */
export function columnsProblem(columns: unknown): string | undefined {
  if (columns === undefined) return undefined;
  if (!Array.isArray(columns) || columns.length === 0 || columns.length > LIMITS.columns) return `A table has 1 to ${LIMITS.columns} columns.`;
  const taken = new Set<unknown>();
  for (const from of columns as readonly unknown[]) {
    if (from === null) continue;
    if (typeof from === 'number') {
      if (!Number.isInteger(from) || from < 0 || from >= LIMITS.columns || taken.has(from))
        return 'Columns come from places counted from 0, each once.';
      taken.add(from);
      continue;
    }
    const { cells, ...others } = (typeof from === 'object' ? from : {}) as Readonly<Record<string, unknown>>;
    if (!Array.isArray(cells) || cells.length > LIMITS.rows || Object.keys(others).length > 0)
      return 'A column is the place that it comes from, null for an empty one, or { cells }.';
    for (const cell of cells as readonly unknown[]) {
      const wrong = cellProblem(cell);
      if (wrong !== undefined) return wrong;
    }
  }
  return undefined;
}
