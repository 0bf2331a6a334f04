import Big from 'big.js';
import { sameName } from '../table';
import { answerOf } from './answers';
import { shownPlans } from './shown';
import type { Answer, Feature, Plan, Pricing } from './pricing';
import { spelling } from './spelling';
import { priceIn } from './worked-out';
import { saysAll, writtenAmount } from './written';

/** What settles a finding by one action, as what the action does; the interface offers it. */
export type Settling =
  | { readonly does: 'go to name' | 'go to price' | 'go to action' | 'go to accent' | 'remove badge' | 'unfeature'; readonly plan: string }
  | { readonly does: 'go to price'; readonly plan: string; readonly period: string }
  | { readonly does: 'say no'; readonly feature: string; readonly plans: readonly string[] }
  | { readonly does: 'join'; readonly feature: string; readonly into: string }
  | { readonly does: 'go to answer'; readonly feature: string; readonly plan: string };

/** Something about a pricing table that may be a mistake, in one sentence, and what settles it. Nothing is blocked by it. */
export interface PricingFinding {
  readonly code: string;
  readonly say: string;
  readonly settle: Settling;
}

const called = ({ name, id }: Plan): string => (name.trim() === '' ? `The plan ${id}` : `“${name}”`);

/** Everything that may be a mistake: of each plan, then of plans beside one another, then of features. */
export const checkPricing = (pricing: Pricing): readonly PricingFinding[] => {
  const plans = shownPlans(pricing);
  return [...plans.flatMap((plan) => ofPlan(pricing, plan)), ...doubledNames(plans), ...lessForMore(pricing, plans), ...ofFeatures(pricing, plans)];
};

function ofPlan(pricing: Pricing, plan: Plan): readonly PricingFinding[] {
  const found: PricingFinding[] = [];
  const add = (code: string, say: string, settle: Settling): void => void found.push({ code, say, settle });
  const { id, prices, actions, badge, availability } = plan;
  if (plan.name.trim() === '') add('name', `The plan ${id} has no name.`, { does: 'go to name', plan: id });
  if (prices.length === 0) add('price', `${called(plan)} has no price.`, { does: 'go to price', plan: id });
  for (const { id: period, name } of pricing.periods)
    if (prices.length > 0 && pricing.unpriced === '' && !prices.some((price) => price.period === period))
      add('unpriced', `${called(plan)} has no price for “${name}”, and nothing is said in its place.`, { does: 'go to price', plan: id, period });
  if (availability === 'on sale' && actions.length === 0) add('action', `${called(plan)} has no action.`, { does: 'go to action', plan: id });
  if (availability === 'on sale' && actions.some(({ href }) => href === ''))
    add('link', `An action of ${called(plan)} leads nowhere.`, { does: 'go to action', plan: id });
  if (badge !== '' && pricing.featured !== '' && pricing.featured !== id && pricing.plans.find((each) => each.id === pricing.featured)?.badge === '')
    add('badge', `${called(plan)} has the badge “${badge}”, and the featured plan has none.`, { does: 'remove badge', plan: id });
  if (pricing.featured === id && badge === '')
    add('featured', `${called(plan)} is featured, and no badge says why.`, { does: 'unfeature', plan: id });
  for (const price of prices) {
    const { code = '' } = pricing.currencies[0] ?? {};
    const amounts = [[code, price.amount], [code, price.was], ...Object.entries(price.by ?? {})] as const;
    for (const [currency, amount] of amounts)
      if (amount !== undefined && !saysAll(amount, currency))
        add('decimals', `${called(plan)} costs ${amount} ${currency}, which is written as ${writtenAmount(amount, currency, pricing.language)}.`, {
          does: 'go to price',
          plan: id,
          period: price.period,
        });
    if (price.was !== undefined && price.amount !== undefined && !new Big(price.was).gt(price.amount))
      add('was', `${called(plan)} was no dearer before than it is.`, { does: 'go to price', plan: id, period: price.period });
    for (const currency of Object.keys(price.by ?? {}))
      if (!pricing.currencies.some((each) => each.code === currency))
        add('currency', `${called(plan)} has an amount in ${currency}, which is none of the currencies.`, {
          does: 'go to price',
          plan: id,
          period: price.period,
        });
  }
  return [...found, ...dearerByYear(pricing, plan)];
}

