import { gridTable } from '../../tests/themes';
import { dice, randomTable } from '../../tests/random';
import {
  PLAIN_COLUMN,
  applyChange,
  bodyGroups,
  bringAgain,
  changeBetween,
  cssWidths,
  deleteColumn,
  deleteRow,
  dropHeading,
  duplicateLines,
  equalColumns,
  gridOf,
  headerRole,
  headersOf,
  heightOf,
  insertColumn,
  insertRow,
  isNoChange,
  makeHeading,
  mergeCells,
  moveLines,
  numberColumns,
  padOf,
  previewOf,
  readChange,
  readTable,
  seenAround,
  seenRows,
  setCell,
  setColumns,
  setHeaderRows,
  sharing,
  shownTable,
  tableOf,
  textOf,
  typedColumnWidth,
  type Edited,
  type Table,
} from '../index';

const done = (edited: Edited): Table => {
  if (!edited.ok) throw new Error(edited.problems[0]?.say);
  return edited.value;
};
const code = (edited: Edited): string => (edited.ok ? 'good' : (edited.problems[0]?.code ?? ''));

describe('Row groups', () => {
  const plain = gridTable(7, 3, { rowHeaders: 1, footerRows: 1 });
  const table = done(makeHeading(done(makeHeading(plain, 2)), 4));
  it('begin at their heading, the first at the body’s start', () =>
    expect(bodyGroups(table)).toEqual([
      { first: 1, count: 1 },
      { first: 2, count: 2 },
      { first: 4, count: 2 },
    ]));
  it('have a heading over the whole row that holds what its cells held, and heads the cells below', () => {
    expect(table.rows[2]).toEqual(['r2c0 r2c1 r2c2', '', '']);
    const heading = gridOf(table).at(2, 0);
    expect([heading.columns, headerRole(table, heading)]).toEqual([3, { tag: 'th', scope: 'rowgroup' }]);
    expect(headersOf(table, gridOf(table).at(3, 1))).toContain(heading);
    expect(headersOf(table, gridOf(table).at(5, 1))).not.toContain(heading);
  });
  it('are gone with their heading, whose text stays', () => {
    const dropped = done(dropHeading(table, 2));
    expect([dropped.groups, dropped.rows[2]?.[0], dropped.merges.length]).toEqual([[4], 'r2c0 r2c1 r2c2', 1]);
  });
  it('stay in the body, where no merged cell reaches over a heading', () => {
    expect(code(makeHeading(plain, 0))).toBe('group-section');
    expect(code(makeHeading(plain, 6))).toBe('group-section');
    expect(code(dropHeading(plain, 2))).toBe('group-none');
    expect(code(mergeCells(table, { row: 3, column: 1 }, { row: 5, column: 1 }))).toBe('merge-group');
    expect(code(makeHeading(done(mergeCells(plain, { row: 2, column: 1 }, { row: 3, column: 1 })), 3))).toBe('group-merge');
    expect(code(moveLines(done(mergeCells(table, { row: 5, column: 1 }, { row: 5, column: 2 })), { axis: 'row', from: 5, to: 5 }, 3))).toBe('good');
  });
  it('go along when rows and columns come, go and move', () => {
    expect(done(insertRow(table, 1, 'before')).groups).toEqual([3, 5]);
    expect(done(deleteRow(table, 2)).groups).toEqual([3]);
    expect(done(deleteRow(table, 3)).groups).toEqual([2, 3]);
    expect(done(moveLines(table, { axis: 'row', from: 4, to: 5 }, 2)).groups).toEqual([2, 4]);
    expect(done(duplicateLines(table, { axis: 'row', from: 2, to: 3 })).groups).toEqual([2, 4, 6]);
    for (const column of [0, 2])
      for (const side of ['before', 'after'] as const) {
        const wider = done(insertColumn(table, column, side));
        expect(gridOf(wider).at(2, 0))
          .withContext(`${side} ${column}`)
          .toEqual(jasmine.objectContaining({ columns: 4, text: 'r2c0 r2c1 r2c2' }));
      }
    expect(gridOf(done(deleteColumn(table, 0))).at(2, 0).text).toBe('r2c0 r2c1 r2c2');
    const moved = done(moveLines(table, { axis: 'column', from: 0, to: 0 }, 3));
    expect([moved.rows[2]?.[0], moved.rows[1]]).toEqual(['r2c0 r2c1 r2c2', ['r1c1', 'r1c2', 'r1c0']]);
  });
  it('that the header takes in are none', () => expect(setHeaderRows(table, 3).groups).toEqual([4]));
  it('keep their rows when a newer file comes, in whichever order it has them', () => {
    const newer = tableOf('n', [
      ['r0c0', 'r0c1', 'r0c2'],
      ['r5c0', 'x', 'y'],
      ['r3c0', 'r3c1', 'r3c2'],
      ['r1c0', 'r1c1', 'r1c2'],
      ['new', '', ''],
    ]);
    const again = bringAgain(table, newer, 'r0c0');
    if (!again.ok) throw new Error(again.problems[0]?.say);
    expect(again.value.table.rows.map(([first]) => first)).toEqual([
      'r0c0',
      'r1c0',
      'new',
      'r2c0 r2c1 r2c2',
      'r3c0',
      'r4c0 r4c1 r4c2',
      'r5c0',
      'r6c0',
    ]);
    expect([again.value.table.groups, again.value.added, again.value.removed]).toEqual([[3, 5], ['new'], []]);
    expect(readTable(again.value.table).ok).toBeTrue();
  });
  it('are cut with the body in a preview', () => expect(previewOf(table, 2).groups).toEqual([2]));
});

