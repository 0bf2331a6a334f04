import { CFB as files } from '@e965/xlsx';
import { tableFile } from '../../hand-off';
import { makeHeading, mergeCells, readTable, textOf, tableOf, type Cell, type Table } from '../../table';
import { arrange, bringIn, decimalOf, type Brought, type SourceOptions } from '../index';

/** The part of the library's compound files that is used here; its own types leave them open. */
const CFB = files as {
  readonly utils: { readonly cfb_new: () => object; readonly cfb_add: (file: object, name: string, content: readonly number[]) => void };
  readonly write: (file: object, options: { readonly type: 'array' }) => ArrayLike<number>;
};

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const brought = (name: string, content: string | Uint8Array, options: SourceOptions = {}): Brought => {
  const outcome = bringIn(name, typeof content === 'string' ? bytes(content) : content, options);
  if (!outcome.ok) throw new Error(outcome.problems[0]?.say);
  return outcome.value;
};
const cellsOf = (html: string): readonly (readonly Cell[])[] => brought('a.html', html).raw.rows;

describe('What is marked in pasted cells', () => {
  const row = (cell: string): Cell | undefined => cellsOf(`<table><tr><td>${cell}</td></tr></table>`)[0]?.[0];
  for (const [what, html, expected] of [
    ['bold', 'a <b>b</b> c', { text: 'a b c', marks: [{ from: 2, to: 3, kind: 'bold' }] }],
    ['bold by style, as programs write it', '<span style="font-weight:700">a</span>b', { text: 'ab', marks: [{ from: 0, to: 1, kind: 'bold' }] }],
    ['nothing, where bold is made light again', '<b style="font-weight:normal">a</b>', 'a'],
    [
      'marks within marks',
      '<i>a<u>b</u></i>',
      {
        text: 'ab',
        marks: [
          { from: 0, to: 2, kind: 'italic' },
          { from: 1, to: 2, kind: 'underline' },
        ],
      },
    ],
    ['white space at the edge of a mark', '<b> a </b> b', { text: 'a b', marks: [{ from: 0, to: 1, kind: 'bold' }] }],
    [
      'a link',
      '<a href="https://x.test/?a=1&amp;b">to</a>',
      { text: 'to', marks: [{ from: 0, to: 2, kind: 'link', href: 'https://x.test/?a=1&b' }] },
    ],
    ['a link that would run code', '<a href="javascript:alert(1)" onclick="x()">to</a>', 'to'],
    ['a link that hides what it does', '<a href="java&#10;script:alert(1)">to</a>', 'to'],
    ['a picture that would run code', '<img src=x onerror="x()">a<script>b</script><svg onload=x()></svg>', 'a'],
    ['a frame', '<iframe srcdoc="<script>x()</script>">no</iframe>a', 'a'],
    ['lines', 'a<br>b<p>c</p>d', 'a\nb\nc\nd'],
  ] as const)
    it(`comes in: ${what}`, () => expect(row(html) as unknown).toEqual(expected));
  it('is said of links that would run code', () =>
    expect(brought('a.html', '<table><tr><td><a href="javascript:x">a</a><td><a href="data:x">b</a></table>').raw.notes.join(' ')).toMatch(
      /2 links that would run code came in as text/,
    ));
  it('is not the bold that browsers give headers', () =>
    expect(cellsOf('<table><tr><th><b>a</b></th><td><b>b</b></td></tr></table>')[0]?.map(textOf)).toEqual(['a', 'b']));
});

describe('A table’s own HTML', () => {
  const grouped = ((): Table => {
    const table = tableOf(
      'Boats',
      [
        ['Boat', 'Leaves', ''],
        ['', 'Weekday', 'Weekend'],
        ['North', '', ''],
        [
          { text: 'Moth & Wick', marks: [{ from: 0, to: 4, kind: 'bold' }] },
          '18:35',
          { text: 'map', marks: [{ from: 0, to: 3, kind: 'link', href: 'https://x.test/' }] },
        ],
        ['South', '', ''],
        ['Ada', '19:05\nlate', '<b>'],
        ['Boats', '2', '1'],
      ],
      { caption: 'Evening', headerRows: 2, rowHeaders: 1, footerRows: 1 },
    );
    return [
      (each: Table) => mergeCells(each, { row: 0, column: 0 }, { row: 1, column: 0 }),
      (each: Table) => mergeCells(each, { row: 0, column: 1 }, { row: 0, column: 2 }),
      (each: Table) => makeHeading(each, 2),
      (each: Table) => makeHeading(each, 4),
    ].reduce((each, edit) => {
      const edited = edit(each);
      if (!edited.ok) throw new Error(edited.problems[0]?.say);
      return edited.value;
    }, table);
  })();
  it('comes back the same: header tiers, row groups, merged cells, marks, footer and caption', () => {
    const back = arrange('Boats', brought('a.html', tableFile(grouped, undefined)).raw).table;
    expect(back.rows).toEqual(grouped.rows);
    expect([back.headerRows, back.rowHeaders, back.footerRows, back.groups, back.caption]).toEqual([2, 1, 1, [2, 4], 'Evening']);
    const sorted = (table: Table): readonly unknown[] => [...table.merges].sort((a, b) => a.row - b.row || a.column - b.column);
    expect(sorted(back)).toEqual(sorted(grouped));
  });
});

