import { readTable, textsOf } from '../table';
import { dice } from '../tests/random';
import { arrange, bringIn, type Arranged, type FindingKind, type Raw } from './index';
import { readSeparated } from './readers/read-delimited';

const raw = (rows: readonly (readonly string[])[], more: Partial<Raw> = {}): Raw => ({ rows, merges: [], notes: [], ...more });
const made = (from: Raw, ...refused: FindingKind[]): Arranged => {
  const arranged = arrange('Brought', from, new Set(refused));
  expect(readTable(arranged.table).ok).withContext('what is made is a table').toBeTrue();
  return arranged;
};
const findings: readonly FindingKind[] = ['merged', 'title', 'below', 'blank-rows', 'blank-columns', 'header', 'row-headers', 'footer'];
const kinds = ({ findings }: Arranged): readonly FindingKind[] => findings.map(({ kind }) => kind);

/** A sheet as people keep them: a title, an empty row, columns left blank, a total and a source. */
const sheet = raw([
  ['Crossings in October', '', '', '', ''],
  ['Skerrin line', '', '', '', ''],
  ['', '', '', '', ''],
  ['', 'Week', 'Crossings', '', 'Fares'],
  ['', 'First', '38', '', '£412.50'],
  ['', 'Second', '41', '', '£460.00'],
  ['', '', '', '', ''],
  ['', 'Third', '29', '', '£310.25'],
  ['', 'Total', '108', '', '£1,182.75'],
  ['', '', '', '', ''],
  ['Source: harbour office', '', '', '', ''],
]);

