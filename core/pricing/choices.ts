import { choiceText, marksIn, textOf, type Cell, type Choice, type Mark } from '../table';
import { everyPeriod } from './shown';
import type { Pricing } from './pricing';
import type { Chosen } from './shown-price';

/** What visitors can choose of a pricing table. */
export interface PricingChoice {
  readonly choice: Choice;
  readonly chosen: Chosen;
}

/** Everything that visitors can choose: each period that has a price, in each currency. Where there is one of these alone, it is no choice. */
export function choicesOf(pricing: Pricing): readonly PricingChoice[] {
  const [periods, { currencies }] = [everyPeriod(pricing), pricing];
  return periods.flatMap(({ period }, at) =>
    currencies.map(({ code }, by) => ({
      choice: { ...(periods.length > 1 ? { period: at } : {}), ...(currencies.length > 1 ? { currency: by } : {}) },
      chosen: { period, currency: code },
    })),
  );
}

/** What is said for each choice as one cell, of which that alone is seen which is chosen. */
export function chosenCell(said: readonly { readonly choice: Choice; readonly cell: Cell }[]): Cell {
  let text = '';
  const marks: Mark[] = [];
  said.forEach(({ choice, cell }, at) => {
    const from = text.length;
    text += textOf(cell) + (at < said.length - 1 ? '\n' : '');
    marks.push(...marksIn(cell).map((mark) => ({ ...mark, from: mark.from + from, to: mark.to + from })));
    // The break after it is its own, so that it is gone with it.
    if (text.length > from) marks.push({ from, to: text.length, kind: 'choice', href: choiceText(choice) });
  });
  return { text, marks };
}
