import { expose } from 'comlink';
import {
  arrange,
  bringIn,
  readClipboard,
  type Arranged,
  type Brought,
  type Chosen,
  type Clipboard,
  type FindingKind,
  type Raw,
  type SourceOptions,
} from '../../../../core/intake';
import { bad, good, type Outcome } from '../../../../core/outcome';
import { bringAgain, heightOf, possibleKeys, previewOf, widthOf, type Again, type Row, type Table, type TableHead } from '../../../../core/table';

/** What came in, as the interface sees it: how it was read, and the first rows of the table that it makes. */
export interface CameIn {
  readonly about: Omit<Brought, 'raw'>;
  readonly arranged: Arranged;
  readonly rows: number;
  readonly columns: number;
}

/** What a newer file would change: as much of each list as is shown, and how long it is. */
export interface AgainShown extends Omit<Again, 'table'> {
  readonly counts: { readonly added: number; readonly removed: number; readonly changed: number };
}

/** Body rows that are shown of what came in, and lines of each list of changes. */
const [SHOWN_ROWS, SHOWN_LINES] = [6, 40];
/** Rows that go to the server in one piece. */
const ROWS_AT_ONCE = 2000;

/** Is told how far reading or sending is, from 0 to 1. */
export type Told = (share: number) => void;

/** Reading files and clipboards, off the interface's thread. What was read stays here while the person makes up their mind about it. */
class Intake {
  private file: File | undefined;
  private brought: Brought | undefined;
  private arranged: Arranged | undefined;
  private name = '';
  private lent: Row[] = [];
  private again: Again | undefined;

  async openFile(name: string, file: File, told: Told): Promise<Outcome<CameIn>> {
    this.file = file;
    this.name = name;
    return this.readAgain({}, [], {}, told);
  }
  /** The same file, read in another way. */
  async readAgain(options: SourceOptions, refused: readonly FindingKind[], chosen: Chosen, told: Told): Promise<Outcome<CameIn>> {
    if (!this.file) throw new Error('No file is open');
    const bytes = new Uint8Array(await this.file.arrayBuffer());
    let last = 0;
    const progress: Told = (share) => {
      if (share - last < 0.02) return;
      last = share;
      told(share);
    };
    return this.take(bringIn(this.file.name, bytes, options, progress), refused, chosen);
  }
  paste(name: string, clipboard: Clipboard): Outcome<CameIn> {
    this.file = undefined;
    this.name = name;
    return this.take(readClipboard(clipboard), [], {});
  }
  /** The same cells, with other findings refused; or with what the person chose beside them. */
  arrangeAgain(refused: readonly FindingKind[], chosen: Chosen): CameIn {
    if (!this.brought) throw new Error('Nothing came in');
    const { raw, ...about } = this.brought;
    this.arranged = arrange(this.name, raw, new Set(refused), chosen);
    const { table } = this.arranged;
    return { about, arranged: { ...this.arranged, table: previewOf(table, SHOWN_ROWS) }, rows: heightOf(table), columns: widthOf(table) };
  }
  private take(outcome: Outcome<Brought>, refused: readonly FindingKind[], chosen: Chosen): Outcome<CameIn> {
    if (!outcome.ok) return outcome;
    this.brought = outcome.value;
    return good(this.arrangeAgain(refused, chosen));
  }
  private get table(): Table {
    if (!this.arranged) throw new Error('Nothing came in');
    return this.arranged.table;
  }

  /** Cells of a clipboard as they stand, to be put into a table that is there. */
  cells(clipboard: Clipboard): Outcome<Raw> {
    const read = readClipboard(clipboard);
    return read.ok ? good(read.value.raw) : read;
  }

  /** The table that came in, without its rows. */
  head(): TableHead {
    const { rows: _rows, ...head } = this.table;
    return head;
  }
  /** Sends the rows to the server under an id, piece by piece: they never pass through the interface's thread. Gives how many; says why where it cannot. */
  async send(id: string, told: Told): Promise<Outcome<number>> {
    const { rows } = this.table;
    const wrong = (say: string): Outcome<number> => bad({ code: 'not-kept', say });
    for (let from = 0; from < rows.length; from += ROWS_AT_ONCE) {
      const answer = await fetch(`/api/tables/${id}/upload`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(rows.slice(from, from + ROWS_AT_ONCE)),
      }).catch(() => undefined);
      if (!answer) return wrong('The server cannot be reached.');
      if (!answer.ok) {
        const { detail } = (await answer.json().catch(() => ({}))) as { readonly detail?: string };
        return wrong(detail ?? `The server answered ${answer.status}.`);
      }
      told(Math.min(1, (from + ROWS_AT_ONCE) / rows.length));
    }
    return good(rows.length);
  }

  /** Rows of the table that a newer file is for, handed over piece by piece; the first piece forgets earlier ones. */
  lend(rows: readonly Row[], isFirst: boolean): void {
    if (isFirst) this.lent = [];
    for (const row of rows) this.lent.push(row);
  }
  keys(head: TableHead): readonly string[] {
    return possibleKeys({ ...head, rows: this.lent }, this.table);
  }
  /** What the file that came in changes in the table that was lent. */
  compare(head: TableHead, key: string): Outcome<AgainShown> {
    const outcome = bringAgain({ ...head, rows: this.lent }, this.table, key);
    if (!outcome.ok) return outcome;
    this.again = outcome.value;
    const { table: _table, added, removed, changed, ...rest } = outcome.value;
    return good({
      ...rest,
      added: added.slice(0, SHOWN_LINES),
      removed: removed.slice(0, SHOWN_LINES),
      changed: changed.slice(0, SHOWN_LINES),
      counts: { added: added.length, removed: removed.length, changed: changed.length },
    });
  }
  /** The table that the comparison makes, without its rows; these are fetched piece by piece. */
  newerHead(): TableHead {
    if (!this.again) throw new Error('Nothing was compared');
    const { rows: _rows, ...head } = this.again.table;
    return head;
  }
  newerRows(from: number): readonly Row[] {
    return this.again?.table.rows.slice(from, from + ROWS_AT_ONCE) ?? [];
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
