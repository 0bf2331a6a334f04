import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { emptyPage, type Page } from '../core/page';
import { askedFor } from '../core/tests/seeded';
import { dice } from '../core/tests/random';
import { gridTable, themeWith } from '../core/tests/themes';
import { createStores } from '../server/app';
import { tried } from '../server/backup/trial';
import type { Database } from '../server/database/database';
import { openDurable } from '../server/database/durable';
import { migrate, migrationNames } from '../server/database/migrate';
import { openFolder, wrap } from '../server/database/open';
import { loadDemo } from '../server/demo';
import { openBare } from '../server/tests/memory';
import { killAll, startServer } from '../server/tests/process';
import { ask } from '../server/tests/running';
import { lostOf, truthOf } from './power/work';

/** A share of `npm run prove -- kill`: the process is killed in the middle of what it does at length, and started again. */
describe('When the process is killed', () => {
  const { isProof, seed } = askedFor();
  const d = dice(seed);
  const [PAGES, UPLOADED] = isProof ? [300, 100_000] : [40, 6000];
  let around: string;
  let made = 0;
  let first: string;
  let demo: string;

  const copyOf = (folder: string): string => {
    const copy = path.join(around, `copy-${made++}`);
    fs.cpSync(folder, copy, { recursive: true });
    return copy;
  };
  const inside = async <T>(folder: string, work: (database: Database) => Promise<T>): Promise<T> => {
    const database = await openFolder(folder);
    try {
      return await work(database);
    } finally {
      await database.close();
    }
  };
  /** Starts the server, lets it do something, and kills it after so many ms; without a moment it is let finish. Gives how long it took. */
  const killedIn = async (args: readonly string[], work: (address: string) => Promise<unknown>, after?: number): Promise<number> => {
    const server = startServer('--port', '0', '--empty', ...args);
    const address = await server.ready;
    const begun = performance.now();
    const doing = work(address).catch(() => undefined);
    if (after === undefined) await doing;
    else await new Promise((resolve) => setTimeout(resolve, after));
    const took = performance.now() - begun;
    await server.kill();
    await doing;
    return took;
  };

  beforeAll(async () => {
    around = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-kill-'));
    [first, demo] = [path.join(around, 'first'), path.join(around, 'demo')];
    await (await openDurable(path.join(first, 'database'))).close();
    fs.cpSync(first, demo, { recursive: true });
    const old = wrap(await openDurable(path.join(first, 'database')));
    await migrate(old, 1);
    const { name, caption, rows, merges, headerRows, rowHeaders, footerRows, theme } = gridTable(30, 4);
    for (let i = 0; i < 30; i++) {
      const themed = { format: 'zest-theme/1', name: `Old ${i}`, starter: 'hairline', swatches: [], values: {} };
      await old.query('insert into themes (id, key, document) values ($1, $2, $3)', [`theme-${i}`, `old${i}`, JSON.stringify(themed)]);
      const table = { format: 'zest-table/1', name: `${name} ${i}`, caption, rows, merges, headerRows, rowHeaders, footerRows, theme };
      await old.query('insert into tables (id, document) values ($1, $2)', [`table-${i}`, JSON.stringify(table)]);
    }
    await old.close();
    await inside(demo, loadDemo);
  }, 240_000);
  afterAll(() => {
    killAll();
    fs.rmSync(around, { recursive: true, force: true });
  });

  const versions = migrationNames().length;
  for (const version of isProof ? Array.from({ length: versions - 1 }, (_, i) => i + 1) : [d.whole(1, versions - 1)])
    it(`while a folder of version ${version} is brought up to date, all of it is there (seed ${seed})`, async () => {
      const folder = copyOf(first);
      const old = wrap(await openDurable(path.join(folder, 'database')));
      await migrate(old, version);
      await old.close();
      for (const after of isProof ? [150, 400, 700, 1000, 1400] : [d.whole(100, 1200)]) {
        const server = startServer('--port', '0', '--empty', '--data', folder, '--backups', 'none');
        await new Promise((resolve) => setTimeout(resolve, after));
        await server.kill();
      }
      await inside(folder, async (database) => {
        const { themes, tables } = createStores(database);
        expect((await themes.list()).map(({ document }) => document.name).sort()).toEqual(Array.from({ length: 30 }, (_, i) => `Old ${i}`).sort());
        const all = await tables.list();
        expect(all.length).toBe(30);
        for (const { document } of all) expect(document.rows).toEqual(gridTable(30, 4).rows);
      });
    }, 600_000);

  it(`while a theme is published and ${PAGES} pages are held, all of it is done or nothing (seed ${seed})`, async () => {
    const base = copyOf(demo);
    const ids = await inside(base, async (database) => {
      const { themes, tables, pages } = createStores(database);
      const theme = await themes.create(themeWith({}, { name: 'One' }), 'the-theme');
      await tables.create(gridTable(3, 2), 'the-table');
      const shows: Page['blocks'] = [
        {
          ...{ id: 'a', kind: 'table', shows: { kind: 'tables', id: 'the-table' }, dress: { kind: 'themes', id: 'the-theme' } },
          ...{ width: 'fill', align: 'start', room: '0', visitor: null },
        },
      ];
      const all: string[] = [];
      for (let i = 0; i < PAGES; i++) {
        const { id } = await pages.create({ ...emptyPage(`P ${i}`, `p-${i}`), blocks: shows });
        await pages.publish(id);
        all.push(id);
      }
      await themes.save('the-theme', theme.revision, themeWith({}, { name: 'Two' }));
      return all;
    });
    const publish = (address: string): Promise<unknown> => ask(`${address}/api/themes/the-theme/editions`, 'POST', { hold: ids });
    const whole = await killedIn(['--data', copyOf(base), '--backups', 'none'], publish);
    const seen = new Set<string>();
    for (let i = 0; i < (isProof ? 8 : 1); i++) {
      const folder = copyOf(base);
      await killedIn(['--data', folder, '--backups', 'none'], publish, d.chance(0.8) ? Math.round(whole * d.next()) : Math.round(whole * 0.98));
      await inside(folder, async (database) => {
        const { themes, pages } = createStores(database);
        const editions = (await themes.editions('the-theme')).length;
        const held = (await pages.list()).filter(({ document: { blocks } }) =>
          blocks.some((block) => block.kind === 'table' && block.dress?.held === 1),
        );
        seen.add(`${editions} editions, ${held.length} held`);
      });
    }
    for (const state of seen) expect([`1 editions, 0 held`, `2 editions, ${PAGES} held`]).toContain(state);
  }, 600_000);

  it(`while ${UPLOADED} rows are sent ahead and made a table, all of them are there or none (seed ${seed})`, async () => {
    const { rows, ...head } = gridTable(UPLOADED, 6);
    const upload = '5f0c9a52-3b1e-4c7d-8a66-2d9e1b7f4c10';
    const send = async (address: string): Promise<void> => {
      for (let from = 0; from < rows.length; from += 2000) await ask(`${address}/api/tables/${upload}/upload`, 'POST', rows.slice(from, from + 2000));
      await ask(`${address}/api/tables/${upload}/from-upload?rows=${rows.length}`, 'POST', head);
    };
    const whole = await killedIn(['--data', copyOf(demo), '--backups', 'none'], send);
    for (let i = 0; i < (isProof ? 8 : 1); i++) {
      const folder = copyOf(demo);
      await killedIn(['--data', folder, '--backups', 'none'], send, Math.round(whole * (0.3 + 0.7 * d.next())));
      // The next start sweeps away what nobody made a table of.
      await killedIn(['--data', folder, '--backups', 'none'], (address) => ask(`${address}/api/health`));
      await inside(folder, async (database) => {
        const [left] = await database.query<{ n: number }>('select count(*)::int as n from table_rows where table_id = $1', [upload]);
        const isMade = (await database.query('select 1 from tables where id = $1', [upload])).length > 0;
        expect(left?.n).toBe(isMade ? rows.length : 0);
      });
    }
  }, 600_000);

  it(`while a backup is restored, what there was or what is restored is there, whole (seed ${seed})`, async () => {
    const base = copyOf(demo);
    const [kept, backups] = [path.join(around, 'kept'), path.join(around, 'backups')];
    let name = '';
    await killedIn(['--data', base, '--backups', backups], async (address) => {
      name = String((await ask(`${address}/api/backups`, 'POST', {})).json['name']);
    });
    const before = await inside(base, truthOf);
    const after = await inside(base, async (database) => {
      const { tables } = createStores(database);
      const [one, two] = await tables.list();
      if (!one || !two) throw new Error('The demo data has tables');
      await tables.save(one.id, one.revision, gridTable(200, 6));
      await tables.delete(two.id);
      return truthOf(database);
    });
    fs.cpSync(backups, kept, { recursive: true });
    const restore = (address: string): Promise<unknown> => ask(`${address}/api/backups/${name}/restore`, 'POST', {});
    const run = async (moment?: number): Promise<number> => {
      const [folder, own] = [copyOf(base), path.join(around, `backups-${made++}`)];
      fs.cpSync(kept, own, { recursive: true });
      const took = await killedIn(['--data', folder, '--backups', own], restore, moment);
      await inside(folder, async (database) => {
        const lost = await Promise.all([before, after].map((truth) => lostOf(truth, database)));
        expect(Math.min(...lost.map(({ length }) => length)))
          .withContext(`killed after ${moment} ms: ${JSON.stringify(lost)}`)
          .toBe(0);
        if (moment === undefined) expect(lost[0]).toEqual([]);
      });
      return took;
    };
    const whole = await run();
    for (let i = 0; i < (isProof ? 10 : 1); i++) await run(Math.round(whole * d.next()));
  }, 600_000);

  it(`while a backup is made, nothing is lost and every backup that is listed can be restored (seed ${seed})`, async () => {
    const [folder, backups] = [copyOf(demo), path.join(around, 'backups-made')];
    const truth = await inside(folder, truthOf);
    const make = (address: string): Promise<unknown> => ask(`${address}/api/backups`, 'POST', {});
    const whole = await killedIn(['--data', folder, '--backups', backups], make);
    for (let i = 0; i < (isProof ? 10 : 1); i++) await killedIn(['--data', folder, '--backups', backups], make, Math.round(whole * d.next()));
    let listed: readonly { readonly name: string }[] = [];
    await killedIn(['--data', folder, '--backups', backups], async (address) => {
      listed = (await ask(`${address}/api/backups`)).json['kept'] as typeof listed;
    });
    expect(listed.length).toBeGreaterThan(0);
    for (const { name } of listed) await tried({ file: path.join(backups, name), isForeign: false }, openBare);
    // What was half made is swept away by the next start.
    expect(fs.readdirSync(backups).sort()).toEqual(listed.map(({ name }) => name).sort());
    expect(await inside(folder, (database) => lostOf(truth, database))).toEqual([]);
  }, 600_000);
});
