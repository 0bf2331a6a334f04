import { utils, write, type CellObject } from '@e965/xlsx';
import Papa from 'papaparse';
import { computedTable, gridOf, isNumber, marksIn, stretchesOf, textOf, textsOf, type Cell, type GridCell, type Row, type Table } from '../table';
import { WORKBOOK_CAPTION } from '../workbook-caption';
import type { DataFormat } from './choices';
import { standIn, withFormats } from './ods-formats';
import { textShown, typedCell } from './sheet-cell';

/** A table's content as a file. What comes back from it by `bringIn` has the same texts in the same places. */
export function tableData(table: Table, format: DataFormat): Uint8Array | string {
  return writers[format](computedTable(table));
}

const writers: Readonly<Record<DataFormat, (table: Table) => Uint8Array | string>> = {
  csv: writeCsv,
  xlsx: (table) => writeWorkbook(table, 'xlsx'),
  ods: (table) => writeWorkbook(table, 'ods'),
  json: writeJson,
  md: writeMarkdown,
};

/** What a spreadsheet would take for a formula, and what looks like one that was guarded already. */
const FORMULA = /^'*[=+\-@\t\r]/;

/** RFC 4180. Cells that a spreadsheet would run get an apostrophe in front, which `bringIn` takes off again; numbers are left alone. */
function writeCsv({ rows }: Table): string {
  const guarded = (text: string): string => (FORMULA.test(text) && !isNumber(text) ? `'${text}` : text);
  // With a byte order mark, by which spreadsheets know UTF-8.
  return `\uFEFF${Papa.unparse(
    rows.map((cells) => cells.map((cell) => guarded(textOf(cell)))),
    { newline: '\r\n' },
  )}`;
}

/**
 * An array of objects where one header row names every column and no two alike. Where the header has several tiers, an object of
 * `columns`, each the list of what stands over it from the first tier down, and of `data`, its rows. Else an array of arrays.
 */
function writeJson(table: Table): string {
  const { rows, headerRows } = table;
  if (headerRows > 1 && rows.length > headerRows) return JSON.stringify(tieredData(table), null, 1);
  const [names = [], ...body] = rows.map(textsOf);
  const isNamed = headerRows === 1 && body.length > 0 && names.every((name) => name !== '') && new Set(names).size === names.length;
  // Names that are whole numbers would change places in an object.
  const isOrdered = isNamed && !names.some((name) => /^\d+$/.test(name) || name === '__proto__');
  return JSON.stringify(
    isOrdered ? body.map((cells) => Object.fromEntries(names.map((name, i) => [name, cells[i] ?? '']))) : rows.map(textsOf),
    null,
    1,
  );
}

/** What stands over a column in each tier: what stands over several columns is said for each, what reaches down once. */
function tieredData(table: Table): { readonly columns: readonly (readonly string[])[]; readonly data: readonly (readonly string[])[] } {
  const { rows, headerRows } = table;
  const columns = (rows[0] ?? []).map((): string[] => Array.from({ length: headerRows }, () => ''));
  for (let row = 0; row < headerRows; row++)
    for (const { column, columns: over, text } of gridOf(table).row(row))
      for (let each = column; each < column + over; each++) {
        const path = columns[each];
        if (path) path[row] = text;
      }
  return { columns, data: rows.slice(headerRows).map(textsOf) };
}

