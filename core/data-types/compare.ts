import type { Value } from './read/read-value';

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
  const turn = direction === 'ascending' ? 1 : -1;
  // Each kind in a list of its own: numbers are compared as numbers only, and a language is asked only for texts.
  const [numbers, texts, nothing]: [number[], number[], number[]] = [[], [], []];
  const amounts = new Float64Array(values.length);
  values.forEach((value, at) => {
    if (typeof value === 'number') amounts[at] = turn * value;
    (typeof value === 'number' ? numbers : value === null || value === '' ? nothing : texts).push(at);
  });
  numbers.sort((a, b) => (amounts[a] ?? 0) - (amounts[b] ?? 0) || a - b);
  if (texts.length > 0) {
    const { compare } = collatorOf(language);
    texts.sort((a, b) => turn * compare(String(values[a]), String(values[b])) || a - b);
  }
  return Uint32Array.from(turn > 0 ? [...numbers, ...texts, ...nothing] : [...texts, ...numbers, ...nothing]);
}
