import { contrast, nearestPassing, type Rgba } from '../colour';
import { followingFrom, lineage, partOf, together, type ConditionName, type PartName, type Slot, type ThemeView, valueLists } from '../theme';
import { readability, type PageColours, type Readability } from './paint';

const bySlot = new Map<string, readonly Slot[]>();

/** Every set of conditions under which a part can be seen; what few themes say anything of counts only where one does. */
export function slotsOf(view: ThemeView, part: PartName): readonly Slot[] {
  const own = partOf(part).conditions.filter((condition) => {
    const twin = columns.find((each) => each.includes(condition));
    if (!twin) return !rare.has(condition) || partOf(part).box === 'cards' || isSaid(view, part, condition);
    // Every cell is in an odd column or in an even one: where a theme tells one of them apart, both count.
    return twin.some((each) => isSaid(view, part, each));
  });
  const key = `${part} ${own.join(' ')}`;
  const known = bySlot.get(key);
  if (known) return known;
  const has = (set: readonly ConditionName[]): boolean => set.every((condition) => own.includes(condition));
  const sets = together.reduce<readonly (readonly ConditionName[])[]>(
    (found, choices) => {
      const possible = choices.filter(has);
      return possible.length === 0 ? found : found.flatMap((set) => possible.map((choice) => [...set, ...choice]));
    },
    [[]],
  );
  const slots = sets.map((set): Slot => ({ part, conditions: withFollowing(set, own) }));
  bySlot.set(key, slots);
  return slots;
}

const columns: readonly (readonly ConditionName[])[] = [['odd-columns', 'even-columns']];
const rare: ReadonlySet<ConditionName> = new Set(['even-groups', 'over-numbers', 'featured']);

/** Whether a theme or one of its bases says anything of a part, or of what it falls back to, under a condition, at any width. */
const isSaid = ({ chain }: ThemeView, part: PartName, condition: ConditionName): boolean =>
  chain.some((theme) => valueLists(theme).some((values) => lineage(part).some((name) => values[name]?.[condition] !== undefined)));

const withFollowing = (set: readonly ConditionName[], own: readonly ConditionName[]): readonly ConditionName[] => {
  const more = followingFrom(new Set(set)).filter((condition) => own.includes(condition));
  return more.length === 0 ? set : [...set, ...more];
};

export interface SlotReadability extends Readability {
  readonly slot: Slot;
}

/** How a part's text reads under a condition together with every other that can hold beside it, the worst first. */
export function readabilityTogether(view: ThemeView, part: PartName, condition: ConditionName, page?: PageColours): readonly SlotReadability[] {
  return slotsOf(view, part)
    .filter(({ conditions }) => condition === 'rest' || conditions.includes(condition))
    .map((slot) => ({ slot, ...readability(view, slot, page) }))
    .sort((a, b) => a.ratio / a.needed - b.ratio / b.needed);
}

/** The ink nearest to `ink` that passes on all of the grounds; undefined where none does. */
export function inkForAll(ink: Rgba, grounds: readonly { readonly ground: Rgba; readonly needed: number }[]): Rgba | undefined {
  const hardest = [...grounds].sort((a, b) => contrast(ink, a.ground) / a.needed - contrast(ink, b.ground) / b.needed)[0];
  if (!hardest) return ink;
  return nearestPassing(ink, hardest.ground, hardest.needed, (candidate) =>
    grounds.every(({ ground, needed }) => contrast(candidate, ground) >= needed),
  );
}
