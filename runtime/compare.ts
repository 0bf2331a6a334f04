import type { Unit } from './units';

export type Direction = 'ascending' | 'descending';
type Key = number | string | null;

/** What a unit is sorted by in a column: `data-value` where the cell says one, else its text; nothing where there is none. */
function keyOf(unit: Unit, column: number): Key {
  const cell = unit.cellAt(column);
  const value = cell?.getAttribute('data-value');
  if (value === '') return null;
  if (value != null) return Number(value);
  return cell?.textContent.trim() || null;
}

const known = new WeakMap<readonly Unit[], Map<number, readonly Key[]>>();

/**
 * Units in order of a column: numbers before texts, texts as the language has them, nothing last either way; what is equal
 * stays in its own order. Each row group keeps its rows.
 */
export function sorted(units: readonly Unit[], column: number, direction: Direction, language: string): Unit[] {
  const columns = known.get(units) ?? new Map<number, readonly Key[]>();
  known.set(units, columns);
  const keys = columns.get(column) ?? units.map((unit) => keyOf(unit, column));
  columns.set(column, keys);
  const { compare } = new Intl.Collator(language, { numeric: true });
  const turn = direction === 'ascending' ? 1 : -1;
  const rank = (key: Key): number => (key === null ? 2 : typeof key === 'number' ? 0 : 1);
  return [...units.keys()]
    .sort((a, b) => {
      const [x, y] = [keys[a] ?? null, keys[b] ?? null];
      const [p, q] = [rank(x), rank(y)];
      const found = p !== q ? p - q : p === 0 ? Number(x) - Number(y) : p === 1 ? compare(String(x), String(y)) : 0;
      return (p > 1 || q > 1 ? found : turn * found) || a - b;
    })
    .map((at) => units[at] as Unit);
}

/** Letters without case and marks, so that “Émile” is found by “emile”. */
export const folded = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
