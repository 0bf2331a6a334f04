/** A house stylesheet has at most so many characters. */
export const MOST_CHARACTERS = 1_000_000;
/** So many body rows of a table are enough to see what a house stylesheet does to it. */
export const ROWS_TO_JUDGE = 12;
