import { turn } from '../edit/edit-lines';
import { valueMarkOn } from '../looks/marked-value';
import { gridOf } from './grid';
import { shownTable } from '../columns/columns';
import { shownCell } from '../columns/shown';
import { heightOf, type Table } from '../table';

/** Most rows, header and footer with them, with which a table is short enough to be turned where it is shown. */
const TURNED_MOST = 13;

const known = new WeakMap<Table, { readonly turned: Table | undefined }>();

/**
 * The table as it is shown with its rows as columns; undefined where it has too many. Formats belong to columns, so that
 * cells are taken as they are shown.
 */
export function turnedTable(whole: Table): Table | undefined {
  const before = known.get(whole);
  if (before) return before.turned;
  const table = shownTable(whole);
  const turned = heightOf(table) > TURNED_MOST ? undefined : turnedOf(table);
  known.set(whole, { turned });
  return turned;
}

function turnedOf(table: Table): Table | undefined {
  const rows = table.rows.map((cells) => [...cells]);
  for (const cell of gridOf(table).rows.flat()) {
    const row = rows[cell.row];
    if (row && valueMarkOn(table, cell) === undefined) row[cell.column] = shownCell(table, cell);
  }
  const turned = turn({ ...table, rows, caption: table.caption });
  return turned.ok ? turned.value : undefined;
}
