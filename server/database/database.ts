/** What the rest of the server may ask of the database: plain SQL with numbered parameters. */
export interface Queries {
  /** Rows of one statement. Values go in as $1, $2 and so on. */
  query<Row>(sql: string, values?: readonly unknown[]): Promise<readonly Row[]>;
}

export interface Database extends Queries {
  /** Runs `work` in one transaction; an error in it takes everything back. */
  transaction<Result>(work: (queries: Queries) => Promise<Result>): Promise<Result>;
  close(): Promise<void>;
}

/** A transaction as a database: for work that is made of transactions and is to be done as a whole or not at all. */
export const asOne = (queries: Queries): Database => ({
  query: (sql, values) => queries.query(sql, values),
  transaction: (work) => work(queries),
  close: async () => Promise.resolve(),
});
