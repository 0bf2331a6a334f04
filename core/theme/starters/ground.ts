import type { Theme } from '../theme';
import { pad } from './shapes';

/**
 * What lies under every theme: the values that a table has when nothing was said, so that every browser
 * starts from the same (browsers centre header cells and captions, and give cells 1 px of padding).
 */
export const ground: Theme = {
  format: 'zest-theme/2',
  name: 'Ground',
  base: null,
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
    table: { rest: { weight: '400', align: 'start', ...pad('6px', '12px') } },
    caption: { rest: { weight: '600', 'padding-bottom': '8px' } },
    'column-headers': { rest: { weight: '700' } },
    'row-headers': { rest: { weight: '600' } },
    footer: { rest: { weight: '600' } },
    buttons: { rest: { weight: '600', edge: '1px solid #808080', radius: '4px', ...pad('2px', '10px') } },
    'search-bar': { rest: { room: '10px' } },
    'info-line': { rest: { room: '8px', size: 'small' } },
    'empty-message': { rest: { room: '10px' } },
    pager: { rest: { room: '10px' } },
    'pager-items': {
      rest: { radius: '4px', ...pad('2px', '9px') },
      hovered: { fill: '#808080 12%' },
      current: { fill: '#808080 18%', weight: '700' },
      disabled: { ink: '#808080' },
    },
  },
};
