import { isThemeBase, type Base, type Theme } from './theme';

/** What themes grow from, where it is known. */
export interface Bases {
  /** The base theme, or undefined where it is gone. */
  readonly find: (base: Base) => Theme | undefined;
  /** What lies under every theme whose own ground is gone. It has a type scale, and grows from nothing. */
  readonly ground: Theme;
  /** What ships for themes to grow from, to be told to a person. */
  readonly names: readonly string[];
}

/** Themes by their ids. */
export type ThemesById = (id: string) => Theme | undefined;

/** So many other themes can one stand on, one below the other, beside what ships. */
export const CHAIN_MOST = 12;

/** What ships, and with it themes that grow from one another. */
export const basesOver = (shipped: Bases, themeOf: ThemesById): Bases => ({
  ...shipped,
  find: (base) => (isThemeBase(base) ? themeOf(base.theme) : shipped.find(base)),
});

/**
 * The theme, then each that the one before grows from; the last grows from nothing. A base that is gone, or that leads back to a
 * theme which was there already, ends the chain: what such a base said falls back to the ground.
 */
export function chainOf(theme: Theme, { find, ground }: Bases): readonly [Theme, ...Theme[]] {
  const rest: Theme[] = [];
  for (let at = theme; at.base !== null;) {
    const next: Theme = find(at.base) ?? ground;
    at = next === theme || rest.includes(next) ? ground : next;
    rest.push(at);
  }
  return [theme, ...rest];
}

/**
 * Ids of the themes that one with such a base stands on, the nearest first, as far as they are known. One that is met a second time
 * is the last: then it is a loop.
 */
export function standsOn(base: Base | null, themeOf: ThemesById): readonly string[] {
  const ids: string[] = [];
  for (let at = base; isThemeBase(at); at = themeOf(at.theme)?.base ?? null) {
    const isMet = ids.includes(at.theme);
    ids.push(at.theme);
    if (isMet) break;
  }
  return ids;
}

/** Id of a theme of a chain, as the one above names it; undefined for the first, and for what ships. */
export function idIn(chain: readonly Theme[], of: Theme): string | undefined {
  const above = chain[chain.indexOf(of) - 1];
  return above && isThemeBase(above.base) ? above.base.theme : undefined;
}

/** Those of some themes that stand on one, right above it or further up. */
export function standingOn<T extends { readonly id: string; readonly document: Theme }>(id: string, all: readonly T[]): readonly T[] {
  const byId = new Map(all.map((each) => [each.id, each.document]));
  return all.filter(({ document: { base } }) => standsOn(base, (each) => byId.get(each)).includes(id));
}

/**
 * The way around, should the theme of an id grow from such a base and that, in the end, from the theme: ids from the theme to itself.
 * Undefined where there is none.
 */
export function loopThrough(id: string, base: Base | null, themeOf: ThemesById): readonly string[] | undefined {
  const ids = standsOn(base, themeOf);
  const at = ids.indexOf(id);
  return at < 0 ? undefined : [id, ...ids.slice(0, at + 1)];
}
