import { gridOf, sectionRows, widthOf, type Held, type Table } from '../../../../../../core/table';
import type { ConditionName } from '../../../../../../core/theme';

/** Which conditions are held open on the first body rows, so that all can be seen at once. */
const heldAtFirst: readonly (readonly ConditionName[])[] = [[], ['hovered'], [], ['selected'], ['focused'], ['disabled']];

/** What the specimen holds open: on rows those of the list but for what the person chose, on the last columns what columns and their headers have. */
export function heldOpen(table: Table, chosen: ReadonlyMap<number, readonly ConditionName[]>, withColumns: boolean): Held {
  const { first, count } = sectionRows(table, 'body');
  const rows = new Map(Array.from({ length: count }, (_, i) => [first + i, chosen.get(first + i) ?? heldAtFirst[i] ?? []] as const));
  if (!withColumns) return { rows };
  const last = widthOf(table) - 1;
  const free = last - table.rowHeaders;
  const at = (back: number, ...conditions: readonly ConditionName[]): readonly (readonly [number, readonly ConditionName[]])[] =>
    back <= free && last - back >= 0 ? [[last - back, conditions]] : [];
  return {
    rows,
    columns: new Map([...at(0, 'sorted'), ...at(1, 'column-hovered')]),
    headers: new Map([...at(1, 'hovered'), ...at(2, 'pressed'), ...at(3, 'focused')]),
  };
}

/** What is held on a column, in words. */
export function columnWords({ columns, headers }: Held, column: number): string {
  return [
    ...(headers?.get(column) ?? []),
    ...(columns?.get(column) ?? []).map((condition) => (condition === 'column-hovered' ? 'column' : condition)),
  ].join(', ');
}

/** The lowest header cell that starts in a column, by its slot; none where the table has no header rows. */
export const headerSlot = (table: Table, column: number): string | undefined => {
  if (table.headerRows === 0) return undefined;
  const cell = gridOf(table).at(table.headerRows - 1, column);
  return cell.column === column ? `${cell.row} ${cell.column}` : undefined;
};
