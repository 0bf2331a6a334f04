import { bad, good, type Outcome } from '../outcome';
import { formatByEnding, sourceKinds, type SourceKind } from './endings';
import { formatOf, type Source } from './formats';
import { FILE_MOST } from './limits';
import { decode } from './readers/read-delimited';
import type { Progress, Read, SourceOptions } from './raw';
import { isZip, startsWith } from './readers/zip';

/** A source that was read, and how. */
export interface Brought extends Read {
  readonly kind: SourceKind;
  /** Which of its sheets or tables, from 0. */
  readonly piece: number;
}

/**
 * Reads a file that holds a table, by what is in it; where that is not what the file's name says, it is said.
 * `fileName` is the name with its ending.
 */
export function bringIn(fileName: string, bytes: Uint8Array, options: SourceOptions = {}, progress?: Progress): Outcome<Brought> {
  if (bytes.byteLength > FILE_MOST) return tooLarge(bytes, FILE_MOST);
  if (bytes.byteLength === 0) return bad({ code: 'no-rows', say: 'There are no rows in it: the file is empty.', remedy: 'Choose another one.' });
  const ending = (/\.(\w+)$/.exec(fileName)?.[1] ?? '').toLowerCase();
  const packed = sourceKinds.find((kind) => formatOf(kind).holds?.(bytes));
  if (packed) return readAs(packed, { bytes, text: '', encoding: 'utf-8', notes: [], start: '', ending }, options, progress);
  const other = whatElse(bytes);
  if (other !== '')
    return bad({ code: 'not-table', say: `“${fileName}” holds no table that can be read: ${other}.`, remedy: 'Save the table as XLSX, ODS or CSV.' });
  const decoded = decode(bytes, options.encoding);
  if (!decoded.ok) return decoded;
  const start = decoded.value.text
    .replace(/^\uFEFF/, '')
    .trimStart()
    .slice(0, 400);
  const source = { bytes, ...decoded.value, start, ending };
  const markup = formatByEnding(ending) === 'html' ? '' : whatMarkup(start);
  if (markup !== '')
    return bad({
      code: 'not-table',
      say: `“${fileName}” holds no table that can be read: ${markup}.`,
      remedy: 'Save the table as XLSX, ODS or CSV.',
    });
  return readAs(kindOfText(source), source, options, progress);
}

function readAs(kind: SourceKind, source: Source, options: SourceOptions, progress?: Progress): Outcome<Brought> {
  const { most, read } = formatOf(kind);
  if (source.bytes.byteLength > most) return tooLarge(source.bytes, most);
  const found = read(source, options, progress);
  if (!found.ok) return found;
  if (found.value.raw.rows.every((cells) => cells.length === 0))
    return bad({ code: 'no-cells', say: 'There are no cells in it.', remedy: 'Choose another one, or start with an empty table.' });
  return good({ kind, ...noted(found.value, source.ending, kind), piece: found.value.piece ?? options.piece ?? 0 });
}

const tooLarge = (bytes: Uint8Array, most: number): Outcome<never> =>
  bad({
    code: 'file-large',
    say: `The file has ${Math.round(bytes.byteLength / 1_048_576)} MB; at most ${most / 1_048_576} MB of this kind can be read.`,
    remedy: 'Split it, or take the columns that are needed.',
  });

/** Says it where a file is not what its name says. */
function noted(read: Read, ending: string, kind: SourceKind): Read {
  const said = formatByEnding(ending);
  if (said === undefined || said === kind) return read;
  const note = `The name ends in .${ending}, but the file is ${formatOf(kind).name} and was read as that.`;
  return { ...read, raw: { ...read.raw, notes: [note, ...read.raw.notes] } };
}

const signatures: readonly (readonly [string, readonly number[]])[] = [
  ['it is a PDF', [0x25, 0x50, 0x44, 0x46]],
  ['it is a picture', [0x89, 0x50, 0x4e, 0x47]],
  ['it is a picture', [0xff, 0xd8, 0xff]],
  ['it is a picture', [0x47, 0x49, 0x46, 0x38]],
  ['it is a compressed file', [0x1f, 0x8b]],
];
const whatElse = (bytes: Uint8Array): string =>
  isZip(bytes) ? 'it is a ZIP file without a workbook in it' : (signatures.find(([, first]) => startsWith(bytes, ...first))?.[0] ?? '');

/** What a text is that begins as XML and is no web page: its commas are nobody's cells. */
function whatMarkup(start: string): string {
  if (!/^<(?:\?xml|svg|[a-z][\w-]*:)/i.test(start) || /<(?:!doctype html|html|table)\b/i.test(start)) return '';
  if (/<svg\b/i.test(start)) return 'it is a picture, an SVG';
  return /<office:document/i.test(start) ? 'it is a flat OpenDocument file' : 'it is XML';
}

/** What kind of text it is: by its look where that is plain, else by the name's ending, else by what it may be. */
function kindOfText(source: Source): SourceKind {
  const plain = sourceKinds.find((kind) => formatOf(kind).tells(source));
  if (plain) return plain;
  const named = formatByEnding(source.ending);
  if (named !== undefined && formatOf(named).canBe(source)) return named;
  return sourceKinds.find((kind) => formatOf(kind).maybe(source)) ?? 'separated';
}
