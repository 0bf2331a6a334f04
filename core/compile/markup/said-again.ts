import { gridOf, shownText, type GridCell, type Table } from '../../table';
import { element, textWithBreaks, type Element } from './markup';
import { contract } from './contract';
import { labelOf } from './labels';

/** What stands before and after a cell's own content. */
export interface SaidAgain {
  readonly before: readonly Element[];
  readonly after: readonly Element[];
}
const NOTHING: SaidAgain = { before: [], after: [] };

/**
 * What merged cells of the rows above say for this cell's row too. Where rows are stacked, each is a block of its own, and would lack
 * it. It stands in the row's own cells, since a cell of its own would be one too many for the table (HTML Standard, "Forming a table"):
 * behind the one that is before it, or else in front of the first. Links and marks stay with the merged cell.
 */
export function saidAgain(table: Table, cell: GridCell): SaidAgain {
  const grid = gridOf(table);
  const row = grid.row(cell.row);
  // Most rows have a cell of their own in every column.
  if (cell.section === 'header' || row.length === grid.width || row.reduce((count, { columns }) => count + columns, 0) === grid.width) return NOTHING;
  const next = row[row.indexOf(cell) + 1]?.column ?? grid.width;
  const before = row[0] === cell ? overIn(table, cell.row, 0, cell.column) : [];
  return { before, after: overIn(table, cell.row, cell.column + cell.columns, next) };
}

/** The merged cells that reach down into some columns of a row, each once. */
function overIn(table: Table, row: number, from: number, to: number): readonly Element[] {
  const found: Element[] = [];
  for (let column = from; column < to;) {
    const cell = gridOf(table).at(row, column);
    column = cell.column + cell.columns;
    const said = shownText(table, cell);
    if (said.trim() === '') continue;
    const label = labelOf(table, cell);
    found.push(
      element(
        'span',
        { class: contract.again },
        ...(label === '' ? [] : [element('span', { class: contract.label }, label), ' ']),
        ...textWithBreaks(said),
      ),
    );
  }
  return found;
}
