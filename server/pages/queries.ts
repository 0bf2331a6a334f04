import type { Page } from '../../core/page';
import type { Table } from '../../core/table';
import { changesOf } from '../changes/changes';
import { Refusal } from '../problems';
import type { Database } from '../database/database';
import { DocumentStore } from '../documents/store';
import type { TableStore } from '../tables/queries';
import type { Edition, ThemeStore } from '../themes/queries';

export interface LivePage {
  readonly page: Page;
  readonly tables: ReadonlyMap<string, Table>;
  readonly publishedAt: string;
}

export class PageStore extends DocumentStore<Page> {
  constructor(
    database: Database,
    private readonly themes: ThemeStore,
    private readonly tables: TableStore,
  ) {
    super(database, { table: 'pages', word: 'page' });
  }

  /** Refuses an address that another page has. */
  async admit(id: string | undefined, { slug }: Page): Promise<void> {
    const [other] = await this.database.query<{ name: string }>(
      `select document ->> 'name' as name from pages where document ->> 'slug' = $1 and deleted_at is null and id <> $2`,
      [slug, id ?? ''],
    );
    if (other) throw new Refusal('address-taken', `“${other.name}” has the address ${slug} already. Choose another.`);
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
   * The page as it stands becomes its next edition and goes live at its address, together with its tables as
   * they stand. A theme that was never published gets its first edition, since nothing else could be followed.
   */
  async publish(id: string): Promise<Edition & { readonly slug: string }> {
    const edition = await this.database.transaction(async (queries) => {
      const { document } = await this.get(id, queries);
      const placed = document.blocks.flatMap((block) => (block.kind === 'table' ? [block] : []));
      const tables: Record<string, Table> = {};
      for (const { table } of placed) if (table !== '') tables[table] ??= (await this.tables.get(table, queries)).document;
      const themes = [...new Set(placed.map(({ theme }) => theme).filter((theme) => theme !== ''))];
      const published = new Set(
        (await queries.query<{ theme_id: string }>('select distinct theme_id from theme_editions where theme_id = any($1)', [themes])).map(
          ({ theme_id }) => theme_id,
        ),
      );
      for (const theme of themes) if (!published.has(theme)) await this.themes.publish(theme, queries);
      const [row] = await queries.query<{ number: number; published_at: Date }>(
        `insert into page_editions (page_id, number, document, tables)
         select $1, coalesce(max(number), 0) + 1, $2::jsonb, $3::jsonb from page_editions where page_id = $1 returning number, published_at`,
        [id, JSON.stringify(document), JSON.stringify(tables)],
      );
      if (!row) throw new Error('The edition did not come back');
      const [holder] = await queries.query<{ page_id: string }>('select page_id from live_pages where slug = $1 and page_id <> $2', [
        document.slug,
        id,
      ]);
      if (holder) throw new Refusal('address-taken', `Another live page has the address ${document.slug}. Choose another, or take that page down.`);
      await queries.query('delete from live_pages where page_id = $1', [id]);
      await queries.query('insert into live_pages (slug, page_id, number) values ($1, $2, $3)', [document.slug, id, row.number]);
      return { number: row.number, publishedAt: new Date(row.published_at).toISOString(), slug: document.slug };
    });
    changesOf(this.database).say({ kind: 'page', id });
    return edition;
  }

  async unpublish(id: string): Promise<void> {
    await this.database.query('delete from live_pages where page_id = $1', [id]);
    changesOf(this.database).say({ kind: 'page', id });
  }

  override async delete(id: string): Promise<void> {
    await super.delete(id);
    await this.unpublish(id);
  }

  /** The pages that are live, as they were published, the last published first. */
  async livePages(): Promise<readonly Page[]> {
    const rows = await this.database.query<{ document: Page }>(
      'select e.document from live_pages l join page_editions e on e.page_id = l.page_id and e.number = l.number order by e.published_at desc, l.page_id',
    );
    return rows.map(({ document }) => document);
  }

  /** What is live at an address, or undefined. */
  async atAddress(slug: string): Promise<LivePage | undefined> {
    const [row] = await this.database.query<{ document: Page; tables: Record<string, Table>; published_at: Date }>(
      'select e.document, e.tables, e.published_at from live_pages l join page_editions e on e.page_id = l.page_id and e.number = l.number where l.slug = $1',
      [slug],
    );
    return row && { page: row.document, tables: new Map(Object.entries(row.tables)), publishedAt: new Date(row.published_at).toISOString() };
  }
}
