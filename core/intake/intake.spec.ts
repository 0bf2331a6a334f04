import { good, type Outcome } from '../outcome';
import { readTable, textOf, type Row } from '../table';
import { bringIn, readClipboard as clipboard, tableFrom, type Brought, type Clipboard, type Intake } from './index';
import { readHtml } from './readers/read-html';
import { readSeparated as separated } from './readers/read-delimited';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const asTable = (name: string, outcome: Outcome<Pick<Brought, 'raw'>>): Outcome<Intake> => {
  if (!outcome.ok) return outcome;
  const { rows, notes, plain, ...given } = outcome.value.raw;
  return good(tableFrom(name, rows, given, notes, plain));
};
const readCsv = (name: string, content: Uint8Array): Outcome<Intake> => asTable(name, bringIn(`${name}.csv`, content));
const readSeparated = (name: string, text: string, notes: readonly string[] = [], separator = ''): Outcome<Intake> =>
  asTable(name, separated(text, notes, separator));
const readHtmlTable = (name: string, html: string): Outcome<Intake> => asTable(name, readHtml(html));
const readClipboard = (name: string, content: Clipboard): Outcome<Intake> => asTable(name, clipboard(content));
const took = (outcome: Outcome<Intake>): Intake => {
  if (!outcome.ok) throw new Error(outcome.problems[0]?.say);
  expect(readTable(outcome.value.table).ok).withContext('what came in is a table').toBeTrue();
  return outcome.value;
};
const rows = (text: string): readonly Row[] => took(readCsv('x', bytes(text))).table.rows;

