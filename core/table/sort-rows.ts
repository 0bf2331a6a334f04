import { bad, good } from '../outcome';
import type { Edited } from './edit-grid';
import { movedExceptions } from './exception';
import { sectionRows, type Table } from './table';

/** The stretches of body rows that are put in order each by itself: the whole body, or the rows of each row group. */
export function sortGroups(table: Table): readonly { readonly first: number; readonly count: number }[] {
  const { first, count } = sectionRows(table, 'body');
  const edges = [first - 1, ...table.groups, first + count];
  return edges.slice(1).flatMap((end, i) => {
    const from = (edges[i] ?? 0) + 1;
    return end > from ? [{ first: from, count: end - from }] : [];
  });
}

/**
 * The table with its body rows in another order: for each stretch of `sortGroups`, which of its rows, counted from its
 * first, now stands where. What a row holds, its merged cells and its looks go with it. Refused where cells are merged over
 * several rows.
 */
export function inOrderOf(table: Table, orders: readonly ArrayLike<number>[]): Edited {
  const groups = sortGroups(table);
  const { first, count } = sectionRows(table, 'body');
  const torn = table.merges.find(({ row, rows }) => rows > 1 && row >= first && row < first + count);
  if (torn)
    return bad({
      code: 'sort-merge',
      say: `Cells are merged over several rows at row ${torn.row + 1}, column ${torn.column + 1}; sorting would tear them.`,
      remedy: 'Split them first.',
    });
  const rows = [...table.rows];
  const places = new Map<number, number>();
  groups.forEach((group, i) => {
    const order = orders[i] ?? [];
    for (let at = 0; at < group.count; at++) {
      const from = group.first + (order[at] ?? at);
      const row = table.rows[from];
      if (row) rows[group.first + at] = row;
      if (from !== group.first + at) places.set(from, group.first + at);
    }
  });
  if (places.size === 0) return good(table);
  const now = (row: number): number => places.get(row) ?? row;
  return good({
    ...table,
    rows,
    merges: table.merges.map((merge) => (places.has(merge.row) ? { ...merge, row: now(merge.row) } : merge)),
    exceptions: movedExceptions(table.exceptions, 'row', now),
  });
}
