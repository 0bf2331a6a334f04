import fs from 'node:fs';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import yauzl from 'yauzl';
import { ZipFile } from 'yazl';
import { BACKUP_FORMAT, readBackupHead, type BackupHead, type BackupReason } from '../../core/documents';
import type { Database } from '../database/database';
import { countsOf, piecesOf, sha256, type Piece } from './pieces';

const HEAD = 'backup.json';
/** The head lists every file with some 150 bytes. */
const HEAD_MOST = 400_000_000;

/** A file that is no whole, good backup; the message is a sentence for the person. */
export class BackupError extends Error {}

/** What went wrong with a backup, as a sentence: its own, or one that says what could not be done. */
export const backupError = (error: unknown, say: string): BackupError =>
  error instanceof BackupError ? error : new BackupError(`${say} ${error instanceof Error ? error.message : String(error)}`);

/**
 * Writes everything that is kept to a file, as it is at one moment, though others go on: it is laid by in one transaction and packed
 * after it. The file is there when all of it is on the disk, or not at all.
 */
export async function writeBackup(database: Database, file: string, reason: BackupReason, now = new Date()): Promise<BackupHead> {
  const spool = `${file}.laid-by`;
  const making = `${file}.making`;
  try {
    const { head, places } = await layBy(database, spool, reason, now);
    const zip = new ZipFile();
    const mtime = now;
    zip.addBuffer(Buffer.from(JSON.stringify(head)), HEAD, { mtime });
    for (const { name, from, bytes } of places)
      if (bytes === 0) zip.addBuffer(Buffer.alloc(0), name, { mtime });
      else
        zip.addReadStreamLazy(name, { mtime, size: bytes }, (give) => give(null, fs.createReadStream(spool, { start: from, end: from + bytes - 1 })));
    zip.end();
    await pipeline(zip.outputStream, fs.createWriteStream(making, { flush: true }));
    fs.renameSync(making, file);
    return head;
  } finally {
    for (const left of [spool, making]) fs.rmSync(left, { force: true });
  }
}

interface LaidBy {
  readonly head: BackupHead;
  readonly places: readonly { readonly name: string; readonly from: number; readonly bytes: number }[];
}

async function layBy(database: Database, spool: string, reason: BackupReason, now: Date): Promise<LaidBy> {
  const opened = fs.openSync(spool, 'w');
  try {
    return await database.transaction(async (queries) => {
      const schema = (await queries.query<{ name: string }>('select name from migrations order by name')).map(({ name }) => name);
      const counts = await countsOf(queries);
      const files: BackupHead['files'][number][] = [];
      const places: LaidBy['places'][number][] = [];
      let from = 0;
      for await (const { name, content } of piecesOf(queries)) {
        fs.writeSync(opened, content);
        files.push({ name, bytes: content.length, sha256: sha256(content) });
        places.push({ name, from, bytes: content.length });
        from += content.length;
      }
      return { head: { format: BACKUP_FORMAT, madeAt: now.toISOString(), reason, schema, counts, files }, places };
    });
  } finally {
    fs.closeSync(opened);
  }
}

/** A backup that is open for reading. */
export interface OpenBackup {
  readonly head: BackupHead;
  /** Its files in their order, each as it was when it was written. Throws BackupError at the first that is not. */
  readonly pieces: () => AsyncGenerator<Piece>;
  readonly close: () => void;
}

/** Opens a backup and reads what it says of itself. Throws BackupError. */
export async function openBackup(file: string): Promise<OpenBackup> {
  const zip = await yauzl.openPromise(file, { autoClose: false }).catch((error: unknown) => {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') throw new BackupError(`There is no file ${file}.`);
    throw new BackupError(`${path.basename(file)} is no ZIP file, or was cut off.`);
  });
  try {
    const entries = new Map<string, yauzl.Entry>();
    for await (const entry of zip.eachEntry()) entries.set(entry.fileName, entry);
    const packed = entries.get(HEAD);
    if (!packed) throw new BackupError(`${path.basename(file)} is no backup: it has no ${HEAD}.`);
    const head = readBackupHead(parse(await read(zip, packed, HEAD_MOST)));
    if (!head.ok) throw new BackupError(`${path.basename(file)} is no backup that can be read: ${head.problems[0]?.say ?? ''}`);
    return {
      head: head.value,
      pieces: async function* () {
        for (const { name, bytes, sha256: hash } of head.value.files) {
          const entry = entries.get(name);
          if (!entry) throw new BackupError(`${path.basename(file)} is not whole: ${name} is missing.`);
          const content = await read(zip, entry, bytes);
          if (content.length !== bytes || sha256(content) !== hash)
            throw new BackupError(`${path.basename(file)} is damaged: ${name} is not as it was written.`);
          yield { name, content };
        }
      },
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error instanceof BackupError
      ? error
      : new BackupError(`${path.basename(file)} is damaged and cannot be read: ${error instanceof Error ? error.message : ''}`);
  }
}

/** What an entry holds, as long as it is no more than so many bytes: what it says of its size is not believed. */
async function read(zip: yauzl.ZipFile, entry: yauzl.Entry, most: number): Promise<Buffer> {
  const tooMuch = new BackupError(`The file is damaged: ${entry.fileName} holds more than it says.`);
  if (entry.uncompressedSize > most) throw tooMuch;
  const chunks: Buffer[] = [];
  let size = 0;
  try {
    for await (const chunk of (await zip.openReadStreamPromise(entry)) as AsyncIterable<Buffer>) {
      size += chunk.length;
      if (size > most) throw tooMuch;
      chunks.push(chunk);
    }
  } catch (error) {
    throw error instanceof BackupError ? error : new BackupError(`The file is damaged: ${entry.fileName} cannot be unpacked.`);
  }
  return Buffer.concat(chunks);
}

function parse(content: Buffer): unknown {
  try {
    return JSON.parse(content.toString('utf8')) as unknown;
  } catch {
    return undefined;
  }
}
