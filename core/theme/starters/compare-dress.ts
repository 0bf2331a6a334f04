import type { Theme, Values } from '../theme';

const filled: Values = { fill: 'accent', ink: 'ink for accent' };

/** What of each starter for pricing stands out in a comparison, in the column of the featured plan; its second version says so. */
export const compareDress: { readonly [starter: string]: Theme['values'] } = {
  regatta: { 'column-headers': { featured: filled }, 'body-rows': { featured: { fill: 'accent 8%' } } },
  lamplight: { 'column-headers': { featured: filled }, 'body-rows': { featured: { fill: 'slate' } } },
  tariff: { 'column-headers': { featured: filled }, 'body-rows': { featured: { weight: '600' } } },
  sorbet: { 'column-headers': { featured: filled }, 'body-rows': { featured: { fill: 'accent 10%' } } },
  draughtsman: { 'column-headers': { featured: { fill: 'accent 20%' } }, 'body-rows': { featured: { fill: 'accent 7%' } } },
  placard: { 'column-headers': { featured: filled }, 'body-rows': { featured: { weight: '800' } } },
};
