import { sectionRows, type Table } from './table';

/** The table with at most `rows` body rows, header and footer whole: enough to see a theme on. Merges are cut with the body. */
export function previewOf(table: Table, rows: number): Table {
  const { first, count } = sectionRows(table, 'body');
  const cut = count - rows;
  if (cut <= 0) return table;
  const end = first + rows;
  const merges = table.merges.flatMap((merge) => {
    if (merge.row >= end + cut) return [{ ...merge, row: merge.row - cut }];
    if (merge.row >= end) return [];
    const kept = merge.row >= first ? Math.min(merge.rows, end - merge.row) : merge.rows;
    return kept * merge.columns > 1 ? [{ ...merge, rows: kept }] : [];
  });
  return { ...table, rows: [...table.rows.slice(0, end), ...table.rows.slice(end + cut)], merges };
}
