import { read, utils, type CellObject, type Range, type WorkBook, type WorkSheet } from '@e965/xlsx';
import { bad, good, type Outcome } from '../../outcome';
import { LIMITS, cellOf, isSafeAddress, type Cell, type Merge } from '../../table';
import { own } from '../../own';
import { WORKBOOK_CAPTION } from '../../workbook-caption';
import type { Raw } from '../raw';
import { withoutMissingTexts } from './missing-texts';
import { SSF, dateOf, duration, hasDay } from './workbook-dates';
import { isZip, plainPackage, unpackedSize } from './zip';

/** Bytes that a workbook may come to when it is unpacked. */
const UNPACKED_MOST = 400_000_000;
/** Rows and columns that are looked at: some more than a table may have, so that what is over can be counted. */
const [ROWS_MOST, COLUMNS_MOST] = [LIMITS.rows + 1000, LIMITS.columns + 100];
/** Slots that a sheet's used part may have. */
const SLOTS_MOST = 6_000_000;

export interface Sheet {
  readonly raw: Raw;
  readonly pieces: readonly string[];
  /** The part of the sheet that was read, as in `A1:F40`. */
  readonly range: string;
  /** Which of the sheets was read, from 0. */
  readonly piece: number;
  /** How many rows and columns of it are not shown. */
  readonly hidden: number;
}

/**
 * Reads a sheet of a workbook (XLSX, XLS, ODS), the one that is asked for, or a range of it. Cells come in as they are
 * shown; dates as year-month-day, so that they mean the same everywhere; formulas as their last value.
 */
export function readWorkbook(
  bytes: Uint8Array,
  { piece: asked, range, hidden = false }: { readonly piece?: number; readonly range?: string; readonly hidden?: boolean } = {},
): Outcome<Sheet> {
  const size = unpackedSize(bytes);
  if (size > UNPACKED_MOST)
    return bad({
      code: 'file-expands',
      say: `The workbook says that it comes to ${Math.round(size / 1_000_000).toLocaleString('en')} MB when it is unpacked; at most ${UNPACKED_MOST / 1_000_000} MB can be read.`,
      remedy: 'Save the sheet that is needed as a file of its own.',
    });
  if (isEncrypted(bytes)) return unreadable('encrypted');
  const plain = isZip(bytes) ? plainPackage(bytes, isOfCells, UNPACKED_MOST) : bytes;
  if (!plain) return unreadable('');
  const opened = bookOf(plain);
  if (!opened.ok) return opened;
  const { book, lacking } = opened.value;
  const isShown = (at: number): boolean => (book.Workbook?.Sheets?.[at]?.Hidden ?? 0) === 0;
  const piece =
    asked ??
    Math.max(
      0,
      book.SheetNames.findIndex((_, at) => isShown(at)),
    );
  const name = book.SheetNames[piece];
  const sheet = name === undefined ? undefined : book.Sheets[name];
  if (!sheet || book.SheetNames.length === 0)
    return bad({ code: 'no-sheet', say: 'There is no such sheet in the workbook.', remedy: 'Choose another one.' });
  const used = usedRange(sheet);
  if (!used) return bad({ code: 'no-rows', say: `The sheet “${name ?? ''}” is empty.`, remedy: 'Choose another sheet.' });
  const corners = range === undefined ? used : readRange(range);
  if (!corners) return bad({ code: 'range', say: `“${range ?? ''}” is not a range.`, remedy: 'Write two corners, as in A1:F40.' });
  const part = common(corners, used);
  if (!part)
    return bad({ code: 'range-empty', say: `There is nothing in ${range ?? ''}.`, remedy: `The sheet is filled from ${utils.encode_range(used)}.` });
  const away = hiddenIn(sheet, part);
  const from = rawOf(book, sheet, part);
  const raw = { ...from, notes: [...from.notes, ...lackingSaid(lacking), ...used.far] };
  return good({
    raw: hidden ? raw : withoutHidden(raw, away),
    pieces: book.SheetNames.map((each, at) => (isShown(at) ? each : `${each} (hidden)`)),
    range: utils.encode_range(part),
    piece,
    hidden: away.rows.size + away.columns.size,
  });
}

