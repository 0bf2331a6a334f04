import {
  NO_EXTRA,
  canFollow,
  canRead,
  isOfColumn,
  isReading,
  isThemeBase,
  modeNames,
  modeOf,
  newestOf,
  ownText,
  places,
  propertiesOf,
  propertyOf,
  readValue,
  swatchesIn,
  writeExtra,
  type Base,
  type Place,
  type Property,
  type PropertyName,
  type Swatch,
  type Theme,
  type ThemeView,
} from '../theme';
import { scaleInWords, told, listChanges, stepChanges, type ThemeChange } from './changes';
import { setExtraCss } from './extra-css';
import { mapTexts, placeInWords, setValue } from './edit-theme';
import { setSwatch } from './swatches';

/** Number of the newest version of the starter that a theme grows from, where that is later than its own; else undefined. */
export function laterVersion({ base }: Theme): number | undefined {
  if (base === null || isThemeBase(base)) return undefined;
  const newest = newestOf(base.starter);
  return newest > base.version ? newest : undefined;
}

/** The theme grown from something else. What it says itself stays. */
export const grownFrom = (theme: Theme, base: Base): Theme => ({ ...theme, base });

/** A new theme that grows from something and says nothing itself yet. */
export const sprout = (name: string, base: Base): Theme => ({ format: 'zest-theme/2', name, base, swatches: [], values: {} });

/** What a theme takes over where it is detached. */
export interface Detached {
  /** The theme, standing where what it grew from stood. It looks as before. */
  readonly theme: Theme;
  /** How many values, swatches and pictures are its own now that were not. */
  readonly taken: number;
  /** How many of them were weaker than what the theme says at some width step, and are stronger now, since a mode is: values of modes. */
  readonly stronger: number;
}

/**
 * A theme detached from what it grows from: what that says and the theme does not becomes its own, and it grows from what that grew
 * from. Nothing looks otherwise, but for what `stronger` counts. Undefined for one that grows from nothing, or from the ground.
 */
export function detached({ chain: [theme, below], vocabulary, steps: inView, extras }: ThemeView): Detached | undefined {
  if (!below?.base) return undefined;
  const extra = extras[1] ?? NO_EXTRA;
  const swatches = together(below.swatches, theme.swatches);
  const pictures = together(below.pictures ?? [], theme.pictures ?? []);
  const steps = [...(theme.widths ?? [])];
  for (const { name, width } of below.widths ?? []) {
    const at = steps.findIndex((each) => each.name === name);
    if (at < 0) steps.push({ name, ...(width === undefined ? {} : { width }), values: {} });
    else if (width !== undefined) steps[at] = { width, ...steps[at], name, values: steps[at]?.values ?? {} };
  }
  const { widths: _, ...rest } = theme;
  const said = (place: Place, property: PropertyName): boolean => {
    const text = ownText(theme, place, property);
    if (text === undefined) return false;
    const read = readValue(propertyOf(property).kind, text, vocabulary);
    return read.ok && (!isOfColumn(read.value) || canFollow(place, propertyOf(property))) && (!isReading(read.value) || canRead(place));
  };
  let made: Theme = {
    ...rest,
    base: below.base,
    swatches,
    ...(below.scale && !theme.scale ? { scale: below.scale } : {}),
    ...(pictures.length > 0 ? { pictures } : {}),
    ...(steps.length > 0 || theme.widths !== undefined ? { widths: steps } : {}),
  };
  for (const { name, swatches: own = [] } of below.modes ?? []) {
    // A colour that the theme says itself is stronger than what lies below has for it in any mode.
    const more = own.filter((each) => !swatchesIn(theme, name).some((mine) => mine.name === each.name));
    made = more.reduce((each, swatch) => setSwatch(each, swatch, name), made);
  }
  let taken = swatches.length - theme.swatches.length + pictures.length - (theme.pictures?.length ?? 0);
  let stronger = 0;
  mapTexts(below, (text, property, place) => {
    const { part, condition, step, mode } = place;
    const always: Place = { part, condition };
    // What its extra CSS says is stronger than its steps, and taken below.
    if (mode === undefined && extra.lineOf(part, condition, property) !== undefined) return text;
    // What a theme says itself is stronger than all that lies below, at wider steps and at every width too.
    const wider = inView.slice(
      0,
      Math.max(
        0,
        inView.findIndex(({ name }) => name === step),
      ),
    );
    const above: readonly Place[] =
      mode !== undefined ? [place, always] : step === undefined ? [place] : [place, always, ...wider.map(({ name }) => ({ ...always, step: name }))];
    if (!above.some((each) => said(each, property))) {
      made = setValue(made, place, property, text);
      taken++;
      if (mode !== undefined && inView.some(({ name }) => said({ ...always, step: name }, property))) stronger++;
    }
    return text;
  });
  mapTexts({ ...below, values: extra.values, widths: [], modes: [] }, (text, property, place) => {
    if (!said(place, property)) {
      made = setValue(made, place, property, text);
      taken++;
    }
    return text;
  });
  const css = writeExtra(extra.rules, extra.keyframes);
  if (css !== '') made = setExtraCss(made, [css, theme.css ?? ''].filter((each) => each !== '').join('\n'));
  return { theme: made, taken, stronger };
}

