import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { PLAIN_VISITOR, readPage } from '../../core/page';
import { readTable, textsOf } from '../../core/table';
import { gridTable, starter, themeWith } from '../../core/tests/themes';
import { createStores } from '../app';
import { loadDemo, read as readDemo } from '../demo';
import { openBare, openMemory } from '../tests/memory';
import { OptionError, readOptions } from '../options';
import { projectRoot } from '../project-root';
import { killAll, startServer } from '../tests/process';
import { ask } from '../tests/running';
import type { Database } from './database';
import { FolderError, lockFolder } from './lock';
import { migrate, migrationNames } from './migrate';
import { openFolder } from './open';

/** The placed table of these specs as it is now. */
const placed = (visitor: unknown): object => ({
  ...{ id: 'a', kind: 'table', shows: { kind: 'tables', id: 't' }, dress: { kind: 'themes', id: 'h' } },
  ...{ width: 'fill', align: 'start', room: '0', visitor },
});
const temporary = (): string => fs.mkdtempSync(path.join(os.tmpdir(), 'zest-'));

describe('Migrations', () => {
  let database: Database;
  beforeEach(async () => {
    database = await openBare();
  }, 60_000);
  afterEach(() => database.close());

  it('are numbered without a gap', () => {
    expect(migrationNames().map((name) => Number(name.slice(0, 3)))).toEqual(migrationNames().map((_, i) => i + 1));
  });
  it('go from the first one up and move what is there', async () => {
    await migrate(database, 2);
    const theme = themeWith({}, { base: starter('nightfall') });
    const before = { ...theme, format: 'zest-theme/1', base: 'nightfall' };
    await database.query('insert into themes (id, key, document) values ($1, $2, $3)', ['old', 'old', JSON.stringify(before)]);
    await database.query('insert into theme_editions (theme_id, number, document) values ($1, 1, $2)', ['old', JSON.stringify(before)]);
    await migrate(database);
    await migrate(database);
    const { themes } = createStores(database);
    expect((await themes.get('old')).document).toEqual(theme);
    // Its edition grew from the same version of its starter: it is the one that there is.
    expect((await themes.edition('old', 1))?.[0]).toEqual(theme);
    expect((await themes.publish('old')).number).toBe(1);
  });
  it('bring tables of before up to now, on live pages too', async () => {
    await migrate(database, 3);
    const { name, caption, rows, merges, headerRows, rowHeaders, footerRows, theme } = gridTable(2, 2);
    const old = { format: 'zest-table/1', name, caption, rows, merges, headerRows, rowHeaders, footerRows, theme };
    const page = { format: 'zest-page/1', name: 'p', slug: 'p', blocks: [] };
    await database.query('insert into tables (id, document) values ($1, $2)', ['old', JSON.stringify(old)]);
    await database.query('insert into pages (id, document) values ($1, $2)', ['p', JSON.stringify(page)]);
    const edition = 'insert into page_editions (page_id, number, document, tables) values ($1, 1, $2, $3)';
    await database.query(edition, ['p', JSON.stringify(page), JSON.stringify({ old })]);
    await migrate(database);
    const { tables } = createStores(database);
    expect((await tables.get('old')).document).toEqual(gridTable(2, 2));
    const [kept] = await database.query<{ tables: unknown }>('select tables from page_editions');
    expect(kept?.tables).toEqual({ old: gridTable(2, 2) });
  });
  it('give columns of before their types, in the way back too', async () => {
    await migrate(database, 5);
    const plain = gridTable(2, 2);
    const columns = plain.columns.map(() => ({ width: '8em', hidden: false }));
    const { rows, language: _language, ...head } = { ...plain, format: 'zest-table/3', columns };
    await database.query('insert into tables (id, document, row_count, column_count) values ($1, $2, 2, 2)', ['old', JSON.stringify(head)]);
    for (const [at, cells] of rows.entries())
      await database.query('insert into table_rows (table_id, place, cells) values ($1, $2, $3)', ['old', at, JSON.stringify(cells)]);
    const back = [{ rows: [{ at: 0, cells: [[0, 'was']] }] }, { head: { columns, name: 'Was' } }];
    await database.query("insert into table_changes (table_id, revision, said, back) values ('old', 2, '[]', $1)", [JSON.stringify(back)]);
    await database.query("update tables set revision = 2 where id = 'old'");
    await migrate(database);
    const { tables } = createStores(database);
    const now = { ...plain, columns: plain.columns.map((column) => ({ ...column, width: '8em' })) };
    expect((await tables.get('old')).document).toEqual(now);
    const before = await tables.at('old', 1);
    expect(readTable(before)).toEqual({ ok: true, value: { ...before, columns: now.columns, name: 'Was' } });
  });
  it('say of placed tables of before that visitors only read them, on live pages too', async () => {
    await migrate(database, 6);
    const table = { id: 'a', kind: 'table', table: 't', theme: 'h', width: 'fill', align: 'start', room: '0' };
    const page = { format: 'zest-page/1', name: 'p', slug: 'p', blocks: [{ id: 'b', kind: 'text', text: 'x' }, table] };
    const now = { ...page, format: 'zest-page/6', blocks: [page.blocks[0], placed(null)] };
    await database.query('insert into pages (id, document) values ($1, $2)', ['p', JSON.stringify(page)]);
    await database.query("insert into page_editions (page_id, number, document, tables) values ('p', 1, $1, '{}')", [JSON.stringify(page)]);
    await migrate(database);
    const [kept] = await database.query<{ document: unknown }>('select document from page_editions');
    expect(kept?.document).toEqual(now);
    expect((await createStores(database).pages.get('p')).document as unknown).toEqual(now);
    expect(readPage(page)).toEqual({ ok: true, value: now as never });
  });
  it('give visitors of before nothing more to do', async () => {
    await migrate(database, 8);
    const { choose: _a, columns: _b, rowLink: _c, header: _d, totals: _e, unsorted: _f, ...before } = PLAIN_VISITOR;
    const table = { id: 'a', kind: 'table', table: 't', theme: 'h', width: 'fill', align: 'start', room: '0', visitor: before };
    const page = { format: 'zest-page/2', name: 'p', slug: 'p', blocks: [table] };
    await database.query('insert into pages (id, document) values ($1, $2)', ['p', JSON.stringify(page)]);
    await migrate(database);
    const now = { ...page, format: 'zest-page/6', blocks: [placed(PLAIN_VISITOR)] };
    expect((await createStores(database).pages.get('p')).document as unknown).toEqual(now);
    expect(readPage(page)).toEqual({ ok: true, value: now as never });
  });
  it('keep what rows are sorted by at first, by its place until somebody chooses it by name', async () => {
    await migrate(database, 9);
    const { unsorted: _, ...before } = { ...PLAIN_VISITOR, first: { column: 2, direction: 'descending' } };
    const table = { id: 'a', kind: 'table', table: 't', theme: 'h', width: 'fill', align: 'start', room: '0', visitor: before };
    const page = { format: 'zest-page/3', name: 'p', slug: 'p', blocks: [table] };
    await database.query('insert into pages (id, document) values ($1, $2)', ['p', JSON.stringify(page)]);
    await migrate(database);
    const visitor = { ...PLAIN_VISITOR, first: { column: 2, name: '', direction: 'descending' } };
    const now = { ...page, format: 'zest-page/6', blocks: [placed(visitor)] };
    expect((await createStores(database).pages.get('p')).document as unknown).toEqual(now);
    expect(readPage(page)).toEqual({ ok: true, value: now as never });
  });
  it('stop at a folder that a newer version wrote', async () => {
    await migrate(database);
    await database.query("insert into migrations (name) values ('999-later.sql')");
    await expectAsync(migrate(database)).toBeRejectedWithError(/newer version/);
  });
});

