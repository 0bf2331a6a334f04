import { viewOf } from '../core/tests/themes';
import { brotliCompressSync } from 'node:zlib';
import { visitorFeatures } from '../core/page';
import { choices, optional, tableScript } from '../scripts/build-runtime.mjs';
import { byMode, sheetOf, themeCss, writeCss } from '../core/compile';
import { deriveDark } from '../core/dark';
import { setValue } from '../core/edit';
import { starters, type ModeName, type Theme } from '../core/theme';
import { dice, fullTheme, orderlyText } from '../core/tests/random';

describe('The size of a published stylesheet', () => {
  /** What few themes say anything of, and none at every place. */
  const fine: readonly string[] = ['caps', 'hyphens', 'text-shadow', 'edge-room', 'row-radius', 'row-shadow', 'bar', 'transition'];
  const without = ({ values, ...theme }: Theme): Theme => ({
    ...theme,
    values: Object.fromEntries(
      Object.entries(values).map(([part, conditions]) => [
        part,
        Object.fromEntries(
          Object.entries(conditions)
            .filter(([condition]) => !part.match(/^(?:body-rows|row-headers)$/) || !condition.endsWith('-columns'))
            .map(([condition, said]) => [condition, Object.fromEntries(Object.entries(said).filter(([name]) => !fine.includes(name)))]),
        ),
      ]),
    ),
  });
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
    expect(Math.max(...sizesOf((theme) => theme, 3))).toBeLessThanOrEqual(4500));
});

describe('The size of a published stylesheet in light and dark', () => {
  it('is at most 5 kB as it is sent, and at most 1.3 of light alone; a theme without modes does not grow by a byte', () => {
    const bright = (theme: Theme): Theme =>
      setValue(setValue(theme, { part: 'table', condition: 'rest' }, 'fill', '#ffffff'), { part: 'body-rows', condition: 'rest' }, 'fill', '#ffffff');
    for (const seed of [1, 2, 6]) {
      const both = deriveDark(viewOf(bright(fullTheme(dice(seed), 'nightfall', orderlyText))));
      if (!both) throw new Error('A bright theme has a dark');
      const size = (modes: readonly ModeName[]): number => {
        const sheet = byMode(viewOf(both), modes, (at) => themeCss(at, { key: 'full', lean: true, around: true }));
        return brotliCompressSync(writeCss(sheet, 'compact')).length;
      };
      const [light, dark] = [size([]), size(['dark'])];
      expect(dark).withContext(`seed ${seed}`).toBeLessThanOrEqual(5000);
      expect(dark / light)
        .withContext(`seed ${seed}`)
        .toBeLessThanOrEqual(1.3);
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
