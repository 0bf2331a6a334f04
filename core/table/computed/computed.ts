import { PLAIN_FORMAT, formatValue, isNothing, isNumericType, readNumber, type DataType } from '../../data-types';
import type { Outcome } from '../../outcome';
import { columnNames } from '../edit/bring-again';
import { textOf, type Row } from '../cell';
import { readFormula, type Formula, type WholeFunction } from './formula';
import { DAY_MS, asNumber, counted, isDays, isProblem, readerOf, type Computed, type RowReader } from './work-out';
import { sectionRows, type Table } from '../table';

interface Work {
  readonly table: Table;
  readonly first: number;
  readonly count: number;
  readonly headings: ReadonlySet<number>;
  /** By column; undefined where it has no formula. */
  readonly formulas: readonly (Outcome<Formula> | undefined)[];
  /** What each formula comes to in a row, made ready when first asked for. */
  readonly readers: Map<number, RowReader>;
  /** What whole columns come to, worked out when first asked for. */
  readonly columns: Map<number, readonly Computed[]>;
  readonly wholes: Map<string, readonly Computed[]>;
  /** Whether a column's formula comes back to itself. */
  readonly rings: ReadonlySet<number>;
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
    const headings = new Set(table.groups);
    work = { table, first, count, headings, formulas, rings: ringsIn(formulas), readers: new Map(), columns: new Map(), wholes: new Map() };
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

/** What body rows have in a column: worked out, or as it was typed. */
function columnReader(work: Work, column: number): RowReader {
  const { table, formulas } = work;
  const formula = formulas[column];
  if (formula) return formulaReader(work, column, formula);
  const { type = '', order = '' } = table.columns[column] ?? {};
  const isText = type === '' || type === 'text' || type === 'choice';
  return (row) => {
    const text = textOf(table.rows[row]?.[column]);
    if (isNothing(text)) return null;
    if (!isText) return counted(type, text, table, order) ?? { say: `“${text.slice(0, 40)}” is ${typeSaid(type)}` };
    if (type === 'choice') return text;
    const read = readNumber(text, table.decimal);
    return read ? (read.isPercent ? read.value / 100 : read.value) : text;
  };
}
const typeSaid = (type: DataType): string => (isNumericType(type) ? 'no number' : `not of its column’s type`);

/** What a column's formula comes to, made ready once for a state of the table. */
function formulaReader(work: Work, column: number, formula: Outcome<Formula>): RowReader {
  const known = work.readers.get(column);
  if (known) return known;
  const { table } = work;
  const problem = work.rings.has(column) ? { say: 'It refers to itself' } : formula.ok ? undefined : { say: formula.problems[0]?.say ?? '' };
  const read =
    problem || !formula.ok
      ? (): Computed => problem ?? null
      : readerOf(formula.value.term, { table, column: (at) => columnReader(work, at), whole: (name, at) => wholeReader(work, name, at) });
  // The time between two days, in a column of what lasts, counts in seconds as all that lasts does.
  const isLasting = formula.ok && table.columns[column]?.type === 'duration' && isDays(formula.value.term, table);
  // A row is worked out once, however often others ask for it: columns that each name another twice would double the work each time.
  let [at, last]: [number, Computed] = [-1, null];
  const made: RowReader = (row) => {
    if (row === at) return last;
    const value = read(row);
    [at, last] = [row, isLasting && typeof value === 'number' ? value * (DAY_MS / 1000) : value];
    return last;
  };
  work.readers.set(column, made);
  return made;
}

function wholeReader(work: Work, name: WholeFunction, column: number): RowReader {
  return (row) => wholeOf(work, name, column)[row - work.first] ?? null;
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
  const read = columnReader(work, column);
  const values = Array.from({ length: count }, (_, i): Computed => {
    const row = first + i;
    if (headings.has(row)) return null;
    return before && before.rows[row] === table.rows[row] ? (before.values[i] ?? null) : asNumber(read(row), table);
  });
  work.columns.set(column, values);
  if (key) readColumns.set(key, (readColumns.get(key) ?? new Map<number, ReadColumn>()).set(column, { rows: table.rows, said, values }));
  return values;
}

function wholeOf(work: Work, name: WholeFunction, column: number): readonly Computed[] {
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
  return formulaReader(work, column, formula)(row);
}

/** Of every number the same one: making it takes far longer than using it. */
const decimals = new Intl.NumberFormat('en', { useGrouping: false, maximumFractionDigits: 12 });
/** A number without an exponent and with at most 12 digits behind the mark. */
function plainly(value: number): string {
  const text = String(value);
  return text.length <= 13 && !text.includes('e') ? text : decimals.format(value);
}

/** What was worked out as a text that reads back as the same: percent as 12, times as they are written, no thousands. */
function textFor(value: number | string | boolean, type: '' | DataType, { decimal, language }: Table): string {
  if (typeof value === 'string') return value;
  if (typeof value === 'boolean') return formatValue('yes-no', Number(value), PLAIN_FORMAT, language === '' ? 'en' : language);
  if (type === 'date') return formatValue(type, Math.round(value * DAY_MS), ISO, 'en');
  if (type === 'time' || type === 'duration') return formatValue(type, value, ISO, 'en');
  if (type === 'yes-no') return formatValue(type, value, PLAIN_FORMAT, language === '' ? 'en' : language);
  const amount = type === 'percent' ? value * 100 : value;
  const short = String(amount);
  // What is written in so few figures is what it says already.
  const plain = short.length <= 12 && !short.includes('e') ? short : plainly(Number(amount.toPrecision(12)));
  // Three decimals alone could be thousands.
  const clear = plain.at(-4) === '.' ? `${plain}0` : plain;
  const written = decimal === ',' ? clear.replace('.', ',') : clear;
  return type === 'percent' ? `${written}%` : written;
}
const ISO = { ...PLAIN_FORMAT, date: 'iso' } as const;

/** How a value that cannot be worked out is shown on pages. */
const NO_VALUE = '–';

/** What goes through a whole list, for which all of it is made at once: asking for each by itself takes longer than making it. */
const THROUGH: ReadonlySet<string | symbol> = new Set(['map', 'forEach', 'flatMap', 'filter', 'reduce']);

/** A list of rows each of which is made when it is asked for. */
function lazily(rows: readonly Row[], rowAt: (row: number) => Row): readonly Row[] {
  let all: readonly Row[] | undefined;
  return new Proxy(rows, {
    get(target, key, receiver): unknown {
      if (typeof key === 'string') {
        const at = Number(key);
        if (Number.isInteger(at) && at >= 0 && at < target.length) return all ? all[at] : rowAt(at);
      }
      if (!THROUGH.has(key)) return Reflect.get(target, key, receiver);
      all ??= target.map((_, at) => rowAt(at));
      return (all[key as 'map'] as (...given: readonly unknown[]) => unknown).bind(all);
    },
  });
}

const origins = new WeakMap<readonly Row[], readonly Row[]>();
/** The rows as they were typed, of a table in which what its formulas come to stands: none of them has to be worked out for it. */
export const typedRows = (rows: readonly Row[]): readonly Row[] => origins.get(rows) ?? rows;

const tables = new WeakMap<Table, Table>();
/** Rows as they were typed and with what their formulas came to, both by where they stand. */
interface Remembered {
  readonly said: string;
  readonly typed: (Row | undefined)[];
  readonly made: (Row | undefined)[];
}
/** What was worked out last, as long as the same is said of the columns: after an edit, only rows that are not the very same are worked out. */
const rowsByFormulas = new WeakMap<Table['columns'], Remembered>();

function rememberedRows(table: Table): Remembered {
  const said = [table.decimal, table.language, ...columnNames(table)].join('\n');
  const known = rowsByFormulas.get(table.columns);
  if (known?.said === said) return known;
  const rows: Remembered = { said, typed: [], made: [] };
  rowsByFormulas.set(table.columns, rows);
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
  const { typed, made: filled }: Pick<Remembered, 'typed' | 'made'> = isWhole ? { typed: [], made: [] } : rememberedRows(table);
  const worked = work.formulas.flatMap((formula, column) =>
    formula ? [{ column, read: formulaReader(work, column, formula), type: table.columns[column]?.type ?? ('' as const) }] : [],
  );
  const rowAt = (row: number): Row => {
    const cells = table.rows[row] ?? [];
    if (row < work.first || row >= work.first + work.count || work.headings.has(row)) return cells;
    const before = typed[row] === cells ? filled[row] : undefined;
    if (before) return before;
    const made = [...cells];
    for (const { column, read, type } of worked) {
      const computed = read(row);
      made[column] = computed === null ? '' : isProblem(computed) ? NO_VALUE : textFor(computed, type, table);
    }
    typed[row] = cells;
    filled[row] = made;
    return made;
  };
  const rows = lazily(table.rows, rowAt);
  origins.set(rows, table.rows);
  const made = { ...table, rows };
  tables.set(table, made);
  // What is worked out once is not worked out again.
  tables.set(made, made);
  return made;
}
