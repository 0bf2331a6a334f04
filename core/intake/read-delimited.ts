import Papa from 'papaparse';
import { bad, good, type Outcome } from '../outcome';
import { FILE_MOST } from './limits';
import { tableFrom, type Intake } from './square';

/** Reads a file of separated values (RFC 4180, and what is met in the wild): decodes it, finds its separator, squares it. */
export function readCsv(name: string, bytes: Uint8Array): Outcome<Intake> {
  if (bytes.byteLength > FILE_MOST) {
    return bad({
      code: 'file-large',
      say: `The file has ${Math.round(bytes.byteLength / 1_048_576)} MB; at most 32 MB can be read.`,
      remedy: 'Split it, or take the columns that are needed.',
    });
  }
  const decoded = decode(bytes);
  if (!decoded.ok) return decoded;
  return readSeparated(name, decoded.value.text, decoded.value.notes);
}

/** Reads separated text that is decoded already; `delimiter` empty means: find out. */
export function readSeparated(name: string, text: string, before: readonly string[] = [], delimiter = ''): Outcome<Intake> {
  if (text.trim() === '')
    return bad({ code: 'no-rows', say: 'There are no rows in it.', remedy: 'Choose a file with at least one row, or start with an empty table.' });
  const parsed = Papa.parse<string[]>(text, { delimiter: delimiter || guessSeparator(text), header: false });
  const quotes = parsed.errors.find(({ type }) => type === 'Quotes');
  const notes = [...before];
  if (quotes) notes.push(quoteNote(text, parsed.meta.delimiter));
  const named = { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' }[parsed.meta.delimiter] ?? parsed.meta.delimiter;
  notes.unshift(`Read as cells separated by ${named}.`);
  return good(tableFrom(name, parsed.data, {}, notes));
}

/** The separator that cuts the first rows into the same number of cells, two or more, most often. */
function guessSeparator(text: string): string {
  const sample = text.slice(0, 20_000);
  const scores = [',', ';', '\t', '|'].map((separator) => {
    const rows = Papa.parse<string[]>(sample, { delimiter: separator, preview: 20 }).data.filter((row) => row.length > 1 || row[0] !== '');
    const width = rows[0]?.length ?? 1;
    return { separator, score: width < 2 ? 0 : rows.filter((row) => row.length === width).length * 100 + width };
  });
  return scores.reduce((best, each) => (each.score > best.score ? each : best)).separator;
}

/** Where the first quotation mark stands that is never closed, counted in lines and characters from 1. */
function quoteNote(text: string, separator: string): string {
  const { line, column } = unclosedQuote(text, separator);
  return `A quotation mark at line ${line}, column ${column} is never closed. Everything after it was kept as one cell; close it in the file and bring it in again.`;
}

export function unclosedQuote(text: string, separator: string): { line: number; column: number } {
  let [line, column, open] = [1, 1, false];
  let opened = { line: 1, column: 1 };
  for (let i = 0; i < text.length; i++, column++) {
    const letter = text[i];
    if (letter === '"') {
      const before = text[i - 1];
      if (open && text[i + 1] === '"') {
        i++;
        column++;
      } else if (open) open = false;
      else if (before === undefined || before === separator || before === '\n' || before === '\r') [open, opened] = [true, { line, column }];
    } else if (letter === '\n') [line, column] = [line + 1, 0];
  }
  return opened;
}

/** Text of a file: by its byte order mark, else UTF-8 if it is that, else Windows-1252, which is said. */
function decode(bytes: Uint8Array): Outcome<{ text: string; notes: readonly string[] }> {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return good({ text: new TextDecoder('utf-16le').decode(bytes), notes: ['Read as UTF-16.'] });
  if (a === 0xfe && b === 0xff) return good({ text: new TextDecoder('utf-16be').decode(bytes), notes: ['Read as UTF-16.'] });
  const zero = bytes.subarray(0, 4096).indexOf(0);
  if (zero >= 0) {
    const { line, column } = placeOf(bytes, zero);
    return bad({
      code: 'not-text',
      say: `This is not a text file: line ${line}, column ${column} holds a zero byte.`,
      remedy: 'Save the sheet as CSV (UTF-8) and open that.',
    });
  }
  try {
    return good({ text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), notes: [] });
  } catch {
    const { line, column } = placeOf(bytes, firstWrongByte(bytes));
    const note = `The file is not UTF-8 (line ${line}, column ${column}). It was read as Windows-1252; check the accented letters.`;
    return good({ text: new TextDecoder('windows-1252').decode(bytes), notes: [note] });
  }
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
