import { array, mixed, object, string, type ObjectSchema } from 'yup';
import type { Outcome } from '../../outcome';
import { checkShape } from '../../problems-of';
import { isSameCell, type Cell, type Row } from '../cell';
import { LIMITS } from '../reading/limits';
import { cellProblem, rowsProblem } from '../reading/read-rows';
import { columnsBetween, columnsProblem, withColumnsFrom, type ColumnFrom } from './change-columns';
import { orderBetween, rememberOrder } from './reordered';
import type { Table, TableHead } from '../table';

/**
 * An edit of rows, by where they stand when it is their turn: other cells in one row, so many rows taken out and others put
 * in their place, or the same rows in another order: which of them, counted from `at`, now stands where.
 */
export type RowEdit =
  | { readonly at: number; readonly cells: readonly (readonly [column: number, cell: Cell])[] }
  | { readonly at: number; readonly take: number; readonly put: readonly Row[] }
  | { readonly at: number; readonly order: readonly number[] };

/** What differs between two states of a table: what is sent, kept and undone, instead of the whole. */
export interface TableChange {
  /** Fields other than the rows, as they are afterwards. */
  readonly head?: Partial<TableHead>;
  /** Where the columns of every row come from: the first thing that is done. */
  readonly columns?: readonly ColumnFrom[];
  readonly rows?: readonly RowEdit[];
}

/** What has to be done to one table to make the other of it. Rows and fields that are the same value are known by that alone. */
export function changeBetween(before: Table, after: Table): TableChange {
  const head: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(after)) if (name !== 'rows' && before[name as keyof Table] !== value) head[name] = value;
  const columns = columnsBetween(before, after);
  const rows = columns ? [] : rowEdits(before.rows, after.rows);
  return { ...(Object.keys(head).length > 0 ? { head } : {}), ...(columns ? { columns } : {}), ...(rows.length > 0 ? { rows } : {}) };
}

export const isNoChange = ({ head, columns, rows }: TableChange): boolean => head === undefined && columns === undefined && rows === undefined;

function rowEdits(before: readonly Row[], after: readonly Row[]): readonly RowEdit[] {
  if (before === after) return [];
  let start = 0;
  const most = Math.min(before.length, after.length);
  while (start < most && before[start] === after[start]) start++;
  let end = 0;
  while (end < most - start && before[before.length - 1 - end] === after[after.length - 1 - end]) end++;
  const order = orderBetween(before, after, start, before.length - end);
  if (order) return [{ at: start, order }];
  const [old, now] = [before.slice(start, before.length - end), after.slice(start, after.length - end)];
  const isCellwise = old.length === now.length && old.every((row, i) => row.length === now[i]?.length);
  if (!isCellwise) return [{ at: start, take: old.length, put: now }];
  return now.flatMap((row, i): readonly RowEdit[] => {
    const was = old[i] ?? [];
    if (row === was) return [];
    const cells = row.flatMap((cell, column) => (isSameCell(cell, was[column] ?? '') ? [] : [[column, cell] as const]));
    return cells.length > 0 ? [{ at: start + i, cells }] : [];
  });
}

/** The order that takes an order back. */
export function backOf(order: readonly number[]): readonly number[] {
  const back = new Array<number>(order.length);
  order.forEach((from, to) => (back[from] = to));
  return back;
}

/** The table with the change made to it. Throws RangeError where the change does not fit the table. */
export function applyChange(table: Table, { head, columns, rows }: TableChange): Table {
  if (columns !== undefined)
    return applyChange({ ...table, rows: withColumnsFrom(table.rows, columns) }, { ...(head ? { head } : {}), ...(rows ? { rows } : {}) });
  if (rows === undefined) return { ...table, ...head };
  const edited = [...table.rows];
  for (const edit of rows) {
    if ('order' in edit) {
      const { at, order } = edit;
      if (at + order.length > edited.length) throw new RangeError(`There are ${edited.length} rows, not ${at + order.length}`);
      const part = edited.slice(at, at + order.length);
      order.forEach((from, i) => (edited[at + i] = part[from] ?? []));
      if (rows.length === 1)
        rememberOrder(
          table.rows,
          edited,
          edited.map((_, i) => (i < at || i >= at + order.length ? i : at + (order[i - at] ?? 0))),
        );
      continue;
    }
    if (edit.at > edited.length || ('take' in edit && edit.at + edit.take > edited.length))
      throw new RangeError(`There are ${edited.length} rows, not ${edit.at + ('take' in edit ? edit.take : 1)}`);
    if ('take' in edit) {
      // In pieces: so many arguments as a large table has rows do not fit one call.
      const rest = edited.splice(edit.at);
      for (const row of edit.put) edited.push(row);
      for (const row of rest.slice(edit.take)) edited.push(row);
      continue;
    }
    const cells = [...(edited[edit.at] ?? [])];
    for (const [column, cell] of edit.cells) {
      if (column >= cells.length) throw new RangeError(`There are ${cells.length} columns, not ${column + 1}`);
      cells[column] = cell;
    }
    edited[edit.at] = cells;
  }
  return { ...table, ...head, rows: edited };
}

