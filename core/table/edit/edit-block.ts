import { cutCell, textOf, type Row } from '../cell';
import { mergeAcrossGroups } from './merge-groups';
import { bad, good, type Outcome } from '../../outcome';
import { insertColumn, insertRow, type Edited } from './edit-grid';
import { gridOf } from '../grid/grid';
import { LIMITS } from '../reading/limits';
import { heightOf, sectionOf, widthOf, type Merge, type Table } from '../table';

/** Cells that came from somewhere: rows of any length, and which of them are merged. */
export interface Block {
  readonly rows: readonly Row[];
  readonly merges: readonly Merge[];
}

/** A corner-to-corner choice of slots, both ends meant. */
export interface Chosen {
  readonly row: number;
  readonly column: number;
  readonly toRow: number;
  readonly toColumn: number;
}

export interface Put {
  readonly table: Table;
  /** The slots that were written. */
  readonly at: Chosen;
  /** One sentence for each thing that had to give way. */
  readonly notes: readonly string[];
}

const sizeOf = ({ rows }: Block): { readonly height: number; readonly width: number } => ({
  height: rows.length,
  width: Math.max(1, ...rows.map((cells) => cells.length)),
});

/**
 * Puts a block of cells into a table from a slot on. `insert` makes room with new rows first; `replace` writes over what
 * is there and lets the table grow at its end, before a footer that the block does not begin in. A single text fills the
 * whole choice. Merged cells in the way are split; those of the block that would cross the edge of header or footer too.
 */
export function putBlock(table: Table, chosen: Chosen, block: Block, way: 'replace' | 'insert'): Outcome<Put> {
  const { row, column } = chosen;
  const single = block.rows.length === 1 && block.rows[0]?.length === 1;
  const [down, across] = single && way === 'replace' ? [chosen.toRow - row + 1, chosen.toColumn - column + 1] : [0, 0];
  const filled: Block =
    down * across > 1
      ? { rows: Array.from({ length: down }, () => Array.from({ length: across }, () => block.rows[0]?.[0] ?? '')), merges: [] }
      : block;
  const { height, width } = sizeOf(filled);
  const room = makeRoom(table, row, column, height, width, way);
  if (!room.ok) return room;
  const at = { row, column, toRow: row + height - 1, toColumn: column + width - 1 };
  const notes: string[] = [];
  const grew = [heightOf(room.value) - heightOf(table), widthOf(room.value) - widthOf(table)];
  if (way === 'replace' && (grew[0] ?? 0) > 0) notes.push(`${grew[0]} rows were added.`.replace(/^1 rows were/, '1 row was'));
  if ((grew[1] ?? 0) > 0) notes.push(`${grew[1]} columns were added.`.replace(/^1 columns were/, '1 column was'));
  const apart = splitOver(room.value, at);
  if (apart.split > 0)
    notes.push(`${apart.split === 1 ? 'Merged cells in the way were' : `${apart.split} blocks of merged cells in the way were`} split.`);
  const merges = filled.merges.map((merge) => ({ ...merge, row: merge.row + row, column: merge.column + column }));
  const fitting = merges.filter(
    (merge) =>
      sectionOf(room.value, merge.row) === sectionOf(room.value, merge.row + merge.rows - 1) && !mergeAcrossGroups([merge], room.value.groups),
  );
  if (fitting.length < merges.length) notes.push('Merged cells that would cross the edge of the header, the footer or a row group were taken apart.');
  const isCut = filled.rows.some((cells) => cells.some((cell) => textOf(cell).length > LIMITS.cell));
  if (isCut) notes.push(`Texts over ${LIMITS.cell.toLocaleString('en')} characters were cut there.`);
  const rows = apart.table.rows.map((cells, r) =>
    r < at.row || r > at.toRow
      ? cells
      : cells.map((cell, c) => (c < at.column || c > at.toColumn ? cell : cutCell(filled.rows[r - row]?.[c - column] ?? '', LIMITS.cell))),
  );
  return good({ table: { ...apart.table, rows, merges: [...apart.table.merges, ...fitting] }, at, notes });
}

function makeRoom(table: Table, row: number, column: number, height: number, width: number, way: 'replace' | 'insert'): Edited {
  let edited: Edited = good(table);
  const more = (count: number, edit: (table: Table) => Edited): void => {
    for (let i = 0; i < count && edited.ok; i++) edited = edit(edited.value);
  };
  const inFooter = sectionOf(table, row) === 'footer';
  const end = inFooter ? heightOf(table) : heightOf(table) - table.footerRows;
  if (heightOf(table) + (way === 'insert' ? height : Math.max(0, row + height - end)) > LIMITS.rows)
    return bad({ code: 'rows-most', say: `It would have more than ${LIMITS.rows.toLocaleString('en')} rows.`, remedy: 'Paste fewer.' });
  if (column + width > LIMITS.columns)
    return bad({
      code: 'columns-most',
      say: `It would have more than ${LIMITS.columns} columns.`,
      remedy: 'Paste fewer, or further towards the start.',
    });
  const [count, at, side] = way === 'insert' ? ([height, row, 'before'] as const) : ([row + height - end, end - 1, 'after'] as const);
  if (count > 0) edited = insertRow(table, at, side, count);
  more(column + width - widthOf(table), (each) => insertColumn(each, widthOf(each) - 1, 'after'));
  return edited;
}

/** The table without the merged cells that share a slot with the choice; texts outside it stay where they are. */
function splitOver(table: Table, { row, column, toRow, toColumn }: Chosen): { readonly table: Table; readonly split: number } {
  const merges = table.merges.filter(
    (merge) => merge.row > toRow || merge.column > toColumn || merge.row + merge.rows - 1 < row || merge.column + merge.columns - 1 < column,
  );
  return { table: { ...table, merges }, split: table.merges.length - merges.length };
}

/** The chosen cells as a block: what is copied. Merged cells that are cut by the choice's edge come as plain ones. */
export function blockOf(table: Table, { row, column, toRow, toColumn }: Chosen): Block {
  const grid = gridOf(table);
  const rows = table.rows.slice(row, toRow + 1).map((cells, r) =>
    cells.slice(column, toColumn + 1).map((held, c) => {
      const cell = grid.at(row + r, column + c);
      return cell.row === row + r && cell.column === column + c ? held : '';
    }),
  );
  const merges = table.merges
    .filter(
      (merge) => merge.row >= row && merge.column >= column && merge.row + merge.rows - 1 <= toRow && merge.column + merge.columns - 1 <= toColumn,
    )
    .map((merge) => ({ ...merge, row: merge.row - row, column: merge.column - column }));
  return { rows, merges };
}

/** The chosen cells without their texts. */
export function clearBlock(table: Table, { row, column, toRow, toColumn }: Chosen): Table {
  const rows = table.rows.map((cells, r) => (r < row || r > toRow ? cells : cells.map((cell, c) => (c < column || c > toColumn ? cell : ''))));
  return { ...table, rows };
}
