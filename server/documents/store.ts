import { randomUUID } from 'node:crypto';
import { changesOf } from '../changes/changes';
import { Refusal } from '../problems';
import type { DocumentKind, Kept } from '../../core/documents';
import type { Database, Queries } from '../database/database';

interface Row<T> {
  id: string;
  document: T;
  revision: number;
  updated_at: Date | string;
}

const columns = 'id, document, revision, updated_at';
export const keptOf = <T>(row: Row<T>): Kept<T> => ({
  id: row.id,
  document: row.document,
  revision: row.revision,
  updatedAt: new Date(row.updated_at).toISOString(),
});

export interface StoreOptions<T> {
  /** The kind: its documents lie in the SQL table of its name, which has the columns of 001-documents.sql. */
  readonly kind: DocumentKind<T>;
  /** Further columns for a new row, with their values. */
  readonly extra?: (queries: Queries, document: T) => Promise<Readonly<Record<string, string>>>;
  /** Refuses what cannot be kept beside what is there; `id` is undefined for a new one. Asked in the transaction that keeps it. */
  readonly check?: (queries: Queries, id: string | undefined, document: T) => Promise<void>;
}

/** Documents of one kind: read, made, saved under If-Match, deleted and brought back. */
export class DocumentStore<T extends { readonly name: string }> {
  constructor(
    readonly database: Database,
    private readonly options: StoreOptions<T>,
  ) {}

  get kind(): DocumentKind<T> {
    return this.options.kind;
  }

  /** All that are not deleted, last changed first. */
  async list(): Promise<readonly Kept<T>[]> {
    return (
      await this.database.query<Row<T>>(`select ${columns} from ${this.options.kind.words} where deleted_at is null order by updated_at desc, id`)
    ).map((row) => keptOf(row));
  }

  /** The document of an id. Refuses `not-found`. */
  async get(id: string, queries: Queries = this.database): Promise<Kept<T>> {
    const [row] = await queries.query<Row<T>>(`select ${columns} from ${this.options.kind.words} where id = $1 and deleted_at is null`, [id]);
    if (!row) throw this.missing(id);
    return keptOf(row);
  }

  async create(document: T, id: string = randomUUID()): Promise<Kept<T>> {
    return this.database.transaction(async (queries) => {
      await this.options.check?.(queries, undefined, document);
      const extra = Object.entries((await this.options.extra?.(queries, document)) ?? {});
      const names = ['id', 'document', ...extra.map(([name]) => name)];
      const marks = names.map((_, i) => `$${i + 1}`).join(', ');
      const [row] = await queries.query<Row<T>>(
        `insert into ${this.options.kind.words} (${names.join(', ')}) values (${marks}) returning ${columns}`,
        [id, JSON.stringify(document), ...extra.map(([, value]) => value)],
      );
      if (!row) throw new Error('The new row did not come back');
      return keptOf(row);
    });
  }

  /** Saves over the revision that the caller started from. Refuses `changed-elsewhere` with the document as it stands. */
  async save(id: string, revision: number, document: T): Promise<Kept<T>> {
    const kept = await this.database.transaction(async (queries) => {
      await this.options.check?.(queries, id, document);
      const [row] = await queries.query<Row<T>>(
        `update ${this.options.kind.words} set document = $3, revision = revision + 1, updated_at = now()
         where id = $1 and revision = $2 and deleted_at is null returning ${columns}`,
        [id, revision, JSON.stringify(document)],
      );
      if (row) return keptOf(row);
      const current = await this.get(id, queries);
      throw new Refusal('changed-elsewhere', `“${current.document.name}” was saved in another window in the meantime.`, { current });
    });
    this.saySaved(kept);
    return kept;
  }

  async delete(id: string): Promise<void> {
    const gone = await this.database.query(
      `update ${this.options.kind.words} set deleted_at = now() where id = $1 and deleted_at is null returning id`,
      [id],
    );
    if (gone.length === 0) throw this.missing(id);
    changesOf(this.database).say({ kind: this.options.kind.word, id, what: 'deleted' });
  }

  /** Brings a deleted document back as it was. */
  async restore(id: string): Promise<Kept<T>> {
    await this.database.query(`update ${this.options.kind.words} set deleted_at = null where id = $1`, [id]);
    const kept = await this.get(id);
    this.saySaved(kept);
    return kept;
  }

  /** Tells windows that show it that it is not as it was. */
  protected saySaved({ id, revision }: { readonly id: string; readonly revision: number }): void {
    changesOf(this.database).say({ kind: this.options.kind.word, id, what: 'saved', revision });
  }

  /** Refuses where something newer was kept than the caller has seen: what is published is what one saw. */
  async seen(id: string, revision: number | undefined, queries: Queries): Promise<void> {
    if (revision === undefined) return;
    const [row] = await queries.query<{ name: string; revision: number }>(
      `select document ->> 'name' as name, revision from ${this.options.kind.words} where id = $1 and deleted_at is null`,
      [id],
    );
    if (row && row.revision !== revision)
      throw new Refusal('changed-elsewhere', `“${row.name}” was changed in another window in the meantime. See it as it is now, then publish.`);
  }

  protected missing(id: string): Refusal {
    return new Refusal('not-found', `There is no ${this.options.kind.word} with the id ${id.slice(0, 60)}.`);
  }
}
