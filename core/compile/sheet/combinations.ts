import { conditionOf, following, followingFrom, together, type ConditionName, type PartName, type Slot } from '../../theme';

/** Conditions that a cell has one of, by the row or the column in which it starts. */
const either: readonly (readonly ConditionName[])[] = together.filter((sets) => sets.every((set) => set.length > 0)).map((sets) => sets.flat());
/** A cell of an upper tier does not reach the last header row, and nothing is sorted by it. */
const never: { readonly [part in PartName]?: (condition: ConditionName) => boolean } = {
  // What heads a group is in no column that is sorted, nor in that of a plan.
  'group-headings': (condition) => condition === 'featured' || conditionOf(condition).tier === 'column',
  'header-groups': (condition) => condition === 'last' || conditionOf(condition).tier !== 'place',
};

/** Whether a condition can hold on a part's cells, be it the part's own or one of those that it falls back to. */
export const canHold = (part: PartName, condition: ConditionName): boolean => never[part]?.(condition) !== true;

/**
 * Every combination of the asked conditions that a slot of this kind can have: a row is odd or even, a sorted
 * column is sorted, and a row hovered, in odd rows and in even ones, only a number is negative, and all else is free. Which of odd
 * and even the first row is, the band tells.
 */
export function combinations(slot: Slot, asked: ReadonlySet<ConditionName>, firstRow: 'odd' | 'even'): readonly ReadonlySet<ConditionName>[] {
  const needed = new Set([...asked].filter((condition) => condition !== 'rest' && canHold(slot.part, condition)));
  if (!(slot.also?.includes('numbers') ?? false)) needed.delete('negative');
  for (const { name, when } of following) if (needed.delete(name)) for (const condition of [when[0], 'odd', 'even'] as const) needed.add(condition);
  // A heading is the first row of its group.
  const isFirst = slot.part === 'group-headings';
  let all: readonly (readonly ConditionName[])[] = [['rest']];
  const times = (choices: readonly (readonly ConditionName[])[]): void => {
    all = all.flatMap((each) => choices.map((choice) => [...each, ...choice]));
  };
  for (const pair of either) {
    if (pair.some((condition) => needed.has(condition))) times(pair.map((condition) => [condition]));
    for (const condition of pair) needed.delete(condition);
  }
  for (const condition of needed) times([[], [condition]]);
  return all.flatMap((each) => {
    const holds = new Set(each);
    if ((holds.has('first') || isFirst) && holds.has(firstRow === 'odd' ? 'even' : 'odd')) return [];
    if (isFirst && needed.has('first') && !holds.has('first')) return [];
    for (const condition of followingFrom(holds)) holds.add(condition);
    return [holds];
  });
}
