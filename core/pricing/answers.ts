import { own } from '../own';
import type { Answer, Feature, Plan, Pricing } from './pricing';

/** A plan's answer, and whose it is: its own, or that of a plan of which it has everything. */
export interface Given {
  readonly answer: Answer;
  readonly of: Plan;
}

const said = ({ answers }: Pricing, feature: string, plan: string): Answer | undefined => own(own(answers, feature) ?? {}, plan);

/** A plan, then the one of which it has everything, and so on; each once, so that a loop ends. */
export function lineOf({ plans }: Pricing, plan: Plan): readonly Plan[] {
  const line = [plan];
  for (let next = plan; next.from !== '';) {
    const found = plans.find(({ id }) => id === next.from);
    if (!found || line.includes(found)) break;
    line.push(found);
    next = found;
  }
  return line;
}

/** What a plan says of a feature; undefined where nothing is said, which is not no. What it says itself goes before what it has from another. */
export function answerOf(pricing: Pricing, feature: Feature, plan: Plan): Given | undefined {
  for (const of of lineOf(pricing, plan)) {
    const answer = said(pricing, feature.id, of.id);
    if (answer) return { answer, of };
  }
  return undefined;
}

/** What a card says of a number by plural forms (Unicode CLDR, in the document's language). */
export function phrased(phrase: Feature['phrase'], n: string, language: string): string | undefined {
  const form = new Intl.PluralRules(language || 'en').select(Number(n));
  const found = own(phrase, form) ?? own(phrase, 'other');
  return found?.replaceAll('{n}', new Intl.NumberFormat(language || 'en', { maximumFractionDigits: 20 }).format(n as unknown as number));
}