/** The workbook, and how many of its cells name a text that it lacks. A sheet with such cells is none to the library: they are emptied then. */
function bookOf(bytes: Uint8Array): Outcome<{ readonly book: WorkBook; readonly lacking: number }> {
  const readBook = (from: Uint8Array): WorkBook =>
    read(from, { type: 'array', cellNF: true, cellHTML: false, cellStyles: true, sheetRows: ROWS_MOST });
  try {
    const book = readBook(bytes);
    if (!isZip(bytes) || book.SheetNames.every((name) => book.Sheets[name] !== undefined)) return good({ book, lacking: 0 });
    const mended = withoutMissingTexts(bytes);
    return good(mended ? { book: readBook(mended.bytes), lacking: mended.lacking } : { book, lacking: 0 });
  } catch (error) {
    return unreadable((error as Error).message);
  }
}

const lackingSaid = (count: number): readonly string[] =>
  count === 0
    ? []
    : [
        `${count === 1 ? '1 cell names a text' : `${count.toLocaleString('en')} cells name texts`} that the workbook lacks; ${count === 1 ? 'it is' : 'they are'} empty.`,
      ];

/** Whether an entry of a package has to do with what stands in cells; pictures and the like are not unpacked. */
const isOfCells = (name: string): boolean => /\.(?:xml|rels|bin)$/i.test(name) || name === 'mimetype';

/** A workbook with a password is a compound file with the package encrypted in it ([MS-OFFCRYPTO], section 2.3); its name stands in the directory. */
function isEncrypted(bytes: Uint8Array): boolean {
  if (bytes[0] !== 0xd0 || bytes[1] !== 0xcf) return false;
  const name = Array.from('EncryptedPackage', (letter) => [letter.charCodeAt(0), 0]).flat();
  for (let at = bytes.indexOf(name[0] ?? 0); at >= 0; at = bytes.indexOf(name[0] ?? 0, at + 1))
    if (name.every((byte, i) => bytes[at + i] === byte)) return true;
  return false;
}

function unreadable(message: string): Outcome<never> {
  if (/password|encrypt/i.test(message))
    return bad({ code: 'file-locked', say: 'The workbook is protected with a password.', remedy: 'Save it without one, and bring it in again.' });
  return bad({
    code: 'file-broken',
    say: 'The workbook cannot be read: it is cut off or damaged.',
    remedy: 'Open it in the program it comes from, save it again, and bring that in.',
  });
}

const isCell = (key: string): boolean => !key.startsWith('!');

/** What of a sheet is used, and its outermost cells with how far the next one is. */
interface Used extends Range {
  readonly far: readonly string[];
}

/** The last filled row or column, the one before it, and a cell in the last. */
class Outermost {
  last = -1;
  private before = -1;
  private key = '';
  reach(at: number, key: string): void {
    if (at > this.last) [this.before, this.last, this.key] = [this.last, at, key];
    else if (at < this.last && at > this.before) this.before = at;
  }
  /** In words, where it stands far from the rest; that is often a slip of the hand. */
  far(most: number, what: string): readonly string[] {
    const empty = this.last - this.before - 1;
    return this.before >= 0 && empty >= most ? [`${this.key} stands ${empty.toLocaleString('en')} empty ${what} the rest.`] : [];
  }
}
/** So many empty rows or columns before the last one that is filled are worth a word. */
const [FAR_ROWS, FAR_COLUMNS] = [200, 20];

/**
 * From the first cell to the last that is filled or merged; nothing for an empty sheet. A sheet may claim to be a
 * million rows long, or name one cell down there.
 */
function usedRange(sheet: WorkSheet): Used | undefined {
  const [rows, columns] = [new Outermost(), new Outermost()];
  for (const key of Object.keys(sheet).filter(isCell)) {
    if (textOf(sheet[key] as CellObject, false) === '') continue;
    const { r, c } = utils.decode_cell(key);
    if (r >= ROWS_MOST) continue;
    rows.reach(r, key);
    columns.reach(c, key);
  }
  let [lastRow, lastColumn] = [rows.last, columns.last];
  if (lastRow < 0) return undefined;
  for (const { s, e } of sheet['!merges'] ?? []) {
    if (s.r > lastRow || s.c > lastColumn) continue;
    lastRow = Math.max(lastRow, Math.min(e.r, ROWS_MOST - 1));
    lastColumn = Math.max(lastColumn, Math.min(e.c, COLUMNS_MOST - 1));
  }
  const full = sheet['!fullref'] as string | undefined;
  const below = full === undefined ? 0 : utils.decode_range(full).e.r + 1;
  const far = [
    ...(below > ROWS_MOST
      ? [`The sheet goes on to row ${below.toLocaleString('en')}; what is below row ${ROWS_MOST.toLocaleString('en')} was left out.`]
      : []),
    ...rows.far(FAR_ROWS, 'rows below'),
    ...columns.far(FAR_COLUMNS, 'columns beside'),
  ];
  return { s: { r: 0, c: 0 }, e: { r: lastRow, c: lastColumn }, far };
}

