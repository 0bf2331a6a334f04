import { contrast, nearestPassing, type Rgba } from '../colour';
import { partOf, together, type ConditionName, type PartName, type Slot, type ThemeView } from '../theme';
import { readability, type PageColours, type Readability } from './paint';

const bySlot = new Map<PartName, readonly Slot[]>();

/** Every set of conditions under which a part can be seen. */
export function slotsOf(part: PartName): readonly Slot[] {
  const known = bySlot.get(part);
  if (known) return known;
  const { conditions: own } = partOf(part);
  const has = (set: readonly ConditionName[]): boolean => set.every((condition) => own.includes(condition));
  const sets = together.reduce<readonly (readonly ConditionName[])[]>(
    (found, choices) => {
      const possible = choices.filter(has);
      return possible.length === 0 ? found : found.flatMap((set) => possible.map((choice) => [...set, ...choice]));
    },
    [[]],
  );
  const slots = sets.map((set): Slot => ({ part, conditions: set.includes('sorted') ? [...set, ...sortedBand(set, own)] : set }));
  bySlot.set(part, slots);
  return slots;
}

const sortedBand = (set: readonly ConditionName[], own: readonly ConditionName[]): readonly ConditionName[] =>
  (['sorted-odd', 'sorted-even'] as const).filter(
    (condition) => own.includes(condition) && set.includes(condition === 'sorted-odd' ? 'odd' : 'even'),
  );

export interface SlotReadability extends Readability {
  readonly slot: Slot;
}

/** How a part's text reads under a condition together with every other that can hold beside it, the worst first. */
export function readabilityTogether(view: ThemeView, part: PartName, condition: ConditionName, page?: PageColours): readonly SlotReadability[] {
  return slotsOf(part)
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
