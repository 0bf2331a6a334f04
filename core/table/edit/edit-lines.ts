import { bad, good } from '../../outcome';
import { axes, type Axis } from './axis';
import type { Row } from '../cell';
import { plainColumns } from '../columns/column';
import { deleteColumn, deleteRows, insertColumn, insertRow, type Edited } from './edit-grid';
import { splitAcross } from './edit-merges';
import { movedExceptions, turnedExceptions, type Exception } from '../looks/exception';
import { groupsWithin } from '../grid/groups';
import { mergeAcrossGroups } from './merge-groups';
import { LIMITS } from '../reading/limits';
import { heightOf, sectionOf, widthOf, type Merge, type Table } from '../table';

/** Neighbouring rows or columns, from one to another, both counted from 0 and both meant. */
export interface Lines {
  readonly axis: 'row' | 'column';
  readonly from: number;
  readonly to: number;
}

const refuse = (code: string, say: string, remedy: string): Edited => bad({ code, say, remedy });
const lengthOf = (table: Table, axis: Lines['axis']): number => (axis === 'row' ? heightOf(table) : widthOf(table));
const countOf = ({ from, to }: Lines): number => to - from + 1;

/** Does an edit so many times, or none of it. */
function repeated(table: Table, times: number, edit: (table: Table) => Edited): Edited {
  let edited: Edited = good(table);
  for (let i = 0; i < times && edited.ok; i++) edited = edit(edited.value);
  return edited;
}

/** As many empty rows or columns as the lines are, before or after them. */
export function insertLines(table: Table, lines: Lines, side: 'before' | 'after'): Edited {
  const at = side === 'before' ? lines.from : lines.to;
  if (lines.axis === 'row') return insertRow(table, at, side, countOf(lines));
  return repeated(table, countOf(lines), (each) => insertColumn(each, at, side));
}

export function deleteLines(table: Table, lines: Lines): Edited {
  if (lines.axis === 'row') return deleteRows(table, lines.from, lines.to);
  if (countOf(lines) >= widthOf(table))
    return refuse('columns-least', 'A table keeps at least one column.', 'Delete the table instead, or empty the column.');
  return repeated(table, countOf(lines), (each) => deleteColumn(each, lines.from));
}

/**
 * Puts the lines before the line `before` (the number of lines for the end), all together. Rows stay in their part of
 * the table; merged cells go along where all of their lines do, and stop what would tear them.
 */
export function moveLines(table: Table, lines: Lines, before: number): Edited {
  const { axis, from, to } = lines;
  const length = lengthOf(table, axis);
  if (before < 0 || before > length) return refuse('move-edge', `The ${axis} is at the edge of the table already.`, 'Move it the other way.');
  if (before >= from && before <= to + 1) return good(table);
  const order = Array.from({ length }, (_, i) => i).filter((i) => i < from || i > to);
  order.splice(before > to ? before - countOf(lines) : before, 0, ...Array.from({ length: countOf(lines) }, (_, i) => from + i));
  if (axis === 'row' && order.some((old, now) => sectionOf(table, old) !== sectionOf(table, now)))
    return refuse(
      'move-section',
      'A row stays in its part of the table: header, body or footer.',
      'Change how many header or footer rows there are instead.',
    );
  const places = new Map(order.map((old, now) => [old, now]));
  const { start } = axes[axis];
  const torn = table.merges.find((merge) => !staysWhole(merge, axes[axis], places));
  if (torn)
    return refuse(
      'move-merge',
      `That would tear the merged cells at row ${torn.row + 1}, column ${torn.column + 1}.`,
      'Split them first, or move all that they reach over.',
    );
  const merges = table.merges.map((merge) => ({ ...merge, [start]: Math.min(...placesOf(merge, axes[axis], places)) }));
  const pick = <T>(items: readonly T[]): readonly T[] => order.map((old) => items[old] as T);
  const rows = carryTexts(axis === 'row' ? pick(table.rows) : table.rows.map(pick), table.merges, merges, axis, places);
  const exceptions = movedExceptions(table.exceptions, axis, (line) => places.get(line));
  if (axis === 'column') return good({ ...table, rows, merges, exceptions, columns: pick(table.columns) });
  const groups = table.groups.map((row) => places.get(row) ?? row).sort((a, b) => a - b);
  const crossed = mergeAcrossGroups(merges, groups);
  return crossed
    ? refuse('move-group', `Merged cells at row ${crossed.row + 1}, column ${crossed.column + 1} would reach over a heading.`, 'Split them first.')
    : good({ ...table, rows, merges, groups, exceptions });
}

const linesOf = (from: number, count: number): readonly number[] => Array.from({ length: count }, (_, i) => from + i);
const placesOf = (merge: Merge, { start, span }: Axis, places: ReadonlyMap<number, number>): readonly number[] =>
  linesOf(merge[start], merge[span]).map((line) => places.get(line) ?? line);

/** Merged cells stay whole where their lines stay neighbours, in whichever order. */
function staysWhole(merge: Merge, axis: Axis, places: ReadonlyMap<number, number>): boolean {
  const now = placesOf(merge, axis, places);
  return Math.max(...now) - Math.min(...now) === now.length - 1;
}

