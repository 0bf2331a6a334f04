import { unzipSync, zipSync } from 'fflate';
import { utils, write, type WorkBook } from '@e965/xlsx';
import type { Row } from '../../table';
import { bringIn, type Brought, type SourceOptions } from '../index';
import { entryNames, plainPackage, unpackedSize } from './zip';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const brought = (name: string, content: string | Uint8Array, options: SourceOptions = {}): Brought => {
  const outcome = bringIn(name, typeof content === 'string' ? bytes(content) : content, options);
  if (!outcome.ok) throw new Error(outcome.problems[0]?.say);
  return outcome.value;
};
const refusal = (name: string, content: string | Uint8Array, options: SourceOptions = {}): string => {
  const outcome = bringIn(name, typeof content === 'string' ? bytes(content) : content, options);
  expect(outcome.ok).toBeFalse();
  return outcome.ok ? '' : (outcome.problems[0]?.say ?? '');
};
const book = (make: (book: WorkBook) => void, bookType: 'xlsx' | 'biff8' | 'ods' = 'xlsx'): Uint8Array => {
  const made = utils.book_new();
  make(made);
  return new Uint8Array(write(made, { type: 'array', bookType }) as ArrayBuffer);
};

describe('Separated values, as the person says', () => {
  it('takes another separator and another encoding', () => {
    expect(brought('a.csv', 'a;b,c\n1;2,3', { separator: ',' }).raw.rows).toEqual([
      ['a;b', 'c'],
      ['1;2', '3'],
    ]);
    const greek = new Uint8Array([0xc4, 0x2c, 0x62]);
    expect(brought('a.csv', greek, { encoding: 'windows-1252' }).raw.rows).toEqual([['Ä', 'b']]);
  });
  it('says how it read, so that it can be changed', () => {
    const { separator, encoding } = brought('a.csv', 'a;b\n1;2');
    expect([separator, encoding]).toEqual([';', 'utf-8']);
  });
  it('finds UTF-16 with and without a mark', () => {
    const wide = (text: string): Uint8Array => new Uint8Array(Uint16Array.from(text, (letter) => letter.charCodeAt(0)).buffer);
    expect(brought('a.csv', wide('\uFEFFa\tb\n1\t2')).raw.rows[1]).toEqual(['1', '2']);
    expect(brought('a.csv', wide('name,fare\nMoth,2')).raw.rows[1]).toEqual(['Moth', '2']);
  });
  it('takes off what our own files put before cells that a spreadsheet would run', () => {
    expect(brought('a.csv', `a,b\n'=1+1,''-x\n'plain,"'@x"`).raw.rows.slice(1)).toEqual([
      ['=1+1', "'-x"],
      ["'plain", '@x'],
    ]);
  });
});

