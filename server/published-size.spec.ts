import { viewOf } from '../core/tests/themes';
import { brotliCompressSync } from 'node:zlib';
import { visitorFeatures } from '../core/page';
import { choices, optional, tableScript } from '../scripts/build-runtime.mjs';
import { byMode, sheetOf, themeCss, writeCss } from '../core/compile';
import { deriveDark } from '../core/dark';
import { setValue } from '../core/edit';
import { starters, type ModeName, type Theme } from '../core/theme';
import { dice, fullTheme, orderlyText } from '../core/tests/random';

/** What fewer themes still say anything of, and for which a sheet has rules of its own. */
const rare: readonly string[] = ['outline', 'outline-offset', 'row-line', 'reading', 'lines-shown'];
/** A theme without some of its properties. */
const less = ({ values, ...theme }: Theme, names: readonly string[]): Theme => ({
  ...theme,
  values: Object.fromEntries(
    Object.entries(values).map(([part, conditions]) => [
      part,
      Object.fromEntries(
        Object.entries(conditions).map(([condition, said]) => [
          condition,
          Object.fromEntries(Object.entries(said).filter(([name]) => !names.includes(name))),
        ]),
      ),
    ]),
  ),
});

describe('The size of a published stylesheet', () => {
  /** What few themes say anything of, and none at every place. */
  const fine: readonly string[] = ['caps', 'hyphens', 'text-shadow', 'edge-room', 'row-radius', 'row-shadow', 'bar', 'transition'];
  const without = (theme: Theme): Theme => {
    const { values, ...rest } = less(theme, [...fine, ...rare]);
    const few = Object.entries(values).map(([part, conditions]) => {
      const ofColumns = /^(?:body-rows|row-headers)$/.test(part) ? /-columns$/ : /^$/;
      return [part, Object.fromEntries(Object.entries(conditions).filter(([condition]) => !ofColumns.test(condition)))] as const;
    });
    return { ...rest, values: Object.fromEntries(few) };
  };
  const sizesOf = (make: (theme: Theme) => Theme, count = 8): readonly number[] =>
    Array.from({ length: count }, (_, seed) => {
      const nodes = themeCss(viewOf(make(fullTheme(dice(seed), 'nightfall', orderlyText))), { key: 'full', lean: true, around: true });
      return brotliCompressSync(writeCss(nodes, 'compact')).length;
    });
  it('is at most 4 kB as it is sent, for themes with every property at every place, made from swatches and a type scale', () => {
    const sizes = sizesOf(without);
    expect(Math.max(...sizes)).toBeLessThanOrEqual(4000);
    expect(Math.min(...sizes)).toBeGreaterThan(2000);
  });
  it('is at most 4.5 kB with fine type, bands of columns and rows as boxes at every place besides', () =>
    expect(Math.max(...sizesOf((theme) => less(theme, rare), 3))).toBeLessThanOrEqual(4500));
  it('is at most 4.7 kB with lines of the focus, turned headings and cut texts as well', () =>
    expect(Math.max(...sizesOf((theme) => theme, 3))).toBeLessThanOrEqual(4700));
});

describe('The size of a published stylesheet in light and dark', () => {
  it('is at most 5 kB as it is sent (5.25 with what is rare), and at most 1.3 of light alone; a theme without modes does not grow by a byte', () => {
    const bright = (theme: Theme): Theme =>
      setValue(setValue(theme, { part: 'table', condition: 'rest' }, 'fill', '#ffffff'), { part: 'body-rows', condition: 'rest' }, 'fill', '#ffffff');
    const size = (theme: Theme, modes: readonly ModeName[]): number => {
      const sheet = byMode(viewOf(theme), modes, (at) => themeCss(at, { key: 'full', lean: true, around: true }));
      return brotliCompressSync(writeCss(sheet, 'compact')).length;
    };
    const whole = fullTheme(dice(6), 'nightfall', orderlyText);
    for (const [theme, most] of [
      [less(whole, rare), 5000],
      [whole, 5250],
    ] as const) {
      const both = deriveDark(viewOf(bright(theme)));
      if (!both) throw new Error('A bright theme has a dark');
      const [light, dark] = [size(both, []), size(both, ['dark'])];
      expect(dark).toBeLessThanOrEqual(most);
      expect(dark).toBeLessThanOrEqual(1.3 * light);
    }
    for (const { key, theme } of starters) {
      const css = (scheme: 'light' | 'follows'): string => writeCss(sheetOf(viewOf(theme), { use: 'page', key, scheme }), 'compact');
      expect(css('follows')).withContext(key).toBe(css('light'));
    }
  });
});

describe('The size of what a published page loads', () => {
  const size = async (some: readonly string[]): Promise<number> => {
    const script = await tableScript(some);
    expect(script).not.toContain('eval(');
    return brotliCompressSync(script).length;
  };
  it('is at most 5 kB of script as it is sent, with every feature; without those that it has not, it is less', async () => {
    const [all, plain] = [await size(optional), await size([])];
    expect(all).toBeLessThanOrEqual(5000);
    expect(plain).toBeLessThanOrEqual(3500);
    for (const name of optional)
      expect(await size(optional.filter((each) => each !== name)))
        .withContext(`without ${name}`)
        .toBeLessThan(all);
  });
  it('has a script for every choice of features, of those that core knows', () => {
    expect(optional).toEqual([...visitorFeatures]);
    expect(choices.length).toBe(2 ** visitorFeatures.length);
  });
});