function readRange(text: string): Range | undefined {
  const match = /^\s*\$?([a-z]{1,3})\$?([1-9]\d{0,6})\s*(?::\s*\$?([a-z]{1,3})\$?([1-9]\d{0,6}))?\s*$/i.exec(text);
  if (!match) return undefined;
  const [, fromColumn = '', fromRow = '', toColumn = fromColumn, toRow = fromRow] = match;
  const columns = [utils.decode_col(fromColumn.toUpperCase()), utils.decode_col(toColumn.toUpperCase())];
  const rows = [Number(fromRow) - 1, Number(toRow) - 1];
  return { s: { r: Math.min(...rows), c: Math.min(...columns) }, e: { r: Math.max(...rows), c: Math.max(...columns) } };
}

function common(a: Range, b: Range): Range | undefined {
  const part = {
    s: { r: Math.max(a.s.r, b.s.r), c: Math.max(a.s.c, b.s.c) },
    e: { r: Math.min(a.e.r, b.e.r), c: Math.min(a.e.c, b.e.c) },
  };
  return part.s.r <= part.e.r && part.s.c <= part.e.c ? part : undefined;
}

interface Hidden {
  readonly rows: ReadonlySet<number>;
  readonly columns: ReadonlySet<number>;
}

/** The rows and columns of a part that the sheet does not show, counted from the part's own first. */
function hiddenIn(sheet: WorkSheet, { s, e }: Range): Hidden {
  const lines = (all: readonly ({ readonly hidden?: boolean } | null | undefined)[] | undefined, from: number, to: number): ReadonlySet<number> =>
    new Set((all ?? []).flatMap((each, at) => (each?.hidden === true && at >= from && at <= to ? [at - from] : [])));
  return { rows: lines(sheet['!rows'], s.r, e.r), columns: lines(sheet['!cols'], s.c, e.c) };
}

/** What is left of a sheet without what it does not show; merged cells shrink. A sheet of which nothing is shown stays whole. */
function withoutHidden(raw: Raw, { rows, columns }: Hidden): Raw {
  const width = raw.rows[0]?.length ?? 0;
  if (rows.size + columns.size === 0 || rows.size >= raw.rows.length || columns.size >= width) return raw;
  const before = (gone: ReadonlySet<number>, count: number): readonly number[] => {
    const places = [0];
    for (let at = 0; at < count; at++) places.push((places[at] ?? 0) + (gone.has(at) ? 0 : 1));
    return places;
  };
  const [rowAt, columnAt] = [before(rows, raw.rows.length), before(columns, width)];
  const span = (places: readonly number[], from: number, count: number): readonly [number, number] => {
    const start = places[from] ?? 0;
    return [start, (places[from + count] ?? start) - start];
  };
  const merges = raw.merges.flatMap((merge): readonly Merge[] => {
    const [[row, down], [column, across]] = [span(rowAt, merge.row, merge.rows), span(columnAt, merge.column, merge.columns)];
    return down > 0 && across > 0 && down * across > 1 ? [{ row, column, rows: down, columns: across }] : [];
  });
  // What a merged cell says stands in its first slot, which may be one that is not shown.
  const cells = raw.rows.map((row) => [...row]);
  for (const { row, column, rows: down, columns: across } of raw.merges) {
    const text = cells[row]?.[column] ?? '';
    const [r, c] = [firstShown(rows, row, down), firstShown(columns, column, across)];
    const to = r === undefined || c === undefined ? undefined : cells[r];
    if (to && c !== undefined && (r !== row || c !== column)) to[c] = text;
  }
  const say = [
    rows.size === 0 ? '' : rows.size === 1 ? '1 hidden row' : `${rows.size.toLocaleString('en')} hidden rows`,
    columns.size === 0 ? '' : columns.size === 1 ? '1 hidden column' : `${columns.size} hidden columns`,
  ].filter(Boolean);
  const isOne = rows.size + columns.size === 1;
  return {
    ...raw,
    rows: cells.filter((_, at) => !rows.has(at)).map((row) => (columns.size === 0 ? row : row.filter((_, at) => !columns.has(at)))),
    merges,
    notes: [...raw.notes, `${say.join(' and ')} of the sheet ${isOne ? 'was' : 'were'} left out.`],
  };
}