describe('Workbooks', () => {
  const two = (bookType: 'xlsx' | 'biff8' | 'ods'): Uint8Array =>
    book((made) => {
      const sheet = utils.aoa_to_sheet([
        ['Boat', 'Leaves', 'Fare'],
        ['Σκάφος', new Date(Date.UTC(2026, 9, 3)), 6.5],
        ['فانوس', new Date(Date.UTC(2026, 9, 4, 18, 35)), 1234.5],
      ]);
      sheet['!merges'] = [{ s: { r: 0, c: 0 }, e: { r: 0, c: 1 } }];
      (sheet['C2'] as { z: string }).z = '#,##0.00';
      (sheet['C3'] as { z: string }).z = '#,##0.00';
      utils.book_append_sheet(made, sheet, 'Winter');
      utils.book_append_sheet(made, utils.aoa_to_sheet([['other'], [1]]), 'Άλλο');
    }, bookType);
  for (const [name, type] of [
    ['a.xlsx', 'xlsx'],
    ['a.xls', 'biff8'],
    ['a.ods', 'ods'],
  ] as const) {
    it(`reads sheets, merged cells, number formats and names in other scripts from ${name}`, () => {
      const { raw, pieces, kind, range } = brought(name, two(type));
      expect(kind).toBe('workbook');
      expect(pieces).toEqual(['Winter', 'Άλλο']);
      expect(range).toBe('A1:C3');
      expect(raw.merges).toEqual([{ row: 0, column: 0, rows: 1, columns: 2 }]);
      expect(raw.rows.map((cells) => cells[0])).toEqual(['Boat', 'Σκάφος', 'فانوس']);
      // This library writes no number formats into ODS; files made by LibreOffice are read in server/intake-files.spec.ts.
      if (type !== 'ods') expect(raw.rows.slice(1).map((cells) => cells[2])).toEqual(['6.50', '1,234.50']);
      expect(brought(name, two(type), { piece: 1 }).raw.rows).toEqual([['other'], ['1']]);
    });
  }
  it('writes dates as year-month-day in both date systems, and times past a day as durations', () => {
    const dated = (date1904: boolean): readonly Row[] =>
      brought(
        'a.xlsx',
        book((made) => {
          const sheet = utils.aoa_to_sheet([[45000, 45000.75, 0.5, 1.25]]);
          for (const [cell, z] of [
            ['A1', 'dd/mm/yyyy'],
            ['B1', 'dd/mm/yyyy hh:mm'],
            ['C1', 'hh:mm'],
            ['D1', '[h]:mm'],
          ] as const)
            (sheet[cell] as { z: string }).z = z;
          utils.book_append_sheet(made, sheet, 'S');
          made.Workbook = { WBProps: { date1904 } };
        }),
      ).raw.rows;
    expect(dated(false)).toEqual([['2023-03-15', '2023-03-15 18:00', '12:00', '30:00']]);
    expect(dated(true)).toEqual([['2027-03-16', '2027-03-16 18:00', '12:00', '30:00']]);
  });
  it('takes formulas as their last value and says so', () => {
    const { raw } = brought(
      'a.xlsx',
      book((made) => {
        const sheet = utils.aoa_to_sheet([[1, 2]]);
        sheet['C1'] = { t: 'n', v: 3, f: 'A1+B1' };
        sheet['!ref'] = 'A1:C1';
        utils.book_append_sheet(made, sheet, 'S');
      }),
    );
    expect(raw.rows).toEqual([['1', '2', '3']]);
    expect(raw.notes).toContain('1 formula came in as the last value.');
  });
  it('reads a range, and only what is filled of a sheet that claims a million rows', () => {
    const content = book((made) => {
      const sheet = utils.aoa_to_sheet([
        ['a', 'b'],
        ['c', 'd'],
      ]);
      sheet['!ref'] = 'A1:B1048576';
      sheet['A1048576'] = { t: 's', v: 'far' };
      utils.book_append_sheet(made, sheet, 'S');
    });
    expect(brought('a.xlsx', content).raw.rows).toEqual([
      ['a', 'b'],
      ['c', 'd'],
    ]);
    expect(brought('a.xlsx', content, { range: 'b1:b2' }).raw.rows).toEqual([['b'], ['d']]);
    expect(refusal('a.xlsx', content, { range: 'nonsense' })).toContain('not a range');
    expect(refusal('a.xlsx', content, { range: 'J1:K9' })).toContain('nothing in J1:K9');
  });
  it('refuses one that is cut off, one that expands without end, and other packages', () => {
    const whole = two('xlsx');
    expect(refusal('a.xlsx', whole.slice(0, whole.length / 2))).toContain('cut off or damaged');
    const bomb = whole.slice();
    // The directory's first entry claims four gigabytes.
    const at = bomb.findIndex((_, i) => bomb[i] === 0x50 && bomb[i + 1] === 0x4b && bomb[i + 2] === 1 && bomb[i + 3] === 2);
    bomb.set([0xff, 0xff, 0xff, 0xf0], at + 24);
    expect(unpackedSize(bomb)).toBeGreaterThan(4_000_000_000);
    expect(refusal('a.xlsx', bomb)).toContain('MB when it is unpacked');
    expect(refusal('a.xlsx', bytes('%PDF-1.7 …'))).toContain('it is a PDF');
    expect(refusal('a.csv', bytes('<?xml version="1.0"?>\n<fares><fare a="1,5">2,5</fare></fares>'))).toContain('it is XML');
    expect(refusal('a.svg', bytes('<svg xmlns="http://www.w3.org/2000/svg"><path d="M0,0 L1,1"/></svg>'))).toContain('it is a picture, an SVG');
    expect(refusal('a.fods', bytes('<?xml version="1.0"?><office:document xmlns:office="x"/>'))).toContain('flat OpenDocument');
  });
  it('refuses one that holds more than its directory says, and unpacks no more than that', () => {
    const sheet = new TextEncoder().encode(`<worksheet><sheetData>${' '.repeat(30_000_000)}</sheetData></worksheet>`);
    const package_ = zipSync({ 'xl/worksheets/sheet1.xml': sheet, 'xl/workbook.xml': bytes('<workbook/>') });
    expect(package_.length).toBeLessThan(100_000);
    const view = new DataView(package_.buffer, package_.byteOffset, package_.byteLength);
    for (let at = 0; at < package_.length - 46; at++) {
      const field = view.getUint32(at, true) === 0x04034b50 ? 22 : view.getUint32(at, true) === 0x02014b50 ? 24 : 0;
      if (field > 0 && view.getUint32(at + field, true) === sheet.length) view.setUint32(at + field, 1000, true);
    }
    expect(unpackedSize(package_)).toBeLessThan(2000);
    expect(plainPackage(package_, () => true, 400_000_000)).toBeUndefined();
    expect(refusal('a.xlsx', package_)).toContain('cut off or damaged');
  });
  it('unpacks what is asked for and no more than may be', () => {
    const packed = zipSync({ 'a.xml': bytes('<a>Νίκη</a>'), 'media/b.png': bytes('x'.repeat(5000)) });
    const plain = plainPackage(packed, (name) => name.endsWith('.xml'), 1000);
    expect(plain && entryNames(plain)).toEqual(['a.xml']);
    expect(plain && new TextDecoder().decode(unzipSync(plain)['a.xml'])).toBe('<a>Νίκη</a>');
    expect(plainPackage(packed, () => true, 1000)).toBeUndefined();
    expect(plainPackage(packed, () => true, 10_000)).toBeDefined();
    expect(plainPackage(packed.slice(0, 40), () => true, 1000)).toBeDefined();
  });
  it('says where a file is not what its name says', () => {
    expect(brought('a.csv', two('xlsx')).raw.notes[0]).toBe('The name ends in .csv, but the file is a workbook and was read as that.');
    expect(brought('a.xlsx', 'a,b\n1,2').raw.notes[0]).toContain('but the file is separated values');
  });
});

