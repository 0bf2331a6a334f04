import { toHex } from '../colour';
import { propertyOf, refersTo as refersToKind, type Place, type PropertyName, type Swatch, type Theme, type ThemeView } from '../theme';
import { mapTexts, setValue } from './edit-theme';

/** Adds a swatch, or gives the one of that name another colour. */
export function setSwatch(theme: Theme, swatch: Swatch): Theme {
  const known = theme.swatches.some(({ name }) => name === swatch.name);
  return { ...theme, swatches: known ? theme.swatches.map((each) => (each.name === swatch.name ? swatch : each)) : [...theme.swatches, swatch] };
}

/** Takes away an own swatch; one of the base theme then shows again. */
export const deleteSwatch = (theme: Theme, name: string): Theme => ({ ...theme, swatches: theme.swatches.filter((swatch) => swatch.name !== name) });

/** Whether a swatch comes from the base theme. */
export const isBaseSwatch = ({ chain: [, ...bases] }: ThemeView, name: string): boolean =>
  bases.some(({ swatches }) => swatches.some((swatch) => swatch.name === name));

const refersTo = (name: string): RegExp => new RegExp(`(^|[\\s/,])${name}(?=$|[\\s/,])`, 'g');
const mayRefer = (property: PropertyName): boolean => refersToKind(propertyOf(property).kind, 'swatches');

/** A swatch by its new name, in the list and in every value that refers to it. One of the base theme cannot be renamed. */
export function renameSwatch(theme: Theme, name: string, to: string): Theme {
  const rename = (text: string): string => text.replace(refersTo(name), `$1${to}`);
  const renamed = mapTexts(theme, (text, property) => (mayRefer(property) ? rename(text) : text));
  return {
    ...renamed,
    swatches: theme.swatches.map((swatch) => ({ name: swatch.name === name ? to : swatch.name, colour: rename(swatch.colour) })),
  };
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
export type SwatchUse = { readonly place: Place; readonly property: PropertyName; readonly text: string } | { readonly swatch: string };

/** Where the theme itself refers to a swatch. What its base theme does is not listed: it cannot be changed here. */
export function usesOfSwatch(theme: Theme, name: string): readonly SwatchUse[] {
  const uses: SwatchUse[] = theme.swatches
    .filter((swatch) => swatch.name !== name && refersTo(name).test(swatch.colour))
    .map((swatch) => ({ swatch: swatch.name }));
  mapTexts(theme, (text, property, place) => {
    if (mayRefer(property) && refersTo(name).test(text)) uses.push({ place, property, text });
    return text;
  });
  return uses;
}

/** What the values that refer to a deleted swatch get instead. */
export type Instead = { readonly kind: 'colour' } | { readonly kind: 'swatch'; readonly name: string } | { readonly kind: 'fall back' };

/** Deletes an own swatch and gives its users something else: its colour as it stands, another swatch, or nothing, so that they fall back. */
export function replaceSwatch(view: ThemeView, name: string, instead: Instead): Theme {
  const { theme } = view;
  const without: Theme = { ...theme, swatches: theme.swatches.filter((swatch) => swatch.name !== name) };
  if (instead.kind === 'fall back') {
    const cleared = usesOfSwatch(theme, name).reduce<Theme>(
      (changed, use) => ('place' in use ? setValue(changed, use.place, use.property, undefined) : changed),
      without,
    );
    return { ...cleared, swatches: cleared.swatches.map((swatch) => withText(swatch, name, colourOf(view, name))) };
  }
  const to = instead.kind === 'swatch' ? instead.name : colourOf(view, name);
  const replaced = mapTexts(without, (text, property) => (mayRefer(property) ? text.replace(refersTo(name), `$1${to}`) : text));
  return { ...replaced, swatches: without.swatches.map((swatch) => withText(swatch, name, to)) };
}

const withText = (swatch: Swatch, name: string, to: string): Swatch => ({ ...swatch, colour: swatch.colour.replace(refersTo(name), `$1${to}`) });

/** What a swatch comes to, as a text; the page's black where it cannot be read. */
function colourOf({ vocabulary }: ThemeView, name: string): string {
  const rgba = vocabulary.swatches.get(name);
  return rgba ? toHex(rgba) : '#000000';
}
