import type { Swatch, Theme, WidthStep } from './theme';

/** How a page can be looked at, beside on a bright screen: by the visitor's settings, or on paper. */
export const modes = [
  { name: 'dark', label: 'Dark', words: 'in the dark', about: 'where the page, or the visitor, has it dark' },
  { name: 'contrast', label: 'More contrast', words: 'with more contrast', about: 'for visitors who ask for more contrast, where it is bright' },
  { name: 'print', label: 'Print', words: 'in print', about: 'on paper, where width steps do not hold' },
  { name: 'forced', label: 'Forced colours', words: 'in forced colours', about: 'where the visitor’s system sets all colours' },
] as const satisfies readonly { readonly name: string; readonly label: string; readonly words: string; readonly about: string }[];
export type ModeName = (typeof modes)[number]['name'];
export const modeNames: readonly ModeName[] = modes.map(({ name }) => name);
export const modeOf = (name: ModeName): (typeof modes)[number] => {
  const found = modes.find((each) => each.name === name);
  if (!found) throw new RangeError(`There is no mode ${name}`);
  return found;
};

/** What a theme says in one mode: other colours for swatches, by their names, and other values. */
export interface Mode {
  readonly name: ModeName;
  readonly swatches?: readonly Swatch[];
  readonly values: Theme['values'];
}

/** What a theme says itself in a mode, or undefined. */
export const modeIn = (theme: Theme, mode: ModeName | ''): Mode | undefined => theme.modes?.find(({ name }) => name === mode);

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

/** Every list of values of a theme, with where it holds: at every width, at a step, in a mode. */
export const valueLists = (theme: Theme): readonly { readonly step?: string; readonly mode?: ModeName; readonly values: Theme['values'] }[] => [
  { values: theme.values },
  ...(theme.widths ?? []).map(({ name, values }: WidthStep) => ({ step: name, values })),
  ...(theme.modes ?? []).map(({ name, values }) => ({ mode: name, values })),
];
