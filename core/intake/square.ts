import { LIMITS, cutCell, groupsWithin, mergeAcrossGroups, tableOf, textOf, type Cell, type Merge, type Row, type Table } from '../table';
import type { Plain } from './raw';
import { uncutFooter, uncutHeader } from './uncut';

/** What came in, and everything that was done to make a table of it. */
export interface Intake {
  readonly table: Table;
  /** One sentence for each thing that was found or mended. */
  readonly notes: readonly string[];
}

const list = (rows: readonly number[]): string => {
  const shown = rows
    .slice(0, 6)
    .map((row) => row + 1)
    .join(', ');
  return rows.length > 6 ? `${shown} and ${rows.length - 6} more` : shown;
};
const rowsWord = (rows: readonly number[]): string => (rows.length === 1 ? 'Row' : 'Rows');

/**
 * Makes a full rectangle of rows of any length: blank rows at the end and columns that are blank all the way
 * at the end are left out, short rows are filled up, and everything over the limits is cut. Says what it did. `plain`
 * is what is known of the cells already.
 */
export function square(raw: readonly Row[], plain?: Plain): { readonly rows: readonly Row[]; readonly notes: readonly string[] } {
  const { longest = Infinity, isEven = false } = plain ?? {};
  const across = raw[0]?.length ?? 0;
  // Nothing is blank, short or too long.
  if (isEven && longest <= LIMITS.cell && raw.length <= LIMITS.rows && across <= LIMITS.columns && raw.length * across <= LIMITS.slots)
    return { rows: raw, notes: [] };
  const notes: string[] = [];
  let last = raw.length;
  while (last > 1 && filledTo(raw[last - 1] ?? []) === 0) last--;
  let rows = raw.slice(0, last);
  if (rows.length > LIMITS.rows) {
    notes.push(
      `The first ${LIMITS.rows.toLocaleString('en')} rows were kept; ${(rows.length - LIMITS.rows).toLocaleString('en')} more were left out, since a table has at most ${LIMITS.rows.toLocaleString('en')}.`,
    );
    rows = rows.slice(0, LIMITS.rows);
  }
  const filled = rows.map(filledTo);
  const wanted = filled.reduce((most, length) => Math.max(most, length), 1);
  const width = Math.min(wanted, LIMITS.columns);
  if (wanted > width)
    notes.push(`The first ${width} columns were kept; ${wanted - width} more were left out, since a table has at most ${LIMITS.columns}.`);
  const most = Math.floor(LIMITS.slots / width);
  if (rows.length > most) {
    notes.push(
      `The first ${most.toLocaleString('en')} rows were kept; ${(rows.length - most).toLocaleString('en')} more were left out, since a table has at most ${LIMITS.slots.toLocaleString('en')} cells.`,
    );
    rows = rows.slice(0, most);
  }
  const usual = commonest(rows.map((cells) => cells.length));
  const long = placesWhere(rows, (cells) => cells.length > usual);
  // Where one row is longer, the others are not short.
  const short = placesWhere(rows, (cells) => cells.length < Math.min(width, usual));
  const trimmed = long.filter((row) => (filled[row] ?? 0) <= usual);
  if (trimmed.length > 0 && usual <= width)
    notes.push(`${rowsWord(trimmed)} ${list(trimmed)} came in with blank cells beyond the others. They were left out.`);
  const longer = long.filter((row) => (filled[row] ?? 0) > usual);
  if (longer.length > 0)
    notes.push(
      `${rowsWord(longer)} ${list(longer)} came in longer than the others. The table was made ${width} columns wide, so that nothing is lost.`,
    );
  if (short.length > 0) notes.push(`${rowsWord(short)} ${list(short)} came in short. Empty cells were put at the end.`);
  const cut: string[] = [];
  const full = rows.map((cells, row): Row => {
    // Most rows are as they have to be: they are taken over, not copied.
    if (cells.length === width && (longest <= LIMITS.cell || !hasLong(cells))) return cells;
    return Array.from({ length: width }, (_, column) => {
      const cell = cells[column] ?? '';
      const { length } = textOf(cell);
      if (length > LIMITS.cell) cut.push(`row ${row + 1}, column ${column + 1} (${length.toLocaleString('en')} characters)`);
      return cutCell(cell, LIMITS.cell);
    });
  });
  if (cut.length > 0)
    notes.push(
      `The first ${LIMITS.cell.toLocaleString('en')} characters were kept of ${cut.slice(0, 5).join('; ')}${cut.length > 5 ? ` and ${cut.length - 5} more cells` : ''}.`,
    );
  return { rows: full, notes };
}

