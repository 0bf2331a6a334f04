import { movedExceptions } from '../looks/exception';
import { sectionRows, type Table, type TableHead } from '../table';

/**
 * A table's head after `cut` rows were taken out of the body from row `end` on: merges are cut with the body, and headings
 * below go; exceptions of what is left move up.
 */
export function cutHead<T extends Pick<TableHead, 'merges' | 'groups' | 'exceptions'>>(head: T, end: number, cut: number): T {
  const merges = head.merges.flatMap((merge) => {
    if (merge.row >= end + cut) return [{ ...merge, row: merge.row - cut }];
    if (merge.row >= end) return [];
    const kept = Math.min(merge.rows, end - merge.row);
    return kept * merge.columns > 1 ? [{ ...merge, rows: kept }] : [];
  });
  const exceptions = movedExceptions(head.exceptions, 'row', (row) => (row < end ? row : row < end + cut ? undefined : row - cut));
  return { ...head, merges, exceptions, groups: head.groups.filter((row) => row < end) };
}

/** The table with at most `rows` body rows, header and footer whole: enough to see a theme on. */
export function previewOf(table: Table, rows: number): Table {
  const { first, count } = sectionRows(table, 'body');
  const cut = count - rows;
  if (cut <= 0) return table;
  const end = first + rows;
  return { ...cutHead(table, end, cut), rows: [...table.rows.slice(0, end), ...table.rows.slice(end + cut)] };
}