/** Two lists of named things as one: the lower one's in its order, the upper one's in place of those of the same name, then the rest. */
function together<T extends Pick<Swatch, 'name'>>(below: readonly T[], own: readonly T[]): readonly T[] {
  const has = (list: readonly T[], name: string): T | undefined => list.find((each) => each.name === name);
  return [...below.map((each) => has(own, each.name) ?? each), ...own.filter(({ name }) => !has(below, name))];
}

/**
 * What looks otherwise from one view of a theme to another, whoever says it: swatches, the type scale, width steps, and at each place,
 * at each width, the text that holds there. Where both themes say the same of themselves, it is what their bases make of them.
 */
export function lookChanges(before: ThemeView, after: ThemeView): readonly ThemeChange[] {
  const steps = ['', ...new Set([...before.steps, ...after.steps].map(({ name }) => name))];
  return [
    ...told('Type scale', scaleInWords(before.scale), scaleInWords(after.scale)),
    ...listChanges('Swatch', before.swatches, after.swatches, ({ colour }) => colour),
    ...stepChanges(before.steps, after.steps),
    ...told('Extra CSS', rawCss(before), rawCss(after)),
    ...inModes(before, after),
    ...steps.flatMap((step) => {
      const [was, is] = [before.at(step), after.at(step)];
      return places.flatMap((place) =>
        propertiesOf(place.part).flatMap((property): readonly ThemeChange[] => {
          const at: Place = step === '' ? place : { ...place, step };
          const [from, to] = [heldBy(was, place, property), heldBy(is, place, property)];
          // What holds at every width is told once.
          if (step !== '' && from === heldBy(before.at(''), place, property) && to === heldBy(after.at(''), place, property)) return [];
          return told(placeInWords(at, property.name), from, to);
        }),
      );
    }),
  ];
}

/** What a chain's extra CSS says that values do not; undefined where that is nothing. */
const rawCss = ({ extras }: ThemeView): string | undefined =>
  extras
    .toReversed()
    .map(({ rules, keyframes }) => writeExtra(rules, keyframes))
    .filter((each) => each !== '')
    .join('\n') || undefined;

/** What looks otherwise in modes, at every width, where it does not in all of them. */
function inModes(before: ThemeView, after: ThemeView): readonly ThemeChange[] {
  const names = modeNames.filter((name) => before.modes.includes(name) || after.modes.includes(name));
  return names.flatMap((name) => {
    const [was, is] = [before.in(name), after.in(name)];
    const swatches = listChanges('Swatch', was.swatches, is.swatches, ({ colour }) => colour).filter(
      ({ what }) => !listChanges('Swatch', before.swatches, after.swatches, ({ colour }) => colour).some((each) => each.what === what),
    );
    const values = places.flatMap((place) =>
      propertiesOf(place.part).flatMap((property): readonly ThemeChange[] => {
        const [from, to] = [heldBy(was, place, property), heldBy(is, place, property)];
        if (from === heldBy(before, place, property) && to === heldBy(after, place, property)) return [];
        return told(placeInWords({ ...place, mode: name }, property.name), from, to);
      }),
    );
    return [...swatches.map((change) => ({ ...change, what: `${change.what}, ${modeOf(name).words}` })), ...values];
  });
}

/** The text that holds at a place itself, or undefined where nothing is said there. */
const heldBy = (view: ThemeView, place: Place, { name }: Property): string | undefined => view.said(place, name).find(({ read }) => read.ok)?.text;
