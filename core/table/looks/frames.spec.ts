import { gridTable, themeWith, viewOf } from '../../tests/themes';
import { cellEdges } from '../../lines';
import { frameBefore, framedAt, gridOf, mergeCells, readTable, setExceptions, turn, type Table } from '../index';

const framed = (table: Table, reach: '' | 'header' = 'header', column = 1): Table =>
  setExceptions(table, [{ row: null, column }], (each) => ({ ...each, reach, values: { frame: '2px solid deep' } }));
const merged = (table: Table, from: [number, number], to: [number, number]): Table => {
  const made = mergeCells(table, { row: from[0], column: from[1] }, { row: to[0], column: to[1] });
  if (!made.ok) throw new Error('It can be merged');
  return made.value;
};
/** Where the cells of a column close the frame: `t`, `b`, or `-` within it; a dot where there is none. */
const closed = (table: Table, column = 1): string =>
  table.rows
    .map((_, row) => {
      const cell = gridOf(table).at(row, column);
      const at = cell.row === row ? framedAt(table, cell) : undefined;
      return at === undefined ? '.' : `${at.isTop ? 't' : ''}${at.isBottom ? 'b' : ''}` || '-';
    })
    .join('');

const plain = gridTable(6, 4, { headerRows: 1, footerRows: 1 });

describe('The frame around a column', () => {
  it('goes from header to footer, or around the body where it does not reach into the header', () => {
    expect(closed(framed(plain))).toBe('t----b');
    expect(closed(framed(plain, ''))).toBe('.t---b');
    expect(closed(framed(gridTable(3, 4)))).toBe('t-b');
    expect(closed(framed(gridTable(1, 4, { headerRows: 0 })))).toBe('tb');
  });
  it('has no cell over several columns, and is closed beside it', () => {
    const two = gridTable(6, 4, { headerRows: 2, footerRows: 1 });
    expect(closed(framed(merged(two, [0, 1], [0, 2])))).toBe('.t---b');
    expect(closed(framed(merged(two, [5, 0], [5, 3])))).toBe('t---b.');
    // Where only the lower part of a header cell is left, that one closes it.
    expect(closed(framed(merged(two, [0, 1], [1, 1])))).toBe('t.---b');
  });
  it('is closed below by a merged cell that reaches its end', () => {
    expect(closed(framed(merged(gridTable(5, 4), [3, 1], [4, 1])))).toBe('t--b.');
    expect(closed(framed(merged(gridTable(8, 4), [2, 1], [7, 1])))).toBe('t-b.....');
    expect(closed(framed(merged(gridTable(6, 4), [5, 0], [5, 3]))))
      .withContext('below a cell over several columns')
      .toBe('t---b.');
  });
  it('takes the line from the start of the cells after it, where these touch', () => {
    const table = framed(plain);
    const edges = (row: number, column: number, cells = 'joined') =>
      cellEdges(
        viewOf(themeWith({ table: { rest: { cells, gap: '4px' } }, lines: { rest: { columns: '1px solid lamp' } } })),
        table,
        gridOf(table).at(row, column),
      );
    expect([edges(3, 1).start?.name, edges(3, 1).end?.name]).toEqual(['frame', 'frame']);
    expect(edges(2, 2).start).toBeUndefined();
    expect(edges(2, 2, 'spaced').start?.name).toBe('columns');
    expect(edges(0, 1).top?.name).toBe('frame');
    expect(edges(5, 1).bottom?.name).toBe('frame');
    expect(frameBefore(table, gridOf(table).at(2, 3))).toBeUndefined();
  });
  it('is none where its line cannot be read or is none, and then takes no line from the cells after it', () => {
    for (const frame of ['none', '2px solid gone']) {
      const table = setExceptions(plain, [{ row: null, column: 1 }], (each) => ({ ...each, values: { frame } }));
      const view = viewOf(themeWith({ lines: { rest: { columns: '1px solid lamp' } } }));
      expect(cellEdges(view, table, gridOf(table).at(2, 1)).end)
        .withContext(frame)
        .toBeUndefined();
      expect(cellEdges(view, table, gridOf(table).at(2, 2)).start?.name)
        .withContext(frame)
        .toBe('columns');
    }
  });
  it('is of whole columns alone: refused elsewhere with a sentence, and left behind when rows become columns', () => {
    const exception = { row: 2, column: null, reach: '', dressing: '', values: { frame: '1px solid #123456' } };
    const read = readTable({ ...plain, exceptions: [exception] });
    expect(read.ok ? '' : read.problems.map(({ say }) => say).join()).toContain('Only a whole column has a frame.');
    expect(readTable({ ...plain, exceptions: [{ ...exception, row: null, column: 2 }] }).ok).toBeTrue();
    const turned = turn(framed(plain));
    expect(turned.ok && turned.value.exceptions).toEqual([]);
  });
});
