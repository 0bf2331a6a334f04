import {
  computedIn,
  computedTable,
  gridOf,
  readFormula,
  ruleProblem,
  setCell,
  setColumns,
  shownTable,
  tableOf,
  totalIn,
  typedRows,
  PLAIN_RULE,
  type ColumnRule,
  type Table,
} from '../index';

const names = ['Boat', 'Adult fare', 'Child', 'Result'];
const rows = [
  ['Tern', '£12', '3'],
  ['Gull', '8.5', '–'],
  ['Wick', 'free', '4'],
  ['Moth', '20', '0'],
];
const made = (formula: string, given: Partial<Table> = {}): Table =>
  setColumns(tableOf('x', [names, ...rows.map((row) => [...row, ''])], given), 3, 3, { formula });
const values = (table: Table): readonly unknown[] =>
  table.rows.slice(1).map((_, i) => {
    const value = computedIn(table, 3, i + 1);
    return typeof value === 'object' && value ? value.say : value;
  });
const say = (formula: string): string => {
  const read = readFormula(formula, names);
  return read.ok ? 'good' : (read.problems[0]?.say ?? '');
};

describe('Formulas', () => {
  it('work with columns by name, and let nothing be where something is missing', () => {
    expect(values(made('"adult  FARE" - Child'))).toEqual([9, null, '“free” is no number', 20]);
    expect(values(made('-"Adult fare" + 2 × power(3, 2) ÷ 3'))).toEqual([-6, -2.5, '“free” is no number', -14]);
    expect(values(made('sum("Adult fare", Child)'))).toEqual([15, 8.5, '“free” is no number', 20]);
    expect(values(made('round("Adult fare" / 7, 2)'))).toEqual([1.71, 1.21, '“free” is no number', 2.86]);
    expect(values(made('greatest(Child, 1) + least(Child, 1) + mean(Child, 1) + abs(0 - 1)'))[0]).toBe(3 + 1 + 2 + 1);
    expect(values(made('round(1.005, 2)'))[0]).toBe(1.01);
  });
  it('know shares of the whole, totals so far and places', () => {
    expect(values(made('share(Child)'))).toEqual([3 / 7, null, 4 / 7, 0]);
    expect(values(made('running(Child)'))).toEqual([3, null, 7, 7]);
    expect(values(made('rank(Child)'))).toEqual([2, null, 1, 3]);
    expect(values(made('share(Child)', { groups: [2] }))[1]).toBeUndefined();
  });
  it('say why they cannot be worked out', () => {
    expect(values(made('1 / Child'))).toEqual([1 / 3, null, 0.25, 'It divides by zero']);
    expect(values(made('Result + 1'))[0]).toBe('It refers to itself');
    const ring = setColumns(made('Child + 1'), 2, 2, { formula: 'Result * 2' });
    expect(values(ring)[0]).toBe('It refers to itself');
    expect(values(made('power(2, 5000)'))[0]).toBe('It comes to no number');
    expect(values(made('Gone + 1'))[0]).toBe('There is no column “Gone”.');
  });
  it('are read as arithmetic and nothing else', () => {
    expect(say('Child * 2')).toBe('good');
    for (const bad of [
      '',
      'Child +',
      '2 3',
      'Child.constructor',
      'Child["x"]',
      'alert(1)',
      '"a" + 1',
      'Child == 1',
      'Child not 1',
      'not',
      'Child is 1',
      '"Child',
      "'a",
      'Child ^ 2',
      '7 % 2',
      'mod(1)',
      '= 1',
      'Child ? 1 : 2',
      '[1, 2]',
      'share(1)',
      'sum()',
      'this',
    ])
      expect(say(bad)).withContext(bad).not.toBe('good');
    expect(say(`${'('.repeat(200)}1${')'.repeat(200)}`)).toBe('good');
    expect(say(`${'-'.repeat(200)}1`)).toContain('nested too deeply');
    expect(say('"<b>x</b>"')).toBe('There is no column “<b>x</b>”.');
  });
  it('stand in the table that is shown, in its decimal mark and its column’s type, and leave what was typed', () => {
    const table = made('"Adult fare" / 8', { decimal: ',' });
    const shown = computedTable(table);
    expect(shown.rows.map((row) => row[3])).toEqual(
      ['Result', '1,5', '85', '–', '2,5'].map((text, i) => (i === 2 ? (shown.rows[2]?.[3] ?? '') : text)),
    );
    expect(table.rows[1]?.[3]).toBe('');
    expect(computedTable(shown).rows).toEqual(shown.rows);
    const percent = setColumns(made('share(Child)'), 3, 3, { type: 'percent' });
    expect(computedTable(percent).rows[4]?.[3]).toBe('0%');
    expect(computedTable(made('"Adult fare" / 32')).rows[1]?.[3]).toBe('0.3750');
    const hidden = setColumns(made('Child * 2'), 2, 2, { hidden: true });
    expect(shownTable(hidden).rows[1]).toEqual(['Tern', '£12', '6']);
    // A copy of what is shown lacks the column, and shows the same.
    expect(shownTable({ ...shownTable(hidden) }).rows[1]).toEqual(['Tern', '£12', '6']);
    const plain = tableOf('x', rows);
    expect(computedTable(plain)).toBe(plain);
  });
  it('add up, and follow a column that is renamed', () => {
    const table = setColumns(made('Child * 2 + Child'), 3, 3, { total: 'sum' });
    expect(totalIn(computedTable(table), 3)).toBe(21);
    const renamed = setCell(table, 0, 2, 'Young people');
    expect(renamed.columns[3]?.formula).toBe('"Young people" * 2 + "Young people"');
    expect(values(renamed)[0]).toBe(9);
  });
  it('of a whole column follow an edit in any row, a type, a heading and an order', () => {
    const fares = made('running("Adult fare")');
    const after = (table: Table): readonly unknown[] => values(table);
    expect(after(fares)).toEqual([12, 20.5, '“free” is no number', 40.5]);
    const edited = setCell(fares, 1, 1, '2');
    expect(after(edited)).toEqual([2, 10.5, '“free” is no number', 30.5]);
    expect(after(setCell(edited, 4, 1, '1'))).toEqual([2, 10.5, '“free” is no number', 11.5]);
    expect(after({ ...edited, groups: [2] })).toEqual([2, undefined, '“free” is no number', 22]);
    const other = edited.rows;
    expect(after({ ...edited, rows: [...other.slice(0, 1), ...other.slice(1).toReversed()] })).toEqual([20, '“free” is no number', 28.5, 30.5]);
    expect(after(setColumns(edited, 1, 1, { type: 'percent' }))[1]).toBeCloseTo(0.105, 9);
    expect(after(fares)).toEqual([12, 20.5, '“free” is no number', 40.5]);
  });

  it('are worked out for the rows that are looked at, of a table of any length', () => {
    const long = tableOf('x', [['Fare', 'Twice'], ...Array.from({ length: 50_000 }, (_, i) => [String(i), ''])]);
    const table = computedTable(setColumns(long, 1, 1, { formula: 'Fare * 2' }));
    const asked = table.rows[40_001];
    expect(asked).toEqual(['40000', '80000']);
    expect(table.rows[40_001]).toBe(asked as never);
    expect(typedRows(table.rows)[40_001]).toEqual(['40000', '']);
    expect(typedRows(long.rows)).toBe(long.rows);
    expect(table.rows.slice(-2).map((row) => row[1])).toEqual(['99996', '99998']);
    expect([table.rows.length, table.rows.map((row) => row[1]).filter((text) => text !== '').length]).toEqual([50_001, 50_001]);
    expect(table.rows.at(-1)).toEqual(['49999', '99998']);
    expect(JSON.parse(JSON.stringify(table.rows.slice(0, 2)))).toEqual([
      ['Fare', 'Twice'],
      ['0', '0'],
    ]);
  });

  it('are worked out anew for the row that changed', () => {
    const table = made('Child * 2');
    const before = computedTable(table);
    const after = computedTable(setCell(table, 1, 2, '5'));
    expect(after.rows[1]?.[3]).toBe('10');
    expect(after.rows[3]).toBe(before.rows[3]);
  });
});

