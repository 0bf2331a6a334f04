import { accentOf, shownPlans, type Pricing } from '../../pricing';
import type { ThemeView } from '../../theme';
import type { AccentedCard } from './card-rules';

/** The cards of a pricing table with accents of their own, as a theme is looked at; `list` selects the list that they stand in. */
export const accentedCards = (view: ThemeView, pricing: Pricing, list: string): readonly AccentedCard[] =>
  shownPlans(pricing).flatMap((plan, at) => {
    const accent = accentOf(view, plan);
    return accent?.ok === true ? [{ selector: `${list}>:nth-child(${at + 1})`, accent: accent.value }] : [];
  });
