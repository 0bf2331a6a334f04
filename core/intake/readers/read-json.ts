import { freeName } from '../../free-name';
import { own } from '../../own';
import { bad, good, type Outcome } from '../../outcome';
import type { Raw } from '../raw';

/**
 * Reads JSON (RFC 8259) that holds rows: an array of objects, whose keys name the columns, or of arrays; or such an
 * object or array on each line. An object with one array in it is read as that array.
 */
export function readJson(text: string): Outcome<Raw> {
  const whole = parse(text);
  if (whole.ok) return rowsOf(whole.value);
  const lines = text.split(/\r?\n/).map((line, i) => ({ line: line.trim(), number: i + 1 }));
  const filled = lines.filter(({ line }) => line !== '');
  if (filled.length > 1 && parse(filled[0]?.line ?? '').ok) {
    const items: unknown[] = [];
    for (const { line, number } of filled) {
      const item = parse(line);
      if (!item.ok) return refuse(`Line ${number} is not JSON`, item.problems[0]?.say ?? '', `line ${number}`);
      items.push(item.value);
    }
    return rowsOf(items);
  }
  return whole;
}

function parse(text: string): Outcome<unknown> {
  try {
    return good(JSON.parse(withWholeNumbers(text.replace(/^\uFEFF/, ''))));
  } catch {
    return refuse('This is not JSON', whereIn(text));
  }
}

/** From so many digits on a number may not be what it says any more once it is parsed (RFC 8259, section 6: beyond 2 to the 53rd). */
const LONG = /-?\d{16,}(?:\.\d+)?(?:[eE][+-]?\d+)?/;
/** A text of JSON, or a long number: whatever stands in a text is left alone. */
const TEXT_OR_LONG = new RegExp(`"[^"\\\\]*(?:\\\\.[^"\\\\]*)*"|${LONG.source}`, 'gs');

/** The same JSON with long numbers as texts, so that account numbers and the like keep every digit. */
const withWholeNumbers = (text: string): string =>
  LONG.test(text) ? text.replace(TEXT_OR_LONG, (piece) => (piece.startsWith('"') ? piece : `"${piece}"`)) : text;

const refuse = (say: string, why: string, at?: string): Outcome<never> =>
  bad({ code: 'not-json', say: why === '' ? `${say}.` : `${say}: ${why}`, remedy: 'Mend it, and bring it in again.', ...(at ? { at } : {}) });

/** Where it goes wrong, as line and column: engines word their messages in their own ways, so it is found by halving. */
function whereIn(text: string): string {
  let [low, high] = [0, text.length];
  if (!isBroken(text)) return 'it ends before it is complete.';
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (isBroken(text.slice(0, middle))) high = middle;
    else low = middle;
  }
  const before = text.slice(0, high).split('\n');
  return `something is wrong at line ${before.length}, column ${before.at(-1)?.length ?? 0}.`;
}

/** Whether a text cannot be the beginning of JSON: its error is not just that it ends. */
function isBroken(text: string): boolean {
  try {
    JSON.parse(text);
    return false;
  } catch (error) {
    const { message } = error as Error;
    const position = /position (\d+)/.exec(message)?.[1];
    return !/end of|unterminated/i.test(message) && (position === undefined || Number(position) < text.length);
  }
}

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> => typeof value === 'object' && value !== null && !Array.isArray(value);

function rowsOf(value: unknown): Outcome<Raw> {
  if (isObject(value)) {
    const split = splitIn(value);
    if (split) return good(split);
    const arrays = Object.entries(value).filter(([, each]) => Array.isArray(each));
    const [only] = arrays;
    if (only && arrays.length === 1) {
      const inner = rowsOf(only[1]);
      return inner.ok ? good({ ...inner.value, notes: [`Read from “${only[0]}”.`, ...inner.value.notes] }) : inner;
    }
    return rowsOf([value]);
  }
  if (!Array.isArray(value) || value.length === 0)
    return bad({ code: 'no-rows', say: 'There are no rows in it.', remedy: 'A table is an array of objects or of arrays.' });
  const items = value as readonly unknown[];
  if (items.every(Array.isArray))
    return good({ rows: (items as readonly (readonly unknown[])[]).map((cells) => cells.map(textOf)), merges: [], notes: [] });
  if (items.every(isObject)) return good(recordsIn(items));
  const odd = items.findIndex((item) => !isObject(item) && !Array.isArray(item));
  return bad({
    code: 'not-rows',
    say: odd < 0 ? 'Objects and arrays are mixed in it.' : `Item ${odd + 1} is neither an object nor an array.`,
    remedy: 'A table is an array of objects or of arrays.',
  });
}

/** Names that the columns of a table, and its rows, have where the two stand apart. */
const [COLUMNS, ROWS] = [
  ['columns', 'fields', 'header', 'headers'],
  ['data', 'rows', 'values', 'records'],
] as const;

