/** Rows that are looked at where all would take too long: a long table is told by these as well. */
const SAMPLE = 500;
/** A prime near the golden section of 2^32: its multiples fall everywhere, so that no rhythm in the rows is taken for all of them. */
const STREW = 2_654_435_761;

/** Up to 500 rows from `first` on, of `count`: all where there are no more. */
export const strewnRows = (first: number, count: number): readonly number[] =>
  Array.from({ length: Math.min(count, SAMPLE) }, (_, i) =>
    count <= SAMPLE ? first + i : first + Math.floor(((i * STREW) % 4_294_967_296) / (4_294_967_296 / count)),
  );
