import { toHex } from '../../../../../../core/colour';
import { placeInWords, setValue } from '../../../../../../core/edit';
import { inkForAll, readabilityTogether, type SlotReadability } from '../../../../../../core/paint';
import { resolve, winnerAt } from '../../../../../../core/resolve';
import {
  conditionOf,
  partOf,
  parts,
  placeAt,
  propertyOf,
  viewOfChanged,
  type ConditionName,
  type PartName,
  type Slot,
  type ThemeView,
} from '../../../../../../core/theme';
import { slotFor } from './ledger-rows';

/** What stands in the way of reading a part under a condition, and the ink that would mend it. */
export interface Finding {
  readonly title: string;
  readonly say: string;
  /** The nearest ink that passes wherever the value holds; undefined where none does. */
  readonly offer: string | undefined;
  /** Where else the same value would change with it. */
  readonly others: string;
}

/** What can be said of a text's contrast at a place: under its condition together with every other that can hold there. */
export function findingAt(view: ThemeView, part: PartName, condition: ConditionName): Finding | undefined {
  if (partOf(part).box === 'lines') return undefined;
  const together = readabilityTogether(view, part, condition);
  const failing = together.filter(({ passes }) => !passes);
  const [worst] = failing;
  if (!worst) return undefined;
  // What another place's own ink spoils is not mended from here.
  const isFromHere = inkSetAt(view, part, condition);
  const here = failing.filter(({ slot }) => isFromHere(slot));
  const offer =
    here.length === 0
      ? undefined
      : inkForAll(
          worst.ink,
          together.filter(({ slot }) => isFromHere(slot)),
        );
  const count = failing.length === 1 ? '' : ` It fails in ${failing.length} of ${together.length} cases.`;
  return {
    title: `The ink reads ${worst.ratio.toFixed(1)} : 1 ${inWords(worst, condition)}`,
    say: `Needs ${worst.needed}.${count}${here.length === 0 ? ` There the ink of ${fromWords(view, worst.slot)} holds: mend it there.` : ''}`,
    offer: offer && toHex(offer),
    others: offer ? followers(view, part, condition, toHex(offer)) : '',
  };
}

/** Whether a text set at a place would be the ink of a slot: it is set once, and each slot is asked. */
function inkSetAt(view: ThemeView, part: PartName, condition: ConditionName): (slot: Slot) => boolean {
  const tried = viewOfChanged(view, setValue(view.theme, placeAt({ part, condition }, view.step, view.mode), 'ink', TRIED));
  return (slot) => winnerAt(tried, slot, 'ink').value.css === TRIED;
}
/** A colour that no theme has by chance. */
const TRIED = '#12345601';

const fromWords = (view: ThemeView, slot: Slot): string => {
  const { place } = resolve(view, slot, 'ink').from;
  return place ? placeInWords(place).toLowerCase() : 'the page';
};

function inWords({ slot }: SlotReadability, condition: ConditionName): string {
  const others = slot.conditions.filter((each) => each !== condition && !/^(odd|even)/.test(each) && conditionOf(each).when === undefined);
  const band = slot.conditions.find((each) => each === 'odd' || each === 'even');
  const words = [...(band && condition !== band ? [band] : []), ...others].map((each) => conditionOf(each).label.toLowerCase());
  return words.length === 0 ? 'here' : `here when ${words.join(' and ')}`;
}

/** Places whose ink would change with this one, since they fall back to it. */
function followers(view: ThemeView, part: PartName, condition: ConditionName, ink: string): string {
  const changed = viewOfChanged(view, setValue(view.theme, placeAt({ part, condition }, view.step, view.mode), 'ink', ink));
  const names = parts.flatMap((each) => {
    if (!propertyOf('ink').parts.includes(each.name)) return [];
    return each.conditions
      .filter((other) => !(each.name === part && other === condition))
      .filter((other) => winnerAt(view, slotFor(each.name, other), 'ink').value.css !== winnerAt(changed, slotFor(each.name, other), 'ink').value.css)
      .map((other) => placeInWords({ part: each.name, condition: other }));
  });
  if (names.length === 0) return '';
  return names.length <= 4 ? names.join('; ') : `${names.slice(0, 3).join('; ')} and ${names.length - 3} more`;
}

/** Of each condition under which the ink fails together with others, the worst case. One pass over all of them. */
export function failingTogether(view: ThemeView, part: PartName, conditions: readonly ConditionName[]): ReadonlyMap<ConditionName, SlotReadability> {
  if (!propertyOf('ink').parts.includes(part)) return new Map();
  const failing = readabilityTogether(view, part, 'rest').filter(({ passes, picture }) => !passes && !picture);
  return new Map(
    conditions.flatMap((condition) => {
      const worst = failing.find(({ slot }) => condition === 'rest' || slot.conditions.includes(condition));
      return worst ? [[condition, worst] as const] : [];
    }),
  );
}
