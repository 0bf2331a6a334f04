import { dice, randomTable, withExceptions } from '../../tests/random';
import { gridTable } from '../../tests/themes';
import {
  deleteLines,
  insertLines,
  mergeTables,
  mergeCells,
  moveLines,
  readTable,
  setCell,
  setExceptions,
  textsOf,
  type Lines,
  type Table,
} from '../index';

const row = (from: number, to = from): Lines => ({ axis: 'row', from, to });
const column = (from: number, to = from): Lines => ({ axis: 'column', from, to });
const good = (edited: ReturnType<typeof moveLines>): Table => {
  if (!edited.ok) throw new Error(edited.problems[0]?.say);
  return edited.value;
};
const texts = (table: Table): readonly string[] => table.rows.map((each) => textsOf(each).join(' '));
/** As it comes from a server: equal, and not the same values. */
const fetched = (table: Table): Table => JSON.parse(JSON.stringify(table)) as Table;

describe('A table that two windows changed', () => {
  const base = gridTable(6, 3, { headerRows: 1 });
  const merged = (mine: Table, theirs: Table): Table => {
    const { value, conflicts } = mergeTables(base, mine, fetched(theirs));
    expect(conflicts).toEqual([]);
    expect(readTable(value).ok).toBeTrue();
    return value;
  };

  it('has a cell’s edit in its row, wherever the other sorted it', () => {
    const mine = setCell(base, 2, 1, 'mine');
    const theirs = good(moveLines(good(moveLines(base, row(2), 6)), row(1), 4));
    expect(texts(merged(mine, theirs))).toEqual([
      'r0c0 r0c1 r0c2',
      'r3c0 r3c1 r3c2',
      'r4c0 r4c1 r4c2',
      'r1c0 r1c1 r1c2',
      'r5c0 r5c1 r5c2',
      'r2c0 mine r2c2',
    ]);
  });
  it('has a row and a column that one put in and a cell that the other typed', () => {
    const theirs = good(insertLines(good(insertLines(base, row(1), 'before')), column(0), 'after'));
    const value = merged(setCell(base, 4, 2, 'mine'), theirs);
    expect(texts(value)[5]).toBe('r4c0  r4c1 mine');
    expect([value.rows.length, value.columns.length]).toEqual([7, 4]);
  });
  it('lacks a row that one took away, and has the other’s edit of its neighbour', () => {
    expect(texts(merged(good(deleteLines(base, row(3))), setCell(base, 4, 0, 'theirs')))).toEqual([
      'r0c0 r0c1 r0c2',
      'r1c0 r1c1 r1c2',
      'r2c0 r2c1 r2c2',
      'theirs r4c1 r4c2',
      'r5c0 r5c1 r5c2',
    ]);
  });
  it('keeps a row that one took away and the other changed', () => {
    expect(texts(merged(setCell(base, 3, 0, 'mine'), good(deleteLines(base, row(3)))))).toContain('mine r3c1 r3c2');
    expect(texts(merged(good(deleteLines(base, row(3))), setCell(base, 3, 0, 'theirs')))).toContain('theirs r3c1 r3c2');
  });
  it('takes looks, merged cells and headings along with their rows', () => {
    const look = setExceptions(base, [{ row: 4, column: 1 }], (each) => ({ ...each, values: { fill: 'mist' } }));
    const both = good(mergeCells(look, { row: 5, column: 0 }, { row: 5, column: 1 }));
    const value = merged(both, good(insertLines(base, row(1, 2), 'before')));
    expect(value.exceptions.map((each) => [each.row, each.column])).toEqual([[6, 1]]);
    expect(value.merges).toEqual([{ row: 7, column: 0, rows: 1, columns: 2 }]);
  });
  it('asks about a cell that both changed, by where it stands then', () => {
    const theirs = fetched(good(moveLines(setCell(base, 2, 1, 'theirs'), row(2), 6)));
    const { value, conflicts } = mergeTables(base, setCell(base, 2, 1, 'mine'), theirs);
    expect(conflicts).toEqual([{ path: ['rows', '5', '1'], mine: 'mine', theirs: 'theirs' }]);
    expect(texts(value)[5]).toBe('r2c0 mine r2c2');
  });
  it('keeps the other’s rows as they came where they are as they are there, so that nothing else is sent', () => {
    const theirs = fetched(good(insertLines(base, row(1), 'before')));
    const { value } = mergeTables(base, setCell(base, 2, 1, 'mine'), theirs);
    expect(value.rows.filter((each) => !theirs.rows.includes(each)).length).toBe(1);
  });
  it('is one that can be kept, and is the other’s where this one did nothing, for random tables', () => {
    for (let seed = 0; seed < 200; seed++) {
      const d = dice(seed);
      const first = withExceptions(d, randomTable(d));
      const side = (): Table => {
        let table = first;
        for (let i = d.whole(0, 4); i > 0; i--) {
          const [height, width] = [table.rows.length, table.columns.length];
          const at = d.whole(0, height - 1);
          const done = d.pick([
            (): Table => setCell(table, at, d.whole(0, width - 1), `said ${i}`),
            (): Table => [insertLines(table, row(at), 'after')].flatMap((each) => (each.ok ? [each.value] : [table]))[0] ?? table,
            (): Table => (height > 3 ? ([deleteLines(table, row(at))].flatMap((each) => (each.ok ? [each.value] : [table]))[0] ?? table) : table),
            (): Table => [moveLines(table, row(at), d.whole(0, height))].flatMap((each) => (each.ok ? [each.value] : [table]))[0] ?? table,
          ])();
          table = done;
        }
        return table;
      };
      const [mine, theirs] = [side(), fetched(side())];
      const { value } = mergeTables(first, mine, theirs);
      const read = readTable(value);
      expect(read.ok ? '' : read.problems[0]?.say)
        .withContext(`seed ${seed}`)
        .toBe('');
      expect(texts(mergeTables(first, mine, fetched(first)).value))
        .withContext(`seed ${seed}, mine`)
        .toEqual(texts(mine));
      expect(texts(mergeTables(first, first, theirs).value))
        .withContext(`seed ${seed}, theirs`)
        .toEqual(texts(theirs));
    }
  });
});
