import { gridOf, mergeCells, tableOf, type Table } from '../../../../../core/table';
import { TypingRun } from './typing-run';

const table = tableOf('Berths', [
  ['a', 'b', 'c'],
  ['d', 'e', 'f'],
]);
const at = (row: number, column: number, of: Table = table) => gridOf(of).at(row, column);

describe('Texts typed one after the other', () => {
  it('go along the row, on to the next one, and on to one that is new', () => {
    const run = new TypingRun();
    expect(run.along(table, at(0, 1), 0, false)).toEqual({ row: 0, column: 2, isNew: false });
    expect(run.along(table, at(0, 2), 0, false)).toEqual({ row: 1, column: 0, isNew: false });
    expect(run.along(table, at(1, 2), 1, false)).toEqual({ row: 2, column: 0, isNew: true });
    expect(run.along(table, at(1, 0), 1, true)).toEqual({ row: 0, column: 2, isNew: false });
    expect(run.along(table, at(0, 0), 0, true)).toEqual({ row: 0, column: 0, isNew: false });
  });

  it('go back with Enter to where the run began, and straight down without one', () => {
    const run = new TypingRun();
    expect(run.down(table, at(0, 2))).toEqual({ row: 1, column: 2, isNew: false });
    expect(run.down(table, at(1, 2), true)).toEqual({ row: 2, column: 2, isNew: true });
    run.along(table, at(0, 1), 0, false);
    expect(run.down(table, at(0, 2))).toEqual({ row: 1, column: 1, isNew: false });
    expect(run.down(table, at(1, 2))).toEqual({ row: 2, column: 1, isNew: true });
    run.end();
    expect(run.down(table, at(1, 2))).toEqual({ row: 1, column: 2, isNew: false });
  });

  it('go over a merged cell at once, and never behind a footer', () => {
    const merged = mergeCells(table, { row: 0, column: 0 }, { row: 0, column: 1 });
    const wide = merged.ok ? merged.value : table;
    expect(new TypingRun().along(wide, at(0, 0, wide), 0, false)).toEqual({ row: 0, column: 2, isNew: false });
    const summed = { ...table, footerRows: 1 };
    expect(new TypingRun().along(summed, at(1, 2, summed), 1, false)).toEqual({ row: 1, column: 2, isNew: false });
  });
});
