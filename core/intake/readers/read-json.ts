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
    return good(JSON.parse(text.replace(/^\uFEFF/, '')));
  } catch {
    return refuse('This is not JSON', whereIn(text));
  }
}

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
  if (items.every(isObject)) {
    const keys = [...new Set(items.flatMap((item) => Object.keys(item)))];
    const lacking = items.filter((item) => keys.some((key) => !Object.hasOwn(item, key))).length;
    return good({
      rows: [keys, ...items.map((item) => keys.map((key) => textOf(own(item, key))))],
      merges: [],
      headerRows: 1,
      notes:
        lacking > 0
          ? [`${lacking === 1 ? '1 object lacks' : `${lacking.toLocaleString('en')} objects lack`} some of the names. Their cells are empty.`]
          : [],
    });
  }
  const odd = items.findIndex((item) => !isObject(item) && !Array.isArray(item));
  return bad({
    code: 'not-rows',
    say: odd < 0 ? 'Objects and arrays are mixed in it.' : `Item ${odd + 1} is neither an object nor an array.`,
    remedy: 'A table is an array of objects or of arrays.',
  });
}

function textOf(value: unknown): string {
  if (value === null || value === undefined) return '';
  return typeof value === 'string' ? value : JSON.stringify(value);
}
