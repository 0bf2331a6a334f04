import { heightOf, widthOf, type Chosen, type Table } from '../../../../core/table';

/** The chosen block of cells; its first slot has the focus. */
export type Choice = Chosen;

/**
 * The block between two slots, grown until it cuts through no merged cells. Whole columns are those that were meant, whatever stands
 * merged over them: what is done to columns knows how to take them apart.
 */
export function growChoice(table: Table, from: { row: number; column: number }, to: { row: number; column: number }): Choice {
  const { merges } = table;
  let choice: Choice = {
    row: Math.min(from.row, to.row),
    column: Math.min(from.column, to.column),
    toRow: Math.max(from.row, to.row),
    toColumn: Math.max(from.column, to.column),
  };
  if (choice.row === 0 && choice.toRow === heightOf(table) - 1) return choice;
  for (let grew = true; grew;) {
    grew = false;
    for (const merge of merges) {
      const [lastRow, lastColumn] = [merge.row + merge.rows - 1, merge.column + merge.columns - 1];
      const isApart = merge.row > choice.toRow || lastRow < choice.row || merge.column > choice.toColumn || lastColumn < choice.column;
      const isWithin = merge.row >= choice.row && lastRow <= choice.toRow && merge.column >= choice.column && lastColumn <= choice.toColumn;
      if (isApart || isWithin) continue;
      grew = true;
      choice = {
        row: Math.min(choice.row, merge.row),
        column: Math.min(choice.column, merge.column),
        toRow: Math.max(choice.toRow, lastRow),
        toColumn: Math.max(choice.toColumn, lastColumn),
      };
    }
  }
  return choice;
}

/** A whole row or column or, where `more` of them are meant, from those that are chosen to it. */
export function lineChoice(table: Table, { row, column, toRow, toColumn }: Choice, axis: 'row' | 'column', at: number, more: boolean): Choice {
  const [bottom, right] = [heightOf(table) - 1, widthOf(table) - 1];
  const [from, to] = axis === 'row' ? [row, toRow] : [column, toColumn];
  const [start, end] = more ? [Math.min(from, at), Math.max(to, at)] : [at, at];
  return axis === 'row' ? { row: start, column: 0, toRow: end, toColumn: right } : { row: 0, column: start, toRow: bottom, toColumn: end };
}
