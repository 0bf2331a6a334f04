import { emptyPage, readPage } from '../../../core/page';
import { PLAIN_COLUMN, tableOf, type Table } from '../../../core/table';
import { createStores } from '../../app';
import { openBare } from '../../tests/memory';
import type { Database } from '../database';
import { migrate, migrationNames } from '../migrate';

describe('Migrations in code', () => {
  let database: Database;
  beforeEach(async () => {
    database = await openBare();
  }, 60_000);
  afterEach(() => database.close());

  it('name what placements are made of, wherever they stand, held or not', async () => {
    await migrate(database, 15);
    const rest = { kind: 'table', width: 'fill', align: 'start', room: '0', visitor: null };
    const [held, reached] = [
      { ...rest, id: 'a', table: 't', heldTable: 2, theme: 'h', held: 3 },
      { ...rest, id: 'b', table: 't', theme: '' },
    ];
    const columns = { id: 'c', kind: 'columns', columns: [{ share: 1, blocks: [held] }] };
    const page = {
      ...{ format: 'zest-page/5', name: 'p', slug: 'p' },
      blocks: [{ id: 's', kind: 'section', fill: '', ink: '', blocks: [columns, reached] }],
    };
    await database.query('insert into pages (id, document) values ($1, $2)', ['p', JSON.stringify(page)]);
    await database.query("insert into page_editions (page_id, number, document, tables) values ('p', 1, $1, '{}')", [JSON.stringify(page)]);
    await migrate(database);
    const now = {
      ...{ ...rest, id: 'a' },
      shows: { kind: 'tables', id: 't', held: 2 },
      dress: { kind: 'themes', id: 'h', held: 3 },
    };
    const follows = { ...rest, id: 'b', shows: { kind: 'tables', id: 't' }, dress: null };
    const wanted = {
      ...{ ...page, format: 'zest-page/6' },
      blocks: [{ ...page.blocks[0], blocks: [{ ...columns, columns: [{ share: 1, blocks: [now] }] }, follows] }],
    };
    const [kept] = await database.query<{ document: unknown }>('select document from page_editions');
    expect(kept?.document).toEqual(wanted);
    expect((await createStores(database).pages.get('p')).document as unknown).toEqual(wanted);
    expect(readPage(page)).toEqual({ ok: true, value: wanted as never });
  });
  it('leave one page at an address, and give the others one that is free', async () => {
    await migrate(database, 16);
    for (const [id, slug, isGone] of [
      ['a', 'boats', false],
      ['b', 'boats', false],
      ['c', 'boats-2', false],
      ['d', 'boats', true],
      ['e', 'boats', false],
    ] as const)
      await database.query(`insert into pages (id, document, created_at, deleted_at) values ($1, $2, '2026-01-01', case when $3 then now() end)`, [
        id,
        JSON.stringify(emptyPage(`Page ${id}`, slug)),
        isGone,
      ]);
    await migrate(database);
    const pages = await database.query<{ id: string; slug: string }>(`select id, document ->> 'slug' as slug from pages order by id`);
    expect(pages.map(({ id, slug }) => `${id} ${slug}`)).toEqual(['a boats', 'b boats-3', 'c boats-2', 'd boats', 'e boats-4']);
  });
  it('write formulas as SQL names columns, in tables, editions, pages of before and the way back', async () => {
    await migrate(database, migrationNames().indexOf('019-formulas'));
    const { rows, ...head } = tableOf('Fares', [
      ['Adult fare', 'Out'],
      ['12', ''],
    ]);
    const withIt = (formula: string): unknown => ({ ...head, format: 'zest-table/5', columns: [PLAIN_COLUMN, { ...PLAIN_COLUMN, formula }] });
    await database.query('insert into row_sets (id, rows) values ($1, $2)', ['r', JSON.stringify(rows)]);
    await database.query('insert into tables (id, document, revision, row_count, column_count) values ($1, $2, 3, 2, 2)', [
      't',
      JSON.stringify(withIt('[Adult fare] % 5')),
    ]);
    for (const [at, cells] of rows.entries())
      await database.query('insert into table_rows (table_id, place, cells) values ($1, $2, $3)', ['t', at, JSON.stringify(cells)]);
    await database.query('insert into table_editions (table_id, number, document, rows_id) values ($1, 1, $2, $3)', [
      't',
      JSON.stringify(withIt('[Adult fare] * 3')),
      'r',
    ]);
    const back = (formula: string): string =>
      JSON.stringify([
        { rows: [{ at: 1, cells: [[0, 'was']] }] },
        { head: { columns: [PLAIN_COLUMN, { ...PLAIN_COLUMN, formula }], name: 'columns' } },
      ]);
    for (const [revision, json] of [
      [2, back('[Adult fare] ^ 2')],
      [3, JSON.stringify([{ head: { name: 'Columns' } }])],
    ] as const)
      await database.query("insert into table_changes (table_id, revision, said, back) values ('t', $1, '[]', $2)", [revision, json]);
    await migrate(database);
    const { tables } = createStores(database);
    const formula = (table: Table | undefined): unknown => table?.columns[1]?.formula;
    expect(formula((await tables.get('t')).document)).toBe('mod("Adult fare", 5)');
    expect(formula(await tables.editions.one('t', 1))).toBe('"Adult fare" * 3');
    expect(formula(await tables.at('t', 1))).toBe('power("Adult fare", 2)');
    expect((await tables.at('t', 2)).name).toBe('Columns');
  });
});
