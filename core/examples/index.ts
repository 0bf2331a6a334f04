import type { Pricing } from '../pricing';
import { berthRental } from './berth-rental';
import { letterpress } from './letterpress';
import { seasonPasses } from './season-passes';
import { workshopCards } from './workshop-cards';

/** Pricing tables of the sample world to begin from, in the order in which they are offered. */
export const pricingExamples: readonly { readonly key: string; readonly pricing: Pricing }[] = [
  { key: 'season-passes', pricing: seasonPasses },
  { key: 'berth-rental', pricing: berthRental },
  { key: 'letterpress', pricing: letterpress },
  { key: 'workshop-cards', pricing: workshopCards },
];
export { seasonPasses };
