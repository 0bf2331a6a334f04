import type { Theme, Values } from '../theme';
import type { TypeScale } from '../type-scale';

export interface Starter {
  readonly key: string;
  /** What it is for, in a few words. */
  readonly temper: string;
  readonly theme: Theme;
}

/** Padding as it is said: up and down, then left and right. */
const pad = (block: string, inline: string): Values => ({
  'padding-top': block,
  'padding-bottom': block,
  'padding-start': inline,
  'padding-end': inline,
});
const box = (line: string): Values => ({ 'outer-top': line, 'outer-end': line, 'outer-bottom': line, 'outer-start': line });
const swatches = (colours: Readonly<Record<string, string>>): Theme['swatches'] =>
  Object.entries(colours).map(([name, colour]) => ({ name, colour }));
const scale = (base: number, ratio: number): TypeScale => ({
  base,
  ratio,
  steps: [
    { name: 'small', step: -1 },
    { name: 'body', step: 0 },
    { name: 'lead', step: 1 },
    { name: 'title', step: 2 },
  ],
});
const plain = { format: 'zest-theme/1', base: 'ground' } as const;

/** The themes to begin from. Each is a whole idea of a table; a new theme grows from one of them. */
export const starters: readonly Starter[] = [
  {
    key: 'hairline',
    temper: 'Plain, with hairlines',
    theme: {
      ...plain,
      name: 'Hairline',
      swatches: swatches({ paper: '#ffffff', ink: '#22262b', soft: '#5c6570', hair: '#d9dde2', wash: '#f3f6f9', pick: '#e6eefb' }),
      scale: scale(15, 1.14),
      values: {
        table: { rest: { fill: 'paper', ink: 'ink', font: 'grotesque', size: 'body', 'line-height': '1.4', ...pad('9px', '14px') } },
        caption: { rest: { size: 'lead', weight: '600', 'padding-bottom': '10px' } },
        'column-headers': { rest: { ink: 'soft', size: 'small', weight: '600', valign: 'bottom' } },
        'row-headers': { rest: { weight: '500' } },
        'body-rows': { hovered: { fill: 'wash' }, selected: { fill: 'pick' } },
        footer: { rest: { ink: 'ink', weight: '600' } },
        lines: {
          rest: { rows: '1px solid hair', 'under-header': '1px solid soft', 'above-footer': '1px solid soft', 'outer-bottom': '1px solid hair' },
        },
      },
    },
  },
  {
    key: 'boxed',
    temper: 'Boxed, every cell has its line',
    theme: {
      ...plain,
      name: 'Boxed',
      swatches: swatches({ paper: '#fffefb', ink: '#2b2620', card: '#f3ede1', rule: '#b9ab94', frame: '#6d5f49', glow: '#fbf3d8', pick: '#f6e3b4' }),
      scale: scale(15, 1.12),
      values: {
        table: { rest: { fill: 'paper', ink: 'ink', font: 'serif', size: 'body', 'line-height': '1.35', ...pad('7px', '12px') } },
        caption: { rest: { size: 'body', weight: '700', align: 'center' } },
        'column-headers': { rest: { fill: 'card', weight: '700', align: 'center', valign: 'middle' } },
        'row-headers': { rest: { fill: 'card', weight: '400' } },
        'body-rows': { hovered: { fill: 'glow' }, selected: { fill: 'pick' } },
        footer: { rest: { fill: 'card' } },
        lines: {
          rest: {
            ...box('2px solid frame'),
            rows: '1px solid rule',
            columns: '1px solid rule',
            'under-header': '2px solid frame',
            'above-footer': '2px solid frame',
          },
        },
      },
    },
  },
  {
    key: 'bands',
    temper: 'Banded, no lines at all',
    theme: {
      ...plain,
      name: 'Bands',
      swatches: swatches({ paper: '#ffffff', ink: '#17322c', leaf: '#1d5c4d', mint: '#e9f4f0', sage: '#d3e8e0', sun: '#fdf0c4', pick: '#c4e3d8' }),
      scale: scale(15, 1.15),
      values: {
        table: { rest: { fill: 'paper', ink: 'ink', font: 'humanist', size: 'body', 'line-height': '1.45', ...pad('9px', '16px') } },
        caption: { rest: { ink: 'leaf', size: 'lead', weight: '700' } },
        'column-headers': { rest: { ink: 'leaf', weight: '700' } },
        'row-headers': { rest: { weight: '600' } },
        'body-rows': { odd: { fill: 'mint' }, hovered: { fill: 'sun' }, selected: { fill: 'pick' } },
        footer: { rest: { fill: 'sage', weight: '700' } },
      },
    },
  },
  {
    key: 'nightfall',
    temper: 'Dark header over a light body',
    theme: {
      ...plain,
      name: 'Nightfall',
      swatches: swatches({
        paper: '#ffffff',
        night: '#142c3c',
        deep: '#123c4d',
        tide: '#1f566b',
        mist: '#eef5f7',
        wake: '#d3dfe3',
        glow: '#fde8cf',
        snow: '#f7fbfc',
      }),
      scale: scale(15, 1.15),
      values: {
        table: { rest: { fill: 'paper', ink: 'night', font: 'grotesque', size: 'body', 'line-height': '1.4', radius: '8px', ...pad('8px', '14px') } },
        caption: { rest: { ink: 'deep', size: 'lead', weight: '700', 'padding-bottom': '10px' } },
        'column-headers': { rest: { fill: 'deep', ink: 'snow', weight: '700' } },
        'row-headers': { rest: { weight: '700' } },
        'body-rows': { even: { fill: 'mist' }, hovered: { fill: 'glow' }, selected: { fill: 'deep 14%' } },
        footer: { rest: { fill: 'wake', weight: '700' } },
        lines: { rest: { ...box('1px solid wake'), rows: '1px solid wake', 'outer-bottom': '1px solid wake' } },
      },
    },
  },
  {
    key: 'pebble',
    temper: 'Soft and rounded, with air between',
    theme: {
      ...plain,
      name: 'Pebble',
      swatches: swatches({
        shell: '#f4f0f7',
        petal: '#ffffff',
        plum: '#3d2a4f',
        heather: '#6b5480',
        blush: '#f9e3e8',
        lilac: '#e4daf0',
        rim: '#d8cbe6',
      }),
      scale: scale(15, 1.16),
      values: {
        table: {
          rest: {
            fill: 'shell',
            ink: 'plum',
            font: 'geometric',
            size: 'body',
            'line-height': '1.4',
            radius: '18px',
            cells: 'spaced',
            gap: '4px',
            ...pad('10px', '16px'),
          },
        },
        caption: { rest: { size: 'lead', weight: '600', ink: 'heather', 'padding-start': '8px', 'padding-bottom': '10px' } },
        'column-headers': { rest: { ink: 'heather', size: 'small', weight: '600' } },
        'row-headers': { rest: { weight: '600' } },
        'body-rows': { rest: { fill: 'petal' }, hovered: { fill: 'blush' }, selected: { fill: 'lilac' } },
        footer: { rest: { ink: 'heather', weight: '600' } },
        lines: { rest: { ...box('1px solid rim') } },
      },
    },
  },
  {
    key: 'broadsheet',
    temper: 'Typographic, heavy top and bottom',
    theme: {
      ...plain,
      name: 'Broadsheet',
      swatches: swatches({ ink: '#1b1a18', grey: '#5b5750', rule: '#c9c4b8', cream: '#faf6ec', red: '#a3261b' }),
      scale: scale(16, 1.2),
      values: {
        table: { rest: { ink: 'ink', font: 'oldstyle', size: 'body', 'line-height': '1.35', ...pad('7px', '12px') } },
        caption: { rest: { size: 'title', weight: '700', 'line-height': '1.2', 'padding-bottom': '12px' } },
        'column-headers': { rest: { ink: 'grey', size: 'small', weight: '400', case: 'uppercase', 'letter-spacing': '0.08em', valign: 'bottom' } },
        'row-headers': { rest: { weight: '700' } },
        'body-rows': { hovered: { fill: 'cream' }, selected: { fill: 'red 10%' } },
        footer: { rest: { weight: '700' } },
        lines: {
          rest: {
            'outer-top': '4px solid ink',
            'outer-bottom': '2px solid ink',
            'under-header': '1px solid ink',
            'above-footer': '1px solid ink',
            rows: '1px dotted rule',
          },
        },
      },
    },
  },
  {
    key: 'console',
    temper: 'Dark all over, for dashboards',
    theme: {
      ...plain,
      name: 'Console',
      swatches: swatches({ pitch: '#14181c', slate: '#1d2329', seam: '#37414a', fog: '#dfe6ea', dim: '#9aa8b2', amber: '#ffc46b', beam: '#2a3947' }),
      scale: scale(14, 1.14),
      values: {
        table: { rest: { fill: 'pitch', ink: 'fog', font: 'mono', size: 'body', 'line-height': '1.4', radius: '6px', ...pad('7px', '12px') } },
        caption: { rest: { font: 'grotesque', ink: 'page', size: 'lead' } },
        'column-headers': { rest: { fill: 'slate', ink: 'dim', weight: '500' } },
        'row-headers': { rest: { ink: 'amber', weight: '500' } },
        'body-rows': { hovered: { fill: 'beam' }, selected: { fill: 'amber 22%' } },
        footer: { rest: { fill: 'slate', weight: '600' } },
        lines: { rest: { ...box('1px solid seam'), rows: '1px solid seam', 'above-footer': '2px solid seam' } },
      },
    },
  },
];
