/**
 * Conditions: when a value holds. `interactive` ones come and go under the visitor's hand and are
 * stronger than any that the row's position brings; among equals the later row of this list wins.
 */
export const conditions = [
  { name: 'rest', label: 'At rest', interactive: false },
  { name: 'odd', label: 'Odd', interactive: false },
  { name: 'even', label: 'Even', interactive: false },
  { name: 'first', label: 'First', interactive: false },
  { name: 'last', label: 'Last', interactive: false },
  { name: 'hovered', label: 'Hovered', interactive: true },
  { name: 'selected', label: 'Selected', interactive: true },
] as const;

export type ConditionName = (typeof conditions)[number]['name'];
export const conditionNames: readonly ConditionName[] = conditions.map(({ name }) => name);

export interface Condition {
  readonly name: ConditionName;
  readonly label: string;
  readonly interactive: boolean;
}

export function conditionOf(name: ConditionName): Condition {
  const found = conditions.find((condition) => condition.name === name);
  if (!found) throw new RangeError(`There is no condition "${name}"`);
  return found;
}
