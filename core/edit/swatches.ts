import { toHex } from '../colour';
import {
  propertyOf,
  refersTo as refersToKind,
  type ModeName,
  type Place,
  type PropertyName,
  type Swatch,
  type Theme,
  type ThemeView,
} from '../theme';
import { fixInExtraCss, linesReading, renameInExtraCss } from './extra-css';
import { inOneMode, mapTexts, setValue } from './edit-theme';

/** Adds a swatch, or gives the one of that name another colour: in a mode, there alone. */
export function setSwatch(theme: Theme, swatch: Swatch, mode: ModeName | '' = ''): Theme {
  if (mode !== '')
    return inOneMode(theme, mode, (own) => ({ ...own, swatches: setSwatch({ ...theme, swatches: own.swatches ?? [] }, swatch).swatches }));
  const known = theme.swatches.some(({ name }) => name === swatch.name);
  return { ...theme, swatches: known ? theme.swatches.map((each) => (each.name === swatch.name ? swatch : each)) : [...theme.swatches, swatch] };
}

/** Takes away an own swatch, in a mode what it is there alone; one of the base theme then shows again. */
export function deleteSwatch(theme: Theme, name: string, mode: ModeName | '' = ''): Theme {
  const without = (swatches: readonly Swatch[]): readonly Swatch[] => swatches.filter((swatch) => swatch.name !== name);
  if (mode !== '') return inOneMode(theme, mode, (own) => ({ ...own, swatches: without(own.swatches ?? []) }));
  return { ...inEveryMode(theme, without), swatches: without(theme.swatches) };
}

/** The theme with the swatches of each of its modes changed. */
function inEveryMode(theme: Theme, change: (swatches: readonly Swatch[]) => readonly Swatch[]): Theme {
  return (theme.modes ?? []).reduce(
    (changed, { name, swatches }) => (swatches ? inOneMode(changed, name, (own) => ({ ...own, swatches: change(own.swatches ?? []) })) : changed),
    theme,
  );
}

/** Whether a swatch comes from the base theme. */
export const isBaseSwatch = ({ chain: [, ...bases] }: ThemeView, name: string): boolean =>
  bases.some(({ swatches }) => swatches.some((swatch) => swatch.name === name));

/** A swatch's name in a text; in `ink for deep` and `deep that reads` these words are no names. */
const refersTo = (name: string): RegExp =>
  new RegExp(`(^|[\\s/,])(?!ink for |that reads$|(?<=(?:^|\\s)ink )for |(?<=\\sthat )reads$)${name}(?=$|[\\s/,])`, 'g');
const mayRefer = (property: PropertyName): boolean => refersToKind(propertyOf(property).kind, 'swatches');

/** A swatch by its new name, in the list and in every value that refers to it. One of the base theme cannot be renamed. */
export function renameSwatch(theme: Theme, name: string, to: string): Theme {
  const rename = (text: string): string => text.replace(refersTo(name), `$1${to}`);
  const renamed = mapTexts(theme, (text, property) => (mayRefer(property) ? rename(text) : text));
  const named = (swatches: readonly Swatch[]): readonly Swatch[] =>
    swatches.map((swatch) => ({ name: swatch.name === name ? to : swatch.name, colour: rename(swatch.colour) }));
  return renameInExtraCss({ ...inEveryMode(renamed, named), swatches: named(theme.swatches) }, name, to);
}

/** Moves an own swatch by so many places in the list; it stops at the ends. */
export function moveSwatch(theme: Theme, name: string, by: number): Theme {
  const from = theme.swatches.findIndex((swatch) => swatch.name === name);
  const to = Math.max(0, Math.min(theme.swatches.length - 1, from + by));
  const moved = theme.swatches[from];
  if (!moved || from === to) return theme;
  const others = theme.swatches.filter((swatch) => swatch !== moved);
  return { ...theme, swatches: [...others.slice(0, to), moved, ...others.slice(to)] };
}

/** A place of the theme, or a swatch of it, that refers to a swatch. */
export type SwatchUse =
  | { readonly place: Place; readonly property: PropertyName; readonly text: string }
  | { readonly swatch: string }
  /** A line of the extra CSS, from 1. */
  | { readonly line: number };

/** Where the theme itself refers to a swatch. What its base theme does is not listed: it cannot be changed here. */
export function usesOfSwatch(theme: Theme, name: string): readonly SwatchUse[] {
  const uses: SwatchUse[] = theme.swatches
    .filter((swatch) => swatch.name !== name && refersTo(name).test(swatch.colour))
    .map((swatch) => ({ swatch: swatch.name }));
  mapTexts(theme, (text, property, place) => {
    if (mayRefer(property) && refersTo(name).test(text)) uses.push({ place, property, text });
    return text;
  });
  uses.push(...linesReading(theme, name).map((line) => ({ line })));
  return uses;
}

/** What the values that refer to a deleted swatch get instead. */
export type Instead = { readonly kind: 'colour' } | { readonly kind: 'swatch'; readonly name: string } | { readonly kind: 'fall back' };

/** Deletes an own swatch and gives its users something else: its colour as it stands, another swatch, or nothing, so that they fall back. */
export function replaceSwatch(view: ThemeView, name: string, instead: Instead): Theme {
  const { theme } = view;
  const without = deleteSwatch(theme, name);
  if (instead.kind === 'fall back') {
    const cleared = usesOfSwatch(theme, name).reduce<Theme>(
      (changed, use) => ('place' in use ? setValue(changed, use.place, use.property, undefined) : changed),
      without,
    );
    return fixInExtraCss(withTexts(cleared, name, colourOf(view, name)), name, colourOf(view, name));
  }
  const to = instead.kind === 'swatch' ? instead.name : colourOf(view, name);
  const replaced = mapTexts(without, (text, property) => (mayRefer(property) ? text.replace(refersTo(name), `$1${to}`) : text));
  const inTexts = withTexts(replaced, name, to);
  return instead.kind === 'swatch' ? renameInExtraCss(inTexts, name, to) : fixInExtraCss(inTexts, name, to);
}

/** The theme's swatches, in every mode, with a text in place of a swatch's name. */
function withTexts(theme: Theme, name: string, to: string): Theme {
  const replaced = (swatches: readonly Swatch[]): readonly Swatch[] =>
    swatches.map((swatch) => ({ ...swatch, colour: swatch.colour.replace(refersTo(name), `$1${to}`) }));
  return { ...inEveryMode(theme, replaced), swatches: replaced(theme.swatches) };
}

/** What a swatch comes to, as a text; the page's black where it cannot be read. */
function colourOf({ vocabulary }: ThemeView, name: string): string {
  const rgba = vocabulary.swatches.get(name);
  return rgba ? toHex(rgba) : '#000000';
}
