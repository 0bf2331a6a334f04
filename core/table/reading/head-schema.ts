import { array, boolean, mixed, number, object, string } from 'yup';
import { dataTypeNames, dateOrders, dateStyles, isLanguage, negativeStyles, totalNames } from '../../data-types';
import { EXTRA_MOST, isExceptionProperty, isOfColumns, nameSchema } from '../../theme';
import { readColumnWidth } from '../columns/column';
import { LIMITS } from './limits';
import { exceptionReaches } from '../looks/exception';
import { VALUE_MARKS_MOST, isRing, valueMarkKinds, valueMarkSettings } from '../looks/value-mark';
import { TABLE_FORMAT, captionAligns, captionSides, decimalMarks, tableKinds } from '../table';

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
  positive: string()
    .strict()
    .optional()
    .oneOf(['plus', undefined] as const, 'How numbers above nothing are written is plus, or left out.'),
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
const isAbsentOrLanguage = (code: string | undefined): boolean => code === undefined || isLanguage(code);

const columnSchema = object({
  width: string()
    .strict()
    .defined()
    .test('width', 'A column’s width is empty, or like 120px, 8em, 20% or 2fr.', (width) => readColumnWidth(width) !== undefined),
  hidden: boolean().strict().required(),
  language: string()
    .strict()
    .optional()
    .default(undefined)
    .test('language', 'A column’s language is a code such as en, de or ar-EG.', isAbsentOrLanguage),
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
  .test('place', 'An exception stands at a column, a row or a cell.', ({ row, column }) => row !== null || column !== null)
  .test('frame', 'Only a whole column has a frame.', ({ row, values }) => row === null || !Object.keys(values).some(isOfColumns));
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

/** The schema of each field of a table without its rows. */
export const headFields = {
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
  css: string().strict().optional().max(EXTRA_MOST, `Extra CSS has at most ${EXTRA_MOST} characters.`),
};
