import { createHash } from 'node:crypto';
import { tableOf, type Row } from '../../core/table';
import type { Dice } from '../../core/tests/random';
import { documentKinds, kindNames, type KindName } from '../../core/documents';
import { createStores } from '../../server/app';
import type { Database } from '../../server/database/database';

/** What was acknowledged of one document. */
interface Acknowledged {
  readonly kind: KindName;
  readonly id: string;
  readonly revision: number;
  readonly hash: string;
  readonly isDeleted: boolean;
  readonly editions: number;
}

/** All that was acknowledged, by the document. A new map for each answer: what a moment saw stays as it was. */
export type Truth = ReadonlyMap<string, Acknowledged>;

const hashOf = (document: unknown): string => createHash('sha256').update(sorted(document)).digest('hex');
/** JSON with its names in order, since the database keeps them in another. */
const sorted = (value: unknown): string =>
  JSON.stringify(value, (_, each: unknown) =>
    typeof each === 'object' && each !== null && !Array.isArray(each)
      ? Object.fromEntries(Object.entries(each).sort(([a], [b]) => (a < b ? -1 : 1)))
      : each,
  );

/** Everything that a database holds, as if it had just been acknowledged. */
export async function truthOf(database: Database): Promise<Truth> {
  const stores = createStores(database);
  const found = new Map<string, Acknowledged>();
  for (const kind of kindNames)
    for (const { id, revision, document } of await stores[kind].list())
      found.set(`${kind} ${id}`, { kind, id, revision, hash: hashOf(document), isDeleted: false, editions: await editionsOf(database, kind, id) });
  return found;
}

/** How many editions a document has. The names of the tables are ours. */
async function editionsOf(database: Database, kind: KindName, id: string): Promise<number> {
  const word = documentKinds[kind].word;
  const [found] = await database.query<{ count: number }>(`select count(*)::int as count from ${word}_editions where ${word}_id = $1`, [id]);
  return found?.count ?? 0;
}

/** Mixed work on a server's stores, one thing after the other; what is answered goes into `truth`. */
export class Work {
  constructor(
    private readonly database: Database,
    private readonly dice: Dice,
    public truth: Truth,
  ) {}

  /** One thing of those that a person does. */
  async one(): Promise<void> {
    const stores = createStores(this.database);
    const alive = [...this.truth.values()].filter(({ isDeleted }) => !isDeleted);
    const dead = [...this.truth.values()].filter(({ isDeleted }) => isDeleted);
    const chosen = this.dice.pick(alive);
    switch (this.dice.pick(['save', 'save', 'save', 'make', 'upload', 'publish', 'delete', 'restore'] as const)) {
      case 'save': {
        const kept = await stores[chosen.kind].get(chosen.id);
        const named = { ...kept.document, name: `Called ${this.dice.whole(1, 1_000_000)}` };
        // Each store takes its own kind of document, which this is.
        const saved = await (
          stores[chosen.kind] as { save: (id: string, revision: number, document: unknown) => Promise<{ revision: number }> }
        ).save(chosen.id, kept.revision, named);
        return this.learn({ ...chosen, revision: saved.revision, hash: hashOf(named) });
      }
      case 'make': {
        const document = tableOf(`Made ${this.dice.whole(1, 1_000_000)}`, this.rows(this.dice.whole(2, 60)));
        const made = await stores.tables.create(document);
        return this.learn({ kind: 'tables', id: made.id, revision: made.revision, hash: hashOf(document), isDeleted: false, editions: 0 });
      }
      case 'upload': {
        const id = `up-${this.dice.whole(1, 1_000_000_000)}`;
        const rows = this.rows(this.dice.whole(500, 3000));
        for (let from = 0; from < rows.length; from += 1000) await stores.tables.upload(id, rows.slice(from, from + 1000));
        const { rows: _rows, ...head } = tableOf('Sent in pieces', rows);
        const made = await stores.tables.createFrom(id, head);
        return this.learn({ kind: 'tables', id, revision: made.revision, hash: hashOf({ ...head, rows }), isDeleted: false, editions: 0 });
      }
      case 'publish': {
        if (chosen.kind === 'pricings') await stores.pages.publishFor({ kind: 'pricing', id: chosen.id }, []);
        else await stores[chosen.kind].publish(chosen.id);
        return this.learn({ ...chosen, editions: await editionsOf(this.database, chosen.kind, chosen.id) });
      }
      case 'delete': {
        if (alive.length < 6) return;
        await stores[chosen.kind].delete(chosen.id);
        return this.learn({ ...chosen, isDeleted: true });
      }
      case 'restore': {
        const back = dead[0];
        if (!back) return;
        await stores[back.kind].restore(back.id);
        return this.learn({ ...back, isDeleted: false });
      }
    }
  }

  private rows(count: number): readonly Row[] {
    return Array.from({ length: count }, (_, i) => [`Berth ${i}`, String(this.dice.whole(1, 9999)), 'open']);
  }

  private learn(known: Acknowledged): void {
    this.truth = new Map(this.truth).set(`${known.kind} ${known.id}`, known);
  }
}

/**
 * What of that which was acknowledged is not there. What was under way when the power went may have been done or not: of one
 * document more may be there than was answered, never less.
 */
export async function lostOf(truth: Truth, database: Database): Promise<readonly string[]> {
  const stores = createStores(database);
  const lost: string[] = [];
  let ahead = 0;
  for (const { kind, id, revision, hash, isDeleted, editions } of truth.values()) {
    const kept = await stores[kind].get(id).catch(() => undefined);
    if ((kept === undefined) !== isDeleted) {
      if (++ahead > 1) lost.push(`${kind} ${id} is ${isDeleted ? 'back' : 'gone'}`);
      else if (!isDeleted && !(await isKeptAsDeleted(database, kind, id))) lost.push(`${kind} ${id} is not there`);
      continue;
    }
    if (!kept) continue;
    if (kept.revision < revision) lost.push(`${kind} ${id} is at revision ${kept.revision}, not ${revision}`);
    else if (kept.revision === revision && hashOf(kept.document) !== hash) lost.push(`${kind} ${id} holds something else`);
    else if (kept.revision > revision && (kept.revision > revision + 1 || ++ahead > 1)) lost.push(`${kind} ${id} has changed`);
    const published = await editionsOf(database, kind, id);
    if (published < editions) lost.push(`${kind} ${id} has ${published} editions, not ${editions}`);
  }
  return lost;
}

const isKeptAsDeleted = async (database: Database, kind: KindName, id: string): Promise<boolean> =>
  (await database.query(`select 1 from ${kind} where id = $1 and deleted_at is not null`, [id])).length > 0;
