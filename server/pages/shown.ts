import type { Changed, Edition } from '../../core/documents';
import type { Queries } from '../database/database';
import type { Texts, Wanted } from '../documents/editions';
import type { TableStore } from '../tables/queries';

/** What keeps documents that placements show: what pages ask of it. */
export interface ShownStore {
  /** Refuses `changed-elsewhere` where another revision was seen. */
  readonly seen: (id: string, revision: number | undefined, queries: Queries) => Promise<void>;
  readonly publish: (id: string, queries: Queries) => Promise<Edition>;
  readonly newestNumbers: (ids: readonly string[], queries?: Queries) => Promise<ReadonlyMap<string, number>>;
  readonly changed: (ids: readonly string[]) => Promise<readonly Changed[]>;
  /** Editions as JSON text: of a table, or of what one is worked out from. */
  readonly texts: (wanted: readonly Wanted[]) => Promise<Texts>;
}

export const shownTables = (store: TableStore): ShownStore => ({
  seen: (...on) => store.seen(...on),
  publish: (...on) => store.publish(...on),
  newestNumbers: (...on) => store.editions.newestNumbers(...on),
  changed: (...on) => store.editions.changed(...on),
  texts: (...on) => store.editions.texts(...on),
});
