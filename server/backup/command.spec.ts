import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { createStores } from '../app';
import { FolderError } from '../database/lock';
import { DamagedFolder, openFolder, restoredMark } from '../database/open';
import { gridTable } from '../../core/tests/themes';
import { BackupError } from './archive';
import { openBare } from '../tests/memory';
import { backupTo, newestIn, restoreFrom, type Doing } from './command';
import { tried } from './trial';

describe('npm start -- --backup and --restore', () => {
  let around: string;
  let data: string;
  let file: string;
  const said: string[] = [];
  const doing: Doing = { say: (text) => void said.push(text), tried: (trial) => tried(trial, openBare) };
  let first = '';
  const names = async (folder: string): Promise<readonly string[]> => {
    const database = await openFolder(folder);
    const all = (await createStores(database).tables.list()).map(({ document }) => document.name);
    await database.close();
    return all;
  };
  const put = async (name: string): Promise<void> => {
    const database = await openFolder(data);
    await createStores(database).tables.create({ ...gridTable(3, 2), name });
    await database.close();
  };
  const beside = (): readonly string[] => fs.readdirSync(around).filter((name) => name.startsWith('data'));

  beforeAll(async () => {
    around = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-command-'));
    data = path.join(around, 'data');
    file = path.join(around, 'copies', 'one.zip');
    await put('First');
    await backupTo(data, file, doing);
    first = said[0] ?? '';
  }, 120_000);
  afterAll(() => fs.rmSync(around, { recursive: true, force: true }));

  it('write everything to a file, which is tried, and never over one that is there', async () => {
    expect(first).toMatch(/one\.zip holds 0 themes, 1 table, 0 pages and 0 pictures, and can be restored: it was tried\.$/);
    await expectAsync(backupTo(data, file, doing)).toBeRejectedWithError(BackupError, /already/);
    await expectAsync(backupTo(path.join(around, 'none'), path.join(around, 'x.zip'), doing)).toBeRejectedWithError(
      BackupError,
      /nothing in the data folder/,
    );
    expect(fs.existsSync(path.join(around, 'none'))).toBeFalse();
  });

  it('put a backup in the place of the folder, which stays beside it; also of one that is damaged', async () => {
    await put('Second');
    said.length = 0;
    await restoreFrom(data, file, doing);
    expect(said.join('\n')).toMatch(
      /holds 0 themes, 1 table, .*\nIt replaces 0 themes, 2 tables, .*\nRestored\. What was there lies in .*data\.before-/,
    );
    expect(await names(data)).toEqual(['First']);
    const [before = ''] = beside().filter((name) => name.includes('.before-'));
    expect([...(await names(path.join(around, before)))].sort()).toEqual(['First', 'Second']);
    expect(fs.existsSync(`${data}.restoring`)).toBeFalse();

    fs.writeFileSync(path.join(data, 'database', 'global', 'pg_control'), '');
    await expectAsync(openFolder(data)).toBeRejectedWithError(DamagedFolder);
    said.length = 0;
    // Its name says when, to the second.
    fs.renameSync(path.join(around, before), path.join(around, 'data.before-1'));
    await restoreFrom(data, file, doing);
    expect(said).toContain('It replaces a data folder that cannot be opened.');
    expect(await names(data)).toEqual(['First']);
  }, 120_000);

  it('leave everything as it is where the file is no backup, or another process has the folder', async () => {
    const wrong = path.join(around, 'wrong.zip');
    fs.writeFileSync(wrong, 'x');
    const before = beside();
    await expectAsync(restoreFrom(data, wrong, doing)).toBeRejectedWithError(BackupError, /no ZIP file/);
    expect(beside()).toEqual(before);
    const database = await openFolder(data);
    await expectAsync(restoreFrom(data, file, doing)).toBeRejectedWithError(FolderError, /in use by process/);
    await database.close();
    expect(await names(data)).toEqual(['First']);
  }, 60_000);

  it('that were cut off between the two moves are finished at the next start', async () => {
    fs.renameSync(data, `${data}.restoring`);
    fs.writeFileSync(path.join(`${data}.restoring`, restoredMark), '{}');
    expect(await names(data)).toEqual(['First']);
    expect(fs.existsSync(path.join(data, restoredMark))).toBeFalse();
    // One that was not yet whole is left where it is.
    fs.mkdirSync(`${data}.restoring`);
    fs.renameSync(data, path.join(around, 'aside'));
    expect(await names(data)).toEqual([]);
    fs.rmSync(data, { recursive: true });
    fs.renameSync(path.join(around, 'aside'), data);
    fs.rmdirSync(`${data}.restoring`);
  }, 60_000);

  it('offer the newest backup that can be read', async () => {
    const folder = path.join(around, 'many');
    fs.mkdirSync(folder);
    fs.copyFileSync(file, path.join(folder, 'a.zip'));
    fs.writeFileSync(path.join(folder, 'b.zip'), 'cut off');
    const all = (): boolean => true;
    expect((await newestIn(folder, all))?.file).toBe(path.join(folder, 'a.zip'));
    expect(await newestIn(path.join(around, 'nowhere'), all)).toBeUndefined();
  });
});
