import { bad, good, type Outcome } from '../../outcome';
import { own } from '../../own';
import { readAmount } from '../amounts';
import { answerOf } from '../answers';
import { answerText, type ComparisonRow } from '../comparison';
import { PRICING_LIMITS, type Answer, type Feature, type Plan, type Pricing } from '../pricing';
import type { Chosen } from '../shown-price';
import { pricingWords } from '../words';
import { setAnswer } from './edit-pricing';
import { setPrice, typeAmount } from './edit-prices';
import { answerFrom, currencyIn, priceFrom } from './read-cells';

/** So many characters an answer has at most. */
const ANSWER_MOST = 200;
const SETTLED = {
  code: 'pricing-cell',
  say: 'This cell is said by the language of the document.',
  remedy: 'Type in the plans’ cells beside it.',
} as const;

/**
 * What was typed in a cell of the comparison, written through to the document: a plan's name, its price, its first
 * action, a feature's name, what a plan has of it. Without a plan it is the cell at the row's start. What cannot be read changes nothing, and is said.
 */
export function typeIn(pricing: Pricing, row: ComparisonRow, plan: Plan | undefined, typed: string): Outcome<Pricing> {
  const text = typed.replace(/\s+/g, ' ').trim();
  const most = row.is === 'feature' && plan ? ANSWER_MOST : PRICING_LIMITS.name;
  if (text.length > most)
    return bad({
      code: 'pricing-long',
      say: `This has ${text.length} characters, and the most is ${most}.`,
      remedy: 'Say it shorter; nothing was changed.',
    });
  switch (row.is) {
    case 'names':
      return good(plan ? changePlan(pricing, plan.id, { name: text }) : { ...pricing, caption: text });
    case 'badge':
      return plan ? good(changePlan(pricing, plan.id, { badge: text })) : bad(SETTLED);
    case 'price':
      return plan ? typePrice(pricing, plan, text, row.chosen) : bad(SETTLED);
    case 'action':
      return plan ? good(typeAction(pricing, plan, text)) : bad(SETTLED);
    case 'group':
      if (plan && text !== '') return bad({ code: 'pricing-group', say: 'A heading has no answers.', remedy: 'Type in the rows below it.' });
      return good(plan ? pricing : changeFeature(pricing, row.feature.id, { name: text }));
    case 'feature':
      return good(plan ? typeAnswer(pricing, row.feature, plan, text) : changeFeature(pricing, row.feature.id, { name: text }));
  }
}

/** A plan with other fields. */
export const changePlan = (pricing: Pricing, id: string, fields: Partial<Omit<Plan, 'id'>>): Pricing => ({
  ...pricing,
  plans: pricing.plans.map((plan) => (plan.id === id ? { ...plan, ...fields } : plan)),
});

/** A feature, or a group of them, with other fields. */
export const changeFeature = (pricing: Pricing, id: string, fields: Partial<Omit<Feature, 'id' | 'kind'>>): Pricing => ({
  ...pricing,
  features: pricing.features.map((feature) => (feature.id === id ? { ...feature, ...fields } : feature)),
});

function typePrice(pricing: Pricing, plan: Plan, text: string, { period, currency }: Chosen): Outcome<Pricing> {
  const named = currencyIn(text);
  if (named !== undefined && named !== currency && /\d/.test(text))
    return bad({
      code: 'pricing-currency',
      say: `“${text.slice(0, 40)}” is an amount of ${named}, and this cell is one of ${currency}.`,
      remedy: `Type the amount alone, or show ${named} first.`,
    });
  const isFirst = currency === pricing.currencies[0]?.code;
  const read = isFirst && text !== '' ? priceFrom(text, currency) : undefined;
  // An amount alone says nothing of what else is kept with the price: what it was, what it is for.
  if (!read || read.isUnread || (read.price.amount !== undefined && read.price.is === 'amount' && read.price.unit === undefined))
    return typeAmount(pricing, plan.id, period, text, currency);
  const { was, by } = plan.prices.find((each) => each.period === period) ?? {};
  const kept = read.price.amount === undefined ? {} : { ...(was === undefined ? {} : { was }), ...(by ? { by } : {}) };
  const amount = read.price.amount === undefined ? undefined : readAmount(read.price.amount);
  return amount?.ok === false ? amount : good(setPrice(pricing, plan.id, period, { ...kept, ...read.price }));
}

/** Another wording of a plan's first action, which leads where it led; nothing typed takes it away. */
function typeAction(pricing: Pricing, plan: Plan, text: string): Pricing {
  if (plan.availability !== 'on sale') return changePlan(pricing, plan.id, { availabilityText: text });
  const [first, ...others] = plan.actions;
  if (text === '') return changePlan(pricing, plan.id, { actions: others });
  return changePlan(pricing, plan.id, {
    actions: [{ href: '', rank: 'first', ...first, text: text }, ...others],
  });
}

/** What a plan has of a feature. What it has from another plan stays that one's while the same is typed; nothing typed takes its own away. */
function typeAnswer(pricing: Pricing, feature: Feature, plan: Plan, text: string): Pricing {
  if (text === '') return setAnswer(pricing, feature.id, plan.id, undefined);
  const { language } = pricing;
  if (answerText(answerOf(pricing, feature, plan), language, pricingWords(language)) === text) return pricing;
  const before = own(own(pricing.answers, feature.id) ?? {}, plan.id);
  const read = answerFrom(text, language);
  // A limit with another number is one still; its footnote and what the card says of it stay with what is of the same kind.
  const is: Answer['is'] = read.is === 'number' && before?.is === 'limit' ? 'limit' : read.is;
  const kept =
    before?.is === is
      ? { ...(before.note ? { note: before.note } : {}), ...(before.card && is !== 'number' && is !== 'limit' ? { card: before.card } : {}) }
      : {};
  return setAnswer(pricing, feature.id, plan.id, { ...read, is, ...kept });
}
