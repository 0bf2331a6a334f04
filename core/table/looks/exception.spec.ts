import { gridTable } from '../../tests/themes';
import {
  bringAgain,
  deleteLines,
  duplicateLines,
  exceptionAt,
  exceptionsOn,
  gridOf,
  insertLines,
  moveLines,
  placesOf,
  previewOf,
  readTable,
  setColumns,
  setExceptions,
  shownTable,
  turn,
  withValue,
  type Edited,
  type Exception,
  type Table,
} from '../index';

const none: Exception = { row: null, column: null, reach: '', dressing: '', values: {} };
const tinted: Table = {
  ...gridTable(5, 4, { rowHeaders: 1 }),
  exceptions: [
    { ...none, column: 2, values: { fill: 'mist' } },
    { ...none, row: 3, values: { ink: 'deep' } },
    { ...none, row: 3, column: 2, values: { weight: '700' } },
  ],
};
const places = (edited: Edited): readonly string[] =>
  edited.ok ? edited.value.exceptions.map(({ row, column }) => `${row ?? '*'} ${column ?? '*'}`) : [edited.problems[0]?.say ?? ''];

describe('Exceptions of a table', () => {
  it('hold on a cell in order: its column’s, its row’s, its own; a column’s not in its header', () => {
    const on = (row: number, column: number, table = tinted): readonly string[] =>
      exceptionsOn(table, gridOf(table).at(row, column)).flatMap(({ values }) => Object.keys(values));
    expect(on(3, 2)).toEqual(['fill', 'ink', 'weight']);
    expect(on(3, 1)).toEqual(['ink']);
    expect(on(0, 2)).toEqual([]);
    const reaching = { ...tinted, exceptions: [{ ...none, column: 2, reach: 'header' as const, values: { fill: 'mist' } }] };
    expect(on(0, 2, reaching)).toEqual(['fill']);
  });
  it('are set on several places at once, and gone when they say nothing', () => {
    const at = placesOf('cell', { row: 1, column: 1, toRow: 2, toColumn: 2 });
    const set = setExceptions(tinted, at, (each) => withValue(each, 'fill', 'lamp'));
    expect(set.exceptions.length).toBe(7);
    expect(exceptionAt(set, 2, 1)?.values).toEqual({ fill: 'lamp' });
    const cleared = setExceptions(set, at, (each) => withValue(each, 'fill', undefined));
    expect(cleared.exceptions).toEqual(tinted.exceptions);
    expect(placesOf('column', { row: 1, column: 1, toRow: 2, toColumn: 2 })).toEqual([
      { row: null, column: 1 },
      { row: null, column: 2 },
    ]);
  });
  it('move with their rows and columns, are copied with them, and go with them', () => {
    const row = { axis: 'row', from: 3, to: 3 } as const;
    const column = { axis: 'column', from: 2, to: 2 } as const;
    expect(places(insertLines(tinted, row, 'before'))).toEqual(['* 2', '4 *', '4 2']);
    expect(places(insertLines(tinted, column, 'before'))).toEqual(['* 3', '3 *', '3 3']);
    expect(places(moveLines(tinted, row, 1))).toEqual(['* 2', '1 *', '1 2']);
    expect(places(moveLines(tinted, column, 4))).toEqual(['* 3', '3 *', '3 3']);
    expect(places(deleteLines(tinted, row))).toEqual(['* 2']);
    expect(places(deleteLines(tinted, column))).toEqual(['3 *']);
    expect(places(duplicateLines(tinted, row))).toEqual(['* 2', '3 *', '4 *', '3 2', '4 2']);
    expect(places(turn(tinted))).toEqual(['* 3', '2 *', '2 3']);
    expect(shownTable(setColumns(tinted, 0, 0, { hidden: true })).exceptions[0]?.column).toBe(1);
    expect(previewOf(tinted, 2).exceptions.length).toBe(1);
  });
  it('survive bringing in again where their rows do', () => {
    const [header, ...body] = tinted.rows;
    const newer = { ...gridTable(5, 4), rows: [header ?? [], ...body.toReversed()] };
    const again = bringAgain(tinted, newer, 'r0c0');
    expect(again.ok && again.value.table.exceptions.map((each) => [each.row, each.column])).toEqual([
      [null, 2],
      [2, null],
      [2, 2],
    ]);
    const without = bringAgain(tinted, { ...newer, rows: newer.rows.filter((row) => row[0] !== 'r3c0') }, 'r0c0');
    expect(without.ok && without.value.table.exceptions.length).toBe(1);
  });
  it('are refused outside the table, twice at one place, and with what a cell cannot have', () => {
    const say = (exceptions: unknown): string => {
      const read = readTable({ ...tinted, exceptions });
      return read.ok ? '' : read.problems.map((problem) => problem.say).join(' ');
    };
    expect(say(tinted.exceptions)).toBe('');
    expect(say([{ ...none, row: 9, values: {} }])).toContain('outside the table');
    expect(say([tinted.exceptions[0], tinted.exceptions[0]])).toContain('at one place');
    expect(say([{ ...none, row: 1, values: { band: '3' } }])).toContain('no “band”');
    expect(say([{ ...none, row: 1, values: { fill: 3 } }])).toContain('texts of 1 to 200');
    expect(say([none])).toContain('a column, a row or a cell');
  });
});
