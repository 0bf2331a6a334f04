import { markedConditions, type ConditionName, type MarkedCondition } from '../../theme';
import { isNegativeCell, isNumberCell, numberColumns } from '../columns/numbers';
import type { GridCell } from './grid';
import { isGroupHeading } from './groups';
import { groupOfColumn } from './headers';
import type { Table } from '../table';

/** What the stylesheet counts for itself, without a mark: groups of columns where there is one tier of headers. */
const isCounted = ({ headerRows }: Table, name: MarkedCondition): boolean => name === 'even-groups' && headerRows === 1;

/** When a cell's value, or its columns, bring a condition. A header stands over numbers where its one column holds some. */
const brings: { readonly [condition in MarkedCondition]: (table: Table, cell: GridCell) => boolean } = {
  negative: (table, cell) => isNumberCell(table, cell) && isNegativeCell(table, cell),
  // What neighbouring plans have in common is of none of them, and neither is what heads a group.
  featured: (table, cell) => table.columns[cell.column]?.featured === true && cell.columns === 1 && !isGroupHeading(table, cell.row),
  'even-groups': (table, cell) => cell.section === 'header' && groupOfColumn(table, cell.column) % 2 === 1,
  'over-numbers': (table, cell) => cell.section === 'header' && cell.columns === 1 && numberColumns(table)[cell.column]?.isNumeric === true,
};

/** The conditions that a cell's value or its columns bring, and the classes that say so in the markup; none for what is counted there. */
export const valueConditions = (
  table: Table,
  cell: GridCell,
): readonly { readonly name: ConditionName; readonly mark: string; readonly isCounted: boolean }[] =>
  markedConditions.filter(({ name }) => brings[name](table, cell)).map((each) => ({ ...each, isCounted: isCounted(table, each.name) }));