/** A table of GitHub Flavored Markdown: its first row is the header there, marks are escaped, breaks are `<br>`. */
function writeMarkdown({ rows, caption, headerRows }: Table): string {
  const width = rows[0]?.length ?? 0;
  const line = (cells: Row): string => `| ${cells.map(markedDown).join(' | ')} |`;
  const header: Row = headerRows > 0 ? (rows[0] ?? []) : Array.from({ length: width }, () => '');
  const body = headerRows > 0 ? rows.slice(1) : rows;
  const heading = caption === '' ? [] : [`## ${escapeMarkdown(caption).replaceAll('<br>', ' ')}`, ''];
  return [...heading, line(header), `|${' --- |'.repeat(width)}`, ...body.map(line), ''].join('\n');
}
const signs: { readonly [kind: string]: string } = { bold: '**', italic: '_', strike: '~~' };
/** A cell with the marks that Markdown has signs for; white space at a mark's edge stands outside its signs. */
function markedDown(cell: Cell): string {
  if (marksIn(cell).length === 0) return escapeMarkdown(textOf(cell));
  return stretchesOf(cell)
    .map(({ text, marks }) => {
      const [, before = '', inner = '', after = ''] = /^(\s*)([\s\S]*?)(\s*)$/.exec(text) ?? [];
      if (inner === '') return escapeSpaces(text);
      const link = marks.find(({ kind }) => kind === 'link');
      const open = marks.map(({ kind }) => signs[kind] ?? '').join('');
      const close = marks
        .map(({ kind }) => signs[kind] ?? '')
        .toReversed()
        .join('');
      const signed = `${open}${escapeMarkdown(inner)}${close}`;
      return `${escapeSpaces(before)}${link ? `[${signed}](<${(link.href ?? '').replace(/[<>|\\\s]/g, encodeURIComponent)}>)` : signed}${escapeSpaces(after)}`;
    })
    .join('');
}
const escapeSpaces = (text: string): string => text.replace(/\r?\n/g, '<br>');
const escapeMarkdown = (text: string): string =>
  text
    .replace(/[\\`*_[\]{}<>#|~&]/g, (letter) => (letter === '&' ? '&amp;' : letter === '<' ? '&lt;' : letter === '>' ? '&gt;' : `\\${letter}`))
    .replace(/\r?\n/g, '<br>')
    .trim();

/**
 * A workbook with one sheet: merged cells, the caption as its title, values of typed columns as numbers and dates in formats that show
 * them as the table does, others as numbers where they are shown again as they were typed.
 */
function writeWorkbook(table: Table, bookType: 'xlsx' | 'ods'): Uint8Array {
  const sheet = utils.aoa_to_sheet([]);
  // The library writes few formats into ODS: ours are put in their places afterwards.
  const formats = new Map<string, number>();
  const formatted = (made: CellObject, cell: GridCell): CellObject => {
    if (bookType === 'xlsx') return made;
    const format = String(made.z);
    const at = formats.get(format) ?? formats.size;
    formats.set(format, at);
    return { ...made, z: standIn(at), w: textShown(table, cell) };
  };
  for (const cells of gridOf(table).rows)
    for (const cell of cells) {
      const typed = typedCell(table, cell);
      const made =
        (typed && formatted(typed, cell)) ?? (cell.text === '' ? undefined : { ...cellOf(cell.text, bookType === 'xlsx'), ...linkOf(cell) });
      if (made) sheet[utils.encode_cell({ r: cell.row, c: cell.column })] = made;
    }
  sheet['!ref'] = utils.encode_range({ s: { r: 0, c: 0 }, e: { r: table.rows.length - 1, c: (table.rows[0]?.length ?? 1) - 1 } });
  sheet['!merges'] = table.merges.map(({ row, column, rows, columns }) => ({
    s: { r: row, c: column },
    e: { r: row + rows - 1, c: column + columns - 1 },
  }));
  const book = utils.book_new();
  // Programs show the title; a property of ours says that it is a caption, since many a title is nothing that anybody wrote.
  if (table.caption !== '') Object.assign(book, { Props: { Title: table.caption }, Custprops: { [WORKBOOK_CAPTION]: 'title' } });
  utils.book_append_sheet(book, sheet, sheetName(table.name));
  const file = new Uint8Array(write(book, { type: 'array', bookType, bookSST: true, compression: true }) as ArrayBuffer);
  return withFormats(file, [...formats.keys()]);
}

/** A sheet's cell is a link as a whole or not at all. */
function linkOf({ text, marks }: GridCell): Partial<CellObject> {
  const link = marks.find(({ kind, from, to }) => kind === 'link' && from === 0 && to === text.length);
  return link?.href === undefined ? {} : { l: { Target: link.href } };
}

function cellOf(text: string, isFormatted: boolean): CellObject {
  const match = /^-?(?:0|[1-9]\d{0,14})(?:\.(\d{1,10}))?$/.exec(text);
  const isPlain = match !== null && (isFormatted || String(Number(text)) === text) && text !== '-0';
  return isPlain ? { t: 'n', v: Number(text), z: match[1] ? `0.${'0'.repeat(match[1].length)}` : '0' } : { t: 's', v: text };
}

/** Sheets are named in at most 31 characters, none of them : \ / ? * [ ]. */
const sheetName = (name: string): string =>
  name
    .replace(/[:\\/?*[\]']/g, ' ')
    .trim()
    .slice(0, 31) || 'Table';
