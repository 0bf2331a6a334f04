import { mergeAt, mergeOrder, threeWayMerge, type Conflict, type Merged } from '../../edit';
import { isSameCell, type Cell, type Row } from '../cell';
import type { Column } from '../columns/column';
import { inOrder, type Exception } from '../looks/exception';
import { mergeAcrossGroups } from '../edit/merge-groups';
import { sectionOf, type Merge, type Section, type Table } from '../table';
import { sameColumns, sameRows } from './told';

/** A table whose rows and columns are told by keys, and everything that hangs on them by these. */
interface Keyed {
  readonly table: Table;
  readonly rows: readonly string[];
  readonly columns: readonly string[];
  readonly rowAt: ReadonlyMap<string, number>;
  readonly columnAt: ReadonlyMap<string, number>;
}

function keyed(table: Table, rows: readonly string[], columns: readonly string[]): Keyed {
  const places = (keys: readonly string[]): ReadonlyMap<string, number> => new Map(keys.map((key, at) => [key, at]));
  return { table, rows, columns, rowAt: places(rows), columnAt: places(columns) };
}

/**
 * What two windows did to one table since they last agreed. Rows and columns are told by what they are, not by where they stand: a
 * cell that one window changed is changed in its row wherever the other moved it, and looks, merged cells and headings go along.
 */
export function mergeTables(base: Table, mine: Table, theirs: Table): Merged<Table> {
  const named = (side: Table, name: string): Keyed => {
    const key = (kind: string, found: readonly (number | undefined)[]): readonly string[] =>
      found.map((from, at) => (from === undefined ? `${name}-${kind}${at}` : `${kind}${from}`));
    const columns = sameColumns(base, side);
    return keyed(side, key('r', sameRows(base, side, columns)), key('c', columns));
  };
  const [was, own, other] = [named(base, 'base'), named(mine, 'mine'), named(theirs, 'theirs')];
  const conflicts: Conflict[] = [];
  const columns = mergeOrder(was.columns, own.columns, other.columns);
  const isChanged = changedWhere(was, own, other);
  const sections = sectionsOf(was, own, other);
  const bySection = (wanted: Section, order: readonly string[]): readonly string[] => order.filter((key) => sections.get(key) === wanted);
  const anyOrder = mergeOrder(was.rows, own.rows, other.rows, isChanged);
  const rows = (['header', 'body', 'footer'] as const).flatMap((section) => bySection(section, anyOrder));
  const result = keyed(mine, rows, columns);
  const { rows: _r, columns: _c, groups: _g, exceptions: _e, merges: _m, headerRows: _h, footerRows: _f, ...rest } = mine;
  const heads = [base, mine, theirs].map((side) => pickRest(side, rest));
  const head = threeWayMerge(heads[0], heads[1], heads[2]);
  conflicts.push(...head.conflicts);
  const cells = rows.map((key, at) => mergedRow(key, at, columns, [was, own, other], conflicts));
  const groups = mergedSet(was, own, other, ({ table, rows: keys }) => table.groups.map((row) => keys[row] ?? ''));
  const groupRows = [...groups].flatMap((key) => result.rowAt.get(key) ?? []).filter((row) => sections.get(rows[row] ?? '') === 'body');
  const value: Table = {
    ...(head.value as typeof rest),
    rows: cells,
    columns: columns.map((key, at) => mergedColumn(key, at, [was, own, other], conflicts)),
    headerRows: bySection('header', anyOrder).length,
    footerRows: bySection('footer', anyOrder).length,
    rowHeaders: Math.min(columns.length, (head.value as typeof rest).rowHeaders),
    groups: groupRows.sort((a, b) => a - b),
    exceptions: mergedExceptions(was, own, other, result, conflicts),
    merges: [],
  };
  return { value: { ...value, merges: mergedMerges(was, own, other, result, value) }, conflicts };
}

const pickRest = (side: Table, like: object): object => Object.fromEntries(Object.keys(like).map((name) => [name, side[name as keyof Table]]));

/** Whether a row that one side took away was changed on the other: it stays, since that is the newer word on it. */
function changedWhere(was: Keyed, own: Keyed, other: Keyed): (key: string) => boolean {
  return (key) => {
    const before = was.rowAt.get(key);
    const left = own.rowAt.has(key) ? own : other;
    if (before === undefined || (own.rowAt.has(key) && other.rowAt.has(key))) return false;
    return was.columns.some((column) => {
      const [then, now] = [cellIn(was, key, column), cellIn(left, key, column)];
      return then !== undefined && now !== undefined && !isSameCell(then, now);
    });
  };
}

/** The row group of each row: where the side has it that changed it, this window's first. */
function sectionsOf(was: Keyed, own: Keyed, other: Keyed): ReadonlyMap<string, Section> {
  const of = ({ table, rowAt }: Keyed, key: string): Section | undefined => {
    const at = rowAt.get(key);
    return at === undefined ? undefined : sectionOf(table, at);
  };
  return new Map(
    [...new Set([...own.rows, ...other.rows])].map((key) => {
      const [before, mine, theirs] = [of(was, key), of(own, key), of(other, key)];
      return [key, mine !== undefined && mine !== before ? mine : (theirs ?? mine ?? 'body')] as const;
    }),
  );
}

const cellIn = ({ table, rowAt, columnAt }: Keyed, row: string, column: string): Cell | undefined => {
  const [r, c] = [rowAt.get(row), columnAt.get(column)];
  return r === undefined || c === undefined ? undefined : table.rows[r]?.[c];
};

