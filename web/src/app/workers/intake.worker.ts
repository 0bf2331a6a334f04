import { expose } from 'comlink';
import {
  arrange,
  bringIn,
  readClipboard,
  type Arranged,
  type Brought,
  type Clipboard,
  type FindingKind,
  type SourceOptions,
} from '../../../../core/intake';
import { good, type Outcome } from '../../../../core/outcome';

/** What came in, as the interface sees it: how it was read, and the table that it makes. */
export interface CameIn {
  readonly about: Omit<Brought, 'raw'>;
  readonly arranged: Arranged;
}

/** Reading files and clipboards, off the interface's thread. What was read stays here while the person makes up their mind about it. */
class Intake {
  private file: { readonly name: string; readonly bytes: Uint8Array } | undefined;
  private brought: Brought | undefined;
  private name = '';

  openFile(name: string, fileName: string, bytes: Uint8Array): Outcome<CameIn> {
    this.file = { name: fileName, bytes };
    this.name = name;
    return this.readAgain({}, []);
  }
  /** The same file, read in another way. */
  readAgain(options: SourceOptions, refused: readonly FindingKind[]): Outcome<CameIn> {
    if (!this.file) throw new Error('No file is open');
    return this.take(bringIn(this.file.name, this.file.bytes, options), refused);
  }
  paste(name: string, clipboard: Clipboard): Outcome<CameIn> {
    this.file = undefined;
    this.name = name;
    return this.take(readClipboard(clipboard), []);
  }
  /** The same cells, with other findings refused. */
  arrangeAgain(refused: readonly FindingKind[]): CameIn {
    if (!this.brought) throw new Error('Nothing came in');
    const { raw, ...about } = this.brought;
    return { about, arranged: arrange(this.name, raw, new Set(refused)) };
  }
  private take(outcome: Outcome<Brought>, refused: readonly FindingKind[]): Outcome<CameIn> {
    if (!outcome.ok) return outcome;
    this.brought = outcome.value;
    return good(this.arrangeAgain(refused));
  }
  /** Cells of a clipboard as they stand, to be put into a table that is there. */
  cells(clipboard: Clipboard): Outcome<Brought['raw']> {
    const read = readClipboard(clipboard);
    return read.ok ? good(read.value.raw) : read;
  }
}
export type IntakeWorker = Intake;

// The workbook library tells the console hundreds of times what it makes of number formats; the person is told what counts.
/* eslint-disable no-console -- the one place where a library's words are sorted before they reach the console */
const tell = console.error;
console.error = (...said: unknown[]) => {
  if (!String(said[0]).startsWith('ODS number format')) tell(...said);
};

expose(new Intake());
