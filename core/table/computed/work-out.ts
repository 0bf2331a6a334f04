import { collatorOf, readNumber, readValueOf, readYesNo, type DataType } from '../../data-types';
import { LIMITS } from '../reading/limits';
import type { Table } from '../table';
import type { Comparison, FormulaFunction, Sum, Term, WholeFunction } from './formula';

/**
 * What a formula comes to in a row: a number, a text, yes or no; nothing where a value that it needs is nothing; or why it
 * cannot be worked out. Percentages are parts of one, times and durations seconds, dates days.
 */
export type Computed = number | string | boolean | null | { readonly say: string };
export const isProblem = (value: Computed): value is { readonly say: string } => typeof value === 'object' && value !== null;

/** What a row comes to. */
export type RowReader = (row: number) => Computed;

/** What a formula is worked out over. */
export interface Sheet {
  readonly table: Table;
  /** What a body row has in a column, worked out or as it was typed. */
  readonly column: (column: number) => RowReader;
  /** What a function of a whole column comes to in a row. */
  readonly whole: (name: WholeFunction, column: number) => RowReader;
}

export const DAY_MS = 86_400_000;
const DAY_S = 86_400;

/** A value of a column's type as formulas count it; undefined where the text is none. */
export function counted(type: DataType, text: string, { decimal }: Table, order: Table['columns'][number]['order']): Computed | undefined {
  const value = readValueOf(type, text, { decimal, order });
  if (typeof value !== 'number') return value;
  if (type === 'percent') return value / 100;
  if (type === 'date') return value / DAY_MS;
  return type === 'yes-no' ? value === 1 : value;
}

/** What type a term's values are of, as far as its columns say; empty for any. */
function typeOf(term: Term, table: Table): '' | DataType {
  switch (term.kind) {
    case 'column':
    case 'whole':
      return term.kind === 'whole' && term.name === 'rank' ? 'whole' : (table.columns[term.column]?.type ?? '');
    case 'sign':
      return typeOf(term.of, table);
    case 'sum':
    case 'difference': {
      const [left, right] = [typeOf(term.left, table), typeOf(term.right, table)];
      if (left === 'date' && right === 'date') return '';
      return left === 'date' || right === 'date' ? 'date' : left || right;
    }
    case 'call':
      return term.terms[0] && term.name !== 'mod' && term.name !== 'power' ? typeOf(term.terms[0], table) : '';
    case 'product':
    case 'quotient':
    case 'join':
    case 'and':
    case 'or':
    case 'not':
    case 'is-null':
    case 'compare':
    case 'number':
    case 'text':
    case 'truth':
      return '';
  }
}

/** Whether a term is the time between two days, which counts in days. */
export const isDays = (term: Term, table: Table): boolean =>
  term.kind === 'difference' && typeOf(term.left, table) === 'date' && typeOf(term.right, table) === 'date';

/** A value as a number: texts as they read, yes as one. */
export function asNumber(value: Computed, table: Table): number | null | { readonly say: string } {
  if (typeof value === 'number' || value === null || isProblem(value)) return value;
  if (typeof value === 'boolean') return Number(value);
  const read = readNumber(value, table.decimal);
  return read ? (read.isPercent ? read.value / 100 : read.value) : { say: `“${value.slice(0, 40)}” is no number` };
}

/** A value as yes or no. */
function asTruth(value: Computed): boolean | null | { readonly say: string } {
  if (typeof value === 'boolean' || value === null || isProblem(value)) return value;
  const read = typeof value === 'string' ? readYesNo(value) : value === 1 ? true : value === 0 ? false : undefined;
  return read ?? { say: `“${String(value).slice(0, 40)}” is neither yes nor no` };
}