function firstShown(gone: ReadonlySet<number>, from: number, count: number): number | undefined {
  for (let at = from; at < from + count; at++) if (!gone.has(at)) return at;
  return undefined;
}

function rawOf(book: WorkBook, sheet: WorkSheet, part: Range): Raw {
  const notes: string[] = [];
  const is1904 = book.Workbook?.WBProps?.date1904 === true;
  const width = part.e.c - part.s.c + 1;
  const height = Math.min(part.e.r - part.s.r + 1, Math.floor(SLOTS_MOST / width));
  const [formulas, uncounted] = [{ n: 0 }, { n: 0 }];
  const rows = Array.from({ length: height }, (_, r) =>
    Array.from({ length: width }, (_, c) => {
      const cell = sheet[utils.encode_cell({ r: part.s.r + r, c: part.s.c + c })] as CellObject | undefined;
      if (cell?.f !== undefined) {
        formulas.n++;
        if (cell.v === undefined) uncounted.n++;
      }
      return cell ? contentOf(cell, is1904) : '';
    }),
  );
  if (formulas.n > 0) notes.push(`${formulas.n === 1 ? '1 formula came' : `${formulas.n.toLocaleString('en')} formulas came`} in as the last value.`);
  if (uncounted.n > 0)
    notes.push(
      `${uncounted.n === 1 ? '1 formula has' : `${uncounted.n.toLocaleString('en')} formulas have`} no value in the file. Those cells are empty.`,
    );
  if (is1904) notes.push('Dates were counted from 1904, as the workbook says.');
  const merges = (sheet['!merges'] ?? []).flatMap(({ s, e }): Merge[] => {
    const cut = common({ s, e }, { s: part.s, e: { r: part.s.r + height - 1, c: part.e.c } });
    if (!cut) return [];
    const merge = { row: cut.s.r - part.s.r, column: cut.s.c - part.s.c, rows: cut.e.r - cut.s.r + 1, columns: cut.e.c - cut.s.c + 1 };
    return merge.rows * merge.columns > 1 ? [merge] : [];
  });
  const isCaption = own((book.Custprops ?? {}) as Readonly<Record<string, unknown>>, WORKBOOK_CAPTION) === 'title';
  const title: unknown = isCaption ? book.Props?.Title : undefined;
  return { rows, merges, notes, ...(typeof title === 'string' ? { caption: title.slice(0, LIMITS.caption) } : {}) };
}

/** A cell's text, as a link where the sheet makes it one. */
function contentOf(cell: CellObject, is1904: boolean): Cell {
  const text = textOf(cell, is1904);
  const href = cell.l?.Target;
  if (href === undefined || text === '' || href.startsWith('#') || href.length > LIMITS.address || !isSafeAddress(href)) return text;
  return cellOf(text, [{ from: 0, to: text.length, kind: 'link', href }]);
}

/** A cell as it is shown, without what only fills its width; dates and times by the ISO 8601 calendar. */
function textOf(cell: CellObject, is1904: boolean): string {
  if (cell.v === undefined || cell.t === 'z') return '';
  if (cell.t === 'b') return cell.v === true ? 'TRUE' : 'FALSE';
  if (cell.t === 'e') return cell.w ?? '#N/A';
  if (cell.t === 'n' && typeof cell.v === 'number') {
    const format = String(cell.z ?? 'General');
    if (/\[[hms]+\]/i.test(format)) return duration(cell.v);
    if (SSF.is_date(format)) return dateOf(cell.v, is1904, hasDay(format)) ?? shown(cell);
    if (cell.w === undefined) return spacedShare(format, cell.v) ?? shown(cell);
  }
  return shown(cell);
}

const shown = (cell: CellObject): string => (cell.t === 's' ? String(cell.v) : (cell.w ?? String(cell.v))).replace(/\r\n?/g, '\n').trim();
/** A share of a hundred with room before its sign, as many languages write it: a format that the library cannot show. */
function spacedShare(format: string, value: number): string | undefined {
  const bare = format.replace(/[\s\u00a0\u202f"\\]{1,8}%/g, '%');
  if (bare === format) return undefined;
  try {
    return SSF.format(bare, value).replace('%', ' %');
  } catch {
    return undefined;
  }
}
