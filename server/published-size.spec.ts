import { viewOf } from '../core/tests/themes';
import { brotliCompressSync } from 'node:zlib';
import { visitorFeatures } from '../core/page';
import { choices, optional, tableScript } from '../scripts/build-runtime.mjs';
import { themeCss, writeCss } from '../core/compile';
import { dice, fullTheme, orderlyText } from '../core/tests/random';

describe('The size of a published stylesheet', () => {
  it('is at most 4 kB as it is sent, for themes with every property at every place, made from swatches and a type scale', () => {
    const sizes = Array.from({ length: 8 }, (_, seed) => {
      const nodes = themeCss(viewOf(fullTheme(dice(seed), 'nightfall', orderlyText)), { key: 'full', lean: true, around: true });
      return brotliCompressSync(writeCss(nodes, 'compact')).length;
    });
    expect(Math.max(...sizes)).toBeLessThanOrEqual(4000);
    expect(Math.min(...sizes)).toBeGreaterThan(2000);
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
