import { sameName as same } from '../computed/names';
import { bad, good, type Outcome } from '../../outcome';
import { retype, textOf, textsOf, type Cell, type Row } from '../cell';
import { plainColumns } from '../columns/column';
import { movedExceptions } from '../looks/exception';
import { LIMITS } from '../reading/limits';
import { gridOf } from '../grid/grid';
import { sectionRows, widthOf, type Merge, type Table } from '../table';

/** A cell that a newer file has otherwise. */
export interface CellChange {
  readonly key: string;
  readonly column: string;
  readonly before: string;
  readonly after: string;
}

/** What a newer file makes of a table, and how that differs. */
export interface Again {
  readonly table: Table;
  /** Keys of rows that are new, and of those that are in it no more. */
  readonly added: readonly string[];
  readonly removed: readonly string[];
  readonly changed: readonly CellChange[];
  /** Columns that are new, and those that the newer file lacks: these stay as they are. */
  readonly newColumns: readonly string[];
  readonly keptColumns: readonly string[];
  /** One sentence for each thing that had to give way. */
  readonly notes: readonly string[];
}

/** What a column is called: its lowest header cell, or the whole way down where another column's is the same; else its number. */
export function columnNames(table: Table): readonly string[] {
  const known = namesOf.get(table);
  if (known) return known;
  const names = namesIn(table);
  namesOf.set(table, names);
  return names;
}
const namesOf = new WeakMap<Table, readonly string[]>();

function namesIn(table: Table): readonly string[] {
  const grid = gridOf(table);
  const columns = Array.from({ length: widthOf(table) }, (_, column) => {
    const cells = Array.from({ length: table.headerRows }, (_, row) => grid.at(row, column));
    return [...new Set(cells)].map(({ text }) => text.trim()).filter((text) => text !== '');
  });
  const lowest = columns.map((path) => path.at(-1) ?? '');
  return columns.map((path, i) => {
    const name = lowest[i] ?? '';
    if (name === '') return `Column ${i + 1}`;
    return lowest.filter((each) => same(each) === same(name)).length > 1 ? path.join(', ') : name;
  });
}

/** The body's rows without the headings of row groups, each with where it stands in the body and which group it is of. */
interface BodyRow {
  readonly cells: Row;
  readonly at: number;
  readonly group: number;
}
function bodyOf(table: Table): readonly BodyRow[] {
  const { first, count } = sectionRows(table, 'body');
  const headings = new Set(table.groups);
  let group = 0;
  return table.rows.slice(first, first + count).flatMap((cells, at): BodyRow[] => {
    if (!headings.has(first + at)) return [{ cells, at, group }];
    group++;
    return [];
  });
}
/** The newer file's rows without those that are headings here: they have that text and nothing else. */
function newerBody(table: Table, newer: Table): readonly BodyRow[] {
  const headings = new Set(table.groups.map((row) => same(textOf(table.rows[row]?.[0]))));
  return bodyOf(newer).filter(({ cells }) => {
    const filled = headings.size > 0 ? textsOf(cells).filter((text) => text.trim() !== '') : [];
    return filled.length !== 1 || !headings.has(same(filled[0] ?? ''));
  });
}
const isKey = (rows: readonly BodyRow[], column: number): boolean => {
  const seen = new Set<string>();
  for (const { cells } of rows) {
    const text = same(textOf(cells[column]));
    if (text === '' || seen.has(text)) return false;
    seen.add(text);
  }
  return rows.length > 0;
};
/** What a newer file makes of a cell: where it says the same, marks stay; plain text takes them over where it can. */
const renewed = (was: Cell, is: Cell): Cell => (textOf(was) === textOf(is) ? was : typeof is === 'string' ? retype(was, is) : is);

/** Names of the columns by which rows can be told in both: no cell empty, no two alike. */
export function possibleKeys(table: Table, newer: Table): readonly string[] {
  const others = columnNames(newer).map(same);
  const [rows, newerRows] = [bodyOf(table), newerBody(table, newer)];
  return columnNames(table).filter((name, column) => {
    const other = others.indexOf(same(name));
    return other >= 0 && isKey(rows, column) && isKey(newerRows, other);
  });
}

/**
 * Takes a newer file's content into a table: columns are matched by name, rows by `key`. Header, row headers, caption,
 * description, columns and theme stay; rows stand as the newer file has them, within their row groups. Nothing is changed but what the outcome lists.
 */
