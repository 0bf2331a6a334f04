import { dequal } from 'dequal/lite';
import { mergeOrder } from './order';

/**
 * Three-way merge of plain documents: what two windows did to one document since they last agreed. Changes in
 * different places are both kept; the same place changed in two ways is a conflict, for a person to decide.
 */
export interface Conflict {
  /** Where, as a path of field names, keys and numbers. */
  readonly path: readonly string[];
  readonly mine: unknown;
  readonly theirs: unknown;
}

export interface Merged<T> {
  /** The merged document, with this window's side wherever there is a conflict. */
  readonly value: T;
  readonly conflicts: readonly Conflict[];
}

type Plain = Readonly<Record<string, unknown>>;
const isPlain = (value: unknown): value is Plain => typeof value === 'object' && value !== null && !Array.isArray(value);

export function threeWayMerge<T>(base: T, mine: T, theirs: T): Merged<T> {
  const conflicts: Conflict[] = [];
  return { value: mergeAt(base, mine, theirs, [], conflicts) as T, conflicts };
}

/** Merges one value of a document; what cannot be is put into `conflicts`. */
export function mergeAt(base: unknown, mine: unknown, theirs: unknown, path: readonly string[], conflicts: Conflict[]): unknown {
  if (dequal(mine, theirs) || dequal(base, theirs)) return mine;
  if (dequal(base, mine)) return theirs;
  if (isPlain(mine) && isPlain(theirs)) return mergeFields(isPlain(base) ? base : {}, mine, theirs, path, conflicts);
  if (isNamed(mine) && isNamed(theirs)) return mergeNamed(isNamed(base) ? base : [], mine, theirs, path, conflicts);
  if (Array.isArray(mine) && Array.isArray(theirs) && Array.isArray(base) && mine.length === theirs.length && mine.length === base.length) {
    return mine.map((item: unknown, i) => mergeAt((base as unknown[])[i], item, (theirs as unknown[])[i], [...path, String(i)], conflicts));
  }
  conflicts.push({ path, mine, theirs });
  return mine;
}

function mergeFields(base: Plain, mine: Plain, theirs: Plain, path: readonly string[], conflicts: Conflict[]): Plain {
  const merged: Record<string, unknown> = {};
  for (const key of new Set([...Object.keys(mine), ...Object.keys(theirs)])) {
    const value = mergeAt(base[key], mine[key], theirs[key], [...path, key], conflicts);
    if (value !== undefined) merged[key] = value;
  }
  return merged;
}

type Named = readonly (Plain & ({ readonly name: string } | { readonly id: string }))[];
const keyOf = (item: Named[number]): string => String(item['id'] ?? item['name']);
const isNamed = (value: unknown): value is Named =>
  Array.isArray(value) &&
  value.length > 0 &&
  value.every((item) => isPlain(item) && (typeof item['id'] === 'string' || typeof item['name'] === 'string'));

/** Lists of things with an id or a name are merged thing by thing, wherever they stand, and their order as it was changed on either side. */
function mergeNamed(base: Named, mine: Named, theirs: Named, path: readonly string[], conflicts: Conflict[]): readonly unknown[] {
  const [inBase, inMine, inTheirs] = [base, mine, theirs].map((items) => new Map(items.map((item) => [keyOf(item), item])));
  const merged = new Map<string, unknown>();
  for (const key of new Set([...mine.map(keyOf), ...theirs.map(keyOf)])) {
    const value = mergeAt(inBase?.get(key), inMine?.get(key), inTheirs?.get(key), [...path, key], conflicts);
    if (value !== undefined) merged.set(key, value);
  }
  const order = mergeOrder(base.map(keyOf), mine.map(keyOf), theirs.map(keyOf), (key) => merged.has(key));
  return order.flatMap((key) => (merged.has(key) ? [merged.get(key)] : []));
}

/** The value at a conflict's place replaced by the other side's. */
export function takeTheirs<T>(document: T, { path, theirs }: Conflict): T {
  return setAt(document, path, theirs) as T;
}

function setAt(node: unknown, path: readonly string[], value: unknown): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return value;
  if (Array.isArray(node)) {
    const items = node as readonly unknown[];
    const at = isNamed(items) ? items.findIndex((item) => keyOf(item) === key) : Number(key);
    const changed = setAt(items[at], rest, value);
    if (changed === undefined) return items.filter((_, i) => i !== at);
    return at < 0 ? [...items, changed] : items.map((item, i) => (i === at ? changed : item));
  }
  const fields = { ...(isPlain(node) ? node : {}) };
  const changed = setAt(fields[key], rest, value);
  if (changed === undefined) delete fields[key];
  else fields[key] = changed;
  return fields;
}
