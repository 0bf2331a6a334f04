import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { createStores } from '../app';
import { loadDemo } from '../demo';
import { openFolder } from './open';

describe('A data folder that was damaged', () => {
  let around: string;
  let whole: string;

  beforeAll(async () => {
    around = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-damage-'));
    whole = path.join(around, 'whole');
    const database = await openFolder(whole);
    await loadDemo(database);
    await database.close();
  });
  afterAll(() => fs.rmSync(around, { recursive: true, force: true }));

  const within = (folder: string, ...rest: readonly string[]): string => path.join(folder, 'database', ...rest);
  const zeroed = (file: string): void => fs.writeFileSync(file, Buffer.alloc(fs.statSync(file).size));
  const damages: readonly (readonly [string, (folder: string) => void])[] = [
    ['its version gone', (folder) => fs.rmSync(within(folder, 'PG_VERSION'))],
    ['an empty control file', (folder) => fs.writeFileSync(within(folder, 'global', 'pg_control'), '')],
    ['a zeroed control file', (folder) => zeroed(within(folder, 'global', 'pg_control'))],
    ['garbage in its control file', (folder) => fs.writeFileSync(within(folder, 'global', 'pg_control'), Buffer.alloc(8192, 'x'))],
    [
      'a zeroed log',
      (folder) =>
        fs
          .readdirSync(within(folder, 'pg_wal'), { withFileTypes: true })
          .forEach((each) => each.isFile() && zeroed(within(folder, 'pg_wal', each.name))),
    ],
    ['no log', (folder) => fs.rmSync(within(folder, 'pg_wal'), { recursive: true })],
    ['no catalogue', (folder) => fs.rmSync(within(folder, 'base'), { recursive: true })],
  ];
  for (const [what, damage] of damages)
    it(`with ${what} is told in one sentence, and nothing in it is changed`, async () => {
      const folder = path.join(around, what.replaceAll(' ', '-'));
      fs.cpSync(whole, folder, { recursive: true });
      damage(folder);
      const before = namesIn(folder);
      await expectAsync(openFolder(folder)).toBeRejectedWithError(
        /^The data in .* is damaged and cannot be opened \(.+\)\. Nothing in it was changed: /,
      );
      expect(namesIn(folder)).toEqual(before);
    });

  it('only by garbage where its owner is named opens as ever', async () => {
    const folder = path.join(around, 'owner');
    fs.cpSync(whole, folder, { recursive: true });
    fs.writeFileSync(path.join(folder, 'owner.lock'), '\u0000\u0001 not JSON {');
    const database = await openFolder(folder);
    expect((await createStores(database).pages.list()).length).toBeGreaterThan(0);
    await database.close();
  });
});

const namesIn = (folder: string): readonly string[] => (fs.readdirSync(folder, { recursive: true }) as string[]).sort();
