import { priceIn, type Saving, type Shown } from './worked-out';
import type { Plan, Pricing } from './pricing';
import { filled, pricingWords } from './words';
import { amountParts, writtenAmount, writtenPercent, type AmountPart } from './written';

/** What is chosen of a pricing table: one of its periods, and one of its currencies. */
export interface Chosen {
  readonly period: string;
  readonly currency: string;
}

/** A plan's price as it is written in the document's language. */
export interface WrittenPrice {
  readonly price: Shown;
  /** All of it as one text, with what it is for: `from £12.50 per berth`. */
  readonly text: string;
  /** The amount in parts; none where there is none. */
  readonly parts: readonly AmountPart[];
  readonly was?: string;
  readonly perMonth?: string;
  readonly saving?: string;
}

/** A plan's price for what is chosen; undefined where it has none. */
export function writtenPrice(pricing: Pricing, plan: Plan, { period, currency }: Chosen): WrittenPrice | undefined {
  const price = priceIn(pricing, plan, period, currency);
  if (!price) return undefined;
  const { language } = pricing;
  const words = pricingWords(language);
  const money = (amount: string): string => writtenAmount(amount, currency, language);
  const amount = price.amount === undefined ? '' : money(price.amount);
  const said = { amount, from: filled(words.from, { amount }), free: words.free, 'on request': words.onRequest }[price.is];
  return {
    price,
    text: price.unit ? `${said} ${price.unit}` : said,
    parts: price.amount === undefined ? [] : amountParts(price.amount, currency, language),
    ...(price.was === undefined ? {} : { was: filled(words.was, { amount: money(price.was) }) }),
    ...(price.perMonth === undefined ? {} : { perMonth: filled(words.perMonth, { amount: money(price.perMonth) }) }),
    ...(price.saving ? { saving: writtenSaving(pricing, price.saving, currency) } : {}),
  };
}

function writtenSaving(pricing: Pricing, saving: Saving, currency: string): string {
  const words = pricingWords(pricing.language);
  return filled(saving.as === 'months' ? words.saveMonths : words.save, { saving: savedAmount(pricing, saving, currency) });
}

/** How much is saved, as its language writes it: a share, an amount, or a number of months. */
export function savedAmount({ language }: Pricing, { value, as }: Saving, currency: string): string {
  if (as === 'months') return new Intl.NumberFormat(language || 'en').format(Number(value));
  return as === 'percent' ? writtenPercent(value, language) : writtenAmount(value, currency, language);
}
