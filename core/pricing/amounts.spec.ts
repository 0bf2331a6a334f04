import { amountParts, isAmount, readAmount, saysAll, writtenAmount } from './index';
import { converted } from './amounts';

const read = (typed: string): string => {
  const outcome = readAmount(typed);
  return outcome.ok ? outcome.value : `${outcome.problems[0]?.say ?? ''} ${outcome.problems[0]?.remedy ?? ''}`;
};

describe('An amount as it is typed', () => {
  for (const [typed, wanted] of [
    ['12.50', '12.50'],
    ['12,50 €', '12.50'],
    ['€ 12,50', '12.50'],
    ['£1,204.50', '1204.50'],
    ['1.204,50', '1204.50'],
    ['1 204,50', '1204.50'],
    ['1\u202f204,5', '1204.5'],
    ['1’299.00 CHF', '1299.00'],
    ['1,234,567', '1234567'],
    ['1.234.567,8', '1234567.8'],
    ['0.125', '0.125'],
    ['007', '7'],
    ['٤٩٫٩٠', '49.90'],
    ['१२', '12'],
    ['0', '0'],
  ] as const)
    it(`${typed} is ${wanted}`, () => {
      expect(read(typed)).toBe(wanted);
      expect(isAmount(read(typed))).toBeTrue();
    });
  for (const [typed, says] of [
    ['12,5O', /letter O where a zero may be meant.*Did you mean 12,50\?/],
    ['1.299', /1299, or 1 and 299 thousandths.*Type 1299, or 1\.29/],
    ['free!', /no amount.*choose free/],
    ['-3', /less than nothing/],
    ['−3,00', /less than nothing/],
    ['(3.00)', /less than nothing/],
    ['123456789012345678901234567890', /30 digits.*at most 12/],
    ['1.1234567', /7 decimals/],
    ['12.', /ends with/],
    ['1.2.3', /one amount/],
    ['1,2345,67', /one amount/],
    ['12..5', /one amount/],
    ['', /no amount here/],
    ['9'.repeat(90), /too long/],
    ['1e5', /no amount/],
    ['Infinity', /no amount/],
    ['.5', /one amount/],
  ] as const)
    it(`${typed.slice(0, 30) || 'nothing'} is refused with what would be right`, () => expect(read(typed)).toMatch(says));
});

describe('An amount as it is written', () => {
  it('is what its language writes, with decimals only where it has some, digit for digit', () => {
    expect(writtenAmount('12.5', 'GBP', 'en-GB')).toBe('£12.50');
    expect(writtenAmount('120.00', 'GBP', 'en-GB')).toBe('£120');
    expect(writtenAmount('1204.5', 'EUR', 'de').replace(/\s/g, ' ')).toBe('1.204,50 €');
    expect(writtenAmount('999999999999.99', 'GBP', 'en')).toBe('£999,999,999,999.99');
    expect(writtenAmount('1500', 'JPY', 'en')).toBe('¥1,500');
    expect(writtenAmount('1.5', 'KWD', 'en').replace(/\s/g, ' ')).toBe('KWD 1.500');
  });
  it('comes in parts, for a sign and decimals of another size', () => {
    expect(amountParts('1204.5', 'GBP', 'en-GB')).toEqual([
      { kind: 'currency', text: '£' },
      { kind: 'whole', text: '1,204' },
      { kind: 'decimals', text: '.50' },
    ]);
  });
  it('is said to lose something where it does', () => {
    expect([saysAll('12.505', 'GBP'), saysAll('12.500', 'GBP'), saysAll('12.5', 'JPY'), saysAll('1.125', 'KWD')]).toEqual([false, true, false, true]);
  });
});

describe('An amount in another currency', () => {
  it('is rounded to the currency’s decimals, halves up, or to the nearest that ends as asked', () => {
    expect(converted('12.50', '1.16', 2)).toBe('14.5');
    expect(converted('0.125', '1', 2)).toBe('0.13');
    expect(converted('12.50', '1.16', 2, { to: '1', ending: '.90' })).toBe('14.9');
    expect(converted('12.50', '1.16', 2, { to: '5', ending: '' })).toBe('15');
    expect(converted('0.10', '1.16', 2, { to: '1', ending: '.90' })).toBe('0.9');
    expect(converted('10', '157.31', 0)).toBe('1573');
  });
});
