import { freeName } from './free-name';

describe('A name for something new', () => {
  it('is the wanted one where it is free, and numbered from 2 where it is not', () => {
    expect(freeName('Hairline, mine', [])).toBe('Hairline, mine');
    expect(freeName('Hairline, mine', ['Hairline, mine'])).toBe('Hairline, mine 2');
    expect(freeName('Hairline, mine', ['hairline,  mine', 'Hairline, mine 2', 'Hairline, mine 4'])).toBe('Hairline, mine 3');
  });
  it('has no more characters than a name may have', () => {
    const long = 'x'.repeat(130);
    expect(freeName(long, [])).toHaveSize(120);
    const second = freeName(long, ['x'.repeat(120)]);
    expect([second.length, second.endsWith('x 2')]).toEqual([120, true]);
  });
});