describe('Separated values (RFC 4180 and the wild)', () => {
  for (const [what, text, cells] of [
    [
      'commas',
      'a,b\n1,2\n',
      [
        ['a', 'b'],
        ['1', '2'],
      ],
    ],
    [
      'semicolons with decimal commas',
      'a;b\n1,5;2,5\n',
      [
        ['a', 'b'],
        ['1,5', '2,5'],
      ],
    ],
    [
      'tabs',
      'a\tb\r\n1\t2',
      [
        ['a', 'b'],
        ['1', '2'],
      ],
    ],
    [
      'doubled quotes and line breaks inside',
      '"a ""x""",b\n"two\nlines",2',
      [
        ['a "x"', 'b'],
        ['two\nlines', '2'],
      ],
    ],
    [
      'a byte order mark',
      '\uFEFFa,b\n1,2',
      [
        ['a', 'b'],
        ['1', '2'],
      ],
    ],
    ['one column', 'a\nb\nc', [['a'], ['b'], ['c']]],
    [
      'Greek and Arabic',
      'Όνομα,اسم\nΆννα,ليلى',
      [
        ['Όνομα', 'اسم'],
        ['Άννα', 'ليلى'],
      ],
    ],
    [
      'texts that look like numbers',
      'a,b\n007,1-2\n',
      [
        ['a', 'b'],
        ['007', '1-2'],
      ],
    ],
    [
      'formulas, as text',
      'a,b\n"=1+1",@x\n',
      [
        ['a', 'b'],
        ['=1+1', '@x'],
      ],
    ],
  ] as const) {
    it(`reads ${what}`, () => expect(rows(text)).toEqual(cells as readonly (readonly string[])[]));
  }

  it('squares short rows and says which', () => {
    const { table, notes } = took(readSeparated('x', 'a,b,c\n1,2\n1,2,3\n1\n'));
    expect(table.rows).toEqual([
      ['a', 'b', 'c'],
      ['1', '2', ''],
      ['1', '2', '3'],
      ['1', '', ''],
    ]);
    expect(notes).toContain('Rows 2, 4 came in short. Empty cells were put at the end.');
  });
  it('keeps longer rows whole and says so', () => {
    const { table, notes } = took(readSeparated('x', 'a,b\n1,2\n1,2,3\n'));
    expect(table.rows[2]).toEqual(['1', '2', '3']);
    expect(notes.join(' ')).toMatch(/Row 3 came in longer.*3 columns wide/);
  });
  it('leaves out blank cells beyond the others and says which rows had them', () => {
    const { table, notes } = took(readSeparated('x', 'a,b\n1,2,\n1,2\n1,2, \n'));
    expect(table.rows[0]?.length).toBe(2);
    expect(notes.join(' ')).toMatch(/Rows 2, 4 came in with blank cells beyond the others/);
  });
  it('leaves out blank rows at the end', () =>
    expect(rows('a,b\n1,2\n\n,\n')).toEqual([
      ['a', 'b'],
      ['1', '2'],
    ]));

  for (const empty of ['', '   \n \n', '\n'])
    it(`refuses ${JSON.stringify(empty)} as having no rows`, () =>
      expect(readCsv('x', bytes(empty))).toEqual(jasmine.objectContaining({ ok: false })));

  it('says where a quotation mark is never closed, and keeps everything', () => {
    const { table, notes } = took(readSeparated('x', 'a,b\n1,"two\n3,4\n5,6\n'));
    expect(notes.join(' ')).toMatch(/line 2, column 3 is never closed/);
    expect(table.rows.flat().map(textOf).join(' ')).toContain('5,6');
  });
  it('reads Windows-1252 and says where UTF-8 ended', () => {
    const { table, notes } = took(readCsv('x', new Uint8Array([...bytes('a,b\n1,caf'), 0xe9, ...bytes('\n')])));
    expect(table.rows[1]?.[1]).toBe('café');
    expect(notes.join(' ')).toMatch(/not UTF-8 \(line 2, column 6\).*Windows-1252/);
  });
  it('reads UTF-16 by its byte order mark', () => {
    const text = '\uFEFFα,β\n1,2';
    const little = new Uint8Array([...text].flatMap((letter) => [letter.charCodeAt(0) & 255, letter.charCodeAt(0) >> 8]));
    const big = new Uint8Array([...text].flatMap((letter) => [letter.charCodeAt(0) >> 8, letter.charCodeAt(0) & 255]));
    expect(took(readCsv('x', little)).table.rows[0]).toEqual(['α', 'β']);
    expect(took(readCsv('x', big)).table.rows[0]).toEqual(['α', 'β']);
  });
  it('says where a file that is no text stops being one', () => {
    const read = readCsv('x', new Uint8Array([80, 75, 10, 4, 0, 1]));
    expect(read.ok ? '' : read.problems[0]?.say).toMatch(/not a text file: line 2, column 2/);
  });
  it('cuts a cell of 5 MB and says where and what was kept', () => {
    const { table, notes } = took(readSeparated('x', `a,b\n1,${'x'.repeat(5_000_000)}\n`));
    expect(textOf(table.rows[1]?.[1]).length).toBe(10_000);
    expect(notes.join(' ')).toMatch(/first 10,000 characters were kept of row 2, column 2 \(5,000,000 characters\)/);
  });
  it('keeps what a table can hold of 52,000 rows and 120 columns, and says so', () => {
    const wide = Array.from({ length: 120 }, (_, i) => i % 10).join(',');
    const { table, notes } = took(readSeparated('x', Array.from({ length: 52_000 }, () => wide).join('\n')));
    expect([table.rows.length, table.rows[0]?.length]).toEqual([51_000, 100]);
    expect(notes.join(' ')).toMatch(/20 more were left out.*1,000 more were left out, since a table has at most 5,100,000 cells/);
  });
  it('refuses a file that is too large', () => {
    const read = readCsv('x', { byteLength: 199 * 1024 * 1024 } as Uint8Array);
    expect(read.ok ? '' : read.problems[0]?.code).toBe('file-large');
  });
});

