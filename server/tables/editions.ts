import type { Changed, Edition } from '../../core/documents';
import type { Table } from '../../core/table';
import { changesOf } from '../changes/changes';
import type { Database, Queries } from '../database/database';
import { editionOf, keyOf, textsOf, type Numbered, type Texts, type Wanted } from '../documents/editions';

/** A table's rows as they stand, as one value. */
const rowsNow = `(select coalesce(jsonb_agg(cells order by place), '[]')::text from table_rows where table_id = t.id)`;
const idOfRows = (rows: string): string => `encode(sha256(convert_to(${rows}, 'UTF8')), 'hex')`;

/**
 * Editions of tables: the table without its rows, and which set its rows are. A set of rows is kept once, named by what it holds,
 * so that an edition with the same rows copies none of them.
 */
export class TableEditions {
  constructor(private readonly database: Database) {}

  /** All editions of a table, newest first. */
  async all(id: string): Promise<readonly Edition[]> {
    const rows = await this.database.query<Numbered>('select number, published_at from table_editions where table_id = $1 order by number desc', [
      id,
    ]);
    return rows.map(editionOf);
  }

  /** One edition, whole, or undefined. */
  async one(id: string, number: number): Promise<Table | undefined> {
    const [text] = [...(await this.read([{ id, number }])).values()];
    return text === undefined ? undefined : (JSON.parse(text) as Table);
  }

  /**
   * Editions as JSON text, by a table's id and the number at which it is held; one that is gone gives way to the newest, and a table
   * without editions has none. As many queries for one table as for many.
   */
  async texts(wanted: readonly Wanted[]): Promise<Texts> {
    return textsOf(wanted, await this.newestNumbers(wanted.map(({ id }) => id)), (asked) => this.read(asked));
  }

  /** Numbers of the newest editions, of each of these tables that has one. */
  async newestNumbers(ids: readonly string[], queries: Queries = this.database): Promise<ReadonlyMap<string, number>> {
    const rows = await queries.query<{ table_id: string; number: number }>(
      'select table_id, max(number) as number from table_editions where table_id = any($1) group by table_id',
      [ids],
    );
    return new Map(rows.map(({ table_id, number }) => [table_id, number]));
  }

  /** Those of these tables that are no longer as their newest edition has them. */
  async changed(ids: readonly string[]): Promise<readonly Changed[]> {
    const found = await this.database.query<{ id: string; name: string; number: number; revision: number }>(
      `select t.id, t.revision, t.document ->> 'name' as name, e.number from tables t join table_editions e on e.table_id = t.id
       where t.id = any($1) and t.deleted_at is null and e.number = (select max(number) from table_editions where table_id = t.id)
       and (e.document <> t.document or e.rows_id <> coalesce(t.rows_id, ${idOfRows(rowsNow)})) order by t.id`,
      [ids],
    );
    return found.map(({ id, name, number, revision }) => ({ id, name, edition: number, revision }));
  }

  /** The table as it stands becomes its next edition. One that is the same as the newest gets no new one. Undefined where it is gone. */
  async publish(id: string, queries?: Queries): Promise<Edition | undefined> {
    if (!queries) {
      const edition = await this.database.transaction((inside) => this.publish(id, inside));
      if (edition) changesOf(this.database).say({ kind: 'table', id, what: 'published' });
      return edition;
    }
    const rows = await rowSetOf(id, queries);
    if (rows === undefined) return undefined;
    const [same] = await queries.query<Numbered>(
      `select number, published_at from table_editions
       where table_id = $1 and rows_id = $2 and document = (select document from tables where id = $1)
       and number = (select max(number) from table_editions where table_id = $1)`,
      [id, rows],
    );
    if (same) return editionOf(same);
    const [row] = await queries.query<Numbered>(
      `insert into table_editions (table_id, number, document, rows_id)
       select id, coalesce((select max(number) from table_editions where table_id = $1), 0) + 1, document, $2 from tables where id = $1
       returning number, published_at`,
      [id, rows],
    );
    if (!row) throw new Error('The edition did not come back');
    return editionOf(row);
  }

  /** Editions as JSON text by `keyOf`; each set of rows is asked for once. */
  private async read(asked: readonly { readonly id: string; readonly number: number }[]): Promise<ReadonlyMap<string, string>> {
    if (asked.length === 0) return new Map();
    const heads = await this.database.query<{ table_id: string; number: number; json: string; rows_id: string }>(
      `select table_id, number, document::text as json, rows_id from table_editions
       where (table_id, number) in (select * from unnest($1::text[], $2::int[]))`,
      [asked.map(({ id }) => id), asked.map(({ number }) => number)],
    );
    const sets = await this.database.query<{ id: string; json: string }>('select id, rows::text as json from row_sets where id = any($1)', [
      [...new Set(heads.map(({ rows_id }) => rows_id))],
    ]);
    const rows = new Map(sets.map(({ id, json }) => [id, json]));
    return new Map(
      heads.map(({ table_id, number, json, rows_id }) => [
        keyOf(table_id, number),
        `{"rows":${rows.get(rows_id) ?? '[]'}${json === '{}' ? '' : ','}${json.slice(1)}`,
      ]),
    );
  }
}

/** The set that a table's rows are, made where it is not there. Undefined where there is no such table. */
async function rowSetOf(id: string, queries: Queries): Promise<string | undefined> {
  const [known] = await queries.query<{ rows_id: string | null }>('select rows_id from tables where id = $1 and deleted_at is null for update', [id]);
  if (!known || known.rows_id !== null) return known?.rows_id ?? undefined;
  const [made] = await queries.query<{ rows_id: string }>(
    `with now as (select ${rowsNow} as rows from tables t where t.id = $1),
          named as (select ${idOfRows('rows')} as id, rows from now),
          put as (insert into row_sets (id, rows) select id, rows::json from named on conflict (id) do nothing)
     update tables set rows_id = (select id from named) where id = $1 returning rows_id`,
    [id],
  );
  return made?.rows_id;
}
