import postcss from 'postcss';
import { themeCss, writeCss } from '../core/compile';
import { dice, randomText } from '../core/tests/random';
import { parts, propertiesOf, type Theme } from '../core/theme';
import { ms, quantile, say, takeTurns } from './figures';

/** A theme with a value for every property at every place. */
function fullTheme(seed: number): Theme {
  const d = dice(seed);
  const values = Object.fromEntries(
    parts.map((part) => [
      part.name,
      Object.fromEntries(
        part.conditions.map((condition) => [
          condition,
          Object.fromEntries(propertiesOf(part.name).map(({ name, kind }) => [name, randomText[kind](d)])),
        ]),
      ),
    ]),
  );
  return {
    format: 'zest-theme/1',
    name: 'Full',
    base: 'nightfall',
    swatches: ['mist', 'deep', 'glow', 'lamp'].map((name, i) => ({ name, colour: `#${i}1${i}2${i}3` })),
    values,
  };
}

/** Compiling against parsing what comes out: cold reads every value, an edit reads one. */
export function benchCompile(): void {
  const theme = fullTheme(1);
  const css = writeCss(themeCss(theme, { key: 'full' }));
  const edited = (run: number): Theme => ({
    ...theme,
    values: { ...theme.values, table: { rest: { ...theme.values.table?.rest, radius: `${run % 40}px` } } },
  });
  // A theme never seen: another list of swatches forgets every value that was read.
  const never = (): Theme => ({ ...theme, swatches: [...theme.swatches] });
  const compile = (each: Theme): string => writeCss(themeCss(each, { key: 'full' }));
  // The three take turns, so that what the machine does meanwhile meets all of them.
  const [parse, edit, cold] = takeTurns(400, [() => postcss.parse(css), (run) => compile(edited(run)), () => compile(never())]).map((times) =>
    quantile(times, 0.5),
  );
  say(`postcss parses the ${(css.length / 1000).toFixed(1)} kB of a full theme, median`, ms(parse ?? NaN));
  say('compile after an edit, median and ratio to that (wanted: under 1)', `${ms(edit ?? NaN)}, ${((edit ?? NaN) / (parse ?? NaN)).toFixed(2)}`);
  say('compile of a theme never seen, median and ratio (wanted: under 1)', `${ms(cold ?? NaN)}, ${((cold ?? NaN) / (parse ?? NaN)).toFixed(2)}`);
}
