import { gridTable } from '../tests/themes';
import {
  gridOf,
  heldOn,
  isNegative,
  isNumber,
  isUnevenRow,
  marksOf,
  mergeCells,
  numberColumns,
  padOf,
  partOfCell,
  slotOf,
  tableOf,
  type Table,
} from './index';

describe('Numbers', () => {
  for (const text of ['12', '-3', '−3.5', '£6.50', '1,204', '1.234,5', '12 %', '(12)', '€ 5', '5 €', '0', '0.5']) {
    it(`${text} is one`, () => expect(isNumber(text)).toBeTrue());
  }
  for (const text of ['', '18:10', '007', '3/4', '20261124120000000000', 'Wick', '2-3', '12 boats', '1.2.3']) {
    it(`“${text}” is none`, () => expect(isNumber(text)).toBeFalse());
  }
  it('are negative with a minus of either kind, or in brackets', () =>
    expect(['−3', '-3', '(12)', '£-4', '3', '£4'].map(isNegative)).toEqual([true, true, true, true, false, false]));

  const table = tableOf(
    'Fares',
    [
      ['Boat', 'Fare', 'Code', 'Note'],
      ['Moth', '6.5', '007', 'late'],
      ['Wick', '11', '012', '3'],
      ['Ada', '−8.125', '101', 'none'],
      ['Sum', '9', '', ''],
    ],
    { rowHeaders: 1, footerRows: 1 },
  );
  it('are found by the whole column, not by one cell', () =>
    expect(numberColumns(table).map(({ isNumeric }) => isNumeric)).toEqual([false, true, false, false]));
  it('are padded to the decimal mark of their column', () =>
    expect([1, 2, 3, 4].map((row) => padOf(table, gridOf(table).at(row, 1)))).toEqual(['00', '.000', '', '.000']));
  it('keep a decimal comma', () => {
    const comma = tableOf('x', [['a'], ['1,5'], ['2'], ['1,204']]);
    expect(padOf(comma, gridOf(comma).at(2, 0))).toBe(',0');
  });
  it('are parts of what is seen in body and footer, not in the header', () => {
    expect(slotOf(table, gridOf(table).at(3, 1))).toEqual({
      part: 'body-rows',
      conditions: ['odd', 'even-columns', 'last', 'negative'],
      also: ['numbers'],
    });
    expect(slotOf(table, gridOf(table).at(4, 1)).also).toEqual(['numbers']);
    expect(slotOf(table, gridOf(table).at(1, 3)).also).toBeUndefined();
  });
});

describe('Where a cell stands', () => {
  const merge = (table: Table, ...blocks: readonly (readonly [number, number, number, number])[]): Table =>
    blocks.reduce((each, [row, column, toRow, toColumn]) => {
      const outcome = mergeCells(each, { row, column }, { row: toRow, column: toColumn });
      if (!outcome.ok) throw new Error(outcome.problems[0]?.say);
      return outcome.value;
    }, table);
  const table = merge(gridTable(5, 4, { headerRows: 2, rowHeaders: 1 }), [0, 0, 1, 0], [0, 1, 0, 2], [2, 1, 3, 1]);
  const part = (row: number, column: number): string => partOfCell(table, gridOf(table).at(row, column));
  it('tells corner, groups and column headers apart', () =>
    expect([part(0, 0), part(0, 1), part(0, 3), part(1, 1), part(2, 0), part(2, 2)]).toEqual([
      'corner',
      'header-groups',
      'header-groups',
      'column-headers',
      'row-headers',
      'body-rows',
    ]));
  it('is marked only where it cannot be counted', () => {
    expect([0, 1, 2, 3, 4].map((row) => isUnevenRow(table, row))).toEqual([true, true, false, true, false]);
    const marks = marksOf(table, gridOf(table).at(1, 1));
    expect(marks).toEqual({ inset: true, beside: true, second: true, last: false, even: true, end: false, group: false, corner: false });
    expect(marksOf(table, gridOf(table).at(4, 1))).toEqual(jasmine.objectContaining({ second: false, last: false, beside: true }));
    expect(marksOf(table, gridOf(table).at(3, 3)).last).toBeTrue();
  });
  it('takes its row’s conditions in the body, its column’s in body and lowest header', () => {
    const held = {
      rows: new Map([[2, ['hovered'] as const]]),
      columns: new Map([[2, ['sorted', 'column-hovered'] as const]]),
      headers: new Map([[2, ['pressed'] as const]]),
    };
    const on = (row: number, column: number): readonly string[] => heldOn(table, gridOf(table).at(row, column), held);
    expect([on(2, 2), on(2, 1), on(1, 2), on(0, 1), on(3, 2)]).toEqual([
      ['hovered', 'sorted', 'column-hovered'],
      ['hovered'],
      ['pressed', 'sorted'],
      [],
      ['sorted', 'column-hovered'],
    ]);
    expect(slotOf(table, gridOf(table).at(2, 2), ['sorted']).conditions).toContain('sorted-odd');
  });
  it('is banded as the theme counts', () => {
    const rows = gridTable(8, 1, { headerRows: 0 });
    const banded = Array.from({ length: 8 }, (_, row) => slotOf(rows, gridOf(rows).at(row, 0), [], { every: 3, from: 1 }).conditions[0]);
    expect(banded).toEqual(['even', 'odd', 'odd', 'even', 'odd', 'odd', 'even', 'odd']);
  });
});
