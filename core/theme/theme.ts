import type { ConditionName } from './catalogue/conditions';
import type { ModeName } from './catalogue/modes';
import type { PartName } from './catalogue/parts';
import type { PropertyName } from './catalogue/properties';
import type { TypeScale } from './type-scale';

/** A named colour that values can refer to. The name is lower case: letters, digits and hyphens. */
export interface Swatch {
  readonly name: string;
  /** A CSS colour. */
  readonly colour: string;
}

/** A picture that the theme brings: its name in values, and the id under which the media shelf keeps the file. */
export interface Picture {
  readonly name: string;
  readonly media: string;
}

/** The values of one part under one condition, as texts in the value syntax. */
export type Values = { readonly [property in PropertyName]?: string };
export type PartValues = { readonly [condition in ConditionName]?: Values };

/** Values that hold where the container is narrow: the box around the frame of the table, not the screen. */
export interface WidthStep {
  /** Like a swatch's: lower-case letters, digits and hyphens. */
  readonly name: string;
  /** The widest container at which it holds, in px. Without one, as wide as what the theme grows from says of the step of this name. */
  readonly width?: number;
  readonly values: Theme['values'];
}

/** What a theme says in one mode: other colours for swatches, by their names, and other values. */
export interface Mode {
  readonly name: ModeName;
  readonly swatches?: readonly Swatch[];
  readonly values: Theme['values'];
}

/** A starter, in the version that it is in. A later version of it changes nothing here. */
export interface StarterBase {
  readonly starter: string;
  /** From 1. */
  readonly version: number;
}
/** Another theme, by its id: as it is in the tool, and in an edition as that edition names it. */
export interface ThemeBase {
  readonly theme: string;
}
/** What a theme grows from. */
export type Base = StarterBase | ThemeBase;
export const isThemeBase = (base: Base | null): base is ThemeBase => base !== null && 'theme' in base;

/** A theme as it is kept and exchanged: `"format": "zest-theme/2"`, described in docs/theme-format.md. */
export interface Theme {
  readonly format: 'zest-theme/2';
  readonly name: string;
  /** The base theme; null for the ground alone, which grows from nothing. */
  readonly base: Base | null;
  /** Its own swatches; one of the same name in the base theme gives way. */
  readonly swatches: readonly Swatch[];
  /** Its own type scale; without one, the base theme's holds. */
  readonly scale?: TypeScale;
  /** Pictures of its own, beside those of the media shelf. */
  readonly pictures?: readonly Picture[];
  readonly values: { readonly [part in PartName]?: PartValues };
  /** Its width steps, in any order; without them, it has the usual two, at which nothing differs. */
  readonly widths?: readonly WidthStep[];
  /** What differs in modes, each mode once. */
  readonly modes?: readonly Mode[];
  /** Extra CSS, as it was typed: what the ledger cannot say. */
  readonly css?: string;
  /** Where it lies in the library; no part of what is published. */
  readonly collection?: string;
  readonly tags?: readonly string[];
  /** What other programs keep with design tokens (`$extensions`), by the tokens' paths; given back, and never read. */
  readonly extensions?: Readonly<Record<string, unknown>>;
  /** Of a theme that came in a newer format: that, and the fields of it that are not known here; given back, and never read. */
  readonly apart?: { readonly format: string; readonly fields: Readonly<Record<string, unknown>> };
}

export const THEME_FORMAT = 'zest-theme/2';

/** The theme without where it lies in the library, and what others keep with it: what is published. */
export function withoutOrder({ collection: _collection, tags: _tags, extensions: _extensions, apart: _apart, ...theme }: Theme): Theme {
  return theme;
}

/** A place where a value can be set. */
export interface Place {
  readonly part: PartName;
  readonly condition: ConditionName;
  /** Name of a width step; without one, at every width. */
  readonly step?: string;
  /** The mode in which it holds, at every width; without one, in all of them. */
  readonly mode?: ModeName;
}

/** The text set at a place of this very theme, or undefined. */
export const ownText = (theme: Theme, { part, condition, ...where }: Place, property: PropertyName): string | undefined =>
  valuesAt(theme, where)[part]?.[condition]?.[property];

/** What a theme says itself in a mode, or undefined. */
export const modeIn = (theme: Theme, mode: ModeName | ''): Mode | undefined => theme.modes?.find(({ name }) => name === mode);

/** Every list of values of a theme: at every width, at its steps, in its modes. */
export const valueLists = (theme: Theme): readonly Theme['values'][] => [
  theme.values,
  ...(theme.widths ?? []).map(({ values }) => values),
  ...(theme.modes ?? []).map(({ values }) => values),
];

/** What a theme says itself at a width step, in a mode, or in all of them. */
export function valuesAt(theme: Theme, { step, mode }: Pick<Place, 'step' | 'mode'>): Theme['values'] {
  if (mode !== undefined) return modeIn(theme, mode)?.values ?? {};
  return step === undefined ? theme.values : (theme.widths?.find(({ name }) => name === step)?.values ?? {});
}

/** How many values a theme sets itself. */
export const countValues = (theme: Theme): number =>
  valueLists(theme)
    .flatMap((values) => Object.values(values))
    .flatMap((part) => Object.values(part))
    .reduce((sum, values) => sum + Object.keys(values).length, 0);
