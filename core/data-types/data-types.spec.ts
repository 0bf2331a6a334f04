import { awkwardColumns } from '../tests/awkward-columns';
import { dice } from '../tests/random';
import { AS_IT_SAYS, findType, howWritten, readDate, readDuration, readNumber, readTime, readValueOf } from '.';

describe('findType', () => {
  it('read a number that machines wrote as they read it with a space before it, where they look at it letter by letter', () => {
    const texts = [
      '0',
      '-0',
      '7',
      '007',
      '-12',
      '1.5',
      '1.50',
      '1.234',
      '1234.567',
      '12.345',
      '0.125',
      '1.',
      '.5',
      '1.2.3',
      '-1.25',
      '--1',
      '1e5',
      '999999999999999',
    ];
    for (const text of [...texts, '9999999999999999', '12345678901.2345', '١٢', '1,5', '-', ''])
      for (const told of ['', '.', ','] as const)
        expect(readNumber(text, told))
          .withContext(`${text} told ${told}`)
          .toEqual(readNumber(` ${text}`, told));
  });
  it('ships with at least 60 awkward columns', () => expect(awkwardColumns.length).toBeGreaterThanOrEqual(60));
  for (const [name, cells, is] of awkwardColumns)
    it(`tells that “${name}” (${cells.slice(0, 40)}) is ${is.type}`, () =>
      expect(findType(cells.split('|'), name)).toEqual(jasmine.objectContaining(is)));
});

describe('howWritten', () => {
  it('tells currency, unit, decimal mark and order from those cells that are what the column is said to be', () => {
    expect(howWritten(['£1.5', 'free', 'on request'])).toEqual({ decimal: '.', currency: '£', unit: '', order: '' });
    expect(howWritten(['1,25 m', 'unknown'])).toEqual({ decimal: ',', currency: '', unit: 'm', order: '' });
    expect(howWritten(['02/13/2026', 'soon', '04/05/2026']).order).toBe('mdy');
  });
});

describe('readNumber', () => {
  const value = (text: string, decimal: '' | '.' | ',' = ''): number | undefined => readNumber(text, decimal)?.value;

  it('follows the decimal mark that it is told where the text could be either', () => {
    expect([value('1,234'), value('1,234', '.'), value('1,234', ',')]).toEqual([1234, 1234, 1.234]);
    expect([value('1.234'), value('1.234', '.'), value('1.234', ',')]).toEqual([1.234, 1.234, 1234]);
    expect(value('1.234,5', '.')).toBeUndefined();
  });

  it('reads what languages write, in eight of them, back to the number that it was', () => {
    const d = dice(5);
    for (const language of ['en', 'de', 'fr', 'es', 'el', 'ar-EG', 'de-CH', 'en-IN']) {
      const format = new Intl.NumberFormat(language, { maximumFractionDigits: 3 });
      const decimal = format.formatToParts(1.5).find(({ type }) => type === 'decimal')?.value === ',' ? ',' : '.';
      for (let i = 0; i < 125; i++) {
        const number = Math.round((d.whole(0, 2_000_000) - 1_000_000) * 10 ** d.whole(-3, 3) * 1000) / 1000;
        expect(value(format.format(number), decimal))
          .withContext(`${language} ${format.format(number)}`)
          .toBe(number === 0 ? 0 : number);
      }
    }
  });

  it('refuses what only looks like a number', () => {
    for (const text of ['', '12a3', '1,23,4', '--5', '(5', '5)', '(-5)', '12 34', '1.2.3,4,5', '€ 5 £', '٣x٤', '1 000 0', '0x1F', 'Infinity'])
      expect(readNumber(text)).withContext(text).toBeUndefined();
  });
});

describe('readDate', () => {
  const day = (text: string, order: '' | 'dmy' | 'mdy' | 'ymd' = ''): string | undefined => {
    const read = readDate(text, order);
    return read && new Date(read.value).toISOString().slice(0, 16);
  };

  it('never shifts by a time zone, and keeps the time that stands behind', () => {
    expect(day('2024-02-29')).toBe('2024-02-29T00:00');
    expect(day('2024-02-29 18:05')).toBe('2024-02-29T18:05');
    expect(day('٢٩/٠٢/٢٠٢٤')).toBe('2024-02-29T00:00');
  });

  it('follows the order that it is told', () => {
    expect([day('02/03/2024'), day('02/03/2024', 'mdy')]).toEqual(['2024-03-02T00:00', '2024-02-03T00:00']);
    expect(day('13/03/2024', 'mdy')).toBeUndefined();
    expect([day('1/2/49'), day('1/2/50')]).toEqual(['2049-02-01T00:00', '1950-02-01T00:00']);
  });

  it('refuses days that the calendar does not have', () => {
    for (const text of ['30.2.2024', '2023-02-29', '32/1/2024', '2024-00-10', '3 Foo 2024', '1.2', '2024-1'])
      expect(readDate(text)).withContext(text).toBeUndefined();
  });
});

describe('readTime and readDuration', () => {
  it('tell a time of day from a length of time', () => {
    expect([readTime('18:10'), readTime('6:10 pm'), readTime('12 am'), readTime('24:00')]).toEqual([65_400, 65_400, 0, undefined]);
    expect([readDuration('36:00'), readDuration('1 h 30 min'), readDuration('PT1H30M'), readDuration('1,5 Std.'), readDuration('5 boats')]).toEqual([
      129_600,
      5400,
      5400,
      5400,
      undefined,
    ]);
  });
});

describe('readValueOf', () => {
  it('gives values by which a column is sorted, nothing for dashes, and says what is not of the type', () => {
    expect(readValueOf('money', '(£1,204.50)', AS_IT_SAYS)).toBe(-1204.5);
    expect(readValueOf('percent', '12,5 %', { decimal: ',', order: '' })).toBe(12.5);
    expect(readValueOf('whole', '12.5', AS_IT_SAYS)).toBeUndefined();
    expect(readValueOf('yes-no', 'όχι', AS_IT_SAYS)).toBe(0);
    expect(readValueOf('number', ' – ', AS_IT_SAYS)).toBeNull();
    expect(readValueOf('text', ' 007 ', AS_IT_SAYS)).toBe('007');
    expect(readValueOf('link', 'javascript:alert(1)', AS_IT_SAYS)).toBeUndefined();
  });
});
