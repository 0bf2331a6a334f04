import { bad, good, type Outcome } from '../../outcome';
import { readAmount } from '../amounts';
import { PRICING_LIMITS, type Currency, type Period, type Plan, type Price, type Pricing } from '../pricing';
import { freeId } from './edit-pricing';

const mapPlan = (pricing: Pricing, id: string, change: (plan: Plan) => Plan): Pricing => ({
  ...pricing,
  plans: pricing.plans.map((plan) => (plan.id === id ? change(plan) : plan)),
});

/** A plan with a price for its period, or without one. */
export const setPrice = (pricing: Pricing, plan: string, period: string, price: Omit<Price, 'period'> | undefined): Pricing =>
  mapPlan(pricing, plan, (each) => {
    const at = each.prices.findIndex((one) => one.period === period);
    const made = price && { period, ...price };
    if (at < 0) return made ? { ...each, prices: [...each.prices, made] } : each;
    return { ...each, prices: each.prices.flatMap((one, i) => (i === at ? (made ?? []) : one)) };
  });

/**
 * A plan with the amount that was typed for a period: in the first currency, or in a further one, where it then stands in place of what is worked
 * out. Nothing typed takes it away. What cannot be read changes nothing, and is said.
 */
export function typeAmount(
  pricing: Pricing,
  plan: string,
  period: string,
  typed: string,
  currency = pricing.currencies[0]?.code ?? '',
): Outcome<Pricing> {
  const has = pricing.plans.find(({ id }) => id === plan)?.prices.find((each) => each.period === period);
  const isFirst = currency === pricing.currencies[0]?.code;
  if (typed.trim() === '') {
    if (isFirst || !has) return good(isFirst ? setPrice(pricing, plan, period, undefined) : pricing);
    const { by = {}, period: _, ...rest } = has;
    const left = Object.fromEntries(Object.entries(by).filter(([code]) => code !== currency));
    return good(setPrice(pricing, plan, period, Object.keys(left).length > 0 ? { ...rest, by: left } : rest));
  }
  const read = readAmount(typed);
  if (!read.ok) return read;
  if (isFirst) {
    const { period: _, ...rest } = has ?? { period };
    return good(setPrice(pricing, plan, period, { ...rest, is: has?.is === 'from' ? 'from' : 'amount', amount: read.value }));
  }
  if (has?.amount === undefined)
    return bad({ code: 'pricing-amount', say: 'There is no amount in the first currency yet.', remedy: 'Type that first; others stand beside it.' });
  const { period: _, ...rest } = has;
  return good(setPrice(pricing, plan, period, { ...rest, by: { ...rest.by, [currency]: read.value } }));
}

/** One more period at the end. */
export function addPeriod(pricing: Pricing, name: string, months: number | null): Outcome<Pricing> {
  if (pricing.periods.length >= PRICING_LIMITS.periods)
    return bad({
      code: 'pricing-periods',
      say: `There are ${pricing.periods.length} periods.`,
      remedy: `A pricing table has at most ${PRICING_LIMITS.periods}.`,
    });
  const period: Period = { id: freeId('t', pricing.periods), name, months };
  return good({ ...pricing, periods: [...pricing.periods, period] });
}

/** Takes a period away with its prices; what is shown first is then the first of the others. */
export function removePeriod(pricing: Pricing, id: string): Outcome<Pricing> {
  const periods = pricing.periods.filter((each) => each.id !== id);
  const [first] = periods;
  if (!first) return bad({ code: 'pricing-period', say: 'This is the only period.', remedy: 'Add another one first.' });
  return good({
    ...pricing,
    periods,
    first: { ...pricing.first, period: pricing.first.period === id ? first.id : pricing.first.period },
    plans: pricing.plans.map((plan) => ({ ...plan, prices: plan.prices.filter(({ period }) => period !== id) })),
  });
}

/** One more currency, at a rate that was typed. */
export function addCurrency(pricing: Pricing, code: string, rate: string): Outcome<Pricing> {
  const { currencies } = pricing;
  if (!/^[A-Z]{3}$/.test(code))
    return bad({ code: 'pricing-currency', say: `“${code.slice(0, 20)}” is no currency.`, remedy: 'Use its code of three letters, as in EUR.' });
  if (currencies.some((each) => each.code === code))
    return bad({ code: 'pricing-currency', say: `${code} is there already.`, remedy: 'Change its rate.' });
  if (currencies.length >= PRICING_LIMITS.currencies)
    return bad({
      code: 'pricing-currency',
      say: `There are ${currencies.length} currencies.`,
      remedy: `A pricing table has at most ${PRICING_LIMITS.currencies}.`,
    });
  const read = readRate(rate);
  return read.ok ? good({ ...pricing, currencies: [...currencies, { code, rate: read.value }] }) : read;
}

/** A further currency with another rate, or with another rounding. */
export function setCurrency(pricing: Pricing, code: string, change: Pick<Currency, 'rate' | 'rounding'>): Outcome<Pricing> {
  const read = change.rate === undefined ? undefined : readRate(change.rate);
  if (read && !read.ok) return read;
  const made = (currency: Currency): Currency => {
    const { rounding = currency.rounding } = change;
    return { code, rate: read?.value ?? currency.rate ?? '1', ...(rounding ? { rounding } : {}) };
  };
  return good({ ...pricing, currencies: pricing.currencies.map((each, i) => (each.code === code && i > 0 ? made(each) : each)) });
}

/** Takes a further currency away, with what was typed in it. */
export function removeCurrency(pricing: Pricing, code: string): Outcome<Pricing> {
  const [first] = pricing.currencies;
  if (!first || first.code === code)
    return bad({ code: 'pricing-currency', say: `Prices are typed in ${code}.`, remedy: 'Take away one of the others.' });
  const without = ({ by, ...price }: Price): Price => {
    const left = Object.entries(by ?? {}).filter(([each]) => each !== code);
    return left.length > 0 ? { ...price, by: Object.fromEntries(left) } : price;
  };
  return good({
    ...pricing,
    currencies: pricing.currencies.filter((each) => each.code !== code),
    first: { ...pricing.first, currency: pricing.first.currency === code ? first.code : pricing.first.currency },
    plans: pricing.plans.map((plan) => ({ ...plan, prices: plan.prices.map(without) })),
  });
}

/** A rate as it is typed: its decimals are its own, whatever their number, so three behind a point are no thousands. */
function readRate(typed: string): Outcome<string> {
  const text = typed.trim().replace(',', '.');
  if (/^(?:0|[1-9]\d{0,11})(?:\.\d{1,6})?$/.test(text) && /[1-9]/.test(text)) return good(text);
  const isNothing = /^0*(?:[.,]0*)?$/.test(typed.trim());
  return bad({
    code: 'pricing-rate',
    say: isNothing ? 'A rate of nothing makes every price nothing.' : `“${typed.slice(0, 30)}” is no rate.`,
    remedy: 'Type how much of it one of the first currency is, as in 1.16.',
  });
}
