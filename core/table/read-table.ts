import { array, boolean, mixed, number, object, string, type ObjectSchema } from 'yup';
import { dataTypeNames, dateOrders, dateStyles, isLanguage, negativeStyles, totalNames } from '../data-types';
import { bad, type Outcome } from '../outcome';
import { checkShape } from '../problems-of';
import { isExceptionProperty, nameSchema } from '../theme';
import { isPictureAddress, isSafeAddress, markKinds, type Row } from './cell';
import { PLAIN_COLUMN, plainColumns, readColumnWidth } from './columns/column';
import { VALUE_MARKS_MOST, valueMarkKinds, valueMarkSettings, isRing } from './looks/value-mark';
import { exceptionReaches, type Exception } from './looks/exception';
import { mergeAcrossGroups } from './edit/merge-groups';
import { TABLE_FORMAT, captionAligns, captionSides, decimalMarks, tableKinds, type Merge, type Table } from './table';

/** Limits of a table, for every way in. Texts in characters; `slots` are rows times columns. */
export const LIMITS = {
  // 100,000 rows of content, with room for header and footer.
  rows: 100_100,
  columns: 100,
  slots: 5_100_000,
  cell: 10_000,
  marks: 1000,
  address: 2000,
  merges: 20_000,
  caption: 500,
  description: 2000,
  exceptions: 5000,
  formula: 500,
  choices: 10_000,
} as const;

const count = (what: string, most: number) =>
  number()
    .strict()
    .required(`${what} is missing.`)
    .integer(`${what} is a whole number.`)
    .min(0, `${what} is at least 0.`)
    .max(most, `${what} is at most ${most}.`);
const mergeSchema = object({
  row: count('A merge’s row', LIMITS.rows),
  column: count('A merge’s column', LIMITS.columns),
  rows: count('A merge’s number of rows', LIMITS.rows).min(1),
  columns: count('A merge’s number of columns', LIMITS.columns).min(1),
}).noUnknown();

const choice = <T extends string>(what: string, choices: readonly T[]) =>
  string()
    .strict()
    .defined(`${what} is missing.`)
    .oneOf(choices, `${what} is one of ${choices.map((each) => each || 'nothing').join(', ')}.`);
const formatSchema = object({
  decimals: number().strict().nullable().defined().integer().min(0, 'Decimals are from 0 to 10.').max(10, 'Decimals are from 0 to 10.'),
  grouping: boolean().strict().required(),
  currency: string()
    .strict()
    .defined()
    .matches(/^(?:[A-Z]{3})?$/, 'A currency is a code of three letters (ISO 4217), or empty.'),
  unit: string().strict().defined().max(20, 'A unit has at most 20 characters.'),
  negative: choice('How negative numbers are written', negativeStyles),
  date: choice('How dates are written', dateStyles),
  empty: string().strict().defined().max(40, 'What stands for nothing has at most 40 characters.'),
}).noUnknown();
const bound = string().strict().defined().max(100, 'A least or greatest value has at most 100 characters.');
const ruleSchema = object({
  required: boolean().strict().required(),
  unique: boolean().strict().required(),
  least: bound,
  most: bound,
  choices: array()
    .strict()
    .required()
    .of(string().strict().defined().max(200, 'A choice has at most 200 characters.'))
    .max(LIMITS.choices, `A column has at most ${LIMITS.choices.toLocaleString('en')} choices.`),
  message: string().strict().defined().max(300, 'What is said of a wrong value has at most 300 characters.'),
}).noUnknown();
const columnSchema = object({
  width: string()
    .strict()
    .defined()
    .test('width', 'A column’s width is empty, or like 120px, 8em, 20% or 2fr.', (width) => readColumnWidth(width) !== undefined),
  hidden: boolean().strict().required(),
  yields: string()
    .strict()
    .oneOf(['first', 'second'] as const, 'A column gives way first, second or not at all.')
    .optional()
    .default(undefined),
  type: choice('A column’s type', ['', ...dataTypeNames]),
  order: choice('The order of a column’s dates', ['', ...dateOrders]),
  format: formatSchema.nullable().defined().default(undefined),
  total: choice('A column’s total', ['', ...totalNames]),
  formula: string().strict().defined().max(LIMITS.formula, `A column’s formula has at most ${LIMITS.formula} characters.`),
  rule: ruleSchema.nullable().defined().default(undefined),
})
  .noUnknown()
  .test('typed', 'A column that is shown in a format has a type.', ({ type, format }) => format === null || type !== '');

