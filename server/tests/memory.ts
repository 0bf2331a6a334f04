import { PGlite } from '@electric-sql/pglite';
import type { Database } from '../database/database';
import { migrate } from '../database/migrate';
import { wrap } from '../database/open';

/** A database as it is when it has just been made, as one file. Making one takes seconds, unpacking it a fraction of that. */
let made: Promise<Blob> | undefined;

async function make(): Promise<Blob> {
  const first = await PGlite.create();
  const packed = await first.dumpDataDir('none');
  await first.close();
  return packed;
}

/** A database in memory with nothing in it, not even our tables. */
export async function openBare(): Promise<Database> {
  return wrap(await PGlite.create({ loadDataDir: await (made ??= make()) }));
}

/** A database in memory, as it is after so many migrations; after all of them where nothing is said. */
export async function openMemory(upTo?: number): Promise<Database> {
  const database = await openBare();
  await migrate(database, upTo);
  return database;
}
