import Papa from 'papaparse';
import { bad, good, type Outcome } from '../../outcome';
import { decimalOf } from '../decimal';
import { separators, type Encoding, type Plain, type Quote, type Raw, type SourceOptions } from '../raw';

interface Pieces {
  readonly delimiter: string;
  readonly quoteChar: string;
  readonly chunkSize: number;
  readonly chunk: (piece: Papa.ParseResult<string[]>) => void;
}
/** The parser cuts a text into pieces as well, and is done when it returns; its types know that of files only. */
const parsePieces = Papa.parse as unknown as (text: string, options: Pieces) => void;

/** Letters that are parsed before progress is told. */
const PIECE = 1_000_000;
/** Letters up to which a text is parsed at one go. */
const AT_ONCE = 8_000_000;

/**
 * Reads separated text (RFC 4180, and what is met in the wild); without a separator, that is found out, and so is the
 * decimal mark.
 */
export function readSeparated(
  given: string,
  before: readonly string[] = [],
  separator = '',
  { quote: wanted, decimal }: Pick<SourceOptions, 'quote' | 'decimal'> = {},
  progress?: (share: number) => void,
): Outcome<{ readonly raw: Raw; readonly separator: string; readonly quote: Quote }> {
  const told = /^\uFEFF?sep=([^\r\n])\r?\n/i.exec(given);
  const text = withOneLineEnd(told ? given.slice(told[0].length) : given);
  if (!/\S/.test(text))
    return bad({ code: 'no-rows', say: 'There are no rows in it.', remedy: 'Choose a file with at least one row, or start with an empty table.' });
  const rows: string[][] = [];
  const quote = wanted ?? guessQuote(text);
  const used = separator || told?.[1] || guessSeparator(text, quote);
  let isOpen = false;
  const seen = new Seen();
  const take = ({ data, errors, meta }: Papa.ParseResult<string[]>): void => {
    for (const cells of data) {
      rows.push(seen.take(cells) ? cells.map(unguarded) : cells);
    }
    isOpen ||= errors.some(({ type }) => type === 'Quotes');
    progress?.(Math.min(1, meta.cursor / text.length));
  };
  const how = { delimiter: used, quoteChar: quoteCharOf(quote) };
  // In pieces it takes a sixth longer; what is parsed in the twinkling of an eye needs none.
  if (text.length <= AT_ONCE) take(Papa.parse<string[]>(text, how));
  else parsePieces(text, { ...how, chunkSize: PIECE, chunk: take });
  // What a line break at the end makes is no row.
  const isCut = rows.length > 1 && rows.at(-1)?.join('') === '';
  if (isCut) rows.pop();
  const notes = [`Read as cells separated by ${used in separators ? separators[used as keyof typeof separators] : used}.`, ...before];
  if (isOpen) notes.push(quoteNote(text, used, quote));
  const found = decimal ?? decimalOf(rows);
  if (found === ',') notes.push('A comma parts whole from decimal in its numbers.');
  return good({ raw: { rows, merges: [], plain: seen.plain(isCut), notes, ...(found ? { decimal: found } : {}) }, separator: used, quote });
}

/** Lines that end in different ways, as when files were put together, end in one way: a parser takes the first for all of them. */
const withOneLineEnd = (text: string): string => (text.includes('\r\n') && /[^\r]\n|\r(?!\n)/.test(text) ? text.replace(/\r\n?/g, '\n') : text);

/** Looks at every cell of what may be millions, once, while they are in hand: at lengths and first letters. */
class Seen {
  private longest = 0;
  private width = -1;
  private isEven = true;
  private isLastShort = false;
  private readonly codes: boolean[] = [];

  /** Says whether a cell of the row begins with an apostrophe. */
  take(cells: readonly string[]): boolean {
    // One row of another kind may come at the end: a line break there makes it.
    if (this.isLastShort) this.isEven = false;
    const { length } = cells;
    if (this.width < 0) this.width = length;
    if (length !== this.width || !isInk(cells[0]) || !isInk(cells[length - 1])) this.isLastShort = true;
    let [isGuarded, { longest }] = [false, this];
    for (let i = 0; i < length; i++) {
      const text = cells[i] ?? '';
      if (text.length > longest) longest = text.length;
      const first = text.charCodeAt(0);
      if (first === APOSTROPHE) isGuarded = true;
      else if (first === ZERO && isFigure(text.charCodeAt(1))) this.codes[i] = true;
    }
    this.longest = longest;
    return isGuarded;
  }
  plain(isCut: boolean): Plain {
    return { longest: this.longest, isEven: this.isEven && (isCut || !this.isLastShort), codes: this.codes };
  }
}
const ZERO = 48;
const isFigure = (code: number): boolean => code >= 48 && code <= 57;
/** Whether a text begins with a letter that is seen, as far as that is plain. */
function isInk(text = ''): boolean {
  const first = text.charCodeAt(0);
  return first > 32 && first < 127;
}

