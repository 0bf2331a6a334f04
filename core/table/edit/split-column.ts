import { bad, good } from '../../outcome';
import { cellOf, joinCells, marksIn, textOf, type Cell } from '../cell';
import { LIMITS } from '../reading/limits';
import { heightOf, widthOf, type Table } from '../table';
import { deleteColumn, insertColumn, type Edited } from './edit-grid';

const refuse = (code: string, say: string, remedy: string): Edited => bad({ code, say, remedy });

/** What people write between two values of one cell, the longer ones first. */
const usual: readonly string[] = [' / ', ' – ', ' - ', ' x ', ' × ', ' | ', ', ', '; ', '\t', '\n'];
/** Those around which white space may stand or not: others are looked for as they are written. */
const loose: ReadonlySet<string> = new Set(['/', '|', ';', ',', '×']);
/** Of cells that hold something, so many at least have a separator that is proposed. */
const LEAST_SHARE = 0.6;
const LOOKED_AT = 500;

/** Body cells of a column that are not part of merged ones, by their rows. */
function ownRows(table: Table, column: number): readonly number[] {
  const isMerged = new Set(
    table.merges
      .filter((merge) => column >= merge.column && column < merge.column + merge.columns)
      .flatMap(({ row, rows }) => Array.from({ length: rows }, (_, i) => row + i)),
  );
  return Array.from({ length: heightOf(table) - table.headerRows }, (_, i) => table.headerRows + i).filter((row) => !isMerged.has(row));
}

/** The separator that most cells of a column have, as long as it is written there; empty where none stands in most of them. */
export function separatorIn(table: Table, column: number): string {
  const texts = ownRows(table, column)
    .slice(0, LOOKED_AT)
    .map((row) => textOf(table.rows[row]?.[column]).trim())
    .filter((text) => text !== '');
  const share = (separator: string): number => texts.filter((text) => partsOf(text, separator).length > 1).length / Math.max(1, texts.length);
  return usual.find((separator) => share(separator) >= LEAST_SHARE) ?? '';
}

/** A cell's parts, without the white space around them and with their marks. */
export function partsOf(cell: Cell, separator: string): readonly Cell[] {
  const text = textOf(cell);
  const by = loose.has(separator.trim()) ? separator.trim() : separator;
  if (by === '' || text === '') return [cell];
  const parts: Cell[] = [];
  for (let from = 0, at = 0; at >= 0; from = at + by.length) {
    at = text.indexOf(by, from);
    const end = at < 0 ? text.length : at;
    const inside = text.slice(from, end);
    const start = from + (inside.length - inside.trimStart().length);
    const stop = end - (inside.length - inside.trimEnd().length);
    const marks = marksIn(cell).map((mark) => ({ ...mark, from: mark.from - start, to: mark.to - start }));
    parts.push(start < stop ? cellOf(text.slice(start, stop), marks) : '');
  }
  return parts;
}

/**
 * A column's cells parted at a separator, each part in a column of its own; what has fewer parts leaves the last ones empty. A header
 * that has as many parts is parted too, otherwise the new columns are counted. Merged cells stay as they are.
 */
export function splitColumn(table: Table, column: number, separator: string): Edited {
  if (table.columns[column]?.formula) return refuse('split-worked-out', 'This column is worked out from others.', 'Take its formula off first.');
  const rows = ownRows(table, column);
  const parts = new Map(rows.map((row) => [row, partsOf(table.rows[row]?.[column] ?? '', separator)] as const));
  const count = Math.max(1, ...[...parts.values()].map(({ length }) => length));
  if (count < 2)
    return refuse('split-none', 'No cell of this column has that between two parts.', 'Write what stands between them, as in 4.2 / 1.1.');
  if (widthOf(table) + count - 1 > LIMITS.columns)
    return refuse('columns-most', `That would make ${count} columns of it; a table has at most ${LIMITS.columns}.`, 'Choose another separator.');
  let wider: Edited = good(table);
  for (let i = 1; i < count && wider.ok; i++) wider = insertColumn(wider.value, column + i - 1, 'after');
  if (!wider.ok) return wider;
  const titles = titlesOf(table, column, separator, count);
  const put = (cells: readonly Cell[], given: readonly Cell[] | undefined): readonly Cell[] =>
    given ? cells.map((cell, at) => (at < column || at >= column + count ? cell : (given[at - column] ?? ''))) : cells;
  return good({
    ...wider.value,
    rows: wider.value.rows.map((cells, row) => put(cells, row === table.headerRows - 1 ? titles : parts.get(row))),
  });
}

/** What stands above the new columns, in the last header row; undefined where there is none, or merged cells stand there. */
function titlesOf(table: Table, column: number, separator: string, count: number): readonly Cell[] | undefined {
  const row = table.headerRows - 1;
  const isMerged = table.merges.some(
    (merge) => row >= merge.row && row < merge.row + merge.rows && column >= merge.column && column < merge.column + merge.columns,
  );
  if (row < 0 || isMerged) return undefined;
  const title = table.rows[row]?.[column] ?? '';
  const parts = partsOf(title, separator);
  if (parts.length === count) return parts;
  return Array.from({ length: count }, (_, i) => (i === 0 || textOf(title) === '' ? (i === 0 ? title : '') : `${textOf(title)} ${i + 1}`));
}

/** Neighbouring columns made one, what they hold with a text between; empty cells add none. */
export function joinColumns(table: Table, from: number, to: number, separator: string): Edited {
  if (to <= from) return refuse('join-one', 'One column has nothing to be joined with.', 'Choose two or more columns side by side.');
  if (table.columns.slice(from, to + 1).some(({ formula }) => formula))
    return refuse('join-worked-out', 'One of these columns is worked out from others.', 'Take its formula off first.');
  const torn = table.merges.find(
    (merge) => merge.column <= to && merge.column + merge.columns - 1 >= from && (merge.column < from || merge.column + merge.columns - 1 > to),
  );
  if (torn) return refuse('join-merge', `Merged cells in row ${torn.row + 1} reach beyond these columns.`, 'Split them first.');
  const joined: Table = {
    ...table,
    rows: table.rows.map((cells) => {
      const filled = cells.slice(from, to + 1).filter((cell) => textOf(cell) !== '');
      const text = joinCells(filled, separator);
      return cells.map((cell, at) => (at === from ? text : at > from && at <= to ? '' : cell));
    }),
  };
  const long = joined.rows.findIndex((cells) => textOf(cells[from]).length > LIMITS.cell);
  if (long >= 0)
    return refuse(
      'cell-most',
      `The cell in row ${long + 1} would be longer than ${LIMITS.cell.toLocaleString('en')} characters.`,
      'Shorten it first.',
    );
  let edited: Edited = good(joined);
  for (let i = from; i < to && edited.ok; i++) edited = deleteColumn(edited.value, from + 1);
  return edited;
}