describe('Columns', () => {
  const widths = (...set: readonly string[]): readonly (string | undefined)[] =>
    cssWidths({ ...gridTable(1, set.length), columns: set.map((width) => ({ ...PLAIN_COLUMN, width })) });
  for (const [what, set, expected] of [
    ['by content', ['', ''], [undefined, undefined]],
    ['lengths', ['120px', '8em', '2.5rem'], ['120px', '8em', '2.5rem']],
    ['equal shares', ['1fr', '1fr', '1fr', '1fr'], ['25%', '25%', '25%', '25%']],
    ['shares of what percentages leave', ['40%', '2fr', '1fr'], ['40%', '40%', '20%']],
    ['shares beside a length', ['100px', '1fr', '3fr'], ['100px', 'calc((100cqi - 100px) * 0.25)', 'calc((100cqi - 100px) * 0.75)']],
    ['percentages of everything', ['60%', '60%', '1fr'], ['60%', '60%', '0%']],
  ] as const)
    it(`are wide as CSS says: ${what}`, () => expect(widths(...set)).toEqual([...expected]));
  for (const [typed, kept] of [
    ['120', '120px'],
    [' 8 EM ', '8em'],
    ['2,5rem', '2.5rem'],
    ['20 %', '20%'],
    ['2fr', '2fr'],
    ['auto', ''],
    ['', ''],
    ['0', undefined],
    ['-3px', undefined],
    ['9999px', undefined],
    ['120%', undefined],
    ['calc(1px)', undefined],
    ['1px;color:red', undefined],
  ] as const)
    it(`take ${JSON.stringify(typed)} as ${JSON.stringify(kept)}`, () => expect(typedColumnWidth(typed)).toBe(kept));

  const table = setColumns(gridTable(2, 3), 1, 1, { width: '9em', hidden: true });
  it('go along with what is set for them', () => {
    const of = (edited: Edited): readonly string[] => done(edited).columns.map(({ width }) => width);
    expect(of(insertColumn(table, 0, 'before'))).toEqual(['', '', '9em', '']);
    // No sliver beside columns that part the table among them.
    const shares = (...widths: readonly string[]): Table => ({
      ...gridTable(2, widths.length),
      columns: widths.map((width) => ({ ...PLAIN_COLUMN, width })),
    });
    expect(of(insertColumn(shares('1fr', '2fr'), 1, 'after'))).toEqual(['1fr', '2fr', '2fr']);
    expect(of(insertColumn(shares('50%', '30%', '20%'), 0, 'after'))).toEqual(['37.5%', '25%', '22.5%', '15%']);
    expect(of(insertColumn(shares('50%', ''), 0, 'after'))).toEqual(['50%', '', '']);
    expect(of(deleteColumn(table, 0))).toEqual(['9em', '']);
    expect(of(moveLines(table, { axis: 'column', from: 1, to: 1 }, 0))).toEqual(['9em', '', '']);
    expect(of(duplicateLines(table, { axis: 'column', from: 1, to: 1 }))).toEqual(['', '9em', '9em', '']);
    expect(equalColumns(table).columns.map(({ width }) => width)).toEqual(['1fr', '1fr', '1fr']);
  });
  it('that are hidden are not where the table is shown, and nothing of them is lost', () => {
    const merged = done(mergeCells(table, { row: 1, column: 1 }, { row: 1, column: 2 }));
    expect(shownTable(merged).rows).toEqual([
      ['r0c0', 'r0c2'],
      ['r1c0', 'r1c1\nr1c2'],
    ]);
    expect(merged.rows[0]?.[1]).toBe('r0c1');
    expect(shownTable(gridTable(2, 2))).toEqual(gridTable(2, 2));
    expect(shownTable(setColumns(table, 0, 2, { hidden: true })).rows[0]?.length).toBe(1);
  });
});

describe('The decimal mark of a table', () => {
  const table = tableOf('x', [['n'], ['1,234'], ['2,5']]);
  it('is told from its numbers, or said', () => {
    expect(numberColumns(table)[0]).toEqual({ isNumeric: true, mark: ',', places: 1 });
    const said: Table = { ...table, decimal: ',' };
    expect(numberColumns(said)[0]).toEqual({ isNumeric: true, mark: ',', places: 3 });
    expect(padOf(said, gridOf(said).at(2, 0))).toBe('00');
  });
});

