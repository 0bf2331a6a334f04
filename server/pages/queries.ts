import {
  dressed,
  following,
  heldAt,
  shownKinds,
  siteDress,
  tableRef,
  tablesOn,
  type Along,
  type Page,
  type Published,
  type ShownKind,
} from '../../core/page';
import { own } from '../../core/own';
import type { Table } from '../../core/table';
import { documentKinds, type Edition, type Follower, type Kept, type KindName, type Pending } from '../../core/documents';
import { changesOf } from '../changes/changes';
import { Refusal } from '../problems';
import type { Database, Queries } from '../database/database';
import { DocumentStore } from '../documents/store';
import type { ThemeStore } from '../themes/queries';
import type { ShownStore } from './shown';

export interface LivePage {
  readonly page: Page;
  /** What placements show, as JSON text of a table, by what they name: whoever compiles them reads them. */
  readonly tables: ReadonlyMap<string, string>;
  readonly publishedAt: string;
}

/** What pages follow, by its word, as the kind that it is. */
const kindOf = { theme: 'themes', table: 'tables', pricing: 'pricings' } as const satisfies {
  readonly [word in Published['kind']]: ShownKind | 'themes';
};

export class PageStore extends DocumentStore<Page> {
  constructor(
    database: Database,
    private readonly themes: ThemeStore,
    private readonly shown: { readonly [kind in ShownKind]: ShownStore },
  ) {
    super(database, { kind: documentKinds.pages });
  }

  private storeOf(kind: Published['kind']): Pick<ShownStore, 'seen'> {
    return kind === 'theme' ? this.themes : this.shown[kindOf[kind]];
  }

  /** Refuses an address that another page has. */
  async admit(id: string | undefined, { slug }: Page): Promise<void> {
    const [other] = await this.database.query<{ name: string }>(
      `select document ->> 'name' as name from pages where document ->> 'slug' = $1 and deleted_at is null and id <> $2`,
      [slug, id ?? ''],
    );
    if (other) throw new Refusal('address-taken', `“${other.name}” has the address ${slug} already. Choose another.`);
  }

  override create(page: Page, id?: string): Promise<Kept<Page>> {
    return this.atFreeAddress(page.slug, super.create(page, id));
  }
  override save(id: string, revision: number, page: Page): Promise<Kept<Page>> {
    return this.atFreeAddress(page.slug, super.save(id, revision, page));
  }
  /** Brings a deleted page back. Refuses `address-taken` where another page has its address by now. */
  override async restore(id: string): Promise<Kept<Page>> {
    const [lying] = await this.database.query<{ slug: string }>(`select document ->> 'slug' as slug from pages where id = $1`, [id]);
    return this.atFreeAddress(lying?.slug ?? '', super.restore(id));
  }

  /** The database has the last word on addresses (017-addresses): two that ask at once are not told apart by asking before. */
  private async atFreeAddress<T>(slug: string, work: Promise<T>): Promise<T> {
    try {
      return await work;
    } catch (error) {
      if ((error as { constraint?: unknown }).constraint !== 'pages_address') throw error;
      throw new Refusal('address-taken', `Another page has the address ${slug}. Give one of the two another address first.`);
    }
  }

  /** Numbers and addresses of the pages that are live, by page id. */
  async live(): Promise<ReadonlyMap<string, { slug: string; number: number; publishedAt: string }>> {
    const rows = await this.database.query<{ page_id: string; slug: string; number: number; published_at: Date }>(
      'select l.page_id, l.slug, l.number, e.published_at from live_pages l join page_editions e on e.page_id = l.page_id and e.number = l.number',
    );
    return new Map(
      rows.map(({ page_id, slug, number, published_at }) => [page_id, { slug, number, publishedAt: new Date(published_at).toISOString() }]),
    );
  }