/** Our own CSV puts an apostrophe before cells that a spreadsheet would take for formulas (core/hand-off); here it goes again. */
const GUARDED = /^'+[=+\-@\t\r]/;
const APOSTROPHE = 39;
const isGuarded = (text: string): boolean => text.charCodeAt(0) === APOSTROPHE && GUARDED.test(text);
const unguarded = (text: string): string => (isGuarded(text) ? text.slice(1) : text);

/** Single quotes where some cells stand between two of them and none between double ones; an apostrophe within a word is none. */
function guessQuote(text: string): Quote {
  const sample = text.slice(0, 20_000);
  const count = (quote: string): number =>
    sample.match(new RegExp(`(?:^|[,;\\t|\\n])${quote}(?![=+@\\-])[^${quote}\\n]*${quote}(?=[,;\\t|\\r\\n]|$)`, 'g'))?.length ?? 0;
  return count("'") > 1 && count('"') === 0 ? "'" : '"';
}
/** A mark that no text holds (Unicode, "Noncharacters") leaves every other one alone. */
const quoteCharOf = (quote: Quote): string => (quote === 'none' ? '\uffff' : quote);

/** The separator that cuts the first rows into the same number of cells, two or more, most often. */
function guessSeparator(text: string, quote: Quote): string {
  const sample = text.slice(0, 20_000);
  const scores = [',', ';', '\t', '|'].map((separator) => {
    const rows = Papa.parse<string[]>(sample, { delimiter: separator, quoteChar: quoteCharOf(quote), preview: 20 }).data.filter(
      (row) => row.length > 1 || row[0] !== '',
    );
    const width = rows[0]?.length ?? 1;
    return { separator, score: width < 2 ? 0 : rows.filter((row) => row.length === width).length * 100 + width };
  });
  return scores.reduce((best, each) => (each.score > best.score ? each : best)).separator;
}

/** Where the first quotation mark stands that is never closed, counted in lines and characters from 1. */
function quoteNote(text: string, separator: string, quote: string): string {
  const { line, column } = unclosedQuote(text, separator, quote);
  return `A quotation mark at line ${line}, column ${column} is never closed. Everything after it was kept as one cell; close it in the file and bring it in again.`;
}

function unclosedQuote(text: string, separator: string, quote = '"'): { line: number; column: number } {
  let [line, column, open] = [1, 1, false];
  let opened = { line: 1, column: 1 };
  for (let i = 0; i < text.length; i++, column++) {
    const letter = text[i];
    if (letter === quote) {
      const before = text[i - 1];
      if (open && text[i + 1] === quote) {
        i++;
        column++;
      } else if (open) open = false;
      else if (before === undefined || before === separator || before === '\n' || before === '\r') [open, opened] = [true, { line, column }];
    } else if (letter === '\n') [line, column] = [line + 1, 0];
  }
  return opened;
}

/** A text may have a zero byte in so many that it got by accident; what has more is no text. */
const ZEROS_ONE_IN = 50;