const texts = (what: string, isKnown: (name: string) => boolean, most: number) =>
  mixed<Readonly<Record<string, string>>>()
    .required()
    .test('texts', (value, context) => {
      if (typeof value !== 'object' || Array.isArray(value)) return context.createError({ message: `${what} are an object of texts.` });
      const unknown = Object.keys(value).find((name) => !isKnown(name));
      if (unknown !== undefined) return context.createError({ message: `${what} have no “${unknown}”.` });
      const isText = Object.values(value).every((text: unknown) => typeof text === 'string' && text.length > 0 && text.length <= most);
      return isText || context.createError({ message: `${what} are texts of 1 to ${most} characters.` });
    });

const line = (what: string, most: number) =>
  number().strict().nullable().defined(`${what} is missing; it may be null.`).integer().min(0, `${what} is at least 0.`).max(most);
const exceptionSchema = object({
  row: line('An exception’s row', LIMITS.rows),
  column: line('An exception’s column', LIMITS.columns),
  reach: choice('How far an exception reaches', exceptionReaches),
  dressing: string().strict().defined().max(60),
  values: texts('An exception’s values', isExceptionProperty, 200),
})
  .noUnknown('An exception has no other fields.')
  .test('place', 'An exception stands at a column, a row or a cell.', ({ row, column }) => row !== null || column !== null);
const settingNames: ReadonlySet<string> = new Set(valueMarkSettings.map(({ name }) => name));
const valueMarkSchema = object({
  name: string()
    .strict()
    .required('A value mark needs a name.')
    .trim('A value mark’s name has no spaces around it.')
    .max(60, 'A value mark’s name has at most 60 characters.'),
  from: string().strict().defined().max(60),
  kind: choice(
    'A value mark’s kind',
    valueMarkKinds.map(({ name }) => name),
  ),
  settings: texts('A value mark’s settings', (name) => settingNames.has(name), 2000),
}).noUnknown('A value mark has no other fields.');
const valueMarksSchema = array()
  .strict()
  .required('The value marks are missing; they may be none.')
  .of(valueMarkSchema.required())
  .max(VALUE_MARKS_MOST, `A table has at most ${VALUE_MARKS_MOST} value marks.`)
  .test('unique', 'Two value marks have the same name.', (all) => new Set(all.map(({ name }) => name)).size === all.length)
  .test('ring', 'A value mark cannot be built from itself.', (all) => !all.some(({ name }) => isRing(all, name)));

/** What is wrong with rows, and where. Looked through by hand: a table may have millions of cells. */
export function rowsProblem(rows: unknown, width?: number): { readonly say: string; readonly at: string } | undefined {
  if (!Array.isArray(rows)) return { say: 'The rows are missing.', at: '' };
  if (rows.length === 0) return { say: 'A table has at least one row.', at: '' };
  if (rows.length > LIMITS.rows) return { say: `A table has at most ${LIMITS.rows} rows.`, at: '' };
  const wide = width ?? (Array.isArray(rows[0]) ? rows[0].length : 0);
  if (wide > LIMITS.columns) return { say: `A table has at most ${LIMITS.columns} columns.`, at: '' };
  if (wide * rows.length > LIMITS.slots) return { say: `A table has at most ${LIMITS.slots.toLocaleString('en')} cells.`, at: '' };
  for (const [at, row] of (rows as readonly unknown[]).entries()) {
    if (!Array.isArray(row) || row.length !== wide || wide === 0)
      return { say: 'Every row has the same number of cells, at least one.', at: `[${at}]` };
    for (let column = 0; column < wide; column++) {
      const say = cellProblem(row[column]);
      if (say !== undefined) return { say, at: `[${at}][${column}]` };
    }
  }
  return undefined;
}

/** What is wrong with a cell that came from anywhere. */
export function cellProblem(cell: unknown): string | undefined {
  if (typeof cell === 'string') return cell.length > LIMITS.cell ? `A cell holds at most ${LIMITS.cell} characters.` : undefined;
  return richSchema.isValidSync(cell, { strict: true })
    ? undefined
    : 'A cell is a text, or a text with marks: each from a letter to a later one within it, of a known kind, links with an address that runs nothing.';
}

const markSchema = object({
  from: number().required().integer().min(0),
  to: number().required().integer().min(1),
  kind: string().required().oneOf(markKinds),
  href: string().max(LIMITS.address),
})
  .noUnknown()
  .test('href', ({ kind, href }) => {
    if (kind === 'link') return href !== undefined && isSafeAddress(href);
    if (kind === 'icon') return href !== undefined && /^[a-z-]{1,40}$/.test(href);
    return kind === 'picture' ? href !== undefined && isPictureAddress(href) : href === undefined;
  });