  /**
   * The page as it stands becomes its next edition and goes live at its address; some of what it follows is published with it.
   * What it shows, or a theme, that never was gets its first edition, since nothing else could be followed. What is gone is left out.
   */
  async publish(id: string, along: readonly Along[] = [], seen?: number): Promise<Edition & { readonly slug: string }> {
    const edition = await this.database.transaction(async (queries) => {
      await this.seen(id, seen, queries);
      for (const each of along) await this.storeOf(each.kind).seen(each.id, each.revision, queries);
      const { document } = await this.get(id, queries);
      const named = documentKinds.pages.follows(document);
      /** Those of a kind that the page is made of and that are there. */
      const ids = async (kind: ShownKind | 'themes'): Promise<readonly string[]> => {
        const wanted = named.filter((ref) => ref.kind === kind).map((ref) => ref.id);
        return (await queries.query<{ id: string }>(`select id from ${kind} where id = any($1) and deleted_at is null`, [wanted])).map(
          (row) => row.id,
        );
      };
      const isAlong = (kind: KindName, each: string): boolean => along.some((other) => kindOf[other.kind] === kind && other.id === each);
      for (const kind of shownKinds) {
        const [store, shown] = [this.shown[kind], await ids(kind)];
        const known = await store.newestNumbers(shown, queries);
        for (const each of shown) if (!known.has(each) || isAlong(kind, each)) await store.publish(each, queries);
      }
      const published = await this.themes.newestNumbers(queries);
      for (const theme of await ids('themes')) if (!published.has(theme) || isAlong('themes', theme)) await this.themes.publish(theme, queries);
      const [holder] = await queries.query<{ page_id: string }>('select page_id from live_pages where slug = $1 and page_id <> $2', [
        document.slug,
        id,
      ]);
      if (holder) throw new Refusal('address-taken', `Another live page has the address ${document.slug}. Choose another, or take that page down.`);
      return { ...((await this.alreadyLive(id, document, queries)) ?? (await this.goLive(id, document, queries))), slug: document.slug };
    });
    changesOf(this.database).say({ kind: 'page', id, what: 'published' });
    return edition;
  }

  /** The edition that is live, if it is this very page: whoever publishes the same a second time makes no other. */
  private async alreadyLive(id: string, document: Page, queries: Queries): Promise<Edition | undefined> {
    const [row] = await queries.query<{ number: number; published_at: Date }>(
      `select e.number, e.published_at from live_pages l join page_editions e on e.page_id = l.page_id and e.number = l.number
       where l.page_id = $1 and e.document = $2::jsonb`,
      [id, JSON.stringify(document)],
    );
    return row && { number: row.number, publishedAt: new Date(row.published_at).toISOString() };
  }

  /** Adds an edition of a page and puts it at its address. */
  private async goLive(id: string, document: Page, queries: Queries): Promise<Edition> {
    const [row] = await queries.query<{ number: number; published_at: Date }>(
      `insert into page_editions (page_id, number, document, tables)
       select $1, coalesce(max(number), 0) + 1, $2::jsonb, '{}' from page_editions where page_id = $1 returning number, published_at`,
      [id, JSON.stringify(document)],
    );
    if (!row) throw new Error('The edition did not come back');
    await queries.query('delete from live_pages where page_id = $1', [id]);
    await queries.query('insert into live_pages (slug, page_id, number) values ($1, $2, $3)', [document.slug, id, row.number]);
    return { number: row.number, publishedAt: new Date(row.published_at).toISOString() };
  }

  /** Live pages of which some placements follow a theme, or one that stands on it, or what they show. */
  async followers(published: Published, queries: Queries = this.database): Promise<readonly Follower[]> {
    const live = await this.liveOnes(queries);
    const site = siteDress(live.map(({ page }) => page));
    const grown = published.kind === 'theme' ? await this.themes.standingOn(published.id, queries) : [];
    const all = { ...published, with: new Set(grown) };
    return live.flatMap(({ id, page }) => {
      const blocks = following(page, all, site);
      return blocks.length === 0 ? [] : [{ id, name: page.name, slug: page.slug, blocks }];
    });
  }

  /**
   * Publishes a theme, a table or a pricing table in one transaction, and holds some of the pages that follow it, or a theme that stands on it, at the
   * edition that they have now: live, and as they stand in the tool. Where there was none yet, there is nothing to stay at.
   */
  async publishFor(published: Published, hold: readonly string[], seen?: number): Promise<Edition> {
    const held: Kept<Page>[] = [];
    const { made, carried } = await this.database.transaction(async (queries) => {
      const { kind, id } = published;
      await this.storeOf(kind).seen(id, seen, queries);
      const newest = kind === 'theme' ? await this.themes.newestNumbers(queries) : await this.shown[kindOf[kind]].newestNumbers([id], queries);
      const { carried, ...made } =
        kind === 'theme' ? await this.themes.publish(id, queries) : { carried: [], ...(await this.shown[kindOf[kind]].publish(id, queries)) };
      const stays = [{ kind, id, before: newest.get(id), number: made.number }, ...carried.map((each) => ({ kind, ...each }))].flatMap(
        ({ before, number, ...each }) => (before === undefined || before === number ? [] : [{ published: each, number: before }]),
      );
      if (stays.length > 0)
        for (const page of await this.liveOnes(queries)) if (hold.includes(page.id)) held.push(await this.hold(page, stays, queries));
      return { made, carried };
    });
    if (published.kind === 'theme') this.themes.sayPublished(published.id, { carried });
    else changesOf(this.database).say({ ...published, what: 'published' });
    for (const page of held) {
      changesOf(this.database).say({ kind: 'page', id: page.id, what: 'published' });
      this.saySaved(page);
    }
    return made;
  }

