import { array, number, object, string, type ObjectSchema } from 'yup';
import type { Outcome } from '../outcome';
import { checkShape } from '../problems-of';
import { nameSchema } from '../theme';
import { TABLE_FORMAT, sectionOf, type Merge, type Table } from './table';

/** Limits of a table, for every way in. Texts in characters. */
export const LIMITS = { rows: 5000, columns: 100, cell: 10_000, caption: 500, description: 2000 } as const;

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

/** The shape of a table document. The grid's own rules are tests of the same schema. */
export const tableSchema = object({
  format: string()
    .strict()
    .required('The document says no format.')
    .oneOf([TABLE_FORMAT] as const, `This is not a table that can be read here: its format is not ${TABLE_FORMAT}.`),
  name: nameSchema,
  caption: string()
    .strict()
    .defined('The caption is missing; it may be empty.')
    .max(LIMITS.caption, `A caption has at most ${LIMITS.caption} characters.`),
  description: string()
    .strict()
    .defined('The description is missing; it may be empty.')
    .max(LIMITS.description, `A description has at most ${LIMITS.description} characters.`),
  rows: array()
    .strict()
    .required('The rows are missing.')
    .of(
      array()
        .strict()
        .required()
        .of(string().strict().defined().max(LIMITS.cell, `A cell holds at most ${LIMITS.cell} characters.`)),
    )
    .min(1, 'A table has at least one row.')
    .max(LIMITS.rows, `A table has at most ${LIMITS.rows} rows.`)
    .test(
      'square',
      'Every row has the same number of cells, at least one.',
      (rows) => rows !== undefined && (rows[0]?.length ?? 0) > 0 && rows.every((row) => row?.length === rows[0]?.length),
    )
    .test('columns', `A table has at most ${LIMITS.columns} columns.`, (rows) => (rows?.[0]?.length ?? 0) <= LIMITS.columns),
  merges: array().strict().required('The merges are missing; they may be none.').of(mergeSchema.required()).max(20_000),
  headerRows: count('The number of header rows', LIMITS.rows),
  rowHeaders: count('The number of row header columns', LIMITS.columns),
  footerRows: count('The number of footer rows', LIMITS.rows),
  theme: string().strict().defined('The theme is missing; it may be empty.').max(100),
})
  .noUnknown('A table has no other fields.')
  .test('grid', (table, context) => {
    const wrong = isGrid(table) ? gridProblem(table) : undefined;
    return wrong === undefined || context.createError({ message: wrong, path: 'merges' });
  }) as unknown as ObjectSchema<Table>;

/** Reads a table document from JSON that came from anywhere; one of an older format is brought up to this one. */
export const readTable = (json: unknown): Outcome<Table> => checkShape(tableSchema, upgraded(json));

/** `zest-table/1` had no description. */
function upgraded(json: unknown): unknown {
  const old = json as { readonly format?: unknown } | null;
  return typeof old === 'object' && old?.format === 'zest-table/1' ? { description: '', ...old, format: TABLE_FORMAT } : json;
}

/** Whether the fields that the grid's rules look at are there at all; if not, the fields' own rules say so. */
function isGrid(table: unknown): table is Table {
  const { rows, merges, headerRows, footerRows, rowHeaders } = table as Record<keyof Table, unknown>;
  const numbers = (...values: readonly unknown[]): boolean => values.every((value) => Number.isInteger(value));
  const isMerge = (merge: unknown): boolean => {
    const { row, column, rows: down, columns: across } = (merge ?? {}) as Partial<Record<keyof Merge, unknown>>;
    return numbers(row, column, down, across);
  };
  return (
    Array.isArray(rows) &&
    rows.every((row) => Array.isArray(row)) &&
    Array.isArray(merges) &&
    merges.every(isMerge) &&
    numbers(headerRows, footerRows, rowHeaders)
  );
}

function gridProblem(table: Table): string | undefined {
  const width = table.rows[0]?.length ?? 0;
  if (table.headerRows + table.footerRows > table.rows.length) return 'There are more header and footer rows than rows.';
  if (table.rowHeaders > width) return 'There are more row header columns than columns.';
  const taken = new Set<number>();
  for (const merge of table.merges) {
    const wrong = mergeProblem(table, merge, width, taken);
    if (wrong) return wrong;
  }
  return undefined;
}

function mergeProblem(table: Table, merge: Merge, width: number, taken: Set<number>): string | undefined {
  const last = merge.row + merge.rows - 1;
  const where = `The merged cells at row ${merge.row + 1}, column ${merge.column + 1}`;
  if (last >= table.rows.length || merge.column + merge.columns > width) return `${where} reach outside the table.`;
  if (sectionOf(table, merge.row) !== sectionOf(table, last)) return `${where} cross the edge of the header or the footer.`;
  for (let row = merge.row; row <= last; row++) {
    for (let column = merge.column; column < merge.column + merge.columns; column++) {
      if (taken.has(row * width + column)) return `${where} overlap others.`;
      taken.add(row * width + column);
    }
  }
  return undefined;
}
