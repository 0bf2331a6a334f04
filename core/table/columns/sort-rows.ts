import { bad, good } from '../../outcome';
import type { Edited } from '../edit/edit-grid';
import { movedExceptions } from '../looks/exception';
import { rememberOrder } from '../edit/reordered';
import { sectionRows, type Table } from '../table';

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
  // From where each row came, and where each row goes.
  const [came, goes] = [counted(rows.length), counted(rows.length)];
  let isMoved = false;
  groups.forEach((group, i) => {
    const order = orders[i] ?? [];
    for (let at = 0; at < group.count; at++) {
      const [from, to] = [group.first + (order[at] ?? at), group.first + at];
      const row = table.rows[from];
      if (row) rows[to] = row;
      came[to] = from;
      goes[from] = to;
      isMoved ||= from !== to;
    }
  });
  if (!isMoved) return good(table);
  rememberOrder(table.rows, rows, came);
  const now = (row: number): number => goes[row] ?? row;
  return good({
    ...table,
    rows,
    merges: table.merges.map((merge) => (now(merge.row) === merge.row ? merge : { ...merge, row: now(merge.row) })),
    exceptions: movedExceptions(table.exceptions, 'row', now),
  });
}

function counted(length: number): Uint32Array {
  const places = new Uint32Array(length);
  for (let i = 0; i < length; i++) places[i] = i;
  return places;
}