describe('A change between two states of a table', () => {
  it('is nothing for the same table, and one cell for one cell', () => {
    const table = gridTable(4, 3);
    expect(isNoChange(changeBetween(table, table))).toBeTrue();
    expect(changeBetween(table, setCell(table, 2, 1, 'x'))).toEqual({ rows: [{ at: 2, cells: [[1, 'x']] }] });
    expect(changeBetween(table, done(deleteRow(table, 1))).rows).toEqual([{ at: 1, take: 1, put: [] }]);
  });
  it('makes the one of the other, both ways, for any two tables', () => {
    for (let seed = 0; seed < 400; seed++) {
      const [a, b] = [randomTable(dice(seed)), randomTable(dice(seed + 1000))];
      expect(applyChange(a, changeBetween(a, b)))
        .withContext(`seed ${seed}`)
        .toEqual(b);
      expect(applyChange(b, changeBetween(b, a)))
        .withContext(`seed ${seed}`)
        .toEqual(a);
    }
  });
  it('is where the columns come from, for one that is put in, taken out or moved', () => {
    const table = gridTable(40, 4);
    const wider = done(insertColumn(table, 1, 'after'));
    expect(changeBetween(table, wider).columns).toEqual([0, 1, null, 2, 3]);
    expect(changeBetween(wider, table).columns).toEqual([0, 1, 3, 4]);
    const back = changeBetween(done(deleteColumn(table, 2)), table);
    expect(back.columns).toEqual([0, 1, { cells: table.rows.map((row) => row[2] ?? '') }, 2]);
    for (const [a, b] of [
      [table, wider],
      [wider, table],
      [done(deleteColumn(table, 2)), table],
    ] as const)
      expect(applyChange(a, changeBetween(a, b))).toEqual(b);
    expect(() => applyChange(table, { columns: [0, 9] })).toThrowError(RangeError);
    expect(() => applyChange(table, { columns: [{ cells: ['x'] }] })).toThrowError(RangeError);
  });
  it('is read only where its columns are such', () => {
    const read = (columns: unknown): boolean => readChange({ change: { columns }, said: [] }).ok;
    expect([[0, null, { cells: ['a'] }], [], [0, 0], [-1], [1.5], [{ cells: [5] }], [{}], ['0'], [{ cells: [], more: 1 }]].map(read)).toEqual([
      true,
      ...new Array<boolean>(8).fill(false),
    ]);
  });
  it('does not fit a table that is too small for it', () => {
    expect(() => applyChange(gridTable(2, 2), { rows: [{ at: 1, take: 5, put: [] }] })).toThrowError(RangeError);
    expect(() => applyChange(gridTable(2, 2), { rows: [{ at: 0, cells: [[4, 'x']] }] })).toThrowError(RangeError);
  });
  it('is small again for a table that was read anew, once what is the same is shared', () => {
    const table = gridTable(50, 3);
    const copy = JSON.parse(JSON.stringify(done(insertRow(setCell(table, 5, 0, 'x'), 30, 'after')))) as Table;
    const shared = sharing(table, copy);
    expect(shared).toEqual(copy);
    expect(changeBetween(table, shared).rows).toEqual([{ at: 5, take: 26, put: shared.rows.slice(5, 32) }]);
  });
});

describe('The rows of a long table that are in the document', () => {
  const table = gridTable(1000, 2, { headerRows: 1, footerRows: 1 });
  it('are all of a short one', () => expect(seenAround(gridTable(20, 2), 5, 40, 2)).toEqual({ from: 1, to: 20 }));
  it('lie around the one that is looked at, a whole number of bands into their row group', () => {
    for (const every of [1, 2, 3, 7])
      for (const row of [1, 2, 40, 501, 998]) {
        const { from, to } = seenAround(table, row, 40, every);
        expect(from >= 1 && to <= 999 && to - from < 40 + every && from <= row && row < to)
          .withContext(`${every} ${row}`)
          .toBeTrue();
        expect((from - 1) % every).toBe(0);
      }
    const grouped = { ...table, groups: [4] };
    expect((seenAround(grouped, 500, 40, 2).from - 4) % 2).toBe(0);
  });
  it('show what is left of cells that are merged from above, and no more than is there', () => {
    const merged = done(mergeCells(table, { row: 10, column: 0 }, { row: 29, column: 0 }));
    const rows = seenRows(merged, 20, 24);
    expect(rows.map(({ row, cells }) => [row, ...cells.map(({ cell, rows: left }) => `${textOf(cell.text).slice(0, 5)} ${left}`)])).toEqual([
      [20, 'r10c0 4', 'r20c1 1'],
      [21, 'r21c1 1'],
      [22, 'r22c1 1'],
      [23, 'r23c1 1'],
    ]);
    expect(seenRows(merged, 998, 2000).length).toBe(heightOf(merged) - 998);
  });
});