describe('The lock of a data folder', () => {
  it('lets one in, and the next when that one has gone', () => {
    const folder = temporary();
    const letGo = lockFolder(folder);
    expect(() => lockFolder(folder)).toThrowError(FolderError, /in use by process/);
    letGo();
    lockFolder(folder)();
  });
  it('is taken over from a process that died', () => {
    const folder = temporary();
    fs.writeFileSync(path.join(folder, 'owner.lock'), JSON.stringify({ pid: 999_999, born: '1' }));
    lockFolder(folder)();
  });
  it('is taken over from a process whose number was given out again', () => {
    const folder = temporary();
    fs.writeFileSync(path.join(folder, 'owner.lock'), JSON.stringify({ pid: process.pid, born: '1' }));
    lockFolder(folder)();
  });
  it('is taken over when it cannot be read', () => {
    const folder = temporary();
    fs.writeFileSync(path.join(folder, 'owner.lock'), '{');
    lockFolder(folder)();
  });
  it('says so when the folder is a file', () => {
    const file = path.join(temporary(), 'file');
    fs.writeFileSync(file, '');
    expect(() => lockFolder(file)).toThrowError(FolderError, /cannot be used/);
  });
});

describe('The demo data', () => {
  let database: Database;
  beforeAll(async () => {
    database = await openMemory();
  }, 60_000);
  afterAll(() => database.close());

  it('is loaded into an empty database once, and is the sample world', async () => {
    const stores = createStores(database);
    expect(await loadDemo(database)).toBeTrue();
    expect(await loadDemo(database)).toBeFalse();
    const [themes, tables, pages] = await Promise.all([stores.themes.list(), stores.tables.list(), stores.pages.list()]);
    // Made as one, and yet one after the other.
    expect(themes.map(({ id }) => id)).toEqual(
      readDemo('themes')
        .map(([id]) => id)
        .reverse(),
    );
    expect([themes.length >= 6, tables.length >= 6, pages.length >= 2]).toEqual([true, true, true]);
    expect(tables.some(({ document }) => document.headerRows === 2 && document.merges.length > 0)).toBeTrue();
    expect(tables.some(({ document }) => document.rows.length > 300)).toBeTrue();
    expect(
      tables.some(
        ({ document }) =>
          /\p{Script=Greek}/u.test(document.rows.flatMap(textsOf).join('')) && /\p{Script=Arabic}/u.test(document.rows.flatMap(textsOf).join('')),
      ),
    ).toBeTrue();
    expect(await stores.pages.atAddress('night-boats')).toBeDefined();
  });
});

