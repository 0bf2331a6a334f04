import { findType, howWritten, pluralOf, type DataType, type FoundType } from '../data-types';
import { textOf } from './cell';
import { strewnRows } from './strewn';
import { sectionRows, type Table } from './table';

/**
 * What a column holds, told from its body cells and from its name in the last header row; or how it is written, where
 * it is known what it is.
 */
export function typeOfColumn(table: Table, column: number, known: '' | DataType = ''): FoundType {
  const { first, count } = sectionRows(table, 'body');
  const texts = strewnRows(first, count).map((row) => textOf(table.rows[row]?.[column]));
  if (known !== '') return { type: known, ...howWritten(texts) };
  return findType(texts, table.headerRows > 0 ? textOf(table.rows[table.headerRows - 1]?.[column]) : '');
}

/** The type of each column. */
export const typesOfColumns = (table: Table): readonly DataType[] => (table.rows[0] ?? []).map((_, column) => typeOfColumn(table, column).type);

/** One sentence on what the columns hold, beside text. */
export function saysTypes(types: readonly DataType[]): readonly string[] {
  const columns = new Map<DataType, number[]>();
  for (const [i, type] of types.entries()) if (type !== 'text') columns.set(type, [...(columns.get(type) ?? []), i + 1]);
  if (columns.size === 0) return [];
  const parts = [...columns].map(([type, at]) => `${at.length === 1 ? 'column' : 'columns'} ${at.join(', ')}: ${pluralOf(type)}`);
  const text = parts.join('; ');
  return [`${text.charAt(0).toUpperCase()}${text.slice(1)}.`];
}
