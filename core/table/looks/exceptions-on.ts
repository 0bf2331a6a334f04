import type { Exception } from './exception';
import type { GridCell } from '../grid/grid';
import { widthOf, type Table } from '../table';

interface Found {
  readonly columns: ReadonlyMap<number, Exception>;
  readonly rows: ReadonlyMap<number, Exception>;
  readonly cells: ReadonlyMap<number, Exception>;
}
const found = new WeakMap<readonly Exception[], { readonly width: number; readonly found: Found }>();

function findIn(table: Table): Found {
  const width = widthOf(table);
  const known = found.get(table.exceptions);
  if (known?.width === width) return known.found;
  const [columns, rows, cells] = [new Map<number, Exception>(), new Map<number, Exception>(), new Map<number, Exception>()];
  for (const exception of table.exceptions) {
    const { row, column } = exception;
    if (row === null && column !== null) columns.set(column, exception);
    else if (row !== null && column === null) rows.set(row, exception);
    else if (row !== null && column !== null) cells.set(row * width + column, exception);
  }
  const made = { columns, rows, cells };
  found.set(table.exceptions, { width, found: made });
  return made;
}

const NONE: readonly Exception[] = [];

/** What holds on a cell beside the theme, weakest first: its column's, its row's, its own, each where the cell starts. */
export function exceptionsOn(table: Table, cell: GridCell): readonly Exception[] {
  if (table.exceptions.length === 0) return NONE;
  const { columns, rows, cells } = findIn(table);
  const ofColumn = columns.get(cell.column);
  const holds = ofColumn && (cell.section !== 'header' || ofColumn.reach === 'header') ? ofColumn : undefined;
  return [holds, rows.get(cell.row), cells.get(cell.row * widthOf(table) + cell.column)].filter((each) => each !== undefined);
}

/** The exception at a place, if there is one. */
export function exceptionAt(table: Table, row: number | null, column: number | null): Exception | undefined {
  const { columns, rows, cells } = findIn(table);
  if (row === null) return column === null ? undefined : columns.get(column);
  return column === null ? rows.get(row) : cells.get(row * widthOf(table) + column);
}
