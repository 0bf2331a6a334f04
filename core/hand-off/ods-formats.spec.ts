import { read, type CellObject } from '@e965/xlsx';
import { strFromU8, unzipSync } from 'fflate';
import { PLAIN_FORMAT } from '../data-types';
import { bringIn } from '../intake';
import { PLAIN_COLUMN, tableOf, textsOf, type Column, type Table } from '../table';
import { tableData } from './table-files';

const typed = (columns: readonly Partial<Column>[], rows: readonly (readonly string[])[], given: Partial<Table> = {}): Table =>
  tableOf('Quarter', [columns.map((_, i) => `Column ${i + 1}`), ...rows.map((cells) => [...cells])], {
    headerRows: 1,
    columns: columns.map((column) => ({ ...PLAIN_COLUMN, ...column })),
    ...given,
  });
const ods = (table: Table): Uint8Array => tableData(table, 'ods') as Uint8Array;
const content = (table: Table): string => strFromU8(unzipSync(ods(table))['content.xml'] ?? new Uint8Array());

describe('Values of typed columns in an ODS workbook', () => {
  const table = typed(
    [{ type: 'money' }, { type: 'percent' }, { type: 'date' }, { type: 'time' }, { type: 'duration' }, { type: 'number' }],
    [
      ['£1,204.50', '12.5%', '29/11/2026', '18:30', '30:15', '4.5 kg'],
      ['-£3', '8 %', '1 March 2027', '06:05:09', '0:45', '−2'],
      ['on request', '', '', '', '', '1200'],
    ],
  );
  it('are numbers, shares, dates and times, with what the table shows as their text', () => {
    const book = read(ods(table), { type: 'array' });
    const sheet = book.Sheets[book.SheetNames[0] ?? ''] ?? {};
    const cell = (at: string): CellObject => sheet[at] as CellObject;
    expect([cell('A2').t, cell('A2').v, cell('A2').w]).toEqual(['n', 1204.5, '£1,204.50']);
    expect([cell('A3').v, cell('B2').v, cell('B3').v]).toEqual([-3, 0.125, 0.08]);
    expect([cell('A4').t, cell('A4').v]).toEqual(['s', 'on request']);
    const text = content(table);
    for (const value of [
      'office:value-type="percentage" office:value="0.125"',
      'office:value-type="date" office:date-value="2026-11-29"',
      'office:value-type="date" office:date-value="2027-03-01"',
      'office:value-type="time" office:time-value="PT18H30M00S"',
      'office:value-type="time" office:time-value="PT06H05M09S"',
      'office:value-type="time" office:time-value="PT30H15M00S"',
      'office:value-type="float" office:value="4.5"',
    ])
      expect(text).toContain(value);
    expect(text).not.toContain('zest-format');
  });
  it('come back as they were shown, dates as year-month-day', () => {
    const back = bringIn('quarter.ods', ods(table));
    const dates = new Map([
      ['29/11/2026', '2026-11-29'],
      ['1 March 2027', '2027-03-01'],
    ]);
    expect(back.ok && back.value.raw.rows.map(textsOf)).toEqual(table.rows.map((cells) => textsOf(cells).map((text) => dates.get(text) ?? text)));
  });
  it('have data styles that show them so (OpenDocument 1.2, part 1, 16.27)', () => {
    const text = content(table);
    expect(text).toMatch(
      /<number:text>£<\/number:text><number:number number:decimal-places="2" [^>]*number:grouping="true"\/><\/number:number-style>/,
    );
    expect(text).toMatch(/<number:percentage-style style:name="N\d+"><number:number number:decimal-places="1"[^>]*\/><number:text>%<\/number:text>/);
    expect(text).toMatch(
      /<number:date-style style:name="N\d+"><number:day number:style="long"\/><number:text>\/<\/number:text><number:month number:style="long"\/><number:text>\/<\/number:text><number:year number:style="long"\/>/,
    );
    expect(text).toMatch(/<number:time-style style:name="N\d+" number:truncate-on-overflow="false"><number:hours\/>/);
    expect(text).toMatch(/<number:hours number:style="long"\/><number:text>:<\/number:text><number:minutes number:style="long"\/>/);
  });
  it('have a style for amounts below nothing where these stand in brackets, and a long date with its weekday', () => {
    const amounts = typed(
      [
        { type: 'money', format: { ...PLAIN_FORMAT, decimals: 0, currency: 'EUR', negative: 'brackets' } },
        { type: 'date', format: { ...PLAIN_FORMAT, date: 'full' } },
      ],
      [['-1200', '2026-11-29']],
    );
    const text = content(amounts);
    const [, main = ''] = /<style:map style:condition="value\(\)&gt;=0" style:apply-style-name="(N\d+)P0"\/>/.exec(text) ?? [];
    expect(main).not.toBe('');
    expect(text).toContain(`style:name="${main}P0" style:volatile="true"`);
    expect(text).toContain('<number:day-of-week number:style="long"/><number:text>, </number:text><number:day/>');
    expect(text).toContain('<number:month number:style="long" number:textual="true"/>');
  });
  it('say first what the file is, uncompressed', () => {
    const file = ods(table);
    // Local file header: 30 bytes, then the name, then the bytes as they are.
    expect(strFromU8(file.subarray(30, 38))).toBe('mimetype');
    expect(strFromU8(file.subarray(38, 84))).toBe('application/vnd.oasis.opendocument.spreadsheet');
  });
});
