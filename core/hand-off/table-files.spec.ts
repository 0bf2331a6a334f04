import { arrange, bringIn } from '../intake';
import { mergeCells, tableOf, textOf, textsOf, type Table } from '../table';
import { dice, randomTable } from '../tests/random';
import { dataFormats, type DataFormat } from './choices';
import { tableData } from './table-files';

/** What a table comes to when it is taken away and brought in again. */
function again(table: Table, format: DataFormat): Table {
  const data = tableData(table, format);
  const outcome = bringIn(`x.${format}`, typeof data === 'string' ? new TextEncoder().encode(data) : data);
  if (!outcome.ok) throw new Error(outcome.problems[0]?.say);
  return arrange('x', outcome.value.raw, new Set(['title', 'below', 'blank-rows', 'blank-columns'])).table;
}

const hard = tableOf(
  'Hard / names: [1]',
  [
    ['Boat', 'Σκάφος', 'اسم', 'Code'],
    ['=HYPERLINK("x")', '+47 20', '@here', '-12'],
    ["'=typed", "''-x", '-', '007'],
    ['a|b \\ *c* _d_', '<b>&amp;', '“quoted”, "plain"', '12.50'],
    ['two\nlines', '1,234.5', '3/4', '1e5'],
    ['# not a heading', '[x](y)', '`code` ~s~', '-0'],
  ],
  { caption: 'Hard' },
);

describe('A table taken away as data', () => {
  for (const { name: format } of dataFormats) {
    it(`comes back from ${format} with the same texts, whatever they look like`, () => expect(again(hard, format).rows).toEqual(hard.rows));
  }
  for (const format of ['xlsx', 'ods'] as const) {
    it(`comes back from ${format} with its merged cells`, () => {
      const merged = mergeCells(hard, { row: 1, column: 0 }, { row: 2, column: 1 });
      if (!merged.ok) throw new Error('It can be merged');
      expect(again(merged.value, format).merges).toEqual(merged.value.merges);
      expect(again(merged.value, format).rows).toEqual(merged.value.rows);
    });
    it(`comes back from ${format} for random tables`, () => {
      for (let seed = 0; seed < 40; seed++) {
        const table = randomTable(dice(seed));
        // A sheet ends where its last text stands.
        const framed = {
          ...table,
          rows: table.rows.map((cells, row) =>
            cells.map(
              (text, column) =>
                text ||
                (table.merges.some((m) => row >= m.row && row < m.row + m.rows && column >= m.column && column < m.column + m.columns) ? '' : 'x'),
            ),
          ),
        };
        const back = again(framed, format);
        const shown = (each: Table): string =>
          each.rows
            .map((cells) => textsOf(cells).join('\t').trimEnd())
            .join('\n')
            .trimEnd();
        expect(shown(back)).withContext(`seed ${seed}`).toEqual(shown(framed));
      }
    });
  }
  describe('with a header of several tiers', () => {
    const plain = tableOf(
      'Quarters',
      [
        ['Route', 'First half', '', 'Second half', ''],
        ['', 'Q1', 'Q2', 'Q3', 'Q4'],
        ['North quay', '4', '5', '6', '7'],
        ['South bank', '1', '2', '3', '4'],
      ],
      { headerRows: 2 },
    );
    const tiered = ([0, 1, 3] as const).reduce((table, column) => {
      const merged = mergeCells(table, { row: 0, column }, column === 0 ? { row: 1, column } : { row: 0, column: column + 1 });
      return merged.ok ? merged.value : table;
    }, plain);
    for (const format of ['csv', 'json', 'xlsx', 'ods'] as const)
      it(`comes back from ${format} with its tiers`, () => {
        const { headerRows, merges, rows } = again(tiered, format);
        expect({ headerRows, rows }).toEqual({ headerRows: 2, rows: tiered.rows });
        expect([...merges].sort((a, b) => a.column - b.column)).toEqual([...tiered.merges].sort((a, b) => a.column - b.column));
      });
    it('is read from JSON beside a name alone, and with two columns of one name', () => {
      const text = '{"columns":["Route",["Half","Q1"],["Half","Q2"],["Half","Q2"]],"data":[["North",1,2,3]]}';
      const read = bringIn('a.json', new TextEncoder().encode(text));
      expect(read.ok && read.value.raw.rows).toEqual([
        ['Route', 'Half', '', ''],
        ['', 'Q1', 'Q2', 'Q2'],
        ['North', '1', '2', '3'],
      ]);
      expect(read.ok && read.value.raw.merges).toEqual([
        { row: 0, column: 0, rows: 2, columns: 1 },
        { row: 0, column: 1, rows: 1, columns: 3 },
      ]);
    });
    it('says in JSON what stands over each column, from the first tier down', () => {
      const { columns, data } = JSON.parse(String(tableData(tiered, 'json'))) as { columns: unknown; data: unknown };
      expect(columns).toEqual([
        ['Route', ''],
        ['First half', 'Q1'],
        ['First half', 'Q2'],
        ['Second half', 'Q3'],
        ['Second half', 'Q4'],
      ]);
      expect(data).toEqual([
        ['North quay', '4', '5', '6', '7'],
        ['South bank', '1', '2', '3', '4'],
      ]);
    });
  });
  it('keeps what is marked where the format can: links in workbooks, emphasis and links in Markdown', () => {
    const table = tableOf('x', [
      ['a', 'b'],
      [
        { text: 'map of it', marks: [{ from: 0, to: 9, kind: 'link', href: 'https://x.test/a b?c=(1)' }] },
        { text: 'one two', marks: [{ from: 4, to: 7, kind: 'bold' }] },
      ],
    ]);
    const href = 'https://x.test/a%20b?c=(1)';
    expect(again(table, 'md').rows[1]).toEqual([{ text: 'map of it', marks: [{ from: 0, to: 9, kind: 'link', href }] }, table.rows[1]?.[1] ?? '']);
    expect(again(table, 'xlsx').rows[1]?.map(textOf)).toEqual(['map of it', 'one two']);
    expect(
      again(
        {
          ...table,
          rows: [
            ['a', 'b'],
            [{ text: 'map', marks: [{ from: 0, to: 3, kind: 'link', href: 'https://x.test/' }] }, 'x'],
          ],
        },
        'xlsx',
      ).rows[1]?.[0],
    ).toEqual({
      text: 'map',
      marks: [{ from: 0, to: 3, kind: 'link', href: 'https://x.test/' }],
    });
  });
  it('is safe to open in a spreadsheet as CSV: nothing begins like a formula but numbers', () => {
    const lines = String(tableData(hard, 'csv')).split('\r\n');
    expect(lines[1]).toBe(`"'=HYPERLINK(""x"")",'+47 20,'@here,-12`);
  });
  it('is an array of arrays in JSON where names would be lost in an object', () => {
    const named = (names: readonly string[]): unknown => JSON.parse(String(tableData(tableOf('x', [names, names.map((_, i) => String(i))]), 'json')));
    expect(named(['a', 'b'])).toEqual([{ a: '0', b: '1' }]);
    for (const names of [
      ['a', 'a'],
      ['a', ''],
      ['2', '1'],
    ])
      expect(named(names)).toEqual([names, ['0', '1']]);
  });
});
