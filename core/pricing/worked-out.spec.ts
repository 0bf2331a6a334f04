import { dice, type Dice } from '../tests/random';
import { emptyPlan, emptyPricing, priceIn, savingKinds, type Price, type Pricing } from './index';

/** Amounts as whole numbers of millionths, worked out once more with integers alone. */
const MILLION = 1_000_000n;
const units = (amount: string): bigint => {
  const [whole = '0', part = ''] = amount.split('.');
  return BigInt(whole) * MILLION + BigInt(part.padEnd(6, '0'));
};
/** A quotient rounded to the nearest whole number, halves up; both are 0 or more. */
const nearest = (a: bigint, b: bigint): bigint => (2n * a + b) / (2n * b);

function expectedIn(pricing: Pricing, price: Price, code: string): bigint {
  const typed = price.by?.[code];
  if (typed !== undefined) return units(typed);
  const currency = pricing.currencies.find((each) => each.code === code);
  const amount = units(price.amount ?? '0');
  if (!currency?.rate) return amount;
  // Millionths times millionths.
  const exact = amount * units(currency.rate);
  if (!currency.rounding) {
    const step = { GBP: 10_000n, EUR: 10_000n, JPY: MILLION, KWD: 1000n }[code] ?? 10_000n;
    return nearest(exact, step * MILLION) * step;
  }
  const [step, ending] = [units(currency.rounding.to), units(`0${currency.rounding.ending}`)];
  const left = exact - ending * MILLION;
  const count = left < 0n ? 0n : nearest(left, step * MILLION);
  return count * step + ending;
}

const decimal = (d: Dice, most: number, places: number): string => {
  const part = Array.from({ length: d.whole(0, places) }, () => d.whole(0, 9)).join('');
  return part === '' ? `${d.whole(1, most)}` : `${d.whole(0, most)}.${part}`;
};
const positive = (text: string): string => (/[1-9]/.test(text) ? text : '1');

function randomPricing(d: Dice): Pricing {
  const currency = (code: string) => ({
    code,
    rate: positive(decimal(d, 200, 4)),
    ...(d.chance(0.5) ? { rounding: { to: d.pick(['1', '5', '0.05', '0.5', '10', '3']), ending: d.pick(['', '.90', '.99', '.5']) } } : {}),
  });
  const amount = (months: number): string => (d.chance(0.1) ? '0' : decimal(d, 90 * months, 2));
  const price = (period: string, months: number): Price => ({
    period,
    is: 'amount',
    amount: amount(months),
    ...(d.chance(0.3) ? { was: amount(months * 2) } : {}),
    ...(d.chance(0.3) ? { by: { [d.pick(['EUR', 'JPY'])]: decimal(d, 100 * months, 2) } } : {}),
  });
  const periods = [
    { id: 'month', name: 'Monthly', months: 1 },
    { id: 'quarter', name: 'A quarter', months: 3 },
    { id: 'year', name: 'Yearly', months: 12 },
    { id: 'once', name: 'Once', months: null },
  ];
  const some = periods.filter(() => d.chance(0.8));
  return {
    ...emptyPricing('Random', 1),
    periods,
    currencies: [{ code: 'GBP' }, currency('EUR'), currency('JPY'), currency('KWD')],
    saving: d.pick(savingKinds),
    plans: [{ ...emptyPlan('p1', 'Cabin'), prices: some.map(({ id, months }) => price(id, months ?? 1)) }],
  };
}

describe('What prices come to', () => {
  for (let block = 0; block < 8; block++)
    it(`is what an exact calculation with integers gives, seeds ${block * 250} to ${block * 250 + 249}`, () => {
      for (let seed = block * 250; seed < block * 250 + 250; seed++) {
        const pricing = randomPricing(dice(seed));
        const [plan] = pricing.plans;
        if (!plan) continue;
        const months = new Map(pricing.periods.map((each) => [each.id, each.months]));
        const base = pricing.periods.find(({ id, months: of }) => of !== null && plan.prices.some(({ period }) => period === id));
        for (const { code } of pricing.currencies)
          for (const price of plan.prices) {
            const where = `seed ${seed}, ${price.period} in ${code}`;
            const shown = priceIn(pricing, plan, price.period, code);
            const amount = expectedIn(pricing, price, code);
            expect(units(shown?.amount ?? '-1'))
              .withContext(where)
              .toBe(amount);
            const of = BigInt(months.get(price.period) ?? 0);
            const minor = { GBP: 10_000n, EUR: 10_000n, JPY: MILLION, KWD: 1000n }[code] ?? 1n;
            if (of > 1n) {
              const month = units(shown?.perMonth ?? '-1');
              // No cheaper than it is, and by less than one step of the currency.
              expect(month * of >= amount && (month - minor) * of < amount && month % minor === 0n)
                .withContext(`${where}: ${shown?.perMonth ?? ''} a month of ${shown?.amount ?? ''}`)
                .toBeTrue();
            } else expect(shown?.perMonth).withContext(where).toBeUndefined();
            const short = base && plan.prices.find(({ period }) => period === base.id);
            const saved = short && base.months ? expectedIn(pricing, short, code) * of - amount * BigInt(base.months) : 0n;
            if (of <= BigInt(base?.months ?? 0) || saved <= 0n || pricing.saving === 'nothing') {
              expect(shown?.saving).withContext(where).toBeUndefined();
              continue;
            }
            const full = expectedIn(pricing, short as Price, code);
            const wanted =
              pricing.saving === 'percent'
                ? ((saved * 100n) / (full * of)) * MILLION
                : pricing.saving === 'months'
                  ? (saved / full) * MILLION
                  : (saved / BigInt(base?.months ?? 1) / minor) * minor;
            expect(shown?.saving ? units(shown.saving.value) : 0n)
              .withContext(where)
              .toBe(wanted);
          }
      }
    });
  it('is no saving that is not one, and none beside what is from an amount, free or on request', () => {
    const two = (month: Price['is'], year: Price['is'], amount = '120'): Pricing => ({
      ...emptyPricing('Passes', 1),
      periods: [
        { id: 'month', name: 'Monthly', months: 1 },
        { id: 'year', name: 'Yearly', months: 12 },
      ],
      plans: [
        {
          ...emptyPlan('p1', 'Cabin'),
          prices: [
            { period: 'month', is: month, ...(month === 'free' ? {} : { amount: '10' }) },
            { period: 'year', is: year, ...(year === 'on request' ? {} : { amount }) },
          ],
        },
      ],
    });
    const saving = (pricing: Pricing): string | undefined => pricing.plans[0] && priceIn(pricing, pricing.plans[0], 'year')?.saving?.value;
    expect(saving(two('amount', 'amount'))).toBeUndefined();
    expect(saving(two('amount', 'amount', '119.99'))).toBeUndefined();
    expect(saving(two('amount', 'amount', '108'))).toBe('10');
    expect(saving(two('amount', 'amount', '108.01'))).toBe('9');
    expect(saving(two('from', 'amount', '60'))).toBeUndefined();
    expect(saving(two('amount', 'from', '60'))).toBeUndefined();
    expect(saving(two('free', 'amount', '60'))).toBeUndefined();
    expect(saving(two('amount', 'on request'))).toBeUndefined();
  });
});
