import { mixed, object, type ObjectSchema } from 'yup';
import { bad, type Outcome } from '../../outcome';
import { own } from '../../own';
import { checkShape } from '../../problems-of';
import type { Row } from '../cell';
import { PLAIN_COLUMN, plainColumns } from '../columns/column';
import { upgradeFormula } from '../computed/old-formula';
import { gridProblem } from './grid-problem';
import { headFields } from './head-schema';
import { LIMITS } from './limits';
import { rowsProblem } from './read-rows';
import { TABLE_FORMAT, type Merge, type Table, type TableHead } from '../table';

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
  'zest-table/5': {},
};

/** A column of an older format: with what it lacks, and its formula in the syntax that there is now. */
export function upgradeColumn(column: unknown): unknown {
  if (typeof column !== 'object' || column === null) return column;
  const { formula } = column as { readonly formula?: unknown };
  return {
    ...PLAIN_COLUMN,
    ...column,
    ...(typeof formula === 'string' && formula.length <= LIMITS.formula ? { formula: upgradeFormula(formula) } : {}),
  };
}

/**
 * `zest-table/1` had no description; `zest-table/2` no kind, row groups, columns, pinning, decimal mark and place of the
 * caption; `zest-table/3` no language, and columns without type, order of dates, format and total; `zest-table/4` no
 * exceptions and no value marks, and columns without formula and rule; in `zest-table/5` names stood in square brackets in formulas.
 */
export function upgradeTable(json: unknown): unknown {
  const old = json as { readonly format?: unknown; readonly rows?: unknown; readonly columns?: unknown } | null;
  const format = typeof old === 'object' ? old?.format : undefined;
  const lacking = typeof format === 'string' ? own(lacks, format) : undefined;
  if (!old || !lacking) return json;
  const first: unknown = Array.isArray(old.rows) ? old.rows[0] : undefined;
  const known: unknown = old.columns ?? plainColumns(Array.isArray(first) ? Math.min(first.length, LIMITS.columns + 1) : 0);
  const columns: unknown = Array.isArray(known) ? (known as readonly unknown[]).map(upgradeColumn) : known;
  return { ...lacking, ...old, columns, format: TABLE_FORMAT };
}

/** Whether the fields that the grid's rules look at are there at all; if not, the fields' own rules say so. */
function isGrid(table: unknown): table is Table {
  const { rows, ...head } = table as Record<keyof Table, unknown>;
  return Array.isArray(rows) && rows.every((row) => Array.isArray(row)) && isHead(head);
}

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