describe('Separated values as other programs write them', () => {
  const rowsOf = (text: string | Uint8Array, encoding?: 'shift_jis' | 'koi8-r' | 'macintosh' | 'windows-1253'): readonly (readonly unknown[])[] =>
    brought('a.csv', typeof text === 'string' ? bytes(text) : text, encoding ? { encoding } : {}).raw.rows;
  it('end lines in different ways in one file', () => {
    expect(rowsOf('a,b\r\n1,2\n3,4\r5,6\r\n')).toEqual([
      ['a', 'b'],
      ['1', '2'],
      ['3', '4'],
      ['5', '6'],
    ]);
  });
  it('say their separator in a first line', () => {
    expect(rowsOf('sep=;\r\na;b,c\r\n1;2,5\r\n')).toEqual([
      ['a', 'b,c'],
      ['1', '2,5'],
    ]);
    expect(rowsOf('sep=|\na,b|c\n')).toEqual([['a,b', 'c']]);
  });
  it('have a zero byte by accident, which is left out and said', () => {
    const long = 'Name,Fare\n' + Array.from({ length: 30 }, (_, i) => `Boat ${i},${i}`).join('\n');
    const read = brought('a.csv', bytes(`${long}\nMo\0th,7\n`));
    expect(read.raw.rows.at(-1)).toEqual(['Moth', '7']);
    expect(read.raw.notes).toContain('1 zero byte was left out (line 32, column 3): no text has one.');
  });
  it('are in the encodings of other places, where the person says so', () => {
    expect(rowsOf(new Uint8Array([0x93, 0xfa, 0x96, 0x7b, 0x2c, 0x31]), 'shift_jis')).toEqual([['日本', '1']]);
    expect(rowsOf(new Uint8Array([0xed, 0xcf, 0xd2, 0xc5, 0x2c, 0x31]), 'koi8-r')).toEqual([['Море', '1']]);
    expect(rowsOf(new Uint8Array([0x63, 0x61, 0x66, 0x8e, 0x2c, 0x31]), 'macintosh')).toEqual([['café', '1']]);
    expect(rowsOf(new Uint8Array([0xec, 0xef, 0xeb, 0xdf, 0x2c, 0x31]), 'windows-1253')).toEqual([['μολί', '1']]);
  });
});

