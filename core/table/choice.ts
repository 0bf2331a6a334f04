/** One of several choices that visitors have of what they see, by its place from 0; what there is no choice of is left out. */
export interface Choice {
  readonly period?: number;
  readonly currency?: number;
}

/** A choice as a mark of a text names it. */
export const choiceText = ({ period, currency }: Choice): string => `${period ?? ''}/${currency ?? ''}`;

/** The choice that a mark names. */
export function choiceOf(text: string): Choice {
  const [period = '', currency = ''] = text.split('/');
  return { ...(period === '' ? {} : { period: Number(period) }), ...(currency === '' ? {} : { currency: Number(currency) }) };
}
