import { PLAIN_COLUMN, computedIn, computedTable, readFormula, readTable, tableOf, type Column, type Table } from '../index';
import { dice } from '../../tests/random';
import { forSeeds } from '../../tests/seeded';
import { renameIn, writtenName } from './names';
import { upgradeFormula } from './old-formula';

/** Boats of a small harbour: each column of a type of its own, and one that is worked out. */
const boats = (formula: string, types: readonly Partial<Column>[] = [], result: Partial<Column> = {}): Table => {
  const names = ['Boat', 'State', 'Late', 'Booked', 'Leaves', 'Day', 'Back', 'Takes', 'Open', 'Out'];
  const rows = [
    ['Tern', 'open', '12', '80 %', '7:30', '1/4/2026', '3/4/2026', '1 h 30 min', 'yes', ''],
    ['Gull', 'Shut ', '', '95 %', '18:05', '2/5/2026', '2/5/2026', '45 min', 'no', ''],
    ['Ägir', 'late', '-3', '5 %', '', '', '', '', '', ''],
  ];
  const known: readonly Partial<Column>[] = [
    ...([{ type: 'text' }, { type: 'choice' }, { type: 'number' }, { type: 'percent' }, { type: 'time' }] as const),
    ...([{ type: 'date' }, { type: 'date' }, { type: 'duration' }, { type: 'yes-no' }] as const),
  ];
  const columns = names.map((_, i): Column => ({ ...PLAIN_COLUMN, ...known[i], ...types[i], ...(i === 9 ? { ...result, formula } : {}) }));
  return tableOf('x', [names, ...rows], { columns });
};
const worked = (formula: string, types?: readonly Partial<Column>[]): readonly unknown[] => {
  const table = boats(formula, types);
  return [1, 2, 3].map((row) => {
    const value = computedIn(table, 9, row);
    return typeof value === 'object' && value ? value.say : value;
  });
};
const shown = (formula: string, result: Partial<Column>): readonly unknown[] =>
  computedTable(boats(formula, [], result))
    .rows.slice(1)
    .map((row) => row[9]);
const refused = (formula: string): string => {
  const read = readFormula(formula, ['Fare', 'Adult fare']);
  return read.ok ? 'good' : `${read.problems[0]?.say} ${read.problems[0]?.remedy}`;
};

