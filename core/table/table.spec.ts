import { dice, randomTable } from '../tests/random';
import { gridTable } from '../tests/themes';
import {
  LIMITS,
  columnGroups,
  deleteColumn,
  deleteRow,
  deleteRows,
  duplicateLines,
  emptyTable,
  fillBlock,
  gridOf,
  headerRole,
  insertColumn,
  insertRow,
  mergeCells,
  mergeEqual,
  moveLines,
  previewOf,
  readTable,
  sectionRows,
  setCell,
  setFooterRows,
  setHeaderRows,
  setRowHeaders,
  slotOf,
  splitCells,
  splitTexts,
  textOf,
  type Edited,
  type Table,
} from './index';

const done = (edited: Edited): Table => {
  if (!edited.ok) throw new Error(edited.problems[0]?.say);
  return edited.value;
};
const refusal = (edited: Edited): string => (edited.ok ? 'done' : (edited.problems[0]?.code ?? ''));
const merged = (rows: number, columns: number, at: readonly [number, number, number, number], given: Partial<Table> = {}): Table =>
  done(mergeCells(gridTable(rows, columns, given), { row: at[0], column: at[1] }, { row: at[2], column: at[3] }));

describe('The grid', () => {
  it('says who covers which slot', () => {
    const grid = gridOf(merged(4, 3, [1, 0, 2, 1]));
    expect(grid.at(2, 1)).toBe(grid.at(1, 0));
    expect(grid.rows[1]?.map(({ column }) => column)).toEqual([0, 2]);
    expect(grid.rows[2]?.map(({ column }) => column)).toEqual([2]);
  });
  it('is remembered by its table', () => {
    const table = gridTable(2, 2);
    expect(gridOf(table)).toBe(gridOf(table));
  });
  it('has no slot outside', () => expect(() => gridOf(gridTable(2, 2)).at(0, 2)).toThrowError(RangeError));
});

