import { toLetGo } from './thinning';

describe('Thinning out backups', () => {
  const HOUR = 3_600_000;
  const start = Date.parse('2026-01-01T00:20:00Z');

  it('keeps, after a year of one each hour, a day of hours, two weeks of days, two months of weeks and a year of months', () => {
    let kept: { name: string; madeAt: Date }[] = [];
    let now = new Date(start);
    for (let hour = 0; hour < 24 * 365; hour++) {
      now = new Date(start + hour * HOUR);
      kept.push({ name: String(hour), madeAt: now });
      const gone = new Set(toLetGo(kept, now));
      kept = kept.filter(({ name }) => !gone.has(name));
    }
    const ages = kept.map(({ madeAt }) => (now.getTime() - madeAt.getTime()) / (24 * HOUR));
    const within = (from: number, to: number): number => ages.filter((age) => age > from && age <= to).length;
    expect(within(-1, 1)).toBe(25);
    expect(within(1, 14)).toBeGreaterThanOrEqual(12);
    expect(within(14, 60)).toBeGreaterThanOrEqual(6);
    expect(within(60, 400)).toBeGreaterThanOrEqual(9);
    expect(kept.length).toBeLessThan(65);
    // No day, week or month between two that are kept is longer than its stretch and a half.
    const sorted = ages.sort((a, b) => a - b);
    sorted.slice(1).forEach((age, i) => {
      const younger = sorted[i] ?? 0;
      expect(age - younger).toBeLessThanOrEqual(age <= 1 ? 0.05 : age <= 14 ? 2 : age <= 60 ? 14 : 60);
    });
  });
  it('keeps the newest, however old it is, and lets go of what is older than a year and a month', () => {
    const old = (name: string, days: number): { name: string; madeAt: Date } => ({ name, madeAt: new Date(start - days * 24 * HOUR) });
    expect(toLetGo([old('a', 500), old('b', 450)], new Date(start))).toEqual(['a']);
    expect(toLetGo([], new Date(start))).toEqual([]);
  });
});