describe('Options', () => {
  it('come from arguments, then the environment, then what is usual', () => {
    expect(readOptions([], {})).toEqual(jasmine.objectContaining({ port: 4310, neighbour: 4311 }));
    expect(readOptions(['--neighbour', 'none'], {}).neighbour).toBeUndefined();
    expect(readOptions([], { ZEST_PORT: '5000', ZEST_EMPTY: '1', ZEST_DATA: '/x' })).toEqual({
      port: 5000,
      neighbour: 5001,
      data: '/x',
      backups: '/x-backups',
      backup: undefined,
      restore: undefined,
      empty: true,
      help: false,
    });
    expect(readOptions(['--port', '0', '--data', '/y', '--backups', 'none', '--restore', '/z.zip', '--empty'], { ZEST_PORT: '5000' })).toEqual({
      port: 0,
      neighbour: 0,
      data: '/y',
      backups: undefined,
      backup: undefined,
      restore: '/z.zip',
      empty: true,
      help: false,
    });
  });
  for (const args of [
    ['--port', 'x'],
    ['--neighbour', 'next'],
    ['--port', '70000'],
    ['--wide'],
    ['stray'],
    ['--backup', 'a', '--restore', 'b'],
    ['--restore', ''],
    ['--data', '/x', '--backups', '/x/inside'],
  ]) {
    it(`refuse ${args.join(' ')} in one sentence`, () => expect(() => readOptions(args, {})).toThrowError(OptionError));
  }
});

describe('The server as a process', () => {
  afterAll(killAll);

  it('says in one sentence that the folder or the port is in use, with exit code 1', async () => {
    const folder = temporary();
    const address = await startServer('--port', '0', '--data', folder, '--empty').ready;
    const second = await startServer('--port', '0', '--data', folder, '--empty').ended;
    expect(second).toEqual({ code: 1, text: jasmine.stringMatching(/^The data folder .* is in use by process \d+\.[^\n]*\n$/) });
    const third = await startServer('--port', new URL(address).port, '--data', temporary(), '--empty').ended;
    expect(third).toEqual({ code: 1, text: jasmine.stringMatching(/^Port \d+ is in use by another program\.[^\n]*\n$/) });
    const fourth = await startServer('--port', '0', '--data', path.join(projectRoot(), 'package.json')).ended;
    expect(fourth).toEqual({ code: 1, text: jasmine.stringMatching(/^The data folder .* cannot be used[^\n]*\n$/) });
  }, 90_000);

  it('has every save that was acknowledged after it was killed in the middle of saving', async () => {
    const folder = temporary();
    let acknowledged = 0;
    for (let round = 0; round < 3; round++) {
      const child = startServer('--port', '0', '--data', folder, '--empty');
      const address = await child.ready;
      const table = gridTable(30, 5);
      let { revision } =
        round === 0
          ? (await ask(`${address}/api/tables`, 'POST', table)).json
          : ((JSON.parse((await ask(`${address}/api/tables`)).text) as Record<string, unknown>[])[0] ?? {});
      expect(Number(revision)).withContext(`round ${round}`).toBeGreaterThanOrEqual(acknowledged);
      const [{ id }] = JSON.parse((await ask(`${address}/api/tables`)).text) as [{ id: string }];
      // So many are kept, however long that takes, and the next is on its way when the process dies.
      for (let saves = 0; ; saves++) {
        const saving = ask(
          `${address}/api/tables/${id}`,
          'PUT',
          { ...table, caption: String(revision) },
          { 'If-Match': `"${String(revision)}"` },
        ).catch(() => undefined);
        if (saves >= 5) setTimeout(() => void child.kill(), round * 4);
        const answer = await saving;
        if (answer?.status !== 200) break;
        revision = answer.json['revision'];
        acknowledged = Number(revision);
      }
      await child.ended;
    }
    expect(acknowledged).toBeGreaterThan(15);
    const database = await openFolder(folder);
    const [kept] = await createStores(database).tables.list();
    expect(kept?.revision).toBeGreaterThanOrEqual(acknowledged);
    await database.close();
  }, 120_000);
});
