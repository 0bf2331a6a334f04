/**
 * Conditions: when a value holds. `tier` says what brings it and how strong that makes it: `place`, where a
 * cell stands; `column`, that its column is sorted; `hand`, what comes and goes under the visitor's hand. A
 * later tier is stronger than any earlier one; within a tier the later row of this list wins.
 */
export const conditions = [
  { name: 'rest', label: 'At rest', tier: 'place' },
  { name: 'odd', label: 'Odd', tier: 'place' },
  { name: 'even', label: 'Even', tier: 'place' },
  { name: 'odd-columns', label: 'Odd columns', tier: 'place' },
  { name: 'even-columns', label: 'Even columns', tier: 'place' },
  { name: 'first', label: 'First', tier: 'place' },
  { name: 'last', label: 'Last', tier: 'place' },
  { name: 'negative', label: 'Negative', tier: 'place' },
  { name: 'sorted', label: 'Sorted column', tier: 'column' },
  { name: 'sorted-odd', label: 'Sorted, odd', tier: 'column' },
  { name: 'sorted-even', label: 'Sorted, even', tier: 'column' },
  { name: 'column-hovered', label: 'Column hovered', tier: 'hand' },
  { name: 'hovered', label: 'Hovered', tier: 'hand' },
  { name: 'pressed', label: 'Pressed', tier: 'hand' },
  { name: 'selected', label: 'Selected', tier: 'hand' },
  { name: 'current', label: 'Current', tier: 'hand' },
  { name: 'focused', label: 'Focused', tier: 'hand' },
  { name: 'disabled', label: 'Disabled', tier: 'hand' },
] as const;

export type ConditionName = (typeof conditions)[number]['name'];
export const conditionNames: readonly ConditionName[] = conditions.map(({ name }) => name);

export type Tier = (typeof conditions)[number]['tier'];
export const tiers: readonly Tier[] = ['place', 'column', 'hand'];

export interface Condition {
  readonly name: ConditionName;
  readonly label: string;
  readonly tier: Tier;
}

const byName = new Map<string, Condition>(conditions.map((condition) => [condition.name, condition]));

export function conditionOf(name: ConditionName): Condition {
  const found = byName.get(name);
  if (!found) throw new RangeError(`There is no condition "${name}"`);
  return found;
}
