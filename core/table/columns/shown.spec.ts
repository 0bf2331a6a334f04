import { PLAIN_FORMAT } from '../../data-types';
import {
  PLAIN_COLUMN,
  gridOf,
  isNegativeCell,
  isNumberCell,
  isWrong,
  padOf,
  readIn,
  readTable,
  shownText,
  tableOf,
  typeOfColumn,
  withWholeTypes,
  type Column,
  type Table,
} from '../index';

const column = (set: Partial<Column>): Column => ({ ...PLAIN_COLUMN, ...set });
const fares = (set: Partial<Column>, more: Partial<Table> = {}): Table =>
  tableOf(
    'Fares',
    [
      ['Boat', 'Fare'],
      ['Moth', '£1,204.5'],
      ['Wick', '(£12)'],
      ['Ada', 'free'],
      ['Gull', '–'],
      ['All', ''],
    ],
    { footerRows: 1, columns: [PLAIN_COLUMN, column(set)], ...more },
  );
const shown = (table: Table, at = 1): readonly string[] => table.rows.map((_, row) => shownText(table, gridOf(table).at(row, at)));

describe('Totals of row groups', () => {
  it('stand in the headings of their groups, where those are not over the whole row', () => {
    const rows = [
      ['Boat', 'Fare'],
      ['North', ''],
      ['Wick', '2.5'],
      ['Ada', '4'],
      ['South', ''],
      ['Moth', '1'],
      ['All', ''],
    ];
    const table = tableOf('x', rows, { footerRows: 1, groups: [1, 4], columns: [PLAIN_COLUMN, column({ total: 'sum' })] });
    expect(shown(table)).toEqual(['Fare', '6.5', '2.5', '4', '1', '1', '7.5']);
    expect(isNumberCell(table, gridOf(table).at(1, 1))).toBeTrue();
  });
});

describe('What a column is read as', () => {
  it('does not hang on a rhythm in its rows', () => {
    const rows = Array.from({ length: 5000 }, (_, i) => [String(((i * 7919) % 10_000) / 10)]);
    const table = tableOf('x', [['Reading'], ...rows]);
    expect(typeOfColumn(table, 0).type).toBe('number');
    const rare = tableOf('x', [['Reading'], ...rows.map((_, i) => [i === 4321 ? '0.5' : String(i)])]);
    expect(readIn(rare, 0, '0.5')).toBe(0.5);
  });

  it('is told from every cell when it comes in: one among 40,000 decides', () => {
    const usual = Array.from({ length: 40_000 }, (_, i) => i);
    const whole = (cell: (i: number) => string, rare: string): string =>
      withWholeTypes(tableOf('x', [['Name'], ...usual.map((i) => [i === 31_313 ? rare : cell(i)])])).table.columns[0]?.type ?? '';
    expect(whole((i) => String(i + 1), '007')).toBe('text');
    expect(whole((i) => String(i + 1), '0.5')).toBe('number');
    expect(whole((i) => `${i % 24}:${10 + (i % 50)}`, '31:20')).toBe('duration');
    expect(whole((i) => `Pier ${'ABCDEFGH'[i % 8]}`, 'Pier X')).toBe('text');
    // What some cells tell already is left to them, so that it follows what is typed later.
    expect(whole((i) => String(i + 1), 'on request')).toBe('');
    expect(whole((i) => String(i + 1), '17')).toBe('');
  });
});

describe('What a cell shows', () => {
  it('is what was typed, until its column has a format', () => {
    expect(shown(fares({}))).toEqual(['Fare', '£1,204.5', '(£12)', 'free', '–', '']);
    expect(shown(fares({ type: 'money' }))).toEqual(['Fare', '£1,204.5', '(£12)', 'free', '–', '']);
  });

  it('is the value in the format, and what is not of the type as it was typed', () => {
    const format = { ...PLAIN_FORMAT, currency: 'GBP', empty: 'none' };
    expect(shown(fares({ type: 'money', format }))).toEqual(['Fare', '£1,204.50', '-£12.00', 'free', 'none', 'none']);
    expect(shown(fares({ type: 'money', format }, { language: 'de' }))[1]).toBe('1.204,50\u00a0£');
  });

  it('is the total in the last footer row where nothing was typed', () => {
    expect(shown(fares({ type: 'money', total: 'sum' }))[5]).toBe('1,192.5');
    expect(shown(fares({ type: 'money', total: 'sum', format: { ...PLAIN_FORMAT, currency: 'GBP' } }))[5]).toBe('£1,192.50');
    expect(shown(fares({ total: 'count' }))[5]).toBe('3');
    const typed = fares({ total: 'count' });
    expect(shown({ ...typed, rows: typed.rows.with(5, ['All', 'many']) })[5]).toBe('many');
  });

  it('leaves headings, headers and texts with marks as they are', () => {
    const rows = [['n'], ['1'], [{ text: '2', marks: [{ from: 0, to: 1, kind: 'bold' as const }] }], ['3']];
    const table = tableOf('t', rows, { groups: [1], columns: [column({ type: 'whole', format: { ...PLAIN_FORMAT, decimals: 1 } })] });
    expect(shown(table, 0)).toEqual(['n', '1', '2', '3.0']);
  });
});

describe('Typed columns', () => {
  it('say which cells are numbers, below nothing, and wrong', () => {
    const table = fares({ type: 'money', total: 'sum' });
    const cells = table.rows.map((_, row) => gridOf(table).at(row, 1));
    expect(cells.map((cell) => isNumberCell(table, cell))).toEqual([false, true, true, false, false, true]);
    expect(cells.map((cell) => isNegativeCell(table, cell))).toEqual([false, false, true, false, false, false]);
    expect(cells.map((cell) => isWrong(table, cell))).toEqual([false, false, false, true, false, false]);
  });

  it('are no numbers where they are said to be texts', () => {
    const table = tableOf('t', [['n'], ['12'], ['7']], { columns: [column({ type: 'text' })] });
    expect(isNumberCell(table, gridOf(table).at(1, 0))).toBeFalse();
  });

  it('are lined up on the mark of the language that they are shown in', () => {
    const table = tableOf('t', [['n'], ['1.5'], ['2.25'], ['3']], {
      language: 'de',
      columns: [column({ type: 'number', format: PLAIN_FORMAT })],
    });
    expect([1, 2, 3].map((row) => padOf(table, gridOf(table).at(row, 0)))).toEqual(['0', '', ',00']);
  });

  it('are kept in a document, whose mistakes are said', () => {
    const table = fares({ type: 'money', order: 'dmy', format: PLAIN_FORMAT, total: 'median' }, { language: 'ar-EG' });
    expect(readTable(structuredClone(table))).toEqual({ ok: true, value: table });
    const says = (set: object): string | undefined => {
      const read = readTable({ ...table, columns: [PLAIN_COLUMN, { ...table.columns[1], ...set }] });
      return read.ok ? undefined : read.problems[0]?.say;
    };
    expect(says({ type: '' })).toBe('A column that is shown in a format has a type.');
    expect(says({ type: 'colour' })).toMatch(/type is one of/);
    expect(says({ format: { ...PLAIN_FORMAT, decimals: 11 } })).toBe('Decimals are from 0 to 10.');
    expect(says({ format: { ...PLAIN_FORMAT, currency: 'pounds' } })).toMatch(/three letters/);
    expect(readTable({ ...table, language: 'no such' }).ok).toBeFalse();
  });
});
