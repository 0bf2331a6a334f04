import { when } from './when';

describe('A moment', () => {
  const now = new Date(2026, 10, 29, 12);
  it('is said in one form, with its year where that is another, or to the second', () => {
    expect(when(new Date(2026, 10, 29, 9, 5), false, now)).toBe('29 Nov, 09:05');
    expect(when(new Date(2025, 0, 2, 23, 59).toISOString(), false, now)).toBe('2 Jan 2025, 23:59');
    expect(when(new Date(2026, 10, 29, 9, 5, 7).getTime(), true, now)).toBe('29 Nov 2026, 09:05:07');
  });
});
