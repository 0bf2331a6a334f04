import type { Theme } from '../theme';
import { pad } from './shapes';

/** How each starter dresses cards of pricing tables, in its own temper; its next version says so beside all that it says of tables. */
export const cardDress: { readonly [starter: string]: Theme['values'] } = {
  // A thin line around each, figures large and light, the pushed plan by a dark line alone.
  hairline: {
    plan: { rest: { edge: '1px solid hair', 'between-plans': '20px', ...pad('10px', '4px') }, featured: { edge: '1px solid ink' } },
    badge: { rest: { fill: 'none', ink: 'soft', weight: '600', ...pad('2px', '0') } },
    price: { rest: { size: '2.2em', weight: '300', figures: 'tabular', 'line-height': '1.2', 'cents-size': '60%', 'sign-size': '60%' } },
    'plan-text': { rest: { ink: 'soft' } },
    'earlier-price': { rest: { ink: 'soft' } },
    period: { rest: { ink: 'soft' } },
    action: {
      rest: { fill: 'none', ink: 'ink', edge: '1px solid soft', radius: '2px', ...pad('6px', '16px') },
      featured: { fill: 'ink', ink: 'paper', edge: '1px solid ink' },
      hovered: { edge: '1px solid ink' },
    },
    feature: { absent: { ink: 'soft' }, 'not-said': { ink: 'soft' } },
    'period-switch': { rest: { ink: 'ink' }, current: { fill: 'pick' } },
  },
  // Framed like its cells, everything in the middle, the pushed plan on a warmer ground.
  boxed: {
    plan: { rest: { fill: 'paper', align: 'center', 'between-plans': '10px' }, featured: { fill: 'glow', edge: '2px solid frame' } },
    badge: { rest: { fill: 'frame', ink: 'paper', radius: '0' } },
    'plan-heading': { rest: { fill: 'card', size: '1.1em' } },
    price: { rest: { size: '1.8em', figures: 'tabular', 'sign-size': '70%' } },
    action: {
      rest: { fill: 'card', ink: 'ink', edge: '1px solid frame', radius: '0', ...pad('5px', '14px') },
      featured: { fill: 'frame', ink: 'paper' },
    },
    'feature-group': { rest: { fill: 'card', weight: '400' } },
    feature: { rest: { align: 'start' } },
    'period-switch': { rest: { edge: '1px solid rule', radius: '0' }, current: { fill: 'card' } },
  },
  // Without lines: fills alone, the pushed plan in the brand's green and taller than its neighbours.
  bands: {
    plan: {
      rest: { fill: 'mint', radius: '4px', ...pad('12px', '0') },
      featured: { fill: 'leaf', ink: 'paper', edge: 'none', outward: '14px' },
    },
    badge: { rest: { fill: 'sage', ink: 'ink', radius: '4px' }, featured: { fill: 'sun', ink: 'ink' } },
    'plan-heading': { rest: { ink: 'leaf', size: '1.25em' }, featured: { ink: 'paper' } },
    price: { rest: { size: '1.9em', 'cents-size': '55%' } },
    action: {
      rest: { fill: 'leaf', ink: 'paper', edge: 'none', radius: '4px', ...pad('8px', '18px') },
      featured: { fill: 'paper', ink: 'leaf' },
      hovered: { fill: 'ink', ink: 'paper' },
    },
    'second-action': { rest: { ink: 'leaf' }, featured: { ink: 'paper' } },
    'period-switch': { rest: { fill: 'mint', ink: 'ink' }, current: { fill: 'sage' } },
  },
  // A dark head on each card, as on the table; the pushed one is lifted.
  nightfall: {
    plan: {
      rest: { edge: '1px solid wake', radius: '8px' },
      featured: { edge: '2px solid deep', outward: '10px', shadow: '0 8px 24px night 18%' },
    },
    badge: { rest: { fill: 'glow', ink: 'night', radius: '4px' } },
    'plan-heading': { rest: { fill: 'deep', ink: 'snow', size: '1.1em' } },
    price: { rest: { size: '1.9em', ink: 'deep', figures: 'tabular' } },
    saving: { rest: { ink: 'tide' } },
    action: {
      rest: { fill: 'none', ink: 'deep', edge: '1px solid deep', radius: '6px', ...pad('7px', '16px') },
      featured: { fill: 'deep', ink: 'snow' },
      hovered: { fill: 'tide', ink: 'snow' },
    },
    'feature-group': { rest: { fill: 'mist', size: '0.9em' } },
    'period-switch': { rest: { ink: 'night', radius: '6px' }, current: { fill: 'deep', ink: 'snow' } },
  },
  // Round and soft, on white, the pushed plan in lilac.
  pebble: {
    plan: {
      rest: { fill: 'petal', radius: '18px', edge: '1px solid rim', shadow: '0 2px 10px plum 8%', 'between-plans': '18px', ...pad('14px', '6px') },
      featured: { fill: 'lilac', edge: '1px solid rim', outward: '8px' },
    },
    badge: { rest: { fill: 'plum', ink: 'petal', radius: '12px', ...pad('3px', '12px') } },
    'plan-heading': { rest: { size: '1.3em' } },
    price: { rest: { size: '2em', weight: '600', 'sign-size': '60%' } },
    action: {
      rest: { fill: 'lilac', ink: 'plum', edge: 'none', radius: '16px', ...pad('8px', '20px') },
      featured: { fill: 'plum', ink: 'petal' },
      hovered: { fill: 'blush', ink: 'plum' },
    },
    feature: { rest: { icon: 'dot' }, absent: { icon: 'dash', ink: 'heather' } },
    'period-switch': { rest: { radius: '14px', ink: 'plum', ...pad('4px', '14px') }, current: { fill: 'lilac' } },
  },
  // Set as a column of a paper: heavy rules above and below, large old style figures, red for what is pushed.
  broadsheet: {
    plan: { rest: { 'between-plans': '28px' }, featured: { edge: '1px solid ink' } },
    badge: { rest: { fill: 'none', ink: 'red', case: 'uppercase', 'letter-spacing': '0.08em', size: 'small', ...pad('2px', '0') } },
    'plan-heading': { rest: { size: '1em' } },
    price: { rest: { size: '2.4em', weight: '400', figures: 'old style', 'line-height': '1.1' } },
    'plan-text': { rest: { slant: 'italic' } },
    saving: { rest: { ink: 'red' } },
    action: {
      rest: { fill: 'none', ink: 'ink', edge: '1px solid ink', radius: '0', ...pad('5px', '14px') },
      featured: { fill: 'ink', ink: 'cream' },
      hovered: { fill: 'red', ink: 'cream', edge: '1px solid red' },
    },
    'second-action': { rest: { ink: 'red', underline: 'dotted' } },
    feature: { absent: { ink: 'grey' }, 'not-said': { ink: 'grey' } },
    'period-switch': { rest: { ink: 'ink' }, current: { weight: '700' } },
  },
  // Panels of a board: amber on dark for what is pushed and pressed.
  console: {
    plan: { rest: { fill: 'slate', edge: '1px solid seam' }, featured: { edge: '2px solid amber' } },
    badge: { rest: { fill: 'amber', ink: 'pitch', radius: '3px' } },
    'plan-heading': { rest: { ink: 'amber', size: '1em' } },
    'plan-text': { rest: { ink: 'dim' } },
    price: { rest: { size: '2em', weight: '500', figures: 'tabular' } },
    'earlier-price': { rest: { ink: 'dim' } },
    period: { rest: { ink: 'dim' } },
    saving: { rest: { ink: 'amber' } },
    action: {
      rest: { fill: 'beam', ink: 'fog', edge: '1px solid seam', radius: '3px', ...pad('6px', '14px') },
      featured: { fill: 'amber', ink: 'pitch', edge: '1px solid amber' },
      hovered: { fill: 'seam', ink: 'fog' },
    },
    'second-action': { rest: { ink: 'amber' } },
    'feature-group': { rest: { ink: 'dim', weight: '500' } },
    feature: { absent: { ink: 'dim' }, 'not-said': { ink: 'dim' } },
    'period-switch': { rest: { ink: 'page' }, current: { fill: 'slate', ink: 'fog' } },
  },
  // A docket for each plan, with a double line around the one that is pushed.
  manifest: {
    plan: { rest: { edge: '1px solid edge' }, featured: { fill: 'fern', edge: '4px double mark' } },
    badge: { rest: { fill: 'pick', ink: 'ink', radius: '0' } },
    'plan-heading': { rest: { fill: 'mark', ink: 'sheet', size: '1em' } },
    price: { rest: { size: '1.8em', figures: 'tabular', ink: 'mark' } },
    action: {
      rest: { fill: 'none', ink: 'mark', edge: '2px solid mark', radius: '0', ...pad('4px', '12px') },
      featured: { fill: 'mark', ink: 'sheet' },
      hovered: { fill: 'pick', ink: 'ink' },
    },
    'second-action': { rest: { ink: 'mark' } },
    feature: { absent: { icon: 'cross', ink: 'brick' } },
    'period-switch': { rest: { edge: '1px solid edge', radius: '0' }, current: { fill: 'mark', ink: 'sheet' } },
  },
  // Lifted off the page, the pushed one by far.
  porthole: {
    plan: {
      rest: { radius: '12px', edge: '1px solid line', shadow: '0 1px 2px night 12%, 0 6px 20px night 10%', 'between-plans': '22px' },
      featured: { edge: '1px solid sea', shadow: '0 4px 8px night 18%, 0 16px 40px night 22%', outward: '16px' },
    },
    badge: { rest: { fill: 'sand', ink: 'night', ...pad('3px', '12px') } },
    'plan-heading': { rest: { ink: 'sea', size: '1.25em' }, featured: { fill: 'sea', ink: 'snow' } },
    price: { rest: { size: '2.1em', ink: 'sea', 'cents-size': '55%' } },
    action: {
      rest: { fill: 'spray', ink: 'sea', edge: 'none', radius: '18px', ...pad('8px', '20px') },
      featured: { fill: 'sea', ink: 'snow' },
      hovered: { fill: 'night', ink: 'snow' },
    },
    'period-switch': { rest: { ink: 'night', radius: '14px', ...pad('4px', '14px') }, current: { fill: 'sea', ink: 'snow' } },
  },
  // As on a title page: centred between rules, wine for what is pushed.
  gazette: {
    plan: { rest: { 'between-plans': '26px', align: 'center' }, featured: { edge: '2px solid wine' } },
    badge: { rest: { fill: 'none', ink: 'wine', slant: 'italic', weight: '400', size: '1em', ...pad('2px', '0') } },
    'plan-heading': { rest: { size: '1.35em' } },
    'plan-text': { rest: { slant: 'italic', ink: 'soft' } },
    price: { rest: { size: '2em', weight: '400' } },
    'earlier-price': { rest: { ink: 'soft' } },
    period: { rest: { ink: 'soft' } },
    saving: { rest: { ink: 'wine', weight: '400', slant: 'italic' } },
    action: {
      rest: { fill: 'none', ink: 'wine', edge: '1px solid wine', radius: '0', weight: '400', ...pad('5px', '16px') },
      featured: { fill: 'wine', ink: 'cream' },
      hovered: { fill: 'cream', ink: 'wine' },
    },
    'second-action': { rest: { ink: 'wine', underline: 'dotted' } },
    'feature-group': { rest: { slant: 'italic', weight: '400', ink: 'soft' } },
    feature: { absent: { ink: 'soft' }, 'not-said': { ink: 'soft' } },
    'period-switch': { rest: { ink: 'ink' }, current: { fill: 'none', ink: 'wine', edge: '1px solid wine' } },
  },
  // Each piece a tile of its own, the pushed plan in violet.
  tiles: {
    plan: { rest: { fill: 'tile', 'between-plans': '5px', align: 'center' }, featured: { fill: 'pick', edge: 'none' } },
    badge: { rest: { fill: 'glow', ink: 'deep', radius: '0' } },
    'plan-heading': { rest: { fill: 'lilac', size: '1.15em' }, featured: { fill: 'violet', ink: 'white' } },
    price: { rest: { size: '1.9em', weight: '800', ink: 'deep' } },
    action: { rest: { ...pad('9px', '18px') }, featured: { fill: 'deep' }, hovered: { fill: 'glow', ink: 'deep' } },
    'feature-group': { rest: { fill: 'lilac' } },
    'period-switch': { rest: { fill: 'tile', ink: 'deep' }, current: { fill: 'violet', ink: 'white' } },
  },
  // Chalk on a board: dashed around each, lemon for prices and for what is pushed.
  chalk: {
    plan: { rest: { fill: 'board', edge: '2px dashed seam', shadow: 'none' }, featured: { fill: 'slate', edge: '2px solid lemon' } },
    badge: { rest: { fill: 'lemon', ink: 'slate', radius: '2px' } },
    'plan-heading': { rest: { ink: 'chalk', size: '1.2em' } },
    'plan-text': { rest: { ink: 'dust' } },
    price: { rest: { ink: 'lemon', size: '2em', weight: '600' } },
    'earlier-price': { rest: { ink: 'rose' } },
    period: { rest: { ink: 'dust' } },
    action: {
      rest: { fill: 'none', ink: 'lemon', edge: '2px solid lemon', radius: '6px', ...pad('6px', '16px') },
      featured: { fill: 'lemon', ink: 'slate' },
      hovered: { fill: 'chalk', ink: 'slate', edge: '2px solid chalk' },
    },
    'second-action': { rest: { ink: 'lemon' } },
    'feature-group': { rest: { ink: 'lemon', weight: '500' } },
    feature: { absent: { icon: 'cross', ink: 'dust' }, 'not-said': { ink: 'dust' } },
    'period-switch': { rest: { ink: 'page' }, current: { fill: 'board', ink: 'chalk' } },
  },
};
