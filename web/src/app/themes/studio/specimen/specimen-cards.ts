import {
  cardFrameRules,
  cardSelector,
  cardsElement,
  choiceRules,
  choicesElements,
  contract,
  linesInCommon,
  rule,
  type Element,
  type Stylesheet,
} from '../../../../../../core/compile';
import type { Pricing } from '../../../../../../core/pricing';
import { cardParts, partOf, type ConditionName, type PartName } from '../../../../../../core/theme';

/** With features on common lines, so that absent ones are seen. */
const MANNER = 'common lines';
const DRESSED = { id: 'specimen-cards', theme: 'specimen' };

/** The cards of the specimen that has some. */
export const specimenCards = (pricing: Pricing): readonly Element[] => [
  ...choicesElements(pricing, DRESSED),
  cardsElement(pricing, { ...DRESSED, manner: MANNER, level: 2 }),
];

export const specimenCardRules = (pricing: Pricing): Stylesheet => [
  ...cardFrameRules,
  ...choiceRules([pricing]),
  rule(`.${contract.plans}>*`, ['grid-row', `span ${linesInCommon(pricing, MANNER)}`]),
];

/** Held open on the first actions, so that each condition of what is pressed is seen. */
const heldByCard = [undefined, 'hovered', 'focused'] as const;
export function holdActions(content: HTMLElement): void {
  content.querySelectorAll<HTMLElement>(`.${contract.inCards.action},.${contract.inCards['second-action']}`).forEach((action, at) => {
    const held = heldByCard[at % heldByCard.length];
    if (held !== undefined) action.setAttribute(contract.held, held);
  });
}

/** The parts of cards by their elements, what stands in others before what it stands in. */
const selectors: readonly (readonly [selector: string, part: PartName])[] = cardParts
  .map((part) => [/:where\((.+)\)$/.exec(cardSelector(contract.theme('specimen'), part, []))?.[1] ?? '', part] as const)
  .sort(([, a], [, b]) => Number(a === 'plan') - Number(b === 'plan'));

/** The part of a card that an element is, under the condition that holds there. */
export function cardPartAt(target: HTMLElement): { readonly part: PartName; readonly condition: ConditionName } | undefined {
  for (const [selector, part] of selectors) {
    const element = target.closest<HTMLElement>(selector);
    if (!element) continue;
    const holds: readonly (ConditionName | false)[] = [
      element.matches(`.${contract.absent}`) && 'absent',
      element.matches(`.${contract.notSaid}`) && 'not-said',
      element.matches(`.${contract.emphasised}`) && 'emphasised',
      element.closest(`.${contract.featured}`) !== null && 'featured',
    ];
    return { part, condition: holds.find((each) => each !== false && partOf(part).conditions.includes(each)) || 'rest' };
  }
  return undefined;
}
