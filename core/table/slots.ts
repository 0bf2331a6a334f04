import type { ConditionName, Slot } from '../theme';
import type { GridCell } from './grid';
import { sectionRows, type Table } from './table';

const partBySection = { header: 'column-headers', footer: 'footer', body: 'body-rows' } as const;

/**
 * A cell as the theme sees it. Bands, first and last count the rows of the cell's own row group from the
 * row in which the cell starts; `held` are the conditions that the visitor's hand brings.
 */
export function slotOf(table: Table, cell: GridCell, held: readonly ConditionName[] = []): Slot {
  const { first, count } = sectionRows(table, cell.section);
  const index = cell.row - first;
  const conditions: ConditionName[] = [index % 2 === 0 ? 'odd' : 'even'];
  if (index === 0) conditions.push('first');
  if (index === count - 1) conditions.push('last');
  return { part: cell.isRowHeader ? 'row-headers' : partBySection[cell.section], conditions: [...conditions, ...held] };
}
