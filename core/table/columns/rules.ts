import { readIn } from './readings';
import { textOf } from '../cell';
import type { GridCell } from '../grid/grid';
import { sectionRows, type Table } from '../table';

const seen = new WeakMap<Table, Map<number, ReadonlyMap<string, number>>>();

/** How often each text comes in a column's body. */
function timesIn(table: Table, column: number): ReadonlyMap<string, number> {
  const known = seen.get(table)?.get(column);
  if (known) return known;
  const times = new Map<string, number>();
  const { first, count } = sectionRows(table, 'body');
  for (let row = first; row < first + count; row++) {
    const text = textOf(table.rows[row]?.[column]).trim();
    if (text !== '') times.set(text, (times.get(text) ?? 0) + 1);
  }
  seen.set(table, (seen.get(table) ?? new Map<number, ReadonlyMap<string, number>>()).set(column, times));
  return times;
}

/**
 * Why a body cell breaks its column's rule: its message, or a sentence of ours. Undefined where it does not, or where there
 * is none. Nothing is refused for it. Price: for values that may come once only, each column is read once for each state.
 */
export function ruleProblem(table: Table, { section, row, column, text }: GridCell): string | undefined {
  const set = table.columns[column];
  const rule = set?.rule;
  if (!rule || section !== 'body' || table.groups.includes(row)) return undefined;
  const typed = text.trim();
  const broken = (say: string): string => (rule.message === '' ? say : rule.message);
  if (typed === '') return rule.required ? broken('Something has to stand here') : undefined;
  if (rule.choices.length > 0 && !rule.choices.includes(typed))
    return broken(
      `“${typed.slice(0, 40)}” is none of ${rule.choices.length > 6 ? `the ${rule.choices.length.toLocaleString('en')} choices` : rule.choices.join(', ')}`,
    );
  if (rule.unique && (timesIn(table, column).get(typed) ?? 0) > 1) return broken(`“${typed.slice(0, 40)}” stands here more than once`);
  const value = readIn(table, column, typed);
  const isText = typeof value === 'string';
  const measured = isText ? Array.from(typed).length : value;
  if (typeof measured !== 'number') return undefined;
  const bound = (said: string): number | undefined => {
    if (said.trim() === '') return undefined;
    const read = isText ? Number(said) : readIn(table, column, said);
    return typeof read === 'number' && Number.isFinite(read) ? read : undefined;
  };
  const [least, most] = [bound(rule.least), bound(rule.most)];
  const what = isText ? 'It has' : `“${typed.slice(0, 40)}” is`;
  if (least !== undefined && measured < least) return broken(`${what} less than ${rule.least}${isText ? ' letters' : ''}`);
  if (most !== undefined && measured > most) return broken(`${what} more than ${rule.most}${isText ? ' letters' : ''}`);
  return undefined;
}
