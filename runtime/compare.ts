import { VALUE } from './marks';
import { textOf } from './text';
import type { Unit } from './units';

export type Direction = 'ascending' | 'descending';
type Key = number | string | null;

/** What a unit is sorted by in a column: `data-value` where the cell says one, else its text; nothing where there is none. */
function keyOf(unit: Unit, column: number): Key {
  const cell = unit.cellAt(column);
  const value = cell?.getAttribute(VALUE);
  if (value === '') return null;
  if (value != null) return Number(value);
  return textOf(cell) || null;
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
  // Each kind of key in a list of its own: numbers are compared as numbers only, and a language is asked only for texts.
  const [numbers, texts, nothing]: [number[], number[], number[]] = [[], [], []];
  for (let at = 0; at < keys.length; at++) {
    const key = keys[at];
    (typeof key === 'number' ? numbers : key == null ? nothing : texts).push(at);
  }
  const turn = direction === 'ascending' ? 1 : -1;
  const amounts = Float64Array.from(keys, (key) => (typeof key === 'number' ? turn * key : 0));
  numbers.sort((a, b) => (amounts[a] as number) - (amounts[b] as number) || a - b);
  if (texts.length > 0) {
    const { compare } = new Intl.Collator(language, { numeric: true });
    texts.sort((a, b) => turn * compare(keys[a] as string, keys[b] as string) || a - b);
  }
  return [...(turn > 0 ? [...numbers, ...texts] : [...texts, ...numbers]), ...nothing].map((at) => units[at] as Unit);
}