/** An object that has the names of its columns in one list and its rows in another one: `{"columns": ["a"], "data": [[1]]}`. */
function splitIn(value: Readonly<Record<string, unknown>>): Raw | undefined {
  const [columns, data] = [COLUMNS, ROWS].map((names) => names.find((name) => Array.isArray(own(value, name))));
  if (columns === undefined || data === undefined) return undefined;
  const names = (own(value, columns) as readonly unknown[]).map((each) => (isObject(each) ? (own(each, 'name') ?? own(each, 'field')) : each));
  const rows = own(value, data) as readonly unknown[];
  if (names.length === 0 || rows.length === 0 || !names.every(isNameOrPath) || !rows.every((row) => Array.isArray(row))) return undefined;
  const { header, merges } = tiersOf(names);
  return {
    rows: [...header, ...(rows as readonly (readonly unknown[])[]).map((cells) => cells.map(textOf))],
    merges,
    headerRows: header.length,
    notes: [
      `The columns’ names are from “${columns}”, the rows from “${data}”.`,
      ...(header.length > 1 ? [`They come in ${header.length} tiers: lists of what stands over each column.`] : []),
    ],
  };
}

/** Tiers of a header that are read. */
const TIERS_MOST = 8;
/** The name of a column, or a list of what stands over it from the first tier down. */
type NameOrPath = string | readonly string[];
const isNameOrPath = (name: unknown): name is NameOrPath =>
  typeof name === 'string' || (Array.isArray(name) && name.length > 0 && name.length <= TIERS_MOST && name.every((each) => typeof each === 'string'));

/** Header rows from what stands over each column: the same beside each other is one cell, and so is one with nothing below it. */
function tiersOf(names: readonly NameOrPath[]): { readonly header: readonly (readonly string[])[]; readonly merges: Raw['merges'] } {
  const paths = names.map((name) => (typeof name === 'string' ? [name] : name));
  const tiers = Math.max(...paths.map(({ length }) => length));
  const at = (column: number, tier: number): string => paths[column]?.[tier] ?? '';
  /** Whether a column stands under the same as another one, down to a tier. */
  const isUnderSame = (a: number, b: number, tier: number): boolean =>
    Array.from({ length: tier + 1 }, (_, each) => at(a, each) === at(b, each)).every(Boolean);
  const merges: { row: number; column: number; rows: number; columns: number }[] = [];
  const header = Array.from({ length: tiers }, (_, tier) => paths.map((_path, column) => at(column, tier)));
  for (let tier = 0; tier < tiers; tier++)
    for (let column = 0; column < paths.length;) {
      let end = column + 1;
      if (at(column, tier) !== '') {
        let down = tier + 1;
        while (down < tiers && at(column, down) === '') down++;
        // Two columns of one name are two columns.
        while (down < tiers && end < paths.length && isUnderSame(column, end, tier)) end++;
        if (end - column > 1 || down - tier > 1) merges.push({ row: tier, column, rows: down - tier, columns: end - column });
        // What a merged cell reaches over has no text of its own.
        header[tier]?.fill('', column + 1, end);
      }
      column = end;
    }
  return { header, merges };
}

/** Objects in each other so deep become columns of their own; what is deeper stays as it is written. */
const DEEP_MOST = 6;

/** An object's values by the names of their columns: what stands in an object in it is called `outer.inner`. */
function flat(item: Readonly<Record<string, unknown>>, before = '', into = new Map<string, unknown>(), depth = 1): ReadonlyMap<string, unknown> {
  for (const [key, value] of Object.entries(item)) {
    const name = before === '' ? key : `${before}.${key}`;
    if (isObject(value) && depth < DEEP_MOST && Object.keys(value).length > 0) flat(value, name, into, depth + 1);
    else into.set(into.has(name) ? freeName(name, into.keys()) : name, value);
  }
  return into;
}

/** Objects as rows, whose names are those of the columns. */
function recordsIn(items: readonly Readonly<Record<string, unknown>>[]): Raw {
  const records = items.map((item) => flat(item));
  const names = [...new Set(records.flatMap((record) => [...record.keys()]))];
  const lacking = records.filter((record) => names.some((name) => !record.has(name))).length;
  const nested = names.filter((name) => items.every((item) => !Object.hasOwn(item, name)));
  const notes = [
    ...(nested.length > 0 ? [`What stood in objects within objects has columns of its own, such as “${nested[0] ?? ''}”.`] : []),
    ...(lacking > 0
      ? [`${lacking === 1 ? '1 object lacks' : `${lacking.toLocaleString('en')} objects lack`} some of the names. Their cells are empty.`]
      : []),
  ];
  return { rows: [names, ...records.map((record) => names.map((name) => textOf(record.get(name))))], merges: [], headerRows: 1, notes };
}

function textOf(value: unknown): string {
  if (value === null || value === undefined) return '';
  return typeof value === 'string' ? value : JSON.stringify(value);
}
