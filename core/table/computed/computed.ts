import { PLAIN_FORMAT, formatValue, isNothing, readNumber, type DataType } from '../../data-types';
import type { Outcome } from '../../outcome';
import { columnNames } from '../edit/bring-again';
import { textOf, type Row } from '../cell';
import { readFormula, type Formula, type Term } from './formula';
import { valueIn } from '../columns/shown';
import { sectionRows, type Table } from '../table';

/** What a formula comes to in a row: a number, nothing where a value that it needs is nothing, or why it cannot be worked out. */
export type Computed = number | null | { readonly say: string };
const isProblem = (computed: Computed): computed is { readonly say: string } => typeof computed === 'object' && computed !== null;

interface Work {
  readonly table: Table;
  readonly first: number;
  readonly count: number;
  readonly headings: ReadonlySet<number>;
  /** By column; undefined where it has no formula. */
  readonly formulas: readonly (Outcome<Formula> | undefined)[];
  /** Whether a column's formula comes back to itself. */
  readonly rings: ReadonlySet<number>;
  /** What whole columns come to, worked out when first asked for. */
  readonly columns: Map<number, readonly Computed[]>;
  readonly wholes: Map<string, readonly Computed[]>;
}

const works = new WeakMap<Table, Work | null>();

function workOn(table: Table): Work | null {
  const known = works.get(table);
  if (known !== undefined) return known;
  let work: Work | null = null;
  if (table.columns.some(({ formula }) => formula !== '')) {
    const names = columnNames(table);
    const formulas = table.columns.map(({ formula }) => (formula === '' ? undefined : readFormula(formula, names)));
    const { first, count } = sectionRows(table, 'body');
    work = { table, first, count, headings: new Set(table.groups), formulas, rings: ringsIn(formulas), columns: new Map(), wholes: new Map() };
  }
  works.set(table, work);
  return work;
}

/** Columns whose formulas lead back to themselves. */
function ringsIn(formulas: Work['formulas']): ReadonlySet<number> {
  const next = (column: number): readonly number[] => {
    const formula = formulas[column];
    return formula?.ok ? formula.value.columns : [];
  };
  const leadsTo = (from: number, target: number, seen: Set<number>): boolean =>
    next(from).some((column) => {
      if (column === target) return true;
      if (seen.has(column)) return false;
      seen.add(column);
      return leadsTo(column, target, seen);
    });
  return new Set(formulas.flatMap((formula, column) => (formula && leadsTo(column, column, new Set()) ? [column] : [])));
}

/** What a body row has in a column: worked out, or as it was typed. */
function valueAt(work: Work, column: number, row: number): Computed {
  const formula = work.formulas[column];
  if (formula) return computedAt(work, column, row, formula);
  const text = textOf(work.table.rows[row]?.[column]);
  const { type = '' } = work.table.columns[column] ?? {};
  if (isNothing(text)) return null;
  if (type === '' || type === 'text') {
    const read = readNumber(text, work.table.decimal);
    return read ? (read.isPercent ? read.value / 100 : read.value) : { say: `“${text.slice(0, 40)}” is no number` };
  }
  const typed = valueIn(work.table, column, text);
  if (typeof typed !== 'number') return { say: `“${text.slice(0, 40)}” is no number` };
  return type === 'percent' ? typed / 100 : typed;
}

function computedAt(work: Work, column: number, row: number, formula: Outcome<Formula>): Computed {
  if (work.rings.has(column)) return { say: 'It refers to itself' };
  if (!formula.ok) return { say: formula.problems[0]?.say ?? '' };
  return termAt(work, formula.value.term, row);
}

function termAt(work: Work, term: Term, row: number): Computed {
  switch (term.kind) {
    case 'number':
      return term.value;
    case 'column':
      return valueAt(work, term.column, row);
    case 'sign': {
      const of = termAt(work, term.of, row);
      return typeof of === 'number' ? -of : of;
    }
    case 'call':
      return called(
        term.name,
        term.terms.map((each) => termAt(work, each, row)),
      );
    case 'whole':
      return wholeOf(work, term.name, term.column)[row - work.first] ?? null;
    case 'sum':
    case 'difference':
    case 'product':
    case 'quotient':
    case 'rest':
    case 'power': {
      const [left, right] = [termAt(work, term.left, row), termAt(work, term.right, row)];
      if (isProblem(left)) return left;
      if (isProblem(right)) return right;
      return left === null || right === null ? null : counted(arithmetic(term.kind, left, right), term.kind, right);
    }
  }
}

