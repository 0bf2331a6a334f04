import { documentKinds } from '../../../core/documents';
import { upgradeColumn, type TableChange } from '../../../core/table';
import type { Queries } from '../database';
import { rewriteLying, upgradeLying } from './upgrade';

/** Migrations that are code and not SQL: those that bring documents to another format. Named and numbered as the SQL files are. */
export const steps: Readonly<Record<string, (queries: Queries) => Promise<void>>> = {
  /** zest-theme/2: a theme says in which version of its starter it grows; so far all were in their first. */
  '014-starter-versions': async (queries) => {
    await upgradeLying(queries, { table: 'themes', column: 'document', key: ['id'] }, documentKinds.themes);
    await upgradeLying(queries, { table: 'theme_editions', column: 'document', key: ['theme_id', 'number'] }, documentKinds.themes);
  },
  /** zest-page/6: a placement names what it shows and what dresses it by kind, id and edition. */
  '016-placements': async (queries) => {
    await upgradeLying(queries, { table: 'pages', column: 'document', key: ['id'] }, documentKinds.pages);
    await upgradeLying(queries, { table: 'page_editions', column: 'document', key: ['page_id', 'number'] }, documentKinds.pages);
  },
  /** No two pages that are there have one address: of those that had, the first keeps it, and the others have a number behind it. */
  '017-addresses': async (queries) => {
    const pages = await queries.query<{ id: string; slug: string }>(
      `select id, document ->> 'slug' as slug from pages where deleted_at is null order by created_at, id`,
    );
    const taken = new Set(pages.map(({ slug }) => slug));
    const kept = new Set<string>();
    for (const { id, slug } of pages) {
      let free = slug;
      for (let n = 2; kept.has(free) || (free !== slug && taken.has(free)); n++) free = `${slug}-${n}`;
      kept.add(free);
      if (free !== slug)
        await queries.query(`update pages set document = jsonb_set(document, '{slug}', to_jsonb($2::text)), revision = revision + 1 where id = $1`, [
          id,
          free,
        ]);
    }
    await queries.query(`create unique index pages_address on pages ((document ->> 'slug')) where deleted_at is null`);
  },
  /** zest-table/6: formulas name columns as SQL does, in the way back too. */
  '019-formulas': async (queries) => {
    const { tables } = documentKinds;
    await upgradeLying(queries, { table: 'tables', column: 'document', key: ['id'] }, tables);
    await upgradeLying(queries, { table: 'table_editions', column: 'document', key: ['table_id', 'number'] }, tables);
    await rewriteLying(queries, { table: 'page_editions', column: 'tables', key: ['page_id', 'number'] }, (held) =>
      typeof held === 'object' && held !== null ? Object.fromEntries(Object.entries(held).map(([id, table]) => [id, tables.upgrade(table)])) : held,
    );
    await rewriteLying(
      queries,
      { table: 'table_changes', column: 'back', key: ['table_id', 'revision'], where: `back::text like '%"columns"%'` },
      (back) => (Array.isArray(back) ? (back as readonly TableChange[]).map(upgradeBack) : back),
    );
  },
};

/** A way back that puts columns back puts them back as they are written now. */
const upgradeBack = (change: TableChange): unknown =>
  change.head?.columns ? { ...change, head: { ...change.head, columns: change.head.columns.map(upgradeColumn) } } : change;
