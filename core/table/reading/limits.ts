/** Limits of a table, for every way in. Texts in characters; `slots` are rows times columns. */
export const LIMITS = {
  // 100,000 rows of content, with room for header and footer.
  rows: 100_100,
  columns: 100,
  slots: 5_100_000,
  cell: 10_000,
  marks: 1000,
  address: 2000,
  merges: 20_000,
  caption: 500,
  description: 2000,
  exceptions: 5000,
  formula: 500,
  choices: 10_000,
} as const;