const richSchema = object({
  text: string().defined().max(LIMITS.cell),
  marks: array().required().min(1).max(LIMITS.marks).of(markSchema.required()),
})
  .noUnknown()
  .test('inside', ({ text, marks }) => marks.every(({ from, to }) => from < to && to <= text.length));

const headFields = {
  format: string()
    .strict()
    .required('The document says no format.')
    .oneOf([TABLE_FORMAT] as const, `This is not a table that can be read here: its format is not ${TABLE_FORMAT}.`),
  name: nameSchema,
  kind: choice('The kind', tableKinds),
  captionSide: choice('The caption’s side', captionSides),
  captionAlign: choice('The caption’s alignment', captionAligns),
  caption: string()
    .strict()
    .defined('The caption is missing; it may be empty.')
    .max(LIMITS.caption, `A caption has at most ${LIMITS.caption} characters.`),
  note: string()
    .strict()
    .defined('The text below the table is missing; it may be empty.')
    .max(LIMITS.description, `A text below the table has at most ${LIMITS.description} characters.`),
  description: string()
    .strict()
    .defined('The description is missing; it may be empty.')
    .max(LIMITS.description, `A description has at most ${LIMITS.description} characters.`),
  merges: array()
    .strict()
    .required('The merges are missing; they may be none.')
    .of(mergeSchema.required())
    .max(LIMITS.merges, `A table has at most ${LIMITS.merges} blocks of merged cells.`),
  headerRows: count('The number of header rows', LIMITS.rows),
  rowHeaders: count('The number of row header columns', LIMITS.columns),
  footerRows: count('The number of footer rows', LIMITS.rows),
  groups: array()
    .strict()
    .required('The headings of row groups are missing; they may be none.')
    .of(count('A heading’s row', LIMITS.rows))
    .max(LIMITS.merges, `A table has at most ${LIMITS.merges} row groups.`),
  columns: array().strict().required('The columns are missing.').of(columnSchema.required()),
  exceptions: array()
    .strict()
    .required('The exceptions are missing; they may be none.')
    .of(exceptionSchema.required())
    .max(LIMITS.exceptions, `A table has at most ${LIMITS.exceptions.toLocaleString('en')} exceptions.`),
  dressings: valueMarksSchema,
  pinned: boolean().strict().required('It is missing whether the first column is pinned.'),
  decimal: choice('The decimal mark', decimalMarks),
  language: string()
    .strict()
    .defined('The language is missing; it may be empty.')
    .test('language', 'A language is a code such as en, de or ar-EG, or empty.', (code) => code === '' || isLanguage(code)),
  theme: string().strict().defined('The theme is missing; it may be empty.').max(100),
};

/** The shape of a table document. The grid's own rules are tests of the same schema. */
const tableSchema = object({
  ...headFields,
  rows: mixed<readonly Row[]>().test('rows', (rows, context) => {
    const wrong = rowsProblem(rows);
    return wrong === undefined || context.createError({ message: wrong.say, path: `${context.path}${wrong.at}` });
  }),
})
  .noUnknown('A table has no other fields.')
  .test('grid', (table, context) => {
    const wrong = isGrid(table) ? gridProblem(table, table.rows.length, table.rows[0]?.length ?? 0) : undefined;
    return wrong === undefined || context.createError({ message: wrong, path: 'merges' });
  }) as unknown as ObjectSchema<Table>;

const headSchema = object(headFields).noUnknown('A table has no other fields.') as unknown as ObjectSchema<TableHead>;

/** Reads a table without its rows, for so many rows and columns. */
export function readHead(json: unknown, height: number, width: number): Outcome<TableHead> {
  const read = checkShape(headSchema, json);
  const wrong = read.ok ? gridProblem(read.value, height, width) : undefined;
  return wrong === undefined ? read : bad({ code: 'shape', say: wrong, at: 'merges' });
}

/** Reads a table document from JSON that came from anywhere; one of an older format is brought up to this one. */
export const readTable = (json: unknown): Outcome<Table> => checkShape(tableSchema, upgradeTable(json));

const since2 = { description: '' };
const since3 = { kind: 'data', note: '', captionSide: '', captionAlign: '', groups: [], pinned: false, decimal: '' };
const since4 = { language: '' };
const since5 = { exceptions: [], dressings: [] };
/** What each older format lacks. */
const lacks: Readonly<Record<string, object>> = {
  'zest-table/1': { ...since2, ...since3, ...since4, ...since5 },
  'zest-table/2': { ...since3, ...since4, ...since5 },
  'zest-table/3': { ...since4, ...since5 },
  'zest-table/4': since5,
};

/**
 * `zest-table/1` had no description; `zest-table/2` no kind, row groups, columns, pinning, decimal mark and place of the
 * caption; `zest-table/3` no language, and columns without type, order of dates, format and total; `zest-table/4` no
 * exceptions and no value marks, and columns without formula and rule.
 */
