import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Backups, KeptBackup } from '../../core/documents';
import { gridTable } from '../../core/tests/themes';
import type { Database } from '../database/database';
import { RESERVE } from '../database/room';
import { loadDemo } from '../demo';
import { openBare } from '../tests/memory';
import { ask, runServer, type Running } from '../tests/running';
import { openBackup } from './archive';
import { triedInThread } from './in-thread';
import { BackupKeeping } from './keeping';
import { tried } from './trial';

const HOUR = 3_600_000;

describe('Backups of a server', () => {
  let around: string;
  let folder: string;
  let server: Running;
  let keeping: BackupKeeping;
  let room: number;
  let now: Date;
  beforeAll(async () => {
    around = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-keeping-'));
    const made = (database: Database): BackupKeeping =>
      (keeping = new BackupKeeping({
        database,
        folder: path.join(around, 'backups'),
        room: () => room,
        tried: (trial) => tried(trial, openBare),
        log: () => undefined,
        now: () => now,
      }));
    server = await runServer({ backups: made });
    folder = keeping.folder;
    await loadDemo(server.database);
  }, 60_000);
  beforeEach(() => {
    room = 1e12;
    now = new Date(now ? now.getTime() + 2 * HOUR : Date.parse('2026-11-29T05:00:00Z'));
  });
  afterAll(async () => {
    await server.close();
    fs.rmSync(around, { recursive: true, force: true });
  });

  const at = (rest = ''): string => `${server.url}/api/backups${rest}`;
  const all = async (): Promise<Backups> => (await ask(at())).json as unknown as Backups;
  const made = async (): Promise<KeptBackup> => (await ask(at(), 'POST')).json as unknown as KeptBackup;
  const newTable = async (name: string): Promise<string> =>
    String((await ask(`${server.url}/api/tables`, 'POST', { ...gridTable(3, 2), name })).json['id']);

  it('are made, listed with what they hold, handed out and taken away', async () => {
    const { name, counts } = await made();
    const { kept, counts: there } = await all();
    expect(counts).toEqual(there);
    expect(kept.map((each) => each.name)).toContain(name);
    const file = Buffer.from(await (await fetch(at(`/${name}`))).arrayBuffer());
    expect(file).toEqual(fs.readFileSync(path.join(folder, name)));
    expect((await ask(at(`/${name}`), 'DELETE')).status).toBe(204);
    expect((await all()).kept.map((each) => each.name)).not.toContain(name);
    expect(fs.readdirSync(folder).filter((each) => !each.endsWith('.zip'))).toEqual([]);
  });

  it('bring everything back, and what was there is a backup of its own; pages are compiled anew', async () => {
    const { slug } = ((await ask(`${server.url}/api/pages`)).json as unknown as { live?: { slug: string } }[]).flatMap(
      ({ live }) => live ?? [],
    )[0] ?? { slug: '' };
    const page = async (): Promise<string> => (await ask(`${server.url}/site/${slug}`)).text;
    const before = await page();
    const { name } = await made();
    const id = await newTable('Made after it');
    for (const table of (await ask(`${server.url}/api/pages`)).json as unknown as { id: string }[])
      await ask(`${server.url}/api/pages/${table.id}/publish`, 'DELETE');
    expect((await ask(`${server.url}/site/${slug}`)).status).toBe(404);
    now = new Date(now.getTime() + 1000);
    const restored = await ask(at(`/${name}/restore`), 'POST');
    expect(restored.status).withContext(restored.text).toBe(200);
    expect((await ask(`${server.url}/api/tables/${id}`)).status).toBe(404);
    expect(await page()).toBe(before);
    expect(restored.json['reason']).toBe('before-restore');
    now = new Date(now.getTime() + 1000);
    await ask(at(`/${String(restored.json['name'])}/restore`), 'POST');
    expect((await ask(`${server.url}/api/tables/${id}`)).status).toBe(200);
    now = new Date(now.getTime() + 1000);
    await ask(at(`/${name}/restore`), 'POST');
  });

  it('are brought in as files, and refused with what is wrong with them', async () => {
    const { name } = await made();
    const content = fs.readFileSync(path.join(folder, name));
    now = new Date(now.getTime() + 1000);
    const send = async (body: Buffer): Promise<Response> =>
      fetch(at('/brought'), { method: 'POST', body: new Uint8Array(body), headers: { 'Content-Type': 'application/zip' } });
    const brought = await send(content);
    expect(brought.status).toBe(201);
    expect(((await brought.json()) as KeptBackup).reason).toBe('brought-in');
    const count = fs.readdirSync(folder).length;
    for (const [bad, sentence] of [
      [Buffer.from('no ZIP file'), /no ZIP file/],
      [content.subarray(0, 5000), /cut off/],
    ] as const) {
      const answer = await send(bad);
      expect(answer.status).toBe(400);
      expect(((await answer.json()) as { detail: string }).detail).toMatch(sentence);
    }
    expect((await fetch(at('/brought'), { method: 'POST' })).status).toBe(400);
    expect(fs.readdirSync(folder).length).toBe(count);
  });

  it('of other names, and of names that lead elsewhere, are not there', async () => {
    fs.writeFileSync(path.join(around, 'secret.zip'), 'x');
    for (const name of ['none.zip', '..%2Fsecret.zip', 'zest-20010101-050000-000-asked.zip', 'constructor'])
      for (const [method, rest] of [
        ['GET', ''],
        ['DELETE', ''],
        ['POST', '/restore'],
      ] as const)
        expect((await ask(at(`/${name}${rest}`), method)).status)
          .withContext(`${method} ${name}`)
          .toBeGreaterThanOrEqual(400);
    expect(fs.existsSync(path.join(around, 'secret.zip'))).toBeTrue();
  });

  it('are made by themselves an hour after the last, only where something was kept, and thinned out', async () => {
    await keeping.look();
    const scheduled = async (): Promise<number> => (await all()).kept.filter(({ reason }) => reason === 'schedule').length;
    const before = await scheduled();
    now = new Date(now.getTime() + 2 * HOUR);
    await keeping.look();
    expect(await scheduled()).toBe(before);
    await newTable('Kept later');
    await keeping.look();
    expect(await scheduled()).toBe(before + 1);
    await newTable('Kept within the hour');
    now = new Date(now.getTime() + HOUR / 2);
    await keeping.look();
    expect(await scheduled()).toBe(before + 1);
    // Years later, of all of them the newest is left; those that were asked for stay.
    const asked = (await all()).kept.filter(({ reason }) => reason !== 'schedule').length;
    now = new Date(now.getTime() + 1000 * 24 * HOUR);
    await keeping.look();
    expect(await scheduled()).toBe(1);
    expect((await all()).kept.length).toBe(asked + 1);
  });

  it('say where there is no room for one, and never take what refusing saves needs', async () => {
    room = RESERVE + 1_000_000;
    const answer = await ask(at(), 'POST');
    expect([answer.status, answer.json['detail']]).toEqual([
      400,
      jasmine.stringMatching(/^There is too little room for a backup in .+ MB are left\.$/),
    ]);
    expect((await all()).trouble).toMatch(/too little room/);
    room = 1e12;
    await made();
    expect((await all()).trouble).toBe('');
  });

  it('tell what was spoilt since the newest, though nobody changed it', async () => {
    const id = await newTable('Spoilt');
    const other = await newTable('Changed by its owner');
    const third = await newTable('Gone');
    const fourth = await newTable('Deleted by its owner');
    const { name } = await made();
    await keeping.compare();
    expect((await all()).damage).toEqual([]);
    await ask(`${server.url}/api/tables/${other}`, 'PATCH', { change: { rows: [{ at: 1, cells: [[0, 'x']] }] }, said: ['x'] }, { 'If-Match': '"1"' });
    await ask(`${server.url}/api/tables/${fourth}`, 'DELETE');
    await keeping.compare();
    expect((await all()).damage).toEqual([]);
    await server.database.query(
      `update table_rows set cells = '["zeroed", ""]' where table_id = $1 and place = (select max(place) from table_rows where table_id = $1)`,
      [id],
    );
    await server.database.query('delete from table_rows where table_id = $1', [third]);
    await server.database.query('delete from tables where id = $1', [third]);
    await server.database.query(
      `update theme_editions set document = document || '{"name": "spoilt"}' where (theme_id, number) = (select theme_id, number from theme_editions limit 1)`,
    );
    await server.database.query("update row_sets set rows = '[]' where id = (select id from row_sets limit 1)");
    await keeping.compare();
    expect([...(await all()).damage].sort()).toEqual([
      'Rows of the table “Spoilt” are spoilt.',
      'The rows of an edition of a table are spoilt.',
      'The table “Gone” is gone.',
      jasmine.stringMatching(/^What was published with the theme “.+” is spoilt\.$/),
    ]);
    now = new Date(now.getTime() + 1000);
    expect((await ask(at(`/${name}/restore`), 'POST')).status).toBe(200);
    expect((await all()).damage).toEqual([]);
    expect((await ask(`${server.url}/api/tables/${third}`)).status).toBe(200);
  });

  it('are tried in a thread as well as here', async () => {
    const { name } = await made();
    const file = path.join(folder, name);
    const { head, close } = await openBackup(file);
    close();
    expect((await triedInThread({ file, isForeign: false })).head.counts).toEqual(head.counts);
    fs.writeFileSync(path.join(around, 'bad.zip'), 'x');
    await expectAsync(triedInThread({ file: path.join(around, 'bad.zip'), isForeign: true })).toBeRejectedWithError(/no ZIP file/);
  }, 60_000);
});

describe('A server without a folder for backups', () => {
  it('says so', async () => {
    const server = await runServer();
    expect((await ask(`${server.url}/api/backups`)).json['folder']).toBeNull();
    expect((await ask(`${server.url}/api/backups`, 'POST')).status).toBe(409);
    await server.close();
  });
});
