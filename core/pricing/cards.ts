import { answerOf, phrased } from './answers';
import { answerText, isSaid } from './comparison';
import { shownPlans } from './shown';
import type { Action, Answer, Feature, Plan, Pricing } from './pricing';
import { writtenPrice, type Chosen, type WrittenPrice } from './shown-price';
import { filled, pricingWords } from './words';

/** Own lists: each card has what its plan has. Common lines: a feature stands on the same line in every card, absent or not. */
export const cardManners = ['own lists', 'common lines'] as const;
export type CardManner = (typeof cardManners)[number];

export interface CardLine {
  readonly feature: Feature;
  readonly is: 'group' | 'included' | 'absent' | 'not said';
  readonly text: string;
  /** What it means, for those who ask. */
  readonly hint?: string;
  /** The number of its footnote, from 1. */
  readonly note?: number;
}

/** What stands in a plan's card. */
export interface Card {
  readonly plan: Plan;
  readonly isFeatured: boolean;
  readonly price: WrittenPrice | undefined;
  /** What is said where it has no price; empty for nothing. */
  readonly unpriced: string;
  /** One line for all that it has from another plan. */
  readonly everythingIn: string | undefined;
  readonly lines: readonly CardLine[];
  readonly actions: readonly Action[];
  /** What is said in place of its first action; undefined where it is on sale. */
  readonly instead: string | undefined;
}

/** What a card says of an answer: its own wording, the feature's phrase, or its name with what is answered. */
export function cardText(pricing: Pricing, feature: Feature, answer: Answer): string {
  if (answer.card) return answer.card;
  const { language } = pricing;
  if (answer.is === 'yes') return feature.name;
  if ((answer.is === 'number' || answer.is === 'limit') && answer.n !== undefined) {
    const said = phrased(feature.phrase, answer.n, language);
    if (said !== undefined) return said;
  }
  const text = answerText({ answer, of: {} as Plan }, language, pricingWords(language));
  return answer.is === 'no' ? feature.name : `${feature.name}: ${text}`;
}

/** The cards of all plans that are shown, in their order. */
export function cardsOf(pricing: Pricing, manner: CardManner, chosen: Chosen = pricing.first): readonly Card[] {
  const words = pricingWords(pricing.language);
  return shownPlans(pricing).map((plan): Card => {
    const before = pricing.plans.find(({ id }) => id === plan.from);
    const instead = { 'on sale': undefined, 'sold out': words.soldOut, 'coming soon': words.comingSoon, other: '' }[plan.availability];
    return {
      plan,
      isFeatured: plan.id === pricing.featured,
      price: writtenPrice(pricing, plan, chosen),
      unpriced: pricing.unpriced,
      everythingIn: manner === 'own lists' && before ? filled(words.everythingIn, { plan: before.name }) : undefined,
      lines: linesOf(pricing, plan, manner),
      actions: plan.actions,
      instead: instead === undefined ? undefined : plan.availabilityText || instead,
    };
  });
}

/** The lines of a plan's card. In its own list are its own features alone, and groups that have some of these. */
function linesOf(pricing: Pricing, plan: Plan, manner: CardManner): readonly CardLine[] {
  const lines = pricing.features
    .filter(({ in: place, kind }) => kind === 'group' || place !== 'comparison')
    .filter((feature) => feature.kind === 'group' || isSaid(pricing, feature))
    .flatMap((feature): readonly CardLine[] => {
      const hint = feature.hint === '' ? {} : { hint: feature.hint };
      if (feature.kind === 'group') return [{ feature, is: 'group', text: feature.name, ...hint }];
      const given = answerOf(pricing, feature, plan);
      const isOwn = given?.of === plan;
      if (manner === 'own lists' && (!isOwn || given.answer.is === 'no')) return [];
      if (!given) return [{ feature, is: 'not said', text: feature.name, ...hint }];
      const note = pricing.notes.findIndex(({ id }) => id === given.answer.note);
      const is = given.answer.is === 'no' ? 'absent' : 'included';
      return [{ feature, is, text: cardText(pricing, feature, given.answer), ...hint, ...(note < 0 ? {} : { note: note + 1 }) }];
    });
  return lines.filter(({ is }, i) => is !== 'group' || (lines[i + 1] !== undefined && lines[i + 1]?.is !== 'group'));
}
