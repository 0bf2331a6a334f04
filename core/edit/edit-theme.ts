import {
  conditionOf,
  partOf,
  propertyOf,
  type ConditionName,
  type PartName,
  type PartValues,
  type Place,
  type PropertyName,
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

/** The theme with every text changed. */
export function mapTexts(theme: Theme, change: (text: string, property: PropertyName, place: Place) => string): Theme {
  const values = Object.fromEntries(
    Object.entries(theme.values).map(([part, conditions]) => [
      part,
      Object.fromEntries(
        Object.entries(conditions).map(([condition, own]) => [
          condition,
          Object.fromEntries(
            Object.entries(own).map(([property, text]) => [
              property,
              change(text, property as PropertyName, { part: part as PartName, condition: condition as ConditionName }),
            ]),
          ),
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

/** What is taken back: each of these names more of the theme than the one before. */
export interface Scope {
  readonly parts?: readonly PartName[];
  readonly conditions?: readonly ConditionName[];
  readonly properties?: readonly PropertyName[];
}

/** The theme without its own values in a scope, so that they come from above again. A scope that names nothing is everything. */
export function resetValues(theme: Theme, { parts, conditions, properties }: Scope): Theme {
  const within = <T>(list: readonly T[] | undefined, item: T): boolean => list === undefined || list.includes(item);
  let changed = theme;
  mapTexts(theme, (text, property, place) => {
    if (within(parts, place.part) && within(conditions, place.condition) && within(properties, property))
      changed = setValue(changed, place, property, undefined);
    return text;
  });
  return changed;
}
