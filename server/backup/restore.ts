import type { BackupCounts } from '../../core/documents';
import { migrate, migrationNames } from '../database/migrate';
import type { Database, Queries } from '../database/database';
import { BackupError, backupError, openBackup, type OpenBackup } from './archive';
import { bytesName, layoutOf, layoutsIn, type Layout } from './layout';
import { countsOf, type Piece } from './pieces';

/**
 * Puts what a backup holds in the place of everything that is there, in the transaction that is given. The schema has to be the one
 * that it was made of.
 */
export async function putBack(queries: Queries, backup: OpenBackup): Promise<void> {
  for (const { table } of [...(await layoutsIn(queries))].reverse()) await queries.query(`delete from ${table}`);
  /** Bytes come right before the row whose they are. */
  let ahead: Piece | undefined;
  for await (const piece of backup.pieces()) {
    const layout = layoutOf(piece.name);
    if (!layout) {
      ahead = piece;
      continue;
    }
    await insert(queries, layout, piece, ahead);
    ahead = undefined;
  }
}

async function insert(queries: Queries, layout: Layout, { name, content }: Piece, ahead: Piece | undefined): Promise<void> {
  const { table, bytes } = layout;
  const rows = content.toString('utf8');
  if (bytes === undefined)
    return void (await queries.query(`insert into ${table} select * from json_populate_recordset(null::${table}, $1::json)`, [rows]));
  const [row] = JSON.parse(rows) as readonly Readonly<Record<string, unknown>>[];
  if (ahead?.name !== bytesName(layout, String(row?.['id']))) throw new BackupError(`The backup is not whole: what ${name} describes is missing.`);
  const others = Object.keys(row ?? {}).filter((each) => /^[a-z_]+$/.test(each));
  await queries.query(
    `insert into ${table} (${[...others, bytes].join(', ')}) select ${[...others.map((each) => `r.${each}`), '$2::bytea'].join(', ')}
     from json_populate_recordset(null::${table}, $1::json) r`,
    [rows, ahead.content],
  );
}

/** Whether the data of this version has the very form of a backup's. Throws BackupError for one of a newer version. */
export function isOfThisVersion({ head: { schema } }: OpenBackup): boolean {
  const names = migrationNames();
  const unknown = schema.find((name, i) => names[i] !== name);
  if (unknown !== undefined)
    throw new BackupError(`The backup was made by a newer version of Zest Pane (it has ${unknown}). Restore it with that one.`);
  return schema.length === names.length;
}

/**
 * Brings what a backup holds into a database that has nothing yet, not even a schema: in the form that it was made of, then brought
 * up to date as a data folder of that version is.
 */
export async function fill(database: Database, backup: OpenBackup): Promise<BackupCounts> {
  isOfThisVersion(backup);
  await migrate(database, backup.head.schema.length);
  await database.transaction((queries) => putBack(queries, backup));
  await migrate(database);
  return countsOf(database);
}

/** Restores into a database that is in use: all of it or nothing. The backup has to be of this version: a trial brings older ones up to it. */
export async function restoreInto(database: Database, file: string): Promise<void> {
  const backup = await openBackup(file);
  try {
    if (!isOfThisVersion(backup)) throw new BackupError('The backup is of an older version and was not brought up to date.');
    await database.transaction((queries) => putBack(queries, backup));
  } catch (error) {
    throw backupError(error, 'The backup cannot be restored:');
  } finally {
    backup.close();
  }
}
