import { act, startHistory, undo } from '../../edit';
import { gridTable } from '../../tests/themes';
import { dice, randomTable, withExceptions, type Dice } from '../../tests/random';
import {
  blockOf,
  clearBlock,
  applyChange,
  changeBetween,
  deleteLines,
  dropHeading,
  duplicateLines,
  heightOf,
  insertLines,
  makeHeading,
  mergeCells,
  mergeEqual,
  moveLines,
  putBlock,
  readTable,
  sectionOf,
  setCell,
  setColumns,
  setFooterRows,
  setHeaderRows,
  setRowHeaders,
  splitCells,
  tableOf,
  textOf,
  turn,
  widthOf,
  type Edited,
  type Lines,
  type Table,
} from '../index';
import { forSeeds } from '../../tests/seeded';

const done = (edited: Edited): Table => {
  if (!edited.ok) throw new Error(edited.problems[0]?.say);
  return edited.value;
};
const put = (
  table: Table,
  at: readonly [number, number, number, number],
  rows: readonly (readonly string[])[],
  way: 'replace' | 'insert' = 'replace',
) => {
  const [row, column, toRow, toColumn] = at;
  const outcome = putBlock(table, { row, column, toRow, toColumn }, { rows, merges: [] }, way);
  if (!outcome.ok) throw new Error(outcome.problems[0]?.code);
  return outcome.value;
};

describe('Pasting into a table', () => {
  it('writes from the cell on and grows the table before its footer', () => {
    const { table, notes, at } = put(
      gridTable(3, 2, { headerRows: 1, footerRows: 1 }),
      [1, 1, 1, 1],
      [
        ['a', 'b'],
        ['c', 'd'],
      ],
    );
    expect(table.rows).toEqual([
      ['r0c0', 'r0c1', ''],
      ['r1c0', 'a', 'b'],
      ['', 'c', 'd'],
      ['r2c0', 'r2c1', ''],
    ]);
    expect([table.headerRows, table.footerRows]).toEqual([1, 1]);
    expect(notes).toEqual(['1 row was added.', '1 column was added.']);
    expect(at).toEqual({ row: 1, column: 1, toRow: 2, toColumn: 2 });
  });
  it('makes room first when it inserts', () => {
    const { table } = put(gridTable(3, 1), [1, 0, 1, 0], [['a'], ['b']], 'insert');
    expect(table.rows.flat()).toEqual(['r0c0', 'a', 'b', 'r1c0', 'r2c0']);
  });
  it('fills the whole choice with a single text', () => {
    expect(put(gridTable(3, 2), [1, 0, 2, 1], [['x']]).table.rows.slice(1)).toEqual([
      ['x', 'x'],
      ['x', 'x'],
    ]);
  });
  it('splits merged cells in the way and keeps what they held outside', () => {
    const merged = done(mergeCells(gridTable(3, 3), { row: 1, column: 0 }, { row: 2, column: 1 }));
    const { table, notes } = put(merged, [2, 1, 2, 1], [['x']]);
    expect(table.merges).toEqual([]);
    expect(table.rows[1]?.[0]).toContain('r1c0');
    expect(notes).toEqual(['Merged cells in the way were split.']);
  });
  it('brings merged cells along, but not across the edge of the header', () => {
    const block = {
      rows: [
        ['a', ''],
        ['', ''],
      ],
      merges: [{ row: 0, column: 0, rows: 2, columns: 2 }],
    };
    const at = (row: number) => {
      const outcome = putBlock(gridTable(4, 2), { row, column: 0, toRow: row, toColumn: 0 }, block, 'replace');
      return outcome.ok ? outcome.value : undefined;
    };
    expect(at(1)?.table.merges).toEqual([{ row: 1, column: 0, rows: 2, columns: 2 }]);
    expect(at(0)?.table.merges).toEqual([]);
    expect(at(0)?.notes).toEqual(['Merged cells that would cross the edge of the header, the footer or a row group were taken apart.']);
  });
  it('refuses what would be too large, and changes nothing', () => {
    const many = Array.from({ length: 200 }, () => 'x');
    const outcome = putBlock(gridTable(2, 2), { row: 0, column: 0, toRow: 0, toColumn: 0 }, { rows: [many], merges: [] }, 'replace');
    expect(outcome.ok ? '' : outcome.problems[0]?.code).toBe('columns-most');
  });
  it('gives back what was copied', () => {
    const table = done(mergeCells(gridTable(4, 3), { row: 1, column: 1 }, { row: 2, column: 2 }));
    const block = blockOf(table, { row: 1, column: 1, toRow: 3, toColumn: 2 });
    const outcome = putBlock(table, { row: 1, column: 1, toRow: 1, toColumn: 1 }, block, 'replace');
    expect(outcome.ok && outcome.value.table).toEqual(table);
  });
});

