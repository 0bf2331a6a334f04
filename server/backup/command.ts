import fs from 'node:fs';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { Readable } from 'node:stream';
import { countsInWords, type KeptBackup } from '../../core/documents';
import { addressIn, lockFolder } from '../database/lock';
import { finishRestore, openFolder, restoredMark } from '../database/open';
import { BackupError, openBackup, writeBackup } from './archive';
import { countsOf } from './pieces';
import { restoreInto } from './restore';
import type { Trial, Tried } from './trial';

/** How what is done is told to the person, and how backups are tried. */
export interface Doing {
  readonly say: (text: string) => void;
  readonly tried: (trial: Trial) => Promise<Tried>;
}

const momentInWords = (madeAt: string): string => madeAt.replace('T', ' ').replace(/:\d\d\.\d+Z$/, ' UTC');

/** Writes a backup of a data folder to a file, also while a server has it open: that one is then asked. Throws BackupError, FolderError. */
export async function backupTo(data: string, file: string, { say, tried }: Doing): Promise<void> {
  if (fs.existsSync(file)) throw new BackupError(`There is a file ${file} already. Choose another name.`);
  if (!fs.existsSync(path.join(data, 'database'))) throw new BackupError(`There is nothing in the data folder ${data}.`);
  fs.mkdirSync(path.dirname(file), { recursive: true });
  const address = addressIn(data);
  if (address === undefined) {
    const database = await openFolder(data);
    try {
      await writeBackup(database, file, 'asked');
    } finally {
      await database.close();
    }
  } else await askedOf(address, file);
  const { head } = await tried({ file, isForeign: false });
  say(`${file} holds ${countsInWords(head.counts)}, and can be restored: it was tried.`);
}

/** Has the server that owns the data folder make a backup, and takes a copy of it. */
async function askedOf(address: string, file: string): Promise<void> {
  const made = await fetch(`${address}/api/backups`, { method: 'POST' }).catch(() => undefined);
  if (made?.status !== 201) {
    const { detail } = ((await made?.json().catch(() => ({}))) ?? {}) as { readonly detail?: string };
    throw new BackupError(`The server at ${address} has the data folder open and made no backup. ${detail ?? 'It does not answer.'}`);
  }
  const { name } = (await made.json()) as KeptBackup;
  const content = await fetch(`${address}/api/backups/${name}`);
  if (!content.body) throw new BackupError(`The server at ${address} does not hand out its backup ${name}.`);
  await pipeline(Readable.fromWeb(content.body), fs.createWriteStream(file, { flush: true }));
}

/**
 * Puts what a backup holds in the place of a data folder, which is kept beside it under another name. It is made whole beside, and
 * moved there last, so that a cut leaves the one or the other. Throws BackupError, FolderError.
 */
export async function restoreFrom(data: string, file: string, { say, tried }: Doing): Promise<void> {
  const [making, older] = [`${data}.restoring`, `${data}.restoring.zip`];
  const unlock = lockFolder(data);
  try {
    const { head, isOlder } = await tried({ file, isForeign: true, upgradeTo: older });
    say(`${file} is of ${momentInWords(head.madeAt)} and holds ${countsInWords(head.counts)}.`);
    fs.rmSync(making, { recursive: true, force: true });
    const database = await openFolder(making);
    try {
      await restoreInto(database, isOlder ? older : file);
    } finally {
      await database.close();
    }
    fs.writeFileSync(path.join(making, restoredMark), JSON.stringify({ madeAt: head.madeAt }), { flush: true });
  } finally {
    unlock();
    fs.rmSync(older, { force: true });
  }
  // Whatever lies there is kept, a database or not.
  const isThere = fs.readdirSync(data).length > 0;
  const before = `${data}.before-${new Date().toISOString().slice(0, 19).replace(/[-:]/g, '').replace('T', '-')}`;
  if (isThere) {
    say(`It replaces ${await whatIsIn(data)}.`);
    fs.renameSync(data, before);
  } else fs.rmdirSync(data);
  finishRestore(data);
  say(isThere ? `Restored. What was there lies in ${before}.` : 'Restored.');
}

async function whatIsIn(data: string): Promise<string> {
  if (!fs.existsSync(path.join(data, 'database'))) return 'a folder without a database';
  try {
    const database = await openFolder(data);
    try {
      return countsInWords(await countsOf(database));
    } finally {
      await database.close();
    }
  } catch {
    return 'a data folder that cannot be opened';
  }
}

/** Where the newest backup of a folder lies and of when it is; undefined where there is none that can be read. */
export async function newestIn(
  folder: string,
  names: (name: string) => boolean,
): Promise<{ readonly file: string; readonly madeAt: string } | undefined> {
  const all = fs.existsSync(folder) ? fs.readdirSync(folder).filter(names).sort().reverse() : [];
  for (const name of all) {
    const file = path.join(folder, name);
    try {
      const { head, close } = await openBackup(file);
      close();
      return { file, madeAt: momentInWords(head.madeAt) };
    } catch {
      // An older one may be good.
    }
  }
  return undefined;
}
