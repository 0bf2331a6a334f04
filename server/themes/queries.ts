import { keyFrom, type Theme } from '../../core/theme';
import { documentKinds, type Changed, type Edition } from '../../core/documents';
import { changesOf } from '../changes/changes';
import type { Database, Queries } from '../database/database';
import { DocumentStore } from '../documents/store';

/** A theme as pages use it: the key that names its class, and its newest edition. */
export interface PublishedTheme {
  readonly id: string;
  readonly key: string;
  readonly theme: Theme;
}

export class ThemeStore extends DocumentStore<Theme> {
  constructor(database: Database) {
    super(database, {
      kind: documentKinds.themes,
      extra: async (queries, theme) => {
        const taken = new Set((await queries.query<{ key: string }>('select key from themes')).map(({ key }) => key));
        return { key: keyFrom(theme.name, (key) => taken.has(key)) };
      },
    });
  }

  /** Keys by id, of deleted themes too: their class stays theirs. */
  async keys(): Promise<ReadonlyMap<string, string>> {
    return new Map((await this.database.query<{ id: string; key: string }>('select id, key from themes')).map(({ id, key }) => [id, key]));
  }

  async editions(id: string): Promise<readonly Edition[]> {
    const rows = await this.database.query<{ number: number; published_at: Date }>(
      'select number, published_at from theme_editions where theme_id = $1 order by number desc',
      [id],
    );
    return rows.map(({ number, published_at }) => ({ number, publishedAt: new Date(published_at).toISOString() }));
  }

  /** One edition's document, or undefined. */
  async edition(id: string, number: number): Promise<Theme | undefined> {
    const [row] = await this.database.query<{ document: Theme }>('select document from theme_editions where theme_id = $1 and number = $2', [
      id,
      number,
    ]);
    return row?.document;
  }

  /** Some editions' documents, by id and number as in `ID@NUMBER`; those that are there. One query for all. */
  async editionsAt(wanted: readonly { readonly id: string; readonly number: number }[]): Promise<ReadonlyMap<string, Theme>> {
    if (wanted.length === 0) return new Map();
    const rows = await this.database.query<{ theme_id: string; number: number; document: Theme }>(
      `select theme_id, number, document from theme_editions
       where (theme_id, number) in (select * from unnest($1::text[], $2::int[]))`,
      [wanted.map(({ id }) => id), wanted.map(({ number }) => number)],
    );
    return new Map(rows.map(({ theme_id, number, document }) => [`${theme_id}@${number}`, document]));
  }

  /** Number of the newest edition of each theme that has one. */
  async newestNumbers(queries: Queries = this.database): Promise<ReadonlyMap<string, number>> {
    const rows = await queries.query<{ theme_id: string; number: number }>(
      'select theme_id, max(number) as number from theme_editions group by theme_id',
    );
    return new Map(rows.map(({ theme_id, number }) => [theme_id, number]));
  }

  /** Those of these themes that are no longer as their newest edition has them. */
  async changed(ids: readonly string[]): Promise<readonly Changed[]> {
    const found = await this.database.query<{ id: string; name: string; number: number; revision: number }>(
      `select t.id, t.revision, t.document ->> 'name' as name, e.number from themes t join theme_editions e on e.theme_id = t.id
       where t.id = any($1) and t.deleted_at is null and e.document <> t.document
       and e.number = (select max(number) from theme_editions where theme_id = t.id) order by t.id`,
      [ids],
    );
    return found.map(({ id, name, number, revision }) => ({ id, name, edition: number, revision }));
  }

  /** The document as it stands becomes the next edition. A theme that is the same as its newest edition gets no new one. */
  async publish(id: string, queries?: Queries): Promise<Edition> {
    if (!queries) {
      const edition = await this.database.transaction((inside) => this.publish(id, inside));
      changesOf(this.database).say({ kind: 'theme', id, what: 'published' });
      return edition;
    }
    const { document } = await this.get(id, queries);
    const [same] = await queries.query<{ number: number; published_at: Date }>(
      `select number, published_at from theme_editions where theme_id = $1 and document = $2::jsonb
       and number = (select max(number) from theme_editions where theme_id = $1)`,
      [id, JSON.stringify(document)],
    );
    const [row] = same
      ? [same]
      : await queries.query<{ number: number; published_at: Date }>(
          `insert into theme_editions (theme_id, number, document)
       select $1, coalesce(max(number), 0) + 1, $2::jsonb from theme_editions where theme_id = $1 returning number, published_at`,
          [id, JSON.stringify(document)],
        );
    if (!row) throw new Error('The edition did not come back');
    return { number: row.number, publishedAt: new Date(row.published_at).toISOString() };
  }

  /** The newest edition of each of these themes that has one. */
  async newest(ids: readonly string[]): Promise<readonly PublishedTheme[]> {
    const rows = await this.database.query<{ id: string; key: string; document: Theme }>(
      `select distinct on (e.theme_id) e.theme_id as id, t.key, e.document from theme_editions e join themes t on t.id = e.theme_id
       where e.theme_id = any($1) order by e.theme_id, e.number desc`,
      [ids],
    );
    return rows.map(({ id, key, document }) => ({ id, key, theme: document }));
  }
}
