import { folded, sortedPlaces, totalOf } from '../core/data-types';
import { PLAIN_COLUMN, computedTable, setCell, tableOf, textOf } from '../core/table';
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
  const lines = texts.map((text) => folded(text));
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

/** Columns that are worked out from others over 100,000 rows, beside bare loops that write the same texts. */
export function benchFormulas(): void {
  const rows: readonly (readonly string[])[] = Array.from({ length: ROWS }, (_, i) => [`L${i}`, String(((i * 7919) % 1_000_003) / 10), '']);
  const bare = (work: (value: number) => number) => (): unknown =>
    rows.map((row) => [...row].with(2, String(work(Number(row[1]))))).map((row) => row[2]);
  let sum = 0;
  const pairs: readonly (readonly [string, string, () => unknown])[] = [
    ['a product', 'Fare * 2', bare((value) => value * 2)],
    ['a running total', 'running(Fare)', bare((value) => (sum += value))],
  ];
  for (const [what, formula, plain] of pairs) {
    const columns = [PLAIN_COLUMN, PLAIN_COLUMN, { ...PLAIN_COLUMN, formula }];
    // Another list of columns and another header each time, since what was worked out is remembered with these.
    const ours = (): unknown =>
      computedTable(tableOf('x', [['Trip', 'Fare', 'Out'], ...rows], { columns: [...columns] })).rows.map((row) => textOf(row[2]));
    const table = tableOf('x', [['Trip', 'Fare', 'Out'], ...rows], { columns });
    let edited = table;
    // As the grid does after a cell was typed: it looks at the rows in view.
    const seen = (run: number): unknown => {
      edited = setCell(edited, 70_000 + run, 1, String(run));
      return computedTable(edited).rows.slice(70_000, 70_040);
    };
    const [least = NaN, most = NaN, edit = NaN] = takeTurns(5, [plain, ours, seen]).map((times) => quantile(times, 0.5));
    say(`${ROWS} rows with ${what} worked out, bare, ours; ratio`, `${ms(least)}, ${ms(most)}; ${(most / least).toFixed(2)}`);
    say('the same after one edit, as far as it is looked at', ms(edit));
  }
}
