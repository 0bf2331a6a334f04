import { folded, sortedPlaces, totalOf } from '../core/data-types';
import { ms, quantile, say, takeTurns } from './figures';

const ROWS = 100_000;

/** Sorting, finding and adding up 100,000 rows as the editor's worker does, beside bare loops over the same prepared values. */
export function benchRows(): void {
  const numbers: readonly number[] = Array.from({ length: ROWS }, (_, i) => ((i * 7919) % 1_000_003) / 10);
  const texts: readonly string[] = Array.from({ length: ROWS }, (_, i) => `Skerrin ${(i * 7919) % ROWS} to Tarn Isle`);
  const { compare } = new Intl.Collator('en', { numeric: true });
  const bareSort = (): unknown => Uint32Array.from(numbers.keys()).sort((a, b) => (numbers[a] ?? 0) - (numbers[b] ?? 0) || a - b);
  const bareTexts = (): unknown => Uint32Array.from(texts.keys()).sort((a, b) => compare(texts[a] ?? '', texts[b] ?? '') || a - b);
  const bareFind = (): unknown => texts.filter((text) => text.toLowerCase().includes('9999'));
  const bareSum = (): unknown => numbers.reduce((sum, each) => sum + each, 0);
  const lines = texts.map(folded);
  const pairs: readonly (readonly [string, () => unknown, () => unknown])[] = [
    ['sort by numbers', bareSort, () => sortedPlaces(numbers, 'ascending', 'en')],
    ['sort by texts', bareTexts, () => sortedPlaces(texts, 'ascending', 'en')],
    ['find', bareFind, () => lines.flatMap((line, at) => (line.includes('9999') ? [at] : []))],
    ['add up', bareSum, () => totalOf('sum', numbers)],
  ];
  for (const [what, bare, ours] of pairs) {
    const [least = NaN, most = NaN] = takeTurns(5, [bare, ours]).map((times) => quantile(times, 0.5));
    say(`${ROWS} rows in the editor: ${what}, bare, ours; ratio (sort: at most 2)`, `${ms(least)}, ${ms(most)}; ${(most / least).toFixed(2)}`);
  }
}