export function bringAgain(table: Table, newer: Table, key: string): Outcome<Again> {
  const [names, others] = [columnNames(table), columnNames(newer)];
  const place = new Map(others.map((name, i) => [same(name), i]));
  const from = names.map((name) => place.get(same(name)));
  const keyAt = names.findIndex((name) => same(name) === same(key));
  if (keyAt < 0 || from[keyAt] === undefined || !possibleKeys(table, newer).includes(names[keyAt] ?? ''))
    return bad({
      code: 'no-key',
      say: `Rows cannot be told by “${key}”: it has to be in both, filled everywhere, and different in every row.`,
      remedy: 'Choose another column.',
    });
  const fresh = others.flatMap((name, i) => (names.some((each) => same(each) === same(name)) ? [] : [{ name, i }]));
  if (names.length + fresh.length > LIMITS.columns)
    return bad({ code: 'columns-most', say: `It would have more than ${LIMITS.columns} columns.`, remedy: 'Leave some out of the file.' });
  const old = bodyOf(table);
  const before = new Map(old.map((row) => [same(textOf(row.cells[keyAt])), row]));
  const changed: CellChange[] = [];
  const added: string[] = [];
  const stays = new Map<number, number>();
  const groups: { readonly cells: Row; readonly was: number | undefined }[][] = [[], ...table.groups.map(() => [])];
  // A row that is new goes to the row group of the one before it.
  let group = old[0]?.group ?? 0;
  for (const { cells } of newerBody(table, newer)) {
    const name = textOf(cells[from[keyAt] ?? 0]);
    const known = before.get(same(name));
    if (!known) added.push(name);
    group = known?.group ?? group;
    const kept = from.map((at, column) => {
      const was = known?.cells[column] ?? '';
      const is = at === undefined ? was : renewed(was, cells[at] ?? '');
      if (known && is !== was) changed.push({ key: name, column: names[column] ?? '', before: textOf(was), after: textOf(is) });
      return is;
    });
    groups[group]?.push({ cells: [...kept, ...fresh.map(({ i }) => cells[i] ?? '')], was: known?.at });
  }
  const { first, count } = sectionRows(table, 'body');
  const rows: Row[] = [];
  const headings: number[] = [];
  for (const [i, members] of groups.entries()) {
    const heading = i === 0 ? undefined : table.groups[i - 1];
    if (heading !== undefined) {
      headings.push(first + rows.length);
      stays.set(heading - first, rows.length);
      rows.push([...(table.rows[heading] ?? []), ...fresh.map(() => '')]);
    }
    for (const { cells, was } of members) {
      if (was !== undefined) stays.set(was, rows.length);
      rows.push(cells);
    }
  }
  const removed = old.flatMap(({ cells, at }) => (stays.has(at) ? [] : [textOf(cells[keyAt])]));
  const header = table.rows.slice(0, first).map((cells, row) => [...cells, ...fresh.map(({ name }) => (row === first - 1 ? name : ''))]);
  const footer = footerOf(table, newer, from, fresh);
  const merges = table.merges.flatMap((merge) => moved(merge, first, count, rows.length, stays));
  const notes = merges.length < table.merges.length ? ['Merged cells whose rows no longer stand together were split.'] : [];
  return good({
    table: {
      ...table,
      rows: [...header, ...rows, ...footer],
      merges: merges.map((merge) => widened(merge, headings, names.length, fresh.length)),
      groups: headings,
      columns: [...table.columns, ...plainColumns(fresh.length)],
      exceptions: movedExceptions(table.exceptions, 'row', (row) => {
        if (row < first) return row;
        if (row >= first + count) return row + rows.length - count;
        const now = stays.get(row - first);
        return now === undefined ? undefined : first + now;
      }),
    },
    added,
    removed,
    changed,
    newColumns: fresh.map(({ name }) => name),
    keptColumns: names.filter((_, column) => from[column] === undefined),
    notes,
  });
}

/** A heading over the whole row goes over new columns as well. */
const widened = (merge: Merge, headings: readonly number[], width: number, more: number): Merge =>
  more > 0 && merge.columns === width && headings.includes(merge.row) ? { ...merge, columns: width + more } : merge;

/** The newer footer where it has as many rows; else the one that is there. */
function footerOf(table: Table, newer: Table, from: readonly (number | undefined)[], fresh: readonly { readonly i: number }[]): readonly Row[] {
  const old = table.rows.slice(table.rows.length - table.footerRows);
  const next = newer.rows.slice(newer.rows.length - newer.footerRows);
  const isNewer = table.footerRows > 0 && newer.footerRows === table.footerRows;
  return old.map((cells, row) => [
    ...cells.map((cell, column) => {
      const at = from[column];
      return isNewer && at !== undefined ? renewed(cell, next[row]?.[at] ?? '') : cell;
    }),
    ...fresh.map(({ i }) => (isNewer ? (next[row]?.[i] ?? '') : '')),
  ]);
}

/** Merged cells where their rows went, if they still stand together there. */
function moved(merge: Merge, first: number, count: number, now: number, stays: ReadonlyMap<number, number>): readonly Merge[] {
  if (merge.row < first) return [merge];
  if (merge.row >= first + count) return [{ ...merge, row: merge.row + now - count }];
  const places = Array.from({ length: merge.rows }, (_, i) => stays.get(merge.row - first + i));
  const start = places[0];
  if (start === undefined || places.some((place, i) => place !== start + i)) return [];
  return [{ ...merge, row: first + start }];
}
