import type { Theme, Values } from '../theme';

/** Filled with the accent, with an ink that reads on it; and written in it, as far as it reads where it stands. */
const filled: Values = { fill: 'accent', ink: 'ink for accent' };
const written: Values = { ink: 'accent that reads' };

interface Dressing {
  /** The starter's own accent: the swatch that plans without one of their own have. */
  readonly accent: string;
  /** What of its cards goes with the accent, beside what it says of them otherwise. */
  readonly values: Theme['values'];
}

/** What of each starter's cards goes with the accent of their plan; its next version says so beside all that it says otherwise. */
export const accentDress: { readonly [starter: string]: Dressing } = {
  hairline: {
    accent: 'ink',
    values: {
      plan: { featured: { edge: '1px solid accent' } },
      badge: { rest: written },
      'plan-icon': { rest: written },
      action: { featured: { ...filled, edge: '1px solid accent' }, hovered: { edge: '1px solid accent' } },
    },
  },
  boxed: {
    accent: 'frame',
    values: {
      plan: { featured: { edge: '2px solid accent' } },
      badge: { rest: filled },
      'plan-icon': { rest: written },
      action: { rest: { edge: '1px solid accent' }, featured: filled },
    },
  },
  bands: {
    accent: 'leaf',
    values: {
      plan: { featured: filled },
      'plan-icon': { rest: written, featured: { ink: 'ink for accent' } },
      'plan-heading': { rest: written, featured: { ink: 'ink for accent' } },
      action: { rest: filled, featured: written },
      'second-action': { rest: written, featured: { ink: 'ink for accent' } },
    },
  },
  nightfall: {
    accent: 'deep',
    values: {
      plan: { featured: { edge: '2px solid accent' } },
      'plan-icon': { rest: written },
      'plan-heading': { rest: filled },
      price: { rest: written },
      action: { rest: { ...written, edge: '1px solid accent' }, featured: filled },
      'second-action': { rest: written },
    },
  },
  pebble: {
    accent: 'plum',
    values: {
      badge: { rest: filled },
      'plan-icon': { rest: written },
      action: { rest: { ...written, fill: 'accent 14%' }, featured: filled },
      'second-action': { rest: written },
    },
  },
  broadsheet: {
    accent: 'red',
    values: {
      badge: { rest: written },
      'plan-icon': { rest: written },
      saving: { rest: written },
      action: { hovered: { ...filled, edge: '1px solid accent' } },
      'second-action': { rest: written },
    },
  },
  console: {
    accent: 'amber',
    values: {
      plan: { featured: { edge: '2px solid accent' } },
      badge: { rest: filled },
      'plan-icon': { rest: written },
      'plan-heading': { rest: written },
      saving: { rest: written },
      action: { featured: { ...filled, edge: '1px solid accent' } },
      'second-action': { rest: written },
    },
  },
  manifest: {
    accent: 'mark',
    values: {
      plan: { featured: { edge: '4px double accent' } },
      'plan-icon': { rest: written },
      'plan-heading': { rest: filled },
      price: { rest: written },
      action: { rest: { ...written, edge: '2px solid accent' }, featured: filled },
      'second-action': { rest: written },
    },
  },
  porthole: {
    accent: 'sea',
    values: {
      plan: { featured: { edge: '1px solid accent' } },
      'plan-icon': { rest: written },
      'plan-heading': { rest: written, featured: filled },
      price: { rest: written },
      action: { rest: written, featured: filled },
      'second-action': { rest: written },
    },
  },
  gazette: {
    accent: 'wine',
    values: {
      plan: { featured: { edge: '2px solid accent' } },
      badge: { rest: written },
      'plan-icon': { rest: written },
      saving: { rest: written },
      action: { rest: { ...written, edge: '1px solid accent' }, featured: filled, hovered: written },
      'second-action': { rest: written },
    },
  },
  tiles: {
    accent: 'violet',
    values: {
      'plan-icon': { rest: written },
      'plan-heading': { featured: filled },
      action: { featured: filled },
    },
  },
  chalk: {
    accent: 'lemon',
    values: {
      plan: { featured: { edge: '2px solid accent' } },
      badge: { rest: filled },
      'plan-icon': { rest: written },
      price: { rest: written },
      action: { rest: { ...written, edge: '2px solid accent' }, featured: filled },
      'second-action': { rest: written },
      'feature-group': { rest: written },
    },
  },
};
