import { modeNames, type ModeName, type ThemeView } from '../../../theme';
import { exclusive } from './exclusive';
import type { CssNode, Stylesheet } from '../stylesheet';
import { withNamedValues } from './named-values';
import { withMore } from '../weighed';

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

/** When something holds: under a media query, and where the page has a mark or has not. */
interface Held {
  readonly query: string;
  /** What stands behind the first compound of each selector: it weighs nothing. */
  readonly where: string;
}

/**
 * When each of some modes holds on a site that switches by a mark on its root or body: dark is where that is, whatever the visitor's setting,
 * and so is more contrast where it is not. Paper is bright.
 */
function markedModes(modes: readonly ModeName[], mark: string): readonly (readonly Held[])[] {
  const others = modes.filter((mode) => mode !== 'dark');
  const [bright = '', ...rest] = modeQueries(others.includes('print') ? others : [...others, 'print']);
  const screen = others.includes('forced') ? `screen and (not ${features.forced})` : 'screen';
  const [is, not] = [`:where(${mark} *)`, `:where(:not(${mark} *))`];
  const held = (mode: ModeName): readonly Held[] => {
    if (mode === 'dark') return [{ query: screen, where: is }];
    return [{ query: rest[others.indexOf(mode)] ?? 'all', where: mode === 'contrast' ? not : '' }];
  };
  const onPaper: readonly Held[] = others.includes('print') ? [] : [{ query: 'print', where: '' }];
  return [[...onPaper, { query: bright, where: not }], ...modes.map(held)];
}

/** Rules for where any of some things holds; what holds with the mark and without it stands there once. */
function heldNodes(held: readonly Held[], rules: readonly CssNode[]): readonly CssNode[] {
  const places = new Map<string, Set<string>>();
  for (const { query, where } of held) places.set(query, (places.get(query) ?? new Set()).add(where));
  const queries = new Map<string, string[]>();
  for (const [query, marks] of places) for (const where of marks.size > 1 ? [''] : marks) queries.set(where, [...(queries.get(where) ?? []), query]);
  return [...queries].map(([where, all]) => ({ kind: 'media', query: all.join(','), rules: where === '' ? rules : withMore(rules, where) }));
}

/** What puts the rules of some modes' sheets where those hold: the bright screen is 0, then the modes in their order. */
export function inModes(modes: readonly ModeName[], mark = ''): (members: readonly number[], rules: readonly CssNode[]) => readonly CssNode[] {
  const held =
    mark !== '' && modes.includes('dark') ? markedModes(modes, mark) : modeQueries(modes).map((query): readonly Held[] => [{ query, where: '' }]);
  return (members, rules) =>
    heldNodes(
      members.flatMap((member) => held[member] ?? []),
      rules,
    );
}

/**
 * One stylesheet from that of a bright screen and those of some modes. `mark` is a class or an attribute by which the site is dark; where
 * none is named, it is as the visitor has it.
 */
export function byMode(view: ThemeView, modes: readonly ModeName[], sheetIn: (view: ThemeView) => Stylesheet, mark = ''): Stylesheet {
  const shown = modeNames.filter((mode) => modes.includes(mode));
  if (shown.length === 0) return sheetIn(view);
  const bright = sheetIn(view);
  const sheets = shown.map((mode) => sheetIn(view.in(mode)));
  const dark = shown.indexOf('dark');
  return exclusive(withNamedValues([bright, ...sheets], dark + 1), inModes(shown, mark));
}