describe('Rows and columns, several at once', () => {
  it('are copied with the merged cells within them', () => {
    const table = done(
      duplicateLines(done(mergeCells(gridTable(3, 3), { row: 1, column: 0 }, { row: 1, column: 1 })), { axis: 'row', from: 1, to: 1 }),
    );
    expect(table.rows[2]).toEqual(table.rows[1] ?? []);
    expect(table.merges.map(({ row }) => row)).toEqual([1, 2]);
  });
  it('turn: rows become columns, headers row headers, merged cells with them', () => {
    const table = done(turn(done(mergeCells(gridTable(3, 2, { rowHeaders: 1 }), { row: 1, column: 1 }, { row: 2, column: 1 }))));
    expect(table.rows).toEqual([
      ['r0c0', 'r1c0', 'r2c0'],
      ['r0c1', 'r1c1\nr2c1', ''],
    ]);
    expect([table.headerRows, table.rowHeaders]).toEqual([1, 1]);
    expect(table.merges).toEqual([{ row: 1, column: 1, rows: 1, columns: 2 }]);
  });
});

describe('Equal neighbours', () => {
  const table = tableOf('x', [
    ['Boat', 'To', 'To'],
    ['Moth', 'Skerrin', 'Skerrin'],
    ['Moth', 'Skerrin', 'Skerrin'],
    ['Moth', '', 'Tarn Isle'],
    ['Wick', '', 'Tarn Isle'],
  ]);
  it('are merged down and across, with their text once; empty ones are not', () => {
    const merged = done(mergeEqual(table, { row: 0, column: 0, toRow: 4, toColumn: 2 }));
    expect(merged.merges).toEqual([
      { row: 0, column: 1, rows: 1, columns: 2 },
      { row: 1, column: 0, rows: 3, columns: 1 },
      { row: 1, column: 1, rows: 2, columns: 2 },
      { row: 3, column: 2, rows: 2, columns: 1 },
    ]);
    expect(merged.rows.flat().filter((text) => text === 'Skerrin').length).toBe(1);
    expect(gridProblem(merged)).toBe('');
  });
  it('stay within the choice and the part of the table, and are refused where there are none', () => {
    expect(done(mergeEqual(table, { row: 1, column: 0, toRow: 2, toColumn: 0 })).merges).toEqual([{ row: 1, column: 0, rows: 2, columns: 1 }]);
    const refused = mergeEqual(table, { row: 3, column: 0, toRow: 4, toColumn: 1 });
    expect(refused.ok ? '' : refused.problems[0]?.code).toBe('merge-none');
  });
});

/** What is wrong with a table's grid: rows that are not of one length, merged cells that overlap, reach out or cross an edge. */
function gridProblem(table: Table): string {
  const [height, width] = [heightOf(table), widthOf(table)];
  if (height < 1 || width < 1 || table.rows.some((cells) => cells.length !== width)) return 'not a rectangle';
  if (table.headerRows + table.footerRows > height || table.rowHeaders > width) return 'more headers than lines';
  const taken = new Set<number>();
  for (const { row, column, rows, columns } of table.merges) {
    if (rows * columns < 2 || row + rows > height || column + columns > width) return 'a merge reaches out';
    if (sectionOf(table, row) !== sectionOf(table, row + rows - 1)) return 'a merge crosses an edge';
    for (let r = row; r < row + rows; r++)
      for (let c = column; c < column + columns; c++) {
        if (taken.has(r * width + c)) return 'merges overlap';
        taken.add(r * width + c);
        if ((r !== row || c !== column) && table.rows[r]?.[c] !== '') return 'text under merged cells';
      }
  }
  const inBody = table.groups.every((row, i) => sectionOf(table, row) === 'body' && row > (table.groups[i - 1] ?? -1));
  if (!inBody) return 'a heading outside the body, or out of order';
  if (table.merges.some((merge) => table.groups.some((row) => row > merge.row && row < merge.row + merge.rows)))
    return 'a merge reaches over a heading';
  return table.columns.length === width ? '' : 'not one entry for each column';
}

