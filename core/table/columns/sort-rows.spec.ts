import { sortedPlaces } from '../../data-types';
import { dice, randomTable, withExceptions } from '../../tests/random';
import {
  applyChange,
  backOf,
  changeBetween,
  gridProblem,
  inOrderOf,
  readChange,
  readIn,
  readTable,
  sortGroups,
  tableOf,
  textOf,
  type Table,
} from '../index';

const boats = tableOf(
  'x',
  [
    ['Boat', 'Fare'],
    ['North', ''],
    ['Wick', '12'],
    ['Ada', '£4'],
    ['Gull', '–'],
    ['South', ''],
    ['Moth', '7'],
    ['Tern', '1.5'],
    ['All', ''],
  ],
  { footerRows: 1, groups: [1, 5], exceptions: [{ row: 2, column: 1, reach: '', dressing: '', values: { ink: 'red' } }] },
);
const sorted = (table: Table, column: number, direction: 'ascending' | 'descending'): ReturnType<typeof inOrderOf> =>
  inOrderOf(
    table,
    sortGroups(table).map(({ first, count }) =>
      sortedPlaces(
        table.rows.slice(first, first + count).map((row) => {
          const value = readIn(table, column, textOf(row[column]));
          return value === undefined ? textOf(row[column]) : value;
        }),
        direction,
        'en',
      ),
    ),
  );

describe('Sorting a table’s rows', () => {
  it('keeps row groups, header and footer, and takes along what a row has', () => {
    const up = sorted(boats, 1, 'ascending');
    expect(up.ok && up.value.rows.map((row) => row[0])).toEqual(['Boat', 'North', 'Ada', 'Wick', 'Gull', 'South', 'Tern', 'Moth', 'All']);
    expect(up.ok && up.value.exceptions[0]?.row).toBe(3);
    const down = sorted(boats, 1, 'descending');
    expect(down.ok && down.value.rows.map((row) => row[0])).toEqual(['Boat', 'North', 'Wick', 'Ada', 'Gull', 'South', 'Moth', 'Tern', 'All']);
    expect(up.ok && sorted(up.value, 1, 'ascending')).toEqual(up);
  });
  it('is refused where it would tear merged cells', () => {
    const merged: Table = { ...boats, merges: [{ row: 2, column: 0, rows: 2, columns: 1 }] };
    const refused = sorted(merged, 1, 'ascending');
    expect(refused.ok ? '' : refused.problems[0]?.say).toContain('merged over several rows at row 3, column 1');
  });
  it('leaves random tables whole, and is sent as an order and taken back', () => {
    for (let seed = 0; seed < 300; seed++) {
      const d = dice(seed);
      const table = withExceptions(d, randomTable(d));
      const done = sorted(table, d.whole(0, table.columns.length - 1), d.pick(['ascending', 'descending']));
      if (!done.ok) continue;
      expect(readTable(done.value).ok).withContext(`seed ${seed}`).toBeTrue();
      expect(gridProblem(done.value, table.rows.length, table.columns.length)).toBeUndefined();
      const change = changeBetween(table, done.value);
      expect(change.rows?.every((edit) => 'order' in edit) ?? true)
        .withContext(`seed ${seed}`)
        .toBeTrue();
      expect(applyChange(table, change)).toEqual(done.value);
      expect(applyChange(done.value, changeBetween(done.value, table))).toEqual(table);
    }
  });
});

describe('An order of rows', () => {
  const sent = (order: unknown): boolean => readChange({ change: { rows: [{ at: 0, order }] }, said: [] }).ok;
  it('names each of them once', () => {
    expect(sent([2, 0, 1])).toBeTrue();
    for (const wrong of [[0, 0], [1, 2], [-1, 0], [0.5, 1], 'x', [0, '1']]) expect(sent(wrong)).withContext(JSON.stringify(wrong)).toBeFalse();
    expect(readChange({ change: { rows: [{ at: 0, order: [1, 0], take: 1 }] }, said: [] }).ok).toBeFalse();
    expect(() => applyChange(boats, { rows: [{ at: 8, order: [1, 0] }] })).toThrowError(RangeError);
  });
  it('is taken back by its inverse', () => expect(backOf([2, 0, 1])).toEqual([1, 2, 0]));
});
