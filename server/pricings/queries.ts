import { documentKinds, type Edition } from '../../core/documents';
import type { Pricing } from '../../core/pricing';
import { changesOf } from '../changes/changes';
import type { Database } from '../database/database';
import { DocumentStore } from '../documents/store';

interface Numbered {
  readonly number: number;
  readonly published_at: Date | string;
}
const editionOf = ({ number, published_at }: Numbered): Edition => ({ number, publishedAt: new Date(published_at).toISOString() });

/** Pricing tables and their editions. */
export class PricingStore extends DocumentStore<Pricing> {
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

  /**
   * The pricing table as it stands becomes its next edition. One that is the same as the newest gets no new one. Refuses `not-found`
   * and, where another revision was seen, `changed-elsewhere`.
   */
  async publish(id: string, seen?: number): Promise<Edition> {
    const edition = await this.database.transaction(async (queries) => {
      const [locked] = await queries.query('select 1 from pricings where id = $1 and deleted_at is null for update', [id]);
      if (!locked) throw this.missing(id);
      await this.seen(id, seen, queries);
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
    });
    changesOf(this.database).say({ kind: 'pricing', id, what: 'published' });
    return edition;
  }
}
