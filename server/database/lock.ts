import fs from 'node:fs';
import path from 'node:path';

/** The data folder cannot be used; the message is one sentence for the person who started the server. */
export class FolderError extends Error {}

export const fullDisk = (folder: string): string =>
  `The disk with the data folder ${folder} is full. Make room and start again; nothing that was kept is lost.`;

interface Holder {
  readonly pid: number;
  /** When the process was born, so that a pid given out again is not taken for it; empty where that cannot be known. */
  readonly born: string;
  /** Where its server answers, once it does. */
  readonly address?: string;
}

/** Start time of a process in the kernel's ticks (proc(5), stat field 22), or an empty text. */
function bornAt(pid: number): string {
  try {
    return fs.readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]?.split(' ')[19] ?? '';
  } catch {
    return '';
  }
}

function isAlive({ pid, born }: Holder): boolean {
  try {
    process.kill(pid, 0);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EPERM') return false;
  }
  const now = bornAt(pid);
  return now === '' || born === '' || now === born;
}

function readHolder(file: string): Holder | undefined {
  try {
    const { pid, born, address } = JSON.parse(fs.readFileSync(file, 'utf8')) as Partial<Holder>;
    return typeof pid === 'number' ? { pid, born: String(born ?? ''), ...(typeof address === 'string' ? { address } : {}) } : undefined;
  } catch {
    return undefined;
  }
}

/**
 * Makes this process the one owner of a data folder, since two databases on one folder lose writes without a
 * word. A lock left behind by a process that died is taken over. Gives the function that lets go.
 * Throws FolderError when another live process has it, or the folder cannot be used.
 */
export function lockFolder(folder: string): () => void {
  const file = path.join(folder, 'owner.lock');
  const mine = `${file}.${process.pid}`;
  try {
    fs.mkdirSync(folder, { recursive: true });
    fs.readdirSync(folder);
    fs.writeFileSync(mine, JSON.stringify({ pid: process.pid, born: bornAt(process.pid) } satisfies Holder));
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOSPC') throw new FolderError(fullDisk(folder));
    throw new FolderError(
      `The data folder ${folder} cannot be used (${(error as NodeJS.ErrnoException).code ?? 'unknown reason'}). Choose another with --data, or mend its permissions.`,
    );
  }
  try {
    for (let tries = 0; tries < 5; tries++) {
      if (takes(mine, file)) return letGo(file);
      const other = readHolder(file);
      if (other && isAlive(other))
        throw new FolderError(
          `The data folder ${folder} is in use by process ${other.pid}. Stop that one first, or choose another folder with --data.`,
        );
      fs.rmSync(file, { force: true });
    }
    throw new FolderError(`The data folder ${folder} could not be taken. Try again.`);
  } finally {
    fs.rmSync(mine, { force: true });
  }
}

/** Notes in the lock, which this process has, where its server answers. */
export function noteAddress(folder: string, address: string): void {
  const file = path.join(folder, 'owner.lock');
  const mine = `${file}.${process.pid}`;
  fs.writeFileSync(mine, JSON.stringify({ pid: process.pid, born: bornAt(process.pid), address } satisfies Holder));
  fs.renameSync(mine, file);
}

/** Where the server answers that owns a data folder now; undefined where none does. Only ever this machine. */
export function addressIn(folder: string): string | undefined {
  const holder = readHolder(path.join(folder, 'owner.lock'));
  return holder && isAlive(holder) && /^http:\/\/localhost:\d+$/.test(holder.address ?? '') ? holder.address : undefined;
}

/** A hard link is made whole or not at all, and only where there was none. */
function takes(mine: string, file: string): boolean {
  try {
    fs.linkSync(mine, file);
    return true;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false;
    throw error;
  }
}

function letGo(file: string): () => void {
  const release = (): void => fs.rmSync(file, { force: true });
  process.once('exit', release);
  return () => {
    process.off('exit', release);
    release();
  };
}
