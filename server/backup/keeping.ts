import fs from 'node:fs';
import path from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { backupReasons, type BackupReason, type KeptBackup } from '../../core/documents';
import { changesOf } from '../changes/changes';
import type { Database } from '../database/database';
import { RESERVE } from '../database/room';
import { BackupError, backupError, openBackup, writeBackup } from './archive';
import { spoiltSince } from './compare';
import { restoreInto } from './restore';
import { toLetGo } from './thinning';
import type { Trial, Tried } from './trial';

export interface KeepingOptions {
  readonly database: Database;
  /** The folder in which backups lie: not the data folder, which they are for. */
  readonly folder: string;
  /** Bytes that are free there. */
  readonly room: () => number;
  readonly tried: (trial: Trial) => Promise<Tried>;
  readonly log: (message: string) => void;
  readonly now?: () => Date;
}

/** So long after the last one a backup is made by itself, and so often it is looked whether one is due, in ms. */
const [HOUR, LOOK] = [3_600_000, 300_000] as const;
/** Most that a file may have that is brought in, in bytes. */
export const BROUGHT_MOST = 2_000_000_000;

const ending = new RegExp(`^zest-\\d{8}-\\d{6}-\\d{3}-(${backupReasons.join('|')})\\.zip$`);
/** Whether a file's name is one that backups here have. */
export const isBackupName = (name: string): boolean => ending.test(name);

function nameOf(madeAt: Date, reason: BackupReason): string {
  const [date = '', time = ''] = madeAt.toISOString().split('T');
  return `zest-${date.replaceAll('-', '')}-${time.slice(0, 8).replaceAll(':', '')}-${time.slice(9, 12)}-${reason}.zip`;
}

/** Backups in a folder: made, tried, thinned out, restored. One thing is done at a time. */
export class BackupKeeping {
  /** Why the last one could not be made; an empty text if it could. */
  trouble = '';
  /** What is not as it was, though nobody changed it. */
  damage: readonly string[] = [];
  private working: Promise<unknown> = Promise.resolve();
  private readonly heads = new Map<string, KeptBackup>();
  /** Where the database's log was when the last backup was made: it grows with everything that is kept. */
  private logAt = '';

  constructor(private readonly options: KeepingOptions) {}

  get folder(): string {
    return this.options.folder;
  }

  /** All that can be read, newest first. */
  async list(): Promise<readonly KeptBackup[]> {
    const names = fs.existsSync(this.folder) ? fs.readdirSync(this.folder).filter(isBackupName) : [];
    const found = await Promise.all(names.map((name) => this.one(name).catch(() => undefined)));
    return found.flatMap((each) => each ?? []).sort((a, b) => b.madeAt.localeCompare(a.madeAt) || b.name.localeCompare(a.name));
  }

  /** The file of a backup. Throws BackupError where there is none of that name. */
  fileOf(name: string): string {
    const file = path.join(this.folder, name);
    if (!isBackupName(name) || !fs.existsSync(file)) throw new BackupError(`There is no backup called ${name.slice(0, 80)}.`);
    return file;
  }

  private async one(name: string): Promise<KeptBackup> {
    const known = this.heads.get(name);
    if (known) return known;
    const file = this.fileOf(name);
    const { head, close } = await openBackup(file);
    close();
    const kept = { name, madeAt: head.madeAt, reason: reasonIn(name), bytes: fs.statSync(file).size, counts: head.counts };
    this.heads.set(name, kept);
    return kept;
  }

  /** Makes a backup, tries it by restoring it into nothing, and keeps it if it is good. Throws BackupError. */
  make(reason: BackupReason): Promise<KeptBackup> {
    return this.alone(() => this.made(reason));
  }

  private async made(reason: BackupReason): Promise<KeptBackup> {
    const now = this.options.now?.() ?? new Date();
    const name = nameOf(now, reason);
    try {
      const [size] = await this.options.database.query<{ bytes: number }>('select pg_database_size(current_database())::bigint as bytes');
      // It is laid by as text and then packed.
      this.askRoom(2 * Number(size?.bytes ?? 0));
      const logAt = await this.log();
      await this.keep(name, (file) => writeBackup(this.options.database, file, reason, now), { isForeign: false });
      this.logAt = logAt;
      this.trouble = '';
      return await this.one(name);
    } catch (error) {
      this.trouble = inWords(error);
      throw backupError(error, 'No backup could be made:');
    }
  }

  /** Has a file written beside, tries it, and gives it its name if it is good. */
  private async keep(name: string, write: (file: string) => Promise<unknown>, how: Omit<Trial, 'file'>): Promise<void> {
    const untried = path.join(this.folder, `${name}.untried`);
    fs.mkdirSync(this.folder, { recursive: true });
    try {
      await write(untried);
      await this.options.tried({ file: untried, ...how });
      fs.renameSync(untried, path.join(this.folder, name));
    } finally {
      fs.rmSync(untried, { force: true });
    }
  }

