import { viewOf } from '../core/tests/themes';
import postcss from 'postcss';
import { themeCss, writeCss } from '../core/compile';
import { brotliCompressSync } from 'node:zlib';
import { dice, fullTheme, orderlyText, randomText } from '../core/tests/random';
import { starters, type Theme } from '../core/theme';
import { kB, ms, quantile, say, takeTurns } from './figures';

/** Compiling against parsing what comes out: cold reads every value, an edit reads one. */
export function benchCompile(): void {
  const theme = fullTheme(dice(1));
  const css = writeCss(themeCss(viewOf(theme), { key: 'full' }));
  const edited = (run: number): Theme => ({
    ...theme,
    values: { ...theme.values, table: { rest: { ...theme.values.table?.rest, radius: `${run % 40}px` } } },
  });
  // A theme never seen: another list of swatches forgets every value that was read.
  const never = (): Theme => ({ ...theme, swatches: [...theme.swatches] });
  const compile = (each: Theme): string => writeCss(themeCss(viewOf(each), { key: 'full' }));
  // The three take turns, so that what the machine does meanwhile meets all of them.
  const [parse, edit, cold] = takeTurns(400, [() => postcss.parse(css), (run) => compile(edited(run)), () => compile(never())]).map((times) =>
    quantile(times, 0.5),
  );
  say(`postcss parses the ${(css.length / 1000).toFixed(1)} kB of a full theme, median`, ms(parse ?? NaN));
  say('compile after an edit, median and ratio to that (wanted: under 1)', `${ms(edit ?? NaN)}, ${((edit ?? NaN) / (parse ?? NaN)).toFixed(2)}`);
  say('compile of a theme never seen, median and ratio (wanted: under 1)', `${ms(cold ?? NaN)}, ${((cold ?? NaN) / (parse ?? NaN)).toFixed(2)}`);
  const published = (each: Theme): number =>
    brotliCompressSync(writeCss(themeCss(viewOf(each), { key: 'full', lean: true, around: true }), 'compact')).length;
  const sizes = (themes: readonly Theme[]): string =>
    themes
      .map(published)
      .sort((a, b) => a - b)
      .filter((_, i, all) => i === 0 || i === all.length >> 1 || i === all.length - 1)
      .map(kB)
      .join(', ');
  const full = (text: typeof randomText): readonly Theme[] => Array.from({ length: 21 }, (_, seed) => fullTheme(dice(seed), 'nightfall', text));
  say('published CSS, compressed (at most 4 kB): the starters, least, median and most', sizes(starters.map((starter) => starter.theme)));
  say('21 themes with every property at every place, from swatches, type scale and a 4 px rhythm', sizes(full(orderlyText)));
  say('the same with colours, lengths and fonts thrown at random', sizes(full(randomText)));
}
