import { dice, randomTable, withExceptions } from '../../tests/random';
import { gridOf, narrowedTable, readTable, sectionRows, tableOf } from '../index';

describe('A table narrowed to some of its rows', () => {
  it('keeps header and footer, and the headings of groups of which a row is left', () => {
    const rows = [['Boat'], ['North'], ['Wick'], ['Ada'], ['South'], ['Moth'], ['All']];
    const table = tableOf('x', rows, {
      footerRows: 1,
      groups: [1, 4],
      exceptions: [{ row: 3, column: 0, reach: '', dressing: '', values: { ink: 'red' } }],
    });
    const { table: narrow, rows: from } = narrowedTable(table, [3]);
    expect(narrow.rows.map((row) => row[0])).toEqual(['Boat', 'North', 'Ada', 'All']);
    expect(from).toEqual([0, 1, 3, 6]);
    expect([narrow.groups, narrow.exceptions[0]?.row]).toEqual([[1], 2]);
  });
  it('is a whole table, each of whose cells says the same as where it comes from', () => {
    for (let seed = 0; seed < 300; seed++) {
      const d = dice(seed);
      const table = withExceptions(d, randomTable(d));
      const { first, count } = sectionRows(table, 'body');
      const body = Array.from({ length: count }, (_, i) => first + i).filter((row) => !table.groups.includes(row) && d.chance(0.4));
      const { table: narrow, rows } = narrowedTable(table, body);
      if (narrow.rows.length === 0) continue;
      expect(readTable(narrow).ok).withContext(`seed ${seed}`).toBeTrue();
      for (const [at, row] of rows.entries()) expect(narrow.rows[at]).withContext(`seed ${seed}`).toBe(table.rows[row]);
      expect(gridOf(narrow).height).toBe(rows.length);
    }
  });
});
