import { array, boolean, number, object, string } from 'yup';
import { languageCodes, languages, words } from '../languages';

const wordingSchema = object(
  Object.fromEntries(words.map(({ name, label }) => [name, string().strict().max(200, `“${label}” has at most 200 characters.`)] as const)),
).noUnknown('There is no other label.');
/** `120px` to `4000px`, `20vh` to `100vh`. */
export const FRAME_HEIGHT = /^(?:(?:1[2-9]\d|[2-9]\d\d|[1-3]\d{3}|4000)px|(?:[2-9]\d|100)vh)$/;
const columnName = string().strict().defined().max(1000, 'A column’s name here has at most 1,000 characters.');

/** What visitors may do, as it comes from anywhere. */
export const visitorSchema = object({
  sort: boolean().strict().required(),
  search: boolean().strict().required(),
  filter: boolean().strict().required(),
  info: boolean().strict().required(),
  pageRows: number()
    .strict()
    .required()
    .integer('The number of rows on a page is a whole number.')
    .min(0, 'Rows on a page are from 0, for all of them, to 1,000.')
    .max(1000, 'Rows on a page are from 0, for all of them, to 1,000.'),
  sizes: boolean().strict().required(),
  unsorted: array()
    .strict()
    .required('The columns that are not sorted by are missing; they may be none.')
    .of(columnName)
    .max(100, 'A table has at most 100 columns.'),
  first: object({
    name: columnName.defined(),
    column: number().strict().required().integer().min(0).max(99, 'The first sort is by one of the first 100 columns.'),
    direction: string().strict().required().oneOf(['ascending', 'descending'], 'Rows are sorted ascending or descending.'),
  })
    .noUnknown()
    .nullable()
    .defined()
    .default(undefined),
  choose: boolean().strict().required(),
  columns: boolean().strict().required(),
  rowLink: boolean().strict().required(),
  header: boolean().strict().required(),
  headerIn: string()
    .strict()
    .oneOf(['page'] as const, 'A header stays in its frame or in the page.')
    .optional()
    .default(undefined),
  headerHeight: string().strict().matches(FRAME_HEIGHT, 'A frame’s height is from 120px to 4000px, or from 20vh to 100vh.').optional(),
  headerBelow: number()
    .strict()
    .integer('How far below the window’s edge a header stays is a whole number of pixels.')
    .min(0)
    .max(400, 'A header stays at most 400 px below the window’s edge.')
    .optional(),
  totals: boolean().strict().required(),
  address: boolean().strict().required(),
  language: string()
    .strict()
    .required()
    .oneOf(languageCodes, `Labels are ready in ${new Intl.ListFormat('en-GB').format(languages.map(({ inEnglish }) => inEnglish))}.`),
  wording: wordingSchema.required(),
}).noUnknown();