describe('HTML tables', () => {
  const sheet = `<html><head><style>td{color:red}</style></head><body><!--StartFragment--><table>
    <thead><tr><th rowspan="2">Boat</th><th colspan="2">Leaves</th></tr><tr><th>Weekday</th><th>Weekend</th></tr></thead>
    <tbody><tr><th>Moth</th><td>18:35</td><td><b>19:05</b><br>late</td></tr><tr><th>Wick</th><td colspan="2">19:20</td></tr></tbody>
    <tfoot><tr><td>Median</td><td></td><td>1</td></tr></tfoot><caption>Evening</caption></table>`;
  it('bring header, spans, row headers, footer and caption', () => {
    const { table } = took(readHtmlTable('x', sheet));
    expect(table.rows).toEqual([
      ['Boat', 'Leaves', ''],
      ['', 'Weekday', 'Weekend'],
      ['Moth', '18:35', { text: '19:05\nlate', marks: [{ from: 0, to: 5, kind: 'bold' }] }],
      ['Wick', '19:20', ''],
      ['Median', '', '1'],
    ]);
    expect(table.merges).toEqual([
      { row: 0, column: 0, rows: 2, columns: 1 },
      { row: 0, column: 1, rows: 1, columns: 2 },
      { row: 3, column: 1, rows: 1, columns: 2 },
    ]);
    expect([table.headerRows, table.rowHeaders, table.footerRows, table.caption]).toEqual([2, 1, 1, 'Evening']);
  });
  it('cut a span that runs past its rows, and say so', () => {
    const { table, notes } = took(readHtmlTable('x', '<table><tr><td rowspan="9">a<td>b<tr><td>c</table>'));
    expect(table.merges).toEqual([{ row: 0, column: 0, rows: 2, columns: 1 }]);
    expect(notes.join(' ')).toMatch(/reached past its rows/);
  });
  it('read rowspan 0 as to the end of the group and colspan 0 as 1', () => {
    const { table } = took(readHtmlTable('x', '<table><tr><td rowspan=0 colspan=0>a<td>b<tr><td>c<tr><td>d</table>'));
    expect(table.merges).toEqual([{ row: 0, column: 0, rows: 3, columns: 1 }]);
  });
  it('mend spans that overlap', () => {
    const { table, notes } = took(readHtmlTable('x', '<table><tr><td>a<td rowspan=2>b<tr><td colspan=2>c</table>'));
    expect(table.merges).toEqual([{ row: 0, column: 1, rows: 2, columns: 1 }]);
    expect(notes.join(' ')).toMatch(/overlapped/);
  });
  it('never bring in what could run', () => {
    const { table } = took(
      readHtmlTable('x', '<table onload=x()><tr><td><script>alert(1)</script><img src=x onerror=alert(1)>a<style>b</style></table>'),
    );
    expect(table.rows).toEqual([['a']]);
  });
  it('keep a table inside a cell as text and say so', () =>
    expect(took(readHtmlTable('x', '<table><tr><td>a<table><tr><td>b</table></table>')).notes.join(' ')).toMatch(/inside a cell/));
  it('square rows that come short', () =>
    expect(took(readHtmlTable('x', '<table><tr><td>a<td>b<tr><td>c</table>')).table.rows[1]).toEqual(['c', '']));
  for (const none of ['', '<p>hello</p>', '<table></table>'])
    it(`are not found in ${JSON.stringify(none)}`, () => expect(readHtmlTable('x', none).ok).toBeFalse());
});

describe('A clipboard', () => {
  it('is read as HTML where it has a table', () =>
    expect(took(readClipboard('x', { html: '<table><tr><td>a</table>', text: 'b' })).table.rows).toEqual([['a']]));
  it('is read as tab-separated text else, commas and quoted line breaks in cells untouched', () => {
    expect(took(readClipboard('x', { html: '', text: '1,5\t"two\nlines"\r\n2,5\tx' })).table.rows).toEqual([
      ['1,5', 'two\nlines'],
      ['2,5', 'x'],
    ]);
  });
  it('is read as text where its HTML has no table', () =>
    expect(took(readClipboard('x', { html: '<p>a</p>', text: 'a\tb' })).table.rows).toEqual([['a', 'b']]));
  it('with nothing in it is refused', () => expect(readClipboard('x', { html: '', text: '' }).ok).toBeFalse());
});