export function upgradeTable(json: unknown): unknown {
  const old = json as { readonly format?: unknown; readonly rows?: unknown; readonly columns?: unknown } | null;
  const format = typeof old === 'object' ? old?.format : undefined;
  const lacking = typeof format === 'string' && Object.hasOwn(lacks, format) ? lacks[format] : undefined;
  if (!old || !lacking) return json;
  const first: unknown = Array.isArray(old.rows) ? old.rows[0] : undefined;
  const known: unknown = old.columns ?? plainColumns(Array.isArray(first) ? Math.min(first.length, LIMITS.columns + 1) : 0);
  const columns: unknown = Array.isArray(known)
    ? (known as readonly unknown[]).map((column) => (typeof column === 'object' ? { ...PLAIN_COLUMN, ...column } : column))
    : known;
  return { ...lacking, ...old, columns, format: TABLE_FORMAT };
}

/** Whether the fields that the grid's rules look at are there at all; if not, the fields' own rules say so. */
function isGrid(table: unknown): table is Table {
  const { rows, ...head } = table as Record<keyof Table, unknown>;
  return Array.isArray(rows) && rows.every((row) => Array.isArray(row)) && isHead(head);
}

/** A table without its rows, as large ones are sent and kept. */
export type TableHead = Omit<Table, 'rows'>;

function isHead(head: unknown): head is TableHead {
  const { merges, headerRows, footerRows, rowHeaders, groups, columns, exceptions } = head as Record<keyof Table, unknown>;
  const numbers = (values: readonly unknown[]): boolean => values.every((value) => Number.isInteger(value));
  const isMerge = (merge: unknown): boolean => {
    const { row, column, rows: down, columns: across } = (merge ?? {}) as Partial<Record<keyof Merge, unknown>>;
    return numbers([row, column, down, across]);
  };
  return (
    Array.isArray(merges) &&
    merges.every(isMerge) &&
    Array.isArray(groups) &&
    Array.isArray(columns) &&
    Array.isArray(exceptions) &&
    exceptions.every((each: unknown) => typeof each === 'object' && each !== null) &&
    numbers([headerRows, footerRows, rowHeaders, ...(groups as readonly unknown[])])
  );
}

/** Whether a table without its rows fits so many of them; what is wrong if not. */
export function gridProblem(table: TableHead, height: number, width: number): string | undefined {
  if (table.headerRows + table.footerRows > height) return 'There are more header and footer rows than rows.';
  if (table.rowHeaders > width) return 'There are more row header columns than columns.';
  if (table.columns.length !== width) return 'There is not one entry for each column.';
  const isOrdered = table.groups.every((row, i) => i === 0 || row > (table.groups[i - 1] ?? 0));
  if (!isOrdered || table.groups.some((row) => row < table.headerRows || row >= height - table.footerRows))
    return 'Headings of row groups stand in the body, in order.';
  const misplaced = exceptionsProblem(table.exceptions, height, width);
  if (misplaced) return misplaced;
  const taken = new Set<number>();
  for (const merge of table.merges) {
    const wrong = mergeProblem(table, merge, height, width, taken);
    if (wrong) return wrong;
  }
  return undefined;
}

function exceptionsProblem(exceptions: readonly Exception[], height: number, width: number): string | undefined {
  const seen = new Set<string>();
  for (const { row, column } of exceptions) {
    if ((row ?? 0) >= height || (column ?? 0) >= width) return 'An exception stands outside the table.';
    const place = `${row} ${column}`;
    if (seen.has(place)) return 'Two exceptions stand at one place.';
    seen.add(place);
  }
  return undefined;
}

function mergeProblem(table: TableHead, merge: Merge, height: number, width: number, taken: Set<number>): string | undefined {
  const last = merge.row + merge.rows - 1;
  const where = `The merged cells at row ${merge.row + 1}, column ${merge.column + 1}`;
  if (last >= height || merge.column + merge.columns > width) return `${where} reach outside the table.`;
  const section = (row: number): number => (row < table.headerRows ? 0 : row >= height - table.footerRows ? 2 : 1);
  if (section(merge.row) !== section(last)) return `${where} cross the edge of the header or the footer.`;
  if (mergeAcrossGroups([merge], table.groups)) return `${where} reach over the heading of a row group.`;
  for (let row = merge.row; row <= last; row++) {
    for (let column = merge.column; column < merge.column + merge.columns; column++) {
      if (taken.has(row * width + column)) return `${where} overlap others.`;
      taken.add(row * width + column);
    }
  }
  return undefined;
}
