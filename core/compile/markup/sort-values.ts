import { isNothing, isNumericType } from '../../data-types';
import { headerRole, readIn, readingOf, sectionRows, textOf, type GridCell, type Table } from '../../table';

/**
 * What a body cell is sorted by, where that is not its text: a number for numbers, dates, times and durations, nothing
 * where there is nothing. A published page's script compares these and need not read what people write.
 */
export function sortValue(table: Table, { section, column, text }: GridCell): string | undefined {
  if (section !== 'body' || text.trim() === '') return undefined;
  if (isNothing(text)) return '';
  const value = readIn(table, column, text);
  return typeof value === 'number' ? String(value) : undefined;
}

/** Values of a column up to which a filter offers them all, and how often each comes at least on average. */
const [FEW, OFTEN] = [12, 2] as const;

/** How a column is filtered: by a range of amounts or days, by one of its few values, or by words. */
export function filterKind(table: Table, column: number): 'number' | 'date' | 'choice' | 'text' {
  const { type } = readingOf(table, column);
  if (type === 'date') return 'date';
  if (isNumericType(type)) return 'number';
  const { first, count } = sectionRows(table, 'body');
  const values = new Set<string>();
  for (let row = first; row < first + count && values.size <= FEW; row++) values.add(textOf(table.rows[row]?.[column]).trim());
  values.delete('');
  return values.size > 1 && values.size <= FEW && count >= values.size * OFTEN ? 'choice' : 'text';
}

/** Whether rows can be sorted by a header cell: one over a single column, that reaches down to the body. */
export const canSort = (table: Table, cell: GridCell): boolean =>
  cell.section === 'header' &&
  cell.columns === 1 &&
  cell.row + cell.rows === table.headerRows &&
  cell.text.trim() !== '' &&
  headerRole(table, cell).tag === 'th';
