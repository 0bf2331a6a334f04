import type { PropertyName, Values } from '../theme';
import type { GridCell } from './grid';
import type { Chosen } from './edit-block';
import { widthOf, type Table } from './table';

/** Whether an exception goes further than it does by itself: a column's into its header, a cell's over what the hand brings. */
export const exceptionReaches = ['', 'header', 'always'] as const;

/**
 * A look that one column, one row or one cell has beside the table's theme. At most one stands at a place; at the crossing
 * of a column and a row the row's wins, and a cell's over both. What a hovered, selected or focused row brings is stronger,
 * but for a cell that always has its look.
 */
export interface Exception {
  /** From 0. Null for a whole column. */
  readonly row: number | null;
  /** From 0. Null for a whole row. */
  readonly column: number | null;
  readonly reach: (typeof exceptionReaches)[number];
  /** Name of the dressing that its cells' values are shown in; empty for none. */
  readonly dressing: string;
  /** Values in the theme's syntax, by property. */
  readonly values: Values;
}

export type ExceptionKind = 'column' | 'row' | 'cell';
export const kindOf = ({ row, column }: Pick<Exception, 'row' | 'column'>): ExceptionKind =>
  row === null ? 'column' : column === null ? 'row' : 'cell';

const rank = { column: 0, row: 1, cell: 2 } as const;

interface Found {
  readonly columns: ReadonlyMap<number, Exception>;
  readonly rows: ReadonlyMap<number, Exception>;
  readonly cells: ReadonlyMap<number, Exception>;
}
const found = new WeakMap<readonly Exception[], { readonly width: number; readonly found: Found }>();

function findIn(table: Table): Found {
  const width = widthOf(table);
  const known = found.get(table.exceptions);
  if (known?.width === width) return known.found;
  const [columns, rows, cells] = [new Map<number, Exception>(), new Map<number, Exception>(), new Map<number, Exception>()];
  for (const exception of table.exceptions) {
    const { row, column } = exception;
    if (row === null && column !== null) columns.set(column, exception);
    else if (row !== null && column === null) rows.set(row, exception);
    else if (row !== null && column !== null) cells.set(row * width + column, exception);
  }
  const made = { columns, rows, cells };
  found.set(table.exceptions, { width, found: made });
  return made;
}

const NONE: readonly Exception[] = [];

/** What holds on a cell beside the theme, weakest first: its column's, its row's, its own, each where the cell starts. */
export function exceptionsOn(table: Table, cell: GridCell): readonly Exception[] {
  if (table.exceptions.length === 0) return NONE;
  const { columns, rows, cells } = findIn(table);
  const ofColumn = columns.get(cell.column);
  const holds = ofColumn && (cell.section !== 'header' || ofColumn.reach === 'header') ? ofColumn : undefined;
  return [holds, rows.get(cell.row), cells.get(cell.row * widthOf(table) + cell.column)].filter((each) => each !== undefined);
}

/** The exception at a place, if there is one. */
export const exceptionAt = (table: Table, row: number | null, column: number | null): Exception | undefined =>
  table.exceptions.find((each) => each.row === row && each.column === column);

/** The places of chosen slots: all of their columns, of their rows, or each of their cells. */
export function placesOf(kind: ExceptionKind, { row, column, toRow, toColumn }: Chosen): readonly Pick<Exception, 'row' | 'column'>[] {
  const from = (first: number, last: number): readonly number[] => Array.from({ length: last - first + 1 }, (_, i) => first + i);
  if (kind === 'column') return from(column, toColumn).map((each) => ({ row: null, column: each }));
  if (kind === 'row') return from(row, toRow).map((each) => ({ row: each, column: null }));
  return from(row, toRow).flatMap((r) => from(column, toColumn).map((c) => ({ row: r, column: c })));
}

/** In the order in which they are written: columns, rows, cells, each from the start on. */
const inOrder = (a: Exception, b: Exception): number =>
  rank[kindOf(a)] - rank[kindOf(b)] || (a.row ?? 0) - (b.row ?? 0) || (a.column ?? 0) - (b.column ?? 0);

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

/** An exception with another text for a property, or with none. */
export function withValue(exception: Exception, property: PropertyName, text: string | undefined): Exception {
  const { [property]: _, ...others } = exception.values;
  return { ...exception, values: text === undefined ? others : { ...others, [property]: text } };
}

/** Exceptions after their lines went elsewhere: `place` says where a row or a column stands now, or that it is gone. */
export function movedExceptions(
  exceptions: readonly Exception[],
  axis: 'row' | 'column',
  place: (line: number) => number | undefined,
): readonly Exception[] {
  if (exceptions.length === 0) return exceptions;
  return exceptions
    .flatMap((each): readonly Exception[] => {
      const line = each[axis];
      if (line === null) return [each];
      const now = place(line);
      return now === undefined ? [] : now === line ? [each] : [{ ...each, [axis]: now }];
    })
    .sort(inOrder);
}
/** After so many lines were put in before one. */
export const openExceptions = (exceptions: readonly Exception[], axis: 'row' | 'column', at: number, count = 1): readonly Exception[] =>
  movedExceptions(exceptions, axis, (line) => (line >= at ? line + count : line));
/** After the lines from one to another, both meant, were taken out. */
export const closeExceptions = (exceptions: readonly Exception[], axis: 'row' | 'column', from: number, to = from): readonly Exception[] =>
  movedExceptions(exceptions, axis, (line) => (line < from ? line : line > to ? line - (to - from + 1) : undefined));
/** After rows became columns. What reached into a header reaches no further than the rest. */
export const turnedExceptions = (exceptions: readonly Exception[]): readonly Exception[] =>
  exceptions
    .map((each) => ({ ...each, row: each.column, column: each.row, reach: each.reach === 'header' ? ('' as const) : each.reach }))
    .sort(inOrder);
