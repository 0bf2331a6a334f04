import { withFeatured } from '../../tests/plans';
import { dice, randomTheme, starterNames, withModes, withSteps } from '../../tests/random';
import { gridTable, themeWith, viewOf } from '../../tests/themes';
import { withoutFeatured, type Theme, type ThemeView } from '../../theme';
import type { Table } from '../../table';
import { besideIn, sheetOf, writeCss } from '../index';
import { planAccent } from './plan-accent';

const swatches = [
  { name: 'accent', colour: '#0b7285' },
  { name: 'glow', colour: 'accent' },
  { name: 'deep', colour: '#123c4d' },
];
const values: Theme['values'] = {
  'column-headers': { rest: { fill: 'accent' }, featured: { fill: 'accent', ink: 'ink for accent' } },
  'body-rows': { rest: { ink: 'deep' }, featured: { fill: 'glow 20%' } },
};
const view = viewOf(themeWith(values, { swatches }));
const plain = gridTable(3, 3);
const compared: Table = { ...plain, columns: plain.columns.map((column, at) => (at === 1 ? { ...column, featured: true as const } : column)) };
const css = (of: ThemeView, table = compared): string => writeCss(sheetOf(of, { use: 'page', key: 'own', beside: besideIn(of, [table]) }), 'compact');

describe('The column of a featured plan', () => {
  it('has rules only where a table compares plans: else not a byte, for any theme, at any width, in any mode', () => {
    expect(css(view)).toContain('.zp-featured');
    for (let seed = 0; seed < 4; seed++) {
      const d = dice(seed + 4_000);
      const theme = seed % 2 === 0 ? withSteps(d, randomTheme(d, starterNames)) : withModes(d, randomTheme(d, starterNames));
      expect(css(viewOf(withFeatured(d, theme)), plain))
        .withContext(`seed ${seed}`)
        .toBe(css(viewOf(theme), plain));
    }
  });
  it('is the theme itself where nothing is said of it, and that is asked once', () => {
    const silent = viewOf(themeWith({ 'body-rows': { odd: { fill: 'mist' } } }));
    expect(withoutFeatured(silent)).toBe(silent);
    expect(withoutFeatured(view)).toBe(withoutFeatured(view));
    expect(withoutFeatured(view)).not.toBe(view);
    // Cards say so too, and keep it.
    const cards = viewOf(themeWith({ plan: { featured: { fill: '#abcdef' } } }));
    expect(withoutFeatured(cards)).toBe(cards);
  });
  it('reads colours that hang on the accent under names of their own, and all else as the theme has it', () => {
    expect(css(view)).toMatch(/\.zp-own\{--zp--faccent:#0b7285;--zp--f-on-accent:#ffffff;--zp--fglow:#0b7285\}/);
    expect(css(view)).toContain('>:where(.zp-featured){background-color:var(--zp--faccent);color:var(--zp--f-on-accent)}');
    expect(css(view)).toContain('color-mix(in srgb, var(--zp--fglow) 20%, transparent)}');
    expect(css(view)).toContain('background-color:var(--zp-accent)');
  });
  it('has the accent of its plan in those, and no more of them than its sheet reads', () => {
    const sheet = sheetOf(view, { use: 'page', key: 'own', beside: besideIn(view, [compared]) });
    expect(planAccent(view, view.accented('#ffec99'), sheet)).toEqual([
      ['--zp--faccent', '#ffec99'],
      ['--zp--f-on-accent', jasmine.stringMatching(/^#[0-9a-f]{6}$/)],
      ['--zp--fglow', '#ffec99'],
    ]);
    expect(planAccent(view, view.accented('#0b7285'), sheet)).toEqual([]);
    expect(planAccent(view, view.accented('#ffec99'), [])).toEqual([]);
  });
  it('goes with an accent in core as in its stylesheet: nothing else of a table does', () => {
    const its = view.accented('#ffec99');
    const fill = (condition: 'rest' | 'featured'): string => {
      const value = its.said({ part: 'column-headers', condition }, 'fill')[0]?.read;
      return value?.ok && value.value.kind === 'colour' ? value.value.rgba.r.toFixed(2) : '';
    };
    expect([fill('rest'), fill('featured')]).toEqual(['0.04', '1.00']);
  });
});
