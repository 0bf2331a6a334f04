import type { Row } from '../cell';

type Rows = readonly Row[];

/** Of rows that were put in order: which rows they were, and which of them now stands where. */
const known = new WeakMap<Rows, { readonly before: Rows; readonly from: ArrayLike<number> }>();

/** Remembers that `after` are the rows of `before` in another order: `from[i]` is where the row that now stands at `i` stood. */
export function rememberOrder(before: Rows, after: Rows, from: ArrayLike<number>): void {
  known.set(after, { before, from });
}

/**
 * The order in which the very same rows stand between two places, counted from `start`; undefined where they are not the
 * same. Without what is remembered every row has to be looked up.
 */
export function orderBetween(before: Rows, after: Rows, start: number, end: number): readonly number[] | undefined {
  const length = end - start;
  if (length < 2 || before.length !== after.length) return undefined;
  const order: number[] = [];
  const told = known.get(after);
  if (told?.before === before) {
    for (let i = start; i < end; i++) order.push((told.from[i] ?? 0) - start);
    return order;
  }
  const places = new Map<Row | undefined, number>();
  for (let i = start; i < end; i++) places.set(before[i], i - start);
  if (places.size !== length) return undefined;
  for (let i = start; i < end; i++) {
    const place = places.get(after[i]);
    if (place === undefined || !places.delete(after[i])) return undefined;
    order.push(place);
  }
  return order;
}