/** Text of a file: as the person says, else by its byte order mark, else UTF-8 if it is that, else Windows-1252, which is said. */
export function decode(
  bytes: Uint8Array,
  wanted?: Encoding,
): Outcome<{ readonly text: string; readonly encoding: Encoding; readonly notes: readonly string[] }> {
  const [a, b] = bytes;
  const marked: Encoding | undefined = a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : undefined;
  const as = (encoding: Encoding, ...notes: string[]) =>
    good({ text: new TextDecoder(encoding).decode(bytes).replaceAll('\0', ''), encoding, notes });
  if (wanted !== undefined) return as(wanted);
  if (marked !== undefined) return as(marked, 'Read as UTF-16.');
  const unmarked = wide(bytes);
  if (unmarked !== undefined) return as(unmarked, 'Read as UTF-16; the file does not say so.');
  const zero = bytes.indexOf(0);
  const zeros = zero < 0 ? 0 : bytes.reduce((count, byte) => count + (byte === 0 ? 1 : 0), 0);
  if (zeros * ZEROS_ONE_IN > bytes.length) {
    const { line, column } = placeOf(bytes, zero);
    return bad({
      code: 'not-text',
      say: `This is not a text file: line ${line}, column ${column} holds a zero byte.`,
      remedy: 'Save the sheet as CSV (UTF-8) and open that.',
    });
  }
  if (zeros > 0) {
    const { line, column } = placeOf(bytes, zero);
    const rest = decode(bytes.filter((byte) => byte !== 0));
    const note = `${zeros === 1 ? '1 zero byte was' : `${zeros} zero bytes were`} left out (line ${line}, column ${column}${zeros === 1 ? '' : ', and on'}): no text has one.`;
    return rest.ok ? good({ ...rest.value, notes: [note, ...rest.value.notes] }) : rest;
  }
  try {
    return good({ text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'utf-8', notes: [] });
  } catch {
    const mixed = readMixed(bytes);
    if (mixed) return good({ text: mixed.text, encoding: 'utf-8', notes: [mixed.note] });
    const { line, column } = placeOf(bytes, firstWrongByte(bytes));
    return as('windows-1252', `The file is not UTF-8 (line ${line}, column ${column}). It was read as Windows-1252; check the accented letters.`);
  }
}

/**
 * Text of which most lines are UTF-8 and some are not, as when files were put together: each line is read as what it is.
 * Undefined where no line shows that it is UTF-8.
 */
function readMixed(bytes: Uint8Array): { readonly text: string; readonly note: string } | undefined {
  const [strict, other] = [new TextDecoder('utf-8', { fatal: true }), new TextDecoder('windows-1252')];
  const lines: string[] = [];
  const wrong: number[] = [];
  let isTold = false;
  for (let from = 0; from <= bytes.length;) {
    const end = bytes.indexOf(LINE_FEED, from);
    const line = bytes.subarray(from, end < 0 ? bytes.length : end);
    try {
      const text = strict.decode(line);
      isTold ||= text.length < line.length;
      lines.push(text);
    } catch {
      wrong.push(lines.length + 1);
      lines.push(other.decode(line));
    }
    if (end < 0) break;
    from = end + 1;
  }
  if (!isTold) return undefined;
  const shown = `${wrong.slice(0, 6).join(', ')}${wrong.length > 6 ? ` and ${wrong.length - 6} more` : ''}`;
  const note = `${wrong.length === 1 ? `Line ${shown} is` : `Lines ${shown} are`} not UTF-8 like the rest: read as Windows-1252; check the accented letters.`;
  return { text: lines.join('\n'), note };
}
const LINE_FEED = 10;

/** UTF-16 without a mark, told by every second byte of plain letters being zero. */
function wide(bytes: Uint8Array): Encoding | undefined {
  const some = bytes.subarray(0, 2000);
  if (some.length < 4 || bytes.length % 2 !== 0) return undefined;
  const zeros = [0, 0];
  some.forEach((byte, i) => (zeros[i % 2] = (zeros[i % 2] ?? 0) + (byte === 0 ? 1 : 0)));
  const [even = 0, odd = 0] = zeros;
  const enough = some.length * 0.3;
  if (odd > enough && even === 0) return 'utf-16le';
  return even > enough && odd === 0 ? 'utf-16be' : undefined;
}

function placeOf(bytes: Uint8Array, at: number): { line: number; column: number } {
  let [line, start] = [1, 0];
  for (let i = 0; i < at; i++) if (bytes[i] === 10) [line, start] = [line + 1, i + 1];
  return { line, column: at - start + 1 };
}

/** Index of the first byte of the first sequence that cannot stand in UTF-8 (RFC 3629, section 4), found by halving. */
function firstWrongByte(bytes: Uint8Array): number {
  let [low, high] = [0, bytes.length];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (isUtf8(bytes.subarray(0, middle), true)) low = middle;
    else high = middle;
  }
  // A sequence that was begun and not gone on with is wrong from its first byte on.
  while (low > 0 && !isUtf8(bytes.subarray(0, low), false)) low--;
  return low;
}

function isUtf8(bytes: Uint8Array, mayGoOn: boolean): boolean {
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes, { stream: mayGoOn });
    return true;
  } catch {
    return false;
  }
}
