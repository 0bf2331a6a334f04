import type { Theme } from '../theme';
import { ground } from './ground';
import { starters } from './starters';

export { ground } from './ground';
export { starters } from './starters';
export type { Starter } from './shapes';

const byName = new Map<string, Theme>([['ground', ground], ...starters.map(({ key, theme }) => [key, theme] as const)]);

export const starterNames: readonly string[] = [...byName.keys()];

/** The base theme of that name; the ground where there is none of that name any more. */
export const starterOf = (name: string): Theme => byName.get(name) ?? ground;
