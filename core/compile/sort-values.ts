import { isNothing, isNumericType, readValueOf, type DataType, type Written } from '../data-types';
import { headerRole, sectionRows, textOf, typeOfColumn, type GridCell, type Table } from '../table';

interface Reading extends Written {
  readonly type: DataType;
}
const known = new WeakMap<Table, readonly Reading[]>();

/** What each column is read as when it is sorted: as its type says or, where it says none, as its cells tell. */
function readingsOf(table: Table): readonly Reading[] {
  const before = known.get(table);
  if (before) return before;
  const readings = table.columns.map(({ type, order }, column): Reading => {
    const found = typeOfColumn(table, column, type);
    return { type: found.type, decimal: table.decimal === '' ? found.decimal : table.decimal, order: order === '' ? found.order : order };
  });
  known.set(table, readings);
  return readings;
}

/**
 * What a body cell is sorted by, where that is not its text: a number for numbers, dates, times and durations, nothing
 * where there is nothing. A published page's script compares these and need not read what people write.
 */
export function sortValue(table: Table, { section, column, text }: GridCell): string | undefined {
  if (section !== 'body' || text.trim() === '') return undefined;
  if (isNothing(text)) return '';
  const reading = readingsOf(table)[column];
  const value = reading && readValueOf(reading.type, text, reading);
  return typeof value === 'number' ? String(value) : undefined;
}

/** Values of a column up to which a filter offers them all, and how often each comes at least on average. */
const [FEW, OFTEN] = [12, 2] as const;

/** How a column is filtered: by a range of amounts or days, by one of its few values, or by words. */
export function filterKind(table: Table, column: number): 'number' | 'date' | 'choice' | 'text' {
  const type = readingsOf(table)[column]?.type ?? 'text';
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
