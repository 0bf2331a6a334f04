import { conditionOf, type ConditionName } from './conditions';
import type { ValueKind } from '../values/kinds';
import { outsideParts, parts, partsInCards, type PartName } from './parts';

/** Where a part without a value of its own looks: up to the whole table, or no further than itself. */
export type FallBack = 'table' | 'part';

export interface PropertyDefinition {
  readonly name: string;
  readonly label: string;
  readonly group: string;
  readonly kind: ValueKind;
  readonly parts: readonly PartName[];
  readonly falls: FallBack;
  /** Parts that take nothing from the parts above them all the same: they stand outside those parts' boxes. */
  readonly stops?: readonly PartName[];
  /** Parts that hand nothing of it on to the parts within them: it is of their own box. */
  readonly keeps?: readonly PartName[];
  /** The parts that can take it from the cells of their column (`as its column`), at rest. */
  readonly follows?: readonly PartName[];
  /** The conditions under which it can be set; all that the part has where none are named. */
  readonly conditions?: readonly ConditionName[];
  /** What holds when no theme says anything, in the value's own syntax. */
  readonly initial: string;
  /** What is told of parts of which that is not quite so: what the stylesheet gives them of itself where nothing is said. */
  readonly told?: { readonly [part in PartName]?: string };
  /** The longhand CSS property that the value becomes; lines, pictures, icons and cells are written by modules of their own. */
  readonly css?: string;
}

const headerParts: readonly PartName[] = ['column-headers', 'header-groups', 'corner', 'row-headers', 'group-headings', 'footer'];
const bars: readonly PartName[] = ['search-bar', 'info-line', 'empty-message', 'pager'];
const boxes: readonly PartName[] = [...bars, 'pager-items'];
const cells: readonly PartName[] = ['table', 'column-headers', 'header-groups', 'corner', 'row-headers', 'group-headings', 'body-rows', 'footer'];
/** Of cards: texts, and what is pressed. */
const inCards: readonly PartName[] = ['plan', ...partsInCards];
const pressed: readonly PartName[] = ['action', 'second-action', 'period-switch'];
const texts: readonly PartName[] = ['caption', ...cells, ...boxes, ...inCards, ...pressed];
const rest: readonly ConditionName[] = ['rest'];

const table = 'table' as FallBack;
const part = 'part' as FallBack;
const type = { group: 'Type', parts: texts, falls: table, initial: 'page' };
const fine = { ...type, parts: ['caption', ...cells] as readonly PartName[], conditions: rest };
const space = { group: 'Space and size', parts: texts, falls: table, initial: '0' };
const pad = {
  ...space,
  parts: [...texts, 'search-field', 'buttons'] as readonly PartName[],
  kind: 'length' as ValueKind,
  stops: [...outsideParts, 'plan', 'badge', 'plan-icon', 'period-switch'] as readonly PartName[],
  keeps: ['plan'] as readonly PartName[],
};
const lines = { group: 'Lines', kind: 'line' as ValueKind, parts: ['lines'] as readonly PartName[], falls: part, initial: 'none' };
const box = { group: 'Shape', parts: ['table'] as readonly PartName[], falls: part };
const pictures = { group: 'Picture', parts: ['table', ...headerParts] as readonly PartName[], falls: part, conditions: rest };
/** The conditions of whole rows. */
const ofRows: readonly ConditionName[] = ['rest', 'odd', 'even', 'first', 'last', 'hovered', 'selected', 'focused', 'disabled'];
const ofHand: readonly ConditionName[] = ['hovered', 'selected', 'focused'];
const rows = { ...box, group: 'Rows', parts: ['body-rows'] as readonly PartName[] };
/** What says where the keyboard is: of everything that can be focused by itself. */
const focus = {
  ...box,
  parts: ['column-headers', 'corner', 'links', 'buttons', 'search-field', 'pager-items', ...pressed] as readonly PartName[],
  falls: table,
  conditions: ['focused'] as readonly ConditionName[],
};
/** What counts on paper alone: read as the theme is in print, where the theme has print as a mode, else as it is. */
const paper = { ...box, group: 'On paper', conditions: rest };
const icons = { group: 'Icon', parts: headerParts, falls: table };

