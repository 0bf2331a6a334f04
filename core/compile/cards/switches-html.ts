import { spokenIn } from '../../languages';
import { everyPeriod, filled, priceIn, pricingWords, savedAmount, shownPlans, type Pricing } from '../../pricing';
import { contract } from '../markup/contract';
import { element, type Element } from '../markup/markup';

/** What is around cards and switches: the class of the theme that dresses them, if any does, and the language that they are in. */
export const aroundCards = (pricing: Pricing, theme: string | undefined, ...more: readonly string[]): Element['attributes'] => ({
  class: [contract.anyCards, ...(theme === undefined ? [] : [contract.cards(theme)]), ...more].join(' '),
  ...(pricing.language === '' ? {} : spokenIn(pricing.language)),
});

/**
 * The switches by which a visitor chooses what is seen of a pricing table, in whichever form it stands beside them: its period and its
 * currency; none where there is nothing to choose. `id` is that of its cards.
 */
export function choicesElements(pricing: Pricing, { id, theme }: { readonly id: string; readonly theme: string | undefined }): readonly Element[] {
  const switches = [...switchOf(pricing, id), ...currenciesOf(pricing, id)];
  return switches.length === 0 ? [] : [element('div', aroundCards(pricing, theme, contract.choices), ...switches)];
}

/** The most that any plan saves in a period, as what the switch says of it; nothing where none does. */
function savingIn(pricing: Pricing, at: { readonly period: string; readonly currency: string }): string {
  const savings = pricing.plans.flatMap((plan) => (plan.hidden ? [] : (priceIn(pricing, plan, at.period, at.currency)?.saving ?? [])));
  const [most] = [...savings].sort((a, b) => Number(b.value) - Number(a.value));
  // How much money it is hangs on the currency that is chosen.
  if (!most || (most.as === 'money' && pricing.currencies.length > 1)) return '';
  const words = pricingWords(pricing.language);
  return most.as === 'months'
    ? filled(words.saveMonths, { saving: savedAmount(pricing, most, at.currency) })
    : filled(words.saveUpTo, { saving: savedAmount(pricing, most, at.currency) });
}

/** The periods to choose from: radio buttons, which need no script (`choice-rules.ts` shows what is chosen). */
function switchOf(pricing: Pricing, id: string): readonly Element[] {
  const periods = everyPeriod(pricing);
  if (periods.length < 2) return [];
  const first = Math.max(
    0,
    periods.findIndex(({ period }) => period === pricing.first.period),
  );
  return [
    radioGroup(
      { mark: contract.periods, name: `${id}-period`, legend: pricingWords(pricing.language).period },
      periods.map((each, at) => {
        const saving = savingIn(pricing, each);
        const name = pricing.periods.find(({ id: own }) => own === each.period)?.name ?? '';
        return { value: each.period, mark: contract.nthPeriod(at), label: saving === '' ? name : `${name}, ${saving}`, isChosen: at === first };
      }),
    ),
  ];
}

/** The currencies to choose from, by their codes. */
function currenciesOf({ currencies, first, language }: Pricing, id: string): readonly Element[] {
  if (currencies.length < 2) return [];
  const chosen = currencies.find(({ code }) => code === first.currency) ?? currencies[0];
  const choices = currencies.map((each, at) => ({ value: each.code, mark: contract.nthCurrency(at), label: each.code, isChosen: each === chosen }));
  return [radioGroup({ mark: contract.currencies, name: `${id}-currency`, legend: pricingWords(language).currency }, choices)];
}

/** The plans to choose one from, that which is pushed first of all. */
export function planChoice(pricing: Pricing, id: string): Element {
  const plans = shownPlans(pricing);
  const first = Math.max(
    0,
    plans.findIndex((plan) => plan.id === pricing.featured),
  );
  return radioGroup(
    { mark: contract.choice, name: `${id}-plan`, legend: pricingWords(pricing.language).plan },
    plans.map((plan, at) => ({ value: plan.id, mark: contract.nthPlan(at), label: plan.name, isChosen: at === first })),
  );
}

interface Choice {
  readonly value: string;
  readonly mark: string;
  readonly label: string;
  readonly isChosen: boolean;
}
/** Radio buttons under a name that is heard. */
function radioGroup(
  { mark, name, legend }: { readonly mark: string; readonly name: string; readonly legend: string },
  choices: readonly Choice[],
): Element {
  const labels = choices.map(({ value, mark: own, label, isChosen }) => {
    const field = element('input', { type: 'radio', name, value, class: own, ...(isChosen ? { checked: '' } : {}) });
    return element('label', { class: contract.inCards['period-switch'] }, field, label);
  });
  return element('fieldset', { class: mark }, element('legend', { class: contract.heard }, legend), ...labels);
}
