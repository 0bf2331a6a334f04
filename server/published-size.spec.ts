import { viewOf } from '../core/tests/themes';
import { brotliCompressSync } from 'node:zlib';
import { build } from 'esbuild';
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
  it('is at most 5 kB of script as it is sent', async () => {
    const { outputFiles } = await build({
      entryPoints: ['runtime/main.ts'],
      bundle: true,
      minify: true,
      format: 'iife',
      target: 'chrome111',
      write: false,
    });
    const [script] = outputFiles;
    expect(brotliCompressSync(script?.contents ?? new Uint8Array()).length).toBeLessThanOrEqual(5000);
    expect(script?.text).not.toContain('eval(');
  });
});
