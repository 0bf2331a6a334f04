import type { Rgba } from '../colour';
import type { TableKind } from '../table';
import type { Theme } from '../theme';
import { distance, type Look, type LookName } from './looks';

/** Where a theme is used. */
export interface Use {
  /** On live pages. */
  readonly live: number;
  /** Kinds of the tables that wear it, each once. */
  readonly kinds: readonly TableKind[];
}
/** What is asked of a theme's use: nothing, a live page, a table of any kind or of one, or none of these. */
export type UseAsked = '' | 'live' | 'tables' | 'nowhere' | TableKind;

/** What is looked for in the library; what is empty asks for nothing. */
export interface Wanted {
  readonly words: string;
  readonly collection: string | undefined;
  readonly tags: readonly string[];
  readonly looks: readonly LookName[];
  readonly font: string;
  readonly near: Rgba | undefined;
  readonly use: UseAsked;
}
export const NOTHING_WANTED: Wanted = { words: '', collection: undefined, tags: [], looks: [], font: '', near: undefined, use: '' };
export const wantsNothing = ({ words, collection, tags, looks, font, near, use }: Wanted): boolean =>
  words.trim() === '' && collection === undefined && tags.length === 0 && looks.length === 0 && font === '' && near === undefined && use === '';

/** Colours as far apart in OKLab as this are near each other: a person calls them by the same name. */
const NEAR = 0.08;

/** A theme with what is said of it: its name and those that it stands on. */
export interface Shelved {
  readonly theme: Theme;
  readonly said: readonly string[];
  readonly use: Use;
  /** Asked for only where a look is wanted: it takes every part under every condition. */
  readonly look: () => Look;
}

/** Whether a theme is what is looked for: all of what is wanted, every word, tag and look. */
export function isWanted({ theme, said, use, look }: Shelved, wanted: Wanted): boolean {
  const tags = theme.tags ?? [];
  const text = [...said, ...tags, theme.collection ?? ''].join(' ').toLocaleLowerCase();
  const words = wanted.words.trim().toLocaleLowerCase().split(/\s+/);
  if (!words.every((word) => text.includes(word))) return false;
  if (wanted.collection !== undefined && (theme.collection ?? '') !== wanted.collection) return false;
  if (!wanted.tags.every((tag) => tags.includes(tag))) return false;
  if (!isUsed(use, wanted.use)) return false;
  if (wanted.looks.length === 0 && wanted.font === '' && wanted.near === undefined) return true;
  const { looks, fonts, colours } = look();
  const { near } = wanted;
  return (
    wanted.looks.every((each) => looks.has(each)) &&
    (wanted.font === '' || fonts.includes(wanted.font)) &&
    (near === undefined || colours.some((colour) => distance(colour, near) <= NEAR))
  );
}

function isUsed({ live, kinds }: Use, asked: UseAsked): boolean {
  if (asked === '') return true;
  if (asked === 'live') return live > 0;
  if (asked === 'tables') return kinds.length > 0;
  if (asked === 'nowhere') return live === 0 && kinds.length === 0;
  return kinds.includes(asked);
}

/** Every collection and every tag of some themes, in the order of the alphabet. */
export const collectionsOf = (themes: readonly Theme[]): readonly string[] => inOrder(themes.flatMap(({ collection }) => collection ?? []));
export const tagsOf = (themes: readonly Theme[]): readonly string[] => inOrder(themes.flatMap(({ tags }) => tags ?? []));
const inOrder = (names: readonly string[]): readonly string[] => [...new Set(names)].sort((a, b) => a.localeCompare(b));
