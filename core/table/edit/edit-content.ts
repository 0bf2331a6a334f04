import { columnNames } from './bring-again';
import { cutCell, isSameCell, retype, type Cell } from '../cell';
import { renameIn, sameName } from '../computed/names';
import { groupsWithin } from '../grid/groups';
import { LIMITS } from '../reading/limits';
import { splitAcross } from './edit-merges';
import { gridOf, type GridCell } from '../grid/grid';
import type { Chosen } from './edit-block';
import { heightOf, widthOf, type Table } from '../table';

/** The table with another text in the cell that covers a slot. A text over the limit is cut; marks stay with their letters. */
export function setCell(table: Table, row: number, column: number, text: string): Table {
  const cell = gridOf(table).at(row, column);
  const kept = text.slice(0, LIMITS.cell);
  if (cell.text === kept) return table;
  const cells = table.rows[cell.row] ?? [];
  const set = { ...table, rows: table.rows.with(cell.row, cells.with(cell.column, retype(cells[cell.column] ?? '', kept))) };
  return cell.row < table.headerRows ? renamed(table, set) : set;
}

/** The table with one text in every cell of a block that is `meant`; what a cell covers stays empty. Each row is made anew once. */
export function fillBlock(table: Table, { row, column, toRow, toColumn }: Chosen, text: string, isMeant: (cell: GridCell) => boolean): Table {
  const grid = gridOf(table);
  const kept = text.slice(0, LIMITS.cell);
  const rows = table.rows.map((cells, r) =>
    r < row || r > toRow
      ? cells
      : cells.map((old, c) => {
          if (c < column || c > toColumn) return old;
          const cell = grid.at(r, c);
          return cell.row === r && cell.column === c && isMeant(cell) ? retype(old, kept) : old;
        }),
  );
  const set = { ...table, rows };
  return row < table.headerRows ? renamed(table, set) : set;
}

/** The table with another content, marks and all, in the cell that covers a slot. */
export function putCell(table: Table, row: number, column: number, content: Cell): Table {
  const cell = gridOf(table).at(row, column);
  const cells = table.rows[cell.row] ?? [];
  if (isSameCell(cells[cell.column] ?? '', content)) return table;
  const set = { ...table, rows: table.rows.with(cell.row, cells.with(cell.column, cutCell(content, LIMITS.cell))) };
  return cell.row < table.headerRows ? renamed(table, set) : set;
}

/** Formulas and value marks follow the names of the columns that they read. */
function renamed(before: Table, after: Table): Table {
  const isRead = after.columns.some(({ formula }) => formula !== '') || after.dressings.some(({ settings }) => settings.picture !== undefined);
  if (!isRead) return after;
  const [old, now] = [columnNames(before), columnNames(after)];
  const changed = old.flatMap((name, i) => (name === now[i] || now[i] === undefined ? [] : [[name, now[i]] as const]));
  const columns = after.columns.map((column) => {
    const formula = changed.reduce((text, [from, to]) => renameIn(text, from, to), column.formula);
    return formula === column.formula ? column : { ...column, formula };
  });
  const dressings = after.dressings.map((mark) => {
    const { picture } = mark.settings;
    const to = picture === undefined ? undefined : changed.find(([from]) => sameName(from) === sameName(picture))?.[1];
    return to === undefined ? mark : { ...mark, settings: { ...mark.settings, picture: to } };
  });
  return { ...after, columns, dressings };
}

const within = (n: number, most: number): number => Math.max(0, Math.min(Math.trunc(n), most));

/** How many rows at the top are header rows. Merged cells that the new edge cuts through are split there. */
export function setHeaderRows(table: Table, count: number): Table {
  const headerRows = within(count, heightOf(table) - table.footerRows);
  return groupsWithin({ ...table, headerRows, merges: splitAcross(table, headerRows) });
}

/** How many rows at the end are footer rows. Merged cells that the new edge cuts through are split there. */
export function setFooterRows(table: Table, count: number): Table {
  const footerRows = within(count, heightOf(table) - table.headerRows);
  return groupsWithin({ ...table, footerRows, merges: splitAcross(table, heightOf(table) - footerRows) });
}

/** How many columns at the start hold row headers. */
export const setRowHeaders = (table: Table, count: number): Table => ({ ...table, rowHeaders: within(count, widthOf(table)) });
