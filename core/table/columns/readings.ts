import { readValueOf, type DataType, type Value, type Written } from '../../data-types';
import { typeOfColumn } from './found-types';
import type { Table } from '../table';

/** How the cells of a column are read. */
export interface Reading extends Written {
  readonly type: DataType;
}
const known = new WeakMap<Table, (Reading | undefined)[]>();

/** As a column's type says or, where it says none, as its cells tell. Told once for each state of a table. */
export function readingOf(table: Table, column: number): Reading {
  const readings = known.get(table) ?? [];
  const before = readings[column];
  if (before) return before;
  const { type = '', order = '' } = table.columns[column] ?? {};
  const found = typeOfColumn(table, column, type);
  // What is only found to be whole may have fractions where nobody looked; they are numbers all the same.
  const isGuess = type === '' && found.type === 'whole';
  const reading: Reading = {
    type: isGuess ? 'number' : found.type,
    decimal: table.decimal === '' ? found.decimal : table.decimal,
    order: order === '' ? found.order : order,
  };
  readings[column] = reading;
  known.set(table, readings);
  return reading;
}

/** What a text in a column comes to, as it is read there; undefined where it is something else. */
export function readIn(table: Table, column: number, text: string): Value | undefined {
  const reading = readingOf(table, column);
  return readValueOf(reading.type, text, reading);
}
