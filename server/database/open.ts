import fs from 'node:fs';
import path from 'node:path';
import type { PGlite, Transaction } from '@electric-sql/pglite';
import type { Database, Queries } from './database';
import { DamageError, openDurable } from './durable';
import { FolderError, fullDisk, lockFolder } from './lock';
import { migrate } from './migrate';
import { roomAt } from './room';

/** A data folder whose database is there and cannot be opened. */
export class DamagedFolder extends FolderError {}

/** Bytes without which a start does not begin: the database writes a little when it is opened. */
const START_ROOM = 4_000_000;

/** The file that a restored data folder has when all of it is there. */
export const restoredMark = 'restored.json';

/** Moves a data folder that was restored to its place, if it was not yet: a cut may have come in between. */
export function finishRestore(folder: string): void {
  const made = `${folder}.restoring`;
  if (fs.existsSync(folder) || !fs.existsSync(path.join(made, restoredMark))) return;
  fs.renameSync(made, folder);
  fs.rmSync(path.join(folder, restoredMark));
}

/** Opens the database in a data folder, which this process then owns, and brings its schema up to date. */
export async function openFolder(folder: string): Promise<Database> {
  finishRestore(folder);
  const unlock = lockFolder(folder);
  try {
    if (roomAt(folder) < START_ROOM) throw new FolderError(fullDisk(folder));
    const inside = path.join(folder, 'database');
    const database = wrap(await openDurable(inside));
    await migrate(database);
    return {
      ...database,
      close: async () => {
        await database.close();
        unlock();
      },
    };
  } catch (error) {
    unlock();
    if (!(error instanceof DamageError)) throw error;
    throw new DamagedFolder(
      `The data in ${folder} is damaged and cannot be opened (${error.message}). Nothing in it was changed: put back a copy of the folder, or start with another by --data.`,
    );
  }
}

/** A PGlite database behind the interface that the server knows. */
export function wrap(pglite: PGlite): Database {
  const queries = (on: PGlite | Transaction): Queries => ({
    query: async <Row>(sql: string, values: readonly unknown[] = []) => (await on.query<Row>(sql, [...values])).rows,
  });
  return {
    ...queries(pglite),
    transaction: <Result>(work: (inside: Queries) => Promise<Result>) => pglite.transaction((transaction) => work(queries(transaction))),
    close: () => pglite.close(),
  };
}
