import { read, utils, type CellObject } from '@e965/xlsx';
import { PLAIN_FORMAT } from '../data-types';
import { arrange, bringIn } from '../intake';
import { PLAIN_COLUMN, tableOf, type Column, type Table } from '../table';
import { numberFormat } from './sheet-cell';
import { tableData } from './table-files';

const workbook = (table: Table): Uint8Array => tableData(table, 'xlsx') as Uint8Array;
/** The cells of a table's column in its workbook, as another program reads them: value, format, and what is shown. */
function cellsOf(set: Partial<Column>, texts: readonly string[], given: Partial<Table> = {}): readonly (readonly unknown[])[] {
  const table = tableOf('T', [['Head'], ...texts.map((text) => [text])], { headerRows: 1, columns: [{ ...PLAIN_COLUMN, ...set }], ...given });
  const book = read(workbook(table), { type: 'array', cellNF: true });
  const sheet = book.Sheets[book.SheetNames[0] ?? ''];
  return texts.map((_, i) => {
    const { t, v, w } = (sheet?.[utils.encode_cell({ r: i + 1, c: 0 })] ?? {}) as CellObject;
    return [t, v, w];
  });
}

describe('Values of typed columns in a workbook', () => {
  it('are numbers, shown with their currency, unit, thousands and decimals', () => {
    expect(cellsOf({ type: 'money' }, ['£8.20', '£1,204.50', '-£3', '(£3.00)', 'on request'])).toEqual([
      ['n', 8.2, '£8.20'],
      ['n', 1204.5, '£1,204.50'],
      ['n', -3, '-£3'],
      ['n', -3, '(£3.00)'],
      ['s', 'on request', 'on request'],
    ]);
    expect(cellsOf({ type: 'number' }, ['1.204,50 km'], { decimal: ',' }).map(([t, v]) => [t, v])).toEqual([['n', 1204.5]]);
    expect(cellsOf({ type: 'number' }, ['1.204,50', '12'], { decimal: ',' }).map(([t, v]) => [t, v])).toEqual([
      ['n', 1204.5],
      ['n', 12],
    ]);
    expect(cellsOf({ type: 'whole' }, ['1 204', 'some'])).toEqual([
      ['n', 1204, '1,204'],
      ['s', 'some', 'some'],
    ]);
  });
  it('are shares of one for per cent', () => {
    expect(cellsOf({ type: 'percent' }, ['12.5%', '8 %'])).toEqual([
      ['n', 0.125, '12.5%'],
      // The library that reads it here cannot show this format; ours can.
      ['n', 0.08, undefined],
    ]);
    const share = tableOf('T', [['Share'], ['8 %'], ['12,5 %']], { decimal: ',', columns: [{ ...PLAIN_COLUMN, type: 'percent' }] });
    const back = bringIn('t.xlsx', workbook(share));
    expect(back.ok && back.value.raw.rows).toEqual([['Share'], ['8 %'], ['12.5 %']]);
  });
  it('are dates, times and durations, in the order in which they were typed', () => {
    const dates = (texts: readonly string[], set: Partial<Column> = {}) => cellsOf({ type: 'date', ...set }, texts).map(([t, v, w]) => [t, v, w]);
    expect(dates(['2026-11-29', '29.11.2026', '29/11/2026', '29 Nov 2026', '1800-01-01'])).toEqual([
      ['n', 46355, '2026-11-29'],
      ['n', 46355, '29.11.2026'],
      ['n', 46355, '29/11/2026'],
      ['n', 46355, '29 Nov 2026'],
      ['s', '1800-01-01', '1800-01-01'],
    ]);
    expect(dates(['11/29/2026'], { order: 'mdy' })).toEqual([['n', 46355, '11/29/2026']]);
    expect(cellsOf({ type: 'time' }, ['18:30'])).toEqual([['n', 18.5 / 24, '18:30']]);
    expect(cellsOf({ type: 'duration' }, ['30:15'])).toEqual([['n', 30.25 / 24, '30:15']]);
  });
  it('are shown as the column’s format has them, and so is its total', () => {
    const format = { ...PLAIN_FORMAT, currency: 'EUR', decimals: 2 };
    const set = { type: 'money', format, total: 'sum', language: 'de' } as const;
    const cells = cellsOf(set, ['8', '1204,5', ''], { decimal: ',', footerRows: 1 });
    expect(cells.map(([t, v]) => [t, v])).toEqual([
      ['n', 8],
      ['n', 1204.5],
      ['n', 1212.5],
    ]);
    expect(cells[1]?.[2]).toBe('1,204.50\u00a0€');
  });
  it('leave texts of columns without a type as they were', () => {
    expect(cellsOf({}, ['£8.20', '007', '12.50'])).toEqual([
      ['s', '£8.20', '£8.20'],
      ['s', '007', '007'],
      ['n', 12.5, '12.50'],
    ]);
  });
  it('come back with the caption', () => {
    const table = tableOf(
      'T',
      [
        ['Boat', 'Fare'],
        ['Moth', '8.20'],
      ],
      { caption: 'Fares, σήμερα', columns: [PLAIN_COLUMN, { ...PLAIN_COLUMN, type: 'number' }] },
    );
    const back = bringIn('t.xlsx', workbook(table));
    expect(back.ok && arrange('T', back.value.raw).table).toEqual(jasmine.objectContaining({ caption: 'Fares, σήμερα', rows: table.rows }));
  });
  it('have formats that say what a text looks like, and none for what is no number', () => {
    expect(numberFormat('+1,204.5 %', 'percent', '.')).toBe('\\+#,##0.0 %;\\-#,##0.0 %;#,##0.0 %');
    expect(numberFormat('1 204,5 kr', 'money', ',')).toBe('#,##0.0" kr"');
    expect(numberFormat('a "quoted" 5', 'number', '.')).toBe('"a quoted "0');
    expect(numberFormat('none', 'number', '.')).toBeUndefined();
    expect(numberFormat('1e5', 'number', '.')).toBeUndefined();
  });
});