function arithmetic(kind: 'sum' | 'difference' | 'product' | 'quotient' | 'rest' | 'power', left: number, right: number): number {
  switch (kind) {
    case 'sum':
      return left + right;
    case 'difference':
      return left - right;
    case 'product':
      return left * right;
    case 'quotient':
      return left / right;
    case 'rest':
      return left % right;
    case 'power':
      return left ** right;
  }
}
function counted(value: number, kind: string, right: number): Computed {
  if ((kind === 'quotient' || kind === 'rest') && right === 0) return { say: 'It divides by zero' };
  return Number.isFinite(value) ? value : { say: 'It comes to no number' };
}

/** Functions leave out what is nothing, as totals do. */
function called(name: string, given: readonly Computed[]): Computed {
  const problem = given.find(isProblem);
  if (problem) return problem;
  const numbers = given.filter((each) => typeof each === 'number');
  const [first, second = 0] = numbers;
  if (first === undefined) return null;
  const sum = numbers.reduce((total, each) => total + each, 0);
  switch (name) {
    case 'sum':
      return sum;
    case 'mean':
      return sum / numbers.length;
    case 'least':
      return Math.min(...numbers);
    case 'greatest':
      return Math.max(...numbers);
    case 'round': {
      const places = Math.max(0, Math.min(10, Math.round(second)));
      // Half away from nothing, as people round; by its decimals, so that 1.005 is what it says.
      return Number(`${Math.sign(first) * Math.round(Number(`${Math.abs(first)}e${places}`))}e${-places}`);
    }
    default:
      return Math.abs(first);
  }
}

/** What the typed cells of a column were last read as, so that after an edit only other rows are read. */
interface ReadColumn {
  readonly rows: Table['rows'];
  readonly said: string;
  readonly values: readonly Computed[];
}
const readColumns = new WeakMap<Row, Map<number, ReadColumn>>();

/** A column's values, in the order of the body's rows; null for headings. */
function columnOf(work: Work, column: number): readonly Computed[] {
  const known = work.columns.get(column);
  if (known) return known;
  const { table, first, count, headings } = work;
  const { type, order, formula } = table.columns[column] ?? {};
  const said = JSON.stringify([first, count, table.groups, table.decimal, type, order, formula]);
  const key = table.rows[0];
  const last = key && work.formulas[column] === undefined ? readColumns.get(key)?.get(column) : undefined;
  const before = last?.said === said ? last : undefined;
  const values = Array.from({ length: count }, (_, i): Computed => {
    const row = first + i;
    if (headings.has(row)) return null;
    return before && before.rows[row] === table.rows[row] ? (before.values[i] ?? null) : valueAt(work, column, row);
  });
  work.columns.set(column, values);
  if (key) readColumns.set(key, (readColumns.get(key) ?? new Map<number, ReadColumn>()).set(column, { rows: table.rows, said, values }));
  return values;
}

function wholeOf(work: Work, name: 'share' | 'running' | 'rank', column: number): readonly Computed[] {
  const key = `${name} ${column}`;
  const known = work.wholes.get(key);
  if (known) return known;
  const values = columnOf(work, column);
  const numbers = values.filter((each) => typeof each === 'number');
  let made: readonly Computed[];
  if (name === 'rank') {
    const places = new Map<number, number>();
    for (const [i, value] of numbers.toSorted((a, b) => b - a).entries()) if (!places.has(value)) places.set(value, i + 1);
    made = values.map((each) => (typeof each === 'number' ? (places.get(each) ?? null) : each));
  } else if (name === 'share') {
    const total = numbers.reduce((sum, each) => sum + each, 0);
    made = values.map((each) => (typeof each !== 'number' ? each : total === 0 ? { say: 'The column adds up to zero' } : each / total));
  } else {
    let sum = 0;
    made = values.map((each) => (typeof each === 'number' ? (sum += each) : each));
  }
  work.wholes.set(key, made);
  return made;
}