/** THE CATALOGUE of properties. Ledger, validation, compile, documentation and the file format read it. */
export const properties = [
  {
    ...type,
    name: 'fill',
    label: 'Fill',
    group: 'Colour',
    kind: 'colour',
    parts: [...texts, 'search-field', 'buttons'],
    // What stands in a card shows the card's.
    stops: [...outsideParts, ...partsInCards, 'period-switch'],
    initial: 'none',
    css: 'background-color',
  },
  {
    ...type,
    name: 'ink',
    label: 'Ink',
    group: 'Colour',
    kind: 'ink',
    parts: [...texts, 'search-field', 'numbers', 'links', 'buttons', 'icons'],
    css: 'color',
  },
  { ...box, name: 'opacity', label: 'Opacity', group: 'Colour', kind: 'share', initial: '100%', css: 'opacity' },
  { ...pictures, name: 'picture', label: 'Picture behind', kind: 'picture', initial: 'none' },
  { ...pictures, name: 'picture-repeat', label: 'Picture repeats', kind: 'repeat', initial: 'both ways' },
  { ...pictures, name: 'picture-size', label: 'Picture size', kind: 'picture-size', initial: 'its own' },
  { ...pictures, name: 'picture-position', label: 'Picture position', kind: 'picture-position', initial: 'left top' },
  { ...type, name: 'font', label: 'Font', kind: 'family', parts: [...texts, 'numbers'], css: 'font-family' },
  { ...type, name: 'size', label: 'Size', kind: 'size', parts: [...texts, 'buttons', 'icons'], css: 'font-size' },
  { ...type, name: 'weight', label: 'Weight', kind: 'weight', parts: [...texts, 'numbers', 'links', 'buttons'], initial: '400', css: 'font-weight' },
  { ...type, name: 'slant', label: 'Slant', kind: 'slant', parts: [...texts, 'numbers', 'links'], css: 'font-style' },
  { ...type, name: 'case', label: 'Case', kind: 'case', initial: 'as typed', css: 'text-transform' },
  { ...type, name: 'letter-spacing', label: 'Letter spacing', kind: 'spacing', initial: 'normal', css: 'letter-spacing' },
  { ...type, name: 'line-height', label: 'Line height', kind: 'leading', css: 'line-height' },
  {
    ...type,
    name: 'underline',
    label: 'Underline',
    kind: 'underline',
    parts: ['links', 'second-action'],
    initial: 'underline',
    css: 'text-decoration',
  },
  {
    ...type,
    name: 'figures',
    label: 'Figures',
    kind: 'figures',
    parts: [...cells, 'numbers', 'price'],
    initial: 'as the font has them',
    css: 'font-variant-numeric',
  },
  { ...fine, name: 'caps', label: 'Small capitals', kind: 'caps', initial: 'as typed', css: 'font-variant-caps' },
  { ...fine, name: 'hyphens', label: 'Hyphens', kind: 'hyphens', initial: 'where typed', css: 'hyphens' },
  { ...fine, name: 'text-shadow', label: 'Shadow of letters', kind: 'text-shadow', initial: 'none', css: 'text-shadow' },
  { ...type, name: 'decimals', label: 'Decimal marks', kind: 'decimals', parts: ['numbers'], conditions: rest, initial: 'as typed' },
  { ...type, name: 'wrap', label: 'Wrapping', kind: 'wrap', parts: cells, initial: 'wrap', css: 'white-space' },
  {
    ...type,
    name: 'reading',
    label: 'Text runs',
    kind: 'reading',
    parts: ['column-headers', 'header-groups', 'corner'],
    conditions: rest,
    initial: 'across',
    css: 'writing-mode',
  },
  {
    ...type,
    name: 'lines-shown',
    label: 'Lines shown',
    kind: 'lines-shown',
    parts: ['body-rows'],
    conditions: rest,
    initial: 'all',
    css: '-webkit-line-clamp',
  },
  {
    ...space,
    name: 'align',
    label: 'Align across',
    kind: 'align',
    parts: [...texts, 'numbers'],
    follows: ['column-headers', 'header-groups'],
    initial: 'start',
    css: 'text-align',
  },
  { ...space, name: 'valign', label: 'Align down', kind: 'valign', parts: cells, initial: 'middle', css: 'vertical-align' },
  { ...pad, name: 'padding-top', label: 'Padding top', css: 'padding-block-start', told: { 'search-field': '0.25em' } },
  { ...pad, name: 'padding-end', label: 'Padding end', css: 'padding-inline-end', told: { 'search-field': '0.5em' } },
  { ...pad, name: 'padding-bottom', label: 'Padding bottom', css: 'padding-block-end', told: { 'search-field': '0.25em' } },
  { ...pad, name: 'padding-start', label: 'Padding start', css: 'padding-inline-start', told: { 'search-field': '0.5em' } },
  { ...space, name: 'room', label: 'Room to the table', kind: 'length', parts: bars, falls: part, conditions: rest },
  { ...space, name: 'row-height', label: 'Least row height', kind: 'height', parts: cells, initial: 'auto', css: 'height' },
  {
    ...space,
    name: 'width',
    label: 'Width',
    kind: 'width',
    parts: ['table', 'row-headers'],
    falls: part,
    conditions: rest,
    initial: 'content',
    css: 'width',
  },
  { ...box, name: 'edge-room', label: 'Room at its edge', group: 'Space and size', kind: 'length', initial: '0', css: 'padding' },
  { ...box, name: 'sits', label: 'Sits', group: 'Space and size', kind: 'sits', conditions: rest, initial: 'start', css: 'margin-inline' },
  { ...box, name: 'layout', label: 'Columns', kind: 'layout', initial: 'by content', css: 'table-layout' },
  { ...box, name: 'arrangement', label: 'Arrangement', kind: 'arrangement', conditions: rest, initial: 'as it is' },
  { ...space, name: 'side', label: 'Stands', kind: 'side', parts: ['caption'], falls: part, initial: 'above', css: 'caption-side' },
  {
    ...type,
    name: 'band',
    label: 'Even means every',
    group: 'Bands',
    kind: 'band',
    parts: ['body-rows'],
    falls: part,
    conditions: rest,
    initial: '2nd',
  },
  { ...icons, name: 'icon', label: 'Icon', kind: 'icon', parts: [...headerParts, 'feature'], initial: 'none' },
  { ...icons, name: 'icon-side', label: 'Icon stands', kind: 'icon-side', conditions: rest, initial: 'before' },
  {
    ...box,
    name: 'radius',
    label: 'Corner radius',
    kind: 'length',
    parts: ['table', ...boxes, 'search-field', 'buttons', 'plan', 'badge', ...pressed],
    initial: '0',
    told: { 'search-field': 'as its bar' },
    css: 'border-radius',
  },
  {
    ...box,
    name: 'shadow',
    label: 'Shadow',
    kind: 'shadow',
    parts: ['table', ...boxes, 'search-field', 'buttons', 'plan', 'badge', ...pressed],
    initial: 'none',
    css: 'box-shadow',
  },
  {
    ...box,
    name: 'edge',
    label: 'Line around',
    kind: 'line',
    parts: [...boxes, 'search-field', 'buttons', 'plan', 'badge', ...pressed],
    initial: 'none',
    told: { 'search-field': '1px solid, in its ink', plan: 'as the table’s outer lines' },
    css: 'border',
  },
  { ...focus, name: 'outline', label: 'Line of the focus', kind: 'outline', initial: 'as the browser has it', css: 'outline' },
  { ...focus, name: 'outline-offset', label: 'Stands off by', kind: 'offset', initial: '0', css: 'outline-offset' },
  { ...box, name: 'cells', label: 'Cells', kind: 'cells', initial: 'joined' },
  { ...box, name: 'gap', label: 'Gap when spaced', kind: 'gap', initial: '0', css: 'border-spacing' },
  { ...box, name: 'transition', label: 'Changes go', kind: 'transition', conditions: rest, initial: 'at once' },
  { ...box, name: 'look', label: 'Own look', kind: 'switch', parts: headerParts, conditions: rest, initial: 'on' },
  { ...box, name: 'shown', label: 'Shown', kind: 'switch', parts: bars, conditions: rest, initial: 'on' },
  { ...rows, name: 'row-radius', label: 'Corners of a row', kind: 'length', conditions: rest, initial: '0' },
  { ...rows, name: 'row-shadow', label: 'Shadow of a row', kind: 'shadow', conditions: ofRows, initial: 'none', css: 'box-shadow' },
  { ...rows, name: 'row-line', label: 'Line around a row', kind: 'outline', conditions: ofHand, initial: 'as the browser has it', css: 'outline' },
  { ...rows, name: 'bar', label: 'Bar at its start', kind: 'bar', conditions: ofRows, initial: 'none', css: 'box-shadow' },
  { ...paper, name: 'repeats', label: 'On each sheet again', kind: 'repeats', initial: 'header' },
  { ...paper, name: 'sheet', label: 'Sheet', kind: 'sheet', initial: 'as it comes' },
  { ...paper, name: 'too-wide', label: 'Wider than the sheet', kind: 'too-wide', initial: 'smaller' },
  { ...paper, name: 'smallest', label: 'Smaller down to', kind: 'scale', initial: '60%' },
  { ...paper, name: 'addresses', label: 'Addresses of links', kind: 'switch', initial: 'off' },
  { ...paper, name: 'printed-fills', label: 'Fills are printed', kind: 'printed-fills', initial: 'if asked for' },
  { ...box, name: 'between-plans', label: 'Room between plans', group: 'Cards', kind: 'length', parts: ['plan'], conditions: rest, initial: '16px' },
  {
    ...box,
    name: 'outward',
    label: 'Grows outward by',
    group: 'Cards',
    kind: 'length',
    parts: ['plan'],
    conditions: ['featured'] as readonly ConditionName[],
    initial: '0',
  },
  { ...box, name: 'least-width', label: 'At least as wide', group: 'Cards', kind: 'length', parts: ['plan'], conditions: rest, initial: '13rem' },
  { ...box, name: 'badge-place', label: 'Stands', group: 'Cards', kind: 'badge-place', parts: ['badge'], conditions: rest, initial: 'as texts do' },
  { ...box, name: 'sign-size', label: 'Size of the currency', group: 'Cards', kind: 'share', parts: ['price'], initial: '100%' },
  { ...box, name: 'cents-size', label: 'Size of the cents', group: 'Cards', kind: 'share', parts: ['price'], initial: '100%' },
  { ...lines, name: 'outer-top', label: 'Outer, top' },
  { ...lines, name: 'outer-end', label: 'Outer, end' },
  { ...lines, name: 'outer-bottom', label: 'Outer, bottom' },
  { ...lines, name: 'outer-start', label: 'Outer, start' },
  { ...lines, name: 'rows', label: 'Between rows' },
  { ...lines, name: 'above-even-rows', label: 'Above even rows' },
  { ...lines, name: 'below-even-rows', label: 'Below even rows' },
  { ...lines, name: 'after-first-row', label: 'After the first row' },
  { ...lines, name: 'before-last-row', label: 'Before the last row' },
  { ...lines, name: 'columns', label: 'Between columns' },
  { ...lines, name: 'after-first-column', label: 'After the first column' },
  { ...lines, name: 'before-last-column', label: 'Before the last column' },
  { ...lines, name: 'header-columns', label: 'Between column headers' },
  { ...lines, name: 'beside-row-headers', label: 'Beside the row headers' },
  { ...lines, name: 'between-tiers', label: 'Between header tiers' },
  { ...lines, name: 'under-header', label: 'Under the header' },
  { ...lines, name: 'above-footer', label: 'Above the footer' },
  { ...lines, name: 'under-caption', label: 'Under the caption' },
  // Of one table's columns, rows and cells only: a theme has lines for what they stand between.
  { ...lines, name: 'line-above', label: 'Line above', parts: [] as readonly PartName[] },
  { ...lines, name: 'line-before', label: 'Line before', parts: [] as readonly PartName[] },
  // Of one table's columns only.
  { ...lines, name: 'frame', label: 'Frame around it', parts: [] as readonly PartName[] },
  { ...lines, name: 'frame-radius', label: 'Corners of the frame', kind: 'length', parts: [] as readonly PartName[], initial: '0' },
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
export const propertiesOf = (name: PartName): readonly Property[] => byPart.get(name) ?? [];

const byPart = new Map<PartName, readonly Property[]>(
  parts.map(({ name }) => [name, properties.filter((property) => (property.parts as readonly PartName[]).includes(name))]),
);

/** Whether a property can be set under a condition of a part that has both. */
export const canBeSet = ({ name, conditions }: Property, condition: ConditionName): boolean =>
  (conditions === undefined || conditions.includes(condition)) && conditionOf(condition).sets?.includes(name) !== false;

/** Sides that are set together by one text (`7px 12px`), in the order in which CSS names them. */
export const bundles = [
  { name: 'padding', label: 'Padding', sides: ['padding-top', 'padding-end', 'padding-bottom', 'padding-start'] },
  { name: 'outer', label: 'Outer, all sides', sides: ['outer-top', 'outer-end', 'outer-bottom', 'outer-start'] },
] as const satisfies readonly { name: string; label: string; sides: readonly PropertyName[] }[];
export type BundleName = (typeof bundles)[number]['name'];