/** Cells up to and with the last one that shows something. These two are loops, since they look at what may be millions. */
function filledTo(cells: Row): number {
  let end = cells.length;
  while (end > 0 && isBlankCell(cells[end - 1])) end--;
  return end;
}
function hasLong(cells: Row): boolean {
  for (let i = 0; i < cells.length; i++) if (textOf(cells[i]).length > LIMITS.cell) return true;
  return false;
}

/** Where in a list something holds. Written as a loop: lists may have 100,000 items, of which hardly any are meant. */
export function placesWhere<T>(items: readonly T[], holds: (item: T) => boolean): readonly number[] {
  const places: number[] = [];
  for (let i = 0; i < items.length; i++) if (holds(items[i] as T)) places.push(i);
  return places;
}

/** Whether nothing is to be seen in a cell. */
export function isBlankCell(cell: Cell | undefined): boolean {
  return isBlankText(textOf(cell));
}
/** The first letter tells in nearly all cells, and looking at it is far cheaper than trimming. */
function isBlankText(text: string): boolean {
  const first = text.charCodeAt(0);
  return !(first > 32 && first < 127) && text.trim() === '';
}

function commonest(numbers: readonly number[]): number {
  const counts: number[] = [];
  for (const n of numbers) counts[n] = (counts[n] ?? 0) + 1;
  let best = numbers[0] ?? 0;
  counts.forEach((count, n) => {
    if (count > (counts[best] ?? 0)) best = n;
  });
  return best;
}

/** A table from rows of any length. Texts that merged cells hide are left out, which is said. */
export function tableFrom(name: string, raw: readonly Row[], given: Partial<Table> = {}, before: readonly string[] = [], plain?: Plain): Intake {
  const { rows, notes } = square(raw, plain);
  const [height, width] = [rows.length, rows[0]?.length ?? 0];
  const merges = apart(
    (given.merges ?? []).flatMap((merge) => within(merge, height, width)),
    width,
  );
  const shown = merges.length > 0 ? rows.map((cells) => [...cells]) : [];
  let hidden = 0;
  for (const { row, column, rows: down, columns } of merges)
    for (let r = row; r < row + down; r++)
      for (let c = column; c < column + columns; c++) {
        const cells = shown[r];
        if (!cells || (r === row && c === column) || cells[c] === '') continue;
        cells[c] = '';
        hidden++;
      }
  const more =
    hidden > 0 ? [`${hidden === 1 ? '1 text' : `${hidden} texts`} hidden under merged cells ${hidden === 1 ? 'was' : 'were'} left out.`] : [];
  const table = groupsWithin(tableOf(name, hidden > 0 ? shown : rows, { ...given, ...uncut(given, merges, height), merges }));
  if (given.headerRows !== undefined && table.headerRows !== given.headerRows)
    more.push(`The header has ${table.headerRows === 1 ? '1 row' : `${table.headerRows} rows`} here, since merged cells reach over its edge.`);
  return { table, notes: [...before, ...notes, ...more] };
}

/** No header, footer or heading of a group cuts a merged cell, whoever told them: what came in, or what was found in it. */
function uncut(given: Partial<Table>, merges: readonly Merge[], height: number): Pick<Table, 'headerRows' | 'footerRows' | 'groups'> {
  const headerRows = uncutHeader(merges, Math.min(given.headerRows ?? 0, height), height);
  const footerRows = uncutFooter(merges, Math.min(given.footerRows ?? 0, height - headerRows), height);
  const groups = (given.groups ?? []).filter((row) => row >= headerRows && row < height - footerRows && !mergeAcrossGroups(merges, [row]));
  return { headerRows, footerRows, groups };
}

/** Merged cells without those that overlap an earlier one, as in no table two do. */
function apart(merges: readonly Merge[], width: number): readonly Merge[] {
  const taken = new Set<number>();
  return merges.filter((merge) => {
    const slots: number[] = [];
    for (let row = merge.row; row < merge.row + merge.rows; row++)
      for (let column = merge.column; column < merge.column + merge.columns; column++) slots.push(row * width + column);
    if (slots.some((slot) => taken.has(slot))) return false;
    for (const slot of slots) taken.add(slot);
    return true;
  });
}

function within(merge: Merge, height: number, width: number): Merge[] {
  const rows = Math.min(merge.rows, height - merge.row);
  const columns = Math.min(merge.columns, width - merge.column);
  return rows > 0 && columns > 0 && rows * columns > 1 ? [{ ...merge, rows, columns }] : [];
}
