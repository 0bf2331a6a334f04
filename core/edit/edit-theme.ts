import {
  conditionOf,
  modeNames,
  modeOf,
  partOf,
  propertyOf,
  type ConditionName,
  type Mode,
  type ModeName,
  type PartName,
  type PartValues,
  type Place,
  type PropertyName,
  type Theme,
  type Values,
} from '../theme';

/** The theme with a text set at a place; `undefined` takes it away, so that the place falls back. */
export function setValue(theme: Theme, { part, condition, step, mode }: Place, property: PropertyName, text: string | undefined): Theme {
  if (mode !== undefined)
    return inOneMode(theme, mode, (own) => ({
      ...own,
      values: setValue({ ...theme, values: own.values }, { part, condition }, property, text).values,
    }));
  if (step !== undefined) return atOneStep(theme, step, (values) => setValue({ ...theme, values }, { part, condition }, property, text).values);
  const conditions: PartValues = theme.values[part] ?? {};
  const own: Values = conditions[condition] ?? {};
  if (own[property] === text) return theme;
  return { ...theme, values: prune({ ...theme.values, [part]: prune({ ...conditions, [condition]: prune({ ...own, [property]: text }) }) }) };
}

/**
 * The theme with the values of one of its steps changed. A step that is not its own (the usual ones, one of what it grows from) gets
 * values and no width, so that it is where it was; without values nothing is left of it.
 */
function atOneStep(theme: Theme, step: string, change: (values: Theme['values']) => Theme['values']): Theme {
  const { widths: before = [], ...rest } = theme;
  const own = before.find(({ name }) => name === step) ?? { name: step, values: {} };
  const values = change(own.values);
  if (values === own.values) return theme;
  const changed = { ...own, values };
  const list = before.includes(own) ? before.map((each) => (each === own ? changed : each)) : [...before, changed];
  const widths = list.filter((each) => each.width !== undefined || Object.keys(each.values).length > 0);
  return widths.length === 0 ? rest : { ...rest, widths };
}

/** The theme with what it says in a mode changed; of a mode in which it says nothing nothing is left. */
export function inOneMode(theme: Theme, name: ModeName, change: (own: Mode) => Mode): Theme {
  const { modes = [], ...rest } = theme;
  const own: Mode = modes.find((each) => each.name === name) ?? { name, values: {} };
  const changed = change(own);
  if (changed.values === own.values && changed.swatches === own.swatches) return theme;
  const list = modes.includes(own) ? modes.map((each) => (each === own ? changed : each)) : [...modes, changed];
  const left = list.filter(({ values, swatches = [] }) => Object.keys(values).length > 0 || swatches.length > 0);
  const inOrder = modeNames.flatMap((each) => left.filter((mode) => mode.name === each));
  return inOrder.length === 0 ? rest : { ...rest, modes: inOrder };
}

/** Without fields that are undefined or hold nothing. */
function prune<T extends object>(fields: T): T {
  return Object.fromEntries(
    Object.entries(fields).filter(([, value]) => value !== undefined && (typeof value !== 'object' || Object.keys(value as object).length > 0)),
  ) as T;
}

/** The theme with every text changed. */
export function mapTexts(theme: Theme, change: (text: string, property: PropertyName, place: Place) => string): Theme {
  const { values, widths, modes } = theme;
  const within = (own: Theme['values'], where: Pick<Place, 'step' | 'mode'>): Theme['values'] =>
    textsIn(own, (text, property, place) => change(text, property, { ...place, ...where }));
  return {
    ...theme,
    values: textsIn(values, change),
    ...(widths ? { widths: widths.map((step) => ({ ...step, values: within(step.values, { step: step.name }) })) } : {}),
    ...(modes ? { modes: modes.map((mode) => ({ ...mode, values: within(mode.values, { mode: mode.name }) })) } : {}),
  };
}

function textsIn(values: Theme['values'], change: (text: string, property: PropertyName, place: Place) => string): Theme['values'] {
  return Object.fromEntries(
    Object.entries(values).map(([part, conditions]) => [
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
}

/** A place and a property in words: `Body rows, even, at narrow: fill`. */
export function placeInWords({ part, condition, step, mode }: Place, property?: PropertyName): string {
  const place = [
    partOf(part).label,
    ...(condition === 'rest' ? [] : [conditionOf(condition).label.toLowerCase()]),
    ...(step ? [`at ${step}`] : []),
    ...(mode ? [modeOf(mode).words] : []),
  ].join(', ');
  return property ? `${place}: ${propertyOf(property).label.toLowerCase()}` : place;
}

/** What is taken back: each of these names more of the theme than the one before. */
export interface Scope {
  readonly parts?: readonly PartName[];
  readonly conditions?: readonly ConditionName[];
  readonly properties?: readonly PropertyName[];
  /** Only what is set at this width step; empty for what is set at every width. */
  readonly step?: string;
  /** Only what is set in this mode; empty for what is set in all of them. */
  readonly mode?: ModeName | '';
}

/** The theme without its own values in a scope, so that they come from above again. A scope that names nothing is everything. */
export function resetValues(theme: Theme, { parts, conditions, properties, step, mode }: Scope): Theme {
  const within = <T>(list: readonly T[] | undefined, item: T): boolean => list === undefined || list.includes(item);
  let changed = theme;
  mapTexts(theme, (text, property, place) => {
    if (
      (step === undefined || step === (place.step ?? '')) &&
      (mode === undefined || mode === (place.mode ?? '')) &&
      within(parts, place.part) &&
      within(conditions, place.condition) &&
      within(properties, property)
    )
      changed = setValue(changed, place, property, undefined);
    return text;
  });
  return changed;
}