describe('JSON', () => {
  it('may have names that every object has by birth', () => {
    const text = '[{"constructor":"Ada","toString":1},{"__proto__":"moth"}]';
    expect(brought('a.json', text).raw.rows).toEqual([
      ['constructor', 'toString', '__proto__'],
      ['Ada', '1', ''],
      ['', '', 'moth'],
    ]);
  });
  for (const [what, text, rows] of [
    [
      'an array of objects, with all their names',
      '[{"a":1,"b":"x"},{"b":true,"c":null}]',
      [
        ['a', 'b', 'c'],
        ['1', 'x', ''],
        ['', 'true', ''],
      ],
    ],
    [
      'an array of arrays',
      '[["a",1],["b",2.5]]',
      [
        ['a', '1'],
        ['b', '2.5'],
      ],
    ],
    ['an object on each line', '{"a":1}\n{"a":2}\n\n{"a":[1]}\n', [['a'], ['1'], ['2'], ['[1]']]],
    [
      'objects in each other as columns of their own, and never two of one name',
      '[{"boat":{"name":"Ada","at":{"x":1}},"tags":["a"]},{"boat":{"name":"Moth"},"boat.name":"other","none":{}}]',
      [
        ['boat.name', 'boat.at.x', 'tags', 'boat.name 2', 'none'],
        ['Ada', '1', '["a"]', '', ''],
        ['Moth', '', '', 'other', '{}'],
      ],
    ],
    [
      'columns and rows that stand apart',
      '{"index":[0,1],"columns":["a",{"name":"b"}],"data":[[1,"x"],[2,null]]}',
      [
        ['a', 'b'],
        ['1', 'x'],
        ['2', ''],
      ],
    ],
    [
      'numbers with more digits than a number keeps, and texts with such digits in them',
      '[{"id":12345678901234567890,"say":"no 12345678901234567890 \\" -98765432109876543210","small":1.5}]',
      [
        ['id', 'say', 'small'],
        ['12345678901234567890', 'no 12345678901234567890 " -98765432109876543210', '1.5'],
      ],
    ],
    ['an object around the array', '{"updated":"x","rows":[{"a":1}]}', [['a'], ['1']]],
  ] as const) {
    it(`reads ${what}`, () => expect(brought('a.json', text).raw.rows).toEqual(rows));
  }
  it('says where it is not JSON', () => {
    expect(refusal('a.json', '[{"a":1},\n {"a":}]')).toContain('line 2, column 7');
    expect(refusal('a.json', '{"a":1}\n{"a":2\n{"a":3}')).toContain('Line 2 is not JSON');
    expect(refusal('a.json', '[1,2]')).toContain('Item 1 is neither');
  });
});

describe('Markdown', () => {
  const text =
    '# Fares\n\n| Age | Fare |\n|:----|----:|\n| **Adult** | £11 |\n| Child \\| youth | [£4](https://x.test) &amp; up |\n\nText\n\n| a |\n|---|\n| 1<br>2 |\n';
  it('reads a table under the heading above it, with emphasis and links', () => {
    const { raw, pieces } = brought('a.md', text);
    expect(raw.rows).toEqual([
      ['Age', 'Fare'],
      [{ text: 'Adult', marks: [{ from: 0, to: 5, kind: 'bold' }] }, '£11'],
      ['Child | youth', { text: '£4 & up', marks: [{ from: 0, to: 2, kind: 'link', href: 'https://x.test' }] }],
    ]);
    expect(raw.caption).toBe('Fares');
    expect(pieces).toEqual(['Fares', 'a']);
    expect(brought('a.md', text, { piece: 1 }).raw.rows).toEqual([['a'], ['1\n2']]);
  });
  it('is told from bars that only separate', () => {
    expect(brought('a.txt', text).kind).toBe('markdown');
    expect(brought('a.txt', 'a|b\n1|2').kind).toBe('separated');
  });
});

describe('HTML', () => {
  it('offers every table that does not stand in another', () => {
    const html =
      '<p>x</p><table><caption>One</caption><tr><td>1<table><tr><td>in</td></tr></table></td></tr></table><table><tr><td>2</td><td>3</td></tr></table>';
    const { pieces, kind } = brought('a.html', `<!doctype html>${html}`);
    expect([kind, ...pieces]).toEqual(['html', 'One', '2, 3']);
    expect(brought('a.html', `<!doctype html>${html}`, { piece: 1 }).raw.rows).toEqual([['2', '3']]);
  });
  it('brings in text only: no script, no handler, no address', () => {
    const { raw } = brought('a.html', '<table><tr><td onclick="x()"><a href="javascript:x()">a</a><script>x()</script></td></tr></table>');
    expect(raw.rows).toEqual([['a']]);
  });
});
