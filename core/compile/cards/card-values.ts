import { lineAt } from '../../lines';
import { cardFill } from '../../paint';
import { fontSize, toPx, winnerAt } from '../../resolve';
import {
  containerOf,
  isReading,
  propertiesOf,
  propertyOf,
  type ConditionName,
  type PartName,
  type Property,
  type Slot,
  type ThemeView,
} from '../../theme';
import type { Declaration } from '../sheet/stylesheet';
import { readingVariable } from './reading-inks';

/** What a part of cards is given before its theme says anything (`card-rules.ts` writes it). */
export const INHERITED: ReadonlySet<string> = new Set([
  'color',
  'font-family',
  'font-size',
  'font-weight',
  'font-style',
  'font-variant-numeric',
  'line-height',
  'letter-spacing',
  'text-transform',
  'text-align',
]);

/** What modules of their own write, or what is no declaration by itself. */
const elsewhere: ReadonlySet<string> = new Set(['edge', 'icon', 'between-plans', 'outward', 'least-width', 'badge-place', 'sign-size', 'cents-size']);

/** Whether a value is measured by the type of what it stands on, so that it means another thing where that is inherited. */
const isMeasured = (css: string): boolean => /\d(?:em|%)/.test(css);

const sides = ['top', 'end', 'bottom', 'start'] as const;
const outer = { top: 'outer-top', end: 'outer-end', bottom: 'outer-bottom', start: 'outer-start' } as const;
const logical = { top: 'border-block-start', end: 'border-inline-end', bottom: 'border-block-end', start: 'border-inline-start' } as const;

/** A card's own line or, where nothing is said of it, the table's outer ones. */
function edgeOf(view: ThemeView, slot: Slot): readonly Declaration[] {
  const { value, place } = winnerAt(view, slot, 'edge');
  if (slot.part !== 'plan') return [['border', value.css]];
  return sides.map((side) => [logical[side], place ? value.css : lineAt(view, outer[side]).css] as const);
}

/** What a property comes to on a slot. What is the same on the card is inherited from there. */
function declared(view: ThemeView, slot: Slot, property: Property): readonly Declaration[] {
  const { css = '', name } = property;
  const { value, place } = winnerAt(view, slot, name);
  if (isReading(value)) return [[css, `var(${readingVariable(view, slot)})`]];
  const container = containerOf(slot);
  if (!INHERITED.has(css) || !container) return [[css, place || !INHERITED.has(css) ? value.css : 'inherit']];
  const around = winnerAt(view, container, name).place;
  const isHandedOn = around?.part === place?.part && around?.condition === place?.condition && (css === 'font-size' || !isMeasured(value.css));
  return [[css, isHandedOn ? 'inherit' : value.css]];
}

/** Everything that a part of cards is given under conditions that hold together. */
export function cardValues(view: ThemeView, part: PartName, conditions: readonly ConditionName[]): readonly Declaration[] {
  const slot: Slot = { part, conditions };
  return propertiesOf(part).flatMap((property): readonly Declaration[] => {
    if (property.name === 'edge') return edgeOf(view, slot);
    if (property.name === 'fill') return [['background-color', cardFill(view, slot)?.css ?? 'transparent']];
    return property.css === undefined || elsewhere.has(property.name) ? [] : declared(view, slot, property);
  });
}

/** The picture of the mark before a feature; `none` for none. */
export const markOfFeature = (view: ThemeView, conditions: readonly ConditionName[]): string =>
  winnerAt(view, { part: 'feature', conditions }, 'icon').value.css;

/**
 * A length or a share that is said of a part for its cards, as CSS. What is between cards is written on their list too, whose type may be
 * another: what is measured by the card's own is said in the root's.
 */
export function cardLength(
  view: ThemeView,
  part: PartName,
  name: 'between-plans' | 'outward' | 'least-width' | 'sign-size' | 'cents-size',
  conditions: readonly ConditionName[] = [],
): string {
  const slot: Slot = { part, conditions };
  const { value } = winnerAt(view, slot, name);
  if (part !== 'plan' || value.kind !== 'length' || value.unit !== 'em') return value.css;
  return `${Math.round((toPx(value, fontSize(view, slot)) / 16) * 1000) / 1000}rem`;
}

/** The initial of a property that is not inherited, as `card-rules.ts` levels it. */
export const initialOf = (view: ThemeView, css: string): string => {
  if (INHERITED.has(css)) return 'inherit';
  const borders: readonly string[] = Object.values(logical);
  if (css === 'border' || borders.includes(css)) return 'none';
  if (css.startsWith('padding-')) return '0';
  if (css === 'background-color') return 'transparent';
  if (css === 'outline') return view.initial(propertyOf('outline')).css;
  if (css === 'outline-offset') return '0';
  return css === 'border-radius' ? '0' : 'none';
};
