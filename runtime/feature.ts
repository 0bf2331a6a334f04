import type { Body } from './body';
import type { State } from './state';
import type { Unit } from './units';
import type { Words } from './words';

/** A placed table in a visitor's hands, as its features see it. */
export interface Live extends Words {
  readonly box: HTMLElement;
  readonly state: State;
  /** What its box says that visitors can do. */
  readonly can: ReadonlySet<string>;
  /** The language of its values. */
  readonly language: string;
  /** A text as it is searched for, in that language. */
  readonly fold: (text: string) => string;
  /** The table and its rows as they stand there now: one with other columns may take its place. */
  readonly body: () => Body;
  readonly make: <K extends keyof HTMLElementTagNameMap>(tag: K, set?: Partial<HTMLElementTagNameMap[K]>) => HTMLElementTagNameMap[K];
  /** Works out anew in which order rows stand, which are found, and which of them are shown, from one of these on; `news` is said once. */
  readonly again: (from: 'order' | 'found' | 'shown', news?: string) => void;
  /** Puts a table with other columns and the same rows in this one's place. */
  readonly replace: (table: HTMLTableElement) => void;
}

/** What a feature of one table does when it is its turn. */
export interface Part {
  /** The rows in its order; undefined for their own. */
  readonly order?: (units: readonly Unit[]) => readonly Unit[] | undefined;
  /** What a row has to pass to be found; undefined while every row does. */
  readonly test?: () => ((unit: Unit, at: number) => boolean) | undefined;
  /** From which on, and up to which, those that were found are shown at once: all of them where neither is said. */
  readonly page?: (found: readonly Unit[]) => readonly (number | undefined)[];
  /** Rows have been shown: of those that were found, on all pages, in their order, these. */
  readonly shown?: (found: readonly Unit[], shown: ReadonlySet<Unit>) => void;
  /** Something more to say beside which rows are shown. */
  readonly says?: () => string;
  /** The table has been replaced by one with other columns; `name` is that of the column that was sorted by. */
  readonly renew?: (name: string | undefined) => void;
}

/** Something that a visitor can do with a table: brings it to life, in a table that has it; nothing elsewhere. */
export type Feature = (live: Live) => Part | undefined;
