import { modeNames, type ModeName, type ThemeView } from '../../theme';
import { exclusive } from './exclusive';
import type { Stylesheet } from './stylesheet';

const features: Readonly<Record<Exclude<ModeName, 'print'>, string>> = {
  dark: '(prefers-color-scheme:dark)',
  contrast: '(prefers-contrast:more)',
  forced: '(forced-colors:active)',
};
/** Where several could hold, the first does. */
const strongest = ['forced', 'dark', 'contrast'] as const;

/**
 * When each of some modes holds, the bright screen first: media queries that exclude each other (Media Queries 5, sections 11 and 12).
 * Paper comes before all, then forced colours, then dark, then more contrast.
 */
export function modeQueries(modes: readonly ModeName[]): readonly string[] {
  const screen = modes.includes('print') ? 'screen and ' : '';
  const shown = strongest.filter((mode) => modes.includes(mode));
  const none = (those: readonly (keyof typeof features)[]): readonly string[] => those.map((mode) => `(not ${features[mode]})`);
  const query = (mode: ModeName): string =>
    mode === 'print' ? 'print' : `${screen}${[features[mode], ...none(shown.slice(0, shown.indexOf(mode)))].join(' and ')}`;
  return [shown.length === 0 ? 'screen' : `${screen}${none(shown).join(' and ')}`, ...modes.map(query)];
}

/** One stylesheet from that of a bright screen and those of some modes. */
export function byMode(view: ThemeView, modes: readonly ModeName[], sheetIn: (view: ThemeView) => Stylesheet): Stylesheet {
  const shown = modeNames.filter((mode) => modes.includes(mode));
  if (shown.length === 0) return sheetIn(view);
  const queries = modeQueries(shown);
  const sheets = [sheetIn(view), ...shown.map((mode) => sheetIn(view.in(mode)))];
  return exclusive(sheets, (members, rules) => ({ kind: 'media', query: members.map((member) => queries[member] ?? 'all').join(','), rules }));
}
