import { isNumber, sectionRows, textOf, type Table } from '../table';

/** What a column holds, told from all of its cells. What was typed is kept as it is. */
export type ColumnKind =
  'text' | 'whole numbers' | 'numbers' | 'money' | 'percentages' | 'dates' | 'times' | 'yes or no' | 'links' | 'e-mail addresses';

const DATE = /^(?:\d{4}-\d{1,2}-\d{1,2}|\d{1,2}[./-]\d{1,2}[./-](?:\d{2}|\d{4}))(?:[ T]\d{1,2}:\d{2}(?::\d{2})?)?$/;
const tests: readonly (readonly [ColumnKind, (text: string) => boolean])[] = [
  ['e-mail addresses', (text) => /^[^\s@]+@[^\s@]+\.[^\s@.]+$/.test(text)],
  ['links', (text) => /^https?:\/\/\S+$/i.test(text)],
  ['yes or no', (text) => /^(?:yes|no|true|false|ja|nein|oui|non|sí|ναι|όχι|نعم|لا|✓|✗)$/iu.test(text)],
  ['dates', (text) => DATE.test(text)],
  ['times', (text) => /^\d{1,2}:\d{2}(?::\d{2})?$/.test(text)],
  ['percentages', (text) => isNumber(text) && text.endsWith('%')],
  ['money', (text) => isNumber(text) && /\p{Sc}/u.test(text)],
  ['whole numbers', (text) => isNumber(text) && /^[-+−(]?\d{1,3}(?:[ .,'’\u00a0\u202f]?\d{3})*\)?$/.test(text)],
  ['numbers', (text) => isNumber(text)],
];
/** Share of the filled cells that have to be of a kind: one remark among numbers does not change the column. */
const SHARE = 0.8;
/** Cells that are looked at, evenly strewn: a column of 100,000 is told by these as well. */
const SAMPLE = 500;

/** The kind of each column, from its body cells. */
export function kindsOfColumns(table: Table): readonly ColumnKind[] {
  const { first, count } = sectionRows(table, 'body');
  const step = Math.max(1, Math.floor(count / SAMPLE));
  return (table.rows[0] ?? []).map((_, column) => {
    const texts: string[] = [];
    for (let row = first; row < first + count; row += step) {
      const text = textOf(table.rows[row]?.[column]).trim();
      if (text !== '') texts.push(text);
    }
    return kindOf(texts);
  });
}

function kindOf(texts: readonly string[]): ColumnKind {
  if (texts.length === 0 || texts.some((text) => /^0\d{2,}$/.test(text))) return 'text';
  const isMost = (test: (text: string) => boolean): boolean => texts.filter(test).length >= texts.length * SHARE;
  return tests.find(([, test]) => isMost(test))?.[0] ?? 'text';
}

/** One sentence on what the columns hold, beside text. */
export function saysKinds(kinds: readonly ColumnKind[]): readonly string[] {
  const columns = new Map<ColumnKind, number[]>();
  for (const [i, kind] of kinds.entries()) if (kind !== 'text') columns.set(kind, [...(columns.get(kind) ?? []), i + 1]);
  if (columns.size === 0) return [];
  const parts = [...columns].map(([kind, at]) => `${at.length === 1 ? 'column' : 'columns'} ${at.join(', ')}: ${kind}`);
  const text = parts.join('; ');
  return [`${text.charAt(0).toUpperCase()}${text.slice(1)}.`];
}
