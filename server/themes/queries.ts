import { keyFrom, withoutOrder, type Theme } from '../../core/theme';
import { documentKinds, type Changed, type Edition, type EditionRef, type Kept, type ThemeEdition } from '../../core/documents';
import { changesOf } from '../changes/changes';
import type { Database, Queries } from '../database/database';
import { DocumentStore } from '../documents/store';
import { Refusal } from '../problems';
import { carry, chainsOf, documentsAt, insertEdition, newestOf, standing, type Carried, type Chain, type EditionRow } from './editions';
import { checkGrowing, draftChain, grownFromIt } from './growing';

/** A theme as pages use it: the key that names its class, and its newest edition with all that it stands on. */
export interface PublishedTheme {
  readonly id: string;
  readonly key: string;
  readonly chain: Chain;
}
/** What publishing a theme did: its edition, and every theme that got one with it. */
export type ThemePublished = Edition & { readonly carried: readonly Carried[] };

export class ThemeStore extends DocumentStore<Theme> {
  constructor(database: Database) {
    super(database, {
      kind: documentKinds.themes,
      extra: async (queries, theme) => {
        const taken = new Set((await queries.query<{ key: string }>('select key from themes')).map(({ key }) => key));
        return { key: keyFrom(theme.name, (key) => taken.has(key)) };
      },
      check: checkGrowing,
    });
  }

  /** Keys by id, of deleted themes too: their class stays theirs. */
  async keys(): Promise<ReadonlyMap<string, string>> {
    return new Map((await this.database.query<{ id: string; key: string }>('select id, key from themes')).map(({ id, key }) => [id, key]));
  }

  /** A theme's editions, the newest first, each with what it stands on by its name. */
  async editions(id: string): Promise<readonly ThemeEdition[]> {
    const rows = await this.database.query<{ number: number; published_at: Date; stands_on: readonly EditionRef[] }>(
      'select number, published_at, stands_on from theme_editions where theme_id = $1 order by number desc',
      [id],
    );
    const named = await this.database.query<{ id: string; name: string }>(`select id, document ->> 'name' as name from themes where id = any($1)`, [
      rows.flatMap(({ stands_on }) => stands_on.map((each) => each.id)),
    ]);
    const names = new Map(named.map((each) => [each.id, each.name]));
    return rows.map(({ number, published_at, stands_on }) => ({
      number,
      publishedAt: new Date(published_at).toISOString(),
      standsOn: stands_on.map((each) => ({ ...each, name: names.get(each.id) ?? each.id })),
    }));
  }

  /** One edition with all that it stands on, or undefined. */
  async edition(id: string, number: number): Promise<Chain | undefined> {
    return (await this.editionsAt([{ id, number }])).get(`${id}@${number}`);
  }

  /** Some editions, by id and number as in `ID@NUMBER`; those that are there. */
  async editionsAt(wanted: readonly EditionRef[]): Promise<ReadonlyMap<string, Chain>> {
    const found = [...(await documentsAt(this.database, wanted))];
    const chains = await chainsOf(
      this.database,
      found.map(([, row]) => row),
    );
    return new Map(found.flatMap(([key], i) => (chains[i] ? [[key, chains[i]] as const] : [])));
  }

  /** A theme as it is in the tool, with what it grows from. Refuses `not-found`. */
  async draft(id: string): Promise<Kept<Theme> & { readonly chain: Chain }> {
    const kept = await this.get(id);
    return { ...kept, chain: await draftChain(this.database, kept.document) };
  }

  /** Number of the newest edition of each theme that has one. */
  async newestNumbers(queries: Queries = this.database): Promise<ReadonlyMap<string, number>> {
    const rows = await queries.query<{ theme_id: string; number: number }>(
      'select theme_id, max(number) as number from theme_editions group by theme_id',
    );
    return new Map(rows.map(({ theme_id, number }) => [theme_id, number]));
  }

  /** Those of these themes, and of what they grow from, that are no longer as their newest edition has them. */
  async changed(ids: readonly string[]): Promise<readonly Changed[]> {
    const all = await this.database.query<{ id: string }>(
      `with recursive family (id) as (
         select id from themes where id = any($1)
         union select t.document -> 'base' ->> 'theme' from themes t join family f on f.id = t.id where t.document -> 'base' ->> 'theme' is not null
       ) select id from family`,
      [ids],
    );
    const found = await this.database.query<{ id: string; name: string; number: number; revision: number }>(
      `select t.id, t.revision, t.document ->> 'name' as name, e.number from themes t join theme_editions e on e.theme_id = t.id
       where t.id = any($1) and t.deleted_at is null and e.document <> t.document - 'collection' - 'tags' - 'extensions' - 'apart'
       and e.number = (select max(number) from theme_editions where theme_id = t.id) order by t.id`,
      [all.map(({ id }) => id)],
    );
    return found.map(({ id, name, number, revision }) => ({ id, name, edition: number, revision }));
  }

