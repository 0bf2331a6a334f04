import type { PropertyName } from '../../theme';
import type { Chosen } from './edit-block';
import type { ValueMark } from '../looks/value-mark';
import { inOrder, type Exception, type ExceptionKind } from '../looks/exception';
import { widthOf, type Table } from '../table';

/** The places of chosen slots: all of their columns, of their rows, or each of their cells. */
export function placesOf(kind: ExceptionKind, { row, column, toRow, toColumn }: Chosen): readonly Pick<Exception, 'row' | 'column'>[] {
  const from = (first: number, last: number): readonly number[] => Array.from({ length: last - first + 1 }, (_, i) => first + i);
  if (kind === 'column') return from(column, toColumn).map((each) => ({ row: null, column: each }));
  if (kind === 'row') return from(row, toRow).map((each) => ({ row: each, column: null }));
  return from(row, toRow).flatMap((r) => from(column, toColumn).map((c) => ({ row: r, column: c })));
}

/** Changes the exceptions at places, or makes them. One that says nothing any more is taken away. */
export function setExceptions(table: Table, at: readonly Pick<Exception, 'row' | 'column'>[], change: (exception: Exception) => Exception): Table {
  const width = widthOf(table);
  const key = ({ row, column }: Pick<Exception, 'row' | 'column'>): number => (row ?? -1) * (width + 1) + (column ?? width);
  const known = new Map(table.exceptions.map((each) => [key(each), each]));
  for (const { row, column } of at) {
    const changed = change(known.get(key({ row, column })) ?? { row, column, reach: '', dressing: '', values: {} });
    const isEmpty = changed.dressing === '' && Object.keys(changed.values).length === 0;
    if (isEmpty) known.delete(key({ row, column }));
    else known.set(key({ row, column }), { ...changed, row, column });
  }
  return { ...table, exceptions: [...known.values()].sort(inOrder) };
}

/**
 * The table with other value marks. `names` says what each of before is called now; what wore one that is gone, or was built
 * from it, shows its values plainly or is built from nothing.
 */
export function setValueMarks(table: Table, dressings: readonly ValueMark[], names: ReadonlyMap<string, string>): Table {
  const there = new Set(dressings.map(({ name }) => name));
  const now = (name: string): string => {
    const renamed = names.get(name) ?? name;
    return there.has(renamed) ? renamed : '';
  };
  const changed: Table = { ...table, dressings: dressings.map((each) => ({ ...each, from: now(each.from) })) };
  const places = table.exceptions.filter(({ dressing }) => dressing !== '' && now(dressing) !== dressing);
  return setExceptions(changed, places, (each) => ({ ...each, dressing: now(each.dressing) }));
}

/** An exception with another text for a property, or with none. */
export function withValue(exception: Exception, property: PropertyName, text: string | undefined): Exception {
  const { [property]: _, ...others } = exception.values;
  return { ...exception, values: text === undefined ? others : { ...others, [property]: text } };
}
