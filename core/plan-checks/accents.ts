import { readability, slotsOf, type SlotReadability } from '../paint';
import { ACCENT, cardParts, partOf, propertyOf, tableParts, valueLists, type ModeName, type PartName, type ThemeView } from '../theme';
import { toHex } from '../colour';
import { accentOf, shownPlans, viewWithAccent, type Plan, type Pricing, type PricingFinding } from '../pricing';

/** The text of some parts that is the hardest to read as a theme is looked at, under all conditions that hold together. */
function hardestOf(view: ThemeView, among: readonly PartName[]): SlotReadability | undefined {
  return among
    .filter((part) => propertyOf('ink').parts.includes(part))
    .flatMap((part) => slotsOf(view, part).filter(({ conditions }) => !conditions.includes('disabled')))
    .map((slot): SlotReadability => ({ slot, ...readability(view, slot) }))
    .filter(({ picture }) => !picture)
    .reduce<SlotReadability | undefined>(
      (worst, each) => (worst && worst.ratio / worst.needed <= each.ratio / each.needed ? worst : each),
      undefined,
    );
}

/** A result for each view, which never changes. */
function remembered<T>(make: (view: ThemeView) => T): (view: ThemeView) => T {
  const known = new WeakMap<ThemeView, { readonly made: T }>();
  return (view) => {
    const found = known.get(view) ?? { made: make(view) };
    known.set(view, found);
    return found.made;
  };
}

/** The text of a card that is the hardest to read. */
export const hardestOfCards = remembered((view) => hardestOf(view, cardParts));

/** What stands in the column of the featured plan, which goes with its accent. */
const inColumns: readonly PartName[] = ['column-headers', 'body-rows', 'numbers'];
/** The text in that column that is the hardest to read. */
export const hardestOfColumn = remembered((view) => hardestOf(view, inColumns));

/** Whether that column goes with another accent: whether anything that is said of it comes to another colour then. */
function goAlong(view: ThemeView, its: ThemeView): boolean {
  const colourIn = (each: ThemeView, name: string): string => {
    const read = each.colours.get(name);
    return read?.ok ? toHex(read.value) : '';
  };
  const other = new Set(view.swatches.map(({ name }) => name).filter((name) => colourIn(view, name) !== colourIn(its, name)));
  const isSaid = (text: string): boolean => text.split(/[^\w-]+/).some((word) => other.has(word));
  return view.chain.some((theme) =>
    valueLists(theme).some((values) => tableParts.some(({ name }) => Object.values(values[name]?.featured ?? {}).some((text) => isSaid(text)))),
  );
}

const modesOf = ({ modes }: ThemeView): readonly (ModeName | '')[] => ['', ...modes.filter((mode) => mode !== 'forced' && mode !== 'print')];
const inWords = (mode: ModeName | ''): string => (mode === 'dark' ? ' in the dark' : mode === '' ? '' : ' with more contrast');

/** What may be a mistake about the accents of plans, in the theme that they wear. */
export const checkAccents = (pricing: Pricing, view: ThemeView): readonly PricingFinding[] =>
  shownPlans(pricing).flatMap((plan) => modesOf(view).flatMap((mode) => ofAccent(plan, view.in(mode), plan.id === pricing.featured)));

function ofAccent(plan: Plan, view: ThemeView, isFeatured: boolean): readonly PricingFinding[] {
  // A theme without that swatch has nothing that goes with it.
  const accent = view.colours.has(ACCENT) ? accentOf(view, plan) : undefined;
  if (!accent) return [];
  const found = (code: string, say: string): readonly PricingFinding[] => [{ code, say, settle: { does: 'go to accent', plan: plan.id } }];
  const name = plan.name.trim() === '' ? `the plan ${plan.id}` : `“${plan.name}”`;
  if (!accent.ok) return found('accent', `The accent of ${name} is no colour: ${accent.problems[0]?.say ?? ''}`);
  const its = viewWithAccent(view, plan);
  const said = (hardest: SlotReadability | undefined, where: (label: string) => string): readonly PricingFinding[] =>
    !hardest || hardest.passes
      ? []
      : found(
          'accent-text',
          `With the accent of ${name} the ${where(partOf(hardest.slot.part).label.toLowerCase())} reads at ${(Math.floor(hardest.ratio * 10) / 10).toFixed(1)} : 1${inWords(view.mode)}, and needs ${hardest.needed}.`,
        );
  const inCards = said(hardestOfCards(its), (label) => label);
  if (inCards.length > 0 || !isFeatured || !goAlong(view, its)) return inCards;
  return said(hardestOfColumn(its), (label) => `text of the ${label} in its column of the comparison`);
}
