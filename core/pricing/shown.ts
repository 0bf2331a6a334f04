import type { Plan, Pricing } from './pricing';
import type { Chosen } from './shown-price';

export const shownPlans = ({ plans }: Pricing): readonly Plan[] => plans.filter(({ hidden }) => !hidden);

/** Every period that any plan has a price for, in the currency that is shown first; the first one where there is no price at all. */
export const everyPeriod = (pricing: Pricing): readonly Chosen[] => {
  const { first, periods } = pricing;
  const priced = periods.filter(({ id }) => shownPlans(pricing).some(({ prices }) => prices.some(({ period }) => period === id)));
  return priced.length === 0 ? [first] : priced.map(({ id }) => ({ period: id, currency: first.currency }));
};
