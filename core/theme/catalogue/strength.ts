import { conditionOf, conditions, tiers, type ConditionName } from './conditions';
import { lineage, partOf, parts, type PartName } from './parts';
import type { Property } from './properties';
import type { Excepted } from './excepted';
import type { Place } from '../theme';

/**
 * THE ORDER OF STRENGTH of places, weakest first: whole table, part, its bands, first and last, then the
 * same of a more particular part (header groups, corner, row headers, numbers), then sorted columns, then
 * what the visitor's hand brings. It is worked out from the catalogue: a later tier outranks every part of
 * an earlier one; within the first tier the more particular part, then the later condition wins; within the
 * others the later condition, then the more particular part. At one place the theme is stronger than its
 * base theme. What one table has beside its theme stands between the sorted columns and the hand: a column's, then
 * a row's, then a cell's; a cell's that always holds is the strongest of all. The stylesheet writes its rules in this order, so that the browser's cascade and `resolve`
 * follow one list.
 */
export const places: readonly Place[] = parts
  .flatMap((part) => part.conditions.map((condition) => ({ part: part.name, condition })))
  .sort((a, b) => compare(rank(a), rank(b)));

function rank({ part, condition }: Place): readonly number[] {
  const position = conditions.findIndex(({ name }) => name === condition);
  const tier = tiers.indexOf(conditionOf(condition).tier);
  const { depth } = partOf(part);
  return tier > 0 ? [tier, position, depth] : [tier, depth, position];
}

function compare(a: readonly number[], b: readonly number[]): number {
  const at = a.findIndex((n, i) => n !== b[i]);
  return at < 0 ? 0 : (a[at] ?? 0) - (b[at] ?? 0);
}

/** A slot of a table as a theme sees it: its part, and every condition that holds there. */
export interface Slot {
  readonly part: PartName;
  readonly conditions: readonly ConditionName[];
  /** Parts that it belongs to beside its own: a number in a body row or in the footer. */
  readonly also?: readonly PartName[];
  /** What its column, its row and itself have beside the theme, weakest first. */
  readonly excepted?: readonly Excepted[];
  /** For what stands in a cell: the cell. Without one, a body row at rest. */
  readonly inside?: Slot;
}

const bodyAtRest: Slot = { part: 'body-rows', conditions: [] };

/** What a slot stands in, so that its em and its inherited values refer to it: a cell, a bar, or nothing but the page. */
export function containerOf({ part, conditions: holds, inside }: Slot): Slot | undefined {
  const { box, within } = partOf(part);
  if (box === 'cards')
    return part === 'plan' || part === 'period-switch' ? undefined : { part: 'plan', conditions: holds.filter((each) => each === 'featured') };
  if (box === 'content') return inside ?? bodyAtRest;
  return box === 'around' && within !== undefined && within !== 'table' ? { part: within, conditions: [] } : undefined;
}

/** What can say something of a slot's property: a place of the theme, or what its table has beside the theme. */
export type Sayer = Place | Excepted;

const isOfHand = ({ condition }: Place): boolean => conditionOf(condition).tier === 'hand';

/**
 * Everything that can say something of a property of a slot, strongest first: exceptions that always hold, what the hand brings,
 * the other exceptions, then the places at which the theme says what holds without a hand.
 */
export function sayersFor(slot: Slot, property: Property): readonly Sayer[] {
  const places = placesFor(slot, property);
  const saying = slot.excepted?.filter(({ values }) => values[property.name] !== undefined) ?? [];
  if (saying.length === 0) return places;
  const strongest = saying.toReversed();
  return [
    ...strongest.filter(({ always }) => always),
    ...places.filter(isOfHand),
    ...strongest.filter(({ always }) => !always),
    ...places.filter((place) => !isOfHand(place)),
  ];
}

const found = new Map<string, readonly Place[]>();

/** The places whose values reach a slot, strongest first. The catalogue does not change, so each answer is worked out once. */
export function placesFor(slot: Slot, property: Property): readonly Place[] {
  const key = `${property.name} ${slot.part} ${slot.conditions.join(' ')} ${slot.also?.join(' ') ?? ''}`;
  const known = found.get(key);
  if (known) return known;
  const places = findPlaces(slot, property);
  found.set(key, places);
  return places;
}

function findPlaces(slot: Slot, property: Property): readonly Place[] {
  const own = [slot.part, ...(slot.also ?? [])];
  const { like, takes } = partOf(slot.part);
  const more = [...(takes === undefined ? [] : [takes]), ...(like === undefined || property.group === 'Colour' ? [] : lineage(like))];
  const line = [...new Set([...own, ...lineage(slot.part).slice(1), ...more])].filter((part) => reaches(part, slot.part, own, property));
  return places.filter(({ part, condition }) => line.includes(part) && (condition === 'rest' || slot.conditions.includes(condition))).toReversed();
}

function reaches(from: PartName, to: PartName, own: readonly PartName[], property: Property): boolean {
  if (!property.parts.includes(from)) return false;
  // What every part falls back to is not taken whole: it hands on what it has for others, unless that is of its own box alone.
  if (partOf(to).takes === from && (from !== 'table' || property.falls === 'part')) return true;
  if (from !== to && property.keeps?.includes(from) === true) return false;
  return own.includes(from) || (property.falls === 'table' && !property.stops?.includes(to));
}
