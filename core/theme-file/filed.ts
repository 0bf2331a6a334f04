import { isThemeBase, type Theme } from '../theme';

/** A theme with the name under which others of the same file grow from it: its id in the tool, and in a file what its JSON is called. */
export interface FiledTheme {
  readonly id: string;
  readonly theme: Theme;
}

/** Themes with all that they grow from, as far as it is known; each once, what another stands on before it. */
export function withBases(themes: readonly FiledTheme[], all: readonly FiledTheme[]): readonly FiledTheme[] {
  const byId = new Map([...all, ...themes].map((each) => [each.id, each]));
  const found = new Set<FiledTheme>();
  const take = (each: FiledTheme, on: readonly FiledTheme[]): void => {
    const { base } = each.theme;
    const below = isThemeBase(base) ? byId.get(base.theme) : undefined;
    if (below && !on.includes(below)) take(below, [...on, each]);
    found.add(each);
  };
  for (const each of themes) take(each, []);
  return [...found];
}