  /** Ids of the published themes that stand on one, as they were last published. */
  async standingOn(id: string, queries: Queries = this.database): Promise<readonly string[]> {
    const rows = await queries.query<{ theme_id: string }>(
      `select theme_id from (select distinct on (theme_id) theme_id, stands_on from theme_editions order by theme_id, number desc) newest
       where stands_on @> $1::jsonb order by theme_id`,
      [JSON.stringify([{ id }])],
    );
    return rows.map(({ theme_id }) => theme_id);
  }

  /**
   * The document as it stands becomes the next edition, on the newest edition of what it grows from; what stands on it gets another
   * edition with it. A theme that is the same as its newest edition, on the same, gets no new one.
   */
  async publish(id: string, queries?: Queries): Promise<ThemePublished> {
    if (!queries) {
      const done = await this.database.transaction((inside) => this.publish(id, inside));
      this.sayPublished(id, done);
      return done;
    }
    const document = withoutOrder((await this.get(id, queries)).document);
    const first: Carried[] = [];
    const standsOn = await standing(queries, id, document.base, async (below) => {
      const { number, carried } = await this.publish(below, queries);
      first.push(...carried, { id: below, before: undefined, number });
    });
    const [same] = await queries.query<{ number: number; published_at: Date }>(
      `select number, published_at from theme_editions where theme_id = $1 and document = $2::jsonb and stands_on = $3::jsonb
       and number = (select max(number) from theme_editions where theme_id = $1)`,
      [id, JSON.stringify(document), JSON.stringify(standsOn)],
    );
    if (same) return { number: same.number, publishedAt: new Date(same.published_at).toISOString(), carried: first };
    const [newest] = await newestOf(queries, [id]);
    const row = await insertEdition(queries, id, (newest?.number ?? 0) + 1, document, standsOn);
    const carried = await carry(queries, { id, number: row.number });
    return { number: row.number, publishedAt: new Date(row.published_at).toISOString(), carried: [...first, ...carried] };
  }

  /** Tells windows, and what keeps live pages, of a theme that was published and of those that got an edition with it. */
  sayPublished(id: string, { carried }: Pick<ThemePublished, 'carried'>): void {
    for (const each of [id, ...carried.map((other) => other.id)]) changesOf(this.database).say({ kind: 'theme', id: each, what: 'published' });
  }

  /** The newest edition of each of these themes that has one, with all that it stands on. */
  async newest(ids: readonly string[]): Promise<readonly PublishedTheme[]> {
    const rows = await this.database.query<EditionRow & { key: string }>(
      `select distinct on (e.theme_id) e.theme_id, e.number, e.document, e.stands_on, t.key from theme_editions e join themes t on t.id = e.theme_id
       where e.theme_id = any($1) order by e.theme_id, e.number desc`,
      [ids],
    );
    const chains = await chainsOf(this.database, rows);
    return rows.flatMap(({ theme_id, key }, i) => (chains[i] ? [{ id: theme_id, key, chain: chains[i] }] : []));
  }

  /** Refuses one that others grow from: they would lose what it says. */
  override async delete(id: string): Promise<void> {
    const grown = await grownFromIt(this.database, id);
    if (grown.length > 0) {
      const names = grown.slice(0, 5).map((name) => `“${name}”`);
      const rest = grown.length > names.length ? ` and ${grown.length - names.length} more` : '';
      throw new Refusal(
        'grown-from',
        `${names.join(', ')}${rest} ${grown.length === 1 ? 'grows' : 'grow'} from it. Detach ${grown.length === 1 ? 'it' : 'them'} in the studio first, or let ${grown.length === 1 ? 'it' : 'them'} grow from another.`,
      );
    }
    await super.delete(id);
  }

  /** Brings a deleted theme back. Refuses where what it grows from lies deleted too. */
  override async restore(id: string): Promise<Kept<Theme>> {
    const [lying] = await this.database.query<{ name: string; base: string }>(
      `select t.document ->> 'name' as name, b.document ->> 'name' as base from themes t join themes b on b.id = t.document -> 'base' ->> 'theme'
       where t.id = $1 and b.deleted_at is not null`,
      [id],
    );
    if (lying) throw new Refusal('base-gone', `“${lying.name}” grows from “${lying.base}”, which was deleted too. Bring “${lying.base}” back first.`);
    return super.restore(id);
  }
}