describe('Rules of a column', () => {
  const broken = (
    rule: Partial<ColumnRule>,
    texts: readonly string[],
    type: 'number' | 'date' | 'text' = 'number',
  ): readonly (string | undefined)[] => {
    const table = setColumns(tableOf('x', [['A'], ...texts.map((text) => [text])]), 0, 0, { type, rule: { ...PLAIN_RULE, ...rule } });
    return texts.map((_, i) => ruleProblem(table, gridOf(table).at(i + 1, 0)));
  };
  it('ask for a range of amounts, of days or of letters', () => {
    expect(broken({ least: '2', most: '10' }, ['1', '2', '10', '10.5', '', 'x'])).toEqual([
      '“1” is less than 2',
      undefined,
      undefined,
      '“10.5” is more than 10',
      undefined,
      undefined,
    ]);
    expect(broken({ least: '1/2/2026' }, ['31/1/2026', '2/2/2026'], 'date')).toEqual(['“31/1/2026” is less than 1/2/2026', undefined]);
    expect(broken({ most: '3' }, ['Ωμεγα', 'ωμο'], 'text')).toEqual(['It has more than 3 letters', undefined]);
  });
  it('ask for something, for no value twice, for one of a list', () => {
    expect(broken({ required: true, unique: true }, ['', '1', '1', '2'])).toEqual([
      'Something has to stand here',
      '“1” stands here more than once',
      '“1” stands here more than once',
      undefined,
    ]);
    expect(broken({ choices: ['open', 'late'] }, ['open', 'shut'], 'text')[1]).toBe('“shut” is none of open, late');
    const many = Array.from({ length: 10_000 }, (_, i) => `c${i}`);
    expect(broken({ choices: many }, ['c9999', 'd'], 'text')).toEqual([undefined, '“d” is none of the 10,000 choices']);
    expect(broken({ required: true, message: 'Say the boat' }, [''])).toEqual(['Say the boat']);
  });
});
