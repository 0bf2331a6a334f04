import { bad, good, type Outcome } from '../outcome';
import { FILE_MOST, OTHER_MOST } from './limits';
import { decode, readSeparated } from './readers/read-delimited';
import { readHtml } from './readers/read-html';
import { readJson } from './readers/read-json';
import { readMarkdown } from './readers/read-markdown';
import { readWorkbook } from './readers/read-workbook';
import type { Brought, SourceKind, SourceOptions } from './raw';
import { entryNames, isZip } from './readers/zip';

/**
 * Reads a file that holds a table, by what is in it; where that is not what the file's name says, it is said.
 * `fileName` is the name with its ending.
 */
export function bringIn(fileName: string, bytes: Uint8Array, options: SourceOptions = {}, progress?: Progress): Outcome<Brought> {
  if (bytes.byteLength > FILE_MOST) return tooLarge(bytes, FILE_MOST);
  if (bytes.byteLength === 0) return bad({ code: 'no-rows', say: 'There are no rows in it: the file is empty.', remedy: 'Choose another one.' });
  const binary = binaryKind(bytes);
  if (binary === 'other')
    return bad({
      code: 'not-table',
      say: `“${fileName}” holds no table that can be read: ${whatElse(bytes)}.`,
      remedy: 'Save the table as XLSX, ODS or CSV.',
    });
  const ending = (/\.(\w+)$/.exec(fileName)?.[1] ?? '').toLowerCase();
  if (binary === 'workbook') {
    if (bytes.byteLength > OTHER_MOST) return tooLarge(bytes, OTHER_MOST);
    const sheet = readWorkbook(bytes, options);
    if (!sheet.ok) return sheet;
    return good({ kind: 'workbook', ...noted(sheet.value, ending, 'workbook'), piece: options.piece ?? 0 });
  }
  const decoded = decode(bytes, options.encoding);
  if (!decoded.ok) return decoded;
  const { text, encoding, notes } = decoded.value;
  const kind = textKind(text, ending);
  if (kind !== 'separated' && bytes.byteLength > OTHER_MOST) return tooLarge(bytes, OTHER_MOST);
  const read = readText(kind, text, notes, options, progress);
  if (!read.ok) return read;
  if (read.value.raw.rows.every((cells) => cells.length === 0))
    return bad({ code: 'no-cells', say: 'There are no cells in it.', remedy: 'Choose another one, or start with an empty table.' });
  const { decimal } = read.value.raw;
  return good({
    kind,
    ...noted(read.value, ending, kind),
    piece: options.piece ?? 0,
    ...(kind === 'separated' ? { encoding, ...(decimal ? { decimal } : {}) } : {}),
  });
}

type Read = Pick<Brought, 'raw' | 'pieces' | 'separator' | 'quote' | 'range'>;

/** Is told how much of a source has been read, from 0 to 1. */
export type Progress = (share: number) => void;

const tooLarge = (bytes: Uint8Array, most: number): Outcome<never> =>
  bad({
    code: 'file-large',
    say: `The file has ${Math.round(bytes.byteLength / 1_048_576)} MB; at most ${most / 1_048_576} MB of this kind can be read.`,
    remedy: 'Split it, or take the columns that are needed.',
  });

function readText(kind: SourceKind, text: string, notes: readonly string[], options: SourceOptions, progress?: Progress): Outcome<Read> {
  if (kind === 'separated') {
    const read = readSeparated(text, notes, options.separator, options, progress);
    return read.ok ? good({ ...read.value, pieces: [] }) : read;
  }
  if (kind === 'html') return readHtml(text, options.piece);
  if (kind === 'markdown') return readMarkdown(text, options.piece);
  const raw = readJson(text);
  return raw.ok ? good({ raw: raw.value, pieces: [] }) : raw;
}

const endings: Readonly<Record<string, SourceKind>> = {
  ...{ csv: 'separated', tsv: 'separated', txt: 'separated', xlsx: 'workbook', xls: 'workbook', ods: 'workbook' },
  ...{ html: 'html', htm: 'html', json: 'json', ndjson: 'json', jsonl: 'json', md: 'markdown', markdown: 'markdown' },
};
const kindNames: Readonly<Record<SourceKind, string>> = {
  separated: 'separated values',
  workbook: 'a workbook',
  html: 'a web page',
  json: 'JSON',
  markdown: 'Markdown',
};

/** Says it where a file is not what its name says. */
function noted<T extends Read>(read: T, ending: string, kind: SourceKind): T {
  const said = endings[ending];
  if (said === undefined || said === kind) return read;
  return {
    ...read,
    raw: { ...read.raw, notes: [`The name ends in .${ending}, but the file is ${kindNames[kind]} and was read as that.`, ...read.raw.notes] },
  };
}

/** Workbooks are ZIP packages or compound files; other things that are plainly no text are told as such. */
function binaryKind(bytes: Uint8Array): 'workbook' | 'other' | 'text' {
  const starts = (...first: readonly number[]): boolean => first.every((byte, i) => bytes[i] === byte);
  if (starts(0xd0, 0xcf, 0x11, 0xe0)) return 'workbook';
  if (isZip(bytes)) {
    const names = entryNames(bytes);
    // A package that is cut off has lost its directory; the reader says so.
    return names.length === 0 || names.some((name) => name.startsWith('xl/') || name === 'content.xml') ? 'workbook' : 'other';
  }
  return whatElse(bytes) === '' ? 'text' : 'other';
}

const signatures: readonly (readonly [string, readonly number[]])[] = [
  ['it is a PDF', [0x25, 0x50, 0x44, 0x46]],
  ['it is a picture', [0x89, 0x50, 0x4e, 0x47]],
  ['it is a picture', [0xff, 0xd8, 0xff]],
  ['it is a picture', [0x47, 0x49, 0x46, 0x38]],
  ['it is a compressed file', [0x1f, 0x8b]],
];
const whatElse = (bytes: Uint8Array): string =>
  isZip(bytes)
    ? 'it is a ZIP file without a workbook in it'
    : (signatures.find(([, first]) => first.every((byte, i) => bytes[i] === byte))?.[0] ?? '');

/** What kind of text it is: by its look where that is plain, else by the name's ending. */
function textKind(text: string, ending: string): SourceKind {
  const start = text
    .replace(/^\uFEFF/, '')
    .trimStart()
    .slice(0, 400);
  if (/^(?:<!doctype html|<html|<table|<head|<body|<meta)\b/i.test(start)) return 'html';
  if (/^[[{]/.test(start) && (endings[ending] === 'json' || /^\s*(?:\[\s*[[{]|\{\s*")/.test(start))) return 'json';
  const named = endings[ending];
  const isMarkdown = (): boolean => /^\s*\|?[^\n|]+\|[^\n]*\n\s*\|?\s*:?-{2,}:?\s*\|/m.test(text.slice(0, 5000));
  if (named === undefined || named === 'workbook' || ending === 'txt' || (named === 'json' && !/^[[{]/.test(start)))
    return isMarkdown() ? 'markdown' : 'separated';
  return named;
}
