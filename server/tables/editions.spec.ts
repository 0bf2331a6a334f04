import { setCell, type Table } from '../../core/table';
import { gridTable } from '../../core/tests/themes';
import { createStores } from '../app';
import type { Database } from '../database/database';
import { migrate } from '../database/migrate';
import { openMemory } from '../tests/memory';
import type { TableStore } from './queries';

describe('Editions of tables', () => {
  let database: Database;
  let tables: TableStore;
  beforeEach(async () => {
    database = await openMemory();
    ({ tables } = createStores(database));
  }, 60_000);
  afterEach(() => database.close());

  const sets = async (): Promise<number> => (await database.query('select id from row_sets')).length;
  const saved = async (id: string, make: (table: Table) => Table): Promise<void> => {
    const { document, revision } = await tables.get(id);
    await tables.save(id, revision, make(document));
  };
  const withCaption = async (id: string, caption: string): Promise<void> => {
    const { revision } = await tables.head(id);
    await tables.change(id, revision, { change: { head: { caption } }, said: ['change the caption'] });
  };

  it('keep rows once by what they hold, and are whole again when they are read', async () => {
    const { id } = await tables.create(gridTable(20, 3));
    expect((await tables.publish(id)).number).toBe(1);
    await withCaption(id, 'Boats by night');
    expect(await tables.editions.changed([id])).toEqual([{ id, name: gridTable(20, 3).name, edition: 1, revision: 2 }]);
    expect((await tables.publish(id)).number).toBe(2);
    expect(await sets()).toBe(1);
    const [one, two] = [await tables.editions.one(id, 1), await tables.editions.one(id, 2)];
    expect(one).toEqual(gridTable(20, 3));
    expect(two).toEqual({ ...gridTable(20, 3), caption: 'Boats by night' });
    expect(await tables.editions.one(id, 3)).toBeUndefined();
  });

  it('share rows with those of another table that holds the same', async () => {
    const [one, two] = [await tables.create(gridTable(4, 2)), await tables.create({ ...gridTable(4, 2), name: 'The same again' })];
    await tables.publish(one.id);
    await tables.publish(two.id);
    expect(await sets()).toBe(1);
    const texts = await tables.editions.texts([
      { id: one.id, held: undefined },
      { id: two.id, held: 7 },
      { id: 'gone', held: undefined },
    ]);
    expect(JSON.parse(texts.get(one.id, undefined) ?? '')).toEqual(gridTable(4, 2));
    // An edition that is gone gives way to the newest.
    expect(JSON.parse(texts.get(two.id, 7) ?? '')).toEqual({ ...gridTable(4, 2), name: 'The same again' });
    expect(texts.get('gone', undefined)).toBeUndefined();
  });

  it('are new when a row is, however it was kept, and the same when it is as it was', async () => {
    const { id } = await tables.create(gridTable(5, 2));
    await tables.publish(id);
    expect(await tables.editions.changed([id])).toEqual([]);
    await saved(id, (table) => setCell(table, 3, 1, 'other'));
    expect((await tables.editions.changed([id])).length).toBe(1);
    expect((await tables.publish(id)).number).toBe(2);
    const { revision } = await tables.head(id);
    await tables.change(id, revision, { change: { rows: [{ at: 3, cells: [[1, 'third']] }] }, said: ['type'] });
    expect((await tables.publish(id)).number).toBe(3);
    expect(await sets()).toBe(3);
    await saved(id, (table) => setCell(table, 3, 1, 'third'));
    expect(await tables.editions.changed([id])).toEqual([]);
    expect((await tables.publish(id)).number).toBe(3);
    expect(textAt(await tables.editions.one(id, 2))).toBe('other');
    expect(textAt(await tables.editions.one(id, 3))).toBe('third');
  });

  it('are refused of a table that is not there', async () => {
    await expectAsync(tables.publish('gone')).toBeRejectedWithError(/no table with the id gone/);
  });
});

describe('Editions of tables that were kept whole', () => {
  it('have their rows moved to sets, the same rows to one', async () => {
    const database = await openMemory(14);
    const table = gridTable(3, 2);
    const { rows, ...head } = table;
    await database.query('insert into tables (id, document, row_count, column_count) values ($1, $2, 3, 2)', ['old', JSON.stringify(head)]);
    for (const [at, cells] of rows.entries())
      await database.query('insert into table_rows (table_id, place, cells) values ($1, $2, $3)', ['old', at, JSON.stringify(cells)]);
    for (const [number, each] of [table, { ...table, caption: 'Later' }].entries())
      await database.query('insert into table_editions (table_id, number, document) values ($1, $2, $3)', ['old', number + 1, JSON.stringify(each)]);
    await migrate(database);
    const { tables } = createStores(database);
    expect(await tables.editions.one('old', 1)).toEqual(table);
    expect(await tables.editions.one('old', 2)).toEqual({ ...table, caption: 'Later' });
    expect((await database.query('select id from row_sets')).length).toBe(1);
    // As it stands it is not as the newest says, but its rows are.
    expect((await tables.publish('old')).number).toBe(3);
    expect((await database.query('select id from row_sets')).length).toBe(1);
    await database.close();
  }, 60_000);
});

const textAt = (table: Table | undefined): unknown => table?.rows[3]?.[1];
