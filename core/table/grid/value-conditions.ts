import { markedConditions, type ConditionName, type MarkedCondition } from '../../theme';
import { isNegativeCell, isNumberCell } from '../columns/numbers';
import type { GridCell } from './grid';
import type { Table } from '../table';

/** When a cell's value brings a condition. */
const brings: { readonly [condition in MarkedCondition]: (table: Table, cell: GridCell) => boolean } = {
  negative: (table, cell) => isNumberCell(table, cell) && isNegativeCell(table, cell),
};

/** The conditions that a cell's value brings, and the classes that say so in the markup. */
export const valueConditions = (table: Table, cell: GridCell): readonly { readonly name: ConditionName; readonly mark: string }[] =>
  markedConditions.filter(({ name }) => brings[name](table, cell));
