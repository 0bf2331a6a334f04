import { documentKinds, kindNames, type BackupHead, type KindName } from '../../core/documents';
import { readHouseDocument } from '../../core/house';
import { starterBases } from '../../core/theme';
import { readStanding } from '../themes/editions';
import type { Database } from '../database/database';
import { pictureKind } from '../media/picture-kind';
import { BackupError, backupError, openBackup, writeBackup } from './archive';
import { fill, isOfThisVersion } from './restore';
import { sha256 } from './pieces';

/** What a trial says: what the backup holds, and whether it had to be brought up to this version. */
export interface Tried {
  readonly head: BackupHead;
  readonly isOlder: boolean;
}

/** What is to be tried. */
export interface Trial {
  readonly file: string;
  /** Whether it may be anybody's: every document and picture in it is then read as those are that come from outside. */
  readonly isForeign: boolean;
  /** Where one of an older version is written anew, in this version's form. */
  readonly upgradeTo?: string;
}

/** Restores a backup into a database that has nothing else in it. Throws BackupError with what is wrong. */
export async function tried({ file, isForeign, upgradeTo }: Trial, empty: () => Promise<Database>): Promise<Tried> {
  const backup = await openBackup(file);
  const database = await empty();
  try {
    const isOlder = !isOfThisVersion(backup);
    const counts = await fill(database, backup);
    for (const kind of kindNames)
      if ((counts[kind] ?? 0) !== (backup.head.counts[kind] ?? 0))
        throw new BackupError(`The backup says that it has ${backup.head.counts[kind] ?? 0} ${kind}, and holds ${counts[kind] ?? 0}.`);
    if (isForeign) await readAll(database);
    if (isOlder && upgradeTo !== undefined) await writeBackup(database, upgradeTo, backup.head.reason, new Date(backup.head.madeAt));
    return { head: backup.head, isOlder };
  } catch (error) {
    throw backupError(error, 'The backup cannot be restored:');
  } finally {
    backup.close();
    await database.close();
  }
}

async function readAll(database: Database): Promise<void> {
  for (const kind of kindNames) {
    const { word } = documentKinds[kind];
    const ids = await database.query<{ id: string; name: string }>(`select id, document ->> 'name' as name from ${kind}`);
    for (const { id, name } of ids) readOne(kind, `The ${word} “${name}”`, await documentOf(database, kind, id));
    const editions = await database.query<{ id: string; number: number }>(`select ${word}_id as id, number from ${word}_editions`);
    for (const { id, number } of editions) readOne(kind, `Edition ${number} of the ${word} ${id}`, await editionOf(database, kind, id, number));
  }
  for (const { id, number, stands_on } of await database.query<{ id: string; number: number; stands_on: unknown }>(
    'select theme_id as id, number, stands_on from theme_editions',
  ))
    if (!readStanding(stands_on).ok) throw new BackupError(`Edition ${number} of the theme ${id} in it does not say what it stands on.`);
  for (const { id } of await database.query<{ id: string }>('select id from media')) {
    const [row] = await database.query<{ type: string; content: Uint8Array }>('select type, content from media where id = $1', [id]);
    const content = Buffer.from(row?.content ?? []);
    const kind = pictureKind(content);
    if (!kind.ok || kind.value.type !== row?.type || !id.startsWith(sha256(content).slice(0, 24)))
      throw new BackupError(`The picture ${id} in it is not what it says it is.`);
  }
  const [house] = await database.query<{ document: unknown }>('select document from house');
  const read = readHouseDocument(house?.document);
  if (!read.ok) throw new BackupError(`The house stylesheet in it cannot be read: ${read.problems[0]?.say ?? ''}`);
}

function readOne(kind: KindName, what: string, document: unknown): void {
  const read = documentKinds[kind].read(document, starterBases);
  if (!read.ok) throw new BackupError(`${what} in it cannot be read: ${read.problems[0]?.at ?? ''} ${read.problems[0]?.say ?? ''}`);
}

async function documentOf(database: Database, kind: KindName, id: string): Promise<unknown> {
  const [row] = await database.query<{ document: object }>(`select document from ${kind} where id = $1`, [id]);
  if (kind !== 'tables') return row?.document;
  const rows = await database.query<{ cells: unknown }>('select cells from table_rows where table_id = $1 order by place', [id]);
  return { ...row?.document, rows: rows.map(({ cells }) => cells) };
}

async function editionOf(database: Database, kind: KindName, id: string, number: number): Promise<unknown> {
  const { word } = documentKinds[kind];
  const [row] = await database.query<{ document: object }>(`select document from ${word}_editions where ${word}_id = $1 and number = $2`, [
    id,
    number,
  ]);
  if (kind !== 'tables') return row?.document;
  const [set] = await database.query<{ rows: unknown }>(
    'select r.rows from table_editions e join row_sets r on r.id = e.rows_id where e.table_id = $1 and e.number = $2',
    [id, number],
  );
  return { ...row?.document, rows: set?.rows };
}
