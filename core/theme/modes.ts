import { modeNames, type ModeName } from './catalogue/modes';
import { modeIn, type Swatch, type Theme } from './theme';

/** The modes in which any theme of a chain says something, in their order. */
export const modesOf = (chain: readonly Theme[]): readonly ModeName[] =>
  modeNames.filter((name) =>
    chain.some((theme) => {
      const mode = modeIn(theme, name);
      return mode !== undefined && (Object.keys(mode.values).length > 0 || (mode.swatches?.length ?? 0) > 0);
    }),
  );

/** A theme's swatches in a mode: those that have another colour there, and what it has only there. */
export function swatchesIn(theme: Theme, mode: ModeName | ''): readonly Swatch[] {
  const own = modeIn(theme, mode)?.swatches;
  if (!own) return theme.swatches;
  const named = new Map(own.map((swatch) => [swatch.name, swatch]));
  const known = theme.swatches.map((swatch) => named.get(swatch.name) ?? swatch);
  return [...known, ...own.filter(({ name }) => !theme.swatches.some((each) => each.name === name))];
}
