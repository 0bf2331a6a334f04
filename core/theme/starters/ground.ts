import type { Theme } from '../theme';

/**
 * What lies under every theme: the values that a table has when nothing was said, so that every browser
 * starts from the same (browsers centre header cells and captions, and give cells 1 px of padding).
 */
export const ground: Theme = {
  format: 'zest-theme/1',
  name: 'Ground',
  base: 'ground',
  swatches: [],
  scale: {
    base: 15,
    ratio: 1.15,
    steps: [
      { name: 'small', step: -1 },
      { name: 'body', step: 0 },
      { name: 'lead', step: 1 },
      { name: 'title', step: 2 },
    ],
  },
  values: {
    table: { rest: { weight: '400', align: 'start', 'padding-top': '6px', 'padding-end': '12px', 'padding-bottom': '6px', 'padding-start': '12px' } },
    caption: { rest: { weight: '600', 'padding-bottom': '8px' } },
    'column-headers': { rest: { weight: '700' } },
    'row-headers': { rest: { weight: '600' } },
    footer: { rest: { weight: '600' } },
  },
};
