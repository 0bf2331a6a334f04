import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { createHash } from 'node:crypto';
import { ZipFile } from 'yazl';
import { pipeline } from 'node:stream/promises';
import { createStores } from '../app';
import type { Database } from '../database/database';
import { migrate, migrationNames } from '../database/migrate';
import { loadDemo } from '../demo';
import { openBare, openMemory } from '../tests/memory';
import { gridTable, themeWith } from '../../core/tests/themes';
import { setCell } from '../../core/table';
import { BackupError, openBackup, writeBackup } from './archive';
import { seasonPasses } from '../../core/examples';
import { asides, layouts } from './layout';
import { piecesOf } from './pieces';
import { restoreInto } from './restore';
import { tried } from './trial';

const PIXEL = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64');

/** Everything that a database keeps, as texts. */
async function allOf(database: Database): Promise<readonly (readonly [string, string])[]> {
  return database.transaction(async (queries) => {
    const found: [string, string][] = [];
    for await (const { name, content } of piecesOf(queries)) found.push([name, content.toString('base64')]);
    return found;
  });
}

describe('A backup', () => {
  let folder: string;
  let database: Database;
  let file: string;
  beforeAll(async () => {
    folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-backup-'));
    database = await openMemory();
    await loadDemo(database);
    const { tables, themes, media, pricings } = createStores(database);
    await pricings.create(seasonPasses);
    await media.keep('one.png', PIXEL);
    const table = gridTable(3000, 6);
    const { id } = await tables.create({ ...table, name: 'Λιμάνια ميناء' });
    await tables.change(id, 1, { change: { rows: [{ at: 5, cells: [[1, 'new']] }] }, said: ['type in row 6'] });
    await tables.publish(id);
    await tables.publish(id);
    const [gone] = await themes.list();
    await themes.delete(gone?.id ?? '');
    file = path.join(folder, 'whole.zip');
    await writeBackup(database, file, 'asked', new Date('2026-11-29T05:00:00Z'));
  }, 120_000);
  afterAll(async () => {
    await database.close();
    fs.rmSync(folder, { recursive: true, force: true });
  });

  it('has a place for every SQL table, so that none is forgotten', async () => {
    const found = await database.query<{ name: string }>("select table_name as name from information_schema.tables where table_schema = 'public'");
    expect(found.map(({ name }) => name).sort()).toEqual([...layouts.map(({ table }) => table), ...asides].sort());
  });

  it('gives everything back as it was: documents, editions, histories, rows, pictures, what lies deleted', async () => {
    const other = await openMemory();
    await restoreInto(other, file);
    expect(await allOf(other)).toEqual(await allOf(database));
    await other.close();
  });

  it('replaces what was there, and can be taken back by a backup of that', async () => {
    const other = await openMemory();
    const { tables } = createStores(other);
    const { id } = await tables.create(setCell(gridTable(3, 3), 1, 1, 'mine'));
    const before = await allOf(other);
    await writeBackup(other, path.join(folder, 'before.zip'), 'before-restore');
    await restoreInto(other, file);
    await expectAsync(tables.get(id)).toBeRejected();
    await restoreInto(other, path.join(folder, 'before.zip'));
    expect(await allOf(other)).toEqual(before);
    expect((await tables.get(id)).document.rows[1]?.[1]).toBe('mine');
    await other.close();
  });

  it('holds one moment, though others go on while it is made', async () => {
    const other = await openMemory();
    const { tables } = createStores(other);
    const { id } = await tables.create(gridTable(2000, 3));
    const making = writeBackup(other, path.join(folder, 'moment.zip'), 'asked');
    let revision = 1;
    for (let i = 0; i < 10; i++)
      ({ revision } = await tables.change(id, revision, {
        change: { head: { caption: `c${i}` }, rows: [{ at: i, cells: [[0, `c${i}`]] }] },
        said: [],
      }));
    await making;
    await restoreInto(other, path.join(folder, 'moment.zip'));
    const { document } = await tables.get(id);
    const typed = document.rows.filter(([first]) => typeof first === 'string' && /^c\d$/.test(first)).length;
    expect(document.caption).toBe(typed === 0 ? '' : `c${typed - 1}`);
    await other.close();
  });

  it('is tried by restoring it, and says how much it holds', async () => {
    const { head, isOlder } = await tried({ file, isForeign: true }, openBare);
    const { themes, tables, pages, pricings } = createStores(database);
    expect(isOlder).toBeFalse();
    expect(head.counts).toEqual({
      themes: (await themes.list()).length,
      tables: (await tables.list()).length,
      pages: (await pages.list()).length,
      pictures: 1,
      pricings: (await pricings.list()).length,
    });
  });

  it('of the first version that had everything is brought up to this one', async () => {
    // Migration 015 made the last of the SQL tables that a backup has.
    const first = migrationNames().findIndex((name) => name.startsWith('015-')) + 1;
    expect(first).toBeLessThan(migrationNames().length);
    const old = await openMemory(first);
    const themes = 'select id, key, document from themes order by id';
    await old.query('insert into themes (id, key, document) select id, key, document from json_populate_recordset(null::themes, $1::json)', [
      JSON.stringify(await database.query(themes)),
    ]);
    const [from, to] = [path.join(folder, 'old.zip'), path.join(folder, 'new.zip')];
    await writeBackup(old, from, 'schedule');
    await old.close();
    const other = await openMemory();
    await expectAsync(restoreInto(other, from)).toBeRejectedWithError(BackupError, /older version/);
    expect((await tried({ file: from, isForeign: true, upgradeTo: to }, openBare)).isOlder).toBeTrue();
    await restoreInto(other, to);
    expect(await other.query(themes)).toEqual(await database.query(themes));
    await other.close();
  });

  describe('is refused with a sentence, and nothing is changed,', () => {
    const copies: readonly (readonly [string, (content: Buffer) => Buffer, RegExp])[] = [
      ['cut off', (content) => content.subarray(0, content.length / 2), /no ZIP file, or was cut off/],
      ['with a byte turned', (content) => turned(content), /damaged/],
      ['as another file', () => Buffer.from('%PDF-1.7 not one of ours'), /no ZIP file/],
      ['empty', () => Buffer.alloc(0), /no ZIP file/],
    ];
    for (const [what, spoil, sentence] of copies)
      it(what, async () => {
        const spoilt = path.join(folder, `${what.replaceAll(' ', '-')}.zip`);
        fs.writeFileSync(spoilt, spoil(fs.readFileSync(file)));
        const other = await openMemory();
        const before = await allOf(other);
        await expectAsync(restoreInto(other, spoilt)).toBeRejectedWithError(BackupError, sentence);
        expect(await allOf(other)).toEqual(before);
        await other.close();
      });

    it('of a newer version', async () => {
      const newer = await openMemory();
      await newer.query("insert into migrations (name) values ('999-later.sql')");
      const later = path.join(folder, 'later.zip');
      await writeBackup(newer, later, 'asked');
      await newer.close();
      await expectAsync(restoreInto(database, later)).toBeRejectedWithError(BackupError, /newer version of Zest Pane \(it has 999-later\.sql\)/);
    });

    it('with a picture that runs something, or a document that is none', async () => {
      for (const [sql, values, sentence] of [
        [
          "insert into media (id, name, type, content) values ('x.svg', 'x', 'image/svg+xml', $1)",
          [Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>')],
          /picture x\.svg/,
        ],
        ['insert into pages (id, document) values (\'p\', \'{"format": "zest-page/5", "name": "Bad"}\')', [], /page “Bad”/],
        [
          `with t as (insert into themes (id, key, document) values ('t', 't', $1::jsonb) returning id)
           insert into theme_editions (theme_id, number, document, stands_on) select id, 1, $1::jsonb, '[{"id": 7}]' from t`,
          [JSON.stringify(themeWith({}))],
          /Edition 1 of the theme t in it does not say what it stands on/,
        ],
        ['update house set document = \'{"format": "none"}\'', [], /house stylesheet/],
      ] as const) {
        const bad = await openMemory();
        await bad.query(sql, [...values]);
        const badFile = path.join(folder, 'bad.zip');
        await writeBackup(bad, badFile, 'asked');
        await bad.close();
        await expectAsync(tried({ file: badFile, isForeign: true }, openBare)).toBeRejectedWithError(BackupError, sentence);
      }
    });

    it('that says of a file that it is small, and it is not', async () => {
      const bomb = path.join(folder, 'bomb.zip');
      const { head, close } = await openBackup(file);
      close();
      const zip = new ZipFile();
      const lie = { name: 'themes/a.json', bytes: 100, sha256: createHash('sha256').update('x').digest('hex') };
      zip.addBuffer(Buffer.from(JSON.stringify({ ...head, files: [lie] })), 'backup.json');
      zip.addBuffer(Buffer.alloc(50_000_000), 'themes/a.json');
      zip.end();
      await pipeline(zip.outputStream, fs.createWriteStream(bomb));
      await expectAsync(tried({ file: bomb, isForeign: true }, openBare)).toBeRejectedWithError(BackupError, /holds more than it says/);
    });
  });

  it('leaves nothing behind where it could not be written', async () => {
    const closed = await openBare();
    await migrate(closed);
    await closed.close();
    await expectAsync(writeBackup(closed, path.join(folder, 'never.zip'), 'asked')).toBeRejected();
    expect(fs.readdirSync(folder).filter((name) => name.startsWith('never'))).toEqual([]);
  });
});

/** A byte in the middle of what is packed, turned. */
function turned(content: Buffer): Buffer {
  const copy = Buffer.from(content);
  const at = Math.floor(copy.length / 3);
  copy[at] = (copy[at] ?? 0) ^ 0xff;
  return copy;
}
