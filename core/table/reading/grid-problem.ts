import type { Exception } from '../looks/exception';
import { mergeAcrossGroups } from '../edit/merge-groups';
import type { Merge, TableHead } from '../table';

/** Whether a table without its rows fits so many of them; what is wrong if not. */
export function gridProblem(table: TableHead, height: number, width: number): string | undefined {
  if (table.headerRows + table.footerRows > height) return 'There are more header and footer rows than rows.';
  if (table.rowHeaders > width) return 'There are more row header columns than columns.';
  if (table.columns.length !== width) return 'There is not one entry for each column.';
  const isOrdered = table.groups.every((row, i) => i === 0 || row > (table.groups[i - 1] ?? 0));
  if (!isOrdered || table.groups.some((row) => row < table.headerRows || row >= height - table.footerRows))
    return 'Headings of row groups stand in the body, in order.';
  const misplaced = exceptionsProblem(table.exceptions, height, width);
  if (misplaced) return misplaced;
  const taken = new Set<number>();
  for (const merge of table.merges) {
    const wrong = mergeProblem(table, merge, height, width, taken);
    if (wrong) return wrong;
  }
  return undefined;
}

function exceptionsProblem(exceptions: readonly Exception[], height: number, width: number): string | undefined {
  const seen = new Set<string>();
  for (const { row, column } of exceptions) {
    if ((row ?? 0) >= height || (column ?? 0) >= width) return 'An exception stands outside the table.';
    const place = `${row} ${column}`;
    if (seen.has(place)) return 'Two exceptions stand at one place.';
    seen.add(place);
  }
  return undefined;
}

function mergeProblem(table: TableHead, merge: Merge, height: number, width: number, taken: Set<number>): string | undefined {
  const last = merge.row + merge.rows - 1;
  const where = `The merged cells at row ${merge.row + 1}, column ${merge.column + 1}`;
  if (last >= height || merge.column + merge.columns > width) return `${where} reach outside the table.`;
  const section = (row: number): number => (row < table.headerRows ? 0 : row >= height - table.footerRows ? 2 : 1);
  if (section(merge.row) !== section(last)) return `${where} cross the edge of the header or the footer.`;
  if (mergeAcrossGroups([merge], table.groups)) return `${where} reach over the heading of a row group.`;
  for (let row = merge.row; row <= last; row++) {
    for (let column = merge.column; column < merge.column + merge.columns; column++) {
      if (taken.has(row * width + column)) return `${where} overlap others.`;
      taken.add(row * width + column);
    }
  }
  return undefined;
}