describe('Arranging what came in', () => {
  it('takes up to five rows above a table for its title and what is said about it, and no more', () => {
    const above = (count: number): Raw =>
      raw([...Array.from({ length: count }, (_, i) => [`Line ${i + 1}`, '']), ['Boat', 'Seats'], ['Moth', '40'], ['Wick', '52']]);
    expect(kinds(made(above(5)))).toContain('title');
    expect(made(above(5)).table.description).toBe('Line 2\nLine 3\nLine 4\nLine 5');
    expect(kinds(made(above(6)))).not.toContain('title');
  });
  it('takes a sum for a total under three rows or more, not under two', () => {
    const sums = (...numbers: readonly number[]): Raw =>
      raw([['Boat', 'Seats'], ...numbers.map((n, i) => [`Boat ${i}`, String(n)]), ['Fleet', String(numbers.reduce((a, b) => a + b, 0))]]);
    expect(made(sums(40, 52, 31)).table.footerRows).toBe(1);
    expect(made(sums(40, 52)).table.footerRows).toBe(0);
  });
  it('puts texts below the table into the description where that is wanted', () => {
    const { table, findings } = arrange('x', sheet, new Set(), { below: 'description' });
    expect([table.description, table.note]).toEqual(['Skerrin line\nSource: harbour office', '']);
    expect(findings.some(({ say }) => /became part of the description/.test(say))).toBeTrue();
  });
  it('leaves merged cells and marks out where they are not wanted, and nothing else', () => {
    const from: Raw = {
      rows: [
        ['a', 'b'],
        [{ text: 'x', marks: [{ from: 0, to: 1, kind: 'bold' }] }, ''],
        ['y', 'z'],
      ],
      merges: [{ row: 1, column: 0, rows: 1, columns: 2 }],
      notes: [],
    };
    expect(kinds(made(from)).slice(0, 2)).toEqual(['merged', 'marks']);
    expect(made(from).table.merges.length).toBe(1);
    expect(made(from, 'merged').table.merges).toEqual([]);
    expect(made(from, 'marks').table.rows[1]?.[0]).toBe('x');
    expect(made(from).findings[0]?.say).toBe('1 block of merged cells came in.');
  });
  it('gives title, notes, header, row names and total their places and leaves out what is blank', () => {
    const { table, findings } = made(sheet);
    expect(table.rows).toEqual([
      ['Week', 'Crossings', 'Fares'],
      ['First', '38', '£412.50'],
      ['Second', '41', '£460.00'],
      ['Third', '29', '£310.25'],
      ['Total', '108', '£1,182.75'],
    ]);
    expect(table.caption).toBe('Crossings in October');
    expect([table.description, table.note]).toEqual(['Skerrin line', 'Source: harbour office']);
    expect([table.headerRows, table.rowHeaders, table.footerRows]).toEqual([1, 1, 1]);
    expect(findings.map(({ say }) => say)).toEqual([
      '“Crossings in October” above the table became its caption, and 1 row below it the description, which a page can show above the table.',
      '“Source: harbour office” below the table became the text below it.',
      '1 blank row was left out.',
      '2 blank columns were left out.',
      'The first row is the header.',
      'The first column names the rows.',
      'The last row, “Total”, is the footer.',
    ]);
  });

  it('says what the columns hold', () => {
    const { notes } = made(sheet);
    expect(notes.at(-1)).toBe('Column 2: whole numbers; column 3: money.');
  });

  for (const [refused, see] of [
    ['title', (each: Arranged) => expect(each.table.rows[0]?.[0]).toBe('Crossings in October')],
    ['below', (each: Arranged) => expect(each.table.rows.at(-1)?.[0]).toBe('Source: harbour office')],
    ['blank-rows', (each: Arranged) => expect(each.table.rows.filter((cells) => textsOf(cells).join('') === '').length).toBe(1)],
    ['blank-columns', (each: Arranged) => expect(each.table.rows[0]?.length).toBe(5)],
    ['header', (each: Arranged) => expect(each.table.headerRows).toBe(0)],
    ['row-headers', (each: Arranged) => expect(each.table.rowHeaders).toBe(0)],
    ['footer', (each: Arranged) => expect(each.table.footerRows).toBe(0)],
  ] as const) {
    it(`leaves ${refused} as it came when that is undone, and keeps the others it can`, () => {
      const each = made(sheet, refused);
      expect(each.findings.find(({ kind }) => kind === refused)?.holds).toBeFalse();
      see(each);
    });
  }

  it('finds two tiers of headers over merged cells', () => {
    const { table } = made(
      raw(
        [
          ['Boat', 'Leaves', ''],
          ['', 'Weekday', 'Weekend'],
          ['Moth', '18:35', '19:05'],
          ['Wick', '19:20', '20:00'],
        ],
        {
          merges: [
            { row: 0, column: 0, rows: 2, columns: 1 },
            { row: 0, column: 1, rows: 1, columns: 2 },
          ],
        },
      ),
    );
    expect([table.headerRows, table.rowHeaders, table.merges.length]).toEqual([2, 1, 2]);
  });

  it('takes a cell that is merged downward in the first row into the header, and cuts none', () => {
    const both = raw(
      [
        ['Region', 'Sales'],
        ['', 'EUR'],
        ['North', '38'],
        ['South', '41'],
        ['West', '12'],
      ],
      { merges: [{ row: 0, column: 0, rows: 2, columns: 1 }] },
    );
    const { table, findings } = made(both);
    expect(table.headerRows).toBe(2);
    expect(findings.map(({ say }) => say)).toContain('The first 2 rows are the header.');
    // Whatever is undone, a table comes of it.
    for (const kind of ['merged', 'header', 'row-headers'] as const) made(both, kind);
    // One that reaches down among the figures is no header's.
    expect(made({ ...both, merges: [{ row: 0, column: 0, rows: 4, columns: 1 }] }).table.headerRows).toBe(0);
  });

  it('makes a table that can be kept of whatever is merged, said to be header or footer, and refused', () => {
    for (let seed = 0; seed < 400; seed++) {
      const d = dice(seed);
      const [height, width] = [d.whole(1, 8), d.whole(1, 5)];
      const rows = Array.from({ length: height }, (_, r) =>
        Array.from({ length: width }, (__, c) => d.pick(['', `t${r}${c}`, String(r * 10 + c), 'Total'])),
      );
      const merges = Array.from({ length: d.whole(0, 4) }, () => ({
        row: d.whole(0, height - 1),
        column: d.whole(0, width - 1),
        rows: d.whole(1, 4),
        columns: d.whole(1, 3),
      })).filter((merge) => merge.rows * merge.columns > 1);
      const said = d.whole(0, 1) === 0 ? {} : { headerRows: d.whole(0, 3), footerRows: d.whole(0, 3), groups: [d.whole(0, height - 1)] };
      const { table } = arrange('Brought', raw(rows, { merges, ...said }), new Set(d.whole(0, 1) === 0 ? [] : [d.pick(findings)]));
      const read = readTable(table);
      expect(read.ok ? '' : read.problems[0]?.say)
        .withContext(`seed ${seed}`)
        .toBe('');
    }
  });

  it('leaves rows of numbers alone: nothing names their columns', () => {
    expect(
      kinds(
        made(
          raw([
            ['1', '2'],
            ['3', '4'],
          ]),
        ),
      ),
    ).toEqual([]);
  });
  it('does not take a column of texts for a title and notes', () => {
    const { table } = made(raw([['Oldquay'], ['Skerrin'], ['Note'], ['Tarn Isle']]));
    expect(table.rows.length).toBe(4);
  });
  it('takes a last row whose numbers are the sums of those above for a total, in any language', () => {
    const { table } = made(
      raw([
        ['Νησί', 'Επιβάτες'],
        ['Σκέριν', '10'],
        ['Ταρν', '20'],
        ['Λόου', '30'],
        ['Όλα μαζί', '60'],
      ]),
    );
    expect([table.headerRows, table.footerRows]).toEqual([1, 1]);
  });
  it('keeps what the source itself says of its structure', () => {
    const { table, findings } = made(
      raw(
        [
          ['a', 'b'],
          ['c', '1'],
          ['d', '2'],
        ],
        { headerRows: 2, rowHeaders: 0, caption: 'Said' },
      ),
    );
    expect([table.headerRows, table.caption]).toEqual([2, 'Said']);
    expect(findings.map(({ kind }) => kind)).not.toContain('header');
  });
  it('shrinks merged cells with the blank rows and columns that it leaves out, and keeps blank ones inside them', () => {
    const { table } = made(
      raw(
        [
          ['a', '', '', 'b'],
          ['', '', '', ''],
          ['1', '', '2', '3'],
          ['4', '', '5', '6'],
        ],
        { merges: [{ row: 0, column: 0, rows: 2, columns: 2 }] },
      ),
      'header',
    );
    expect(table.rows.length).toBe(4);
    expect(table.merges).toEqual([{ row: 0, column: 0, rows: 2, columns: 2 }]);
  });

  it('makes the same table whether it looks at all cells again or knows them from reading', () => {
    const day = (i: number): string => `2026-0${(i % 9) + 1}-1${i % 9}`;
    const lines = Array.from({ length: 3000 }, (_, i) => [`L${i}`, day(i), String(i), `${i}.5`, i % 2 ? 'yes' : 'no']);
    const at = (row: number, column: number, text: string): string[][] => lines.map((cells, i) => (i === row ? cells.with(column, text) : cells));
    const head = ['Crossing', 'Day', 'Seats', 'Fare', 'Sold'];
    const all: readonly (readonly [string, readonly (readonly string[])[], (readonly string[])?])[] = [
      ['plain', lines],
      ['a code among whole numbers', at(1777, 2, '007')],
      ['a code among numbers', at(1777, 3, '0075')],
      ['a blank row', at(1500, 0, '').map((cells, i) => (i === 1500 ? cells.map(() => ' ') : cells))],
      ['a blank first cell', at(1500, 0, '')],
      ['a blank column in front and a code behind it', at(1777, 2, '007').map((cells) => ['', ...cells]), ['', ...head]],
      ['a blank column and a code behind it', at(1777, 3, '0075').map((cells) => cells.with(1, '')), head.with(1, '')],
      ['a short row', lines.map((cells, i) => (i === 900 ? cells.slice(0, 3) : cells))],
      ['a last row that is short', [...lines, ['Source: the log']]],
      ['a long cell', at(20, 4, 'x'.repeat(12_000))],
      ['an apostrophe before a sign', at(1777, 2, "'-07")],
    ];
    for (const [what, rows, first = head] of all)
      for (const end of ['', '\n']) {
        const read = bringIn('log.csv', new TextEncoder().encode([first, ...rows].map((cells) => cells.join(',')).join('\n') + end));
        if (!read.ok) throw new Error(read.problems[0]?.say);
        const { plain, ...raw } = read.value.raw;
        expect(plain).withContext(what).toBeDefined();
        expect(arrange('log', read.value.raw))
          .withContext(`${what} ${JSON.stringify(end)}`)
          .toEqual(arrange('log', raw));
      }
  });

  const csv = (text: string): Raw => {
    const read = readSeparated(text);
    if (!read.ok) throw new Error('It cannot be read');
    return read.value.raw;
  };
  const headerOf = ({ table }: Arranged): readonly unknown[] => [
    table.headerRows,
    ...table.merges.map(({ row, column, rows, columns }) => [row, column, rows, columns].join(' ')),
  ];

  it('takes two tiers of names in a file without merged cells as what they are', () => {
    const tiers = csv('Boat,First half,,Second half,\n,Q1,Q2,Q3,Q4\nTern,1,2,3,4\nGull,5,6,7,8\n');
    expect(headerOf(arrange('x', tiers))).toEqual([2, '0 0 2 1', '0 1 1 2', '0 3 1 2']);
    expect(headerOf(arrange('x', csv(',First half,,Second half,\nBoat,Q1,Q2,Q3,Q4\nTern,1,2,3,4\n')))).toEqual([2, '0 1 1 2', '0 3 1 2']);
    expect(headerOf(arrange('x', tiers, new Set(['header'])))).toEqual([0]);
    // Texts below may be anything, and so may a row with a hole.
    expect(headerOf(arrange('x', csv('Name,,Town\nAda,Lovell,Skerrin\nBo,Wick,Tarn\n')))[0]).not.toBe(2);
    expect(headerOf(arrange('x', csv('Name,,Fare\nAda,Lovell,12\nBo,Wick,14\n')))[0]).not.toBe(2);
    expect(headerOf(arrange('x', csv('A,,B,\nx,y,,\n1,2,3,4\n')))[0]).not.toBe(2);
  });
  it('takes a line of names alone as the header of a table without rows', () => {
    expect(headerOf(arrange('x', csv('Boat,Fare,Leaves\n')))).toEqual([1]);
    expect(headerOf(arrange('x', csv('Boat,12\n')))).toEqual([0]);
    expect(headerOf(arrange('x', csv('Boat\n')))).toEqual([0]);
  });
  it('has as many header rows as somebody says, but never cuts through a merged cell', () => {
    const two = csv('Fares of autumn,Euro,Pound\nBoat,a,b\nTern,1,2\nGull,3,4\n');
    expect(headerOf(arrange('x', two, new Set(), { headerRows: 2 }))).toEqual([2]);
    expect(headerOf(arrange('x', two, new Set(['header']), { headerRows: 1 }))).toEqual([1]);
    expect(arrange('x', two, new Set(), { headerRows: 0 }).findings.find(({ kind }) => kind === 'header')?.say).toBe('No row is the header.');
    expect(headerOf(arrange('x', two, new Set(), { headerRows: 9 }))).toEqual([4]);
    const merged = { ...two, merges: [{ row: 0, column: 0, rows: 2, columns: 1 }] };
    expect(headerOf(arrange('x', merged, new Set(), { headerRows: 1 }))[0]).toBe(2);
  });
});