/** The readers of both sides; a text beside something of a type is a value of that type. */
function bothSides(left: Term, right: Term, sheet: Sheet): readonly [RowReader, RowReader] {
  const { table } = sheet;
  const side = (term: Term, other: Term): RowReader => {
    const type = term.kind === 'text' ? typeOf(other, table) : '';
    if (term.kind !== 'text' || type === '' || type === 'text' || type === 'choice') return readerOf(term, sheet);
    const order = other.kind === 'column' ? (table.columns[other.column]?.order ?? '') : '';
    const lasts = counted('duration', term.value, table, '');
    const duration = type === 'date' && typeof lasts === 'number' ? lasts / DAY_S : type === 'time' ? lasts : undefined;
    const value = counted(type, term.value, table, order) ?? duration ?? { say: `“${term.value.slice(0, 40)}” is no value of that column’s type` };
    return () => value;
  };
  return [side(left, right), side(right, left)];
}

/** Works a term out, once made ready, for any row. */
export function readerOf(term: Term, sheet: Sheet): RowReader {
  switch (term.kind) {
    case 'number':
    case 'text':
    case 'truth': {
      const { value } = term;
      return () => value;
    }
    case 'column':
      return sheet.column(term.column);
    case 'whole':
      return sheet.whole(term.name, term.column);
    case 'sign': {
      const of = readerOf(term.of, sheet);
      return (row) => {
        const value = asNumber(of(row), sheet.table);
        return typeof value === 'number' ? -value : value;
      };
    }
    case 'not':
    case 'is-null': {
      const [of, isNull] = [readerOf(term.of, sheet), term.kind === 'is-null'];
      return (row) => {
        const value = isNull ? of(row) : asTruth(of(row));
        if (isProblem(value)) return value;
        return isNull ? value === null : typeof value === 'boolean' ? !value : null;
      };
    }
    case 'and':
    case 'or':
      return together(readerOf(term.left, sheet), readerOf(term.right, sheet), term.kind === 'or');
    case 'compare':
      return compared(term.by, bothSides(term.left, term.right, sheet), sheet.table);
    case 'join':
      return joined(readerOf(term.left, sheet), readerOf(term.right, sheet));
    case 'call': {
      const readers = term.terms.map((each) => readerOf(each, sheet));
      return (row) =>
        called(
          term.name,
          readers.map((read) => asNumber(read(row), sheet.table)),
        );
    }
    case 'sum':
    case 'difference':
    case 'product':
    case 'quotient':
      return summed(term.kind, term.left, term.right, sheet);
  }
}

/** `and` and `or` with what is unknown: no and nothing is no, yes or nothing is yes (ISO/IEC 9075-2, "boolean value expression"). */
function together(left: RowReader, right: RowReader, settles: boolean): RowReader {
  return (row) => {
    const a = asTruth(left(row));
    if (a === settles || isProblem(a)) return a;
    const b = asTruth(right(row));
    return b === settles || isProblem(b) ? b : a === null ? null : b;
  };
}

const TOO_LONG = { say: `It is longer than the ${LIMITS.cell.toLocaleString('en')} letters that a cell holds` };
function joined(left: RowReader, right: RowReader): RowReader {
  const say = (value: string | number | boolean): string => (typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value));
  return (row) => {
    const [a, b] = [left(row), right(row)];
    if (isProblem(a)) return a;
    if (isProblem(b)) return b;
    if (a === null || b === null) return null;
    const text = say(a) + say(b);
    return text.length > LIMITS.cell ? TOO_LONG : text;
  };
}

const holds: Readonly<Record<Comparison, (order: number) => boolean>> = {
  '=': (order) => order === 0,
  '<>': (order) => order !== 0,
  '<': (order) => order < 0,
  '<=': (order) => order <= 0,
  '>': (order) => order > 0,
  '>=': (order) => order >= 0,
};

const collators = new Map<string, Intl.Collator>();
/** Whether two texts are the same: case and spaces around them do not count. */
function sameText(language: string): (a: string, b: string) => number {
  const locale = language === '' ? 'en' : language;
  const collator = collators.get(locale) ?? new Intl.Collator(locale, { sensitivity: 'accent' });
  collators.set(locale, collator);
  return (a, b) => collator.compare(a.trim(), b.trim());
}

