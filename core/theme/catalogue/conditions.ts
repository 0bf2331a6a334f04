import type { Family } from './anatomy';

export const tiers = ['place', 'column', 'hand'] as const;
export type Tier = (typeof tiers)[number];

interface Row {
  readonly name: string;
  readonly label: string;
  readonly tier: Tier;
  readonly of: readonly Family[] | 'all';
  readonly held?: true;
  readonly mark?: string;
  readonly sets?: readonly string[];
  readonly when?: readonly [brought: string, band: 'odd' | 'even'];
}

/**
 * Conditions: when a value holds. `tier` says what brings it and how strong that makes it: `place`, where a
 * cell stands; `column`, that its column is sorted; `hand`, what comes and goes under the visitor's hand. A
 * later tier is stronger than any earlier one; within a tier the later row of this list wins. `of` says which families
 * of parts can have it, and `held` that only a hand can bring it, so that a preview has to hold it open; every other
 * one is marked on the page itself. `when` says from which others a condition follows: what is brought, to the rows of one band. `mark` is the class of the cells whose value, or whose columns, bring it (`table/grid/value-conditions.ts`).
 * `sets` names the properties that can be set under it, where it is for these alone.
 */
const rows = [
  { name: 'rest', label: 'At rest', tier: 'place', of: 'all' },
  { name: 'odd', label: 'Odd', tier: 'place', of: ['rows'] },
  { name: 'even', label: 'Even', tier: 'place', of: ['rows'] },
  { name: 'odd-columns', label: 'Odd columns', tier: 'place', of: ['headers', 'upper-headers', 'rows'] },
  { name: 'even-columns', label: 'Even columns', tier: 'place', of: ['headers', 'upper-headers', 'rows'] },
  { name: 'even-groups', label: 'Even groups', tier: 'place', of: ['headers', 'upper-headers'], mark: 'zp-even-group', sets: ['fill', 'ink'] },
  {
    name: 'over-numbers',
    label: 'Over numbers',
    tier: 'place',
    of: ['headers', 'upper-headers'],
    mark: 'zp-over-numbers',
    sets: ['align'],
  },
  { name: 'first', label: 'First', tier: 'place', of: ['headers', 'rows', 'footer'] },
  { name: 'last', label: 'Last', tier: 'place', of: ['headers', 'rows', 'footer'] },
  { name: 'negative', label: 'Negative', tier: 'place', of: ['numbers'], mark: 'zp-negative' },
  {
    name: 'featured',
    label: 'Featured plan',
    tier: 'place',
    of: ['headers', 'rows', 'numbers', 'cards', 'features', 'actions'],
    mark: 'zp-featured',
  },
  { name: 'absent', label: 'Absent', tier: 'place', of: ['features'] },
  { name: 'not-said', label: 'Not said', tier: 'place', of: ['features'] },
  { name: 'emphasised', label: 'Emphasised', tier: 'place', of: ['features'] },
  { name: 'sorted', label: 'Sorted column', tier: 'column', of: ['headers', 'corner', 'rows'] },
  { name: 'sorted-odd', label: 'Sorted, odd', tier: 'column', of: ['rows'], when: ['sorted', 'odd'] },
  { name: 'sorted-even', label: 'Sorted, even', tier: 'column', of: ['rows'], when: ['sorted', 'even'] },
  { name: 'column-hovered', label: 'Column hovered', tier: 'hand', of: ['rows'] },
  { name: 'hovered', label: 'Hovered', tier: 'hand', of: ['headers', 'corner', 'rows', 'content', 'pager-items', 'actions', 'switch'], held: true },
  { name: 'hovered-odd', label: 'Hovered, odd', tier: 'hand', of: ['rows'], held: true, when: ['hovered', 'odd'], sets: ['fill', 'ink'] },
  { name: 'hovered-even', label: 'Hovered, even', tier: 'hand', of: ['rows'], held: true, when: ['hovered', 'even'], sets: ['fill', 'ink'] },
  { name: 'pressed', label: 'Pressed', tier: 'hand', of: ['headers', 'corner', 'actions'], held: true },
  { name: 'selected', label: 'Selected', tier: 'hand', of: ['rows'] },
  { name: 'current', label: 'Current', tier: 'hand', of: ['pager-items', 'switch'] },
  {
    name: 'focused',
    label: 'Focused',
    tier: 'hand',
    of: ['headers', 'corner', 'rows', 'content', 'field', 'pager-items', 'actions', 'switch'],
    held: true,
  },
  { name: 'disabled', label: 'Disabled', tier: 'hand', of: ['rows', 'pager-items', 'actions'] },
] as const satisfies readonly Row[];

export type ConditionName = (typeof rows)[number]['name'];

/** Conditions that a cell's value or its columns bring, which the markup marks by a class. */
export type MarkedCondition = Extract<(typeof rows)[number], { readonly mark: string }>['name'];

export interface Condition extends Row {
  readonly name: ConditionName;
  readonly when?: readonly [ConditionName, 'odd' | 'even'];
}
export const conditions: readonly Condition[] = rows;
export const markedConditions = rows.flatMap((row): readonly { readonly name: MarkedCondition; readonly mark: string }[] =>
  'mark' in row ? [row] : [],
);
export const conditionNames: readonly ConditionName[] = rows.map(({ name }) => name);

/**
 * Conditions that can hold together: of each list one set. A list without an empty set is of conditions of which every
 * cell has one. What follows from others is not among them (`followingFrom`).
 */
export const together: readonly (readonly (readonly ConditionName[])[])[] = [
  [['odd'], ['even']],
  [['odd-columns'], ['even-columns']],
  [[], ['even-groups']],
  [[], ['over-numbers']],
  [[], ['first'], ['last'], ['first', 'last']],
  [[], ['negative']],
  [[], ['featured']],
  [[], ['absent'], ['not-said']],
  [[], ['emphasised']],
  [[], ['sorted']],
  [[], ['column-hovered']],
  [[], ['hovered'], ['pressed'], ['selected'], ['hovered', 'selected'], ['focused'], ['focused', 'selected'], ['current'], ['disabled']],
];

/** Conditions that follow from others, and from which. */
export const following: readonly (Condition & { readonly when: readonly [ConditionName, 'odd' | 'even'] })[] = conditions.flatMap((condition) =>
  condition.when === undefined ? [] : [{ ...condition, when: condition.when }],
);
/** The conditions that follow from some that hold. */
export const followingFrom = (holds: { readonly has: (condition: ConditionName) => boolean }): readonly ConditionName[] =>
  following.filter(({ when }) => when.every((each) => holds.has(each))).map(({ name }) => name);

/** Whether a condition holds only under a pointer that can hover: after a tap it would stay. */
export const needsPointer = (condition: ConditionName): boolean => condition === 'hovered' || conditionOf(condition).when?.[0] === 'hovered';

/** The conditions that a family of parts can have, at rest first. */
export const conditionsOf = (family: Family): readonly ConditionName[] =>
  conditions.filter(({ of }) => of === 'all' || of.includes(family)).map(({ name }) => name);

const byName = new Map<string, Condition>(conditions.map((condition) => [condition.name, condition]));

export function conditionOf(name: ConditionName): Condition {
  const found = byName.get(name);
  if (!found) throw new RangeError(`There is no condition "${name}"`);
  return found;
}
