import { documentKinds, kindNames } from '../../core/documents';
import type { Queries } from '../database/database';

/** Where the rows of one SQL table lie in a backup. */
export interface Layout {
  readonly table: string;
  /** The folder, and the SQL that gives the name in it: rows of one name lie together. */
  readonly folder: string;
  readonly id: string;
  /** What the rows are called in the folder of their document; without it, there is one row to a name. */
  readonly part?: string;
  /** The SQL that orders the rows. */
  readonly order: string;
  /** A column whose bytes are a file of their own, beside the one with the other columns. */
  readonly bytes?: string;
}

/**
 * Every SQL table that keeps something, by the registry of kinds; each after those that it points to. What is not in here is in no
 * backup: a spec walks the schema.
 */
export const layouts: readonly Layout[] = [
  { table: 'house', folder: 'house', id: "'site'", order: 'one' },
  { table: 'media', folder: 'media', id: 'id', order: 'id', bytes: 'content' },
  { table: 'row_sets', folder: 'row-sets', id: 'id', order: 'id' },
  ...kindNames.map((kind): Layout => ({ table: kind, folder: kind, id: 'id', order: 'id' })),
  ...kindNames.map((kind): Layout => {
    const { word } = documentKinds[kind];
    return { table: `${word}_editions`, folder: kind, id: `${word}_id`, part: 'editions', order: `${word}_id, number` };
  }),
  { table: 'table_rows', folder: 'tables', id: 'table_id', part: 'rows', order: 'table_id, place' },
  { table: 'table_changes', folder: 'tables', id: 'table_id', part: 'history', order: 'table_id, revision' },
  { table: 'live_pages', folder: 'pages', id: 'page_id', part: 'live', order: 'page_id' },
];

/** Those of the SQL tables that are there: data of an older schema, before it is brought up to this one, has not all of them yet. */
export async function layoutsIn(queries: Queries): Promise<readonly Layout[]> {
  const found = await queries.query<{ name: string }>("select tablename as name from pg_tables where schemaname = 'public'");
  const there = new Set(found.map(({ name }) => name));
  return layouts.filter(({ table }) => there.has(table));
}

/** SQL tables that say how the others stand and keep nothing of anybody's. */
export const asides: readonly string[] = ['migrations'];

/** The name of a file: of a name's rows, and of the next piece of them where they are many. Names come from ids, which may have any sign. */
export function fileName({ folder, part }: Layout, id: string, piece: number): string {
  const name = encodeURIComponent(id);
  return part === undefined ? `${folder}/${name}.json` : `${folder}/${name}/${part}-${piece}.json`;
}

/** The file with the bytes of a row. */
export const bytesName = ({ folder }: Layout, id: string): string => `${folder}/${encodeURIComponent(id)}`;

/** Where a file's rows belong; undefined for what is no file of rows. */
export function layoutOf(name: string): Layout | undefined {
  const [folder = '', id = '', piece] = name.split('/');
  if (!(piece ?? id).endsWith('.json')) return undefined;
  return layouts.find(
    (layout) => layout.folder === folder && (layout.part === undefined ? piece === undefined : piece?.startsWith(`${layout.part}-`) === true),
  );
}
