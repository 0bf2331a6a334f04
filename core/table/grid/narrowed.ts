import type { Table } from '../table';
import { sectionRows } from '../table';
import { movedExceptions } from '../looks/exception';

/**
 * The table with only some of its body rows, from the top on; header and footer stay, and the headings of row groups of which
 * a row is left. Cells that are merged over several rows are single ones here. `rows` says which row of the table each is.
 */
export function narrowedTable(table: Table, body: readonly number[]): { readonly table: Table; readonly rows: readonly number[] } {
  const { first, count } = sectionRows(table, 'body');
  const wanted = new Set(body);
  const headings = table.groups.filter((heading, i) => {
    const end = table.groups[i + 1] ?? first + count;
    return body.some((row) => row > heading && row < end);
  });
  for (const heading of headings) wanted.add(heading);
  const rows = [
    ...Array.from({ length: first }, (_, i) => i),
    ...[...wanted].sort((a, b) => a - b),
    ...Array.from({ length: table.rows.length - first - count }, (_, i) => first + count + i),
  ];
  const now = new Map(rows.map((row, at) => [row, at]));
  const inBody = (row: number): boolean => row >= first && row < first + count;
  return {
    rows,
    table: {
      ...table,
      rows: rows.map((row) => table.rows[row] ?? []),
      merges: table.merges.flatMap((merge) => {
        const row = now.get(merge.row);
        if (row === undefined || (inBody(merge.row) && merge.rows > 1)) return [];
        return [{ ...merge, row }];
      }),
      groups: table.groups.flatMap((row) => now.get(row) ?? []),
      exceptions: movedExceptions(table.exceptions, 'row', (row) => now.get(row)),
    },
  };
}
