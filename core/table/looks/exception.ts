import { isOfColumns, type Values } from '../../theme';

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
  /** Name of the value mark that its cells' values are shown in; empty for none. */
  readonly dressing: string;
  /** Values in the theme's syntax, by property. */
  readonly values: Values;
}

export type ExceptionKind = 'column' | 'row' | 'cell';
export const kindOf = ({ row, column }: Pick<Exception, 'row' | 'column'>): ExceptionKind =>
  row === null ? 'column' : column === null ? 'row' : 'cell';

const rank = { column: 0, row: 1, cell: 2 } as const;

/** In the order in which they are written: columns, rows, cells, each from the start on. */
export const inOrder = (a: Exception, b: Exception): number =>
  rank[kindOf(a)] - rank[kindOf(b)] || (a.row ?? 0) - (b.row ?? 0) || (a.column ?? 0) - (b.column ?? 0);

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
/** After rows became columns. What reached into a header reaches no further than the rest, and only columns have frames. */
export const turnedExceptions = (exceptions: readonly Exception[]): readonly Exception[] =>
  exceptions
    .map((each) => ({ ...each, values: Object.fromEntries(Object.entries(each.values).filter(([name]) => !isOfColumns(name))) }))
    .filter(({ values, dressing }) => Object.keys(values).length > 0 || dressing !== '')
    .map((each) => ({ ...each, row: each.column, column: each.row, reach: each.reach === 'header' ? ('' as const) : each.reach }))
    .sort(inOrder);