/** What merged cells hold stands in their first slot, also where another of their lines has become the first. */
function carryTexts(
  rows: readonly Row[],
  before: readonly Merge[],
  after: readonly Merge[],
  axis: Lines['axis'],
  places: ReadonlyMap<number, number>,
): readonly Row[] {
  let carried = rows;
  before.forEach((merge, i) => {
    const now = after[i] ?? merge;
    const { start } = axes[axis];
    const went = places.get(merge[start]) ?? merge[start];
    if (went === now[start]) return;
    const [row, column] = axis === 'row' ? [went, now.column] : [now.row, went];
    const held = carried[row]?.[column] ?? '';
    carried = carried.with(row, (carried[row] ?? []).with(column, ''));
    carried = carried.with(now.row, (carried[now.row] ?? []).with(now.column, held));
  });
  return carried;
}

/** A copy of the lines after them. Merged cells that lie within them are merged in the copy as well. */
export function duplicateLines(table: Table, lines: Lines): Edited {
  const opened =
    lines.axis === 'row'
      ? insertRow(table, lines.to, 'after', countOf(lines))
      : repeated(table, countOf(lines), (each) => insertColumn(each, lines.to, 'after'));
  if (!opened.ok) return opened;
  const { start, span } = axes[lines.axis];
  const by = countOf(lines);
  const covered = new Set<number>();
  // Where merged cells reach over the copy's lines from outside, what they cover stays empty.
  for (const merge of opened.value.merges)
    for (const row of linesOf(merge.row, merge.rows))
      for (const column of linesOf(merge.column, merge.columns))
        if (row !== merge.row || column !== merge.column) covered.add(row * widthOf(opened.value) + column);
  const isCopy = (at: number): boolean => at > lines.to && at <= lines.to + by;
  const rows = opened.value.rows.map((cells, row) => {
    // A row that is no copy stays the very same one.
    if (lines.axis === 'row' && !isCopy(row)) return cells;
    return cells.map((text, column) => {
      const at = lines.axis === 'row' ? row : column;
      if (!isCopy(at) || covered.has(row * cells.length + column)) return text;
      return (lines.axis === 'row' ? table.rows[row - by]?.[column] : table.rows[row]?.[column - by]) ?? '';
    });
  });
  const width = widthOf(opened.value);
  const isFree = (merge: Merge): boolean =>
    linesOf(merge.row, merge.rows).every((row) => linesOf(merge.column, merge.columns).every((column) => !covered.has(row * width + column)));
  const copies = table.merges
    .filter((merge) => merge[start] >= lines.from && merge[start] + merge[span] - 1 <= lines.to)
    .map((merge) => ({ ...merge, [start]: merge[start] + by }))
    .filter(isFree);
  const { groups, columns } = opened.value;
  const copied = <T>(items: readonly T[]): readonly T[] => items.map((item, i) => (isCopy(i) ? (items[i - by] ?? item) : item));
  const merges = [...opened.value.merges, ...copies];
  const headings = table.groups
    .filter((row) => row >= lines.from && row <= lines.to)
    .map((row) => row + by)
    // Where merged cells reach over the copy from outside, it is a plain row.
    .filter((row) => !mergeAcrossGroups(merges, [row]));
  const duplicated: Table = {
    ...opened.value,
    rows,
    merges,
    exceptions: withCopies(opened.value.exceptions, lines),
    ...(lines.axis === 'row' ? { groups: [...groups, ...headings].sort((a, b) => a - b) } : { columns: copied(columns) }),
  };
  // A copy of a heading that stands in the footer heads nothing.
  return good(groupsWithin(duplicated));
}

/** Exceptions with those of the copied lines once more, on the copies. */
function withCopies(exceptions: readonly Exception[], lines: Lines): readonly Exception[] {
  const { axis, from, to } = lines;
  const copies = exceptions.flatMap((each) => {
    const line = each[axis];
    return line === null || line < from || line > to ? [] : [{ ...each, [axis]: line + countOf(lines) }];
  });
  return movedExceptions([...exceptions, ...copies], axis, (line) => line);
}

/**
 * Rows become columns. Header rows become columns of row headers and the other way round; footer rows become plain
 * columns, headings of row groups as well, and columns have no widths of their own. Merged cells turn with the rest; those that would cross the new header's edge are split there.
 */
export function turn(table: Table): Edited {
  const [height, width] = [heightOf(table), widthOf(table)];
  if (height > LIMITS.columns)
    return refuse(
      'columns-most',
      `It would have ${height.toLocaleString('en')} columns; a table has at most ${LIMITS.columns}.`,
      'Delete rows first.',
    );
  const rows = Array.from({ length: width }, (_, row) => Array.from({ length: height }, (_, column) => table.rows[column]?.[row] ?? ''));
  const merges = table.merges.map((merge) => ({ row: merge.column, column: merge.row, rows: merge.columns, columns: merge.rows }));
  const turned: Table = {
    ...table,
    rows,
    merges,
    headerRows: table.rowHeaders,
    rowHeaders: table.headerRows,
    footerRows: 0,
    groups: [],
    columns: plainColumns(height),
    exceptions: turnedExceptions(table.exceptions),
  };
  return good({ ...turned, merges: splitAcross(turned, turned.headerRows) });
}