  private askRoom(bytes: number): void {
    fs.mkdirSync(this.folder, { recursive: true });
    const left = this.options.room();
    if (left < RESERVE + bytes)
      throw new BackupError(
        `There is too little room for a backup in ${this.folder}: it takes up to ${inMegabytes(bytes)} MB beside the ${inMegabytes(RESERVE)} MB that stay free, and ${inMegabytes(left)} MB are left.`,
      );
  }

  private async log(): Promise<string> {
    const [row] = await this.options.database.query<{ at: string }>('select pg_current_wal_lsn()::text as at');
    return row?.at ?? '';
  }

  /** Makes a backup if one is due: something was kept since the last one, which is an hour old. Lets go of those that are one too many. */
  async look(): Promise<void> {
    const now = this.options.now?.() ?? new Date();
    const [newest] = await this.list();
    const isDue = (!newest || now.getTime() - Date.parse(newest.madeAt) >= HOUR) && (await this.log()) !== this.logAt;
    if (!isDue) return;
    await this.make('schedule').catch((error: unknown) => this.options.log(inWords(error)));
    const scheduled = (await this.list()).filter(({ reason }) => reason === 'schedule');
    for (const name of toLetGo(
      scheduled.map(({ name, madeAt }) => ({ name, madeAt: new Date(madeAt) })),
      now,
    ))
      await this.remove(name);
  }

  /** Compares what is kept with the newest backup, and looks from now on whether another is due. */
  async start(): Promise<void> {
    this.clear();
    setInterval(() => void this.look().catch((error: unknown) => this.options.log(inWords(error))), LOOK).unref();
    await this.compare();
  }

  /** What a process left that was ended while it made one. */
  private clear(): void {
    if (!fs.existsSync(this.folder)) return;
    for (const name of fs.readdirSync(this.folder))
      if (/\.(untried|making|laid-by|older)$/.test(name)) fs.rmSync(path.join(this.folder, name), { force: true });
  }

  /** Looks whether anything was spoilt since the newest backup. */
  async compare(): Promise<void> {
    const [newest] = await this.list();
    if (!newest) return;
    await this.alone(async () => {
      const backup = await openBackup(this.fileOf(newest.name));
      try {
        this.damage = await spoiltSince(this.options.database, backup, this.options.now?.());
      } finally {
        backup.close();
      }
    }).catch((error: unknown) => {
      this.damage = [`What is kept cannot be read through: ${inWords(error)}`];
    });
    for (const each of this.damage) this.options.log(`Damage since the backup of ${newest.madeAt}: ${each}`);
  }

  async remove(name: string): Promise<void> {
    fs.rmSync(this.fileOf(name));
    this.heads.delete(name);
    return Promise.resolve();
  }

  /** Takes a backup in that was brought as a file. Throws BackupError with what is wrong with it. */
  bring(content: Readable, bytes: number): Promise<KeptBackup> {
    return this.alone(async () => {
      this.askRoom(bytes);
      const name = nameOf(this.options.now?.() ?? new Date(), 'brought-in');
      await this.keep(name, (file) => pipeline(content, fs.createWriteStream(file, { flush: true })), { isForeign: true });
      return this.one(name);
    });
  }

  /**
   * Puts what a backup holds in the place of everything, after what is there was kept as a backup of its own, whose name is returned.
   * Throws BackupError where either cannot be done; everything is then as it was.
   */
  restore(name: string): Promise<KeptBackup> {
    return this.alone(async () => {
      const file = this.fileOf(name);
      const older = `${file}.older`;
      try {
        const { isOlder } = await this.options.tried({ file, isForeign: reasonIn(name) === 'brought-in', upgradeTo: older });
        const before = await this.made('before-restore');
        await restoreInto(this.options.database, isOlder ? older : file);
        this.damage = [];
        changesOf(this.options.database).say({ kind: 'everything', id: '', what: 'published' });
        return before;
      } finally {
        fs.rmSync(older, { force: true });
      }
    });
  }

  private alone<T>(work: () => Promise<T>): Promise<T> {
    const done = this.working.then(work, work);
    this.working = done.catch(() => undefined);
    return done;
  }
}

const reasonIn = (name: string): BackupReason => backupReasons.find((reason) => name.endsWith(`-${reason}.zip`)) ?? 'schedule';
const inMegabytes = (bytes: number): string => Math.ceil(bytes / 1_000_000).toLocaleString('en');
const inWords = (error: unknown): string => (error instanceof Error ? error.message : String(error));