describe('Sources that are not what they should be', () => {
  it('in two encodings at once are read line by line', () => {
    const mixed = new Uint8Array([...bytes('Boat;Port\nΣκάφος;Çay\n'), 0x43, 0x61, 0x66, 0xe9, 0x3b, 0x31, 0x0a, ...bytes('Moth;Skerrin\n')]);
    const { raw } = brought('a.csv', mixed);
    expect(raw.rows.slice(0, 4)).toEqual([
      ['Boat', 'Port'],
      ['Σκάφος', 'Çay'],
      ['Café', '1'],
      ['Moth', 'Skerrin'],
    ]);
    expect(raw.notes.join(' ')).toMatch(/Line 3 is not UTF-8 like the rest/);
  });
  it('with spans over everything come in cut, and soon', () => {
    const rows = Array.from({ length: 5000 }, (_, i) => `<tr><td rowspan=65534 colspan=2>${i}</td><td>x</td></tr>`).join('');
    const { table, notes } = arrange('x', brought('a.html', `<table>${rows}</table>`).raw);
    expect(readTable(table).ok).toBeTrue();
    expect(table.rows[0]?.length).toBe(100);
    expect(notes.length).toBeLessThan(40);
    expect(notes.join(' ')).toMatch(/more places were mended like that/);
  }, 30_000);
  it('with one span over everything else come in as what can be seen', () => {
    const rows = Array.from({ length: 3000 }, (_, i) => `<tr><td rowspan=0 colspan=1000>${i}</td><td>x</td></tr>`).join('');
    const { table, notes } = arrange('x', brought('a.html', `<table>${rows}</table>`).raw);
    expect([readTable(table).ok, textOf(table.rows[0]?.[0])]).toEqual([true, '0']);
    expect(notes.join(' ')).toMatch(/5,999 cells beyond column 200 were left out/);
  }, 30_000);
  it('of 2 million cells come in whole', () => {
    const line = Array.from({ length: 40 }, (_, i) => i % 10).join(',');
    const { raw } = brought('a.csv', Array.from({ length: 50_000 }, () => line).join('\n'));
    const { table } = arrange('x', raw);
    expect([table.rows.length, table.rows[0]?.length]).toEqual([50_000, 40]);
  }, 30_000);
  it('that are protected with a password say so', () => {
    // What such a workbook is: a compound file with the package in it, encrypted ([MS-OFFCRYPTO], section 2.3).
    const file = CFB.utils.cfb_new();
    CFB.utils.cfb_add(file, '/EncryptionInfo', [4, 0, 4, 0, 64, 0, 0, 0, ...bytes('<encryption/>')]);
    CFB.utils.cfb_add(
      file,
      '/EncryptedPackage',
      Array.from({ length: 512 }, (_, i) => i % 251),
    );
    const outcome = bringIn('a.xlsx', new Uint8Array(CFB.write(file, { type: 'array' })));
    expect(outcome.ok ? '' : outcome.problems[0]?.say).toBe('The workbook is protected with a password.');
  });
  it('with one mark around cells are read as with another, or none', () => {
    expect(brought('a.csv', "a,b\n'1,2',3", { quote: "'" }).raw.rows[1]).toEqual(['1,2', '3']);
    expect(brought('a.csv', 'a,b\n"1,2"', { quote: 'none' }).raw.rows[1]).toEqual(['"1', '2"']);
    expect(brought('a.csv', 'a,b\n"1,2",3').raw.rows[1]).toEqual(['1,2', '3']);
    const single = brought('a.csv', "a,b\n'1,2',3\n'4,5','it''s'\n");
    expect([single.quote, single.raw.rows[2]]).toEqual(["'", ['4,5', "it's"]]);
    expect(brought('a.csv', "a,b\n'tis,'twas\n").quote).toBe('"');
  });
  for (const [name, content] of [
    ['a.html', '<table><tr></tr><tr></tr></table>'],
    ['a.json', '[[],[]]'],
    ['b.json', '[{},{}]'],
  ] as const)
    it(`without a single cell say so: ${content}`, () => {
      const outcome = bringIn(name, bytes(content));
      expect(outcome.ok ? '' : outcome.problems[0]?.say).toMatch(/no (cells|rows)/);
    });
  it('tell how far reading is, where it takes time', () => {
    const shares: number[] = [];
    const long = 'x'.repeat(40);
    bringIn('a.csv', bytes(Array.from({ length: 200_000 }, (_, i) => `line ${i},${long}`).join('\n')), {}, (share) => shares.push(share));
    expect(shares.length).toBeGreaterThan(2);
    expect([shares.at(-1), shares.every((share, i) => share > (shares[i - 1] ?? 0))]).toEqual([1, true]);
  });
});

describe('The decimal mark of what comes in', () => {
  const of = (...texts: readonly string[]): '.' | ',' | undefined => decimalOf(texts.map((text) => [text]));
  for (const [expected, ...texts] of [
    [',', '1,5', '2,75'],
    [',', '1.234,50 €'],
    ['.', '£6.50', '1,234.50'],
    [undefined, '1,234', '2,345'],
    [undefined, 'Moth', '18:35'],
    [undefined, '1,5', '1.5'],
    [',', '(1,5)', '−2,25 %'],
  ] as const)
    it(`is ${expected ?? 'open'} for ${texts.join(' and ')}`, () => expect(of(...texts)).toBe(expected));
  it('goes to the table where it is a comma, and can be chosen', () => {
    const table = (options: SourceOptions): Table => arrange('x', brought('a.csv', 'a;b\nx;1,5\ny;1,234\n', options).raw).table;
    expect([table({}).decimal, table({ decimal: '.' }).decimal]).toEqual([',', '']);
  });
});