type Sides = readonly [was: Keyed, own: Keyed, other: Keyed];

/** A row's cells as both have changed them; the other side's very row where it is that, so that only what differs is sent. */
function mergedRow(key: string, at: number, columns: readonly string[], [was, own, other]: Sides, conflicts: Conflict[]): Row {
  const cells = columns.map((column, i): Cell => {
    const [before, mine, theirs] = [cellIn(was, key, column), cellIn(own, key, column), cellIn(other, key, column)];
    if (mine === undefined || theirs === undefined) return mine ?? theirs ?? '';
    if (isSameCell(mine, theirs) || (before !== undefined && isSameCell(before, theirs))) return mine;
    if (before === undefined || !isSameCell(before, mine)) conflicts.push({ path: ['rows', String(at), String(i)], mine, theirs });
    return before !== undefined && isSameCell(before, mine) ? theirs : mine;
  });
  const their = other.table.rows[other.rowAt.get(key) ?? -1];
  return their?.length === cells.length && their.every((cell, i) => isSameCell(cell, cells[i] ?? '')) ? their : cells;
}

function mergedColumn(key: string, at: number, sides: Sides, conflicts: Conflict[]): Column {
  const [before, mine, theirs] = sides.map(({ table, columnAt }) => table.columns[columnAt.get(key) ?? -1]);
  const merged = mine && theirs ? mergeAt(before, mine, theirs, ['columns', String(at)], conflicts) : (mine ?? theirs);
  return merged as Column;
}

/** A set of keys: what either added, without what either took away. */
function mergedSet(was: Keyed, own: Keyed, other: Keyed, of: (side: Keyed) => readonly string[]): ReadonlySet<string> {
  const [before, mine, theirs] = [was, own, other].map((side) => new Set(of(side)));
  const all = [...new Set([...(mine ?? []), ...(theirs ?? [])])];
  return new Set(all.filter((key) => before?.has(key) !== true || (mine?.has(key) === true && theirs?.has(key) === true)));
}

type Placed = Omit<Exception, 'row' | 'column'>;

function mergedExceptions(was: Keyed, own: Keyed, other: Keyed, result: Keyed, conflicts: Conflict[]): readonly Exception[] {
  const byPlace = ({ table, rows, columns }: Keyed): Readonly<Record<string, Placed>> =>
    Object.fromEntries(
      table.exceptions.map(({ row, column, ...placed }) => [
        `${row === null ? '' : (rows[row] ?? '')}|${column === null ? '' : (columns[column] ?? '')}`,
        placed,
      ]),
    );
  const merged = threeWayMerge(byPlace(was), byPlace(own), byPlace(other));
  const found = Object.entries(merged.value).flatMap(([place, placed]): readonly Exception[] => {
    const [row = '', column = ''] = place.split('|');
    const [r, c] = [row === '' ? null : result.rowAt.get(row), column === '' ? null : result.columnAt.get(column)];
    return r === undefined || c === undefined ? [] : [{ row: r, column: c, ...placed }];
  });
  const sorted = found.sort(inOrder);
  for (const { path, ...sides } of merged.conflicts) {
    const [row = '', column = ''] = (path[0] ?? '').split('|');
    const at = sorted.findIndex(
      (each) => (each.row === null ? '' : result.rows[each.row]) === row && (each.column === null ? '' : result.columns[each.column]) === column,
    );
    if (at >= 0) conflicts.push({ path: ['exceptions', String(at), ...path.slice(1)], ...sides });
  }
  return sorted;
}

/** Merged cells that either made, without those that either split, where their rows and columns stand together. */
function mergedMerges(was: Keyed, own: Keyed, other: Keyed, { rowAt, columnAt }: Keyed, table: Table): readonly Merge[] {
  const keysOf = ({ table: side, rows, columns }: Keyed): readonly string[] =>
    side.merges.map(
      ({ row, column, rows: down, columns: across }) =>
        `${rows.slice(row, row + down).join(',')}|${columns.slice(column, column + across).join(',')}`,
    );
  const taken = new Set<string>();
  return [...mergedSet(was, own, other, keysOf)].flatMap((key): readonly Merge[] => {
    const [rows = '', columns = ''] = key.split('|');
    const [r, c] = [together(rows.split(','), rowAt), together(columns.split(','), columnAt)];
    if (!r || !c) return [];
    const merge: Merge = { row: r.from, column: c.from, rows: r.count, columns: c.count };
    if (sectionOf(table, merge.row) !== sectionOf(table, merge.row + merge.rows - 1) || mergeAcrossGroups([merge], table.groups)) return [];
    const slots = Array.from(
      { length: merge.rows * merge.columns },
      (_, i) => `${merge.row + Math.floor(i / merge.columns)} ${merge.column + (i % merge.columns)}`,
    );
    if (slots.some((slot) => taken.has(slot))) return [];
    slots.forEach((slot) => taken.add(slot));
    return [merge];
  });
}

/** Where lines stand now, if they still stand one after the other. */
function together(keys: readonly string[], at: ReadonlyMap<string, number>): { readonly from: number; readonly count: number } | undefined {
  const places = keys.flatMap((key) => at.get(key) ?? []).sort((a, b) => a - b);
  const from = places[0];
  if (from === undefined || places.length !== keys.length || places.some((place, i) => place !== from + i)) return undefined;
  return { from, count: places.length };
}
