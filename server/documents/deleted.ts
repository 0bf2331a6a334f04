import { documentKinds, kindNames, type Deleted, type KindName } from '../../core/documents';
import type { Page } from '../../core/page';
import type { Database, Queries } from '../database/database';

/** So long does what was deleted lie, in ms: for 30 days it can be brought back. */
export const LIES_FOR = 30 * 86_400_000;

/** Everything that lies deleted, the last deleted first. */
export async function deletedThings(database: Database): Promise<readonly Deleted[]> {
  const found = await Promise.all(
    kindNames.map(async (kind) =>
      (
        await database.query<{ id: string; name: string; deleted_at: Date | string }>(
          `select id, document ->> 'name' as name, deleted_at from ${kind} where deleted_at is not null`,
        )
      ).map(({ id, name, deleted_at }): Deleted => ({ kind, id, name, deletedAt: new Date(deleted_at).toISOString() })),
    ),
  );
  return found.flat().sort((a, b) => b.deletedAt.localeCompare(a.deletedAt));
}

/**
 * Takes away for good what was deleted 30 days ago, with its editions and its history. What a page, or an edition of one, is made of
 * stays, as do the theme that a table or a pricing table wears and what other themes grow from: a live page may show it, and one could go back to it. Gives how many went.
 */
export async function sweepDeleted(database: Database, now = new Date()): Promise<number> {
  return database.transaction(async (queries) => {
    const before = new Date(now.getTime() - LIES_FOR).toISOString();
    const old = async (kind: KindName): Promise<readonly string[]> =>
      (await queries.query<{ id: string }>(`select id from ${kind} where deleted_at < $1`, [before])).map(({ id }) => id);
    const pages = await old('pages');
    await takeAway(queries, 'pages', pages);
    const onPages = await usedByPages(queries);
    const tables = (await old('tables')).filter((id) => !onPages.has(`tables/${id}`));
    await takeAway(queries, 'tables', tables);
    const pricings = (await old('pricings')).filter((id) => !onPages.has(`pricings/${id}`));
    await takeAway(queries, 'pricings', pricings);
    const worn = new Set(
      (
        await queries.query<{ theme: string }>(
          `select document ->> 'theme' as theme from tables union select document ->> 'theme' from table_editions
           union select document ->> 'theme' from pricings union select document ->> 'theme' from pricing_editions`,
        )
      ).map(({ theme }) => theme),
    );
    const under = new Set(
      (
        await queries.query<{ id: string }>(
          `select document -> 'base' ->> 'theme' as id from themes
           union select document -> 'base' ->> 'theme' from theme_editions
           union select each ->> 'id' from theme_editions, jsonb_array_elements(stands_on) as each`,
        )
      ).map(({ id }) => id),
    );
    const themes = (await old('themes')).filter((id) => !onPages.has(`themes/${id}`) && !worn.has(id) && !under.has(id));
    await takeAway(queries, 'themes', themes);
    return pages.length + tables.length + pricings.length + themes.length;
  });
}

/** `kind/id` of all that pages and their editions are made of. */
async function usedByPages(queries: Queries): Promise<ReadonlySet<string>> {
  const all = await queries.query<{ document: Page }>('select document from pages union all select document from page_editions');
  return new Set(all.flatMap(({ document }) => documentKinds.pages.follows(document).map(({ kind, id }) => `${kind}/${id}`)));
}

async function takeAway(queries: Queries, kind: KindName, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return;
  const { word } = documentKinds[kind];
  if (kind === 'pages') await queries.query('delete from live_pages where page_id = any($1)', [ids]);
  if (kind === 'tables') {
    await queries.query('delete from table_rows where table_id = any($1)', [ids]);
    await queries.query('delete from table_changes where table_id = any($1)', [ids]);
  }
  await queries.query(`delete from ${word}_editions where ${word}_id = any($1)`, [ids]);
  await queries.query(`delete from ${kind} where id = any($1)`, [ids]);
  if (kind === 'tables')
    await queries.query(
      'delete from row_sets s where not exists (select 1 from table_editions e where e.rows_id = s.id) and not exists (select 1 from tables t where t.rows_id = s.id)',
    );
}
