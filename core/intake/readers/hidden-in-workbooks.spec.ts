import { utils, write } from '@e965/xlsx';
import { bringIn, type SourceOptions } from '../index';

describe('What a workbook does not show', () => {
  const workbook = (): Uint8Array => {
    const sheet = utils.aoa_to_sheet([
      ['Boat', 'Secret', 'Fare'],
      ['Moth', 'a', '8'],
      ['Gone', 'b', '9'],
      ['Wick', 'c', '10'],
      ['Both', 'd', '11'],
    ]);
    sheet['!rows'] = [{}, {}, { hidden: true }];
    sheet['!cols'] = [{}, { hidden: true }];
    sheet['!merges'] = [utils.decode_range('A3:A4'), utils.decode_range('B5:C5')];
    const book = utils.book_new();
    utils.book_append_sheet(book, utils.aoa_to_sheet([['draft']]), 'Draft');
    utils.book_append_sheet(book, sheet, 'Fares');
    book.Workbook = { Sheets: [{ Hidden: 1 }, { Hidden: 0 }] };
    return new Uint8Array(write(book, { type: 'array', bookType: 'xlsx' }) as ArrayBuffer);
  };
  const readIt = (options: SourceOptions = {}) => {
    const read = bringIn('fares.xlsx', workbook(), options);
    if (!read.ok) throw new Error(read.problems[0]?.say);
    return read.value;
  };
  it('is marked and left out: sheets, rows and columns; what was merged over them stays', () => {
    const { pieces, piece, raw, hidden } = readIt();
    expect([pieces, piece, hidden]).toEqual([['Draft (hidden)', 'Fares'], 1, 2]);
    expect(raw.rows).toEqual([
      ['Boat', 'Fare'],
      ['Moth', '8'],
      ['Gone', '10'],
      ['Both', 'd'],
    ]);
    expect(raw.merges).toEqual([]);
    expect(raw.notes).toContain('1 hidden row and 1 hidden column of the sheet were left out.');
  });
  it('comes in where it is wanted', () => {
    expect(readIt({ hidden: true }).raw.rows.length).toBe(5);
    expect(readIt({ piece: 0 }).raw.rows).toEqual([['draft']]);
  });
});
