import { isSameCell, type Row } from '../cell';
import type { Table } from '../table';

const isSameRow = (a: Row, b: Row): boolean => a === b || (a.length === b.length && a.every((cell, i) => isSameCell(cell, b[i] ?? '')));

/** Of how many lines each with each other it is tried which are alike. */
const TRIED = 200;

/**
 * Which line of a side is which of the base: by being the very same, by saying the same, by standing alone between two that are
 * known, or by being more alike than any other. Gives for each line of the side the base's place, or undefined for one that is new.
 */
function sameLines<T>(
  base: readonly T[],
  side: readonly T[],
  isSame: (a: T, b: T) => boolean,
  said: (line: T) => string,
  alike: (a: T, b: T) => number,
): readonly (number | undefined)[] {
  const found = new Array<number | undefined>(side.length).fill(undefined);
  const taken = new Set<number>();
  const take = (at: number, from: number): void => {
    found[at] = from;
    taken.add(from);
  };
  // The beginning and the end are mostly as they were.
  let start = 0;
  while (start < base.length && start < side.length && isSame(base[start] as T, side[start] as T)) take(start, start++);
  let end = 0;
  while (end < base.length - start && end < side.length - start && isSame(base[base.length - 1 - end] as T, side[side.length - 1 - end] as T)) {
    take(side.length - 1 - end, base.length - 1 - end);
    end++;
  }
  const bySaying = new Map<string, number[]>();
  for (let at = base.length - end - 1; at >= start; at--) {
    const key = said(base[at] as T);
    bySaying.set(key, [...(bySaying.get(key) ?? []), at]);
  }
  for (let at = start; at < side.length - end; at++) {
    const from = bySaying.get(said(side[at] as T))?.pop();
    if (from !== undefined) take(at, from);
  }
  inGaps(base.length, found, taken, take);
  byLikeness(base, side, found, taken, take, alike);
  return found;
}

/** Lines that stand between two known ones, as many as there were between these: they are those, changed in place. */
function inGaps(count: number, found: readonly (number | undefined)[], taken: ReadonlySet<number>, take: (at: number, from: number) => void): void {
  for (let at = 0; at < found.length;) {
    if (found[at] !== undefined) {
      at++;
      continue;
    }
    let end = at;
    while (end < found.length && found[end] === undefined) end++;
    const [before, after] = [at === 0 ? -1 : (found[at - 1] ?? -1), end === found.length ? count : (found[end] ?? count)];
    const free = Array.from({ length: Math.max(0, after - before - 1) }, (_, i) => before + 1 + i);
    if (free.length === end - at && free.every((from) => !taken.has(from))) free.forEach((from, i) => take(at + i, from));
    at = end;
  }
}

function byLikeness<T>(
  base: readonly T[],
  side: readonly T[],
  found: readonly (number | undefined)[],
  taken: ReadonlySet<number>,
  take: (at: number, from: number) => void,
  alike: (a: T, b: T) => number,
): void {
  const open = side.flatMap((_, at) => (found[at] === undefined ? [at] : []));
  const free = base.flatMap((_, from) => (taken.has(from) ? [] : [from]));
  if (open.length * free.length > TRIED * TRIED) return;
  const pairs = open
    .flatMap((at) => free.map((from) => ({ at, from, share: alike(base[from] as T, side[at] as T) })))
    .filter(({ share }) => share >= 0.5);
  for (const { at, from } of pairs.sort((a, b) => b.share - a.share || Math.abs(a.at - a.from) - Math.abs(b.at - b.from)))
    if (found[at] === undefined && !taken.has(from)) take(at, from);
}

const rowSays = (row: Row): string => JSON.stringify(row);
function rowsAlike(a: Row, b: Row): number {
  const filled = a.filter((cell) => cell !== '').length;
  return a.filter((cell, i) => cell !== '' && isSameCell(cell, b[i] ?? '')).length / Math.max(1, filled);
}

/**
 * Which row of a side is which of the base, by the columns that both have. Rows that the side did not touch are the very same
 * values in this window.
 */
export function sameRows(base: Table, side: Table, columns: readonly (number | undefined)[]): readonly (number | undefined)[] {
  const isAsBefore = columns.length === base.columns.length && columns.every((from, at) => from === at);
  if (isAsBefore) return sameLines(base.rows, side.rows, isSameRow, rowSays, rowsAlike);
  const shared = columns.flatMap((from, at) => (from === undefined ? [] : [{ from, at }]));
  const [was, is] = [
    base.rows.map((row) => shared.map(({ from }) => row[from] ?? '')),
    side.rows.map((row) => shared.map(({ at }) => row[at] ?? '')),
  ];
  return sameLines(was, is, isSameRow, rowSays, rowsAlike);
}

/** What a column is told by: its settings, and the texts of its first cells, wherever they stand. */
interface Told {
  readonly settings: string;
  readonly texts: readonly string[];
}
const FIRST = 50;

/** Which column of a side is which of the base. */
export function sameColumns(base: Table, side: Table): readonly (number | undefined)[] {
  const all = (table: Table): readonly Told[] =>
    table.columns.map((settings, column) => ({
      settings: JSON.stringify(settings),
      texts: table.rows.slice(0, FIRST).flatMap((row) => (row[column] === '' || row[column] === undefined ? [] : [JSON.stringify(row[column])])),
    }));
  const said = ({ settings, texts }: Told): string => `${settings}\n${texts.join('\n')}`;
  const alike = (a: Told, b: Told): number => {
    const others = new Set(b.texts);
    const share = a.texts.filter((text) => others.has(text)).length / Math.max(1, a.texts.length, b.texts.length);
    return a.texts.length === 0 && b.texts.length === 0 && a.settings === b.settings ? 1 : share;
  };
  return sameLines(all(base), all(side), (a, b) => said(a) === said(b), said, alike);
}
