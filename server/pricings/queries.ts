import { documentKinds, type Changed, type Edition } from '../../core/documents';
import type { Pricing } from '../../core/pricing';
import type { Database, Queries } from '../database/database';
import { editionOf, keyOf, textsOf, type Numbered, type Texts, type Wanted } from '../documents/editions';
import { DocumentStore } from '../documents/store';
import type { ShownStore } from '../pages/shown';

/** Pricing tables and their editions. */
export class PricingStore extends DocumentStore<Pricing> implements ShownStore {
  constructor(database: Database) {
    super(database, { kind: documentKinds.pricings });
  }

  /** All editions of a pricing table, newest first. */
  async editions(id: string): Promise<readonly Edition[]> {
    const found = await this.database.query<Numbered>(
      'select number, published_at from pricing_editions where pricing_id = $1 order by number desc',
      [id],
    );
    return found.map(editionOf);
  }

  /** The pricing table as it was in an edition, or undefined. */
  async edition(id: string, number: number): Promise<Pricing | undefined> {
    const [found] = await this.database.query<{ document: Pricing }>('select document from pricing_editions where pricing_id = $1 and number = $2', [
      id,
      number,
    ]);
    return found?.document;
  }

  /** The pricing table as it stands becomes its next edition. One that is the same as the newest gets no new one. Refuses `not-found`. */
  async publish(id: string, queries: Queries): Promise<Edition> {
    const [locked] = await queries.query('select 1 from pricings where id = $1 and deleted_at is null for update', [id]);
    if (!locked) throw this.missing(id);
    const [same] = await queries.query<Numbered>(
      `select e.number, e.published_at from pricing_editions e join pricings p on p.id = e.pricing_id
       where p.id = $1 and e.document = p.document and e.number = (select max(number) from pricing_editions where pricing_id = $1)`,
      [id],
    );
    if (same) return editionOf(same);
    const [made] = await queries.query<Numbered>(
      `insert into pricing_editions (pricing_id, number, document)
       select id, coalesce((select max(number) from pricing_editions where pricing_id = $1), 0) + 1, document from pricings where id = $1
       returning number, published_at`,
      [id],
    );
    if (!made) throw new Error('The edition did not come back');
    return editionOf(made);
  }

  /** Numbers of the newest editions, of each of these that has one. */
  async newestNumbers(ids: readonly string[], queries: Queries = this.database): Promise<ReadonlyMap<string, number>> {
    const rows = await queries.query<{ id: string; number: number }>(
      'select pricing_id as id, max(number) as number from pricing_editions where pricing_id = any($1) group by pricing_id',
      [ids],
    );
    return new Map(rows.map(({ id, number }) => [id, number]));
  }

  /** Those of these that are no longer as their newest edition has them. */
  changed(ids: readonly string[]): Promise<readonly Changed[]> {
    return this.database.query<Changed>(
      `select p.id, p.revision, p.document ->> 'name' as name, e.number as edition from pricings p join pricing_editions e on e.pricing_id = p.id
       where p.id = any($1) and p.deleted_at is null and e.document <> p.document
       and e.number = (select max(number) from pricing_editions where pricing_id = p.id) order by p.id`,
      [ids],
    );
  }

  /** Editions as they are: what a placement shows of one, its comparison or its cards, is worked out where the page is compiled. */
  async texts(wanted: readonly Wanted[]): Promise<Texts> {
    return textsOf(wanted, await this.newestNumbers(wanted.map(({ id }) => id)), async (asked) => {
      if (asked.length === 0) return new Map();
      const rows = await this.database.query<{ pricing_id: string; number: number; document: Pricing }>(
        `select pricing_id, number, document from pricing_editions
         where (pricing_id, number) in (select * from unnest($1::text[], $2::int[]))`,
        [asked.map(({ id }) => id), asked.map(({ number }) => number)],
      );
      return new Map(rows.map(({ pricing_id, number, document }) => [keyOf(pricing_id, number), JSON.stringify(document)]));
    });
  }
}
