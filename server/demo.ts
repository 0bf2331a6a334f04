import fs from 'node:fs';
import path from 'node:path';
import { documentKinds, type Documents, type KindName } from '../core/documents';
import { starterBases } from '../core/theme';
import { createStores } from './app';
import { asOne, type Database } from './database/database';
import { projectRoot } from './project-root';

/**
 * Loads the sample world (demo/, open files) into a database that holds nothing yet, and publishes its pages: all of it or, if
 * the start is cut off, none.
 */
export async function loadDemo(database: Database): Promise<boolean> {
  const [{ count } = { count: 0 }] = await database.query<{ count: number }>(
    'select (select count(*) from themes)::int + (select count(*) from tables)::int + (select count(*) from pages)::int as count',
  );
  if (count > 0) return false;
  await database.transaction(async (queries) => {
    const { themes, tables, pages, pricings } = createStores(asOne(queries));
    for (const [id, theme] of read('themes')) {
      await themes.create(theme, id);
      await themes.publish(id);
    }
    for (const [id, table] of read('tables')) await tables.create(table, id);
    for (const [id, pricing] of read('pricings')) await pricings.create(pricing, id);
    for (const [id, page] of read('pages')) {
      await pages.create(page, id);
      await pages.publish(id);
    }
  });
  return true;
}

/** The documents of one folder of demo/, by file name. A file that cannot be read is a fault of ours and stops the start. */
export function read<K extends KindName>(kind: K): readonly (readonly [string, Documents[K]])[] {
  const where = path.join(projectRoot(), 'demo', kind);
  return fs
    .readdirSync(where)
    .filter((file) => file.endsWith('.json'))
    .sort()
    .map((file) => {
      const outcome = documentKinds[kind].read(JSON.parse(fs.readFileSync(path.join(where, file), 'utf8')), starterBases);
      if (!outcome.ok) throw new Error(`demo/${kind}/${file}: ${outcome.problems.map(({ at, say }) => `${at ?? ''} ${say}`).join('; ')}`);
      return [file.replace(/\.json$/, ''), outcome.value] as const;
    });
}
