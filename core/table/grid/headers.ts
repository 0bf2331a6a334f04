import { gridOf, type GridCell } from './grid';
import { isGroupHeading } from './groups';
import type { Table } from '../table';

export interface HeaderRole {
  readonly tag: 'th' | 'td';
  readonly scope?: 'col' | 'row' | 'colgroup' | 'rowgroup';
}

/**
 * What element a cell is and which cells it heads (HTML Standard, "Forming relationships between data cells
 * and header cells"). An empty header cell heads nothing and is a td. A header cell over several columns in
 * an upper tier heads their column group, which `columnGroups` then names; the first cell of a heading, its row group.
 */
export function headerRole(table: Table, cell: GridCell): HeaderRole {
  if (cell.text.trim() === '') return { tag: 'td' };
  if (cell.section === 'header') {
    const lowest = cell.row + cell.rows >= table.headerRows;
    return { tag: 'th', scope: cell.columns > 1 && !lowest && fitsGroup(table, cell) ? 'colgroup' : 'col' };
  }
  if (cell.column === 0 && cell.section === 'body' && isGroupHeading(table, cell.row)) return { tag: 'th', scope: 'rowgroup' };
  const first = cell.column < table.rowHeaders || (cell.section === 'footer' && cell.column === 0 && table.rowHeaders > 0);
  return first ? { tag: 'th', scope: 'row' } : { tag: 'td' };
}

const fitsGroup = (table: Table, cell: GridCell): boolean => {
  const group = columnGroups(table).find(({ column }) => column === cell.column);
  return group?.columns === cell.columns;
};

/** The column groups that the first header tier makes; none where it spans no columns or there is one tier only. */
export function columnGroups(table: Table): readonly { readonly column: number; readonly columns: number }[] {
  const top = table.headerRows > 1 ? gridOf(table).row(0) : [];
  return top.some(({ columns }) => columns > 1) ? top.map(({ column, columns }) => ({ column, columns })) : [];
}

/**
 * The how manieth of the first header tier's cells a column stands under, from 0: columns under one header are of one group; in a
 * table of one tier each is its own, which a stylesheet can count for itself.
 */
export function groupOfColumn(table: Table, column: number): number {
  const groups = columnGroups(table);
  return groups.length === 0 ? column : groups.findIndex((group) => column < group.column + group.columns);
}
