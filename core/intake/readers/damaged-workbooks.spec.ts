import { utils, write, type WorkBook } from '@e965/xlsx';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { readWorkbook, type Sheet } from './read-workbook';

/** A workbook as the library writes it, with its first sheet's XML changed by hand. */
function book(rows: readonly (readonly (string | number)[])[], change: (xml: string) => string, date1904 = false): Uint8Array {
  const sheet = utils.aoa_to_sheet(rows.map((row) => [...row]));
  for (const key of Object.keys(sheet)) if (/^A(?:[2-9]|\d\d)/.test(key)) (sheet[key] as { z?: string }).z = 'yyyy-mm-dd';
  for (const key of Object.keys(sheet)) if (/^B(?:[2-9]|\d\d)/.test(key)) (sheet[key] as { z?: string }).z = 'hh:mm';
  const all: WorkBook = { SheetNames: ['Log'], Sheets: { Log: sheet }, Workbook: { WBProps: { date1904 } } };
  const parts = unzipSync(new Uint8Array(write(all, { type: 'array', bookType: 'xlsx', bookSST: true }) as ArrayBuffer));
  const name = 'xl/worksheets/sheet1.xml';
  return zipSync({ ...parts, [name]: strToU8(change(strFromU8(parts[name] ?? new Uint8Array()))) });
}
const same = (xml: string): string => xml;
const sheetOf = (bytes: Uint8Array): Sheet => {
  const read = readWorkbook(bytes);
  if (!read.ok) throw new Error(read.problems[0]?.say);
  return read.value;
};
const cells = (bytes: Uint8Array): unknown => sheetOf(bytes).raw.rows;

describe('Workbooks with something odd in them', () => {
  it('count days from 0 in both systems, and times stay times', () => {
    const rows = [
      ['Day', 'At'],
      [0, 0],
      [0.5, 0.5],
      [1, 0.25],
      [1.5, 1],
    ];
    expect(cells(book(rows, same))).toEqual([
      ['Day', 'At'],
      ['1899-12-31', '00:00'],
      ['1899-12-31 12:00', '12:00'],
      ['1900-01-01', '06:00'],
      ['1900-01-01 12:00', jasmine.any(String) as never],
    ]);
    const since1904 = sheetOf(book(rows, same, true)).raw;
    expect(since1904.rows.map(([day]) => day)).toEqual(['Day', '1904-01-01', '1904-01-01 12:00', '1904-01-02', '1904-01-02 12:00']);
    expect(since1904.notes.join(' ')).toContain('from 1904');
  });
  it('lose a cell whose text is missing, and not the sheet', () => {
    const rows = [
      ['Boat', 'Port'],
      ['Tern', 'Skerrin'],
      ['Gull', 'Tarn Isle'],
    ];
    const bytes = book(rows, (xml) => xml.replace('<v>3</v>', '<v>77</v>').replace('<v>5</v>', '<v>78</v>'));
    const { raw } = sheetOf(bytes);
    expect(raw.rows).toEqual([
      ['Boat', 'Port'],
      ['Tern', ''],
      ['Gull', ''],
    ]);
    expect(raw.notes).toContain('2 cells name texts that the workbook lacks; they are empty.');
    expect(sheetOf(book(rows, same)).raw.notes.join(' ')).not.toContain('lacks');
  });
  it('say which cell stands far from the rest, and what lies below all that is looked at', () => {
    const far = (row: number, column = 'C'): readonly string[] =>
      sheetOf(
        book(
          [
            ['Boat', 'Fare'],
            ['Tern', 1],
          ],
          (xml) =>
            xml
              .replace(/<dimension ref="[^"]*"/, `<dimension ref="A1:${column}${row}"`)
              .replace('</sheetData>', `<row r="${row}"><c r="${column}${row}"><v>5</v></c></row></sheetData>`),
        ),
      ).raw.notes;
    expect(far(5000)).toContain('C5000 stands 4,997 empty rows below the rest.');
    expect(far(4, 'AZ').join()).toContain('AZ4 stands 49 empty columns beside the rest.');
    expect(far(9)).toEqual([]);
    expect(far(900_000).join()).toMatch(/The sheet goes on to row 900,000; what is below row 10\d,\d+ was left out\./);
  });
});
