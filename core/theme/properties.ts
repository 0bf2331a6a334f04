import type { PartName } from './parts';

/** How a value is written and read: one parser for each kind, in values.ts. */
export type ValueKind =
  'colour' | 'family' | 'size' | 'weight' | 'case' | 'spacing' | 'leading' | 'align' | 'valign' | 'length' | 'height' | 'line' | 'cells';

/** Where a part without a value of its own looks: up to the whole table, or no further than itself. */
export type FallBack = 'table' | 'part';

export interface PropertyDefinition {
  readonly name: string;
  readonly label: string;
  readonly group: string;
  readonly kind: ValueKind;
  readonly parts: readonly PartName[];
  readonly falls: FallBack;
  /** Parts that do not take the whole table's value all the same: the caption stands outside the table's box. */
  readonly stops?: readonly PartName[];
  /** What holds when no theme says anything, in the value's own syntax. */
  readonly initial: string;
  /** The longhand CSS property that the value becomes; lines and cells are written by their own module. */
  readonly css?: string;
}

const cells: readonly PartName[] = ['table', 'column-headers', 'row-headers', 'body-rows', 'footer'];
const texts: readonly PartName[] = ['caption', ...cells];
const type = { group: 'Type', parts: texts, falls: 'table' as FallBack, initial: 'page' };
const pad = {
  group: 'Space and size',
  kind: 'length' as ValueKind,
  parts: texts,
  falls: 'table' as FallBack,
  initial: '0',
  stops: ['caption'] as readonly PartName[],
};
const space = { group: 'Space and size', parts: texts, falls: 'table' as FallBack, initial: '0' };
const lines = { group: 'Lines', kind: 'line' as ValueKind, parts: ['lines'] as readonly PartName[], falls: 'part' as FallBack, initial: 'none' };
const box = { group: 'Shape', parts: ['table'] as readonly PartName[], falls: 'part' as FallBack };

/** THE CATALOGUE of properties. Ledger, validation, compile, documentation and the file format read it. */
export const properties = [
  {
    name: 'fill',
    label: 'Fill',
    group: 'Colour',
    kind: 'colour',
    parts: texts,
    falls: 'table',
    stops: ['caption'],
    initial: 'none',
    css: 'background-color',
  },
  { name: 'ink', label: 'Ink', group: 'Colour', kind: 'colour', parts: texts, falls: 'table', initial: 'page', css: 'color' },
  { ...type, name: 'font', label: 'Font', kind: 'family', css: 'font-family' },
  { ...type, name: 'size', label: 'Size', kind: 'size', css: 'font-size' },
  { ...type, name: 'weight', label: 'Weight', kind: 'weight', initial: '400', css: 'font-weight' },
  { ...type, name: 'case', label: 'Case', kind: 'case', initial: 'as typed', css: 'text-transform' },
  { ...type, name: 'letter-spacing', label: 'Letter spacing', kind: 'spacing', initial: 'normal', css: 'letter-spacing' },
  { ...type, name: 'line-height', label: 'Line height', kind: 'leading', css: 'line-height' },
  { ...space, name: 'align', label: 'Align across', kind: 'align', initial: 'start', css: 'text-align' },
  { ...space, name: 'valign', label: 'Align down', kind: 'valign', parts: cells, initial: 'middle', css: 'vertical-align' },
  { ...pad, name: 'padding-top', label: 'Padding top', css: 'padding-block-start' },
  { ...pad, name: 'padding-end', label: 'Padding end', css: 'padding-inline-end' },
  { ...pad, name: 'padding-bottom', label: 'Padding bottom', css: 'padding-block-end' },
  { ...pad, name: 'padding-start', label: 'Padding start', css: 'padding-inline-start' },
  { ...space, name: 'row-height', label: 'Least row height', kind: 'height', parts: cells, initial: 'auto', css: 'height' },
  { ...box, name: 'radius', label: 'Corner radius', kind: 'length', initial: '0', css: 'border-radius' },
  { ...box, name: 'cells', label: 'Cells', kind: 'cells', initial: 'joined' },
  { ...box, name: 'gap', label: 'Gap when spaced', kind: 'length', initial: '0', css: 'border-spacing' },
  { ...lines, name: 'outer-top', label: 'Outer, top' },
  { ...lines, name: 'outer-end', label: 'Outer, end' },
  { ...lines, name: 'outer-bottom', label: 'Outer, bottom' },
  { ...lines, name: 'outer-start', label: 'Outer, start' },
  { ...lines, name: 'rows', label: 'Between rows' },
  { ...lines, name: 'columns', label: 'Between columns' },
  { ...lines, name: 'under-header', label: 'Under the header' },
  { ...lines, name: 'above-footer', label: 'Above the footer' },
] as const satisfies readonly PropertyDefinition[];

export type PropertyName = (typeof properties)[number]['name'];
export const propertyNames: readonly PropertyName[] = properties.map(({ name }) => name);
export type Property = PropertyDefinition & { readonly name: PropertyName };

const byName = new Map<string, Property>(properties.map((property) => [property.name, property]));

export function propertyOf(name: PropertyName): Property {
  const found = byName.get(name);
  if (!found) throw new RangeError(`There is no property "${name}"`);
  return found;
}

/** The properties that a part has, in the catalogue's order. */
export const propertiesOf = (part: PartName): readonly Property[] => byPart.get(part) ?? [];

const byPart = new Map(
  [...new Set(properties.flatMap(({ parts }) => parts))].map((part) => [part, properties.filter(({ parts }) => parts.includes(part))] as const),
);

/** Sides that are set together by one text (`7px 12px`), in the order in which CSS names them. */
export const bundles = [
  { name: 'padding', label: 'Padding', sides: ['padding-top', 'padding-end', 'padding-bottom', 'padding-start'] },
  { name: 'outer', label: 'Outer, all sides', sides: ['outer-top', 'outer-end', 'outer-bottom', 'outer-start'] },
] as const satisfies readonly { name: string; label: string; sides: readonly PropertyName[] }[];
export type BundleName = (typeof bundles)[number]['name'];
