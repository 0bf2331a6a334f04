import { conditionOf, conditions, type ConditionName } from './conditions';
import { lineage, parts, type PartName } from './parts';
import type { Property } from './properties';
import type { Place } from './theme';

/**
 * THE ORDER OF STRENGTH of places, weakest first: whole table, part, its bands, first and last, then the
 * same of a more particular part (row headers), then hovered, then selected. It is worked out from the
 * catalogue: interactive conditions outrank every part, then the more particular part, then the later
 * condition. At one place the theme is stronger than its base theme. The stylesheet writes its rules in
 * this order, so that the browser's cascade and `resolve` follow one list.
 */
export const places: readonly Place[] = parts
  .flatMap((part) => part.conditions.map((condition) => ({ part: part.name, condition })))
  .sort((a, b) => compare(rank(a), rank(b)));

function rank({ part, condition }: Place): readonly number[] {
  const position = conditions.findIndex(({ name }) => name === condition);
  const depth = lineage(part).length;
  return conditionOf(condition).interactive ? [1, position, depth] : [0, depth, position];
}

function compare(a: readonly number[], b: readonly number[]): number {
  const at = a.findIndex((n, i) => n !== b[i]);
  return at < 0 ? 0 : (a[at] ?? 0) - (b[at] ?? 0);
}

/** A slot of a table as a theme sees it: its part, and every condition that holds there. */
export interface Slot {
  readonly part: PartName;
  readonly conditions: readonly ConditionName[];
}

/** The places whose values reach a slot, strongest first. */
export function placesFor(slot: Slot, property: Property): readonly Place[] {
  const line = lineage(slot.part).filter((part) => part === slot.part || reaches(part, slot.part, property));
  return places.filter(({ part, condition }) => line.includes(part) && (condition === 'rest' || slot.conditions.includes(condition))).toReversed();
}

function reaches(from: PartName, to: PartName, property: Property): boolean {
  if (!property.parts.includes(from) || property.falls === 'part') return false;
  return from !== 'table' || !property.stops?.includes(to);
}
