import type { KeptHouse } from '../../core/documents';
import type { House } from '../../core/house';
import { changesOf } from '../changes/changes';
import type { Database } from '../database/database';
import { Refusal } from '../problems';

interface Row {
  document: House;
  revision: number;
  updated_at: Date;
}
const keptOf = ({ document, revision, updated_at }: Row): KeptHouse => ({ document, revision, updatedAt: new Date(updated_at).toISOString() });

/** The site's house stylesheet. There is always one. */
export class HouseStore {
  constructor(private readonly database: Database) {}

  async get(): Promise<KeptHouse> {
    const [row] = await this.database.query<Row>('select document, revision, updated_at from house');
    if (!row) throw new Error('The site has no house stylesheet');
    return keptOf(row);
  }

  /** Saves over the revision that the caller started from. Refuses `changed-elsewhere`. */
  async save(revision: number, document: House): Promise<KeptHouse> {
    const [row] = await this.database.query<Row>(
      'update house set document = $2, revision = revision + 1, updated_at = now() where revision = $1 returning document, revision, updated_at',
      [revision, JSON.stringify(document)],
    );
    if (!row) {
      const current = await this.get();
      throw new Refusal('changed-elsewhere', 'The house stylesheet was changed in another window in the meantime.', { current });
    }
    changesOf(this.database).say({ kind: 'house', id: '', what: 'published' });
    return keptOf(row);
  }
}
