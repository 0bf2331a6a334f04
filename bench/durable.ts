import fs from 'node:fs';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { newFolder } from '../e2e/tools/server';
import { createStores } from '../server/app';
import type { Database } from '../server/database/database';
import { openFolder, wrap } from '../server/database/open';
import { loadDemo } from '../server/demo';
import { quantile, say } from './figures';

const AT_ONCE = 20;
const TURNS = 30;

/** What it costs that each answer is on the disk before it is given: saves a second beside the same database that flushes nothing. */
export async function benchDurable(): Promise<void> {
  const folder = newFolder();
  const durable = await openFolder(folder);
  await loadDemo(durable);
  await durable.query('checkpoint');
  const copy = newFolder();
  fs.cpSync(path.join(folder, 'database'), path.join(copy, 'database'), { recursive: true });
  const bare = wrap(await PGlite.create(path.join(copy, 'database')));
  const works = [saves(durable), saves(bare)];
  const times = works.map((): number[] => []);
  for (let run = 0; run < TURNS; run++)
    for (const [i, work] of works.entries()) {
      const begun = performance.now();
      await work();
      times[i]?.push(performance.now() - begun);
    }
  const [flushed = NaN, not = NaN] = times.map((each) => (AT_ONCE * 1000) / quantile(each, 0.5));
  say('saves of a theme a second, each on the disk before its answer', flushed.toFixed(0));
  say('the same where nothing is flushed; the one to the other', `${not.toFixed(0)}; ${(flushed / not).toFixed(2)}`);
  await durable.close();
  await bare.close();
}

function saves(database: Database): () => Promise<void> {
  const { themes } = createStores(database);
  return async () => {
    let kept = await themes.get('harbour-dusk');
    for (let i = 0; i < AT_ONCE; i++) kept = await themes.save(kept.id, kept.revision, { ...kept.document, name: `Saved ${i}` });
  };
}
