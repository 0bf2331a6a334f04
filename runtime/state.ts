import type { Direction } from './compare';

/** What a column is filtered by: words, one of its values, or a range in which both ends count. */
export interface Filter {
  text?: string | undefined;
  is?: string | undefined;
  from?: number | undefined;
  to?: number | undefined;
}
export type Filters = Map<number, Filter>;

/** What a visitor has asked of a table. */
export interface State {
  /** The column that rows are sorted by, from 0, and how. */
  column?: number;
  direction?: Direction;
  search: string;
  /** From 0. */
  page: number;
  filters: Filters;
}

export const emptyState = (): State => ({ search: '', page: 0, filters: new Map() });
