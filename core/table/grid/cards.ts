import { sectionOf, type Table } from '../table';

/** Whether any rows of the body are held together by a merged cell. */
export const holdsRows = ({ merges = [] }: { readonly merges?: Table['merges'] }): boolean => merges.some(({ rows }) => rows > 1);

const found = new WeakMap<Table, ReadonlySet<number>>();

/** Rows of the body that a merged cell holds together with the row above: those of one card, but for its first. */
function joinedRows(table: Table): ReadonlySet<number> {
  const known = found.get(table);
  if (known) return known;
  const joined = new Set<number>();
  for (const { row, rows } of table.merges) if (sectionOf(table, row) === 'body') for (let at = row + 1; at < row + rows; at++) joined.add(at);
  found.set(table, joined);
  return joined;
}

/** Whether a row goes on with the card that the row above belongs to. */
export const joinsAbove = (table: Table, row: number): boolean => joinedRows(table).has(row);
/** Whether the row below a row goes on with its card. */
export const goesOnBelow = (table: Table, row: number): boolean => joinedRows(table).has(row + 1);
