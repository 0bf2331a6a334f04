import {
  conditionNames,
  partNames,
  placeAt,
  propertiesOf,
  isThemeBase,
  modeIn,
  modes,
  propertyOf,
  type ModeName,
  type Place,
  type PropertyName,
  type Theme,
  type ThemeView,
  type TypeScale,
  type WidthStep,
} from '../theme';
import { placeInWords } from './edit-theme';
import { dequal } from 'dequal/lite';

/** One difference between two themes, in words and as what stood and stands there. */
export interface ThemeChange {
  readonly what: string;
  /** What was there; undefined where nothing was set. */
  readonly before: string | undefined;
  readonly after: string | undefined;
  /** Where, for a value. */
  readonly place?: Place;
  readonly property?: PropertyName;
}

/** What changed from one state of a theme to another, in the order of the anatomy. */
export function changesBetween({ theme: before, ...was }: ThemeView, { theme: after, ...is }: ThemeView): readonly ThemeChange[] {
  return [
    ...told('Name', before.name, after.name),
    ...told('Grows from', baseInWords(was), baseInWords(is)),
    ...told('Type scale', scaleInWords(before.scale), scaleInWords(after.scale)),
    ...listChanges('Swatch', before.swatches, after.swatches, ({ colour }) => colour),
    ...stepChanges(was.steps, is.steps),
    ...listChanges('Picture', before.pictures ?? [], after.pictures ?? [], ({ media }) => media),
    ...valueChanges(before, after),
    ...widthChanges(before, after),
    ...modeChanges(before, after),
    ...told('Extra CSS', before.css, after.css),
    ...told('Collection', before.collection, after.collection),
    ...told('Tags', before.tags?.join(', '), after.tags?.join(', ')),
  ];
}

/** What a theme grows from: a starter by name and version, another theme by name. */
export function baseInWords({ chain: [{ base }, below] }: Pick<ThemeView, 'chain'>): string {
  if (!base || !below) return 'nothing';
  if (isThemeBase(base)) return below.base === null ? 'a theme that is gone' : below.name;
  return `${below.name}, version ${base.version}`;
}

/** Width steps that came, went or begin elsewhere. */
export const stepChanges = (before: ThemeView['steps'], after: ThemeView['steps']): readonly ThemeChange[] =>
  listChanges('Width step', before, after, ({ width }) => `${width}px and narrower`);

export const told = (what: string, before: string | undefined, after: string | undefined): readonly ThemeChange[] =>
  before === after ? [] : [{ what, before, after }];

export const scaleInWords = (scale: TypeScale | undefined): string | undefined =>
  scale && `base ${scale.base}px, ratio ${scale.ratio}, ${scale.steps.map(({ name }) => name).join(' ')}`;

export function listChanges<T extends { readonly name: string }>(
  what: string,
  before: readonly T[],
  after: readonly T[],
  say: (item: T) => string,
): readonly ThemeChange[] {
  const names = [...new Set([...before, ...after].map(({ name }) => name))];
  const find = (items: readonly T[], name: string): string | undefined => {
    const item = items.find((each) => each.name === name);
    return item && say(item);
  };
  return names.flatMap((name) => told(`${what} ${name}`, find(before, name), find(after, name)));
}

/** What changed at each width step. */
function widthChanges(before: Theme, after: Theme): readonly ThemeChange[] {
  const [was, is] = [before.widths ?? [], after.widths ?? []];
  const names = [...new Set([...was, ...is].map(({ name }) => name))];
  return names.flatMap((name) => {
    const valuesIn = (steps: readonly WidthStep[]): Theme['values'] => steps.find((step) => step.name === name)?.values ?? {};
    const [from, to] = [valuesIn(was), valuesIn(is)];
    return from === to ? [] : valueChanges({ ...before, values: from }, { ...after, values: to }, name);
  });
}

/** What changed in each mode: colours of swatches, and values. */
const modeChanges = (before: Theme, after: Theme): readonly ThemeChange[] =>
  modes.flatMap(({ name, words }) => {
    const [was, is] = [modeIn(before, name), modeIn(after, name)];
    if (was === is) return [];
    return [
      ...listChanges('Swatch', was?.swatches ?? [], is?.swatches ?? [], ({ colour }) => colour).map((change) => ({
        ...change,
        what: `${change.what}, ${words}`,
      })),
      ...valueChanges({ ...before, values: was?.values ?? {} }, { ...after, values: is?.values ?? {} }, '', name),
    ];
  });

function valueChanges(before: Theme, after: Theme, step = '', mode: ModeName | '' = ''): readonly ThemeChange[] {
  return partNames.flatMap((part) => {
    if (dequal(before.values[part], after.values[part])) return [];
    return conditionNames.flatMap((condition) =>
      propertiesOf(part).flatMap(({ name }): readonly ThemeChange[] => {
        const [was, is] = [before.values[part]?.[condition]?.[name], after.values[part]?.[condition]?.[name]];
        const place = placeAt({ part, condition }, step, mode);
        return was === is ? [] : [{ what: placeInWords(place, propertyOf(name).name), before: was, after: is, place, property: name }];
      }),
    );
  });
}
