import type { Value } from './read-value';

const collators = new Map<string, Intl.Collator>();
/** How texts are put in order in a language: letters as its dictionaries have them, figures in texts by their amount (ECMA-402, Intl.Collator). */
export function collatorOf(language: string): Intl.Collator {
  const locale = language === '' ? 'en' : language;
  const known = collators.get(locale) ?? new Intl.Collator(locale, { numeric: true });
  collators.set(locale, known);
  return known;
}

/**
 * The places of values in order: numbers before texts that are none of the column's type, texts by language; nothing
 * stands last in either direction. Stable: what is equal stays as it was.
 */
export function sortedPlaces(values: readonly Value[], direction: 'ascending' | 'descending', language: string): Uint32Array {
  const { compare } = collatorOf(language);
  const turn = direction === 'ascending' ? 1 : -1;
  const rank = (value: Value | undefined): number => (value === null || value === undefined || value === '' ? 2 : typeof value === 'number' ? 0 : 1);
  return Uint32Array.from(values.keys()).sort((a, b) => {
    const [x, y] = [values[a], values[b]];
    const [p, q] = [rank(x), rank(y)];
    if (p === 2 || q === 2) return p === q ? a - b : p - q;
    const found = p !== q ? p - q : p === 0 ? Number(x) - Number(y) : compare(String(x), String(y));
    return found === 0 ? a - b : turn * found;
  });
}
