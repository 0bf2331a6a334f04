import { followingFrom, type ConditionName, type PartName, type Slot } from '../../theme';
import { exceptionsOn } from '../looks/exceptions-on';
import type { GridCell } from './grid';
import { isNumberCell } from '../columns/numbers';
import { valueConditions } from './value-conditions';
import { isGroupHeading, rowGroupOf } from './groups';
import type { Table } from '../table';

/** Which rows are banded: one of every so many, counted from 1. */
export interface Band {
  readonly every: number;
  readonly from: number;
}
export const ORDINARY_BAND: Band = { every: 2, from: 2 };

/** What holds beside where a cell stands: by row of the grid, by column, and on the header cells that sort. */
export interface Held {
  readonly rows?: ReadonlyMap<number, readonly ConditionName[]>;
  readonly columns?: ReadonlyMap<number, readonly ConditionName[]>;
  readonly headers?: ReadonlyMap<number, readonly ConditionName[]>;
}

/**
 * The conditions that are held on a cell. Header cells take what their column is sorted by, body cells what their row and
 * column have; headings of row groups stand over all columns, and so in none that is sorted.
 */
export function heldOn(table: Table, cell: GridCell, { rows, columns, headers }: Held): readonly ConditionName[] {
  const over = <T>(map: ReadonlyMap<number, readonly T[]> | undefined): readonly T[] =>
    map === undefined || map.size === 0 ? [] : Array.from({ length: cell.columns }, (_, i) => map.get(cell.column + i) ?? []).flat();
  if (cell.section === 'body') {
    const ofColumns = over(columns);
    return [
      ...(rows?.get(cell.row) ?? []),
      ...(isGroupHeading(table, cell.row) ? ofColumns.filter((condition) => condition !== 'sorted') : ofColumns),
    ];
  }
  if (cell.section === 'header' && cell.row + cell.rows >= table.headerRows)
    return [...over(headers), ...over(columns).filter((condition) => condition === 'sorted')];
  return [];
}

const partBySection = { footer: 'footer', body: 'body-rows' } as const;

/** The part of the anatomy that a cell is. */
export function partOfCell(table: Table, cell: GridCell): PartName {
  if (cell.section === 'body' && isGroupHeading(table, cell.row)) return 'group-headings';
  if (cell.section !== 'header') return cell.isRowHeader ? 'row-headers' : partBySection[cell.section];
  if (isCorner(table, cell)) return 'corner';
  return isHeaderGroup(table, cell) ? 'header-groups' : 'column-headers';
}

/** A header cell that stands above row headers only. */
export const isCorner = (table: Table, cell: GridCell): boolean => cell.section === 'header' && cell.column + cell.columns <= table.rowHeaders;
/** A header cell of an upper tier: it does not reach down to the lowest header row. */
export const isHeaderGroup = (table: Table, cell: GridCell): boolean =>
  cell.section === 'header' && cell.row + cell.rows < table.headerRows && !isCorner(table, cell);

/**
 * A cell as the theme sees it. Bands, first and last count the rows of the cell's own row group from the
 * row in which the cell starts, and columns from the one in which it starts; `held` are the conditions that
 * sorting and the visitor's hand bring.
 */
export function slotOf(table: Table, cell: GridCell, held: readonly ConditionName[] = [], band: Band = ORDINARY_BAND): Slot {
  const { first, count } = rowGroupOf(table, cell.row);
  const index = cell.row - first;
  const parity = (index + 1) % band.every === band.from % band.every ? 'even' : 'odd';
  const conditions: ConditionName[] = [parity, cell.column % 2 === 0 ? 'odd-columns' : 'even-columns'];
  if (index === 0) conditions.push('first');
  if (index === count - 1) conditions.push('last');
  if (held.length > 0) conditions.push(...followingFrom(new Set([parity, ...held])));
  const number = isNumberCell(table, cell);
  conditions.push(...valueConditions(table, cell).map(({ name }) => name));
  const excepted = exceptionsOn(table, cell);
  return {
    part: partOfCell(table, cell),
    conditions: [...conditions, ...held],
    ...(number ? { also: ['numbers'] } : {}),
    ...(excepted.length === 0 ? {} : { excepted: excepted.map(({ reach, ...each }) => ({ ...each, always: reach === 'always' })) }),
  };
}
