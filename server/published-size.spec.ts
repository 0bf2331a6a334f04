import { brotliCompressSync } from 'node:zlib';
import { themeCss, writeCss } from '../core/compile';
import { dice, fullTheme, orderlyText } from '../core/tests/random';

describe('The size of a published stylesheet', () => {
  it('is at most 4 kB as it is sent, for themes with every property at every place, made from swatches and a type scale', () => {
    const sizes = Array.from({ length: 8 }, (_, seed) => {
      const nodes = themeCss(fullTheme(dice(seed), 'nightfall', orderlyText), { key: 'full', lean: true, around: true });
      return brotliCompressSync(writeCss(nodes, 'compact')).length;
    });
    expect(Math.max(...sizes)).toBeLessThanOrEqual(4000);
    expect(Math.min(...sizes)).toBeGreaterThan(2000);
  });
});
