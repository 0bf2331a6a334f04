import { documentKinds } from '../../../core/documents';
import type { Queries } from '../database';
import { upgradeLying } from './upgrade';

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
};
