import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { dice, type Dice } from '../../core/tests/random';
import { askedFor } from '../../core/tests/seeded';
import type { Theme } from '../../core/theme';
import { createStores } from '../../server/app';
import type { Database } from '../../server/database/database';
import { openDurable } from '../../server/database/durable';
import { migrate } from '../../server/database/migrate';
import { openFolder, wrap } from '../../server/database/open';
import { loadDemo } from '../../server/demo';
import { ForgetfulDisk, type Remains } from './disk';
import { lostOf, truthOf, Work, type Truth } from './work';

/** What was left at a moment, and what had been acknowledged by then. */
interface Moment {
  readonly remains: Remains;
  readonly truth: Truth;
}

/** Picks a few of all the moments that come by, each as likely as any other, without knowing how many there will be (reservoir sampling). */
class Moments {
  readonly picked: Moment[] = [];
  private seen = 0;
  constructor(
    private readonly dice: Dice,
    private readonly wanted: number,
  ) {}

  came(moment: () => Moment): void {
    const at = this.seen++ < this.wanted ? this.picked.length : this.dice.whole(0, this.seen - 1);
    if (at < this.wanted) this.picked[at] = moment();
  }
}

/** A share of `npm run prove -- power`, which looks at 200 moments. */
describe('When the power goes, at any moment', () => {
  const { isProof, seed } = askedFor();
  const rounds = isProof ? 10 : 1;
  let around: string;
  /** A database with the demo data, and one as the first version left it, whose documents later ones move on. */
  let filled: string;
  let first: string;

  beforeAll(async () => {
    around = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-power-'));
    filled = path.join(around, 'filled');
    first = path.join(around, 'first');
    await (await openDurable(path.join(first, 'database'))).close();
    fs.cpSync(first, filled, { recursive: true });
    const old = wrap(await openDurable(path.join(first, 'database')));
    await migrate(old, 1);
    for (let i = 0; i < 40; i++)
      await old.query(`insert into themes (id, key, document) values ($1, $2, $3)`, [
        `theme-${i}`,
        `old${i}`,
        JSON.stringify({ format: 'zest-theme/1', name: `Old ${i}`, starter: 'hairline', swatches: [], values: {} }),
      ]);
    await old.close();
    const database = await openFolder(filled);
    await loadDemo(database);
    await database.close();
  });

  afterAll(() => fs.rmSync(around, { recursive: true, force: true }));

  let made = 0;
  /** Does some work on a folder, and gives what would have been left of it at a few moments. */
  async function cutOff(
    from: string | undefined,
    wanted: number,
    work: (folder: string, disk: Looking) => Promise<void>,
  ): Promise<readonly [ForgetfulDisk, Moments]> {
    const folder = path.join(around, `run-${made++}`);
    if (from === undefined) fs.mkdirSync(folder);
    else fs.cpSync(from, folder, { recursive: true });
    const moments = new Moments(dice(seed + made), wanted - 1);
    const looking: Looking = { truth: new Map() };
    const disk = new ForgetfulDisk(folder, () => moments.came(() => ({ remains: disk.remains(), truth: looking.truth })));
    disk.adopt();
    disk.watch();
    try {
      await work(folder, looking);
      // And the one at which nothing is under way.
      moments.picked.push({ remains: disk.remains(), truth: looking.truth });
    } finally {
      disk.leave();
    }
    return [disk, moments];
  }

  /** Opens what was left at each moment, as a start does. */
  async function opened(disk: ForgetfulDisk, { picked }: Moments, check: (database: Database, truth: Truth) => Promise<void>): Promise<void> {
    for (const { remains, truth } of picked) {
      const folder = path.join(around, `left-${made++}`);
      disk.lay(remains, folder);
      const database = await openFolder(folder);
      await loadDemo(database);
      await check(database, truth);
      await database.close();
      fs.rmSync(folder, { recursive: true, force: true });
    }
  }

  for (let round = 0; round < rounds; round++) {
    it(`of mixed work, nothing that was acknowledged is lost (seed ${seed + round})`, async () => {
      const [disk, moments] = await cutOff(filled, isProof ? 14 : 6, async (folder, looking) => {
        const database = await openFolder(folder);
        const work = new Work(database, dice(seed + round), await truthOf(database));
        for (let i = 0; i < 60; i++) {
          looking.truth = work.truth;
          await work.one();
          if (i % 20 === 19) await database.query('checkpoint');
        }
        looking.truth = work.truth;
        await database.close();
      });
      expect(disk.flushes).toBeGreaterThan(60);
      await opened(disk, moments, async (database, truth) => expect(await lostOf(truth, database)).toEqual([]));
    }, 600_000);

    it(`of bringing an older folder up to date, its documents are all there (seed ${seed + round})`, async () => {
      const [disk, moments] = await cutOff(first, isProof ? 4 : 2, async (folder) => (await openFolder(folder)).close());
      await opened(disk, moments, async (database) => {
        const themes = await createStores(database).themes.list();
        expect(themes.map(({ document }) => document.name).sort()).toEqual(Array.from({ length: 40 }, (_, i) => `Old ${i}`).sort());
      });
    }, 600_000);

    it(`of the first start, the next one begins again and has the whole demo data (seed ${seed + round})`, async () => {
      const [disk, moments] = await cutOff(undefined, 2, async (folder, looking) => {
        const database = await openFolder(folder);
        await loadDemo(database);
        looking.truth = await truthOf(database);
        await createStores(database).themes.create(await themeOf(database), 'one-more');
        looking.truth = await truthOf(database);
        await database.close();
      });
      const whole = fs.readdirSync(path.join('demo', 'pages')).length;
      await opened(disk, moments, async (database, truth) => {
        expect((await createStores(database).pages.list()).length).toBe(whole);
        expect(await lostOf(truth, database)).toEqual([]);
      });
    }, 600_000);
  }
});

const themeOf = async (database: Database): Promise<Theme> => (await createStores(database).themes.get('harbour-dusk')).document;

interface Looking {
  truth: Truth;
}