describe('Editing a table', () => {
  it('types into the cell that covers a slot', () => {
    const table = setCell(merged(3, 3, [1, 1, 2, 2]), 2, 2, 'new');
    expect(table.rows[1]?.[1]).toBe('new');
    expect(setCell(table, 1, 1, 'new')).toBe(table);
  });
  it('cuts a text that is too long', () =>
    expect(setCell(emptyTable('x', 1, 1), 0, 0, 'x'.repeat(LIMITS.cell + 5)).rows[0]?.[0]).toHaveSize(LIMITS.cell));
  it('keeps what merged cells held, line by line, and gives it back whole', () => {
    const table = merged(3, 3, [1, 0, 1, 2]);
    expect(table.rows[1]).toEqual(['r1c0\nr1c1\nr1c2', '', '']);
    expect(done(splitCells(table, 1, 2)).merges).toEqual([]);
    const first = mergeCells(setCell(gridTable(3, 3), 1, 0, ''), { row: 1, column: 0 }, { row: 1, column: 2 }, 'first');
    expect(done(first).rows[1]).toEqual(['r1c1', '', '']);
  });
  it('refuses merges across header and body, through others, and of one cell', () => {
    expect(refusal(mergeCells(gridTable(3, 3), { row: 0, column: 0 }, { row: 1, column: 0 }))).toBe('merge-section');
    expect(refusal(mergeCells(merged(4, 3, [1, 0, 2, 0]), { row: 2, column: 0 }, { row: 2, column: 1 }))).toBe('merge-overlap');
    expect(refusal(mergeCells(gridTable(3, 3), { row: 1, column: 1 }, { row: 1, column: 1 }))).toBe('merge-one');
    expect(refusal(splitCells(gridTable(2, 2), 0, 0))).toBe('split-one');
  });
  it('puts new rows into the row’s own part of the table', () => {
    const table = gridTable(4, 2, { headerRows: 1, footerRows: 1 });
    expect(done(insertRow(table, 0, 'before')).headerRows).toBe(2);
    expect(done(insertRow({ ...table, headerRows: 2 }, 0, 'after')).headerRows).toBe(3);
    expect(done(insertRow(table, 1, 'before')).headerRows).toBe(1);
    expect(done(insertRow(table, 3, 'before')).footerRows).toBe(2);
  });
  it('takes a row behind the last header row for one of the body', () => {
    const added = done(insertRow(gridTable(4, 2, { headerRows: 2, footerRows: 1 }), 1, 'after', 2));
    expect([added.headerRows, added.footerRows, added.rows.length]).toEqual([2, 1, 6]);
  });
  it('gives the texts of merged cells back to them, in the order in which one reads', () => {
    const table = gridTable(3, 3);
    const whole = done(mergeCells(table, { row: 1, column: 0 }, { row: 2, column: 1 }));
    expect(done(splitTexts(whole, 2, 1)).rows).toEqual(table.rows);
    const more = setCell(whole, 1, 0, 'a\nb\nc\nd\ne');
    expect(done(splitTexts(more, 1, 0)).rows[1]?.[0]).toBe('a\nb\nc\nd\ne');
    expect(refusal(splitTexts(table, 0, 0))).toBe('split-one');
  });
  it('puts one text into every cell of a block, what merged cells cover and what is not meant left alone', () => {
    const table = done(mergeCells(gridTable(4, 3), { row: 1, column: 0 }, { row: 1, column: 1 }, 'first'));
    const filled = fillBlock(table, { row: 1, column: 0, toRow: 2, toColumn: 2 }, 'open', ({ row, column }) => row < 2 || column < 2);
    expect(filled.rows).toEqual([table.rows[0] ?? [], ['open', '', 'open'], ['open', 'open', 'r2c2'], table.rows[3] ?? []]);
  });
  it('grows merged cells that a new row or column goes through', () => {
    expect(done(insertRow(merged(4, 3, [1, 0, 2, 1]), 1, 'after')).merges).toEqual([{ row: 1, column: 0, rows: 3, columns: 2 }]);
    expect(done(insertColumn(merged(4, 3, [1, 0, 2, 1]), 0, 'before')).merges).toEqual([{ row: 1, column: 1, rows: 2, columns: 2 }]);
  });
  it('shrinks merged cells that a row or column leaves, and keeps their text', () => {
    const table = done(deleteRow(merged(4, 3, [1, 0, 2, 0]), 1));
    expect(table.merges).toEqual([]);
    expect(table.rows[1]?.[0]).toBe('r1c0\nr2c0');
    expect(done(deleteColumn(merged(4, 3, [1, 0, 1, 2]), 0)).rows[1]?.[0]).toBe('r1c0\nr1c1\nr1c2');
  });
  it('keeps one row and one column', () => {
    expect(refusal(deleteRow(gridTable(1, 2), 0))).toBe('rows-least');
    expect(refusal(deleteColumn(gridTable(2, 1), 0))).toBe('columns-least');
  });
  it('moves rows and columns, and refuses what would tear merged cells or leave the part', () => {
    const row = (from: number, to = from) => ({ axis: 'row' as const, from, to });
    const column = (from: number, to = from) => ({ axis: 'column' as const, from, to });
    expect(done(moveLines(gridTable(4, 1), row(1), 3)).rows.flat()).toEqual(['r0c0', 'r2c0', 'r1c0', 'r3c0']);
    expect(done(moveLines(gridTable(5, 1), row(1, 2), 5)).rows.flat()).toEqual(['r0c0', 'r3c0', 'r4c0', 'r1c0', 'r2c0']);
    expect(done(moveLines(gridTable(1, 3), column(2), 1)).rows[0]).toEqual(['r0c0', 'r0c2', 'r0c1']);
    expect(done(moveLines(gridTable(1, 3), column(0, 1), 3)).rows[0]).toEqual(['r0c2', 'r0c0', 'r0c1']);
    expect(refusal(moveLines(gridTable(4, 1), row(1), 0))).toBe('move-section');
    expect(refusal(moveLines(merged(4, 2, [1, 0, 2, 0]), row(2), 4))).toBe('move-merge');
    expect(refusal(moveLines(merged(4, 2, [1, 0, 2, 0]), row(3), 2))).toBe('move-merge');
    expect(refusal(moveLines(gridTable(2, 2), column(0), -1))).toBe('move-edge');
  });
  it('carries merged cells along with all of their rows', () => {
    expect(done(moveLines(merged(4, 3, [1, 0, 1, 1]), { axis: 'row', from: 1, to: 1 }, 3)).merges[0]?.row).toBe(2);
    expect(done(moveLines(merged(5, 2, [1, 0, 2, 0]), { axis: 'row', from: 1, to: 2 }, 5)).merges[0]?.row).toBe(3);
  });
  it('splits merged cells at a new edge of the header', () => {
    const table = setHeaderRows(merged(5, 2, [1, 0, 4, 0]), 3);
    expect(table.merges).toEqual([
      { row: 1, column: 0, rows: 2, columns: 1 },
      { row: 3, column: 0, rows: 2, columns: 1 },
    ]);
    expect(setFooterRows(table, 99).footerRows).toBe(2);
    expect(setRowHeaders(table, -4).rowHeaders).toBe(0);
  });
});

describe('Header cells (HTML Standard, header assignment)', () => {
  const table = merged(4, 4, [0, 1, 0, 2], { headerRows: 2, rowHeaders: 1, footerRows: 1 });
  const role = (row: number, column: number): string => {
    const { tag, scope } = headerRole(table, gridOf(table).at(row, column));
    return `${tag} ${scope ?? ''}`.trim();
  };
  it('head columns, column groups and rows', () => {
    expect([role(0, 0), role(0, 1), role(1, 1), role(2, 0), role(2, 1), role(3, 0)]).toEqual([
      'th col',
      'th colgroup',
      'th col',
      'th row',
      'td',
      'th row',
    ]);
  });
  it('have column groups for the upper tier', () => expect(columnGroups(table).map(({ columns }) => columns)).toEqual([1, 2, 1]));
  it('are none when they are empty', () => expect(headerRole(table, { ...gridOf(table).at(0, 0), text: '  ' })).toEqual({ tag: 'td' }));
  it('need no column groups with one tier', () => expect(columnGroups(gridTable(2, 2))).toEqual([]));
});

