import {
  partOf,
  propertyOf,
  conditionOf,
  starterOf,
  type PartValues,
  type Place,
  type PropertyName,
  type Swatch,
  type Theme,
  type Values,
} from '../theme';

/** The theme with a text set at a place; `undefined` takes it away, so that the place falls back. */
export function setValue(theme: Theme, { part, condition }: Place, property: PropertyName, text: string | undefined): Theme {
  const conditions: PartValues = theme.values[part] ?? {};
  const own: Values = conditions[condition] ?? {};
  if (own[property] === text) return theme;
  return { ...theme, values: prune({ ...theme.values, [part]: prune({ ...conditions, [condition]: prune({ ...own, [property]: text }) }) }) };
}

/** Without fields that are undefined or hold nothing. */
function prune<T extends object>(fields: T): T {
  return Object.fromEntries(
    Object.entries(fields).filter(([, value]) => value !== undefined && (typeof value !== 'object' || Object.keys(value as object).length > 0)),
  ) as T;
}

/** Adds a swatch, or gives the one of that name another colour. */
export function setSwatch(theme: Theme, swatch: Swatch): Theme {
  const known = theme.swatches.some(({ name }) => name === swatch.name);
  return { ...theme, swatches: known ? theme.swatches.map((each) => (each.name === swatch.name ? swatch : each)) : [...theme.swatches, swatch] };
}

/** Takes away an own swatch; one of the base theme then shows again. */
export const deleteSwatch = (theme: Theme, name: string): Theme => ({ ...theme, swatches: theme.swatches.filter((swatch) => swatch.name !== name) });

/** A swatch by its new name, in the list and in every value that refers to it. One of the base theme cannot be renamed. */
export function renameSwatch(theme: Theme, name: string, to: string): Theme {
  const refers = new RegExp(`(^|\\s|/)${name}(?=\\s|$|/)`, 'g');
  const renamed = mapTexts(theme, (text, property) =>
    ['colour', 'line'].includes(propertyOf(property).kind) ? text.replace(refers, `$1${to}`) : text,
  );
  return { ...renamed, swatches: theme.swatches.map((swatch) => (swatch.name === name ? { ...swatch, name: to } : swatch)) };
}

/** Whether a swatch comes from the base theme. */
export const isBaseSwatch = (theme: Theme, name: string): boolean => starterOf(theme.base).swatches.some((swatch) => swatch.name === name);

function mapTexts(theme: Theme, change: (text: string, property: PropertyName) => string): Theme {
  const values = Object.fromEntries(
    Object.entries(theme.values).map(([part, conditions]) => [
      part,
      Object.fromEntries(
        Object.entries(conditions).map(([condition, own]) => [
          condition,
          Object.fromEntries(Object.entries(own).map(([property, text]) => [property, change(text, property as PropertyName)])),
        ]),
      ),
    ]),
  );
  return { ...theme, values };
}

/** A place and a property in words: `Body rows, even: fill`. */
export function placeInWords({ part, condition }: Place, property?: PropertyName): string {
  const place = condition === 'rest' ? partOf(part).label : `${partOf(part).label}, ${conditionOf(condition).label.toLowerCase()}`;
  return property ? `${place}: ${propertyOf(property).label.toLowerCase()}` : place;
}
