import Big from 'big.js';
import { converted, decimalsOf, text } from './amounts';
import type { Currency, Period, Plan, Price, Pricing } from './pricing';

/** What a plan costs in a period and a currency, as it is shown; all amounts are exact decimals. */
export interface Shown {
  readonly is: Price['is'];
  readonly amount?: string;
  readonly was?: string;
  readonly unit?: string;
  /** Whether the amount was typed in this currency, and not worked out. */
  readonly byHand: boolean;
  /** What a month comes to where a payment is for several: rounded up, so that it is never said to be cheaper than it is. */
  readonly perMonth?: string;
  readonly saving?: Saving;
}

/** What is saved beside the shortest period: never more than is. */
export interface Saving {
  /** The period beside which it is saved. */
  readonly beside: string;
  /** Percent, an amount, or months, as a whole number or an exact decimal. */
  readonly value: string;
  readonly as: Exclude<Pricing['saving'], 'nothing'>;
}

const periodOf = ({ periods }: Pricing, id: string): Period | undefined => periods.find((each) => each.id === id);
const currencyOf = ({ currencies }: Pricing, code: string): Currency | undefined => currencies.find((each) => each.code === code);
const priceFor = ({ prices }: Plan, period: string): Price | undefined => prices.find((each) => each.period === period);

/** What a plan costs; undefined where it has no price for that period, or where the document has no such period or currency. */
export function priceIn(pricing: Pricing, plan: Plan, period: string, code = pricing.first.currency): Shown | undefined {
  const [price, currency] = [priceFor(plan, period), currencyOf(pricing, code)];
  if (!price || !currency || !periodOf(pricing, period)) return undefined;
  const amount = amountIn(pricing, price, currency);
  const isAmount = amount !== undefined && (price.is === 'amount' || price.is === 'from');
  if (!isAmount)
    return price.is === 'amount' || price.is === 'from' ? undefined : { is: price.is, byHand: false, ...(price.unit ? { unit: price.unit } : {}) };
  const was = price.was === undefined ? undefined : inCurrency(pricing, price.was, currency);
  const months = monthsOf(pricing, period);
  const saving = price.is === 'amount' ? savingOf(pricing, plan, period, currency) : undefined;
  return {
    is: price.is,
    amount,
    byHand: Object.hasOwn(price.by ?? {}, code),
    ...(was !== undefined && new Big(was).gt(amount) ? { was } : {}),
    ...(price.unit ? { unit: price.unit } : {}),
    ...(months > 1 ? { perMonth: text(new Big(amount).div(months).round(decimalsOf(code), Big.roundUp)) } : {}),
    ...(saving ? { saving } : {}),
  };
}

const monthsOf = (pricing: Pricing, period: string): number => periodOf(pricing, period)?.months ?? 0;

/** A price's amount in a currency: typed there, or worked out from the first. */
function amountIn(pricing: Pricing, { amount, by }: Price, currency: Currency): string | undefined {
  const typed = by && Object.hasOwn(by, currency.code) ? by[currency.code] : undefined;
  return typed ?? (amount === undefined ? undefined : inCurrency(pricing, amount, currency));
}

/** An amount of the first currency in another, or as it is in the first. */
function inCurrency({ currencies }: Pricing, amount: string, { code, rate, rounding }: Currency): string {
  if (currencies[0]?.code === code || rate === undefined) return amount;
  return converted(amount, rate, decimalsOf(code), rounding);
}

/** The period with the fewest months in which a plan has an amount. */
function shortest(pricing: Pricing, plan: Plan): Period | undefined {
  const some = pricing.periods.filter(({ id, months }) => months !== null && priceFor(plan, id)?.is === 'amount');
  return some.reduce<Period | undefined>((least, each) => ((each.months ?? 0) < (least?.months ?? Infinity) ? each : least), undefined);
}

/** What a longer period saves beside the shortest, in the amounts that are shown; rounded down, and not said where nothing is left of it. */
function savingOf(pricing: Pricing, plan: Plan, period: string, currency: Currency): Saving | undefined {
  const base = shortest(pricing, plan);
  const months = monthsOf(pricing, period);
  if (pricing.saving === 'nothing' || !base?.months || months <= base.months) return undefined;
  const [short, long] = [priceFor(plan, base.id), priceFor(plan, period)].map((price) => price && amountIn(pricing, price, currency));
  if (short === undefined || long === undefined) return undefined;
  // Multiplied before anything is divided, so that no digit is lost on the way.
  const full = new Big(short).times(months);
  const saved = full.minus(new Big(long).times(base.months));
  if (saved.lte(0)) return undefined;
  const down = (value: Big, divisor: Big | number, decimals: number): string => text(floored(value, new Big(divisor), decimals));
  const value =
    pricing.saving === 'percent'
      ? down(saved.times(100), full, 0)
      : pricing.saving === 'money'
        ? down(saved, base.months, decimalsOf(currency.code))
        : down(saved, new Big(short), 0);
  return new Big(value).gt(0) ? { beside: base.id, value, as: pricing.saving } : undefined;
}

/** A quotient rounded down: the largest decimal of so many places that, times the divisor, is no more than the value. */
function floored(value: Big, divisor: Big, decimals: number): Big {
  const near = value.div(divisor).round(decimals, Big.roundDown);
  const step = new Big(10).pow(-decimals);
  return near.times(divisor).gt(value) ? near.minus(step) : near.plus(step).times(divisor).lte(value) ? near.plus(step) : near;
}
