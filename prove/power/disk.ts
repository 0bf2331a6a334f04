import fs from 'node:fs';
import { syncBuiltinESMExports } from 'node:module';
import path from 'node:path';

/** What a name in a folder stands for: a file or folder, told from every other that ever was. */
type Thing = number;
interface Entry {
  readonly thing: Thing;
  readonly isFolder: boolean;
}

/** What would be left on a disk if the power went now. */
export interface Remains {
  readonly files: ReadonlyMap<Thing, Buffer>;
  readonly folders: ReadonlyMap<Thing, ReadonlyMap<string, Entry>>;
}

const watched = [
  'openSync',
  'writeFileSync',
  'mkdirSync',
  'writeSync',
  'fsyncSync',
  'renameSync',
  'unlinkSync',
  'ftruncateSync',
  'truncateSync',
] as const;
type Watched = (typeof watched)[number];
type Call = (...given: readonly unknown[]) => unknown;

/**
 * A disk that forgets whatever was not flushed: of a file it keeps what it held at its last fsync, of a folder the names that it
 * had at its own (POSIX promises no more: fsync of a file says nothing of the name under which it lies). It looks on while a
 * process works on a folder through `node:fs`, and can say at any moment what a power cut would leave.
 */
export class ForgetfulDisk {
  private readonly things = new Map<number, Thing>();
  private readonly files = new Map<Thing, Buffer>();
  private readonly folders = new Map<Thing, ReadonlyMap<string, Entry>>();
  private readonly real = new Map<Watched, Call>();
  private next: Thing = 1;
  /** How many calls were seen; and how many of them flushed something. */
  calls = 0;
  flushes = 0;

  /** `moment` is called before each call that changes something, with how many there were. */
  constructor(
    private readonly root: string,
    private readonly moment: (calls: number) => void = () => undefined,
  ) {}

  /** Takes all that lies in the folder now for flushed. */
  adopt(folder = this.root): void {
    const entries = fs.readdirSync(folder, { withFileTypes: true });
    for (const entry of entries) {
      const inside = path.join(folder, entry.name);
      if (entry.isDirectory()) this.adopt(inside);
      else this.files.set(this.thingAt(inside), fs.readFileSync(inside));
    }
    this.folders.set(this.thingAt(folder), this.namesIn(folder));
  }

  /** Begins to look on. */
  watch(): void {
    const calls = fs as unknown as Record<Watched, Call>;
    for (const name of watched) this.real.set(name, calls[name]);
    for (const name of watched) calls[name] = (...given) => this.seen(name, given);
    syncBuiltinESMExports();
  }

  /** Looks no more. */
  leave(): void {
    const calls = fs as unknown as Record<Watched, Call>;
    for (const [name, call] of this.real) calls[name] = call;
    this.real.clear();
    syncBuiltinESMExports();
  }

  /** What is left if the power goes now. */
  remains(): Remains {
    return { files: new Map(this.files), folders: new Map(this.folders) };
  }

  /** Puts what remained into a new folder. */
  lay(remains: Remains, into: string, folder: Thing = this.thingAt(this.root)): void {
    fs.mkdirSync(into, { recursive: true });
    for (const [name, { thing, isFolder }] of remains.folders.get(folder) ?? []) {
      const inside = path.join(into, name);
      if (isFolder) this.lay(remains, inside, thing);
      else fs.writeFileSync(inside, remains.files.get(thing) ?? '');
    }
  }

  private seen(name: Watched, given: readonly unknown[]): unknown {
    const call = this.real.get(name) as Call;
    const at = typeof given[0] === 'string' ? given[0] : fs.readlinkSync(`/proc/self/fd/${String(given[0])}`);
    if (!path.resolve(at).startsWith(this.root)) return call(...given);
    if (name !== 'openSync') this.moment(++this.calls);
    if (name === 'fsyncSync') return this.flushed(Number(given[0]));
    // A number that the system gives to a new file may have been another's before.
    const makes = name === 'openSync' || name === 'writeFileSync' || name === 'mkdirSync';
    const isNew = makes && !fs.existsSync(at);
    const answer = call(...given);
    if (isNew && fs.existsSync(at)) this.things.delete(fs.lstatSync(at).ino);
    return answer;
  }

  /** The flushing itself is left out: it would take its time, and nothing here goes by the real disk. */
  private flushed(descriptor: number): void {
    this.flushes++;
    const stat = fs.fstatSync(descriptor);
    const at = fs.readlinkSync(`/proc/self/fd/${descriptor}`);
    const thing = this.thingOf(stat.ino);
    if (stat.isDirectory()) this.folders.set(thing, this.namesIn(at));
    else {
      const held = Buffer.alloc(stat.size);
      fs.readSync(descriptor, held, 0, stat.size, 0);
      this.files.set(thing, held);
    }
  }

  private namesIn(folder: string): ReadonlyMap<string, Entry> {
    return new Map(
      fs
        .readdirSync(folder, { withFileTypes: true })
        .filter((entry) => entry.isDirectory() || entry.isFile())
        .map((entry) => [entry.name, { thing: this.thingAt(path.join(folder, entry.name)), isFolder: entry.isDirectory() }]),
    );
  }

  private thingAt(at: string): Thing {
    return this.thingOf(fs.lstatSync(at).ino);
  }

  private thingOf(ino: number): Thing {
    const known = this.things.get(ino);
    if (known !== undefined) return known;
    this.things.set(ino, this.next);
    return this.next++;
  }
}