function compared(by: Comparison, [left, right]: readonly [RowReader, RowReader], table: Table): RowReader {
  const isTrue = holds[by];
  const isEqual = by === '=' || by === '<>';
  const texts = isEqual ? sameText(table.language) : collatorOf(table.language).compare;
  return (row) => {
    const [a, b] = [left(row), right(row)];
    if (typeof a === 'number' && typeof b === 'number') return isTrue(a - b);
    if (isProblem(a)) return a;
    if (isProblem(b)) return b;
    if (a === null || b === null) return null;
    if (typeof a === 'string' && typeof b === 'string') return isTrue(texts(a, b));
    if (typeof a === 'boolean' || typeof b === 'boolean') {
      const [one, other] = [asTruth(a), asTruth(b)];
      if (isProblem(one) || isProblem(other)) return isEqual ? by === '<>' : isProblem(one) ? one : other;
      return isTrue(Number(one) - Number(other));
    }
    const [one, other] = [asNumber(a, table), asNumber(b, table)];
    if (typeof one === 'number' && typeof other === 'number') return isTrue(one - other);
    // A text that is no number is not the same as one; it is neither more nor less.
    return isEqual ? by === '<>' : isProblem(one) ? one : other;
  };
}

const sums: Readonly<Record<Sum, (left: number, right: number) => number>> = {
  sum: (left, right) => left + right,
  difference: (left, right) => left - right,
  product: (left, right) => left * right,
  quotient: (left, right) => left / right,
};
const ENDLESS = { say: 'It comes to no number' };
const BY_ZERO = { say: 'It divides by zero' };

function summed(kind: Sum, left: Term, right: Term, sheet: Sheet): RowReader {
  const { table } = sheet;
  const [a, b] = bothSides(left, right, sheet);
  const work = sums[kind];
  const parts = kind === 'quotient';
  // Days and what lasts: a day has so many seconds.
  const types = [typeOf(left, table), typeOf(right, table)];
  const scale = (other: number): number => (types[1 - other] === 'date' && types[other] === 'duration' ? 1 / DAY_S : 1);
  const [byLeft, byRight] = [scale(0), scale(1)];
  return (row) => {
    const [one, other] = [asNumber(a(row), table), asNumber(b(row), table)];
    if (typeof one === 'number' && typeof other === 'number') {
      if (parts && other === 0) return BY_ZERO;
      const value = work(one * byLeft, other * byRight);
      return Number.isFinite(value) ? value : ENDLESS;
    }
    return isProblem(one) ? one : isProblem(other) ? other : null;
  };
}

/** Functions leave out what is nothing, as totals do; `mod` and `power` come to nothing with it. */
function called(name: FormulaFunction, given: readonly Computed[]): Computed {
  const problem = given.find(isProblem);
  if (problem) return problem;
  const numbers = given.filter((each) => typeof each === 'number');
  const [first, second = 0] = numbers;
  if (first === undefined) return null;
  const sum = (): number => numbers.reduce((total, each) => total + each, 0);
  switch (name) {
    case 'sum':
      return sum();
    case 'mean':
      return sum() / numbers.length;
    case 'least':
      return Math.min(...numbers);
    case 'greatest':
      return Math.max(...numbers);
    case 'abs':
      return Math.abs(first);
    case 'mod':
      return numbers.length < 2 ? null : second === 0 ? BY_ZERO : first % second;
    case 'power': {
      const value = first ** second;
      return numbers.length < 2 ? null : Number.isFinite(value) ? value : ENDLESS;
    }
    case 'round': {
      const places = Math.max(0, Math.min(10, Math.round(second)));
      // Half away from nothing, as people round; by its decimals, so that 1.005 is what it says.
      return Number(`${Math.sign(first) * Math.round(Number(`${Math.abs(first)}e${places}`))}e${-places}`);
    }
  }
}