const words = ({ rows }: Table): Map<string, number> => {
  const counts = new Map<string, number>();
  for (const word of rows.flat().flatMap((cell) => textOf(cell).split(/\s+/))) if (word !== '') counts.set(word, (counts.get(word) ?? 0) + 1);
  return counts;
};
const lost = (before: Table, after: Table): readonly string[] => {
  const left = words(after);
  return [...words(before)].filter(([word, n]) => (left.get(word) ?? 0) < n).map(([word]) => word);
};

/** The table as it was before anything: what a change is told against. */
const first = (table: Table): Table => ({ ...table, rows: table.rows.map((cells) => [...cells]), caption: '' });

/** One random edit, and whether it may take texts away. */
function randomEdit(table: Table, d: Dice): { readonly table: Table; readonly keeps: boolean } {
  const [row, column] = [d.whole(0, heightOf(table) - 1), d.whole(0, widthOf(table) - 1)];
  const axis = d.pick(['row', 'column'] as const);
  const at = axis === 'row' ? row : column;
  const end = axis === 'row' ? heightOf(table) : widthOf(table);
  const lines: Lines = { axis, from: at, to: Math.min(end - 1, at + d.whole(0, 1)) };
  const chosen = { row, column, toRow: row, toColumn: column };
  const edits: readonly (readonly [keeps: boolean, edit: () => Edited | Table])[] = [
    [true, () => insertLines(table, lines, d.pick(['before', 'after']))],
    [true, () => duplicateLines(table, lines)],
    [true, () => moveLines(table, lines, d.whole(0, end))],
    [true, () => turn(table)],
    [true, () => mergeCells(table, { row, column }, { row: d.whole(0, heightOf(table) - 1), column: d.whole(0, widthOf(table) - 1) })],
    [true, () => splitCells(table, row, column)],
    [true, () => setHeaderRows(table, d.whole(0, 3))],
    [true, () => setFooterRows(table, d.whole(0, 3))],
    [true, () => setRowHeaders(table, d.whole(0, 2))],
    [true, () => makeHeading(table, row)],
    [true, () => dropHeading(table, row)],
    [true, () => setColumns(table, column, column, { width: d.pick(['', '120px', '2fr']), hidden: d.chance(0.3) })],
    [true, () => applyChange(first(table), changeBetween(first(table), table))],
    [false, () => deleteLines(table, lines)],
    [false, () => setCell(table, row, column, `t${d.whole(0, 99)}`)],
    [false, () => clearBlock(table, { row: 0, column: 0, toRow: 0, toColumn: widthOf(table) - 1 })],
    [false, () => pasted(table, chosen, d)],
  ];
  const [keeps, edit] = d.pick(edits);
  const edited = edit();
  if ('rows' in edited) return { table: edited, keeps };
  return { table: edited.ok ? edited.value : table, keeps };
}

function pasted(table: Table, chosen: { row: number; column: number; toRow: number; toColumn: number }, d: Dice): Edited {
  const rows = Array.from({ length: d.whole(1, 3) }, () => Array.from({ length: d.whole(1, 3) }, () => `p${d.whole(0, 9)}`));
  const outcome = putBlock(table, chosen, { rows, merges: [] }, d.pick(['replace', 'insert']));
  return outcome.ok ? { ok: true, value: outcome.value.table } : outcome;
}

describe('10,000 random works on tables', () => {
  forSeeds(
    'leave no hole, no overlap and no lost text, and undo gives back the identical table',
    { all: 10_000, usual: 4000, together: 500 },
    (seed) => {
      const d = dice(seed);
      const plain = randomTable(d);
      const first = seed % 2 === 0 ? plain : withExceptions(d, plain);
      const texts = JSON.stringify(first);
      let history = startHistory(first);
      for (let i = 0; i < 8; i++) {
        const before = history.present;
        const { table, keeps } = randomEdit(before, d);
        const wrong = gridProblem(table) || (keeps && lost(before, table).length > 0 ? `lost ${lost(before, table).join(', ')}` : '');
        const misplaced = readTable(table);
        if (seed % 20 === 1 && !misplaced.ok) return fail(`seed ${seed}, edit ${i + 1}: ${misplaced.problems[0]?.say}`);
        if (wrong) return fail(`seed ${seed}, edit ${i + 1}: ${wrong}`);
        // Tables do not grow without end.
        if (heightOf(table) * widthOf(table) < 400) history = act(history, { label: 'edit', touches: '', time: i, make: () => table });
      }
      if (seed % 100 === 0) expect(readTable(history.present).ok).withContext(`seed ${seed}`).toBeTrue();
      while (history.done.length > 0) history = undo(history);
      if (JSON.stringify(history.present) !== texts) return fail(`seed ${seed}: undo gives back another table`);
    },
  );
});
