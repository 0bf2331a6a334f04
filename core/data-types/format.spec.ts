import { dice } from '../tests/random';
import { PLAIN_FORMAT, collatorOf, currencyCode, formatValue, isLanguage, sortedPlaces, totalOf, totalsFor, type ColumnFormat } from '.';

const languages = ['en', 'de', 'fr', 'es', 'el', 'ar-EG', 'de-CH', 'en-IN'];
const with_ = (set: Partial<ColumnFormat>): ColumnFormat => ({ ...PLAIN_FORMAT, ...set });

describe('formatValue', () => {
  it('writes 1,000 values as Intl does, in eight languages', () => {
    const d = dice(11);
    for (let i = 0; i < 1000; i++) {
      const language = d.pick(languages);
      const value = (d.whole(0, 2_000_000) - 1_000_000) / 10 ** d.whole(0, 4);
      const decimals = d.pick([0, 1, 2, 3]);
      const digits = { minimumFractionDigits: decimals, maximumFractionDigits: decimals };
      const day = Math.floor(value) * 86_400_000;
      const [is, wanted] = d.pick([
        [formatValue('number', value, with_({ decimals }), language), new Intl.NumberFormat(language, digits).format(value)],
        [
          formatValue('percent', value, with_({ decimals }), language),
          new Intl.NumberFormat(language, { ...digits, style: 'percent' }).format(value / 100),
        ],
        [
          formatValue('money', value, with_({ currency: 'EUR' }), language),
          new Intl.NumberFormat(language, { style: 'currency', currency: 'EUR' }).format(value),
        ],
        [
          formatValue('date', day, with_({ date: 'long' }), language),
          new Intl.DateTimeFormat(language, { dateStyle: 'long', timeZone: 'UTC' }).format(day),
        ],
      ] as const);
      expect(is).withContext(`${language} ${value}`).toBe(wanted);
    }
  });

  it('writes below nothing in brackets, units behind, and what stands for nothing', () => {
    expect([3, 0, -3].map((value) => formatValue('number', value, with_({ positive: 'plus' }), ''))).toEqual(['+3', '0', '-3']);
    expect([2.5, -2.5].map((value) => formatValue('percent', value, with_({ positive: 'plus', negative: 'brackets' }), ''))).toEqual([
      '+2.5%',
      '(2.5%)',
    ]);
    expect(formatValue('money', 12, with_({ currency: 'EUR', positive: 'plus' }), 'de')).toBe('+12,00\u00a0€');
    expect(formatValue('money', -1204.5, with_({ currency: 'GBP', negative: 'brackets' }), '')).toBe('(£1,204.50)');
    expect(formatValue('number', 12.5, with_({ unit: 'km/h', decimals: 2 }), 'de')).toBe('12,50\u00a0km/h');
    expect(formatValue('whole', 2024, with_({ grouping: false }), 'en')).toBe('2024');
    expect(formatValue('number', null, with_({ empty: '–' }), 'en')).toBe('–');
    expect(formatValue('date', Date.UTC(2024, 1, 29, 18, 5), with_({ date: 'iso' }), 'en')).toBe('2024-02-29 18:05');
    expect(formatValue('duration', 5400, PLAIN_FORMAT, 'en')).toBe('1 hr 30 min');
    expect(formatValue('duration', 0, PLAIN_FORMAT, 'en')).toBe('0 min');
    expect([formatValue('yes-no', 1, PLAIN_FORMAT, 'el'), formatValue('yes-no', 0, PLAIN_FORMAT, 'de-AT')]).toEqual(['Ναι', 'Nein']);
  });

  it('knows codes for currencies as they are written, and languages', () => {
    expect(['£', 'EUR', 'kr', 'US$'].map(currencyCode)).toEqual(['GBP', 'EUR', '', 'USD']);
    expect(['en', 'ar-EG', 'not a language', 'x'.repeat(40)].map(isLanguage)).toEqual([true, true, false, false]);
  });
});

describe('totalOf', () => {
  it('adds up without what floating point loses', () => {
    expect(totalOf('sum', Array<number>(10).fill(0.1))).toBe(1);
    expect(totalOf('sum', [1e15, 0.5, -1e15])).toBe(0.5);
  });
  it('leaves out nothing and what is not of the type', () => {
    const values = [3, null, undefined, 1, 8];
    expect(['sum', 'mean', 'median', 'least', 'greatest', 'count'].map((kind) => totalOf(kind as 'sum', values))).toEqual([12, 4, 3, 1, 8, 3]);
    expect(totalOf('median', [4, 1])).toBe(2.5);
    expect(totalOf('distinct', ['a', 'b', 'a', '', null])).toBe(2);
    expect(totalOf('sum', [null])).toBeNull();
  });
  it('offers sums for amounts only', () => {
    expect(totalsFor('date')).toEqual(['median', 'least', 'greatest', 'count', 'distinct']);
    expect(totalsFor('text')).toEqual(['count', 'distinct']);
    expect(totalsFor('percent')).not.toContain('sum');
  });
});

describe('sortedPlaces', () => {
  it('is stable, puts nothing last either way, and follows the language', () => {
    expect([...sortedPlaces([3, null, 1, 3, ''], 'ascending', '')]).toEqual([2, 0, 3, 1, 4]);
    expect([...sortedPlaces([3, null, 1, 3, ''], 'descending', '')]).toEqual([0, 3, 2, 1, 4]);
    expect([...sortedPlaces(['Zander', 'Äsche', 'Aal'], 'ascending', 'de')]).toEqual([2, 1, 0]);
    expect([...sortedPlaces(['Zander', 'Äsche', 'Aal'], 'ascending', 'sv')]).toEqual([2, 0, 1]);
    expect([...sortedPlaces(['pier 10', 'pier 9'], 'ascending', 'en')]).toEqual([1, 0]);
  });
  it('sorts 1,000 random texts as Intl’s collator does, in eight languages', () => {
    const d = dice(3);
    for (const language of languages) {
      const texts = Array.from({ length: 125 }, () => Array.from({ length: d.whole(1, 5) }, () => d.pick([...'aäbcéñzßΑάβωبتa12 -'])).join(''));
      expect([...sortedPlaces(texts, 'ascending', language)].map((place) => texts[place])).toEqual([...texts].sort(collatorOf(language).compare));
      expect([...texts].sort(collatorOf(language).compare)).toEqual([...texts].sort(new Intl.Collator(language, { numeric: true }).compare));
    }
  });
});
