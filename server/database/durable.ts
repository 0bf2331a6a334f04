import fs from 'node:fs';
import path from 'node:path';
import { PGlite, type PGliteOptions } from '@electric-sql/pglite';
import { NodeFS } from '@electric-sql/pglite/nodefs';

/** A file or folder as that layer knows it. */
type FileNode = object;
/** Of the embedded database's file layer (Emscripten's), what is completed here: as shipped it flushes nothing. */
interface FileLayer {
  readonly NODEFS?: {
    readonly realPath: (node: FileNode) => string;
    readonly stream_ops: { fsync?: (stream: { readonly nfd: number }) => number };
    readonly node_ops: { mknod: (parent: FileNode, ...rest: readonly unknown[]) => unknown };
  };
}

/**
 * A file layer that flushes when the database asks for it: a commit is answered when its log is on the disk, and a checkpoint
 * counts when the pages are that it stands for (fsync(2)). A new file's name is flushed too, since the disk may keep what a file
 * holds and forget where it lay; the database leaves that to the file system. Throws where the layer is not as it is known:
 * silently flushing nothing would be worse.
 */
class DurableFiles extends NodeFS {
  override async init(pg: PGlite, given: Parameters<NodeFS['init']>[1]): ReturnType<NodeFS['init']> {
    const made = await super.init(pg, given);
    const completed = (layer: unknown): void => {
      const { NODEFS } = layer as FileLayer;
      if (!NODEFS) throw new Error('The embedded database has another file layer than the one that is known; its writes could not be flushed.');
      const { node_ops, stream_ops } = NODEFS;
      const withNewNames = new Set<string>();
      const makeNode = node_ops.mknod;
      node_ops.mknod = (parent, ...rest) => {
        const node = makeNode(parent, ...rest);
        withNewNames.add(NODEFS.realPath(parent));
        return node;
      };
      stream_ops.fsync = ({ nfd }) => {
        fs.fsyncSync(nfd);
        for (const folder of withNewNames) if (fs.existsSync(folder)) flush(folder);
        withNewNames.clear();
        return 0;
      };
    };
    return { emscriptenOpts: { ...made.emscriptenOpts, preRun: [...asList(made.emscriptenOpts.preRun), completed] } };
  }
}

const asList = <T>(given: T | readonly T[] | undefined): readonly T[] => (given === undefined ? [] : Array.isArray(given) ? given : [given as T]);

/**
 * As the package starts it, but with flushing on, and by a call that reaches the file layer (`fdatasync` does not); with a log
 * that is bounded, so that a start after a cut has little to do again and the disk keeps its room.
 */
const flushing: Pick<PGliteOptions, 'startParams'> = {
  startParams: [
    ...PGlite.defaultStartParams.filter((each) => each !== '-F'),
    ...['wal_sync_method=fsync', 'min_wal_size=32MB', 'max_wal_size=64MB'].flatMap((each) => ['-c', each]),
  ],
};

/**
 * The database in a folder, made there if there is none; what it answers is on the disk. Throws DamageError where there is one
 * that cannot be opened; it is left as it is.
 */
export async function openDurable(folder: string): Promise<PGlite> {
  if (!fs.existsSync(folder) || fs.readdirSync(folder).length === 0) await makeWhole(folder);
  const lacking = damageIn(folder);
  if (lacking !== undefined) throw new DamageError(lacking);
  try {
    return await PGlite.create({ fs: new DurableFiles(folder), ...flushing });
  } catch (error) {
    throw new DamageError(error instanceof Error ? error.message : String(error));
  }
}

/** A database that is there and cannot be opened; the message says why, as far as is known. */
export class DamageError extends Error {}

/** What is plainly wrong with a database's files, for which starting it would only give a riddle. */
function damageIn(folder: string): string | undefined {
  const control = path.join(folder, 'global', 'pg_control');
  const log = path.join(folder, 'pg_wal');
  if (!fs.existsSync(path.join(folder, 'PG_VERSION'))) return 'PG_VERSION is missing';
  if (!fs.existsSync(control) || fs.readFileSync(control).every((byte) => byte === 0)) return 'global/pg_control is missing or empty';
  if (!fs.existsSync(path.join(folder, 'base'))) return 'its folder base is missing';
  const segments = fs.existsSync(log) ? fs.readdirSync(log).filter((name) => /^[0-9A-F]{24}$/.test(name)) : [];
  if (segments.length === 0) return 'its log, pg_wal, is missing';
  return segments.every((name) => startsWithNothing(path.join(log, name))) ? 'its log, pg_wal, is empty' : undefined;
}

/** Whether a file's first page holds nothing but zeros. */
function startsWithNothing(file: string): boolean {
  const opened = fs.openSync(file, 'r');
  try {
    const page = Buffer.alloc(8192);
    fs.readSync(opened, page, 0, page.length, 0);
    return page.every((byte) => byte === 0);
  } finally {
    fs.closeSync(opened);
  }
}

/**
 * A new database is made beside its place and put there when all of it is on the disk, so that the place holds a whole one or
 * none: what a first start that was cut off left behind is made again.
 */
async function makeWhole(folder: string): Promise<void> {
  const making = `${folder}.making`;
  fs.rmSync(making, { recursive: true, force: true });
  fs.mkdirSync(making, { recursive: true });
  const made = await PGlite.create({ fs: new DurableFiles(making), ...flushing, initDbStartParams: ['--wal-segsize=1'] });
  await made.close();
  flushTree(making);
  // Nothing but an empty folder can stand there.
  if (fs.existsSync(folder)) fs.rmdirSync(folder);
  fs.renameSync(making, folder);
  flush(path.dirname(folder));
}

/** Brings what a file, or the list that a folder is, holds to the disk. */
function flush(file: string): void {
  const opened = fs.openSync(file, 'r');
  try {
    fs.fsyncSync(opened);
  } finally {
    fs.closeSync(opened);
  }
}

function flushTree(folder: string): void {
  for (const entry of fs.readdirSync(folder, { withFileTypes: true })) {
    const inside = path.join(folder, entry.name);
    if (entry.isDirectory()) flushTree(inside);
    else if (entry.isFile()) flush(inside);
  }
  flush(folder);
}
