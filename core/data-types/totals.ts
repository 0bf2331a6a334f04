import type { DataType } from './data-type';
import type { Value } from './read/read-value';

/** What a column comes to in one value. */
export const totalKinds = [
  { name: 'sum', label: 'Sum', of: ['whole', 'number', 'money', 'duration'] },
  { name: 'mean', label: 'Mean', of: ['whole', 'number', 'money', 'percent', 'duration'] },
  { name: 'median', label: 'Median', of: ['whole', 'number', 'money', 'percent', 'duration', 'date', 'time'] },
  { name: 'least', label: 'Least', of: ['whole', 'number', 'money', 'percent', 'duration', 'date', 'time'] },
  { name: 'greatest', label: 'Greatest', of: ['whole', 'number', 'money', 'percent', 'duration', 'date', 'time'] },
  { name: 'count', label: 'How many', of: undefined },
  { name: 'distinct', label: 'How many different', of: undefined },
] as const satisfies readonly { name: string; label: string; of: readonly DataType[] | undefined }[];

export type TotalKind = (typeof totalKinds)[number]['name'];
export const totalNames: readonly TotalKind[] = totalKinds.map(({ name }) => name);

/** The totals that a column of a type can have: only amounts are added up, everything can be counted. */
export const totalsFor = (type: DataType): readonly TotalKind[] =>
  totalKinds.filter(({ of }) => of === undefined || (of as readonly DataType[]).includes(type)).map(({ name }) => name);

/** Whether a total is a number of cells, and not a value of the column's own type. */
export const isCounted = (kind: TotalKind): boolean => kind === 'count' || kind === 'distinct';

/**
 * The total of some values. Where there is nothing (`null`) nothing is counted; nor is what is not of the column's type
 * (undefined). `null` where no value is left to be added, or a text would be.
 */
export function totalOf(kind: TotalKind, values: Iterable<Value | undefined>): number | null {
  if (isCounted(kind)) {
    const filled = [...values].filter((value) => value !== null && value !== undefined && value !== '');
    return kind === 'count' ? filled.length : new Set(filled).size;
  }
  const numbers: number[] = [];
  for (const value of values) if (typeof value === 'number') numbers.push(value);
  if (numbers.length === 0) return null;
  switch (kind) {
    case 'sum':
      return sum(numbers);
    case 'mean':
      return sum(numbers) / numbers.length;
    case 'least':
      return numbers.reduce((least, each) => Math.min(least, each));
    case 'greatest':
      return numbers.reduce((greatest, each) => Math.max(greatest, each));
    case 'median': {
      const sorted = Float64Array.from(numbers).sort();
      const middle = sorted.length >> 1;
      return sorted.length % 2 === 1 ? (sorted[middle] ?? 0) : ((sorted[middle - 1] ?? 0) + (sorted[middle] ?? 0)) / 2;
    }
    case 'count':
    case 'distinct':
      return null;
  }
}

/** Added up with what floating point loses carried along (Neumaier's summation), so that 0.1 ten times is 1. */
function sum(numbers: readonly number[]): number {
  let [total, lost] = [0, 0];
  for (const each of numbers) {
    const next = total + each;
    lost += Math.abs(total) >= Math.abs(each) ? total - next + each : each - next + total;
    total = next;
  }
  return Number((total + lost).toPrecision(15));
}
