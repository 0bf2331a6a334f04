import type { Base, Theme } from './theme';

/** What themes grow from, where it is known. */
export interface Bases {
  /** The base theme, or undefined where it is gone. */
  readonly find: (base: Base) => Theme | undefined;
  /** What lies under every theme whose own ground is gone. It has a type scale, and grows from nothing. */
  readonly ground: Theme;
  /** What a theme can grow from, to be told to a person. */
  readonly names: readonly string[];
}

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