/** The other table with this one's own rows wherever they say the same at the start and at the end: so that only what differs is sent. */
export function sharing(table: Table, other: Table): Table {
  const isSame = (a: Row | undefined, b: Row | undefined): boolean =>
    a !== undefined && a.length === b?.length && a.every((cell, i) => isSameCell(cell, b[i] ?? ''));
  const by = other.rows.length - table.rows.length;
  let end = other.rows.length;
  while (end > 0 && isSame(table.rows[end - 1 - by], other.rows[end - 1])) end--;
  const rows = other.rows.map((row, i) => {
    const was = i >= end ? table.rows[i - by] : isSame(table.rows[i], row) ? table.rows[i] : undefined;
    return was ?? row;
  });
  return { ...other, rows };
}

const isCount = (n: unknown): n is number => typeof n === 'number' && Number.isInteger(n) && n >= 0 && n <= LIMITS.rows;

/** Whether a list names each of so many rows once. */
function isOrder(order: unknown): order is readonly number[] {
  if (!Array.isArray(order) || order.length > LIMITS.rows) return false;
  const seen = new Uint8Array(order.length);
  for (const from of order as readonly unknown[]) {
    if (!isCount(from) || from >= order.length || seen[from] === 1) return false;
    seen[from] = 1;
  }
  return true;
}

/** What is wrong with row edits that came from anywhere, and where. */
function editsProblem(edits: unknown): { readonly say: string; readonly at: string } | undefined {
  if (edits === undefined) return undefined;
  if (!Array.isArray(edits) || edits.length > LIMITS.rows) return { say: 'The edits of rows are not a list, or too many.', at: '' };
  for (const [i, edit] of (edits as readonly unknown[]).entries()) {
    const { at, cells, take, put, upload, rows, order, ...others } = (typeof edit === 'object' && edit !== null ? edit : {}) as Record<
      string,
      unknown
    >;
    const isOne = Array.isArray(cells)
      ? take === undefined && put === undefined
      : cells === undefined &&
        isCount(take) &&
        (Array.isArray(put) ? upload === undefined : typeof upload === 'string' && (rows === undefined || isCount(rows)));
    if (order !== undefined && isCount(at) && isOrder(order) && [cells, take, put, upload].every((each) => each === undefined)) continue;
    if (order !== undefined) return { say: 'An order of rows names each of them once, counted from 0.', at: `[${i}]` };
    if (!isCount(at) || !isOne || (rows !== undefined && upload === undefined) || Object.keys(others).length > 0)
      return { say: 'An edit of rows says where, and either cells or how many rows to take out and which to put in.', at: `[${i}]` };
    if (upload !== undefined) continue;
    if (Array.isArray(put)) {
      const wrong = put.length === 0 ? undefined : rowsProblem(put);
      if (wrong) return { say: wrong.say, at: `[${i}].put${wrong.at}` };
      continue;
    }
    for (const [j, pair] of (cells as readonly unknown[]).entries()) {
      const [column, cell] = Array.isArray(pair) && pair.length === 2 ? (pair as readonly unknown[]) : [];
      const say = isCount(column) && column < LIMITS.columns ? cellProblem(cell) : 'A cell’s edit is its column and what it holds.';
      if (say !== undefined) return { say, at: `[${i}].cells[${j}]` };
    }
  }
  return undefined;
}

/** Many rows go ahead of the change that puts them in, piece by piece, and are named by the id under which they were sent, and how many. */
export type SentEdit = RowEdit | { readonly at: number; readonly take: number; readonly upload: string; readonly rows?: number };

/** A change of a table on its way to be kept, with the words for what was done. The fields of `head` are looked at with the whole table. */
export interface SentChange {
  readonly change: { readonly head?: Partial<TableHead>; readonly columns?: readonly ColumnFrom[]; readonly rows?: readonly SentEdit[] };
  readonly said: readonly string[];
}

const sentSchema = object({
  change: object({
    head: object(),
    columns: mixed().test('columns', (columns, context) => {
      const wrong = columnsProblem(columns);
      return wrong === undefined || context.createError({ message: wrong });
    }),
    rows: mixed().test('edits', (edits, context) => {
      const wrong = editsProblem(edits);
      return wrong === undefined || context.createError({ message: wrong.say, path: `${context.path}${wrong.at}` });
    }),
  })
    .required('The change is missing.')
    .noUnknown('A change has a head, columns and rows.'),
  said: array()
    .strict()
    .required('The words for what was done are missing; they may be none.')
    .of(string().strict().required().max(200))
    .max(500, 'At most 500 steps are told at once.'),
})
  .strict()
  .noUnknown('What is sent has no other fields.') as unknown as ObjectSchema<SentChange>;

/** Reads a change that came from anywhere. */
export const readChange = (json: unknown): Outcome<SentChange> => checkShape(sentSchema, json);
