import { readability, slotsOf, type SlotReadability } from '../paint';
import { ACCENT, cardParts, partOf, propertyOf, type ModeName, type ThemeView } from '../theme';
import { accentOf, shownPlans, viewWithAccent, type Plan, type Pricing, type PricingFinding } from '../pricing';

const known = new WeakMap<ThemeView, SlotReadability | undefined>();

/** The text of a card that is the hardest to read as a theme is looked at, under all conditions that hold together. */
export function hardestOfCards(view: ThemeView): SlotReadability | undefined {
  if (known.has(view)) return known.get(view);
  const all = cardParts
    .filter((part) => propertyOf('ink').parts.includes(part))
    .flatMap((part) => slotsOf(view, part).filter(({ conditions }) => !conditions.includes('disabled')))
    .map((slot): SlotReadability => ({ slot, ...readability(view, slot) }))
    .filter(({ picture }) => !picture);
  const hardest = all.reduce<SlotReadability | undefined>(
    (worst, each) => (worst && worst.ratio / worst.needed <= each.ratio / each.needed ? worst : each),
    undefined,
  );
  known.set(view, hardest);
  return hardest;
}

const modesOf = ({ modes }: ThemeView): readonly (ModeName | '')[] => ['', ...modes.filter((mode) => mode !== 'forced' && mode !== 'print')];
const inWords = (mode: ModeName | ''): string => (mode === 'dark' ? ' in the dark' : mode === '' ? '' : ' with more contrast');

/** What may be a mistake about the accents of plans, in the theme that they wear. */
export const checkAccents = (pricing: Pricing, view: ThemeView): readonly PricingFinding[] =>
  shownPlans(pricing).flatMap((plan) => modesOf(view).flatMap((mode) => ofAccent(plan, view.in(mode))));

function ofAccent(plan: Plan, view: ThemeView): readonly PricingFinding[] {
  // A theme without that swatch has nothing that goes with it.
  const accent = view.colours.has(ACCENT) ? accentOf(view, plan) : undefined;
  if (!accent) return [];
  const found = (code: string, say: string): readonly PricingFinding[] => [{ code, say, settle: { does: 'go to accent', plan: plan.id } }];
  const name = plan.name.trim() === '' ? `the plan ${plan.id}` : `“${plan.name}”`;
  if (!accent.ok) return found('accent', `The accent of ${name} is no colour: ${accent.problems[0]?.say ?? ''}`);
  const hardest = hardestOfCards(viewWithAccent(view, plan));
  if (!hardest || hardest.passes) return [];
  const { label } = partOf(hardest.slot.part);
  return found(
    'accent-text',
    `With the accent of ${name} the ${label.toLowerCase()} reads at ${(Math.floor(hardest.ratio * 10) / 10).toFixed(1)} : 1${inWords(view.mode)}, and needs ${hardest.needed}.`,
  );
}
