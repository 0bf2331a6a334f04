import { widestMeasure } from '../fit';
import { fontSize, resolve, toPx, winnerAt } from '../resolve';
import type { PartName, Slot, ThemeView } from '../theme';
import { cardsOf, type Pricing, type PricingFinding } from '../pricing';

/** The narrowest window that is thought of, in px. */
const NARROWEST_WINDOW = 320;

const plan: Slot = { part: 'plan', conditions: [] };

/** How much room a text of a part has in a card that is as wide as the narrowest window, in px. */
function roomFor(view: ThemeView, part: PartName): number {
  const paddings = (slot: Slot): number =>
    (['padding-start', 'padding-end'] as const).reduce((sum, name) => sum + toPx(resolve(view, slot, name).value, fontSize(view, slot)), 0);
  return NARROWEST_WINDOW - paddings(plan) - paddings({ part, conditions: [] });
}

/** How wide a word of a part is at most, whatever face comes, in px. */
function widthOf(view: ThemeView, part: PartName, word: string): number {
  const slot: Slot = { part, conditions: [] };
  const { value: weight } = winnerAt(view, slot, 'weight');
  const { value: font } = winnerAt(view, slot, 'font');
  const type = { size: fontSize(view, slot), weight: weight.kind === 'number' ? weight.amount : 400, family: font.kind === 'word' ? font.css : '' };
  const shown = winnerAt(view, slot, 'case').value.css === 'uppercase' ? word.toLocaleUpperCase() : word;
  return widestMeasure(shown, { ...type, isItalic: false, spacing: 0, figures: 'normal', caps: 'normal' });
}

const wordsOf = (text: string): readonly string[] => text.split(/[\s\u00ad\u200b-]+/).filter((word) => word.length > 8);

/** Words of cards that may have to be broken in the narrowest window, in the theme as it is there. */
export function checkWords(pricing: Pricing, view: ThemeView): readonly PricingFinding[] {
  const narrow = view.at(view.steps.filter(({ width }) => width >= NARROWEST_WINDOW).at(-1)?.name ?? '');
  const isBroken = (part: PartName, word: string): boolean => widthOf(narrow, part, word) > roomFor(narrow, part);
  const told = (word: string): string => `“${word}” may be broken where the window is ${NARROWEST_WINDOW} px wide.`;
  const cards = cardsOf(pricing, 'own lists');
  const names = cards.flatMap(({ plan: { id, name } }) =>
    wordsOf(name)
      .filter((word) => isBroken('plan-heading', word))
      .map((word): PricingFinding => ({ code: 'word', say: told(word), settle: { does: 'go to name', plan: id } })),
  );
  const lines = cards.flatMap(({ plan: { id }, lines: all }) =>
    all.flatMap(({ feature, text, is }) =>
      wordsOf(text)
        .filter((word) => isBroken(is === 'group' ? 'feature-group' : 'feature', word))
        .map((word): PricingFinding => ({ code: 'word', say: told(word), settle: { does: 'go to answer', feature: feature.id, plan: id } })),
    ),
  );
  return [...names, ...lines].filter(({ say }, at, all) => all.findIndex((each) => each.say === say) === at);
}
