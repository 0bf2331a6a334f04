import { array, lazy, mixed, number, object, string, type AnySchema, type Schema } from 'yup';
import type { House } from '../house';
import type { Outcome } from '../outcome';
import type { Pricing } from '../pricing';
import { followedKinds, type Page, type Published, type TableBlock } from '../page';
import { checkShape } from '../problems-of';
import type { Row, Table, TableHead } from '../table';
import type { Theme } from '../theme';
import { backupShapes, type Backups, type Deleted, type KeptBackup } from './backup';
import { documentKinds, kindNames, type Documents, type KindName } from './kinds';

/** A kept document with its revision, which grows by one with each save. */
export interface Kept<T> {
  readonly id: string;
  readonly document: T;
  readonly revision: number;
  readonly updatedAt: string;
}
/** A theme with its class and the number of its newest edition, 0 for none. */
export type KeptTheme = Kept<Theme> & { readonly key: string; readonly edition: number };
export type KeptPricing = Kept<Pricing>;
/** A table with its first rows, and how many rows and columns it has. */
export type KeptTable = Kept<Table> & { readonly rows: number; readonly columns: number };
/** A table as it is kept: without its rows, with their number. */
export type KeptHead = Kept<TableHead> & { readonly rows: number; readonly columns: number };
export type KeptPage = Kept<Page> & { readonly live?: { readonly slug: string; readonly number: number; readonly publishedAt: string } };
/** The site's house stylesheet as it is kept. */
export type KeptHouse = Omit<Kept<House>, 'id'>;

/** Some rows of a table, and where the next ones begin. */
export interface RowsPiece {
  readonly revision: number;
  readonly rows: readonly Row[];
  readonly count: number;
  readonly last: number;
}
/** What was done to a table in one save, in words. */
export interface Done {
  readonly revision: number;
  readonly said: readonly string[];
  readonly madeAt: string;
}
/** One edition of a document: immutable, counted from 1. */
export interface Edition {
  readonly number: number;
  readonly publishedAt: string;
}
/** An edition of a theme, by the theme's id. */
export interface EditionRef {
  readonly id: string;
  readonly number: number;
}
/** An edition of a theme with the editions that it stands on, the nearest first, by their names. */
export type ThemeEdition = Edition & { readonly standsOn: readonly (EditionRef & { readonly name: string })[] };
/** A live page of which some placements follow a theme or a table. */
export interface Follower {
  readonly id: string;
  readonly name: string;
  readonly slug: string;
  readonly blocks: readonly TableBlock[];
}
/** Something that is no longer as its newest edition has it: which edition that is, and the revision that it has now. */
export interface Changed {
  readonly id: string;
  readonly name: string;
  readonly edition: number;
  readonly revision: number;
}
/** Something that a page follows and that has changed since its newest edition. */
export interface Pending extends Published, Changed {
  /** Names of other live pages that would change with it. */
  readonly others: readonly string[];
}

/** Reads an answer of the API: a value of the type that it should be, or what is wrong with it. */
export type Answer<T> = (json: unknown) => Outcome<T>;

const text = string().required();
const whole = number().required().integer().min(0);
const list = (of: AnySchema): AnySchema => array().required().of(of);
/** What a schema lets through is of that type: the schema says all of it that anybody goes by. */
const answer =
  <T>(schema: AnySchema): Answer<T> =>
  (json) =>
    checkShape(schema as Schema<T>, json);

/** A document in the format of this version. What stands in it was read when it came in, and is not read again. */
const document = (format: string): AnySchema =>
  mixed().test('format', `A document is not in the format ${format}.`, (value: unknown) => {
    const found = value as { readonly format?: unknown } | null | undefined;
    return found?.format === format;
  });
const keptAs = (format: string, more: Readonly<Record<string, AnySchema>> = {}): AnySchema =>
  object({ id: text, revision: whole, updatedAt: text, document: document(format), ...more });
const formatOf = (kind: KindName): string => documentKinds[kind].format;
const counted = { rows: whole, columns: whole };
const edition = { number: whole, publishedAt: text };
/** Rows by the hundred thousand: only that they are a list is looked at. */
const rows = mixed().test('rows', 'The rows are no list.', (value) => Array.isArray(value));

/** Every answer of the API that the tool goes by. */
export const answers = {
  kept: <K extends KindName>(kind: K): Answer<Kept<Documents[K]>> => answer(keptAs(formatOf(kind))),
  head: answer<KeptHead>(keptAs(formatOf('tables'), counted)),
  themes: answer<readonly KeptTheme[]>(list(keptAs(formatOf('themes'), { key: text, edition: whole }))),
  pricings: answer<readonly KeptPricing[]>(list(keptAs(formatOf('pricings')))),
  tables: answer<readonly KeptTable[]>(list(keptAs(formatOf('tables'), counted))),
  pages: answer<readonly KeptPage[]>(
    list(
      keptAs(formatOf('pages'), {
        live: lazy((live: unknown) => (live === undefined ? mixed() : object({ slug: text, ...edition }))) as never,
      }),
    ),
  ),
  document: <K extends KindName>(kind: K): Answer<Documents[K]> => answer(document(formatOf(kind))),
  house: answer<KeptHouse>(object({ revision: whole, updatedAt: text, document: object().required() })),
  revision: answer<{ readonly revision: number }>(object({ revision: whole })),
  rows: answer<RowsPiece>(object({ revision: whole, rows, count: whole, last: whole })),
  history: answer<readonly Done[]>(list(object({ revision: whole, said: list(string().defined()), madeAt: text }))),
  edition: answer<Edition>(object(edition)),
  pageEdition: answer<Edition & { readonly slug: string }>(object({ ...edition, slug: text })),
  editions: answer<readonly Edition[]>(list(object(edition))),
  themeEditions: answer<readonly ThemeEdition[]>(
    list(object({ ...edition, standsOn: list(object({ id: text, name: string().defined(), number: whole })) })),
  ),
  /** A theme, then the themes that it stands on, the nearest first; what ships is not among them. */
  chain: answer<readonly [Theme, ...Theme[]]>(
    array()
      .required()
      .of(document(formatOf('themes')))
      .min(1),
  ),
  followers: answer<readonly Follower[]>(
    list(object({ id: text, name: text, slug: text, blocks: list(object({ id: text, shows: object().required() })) })),
  ),
  changed: answer<readonly Changed[]>(list(object({ id: text, name: text, edition: whole, revision: whole }))),
  pending: answer<readonly Pending[]>(
    list(object({ kind: text.oneOf(followedKinds), id: text, name: text, edition: whole, revision: whole, others: list(string().defined()) })),
  ),
  neighbour: answer<{ readonly address: string | null }>(object({ address: string().nullable().defined() })),
  backups: answer<Backups>(
    object({
      folder: string().nullable().defined(),
      kept: list(backupShapes.kept),
      trouble: string().defined(),
      damage: list(string().defined()),
      counts: backupShapes.counts,
    }),
  ),
  backup: answer<KeptBackup>(backupShapes.kept),
  deleted: answer<readonly Deleted[]>(list(object({ kind: text.oneOf(kindNames), id: text, name: text, deletedAt: text }))),
  picture: answer<{ readonly id: string }>(object({ id: text })),
} as const;
