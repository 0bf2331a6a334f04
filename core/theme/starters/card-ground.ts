import type { Theme } from '../theme';
import { pad } from './shapes';

/**
 * What lies under cards of pricing tables in every theme, weaker than anything that a theme says of the same part. It is no part of the
 * ground, whose versions stay as they were shipped. Sizes are of the card's own, since a theme's scale may have other names.
 */
export const cardGround: Theme['values'] = {
  plan: { featured: { edge: '2px solid #808080' } },
  badge: { rest: { fill: '#808080 18%', radius: '1em', size: '0.85em', weight: '700', ...pad('2px', '10px') } },
  'plan-icon': { rest: { size: '2em' } },
  'plan-heading': { rest: { size: '1.15em' } },
  price: { rest: { size: '1.7em', weight: '700' } },
  'earlier-price': { rest: { size: '0.87em' } },
  period: { rest: { size: '0.87em' } },
  saving: { rest: { size: '0.87em', weight: '600' } },
  'feature-group': { rest: { weight: '700' } },
  feature: { rest: { icon: 'tick' }, absent: { icon: 'dash' }, 'not-said': { icon: 'none' }, emphasised: { weight: '700' } },
};