/** What a formula comes to in a body row; undefined where the column has none, and for headings and other rows. */
export function computedIn(table: Table, column: number, row: number): Computed | undefined {
  const work = workOn(table);
  const formula = work?.formulas[column];
  if (!work || !formula || row < work.first || row >= work.first + work.count || work.headings.has(row)) return undefined;
  return computedAt(work, column, row, formula);
}

/** Of every number the same one: making it takes far longer than using it. */
const decimals = new Intl.NumberFormat('en', { useGrouping: false, maximumFractionDigits: 12 });
/** A number without an exponent and with at most 12 digits behind the mark. */
function plainly(value: number): string {
  const text = String(value);
  return text.length <= 13 && !text.includes('e') ? text : decimals.format(value);
}

/** A computed number as a text that reads back as the same: percent as 12, times as they are written, no thousands. */
function textFor(value: number, type: '' | DataType, decimal: Table['decimal']): string {
  if (type === 'date' || type === 'time' || type === 'duration') return formatValue(type, value, { ...PLAIN_FORMAT, date: 'iso' }, 'en');
  const amount = type === 'percent' ? value * 100 : value;
  const plain = plainly(Number(amount.toPrecision(12)));
  // Three decimals alone could be thousands.
  const clear = /\.\d{3}$/.test(plain) ? `${plain}0` : plain;
  const written = decimal === ',' ? clear.replace('.', ',') : clear;
  return type === 'percent' ? `${written}%` : written;
}

/** How a value that cannot be worked out is shown on pages. */
const NO_VALUE = '–';

/** A list of rows each of which is made when it is asked for. */
function lazily(rows: readonly Row[], rowAt: (row: number) => Row): readonly Row[] {
  return new Proxy(rows, {
    get(target, key, receiver): unknown {
      const at = typeof key === 'string' ? Number(key) : NaN;
      return Number.isInteger(at) && at >= 0 && at < target.length ? rowAt(at) : Reflect.get(target, key, receiver);
    },
  });
}

const tables = new WeakMap<Table, Table>();
/** Rows with what their formulas come to, remembered by the row as long as the same is said of its columns. */
const rowsByFormulas = new WeakMap<Table['columns'], { readonly said: string; readonly rows: WeakMap<Row, Row> }>();

function rememberedRows(table: Table): WeakMap<Row, Row> {
  const said = [table.decimal, ...columnNames(table)].join('\n');
  const known = rowsByFormulas.get(table.columns);
  if (known?.said === said) return known.rows;
  const rows = new WeakMap<Row, Row>();
  rowsByFormulas.set(table.columns, { said, rows });
  return rows;
}

/**
 * The table with what its formulas come to in place of what was typed in their columns; the very same one where there are
 * none. A value that cannot be worked out is a dash. A row is worked out when it is first asked for, so that 100,000 of them cost
 * no more than what is looked at. Its rows cannot be handed to a worker as they are.
 */
export function computedTable(table: Table): Table {
  const work = workOn(table);
  if (!work) return table;
  const known = tables.get(table);
  if (known) return known;
  const isWhole = work.formulas.some((formula) => formula?.ok && formula.value.isWhole);
  const remembered = isWhole ? new WeakMap<Row, Row>() : rememberedRows(table);
  const rowAt = (row: number): Row => {
    const cells = table.rows[row] ?? [];
    if (row < work.first || row >= work.first + work.count || work.headings.has(row)) return cells;
    const before = remembered.get(cells);
    if (before) return before;
    const made = cells.map((cell, column) => {
      const formula = work.formulas[column];
      if (!formula) return cell;
      const computed = computedAt(work, column, row, formula);
      if (computed === null) return '';
      return isProblem(computed) ? NO_VALUE : textFor(computed, table.columns[column]?.type ?? '', table.decimal);
    });
    remembered.set(cells, made);
    return made;
  };
  const rows = lazily(table.rows, rowAt);
  const made = { ...table, rows };
  tables.set(table, made);
  // What is worked out once is not worked out again.
  tables.set(made, made);
  return made;
}
