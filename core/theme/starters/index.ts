import type { Bases } from '../chain';
import { isThemeBase, type StarterBase } from '../theme';
import { ground } from './ground';
import { laterGrounds, laterVersions } from './later-versions';
import type { Starter } from './shapes';
import { starters as firstVersions } from './starters';

export { ground } from './ground';
export type { Starter } from './shapes';

const grounds = [ground, ...laterGrounds].map((theme, i): Starter => ({
  key: 'ground',
  version: i + 1,
  temper: 'What lies under every theme',
  theme,
}));

/** Every version of every starter that ever shipped, and the ground. */
export const shippedStarters: readonly Starter[] = [...grounds, ...firstVersions, ...laterVersions];

const keyOf = ({ starter, version }: StarterBase): string => `${starter} ${version}`;
const shipped = new Map(shippedStarters.map((each) => [keyOf({ starter: each.key, version: each.version }), each]));

/** Number of a starter's newest version; 0 where there is none of that name. */
export const newestOf = (starter: string): number =>
  Math.max(0, ...shippedStarters.flatMap(({ key, version }) => (key === starter ? [version] : [])));

/** The starters to begin from, each in its newest version. */
export const starters: readonly Starter[] = firstVersions.map(
  (each) => shipped.get(keyOf({ starter: each.key, version: newestOf(each.key) })) ?? each,
);

/** What ships for themes to grow from. */
export const starterBases: Bases = {
  find: (base) => (isThemeBase(base) ? undefined : shipped.get(keyOf(base))?.theme),
  ground,
  names: ['ground', ...firstVersions.map(({ key }) => key)],
};
