import type { Feature } from '../feature';
import { address } from './address';
import { choose } from './choose';
import { columns } from './columns';
import { filters } from './filters';
import { pages } from './pages';
import { rowLink } from './row-link';
import { search } from './search';
import { sort } from './sort';
import { totals } from './totals';

/**
 * Everything that a visitor can do, by name, in the order in which it has its say: what stands in the address is known before all
 * else. A page's script has those that its tables have (core/compile, `featuresOf`).
 */
export const features = { address, sort, search, filters, choose, totals, pages, columns, rowLink } satisfies Readonly<Record<string, Feature>>;
export type FeatureName = keyof typeof features;
export const everyFeature: readonly Feature[] = Object.values(features);