/** A longer period that costs more than the shorter one so many times. */
function dearerByYear(pricing: Pricing, plan: Plan): readonly PricingFinding[] {
  const paid = pricing.periods.flatMap((period) => {
    const price = plan.prices.find((each) => each.period === period.id);
    return period.months !== null && price?.is === 'amount' && price.amount !== undefined
      ? [{ period, months: period.months, amount: new Big(price.amount) }]
      : [];
  });
  const [least] = [...paid].sort((a, b) => a.months - b.months);
  return paid.flatMap(({ period, months, amount }): readonly PricingFinding[] => {
    if (!least || months <= least.months || amount.times(least.months).lte(least.amount.times(months))) return [];
    const say = `${called(plan)} costs more by “${period.name}” than by “${least.period.name}” for as long.`;
    return [{ code: 'dearer', say, settle: { does: 'go to price', plan: plan.id, period: period.id } }];
  });
}

function doubledNames(plans: readonly Plan[]): readonly PricingFinding[] {
  return plans.flatMap((plan, i): readonly PricingFinding[] => {
    const before = plans.slice(0, i).find(({ name }) => name.trim() !== '' && sameName(name) === sameName(plan.name));
    return before ? [{ code: 'doubled', say: `Two plans are called “${plan.name}”.`, settle: { does: 'go to name', plan: plan.id } }] : [];
  });
}

/** How much a plan has of a feature, for comparing; undefined where nothing is said. */
function measureOf(answer: Answer | undefined): Big | undefined {
  if (answer === undefined || answer.is === 'text') return undefined;
  return answer.is === 'yes' ? new Big(1) : answer.is === 'no' ? new Big(0) : new Big(answer.n ?? 0);
}

/** Plans that cost more than another and have less of everything that both say something of, and more of nothing. */
function lessForMore(pricing: Pricing, plans: readonly Plan[]): readonly PricingFinding[] {
  const priced = plans.flatMap((plan) => {
    const price = priceIn(pricing, plan, pricing.first.period);
    return price?.is === 'amount' && price.amount !== undefined ? [{ plan, amount: new Big(price.amount) }] : [];
  });
  const features = pricing.features.filter(({ kind }) => kind === 'feature');
  return priced.flatMap(({ plan, amount }): readonly PricingFinding[] => {
    const cheaper = priced.find((other) => {
      if (!other.amount.lt(amount)) return false;
      const both = features.flatMap((feature) => {
        const [mine, its] = [plan, other.plan].map((each) => measureOf(answerOf(pricing, feature, each)?.answer));
        return mine && its ? [mine.cmp(its)] : [];
      });
      return both.includes(-1) && !both.includes(1);
    });
    const say = cheaper && `${called(plan)} costs more than ${called(cheaper.plan)} and has less.`;
    return say ? [{ code: 'less', say, settle: { does: 'go to price', plan: plan.id } }] : [];
  });
}

function ofFeatures(pricing: Pricing, plans: readonly Plan[]): readonly PricingFinding[] {
  const features = pricing.features.filter(({ kind }) => kind === 'feature');
  const alike = features.flatMap((feature, i): readonly PricingFinding[] => {
    const key = spelling(feature.name);
    const before = key === '' ? undefined : features.slice(0, i).find(({ name }) => spelling(name) === key);
    if (!before) return [];
    return [
      {
        code: 'alike',
        say: `“${before.name}” and “${feature.name}” may be the same feature.`,
        settle: { does: 'join', feature: feature.id, into: before.id },
      },
    ];
  });
  const unsaid = features.flatMap((feature: Feature): readonly PricingFinding[] => {
    const answers = plans.map((plan) => ({ plan, given: answerOf(pricing, feature, plan) }));
    const silent = answers.filter(({ given }) => !given);
    const isYesOrNo = answers.some(({ given }) => given?.answer.is === 'yes' || given?.answer.is === 'no');
    if (silent.length === 0 || !isYesOrNo) return [];
    const names = silent.map(({ plan }) => called(plan)).join(', ');
    return [
      {
        code: 'unsaid',
        say: `Of “${feature.name}” nothing is said for ${names}.`,
        settle: { does: 'say no', feature: feature.id, plans: silent.map(({ plan }) => plan.id) },
      },
    ];
  });
  return [...alike, ...unsaid];
}