  private async hold(
    { id, page }: { readonly id: string; readonly page: Page },
    stays: readonly { readonly published: Published; readonly number: number }[],
    queries: Queries,
  ): Promise<Kept<Page>> {
    const site = siteDress((await this.liveOnes(queries)).map((each) => each.page));
    const held = (as: Page): Page => stays.reduce((each, { published, number }) => heldAt(each, published, number, site), as);
    await this.goLive(id, held(page), queries);
    const { document } = await this.get(id, queries);
    await queries.query('update pages set document = $2, revision = revision + 1, updated_at = now() where id = $1', [
      id,
      JSON.stringify(held(document)),
    ]);
    return this.get(id, queries);
  }

  /** What a page follows that has changed since its newest edition, and on how many other live pages that would be seen. */
  async pending(id: string): Promise<readonly Pending[]> {
    const { document } = await this.get(id);
    const live = await this.liveOnes(this.database);
    const named = documentKinds.pages.follows(dressed(document, siteDress(live.map(({ page }) => page))));
    const following = (kind: KindName): readonly string[] => named.filter((ref) => ref.kind === kind && ref.held === undefined).map(({ id }) => id);
    const all = [
      ...(await this.shown.tables.changed(following('tables'))).map((each) => ({ kind: 'table' as const, ...each })),
      ...(await this.shown.pricings.changed(following('pricings'))).map((each) => ({ kind: 'pricing' as const, ...each })),
      ...(await this.themes.changed(following('themes'))).map((each) => ({ kind: 'theme' as const, ...each })),
    ];
    return Promise.all(
      all.map(async (each) => ({ ...each, others: (await this.followers(each)).filter((follower) => follower.id !== id).map(({ name }) => name) })),
    );
  }

  async editions(id: string): Promise<readonly Edition[]> {
    const rows = await this.database.query<{ number: number; published_at: Date }>(
      'select number, published_at from page_editions where page_id = $1 order by number desc',
      [id],
    );
    return rows.map(({ number, published_at }) => ({ number, publishedAt: new Date(published_at).toISOString() }));
  }

  /** One edition's document, or undefined. */
  async edition(id: string, number: number): Promise<Page | undefined> {
    const [row] = await this.database.query<{ document: Page }>('select document from page_editions where page_id = $1 and number = $2', [
      id,
      number,
    ]);
    return row?.document;
  }

  async unpublish(id: string): Promise<void> {
    await this.database.query('delete from live_pages where page_id = $1', [id]);
    changesOf(this.database).say({ kind: 'page', id, what: 'published' });
  }

  override async delete(id: string): Promise<void> {
    await super.delete(id);
    await this.unpublish(id);
  }

  /** The pages that are live, as they were published, the last published first. */
  async livePages(): Promise<readonly Page[]> {
    return (await this.liveOnes(this.database)).map(({ page }) => page);
  }
  private async liveOnes(queries: Queries): Promise<readonly { readonly id: string; readonly page: Page }[]> {
    const rows = await queries.query<{ id: string; document: Page }>(
      'select l.page_id as id, e.document from live_pages l join page_editions e on e.page_id = l.page_id and e.number = l.number order by e.published_at desc, l.page_id',
    );
    return rows.map(({ id, document }) => ({ id, page: document }));
  }

  /**
   * What is live at an address, or undefined: the page with each placement's table, newest or held. An edition of a page from
   * before tables had editions carries its own, for tables that have none.
   */
  atAddress(slug: string): Promise<LivePage | undefined> {
    return this.liveWhere('slug', slug);
  }
  /** The same by a page's id, wherever it stands. */
  liveOf(id: string): Promise<LivePage | undefined> {
    return this.liveWhere('page_id', id);
  }
  private async liveWhere(column: 'slug' | 'page_id', value: string): Promise<LivePage | undefined> {
    const [row] = await this.database.query<{ document: Page; tables: Record<string, Table>; published_at: Date }>(
      `select e.document, e.tables, e.published_at from live_pages l join page_editions e on e.page_id = l.page_id and e.number = l.number where l.${column} = $1`,
      [value],
    );
    if (!row) return undefined;
    const placed = tablesOn(row.document);
    const [ofTables, ofPricings] = await Promise.all([
      this.shown.tables.texts(placed.map(({ shows }) => shows).filter(({ kind }) => kind === 'tables')),
      this.shown.pricings.texts(placed.map(({ shows }) => shows).filter(({ kind }) => kind === 'pricings')),
    ]);
    const tables = new Map<string, string>();
    for (const block of placed) {
      const { kind, id, held } = block.shows;
      const carried = own(row.tables, id);
      const found = (kind === 'tables' ? ofTables : ofPricings).get(id, held) ?? (carried && JSON.stringify(carried));
      if (found !== undefined) tables.set(tableRef(block), found);
    }
    return { page: row.document, tables, publishedAt: new Date(row.published_at).toISOString() };
  }
}
