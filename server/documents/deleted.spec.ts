import type { Database } from '../database/database';
import { createStores, type Stores } from '../app';
import { loadDemo } from '../demo';
import { openMemory } from '../tests/memory';
import { tablesOn } from '../../core/page';
import { seasonPasses } from '../../core/examples';
import { gridTable, themeWith } from '../../core/tests/themes';
import { deletedThings, sweepDeleted } from './deleted';

const DAY = 86_400_000;

describe('What was deleted', () => {
  let database: Database;
  let stores: Stores;
  beforeEach(async () => {
    database = await openMemory();
    stores = createStores(database);
  });
  afterEach(() => database.close());
  const in31Days = (): Date => new Date(Date.now() + 31 * DAY);

  it('lies for 30 days, is told by its name, and can be brought back until then', async () => {
    const { id } = await stores.tables.create({ ...gridTable(3, 2), name: 'Πλοία' });
    await stores.tables.delete(id);
    expect(await sweepDeleted(database, new Date(Date.now() + 29 * DAY))).toBe(0);
    expect((await deletedThings(database)).map(({ kind, name }) => [kind, name])).toEqual([['tables', 'Πλοία']]);
    await stores.tables.restore(id);
    expect(await deletedThings(database)).toEqual([]);
    expect(await sweepDeleted(database, in31Days())).toBe(0);
  });

  it('is then taken away whole, with its rows, its history and the rows of its editions', async () => {
    const { id } = await stores.tables.create(gridTable(30, 2));
    await stores.tables.change(id, 1, { change: { rows: [{ at: 1, cells: [[0, 'x']] }] }, said: ['x'] });
    await stores.tables.publish(id);
    const other = await stores.tables.create(gridTable(4, 2));
    await stores.tables.publish(other.id);
    await stores.tables.delete(id);
    expect(await sweepDeleted(database, in31Days())).toBe(1);
    for (const [table, key] of [
      ['tables', 'id'],
      ['table_rows', 'table_id'],
      ['table_changes', 'table_id'],
      ['table_editions', 'table_id'],
    ] as const)
      expect(await database.query(`select 1 from ${table} where ${key} = $1`, [id]))
        .withContext(table)
        .toEqual([]);
    expect((await database.query('select 1 from row_sets')).length).toBe(1);
    expect((await stores.tables.get(other.id)).document.rows.length).toBe(4);
  });

  it('stays where a page or an edition of one is made of it, or a table wears it', async () => {
    await loadDemo(database);
    const pages = await stores.pages.list();
    const placed = pages.flatMap(({ document }) => tablesOn(document)).find(({ dress }) => dress !== null);
    const [table = '', theme = ''] = [placed?.shows.id, placed?.dress?.id];
    const live = async (): Promise<string> => JSON.stringify(await stores.pages.livePages());
    const before = await live();
    await stores.tables.delete(table);
    await stores.themes.delete(theme);
    expect(await sweepDeleted(database, in31Days())).toBe(0);
    expect(await live()).toBe(before);
    // Pages that went with their editions hold nothing any more.
    for (const { id } of pages) await stores.pages.delete(id);
    for (const { id, document } of await stores.tables.list()) if (document.theme === theme) await stores.tables.delete(id);
    expect(await sweepDeleted(database, in31Days())).toBeGreaterThan(pages.length);
    expect((await deletedThings(database)).map(({ id }) => id)).not.toContain(table);
  });

  it('stays where a pricing table wears it, and goes once that has gone', async () => {
    const theme = await stores.themes.create(themeWith({}));
    const { id } = await stores.pricings.create({ ...seasonPasses, theme: theme.id });
    await stores.themes.delete(theme.id);
    expect(await sweepDeleted(database, in31Days())).toBe(0);
    await stores.pricings.delete(id);
    expect((await deletedThings(database)).map(({ kind, name }) => `${kind} ${name}`).sort()).toEqual([
      `pricings ${seasonPasses.name}`,
      `themes ${theme.document.name}`,
    ]);
    expect(await sweepDeleted(database, in31Days())).toBe(2);
    expect(await deletedThings(database)).toEqual([]);
  });
});