describe('A cell as the theme sees it', () => {
  const table = gridTable(6, 2, { headerRows: 1, footerRows: 1, rowHeaders: 1 });
  it('counts bands, first and last in its own row group', () => {
    expect(slotOf(table, gridOf(table).at(1, 1))).toEqual({ part: 'body-rows', conditions: ['odd', 'even-columns', 'first'] });
    expect(slotOf(table, gridOf(table).at(4, 0), ['hovered'])).toEqual({
      part: 'row-headers',
      conditions: ['even', 'odd-columns', 'last', 'hovered-even', 'hovered'],
    });
    expect(slotOf(table, gridOf(table).at(5, 1)).part).toBe('footer');
  });
  it('knows the rows of each group', () => expect(sectionRows(table, 'body')).toEqual({ first: 1, count: 4 }));
});

describe('Many rows at once', () => {
  it('come and go as one after the other would', () => {
    for (let seed = 0; seed < 400; seed++) {
      const d = dice(seed);
      const table = randomTable(d);
      const from = d.whole(0, table.rows.length - 1);
      const to = d.whole(from, table.rows.length - 1);
      const each = (edit: (table: Table) => Edited): Table | undefined => {
        let now: Edited = { ok: true, value: table };
        for (let i = from; i <= to && now.ok; i++) now = edit(now.value);
        return now.ok ? now.value : undefined;
      };
      const whole = (edited: Edited): Table | undefined => (edited.ok ? edited.value : undefined);
      expect(whole(deleteRows(table, from, to)))
        .withContext(`seed ${seed}`)
        .toEqual(each((now) => deleteRow(now, from)));
      expect(whole(insertRow(table, from, 'before', to - from + 1)))
        .withContext(`seed ${seed}`)
        .toEqual(each((now) => insertRow(now, from, 'before')));
      expect(whole(insertRow(table, to, 'after', to - from + 1)))
        .withContext(`seed ${seed}`)
        .toEqual(each((now) => insertRow(now, to, 'after')));
    }
  });
  it('are the very same rows where nothing is done to them', () => {
    const table = gridTable(30, 3);
    for (const edited of [
      duplicateLines(table, { axis: 'row', from: 10, to: 12 }),
      deleteRows(table, 10, 12),
      insertRow(table, 10, 'after', 3),
      moveLines(table, { axis: 'row', from: 10, to: 12 }, 20),
      mergeEqual(table, { row: 9, column: 0, toRow: 12, toColumn: 2 }),
    ])
      if (edited.ok) for (const row of [0, 5]) expect(edited.value.rows[row]).toBe(table.rows[row]);
  });
});

describe('A preview of a table', () => {
  it('keeps header and footer and cuts the body and what is merged in it', () => {
    const table = merged(9, 2, [3, 0, 6, 0], { headerRows: 1, footerRows: 1 });
    const preview = previewOf(table, 4);
    expect(preview.rows.map(([first]) => textOf(first).split('\n')[0])).toEqual(['r0c0', 'r1c0', 'r2c0', 'r3c0', '', 'r8c0']);
    expect(preview.merges).toEqual([{ row: 3, column: 0, rows: 2, columns: 1 }]);
    expect(readTable(preview).ok).toBeTrue();
    expect(previewOf(table, 100)).toBe(table);
  });
});

describe('Reading a table document', () => {
  const table = gridTable(3, 2);
  const says = (json: unknown): string => {
    const read = readTable(json);
    return read.ok ? 'good' : read.problems.map(({ say }) => say).join(' ');
  };
  it('takes a good one', () => expect(says(JSON.parse(JSON.stringify(table)))).toBe('good'));
  for (const [what, json, expected] of [
    ['ragged rows', { ...table, rows: [['a'], ['b', 'c']] }, /same number of cells/],
    ['no rows', { ...table, rows: [] }, /at least one row/],
    ['rows with no cells', { ...table, rows: [[]] }, /at least one/],
    ['a number in a cell', { ...table, rows: [[7]] }, /a text, or a text with marks/],
    ['too many header rows', { ...table, headerRows: 9 }, /more header and footer rows than rows/],
    ['half a header row', { ...table, headerRows: 0.5 }, /whole number/],
    ['a merge outside', { ...table, merges: [{ row: 2, column: 1, rows: 2, columns: 1 }] }, /reach outside/],
    ['a merge across the header', { ...table, merges: [{ row: 0, column: 0, rows: 2, columns: 1 }] }, /cross the edge/],
    [
      'merges that overlap',
      {
        ...table,
        merges: [
          { row: 1, column: 0, rows: 2, columns: 1 },
          { row: 2, column: 0, rows: 1, columns: 2 },
        ],
      },
      /overlap/,
    ],
    ['a merge that is null', { ...table, merges: [null] }, /.+/],
    ['a merge of half a row', { ...table, merges: [{ row: 1, column: 0, rows: 0.5, columns: 2 }] }, /whole number/],
    ['rows that are null', { ...table, rows: [null] }, /.+/],
    ['something else', [1, 2], /.+/],
  ] as const) {
    it(`says what is wrong with ${what}`, () => expect(says(json)).toMatch(expected));
  }
});