describe('The syntax of formulas', () => {
  it('names columns plain or in double quotes, which stand twice in a name', () => {
    const names = ['Fare', 'Adult fare', 'The "quick" one', 'Άφιξη', 'not'];
    for (const [typed, columns] of [
      ['fare + "ADULT  fare"', [0, 1]],
      ['"The ""quick"" one" * 2', [2]],
      ['Άφιξη - 1', [3]],
      ['not "not"', [4]],
    ] as const) {
      const read = readFormula(typed, names);
      expect(read.ok && read.value.columns)
        .withContext(typed)
        .toEqual(columns as never);
    }
    expect(names.map(writtenName)).toEqual(['Fare', '"Adult fare"', '"The ""quick"" one"', 'Άφιξη', '"not"']);
    expect(renameIn(`sum(Sum, "sum") || 'Sum' || Summe`, 'sum', 'A b')).toBe(`sum("A b", "A b") || 'Sum' || Summe`);
    expect(renameIn('not "Not"', 'not', 'Fare')).toBe('not Fare');
  });
  it('has the order of SQL: and before or, not behind comparisons, percentages as parts of one', () => {
    expect(worked("State = 'open' or State = 'late' and Late > 0")).toEqual([true, false, false]);
    expect(worked("(State = 'open' or State = 'late') and Late > 0")).toEqual([true, false, false]);
    expect(worked("not State = 'open' AND NOT Late is null")).toEqual([false, false, true]);
    expect(worked('Late is null')).toEqual([false, true, false]);
    expect(worked('Late is not null and Late <> 12')).toEqual([false, false, true]);
    expect(worked('not (Late > 0 or Booked < 50%)')).toEqual([false, null, false]);
    expect(worked('200 * 20% + 200 * 5 %')).toEqual([50, 50, 50]);
    expect(worked('mod(7, 4) + power(2, 3)')).toEqual([11, 11, 11]);
    expect(worked("Boat || ' (' || Late || ')'")).toEqual(['Tern (12)', null, 'Ägir (-3)']);
    expect(worked("'it''s'")).toEqual(["it's", "it's", "it's"]);
  });
  it('reads a text by the type of what it meets', () => {
    expect(worked("Booked >= '80 %'")).toEqual([true, true, false]);
    expect(worked("Leaves < '12:00'")).toEqual([true, false, null]);
    expect(worked("Day >= '2/5/2026'")).toEqual([false, true, null]);
    expect(worked("Takes > '1 h'")).toEqual([true, false, null]);
    expect(worked("State = ' SHUT'")).toEqual([false, true, false]);
    expect(worked("Boat > 'H'")).toEqual([true, false, false]);
    expect(worked("Open = 'yes' and Late > 5")).toEqual([true, false, false]);
    expect(worked('Open')).toEqual([true, false, null]);
    expect(worked("Late > 'soon'")[0]).toBe('“soon” is no value of that column’s type');
    expect(worked('Boat > 5')[0]).toBe('“Tern” is no number');
    expect(worked('Boat = 5')).toEqual([false, false, false]);
    expect(worked('Boat and Open')[0]).toBe('“Tern” is neither yes nor no');
  });
  it('counts days in days and what lasts in seconds, as their columns show them', () => {
    expect(worked('Back - Day')).toEqual([2, 0, null]);
    expect(shown('Back - Day', { type: 'duration' })[0]).toBe('48 hr');
    expect(shown('Day + 7', { type: 'date' })).toEqual(['2026-04-08', '2026-05-09', '']);
    expect(shown('Day + Takes', { type: 'date' })[0]).toContain('2026-04-01');
    expect(shown("Leaves + '0:30'", { type: 'time' })).toEqual(['8:00 AM', '6:35 PM', '']);
    expect(shown('Leaves + Takes', { type: 'time' })[0]).toBe('9:00 AM');
    expect(shown('Booked - 5%', { type: 'percent' })).toEqual(['75%', '90%', '0%']);
    expect(shown('Late > 0', { type: 'yes-no' })).toEqual(['Yes', '', 'No']);
  });
  it('takes no longer where columns name each other over and over, and makes no text without end', () => {
    const chain = (formula: (before: string) => string): Table => {
      const names = Array.from({ length: 90 }, (_, i) => `c${i}`);
      const columns = names.map((_, i) => ({ ...PLAIN_COLUMN, formula: i === 0 ? '' : formula(`c${i - 1}`) }));
      return tableOf('x', [names, ['1', ...names.slice(1).map(() => '')]], { columns });
    };
    expect(
      computedIn(
        chain((before) => `${before} + ${before}`),
        89,
        1,
      ),
    ).toBe(2 ** 89);
    expect(
      computedIn(
        chain((before) => `${before} + share(${before}) - 1 + ${before} - ${before}`),
        89,
        1,
      ),
    ).toBe(1);
    expect(
      computedIn(
        chain((before) => `'ab' || ${before} || ${before}`),
        89,
        1,
      ),
    ).toEqual({ say: 'It is longer than the 10,000 letters that a cell holds' });
  });
  it('says how habits from elsewhere are written here', () => {
    expect(refused('[Adult fare] * 2')).toContain('"Adult fare" * 2');
    expect(refused('Fare ^ 2')).toContain('power(a, b)');
    expect(refused('Fare % 2')).toContain('mod(a, b)');
    expect(refused('Fare == 2')).toContain('Write = for the same');
    expect(refused('Fare != 2')).toContain('Write <> for');
    expect(refused('Fare = "open"')).toContain(`A text stands in single quotes: 'open'.`);
    expect(refused('"Fare')).toContain('The name in double quotes has no end.');
    expect(refused("Fare = 'x")).toContain('The text in single quotes has no end.');
    expect(refused('Fare > 2 not 1')).toContain('“not” stands before what it is about.');
    expect(refused('1 + not Fare')).toContain('not');
    for (const hostile of ['constructor', '__proto__', 'toString()', 'Fare["x"]', 'Fare.x', '`${1}`', 'x => 1', '({})', 'a ? b : c', '1, 2'])
      expect(refused(hostile)).withContext(hostile).not.toBe('good');
    expect(refused(`${"'".repeat(499)}`)).toContain('no end');
  });
  forSeeds('comes to an end whatever is typed', { all: 12_000, together: 1_500 }, (seed) => {
    const d = dice(seed);
    const pieces = [
      'not',
      'NOT',
      'nOt',
      'is',
      'null',
      'and',
      'Or',
      'Fare',
      '"Adult fare"',
      "'a'",
      '12',
      '5%',
      '%',
      '(',
      ')',
      ',',
      '.',
      '[',
      ']',
      ' ',
      '—',
      '<>',
      '=',
      '||',
      '~',
      '^',
      '"',
      "'",
      'sum',
      '-',
      'é',
    ];
    const typed = Array.from({ length: d.whole(1, 9) }, () => d.pick(pieces)).join(d.chance(0.5) ? ' ' : '');
    expect(refused(typed)).withContext(typed).not.toBe('');
    expect(upgradeFormula(typed)).withContext(typed).toBeDefined();
  });
});

describe('Formulas of before', () => {
  it('come to what they came to, in the syntax that there is now', () => {
    for (const [old, now] of [
      ['[Adult fare] * 2 - Child', '"Adult fare" * 2 - Child'],
      ['[Fare] + 1', 'Fare + 1'],
      ['sum([A], [B c], not)', 'sum(A, "B c", "not")'],
      ['7 % -2', 'mod(7, -2)'],
      ['a % 2 * [B c]', 'mod(a, 2) * "B c"'],
      ['2 ^ 3 ^ 2', 'power(2, power(3, 2))'],
      ['(a - (b - c)) % 3 ^ 2', 'mod(a - (b - c), power(3, 2))'],
      ['-(a + b) ^ 2', 'power(-(a + b), 2)'],
      ['running([50 % off]) * 2', 'running("50 % off") * 2'],
      ['[50 % off] % 2', 'mod("50 % off", 2)'],
      ['] broken [', '] broken ['],
      ['% %', '% %'],
    ] as const)
      expect(upgradeFormula(old)).withContext(old).toBe(now);
  });
  it('are in tables of the format before, and in no other', () => {
    const table = boats('Late * 2');
    const old = { ...table, format: 'zest-table/5', columns: table.columns.with(9, { ...PLAIN_COLUMN, formula: '[Late] % 5' }) };
    const read = readTable(old);
    expect(read.ok && read.value.columns[9]?.formula).toBe('mod(Late, 5)');
    const kept = readTable({ ...old, format: 'zest-table/6' });
    expect(kept.ok && kept.value.columns[9]?.formula).toBe('[Late] % 5');
  });
});
