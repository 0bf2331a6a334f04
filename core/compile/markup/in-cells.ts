import { columnNames, gridOf, inColumnLanguage, isGroupHeading, shownCell, type GridCell, type Table } from '../../table';
import { markedNodes } from '../rules/beside/value-marks';
import { mayBeCut, type AskedFor } from './asked-by';
import { cellNodes } from './cell-html';
import { contract } from './contract';
import { element, type MarkupNode } from './markup';

/** What a cell says: its value mark, or its text in what it is turned by or opens from. */
export const cellContent = (table: Table, cell: GridCell, asked: AskedFor): readonly MarkupNode[] =>
  markedNodes(table, cell) ?? within(table, cell, asked, contentNodes(table, cell));

/** A cell's text in what it is turned by, or opens from where it may be cut (HTML Standard, "The details element"). */
function within(table: Table, cell: GridCell, { reads, cut }: AskedFor, nodes: readonly MarkupNode[]): readonly MarkupNode[] {
  if (cell.text === '') return nodes;
  if (reads && cell.section === 'header') return [element('span', { class: contract.reads }, ...nodes)];
  return cut !== undefined && mayBeCut(table, cell, cut) ? [element('details', { class: contract.cut }, element('summary', {}, ...nodes))] : nodes;
}

const contentNodes = (table: Table, cell: GridCell): readonly MarkupNode[] => {
  const shown = shownCell(table, cell);
  return cellNodes(cell.section === 'body' && !isGroupHeading(table, cell.row) ? inColumnLanguage(table, cell.column, shown) : shown);
};

/** The class of columns that give way: of a cell over several where all of them do, by the one that stays longest. */
export function awayOf({ columns }: Table, column: number, count = 1): string | undefined {
  const some = columns.slice(column, column + count).map(({ yields }) => yields);
  if (some.some((each) => each === undefined)) return undefined;
  return contract.yields[some.includes('second') ? 'second' : 'first'];
}

/**
 * In a row's first cell: a button that opens what columns that give way hold, by the browser's own means (HTML Standard,
 * "The popover attribute"), so that it needs no script. Its name is that of the row and those of the columns, in no language but theirs.
 */
export function leftOut(table: Table, cell: GridCell, { id: prefix }: { readonly id: string }): readonly MarkupNode[] {
  if (cell.section !== 'body' || cell.column !== 0 || isGroupHeading(table, cell.row)) return [];
  const names = columnNames(table);
  const away = gridOf(table)
    .row(cell.row)
    .filter((each) => each !== cell && awayOf(table, each.column, each.columns) !== undefined && each.text.trim() !== '');
  if (away.length === 0) return [];
  const id = `${prefix}-left-${cell.row}`;
  const name = `${cell.text.trim()}: ${away.map(({ column }) => names[column] ?? '').join(', ')}`;
  const items = away.flatMap((each) => [
    element('dt', {}, names[each.column] ?? ''),
    element('dd', {}, ...(markedNodes(table, each) ?? contentNodes(table, each))),
  ]);
  return [
    element('button', { type: 'button', class: contract.open, popovertarget: id, 'aria-label': name }, '…'),
    element('div', { id, class: contract.left, popover: '', role: 'group', 'aria-label': name }, element('dl', {}, ...items)),
  ];
}
