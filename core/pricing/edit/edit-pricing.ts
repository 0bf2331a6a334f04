import { freeName } from '../../free-name';
import { own } from '../../own';
import { bad, good, type Outcome } from '../../outcome';
import { PRICING_LIMITS, emptyFeature, emptyPlan, type Answer, type Feature, type Plan, type Pricing } from '../pricing';
import type { Settling } from '../checks';

const problem = (code: string, say: string, remedy: string): Outcome<never> => bad({ code: `pricing-${code}`, say, remedy });

/** An id that nothing in a list has: letters, and the first number that makes it free. */
export function freeId(letters: string, taken: readonly { readonly id: string }[]): string {
  const ids = new Set(taken.map(({ id }) => id));
  for (let number = taken.length + 1; ; number++) if (!ids.has(`${letters}${number}`)) return `${letters}${number}`;
}

const inserted = <T>(list: readonly T[], at: number, each: T): readonly T[] => [...list.slice(0, at), each, ...list.slice(at)];
const placeAfter = (list: readonly { readonly id: string }[], after: string | undefined): number => {
  const at = list.findIndex(({ id }) => id === after);
  return at < 0 ? list.length : at + 1;
};

/** Answers with what one row of them becomes; a row without any goes. */
function mapAnswers(
  answers: Pricing['answers'],
  made: (row: Readonly<Record<string, Answer>>, feature: string) => Readonly<Record<string, Answer>>,
): Pricing['answers'] {
  const rows = Object.entries(answers).map(([feature, row]) => [feature, made(row, feature)] as const);
  return Object.fromEntries(rows.filter(([, row]) => Object.keys(row).length > 0));
}
const without = <T>(row: Readonly<Record<string, T>>, name: string): Readonly<Record<string, T>> =>
  Object.fromEntries(Object.entries(row).filter(([each]) => each !== name));

/** One more plan, after another or at the end. */
export function addPlan(pricing: Pricing, name = '', after?: string): Outcome<Pricing> {
  const { plans } = pricing;
  if (plans.length >= PRICING_LIMITS.plans)
    return problem('plans', `There are ${plans.length} plans.`, `A pricing table has at most ${PRICING_LIMITS.plans}.`);
  const wanted = name || `Plan ${plans.length + 1}`;
  const plan = emptyPlan(
    freeId('p', plans),
    freeName(
      wanted,
      plans.map((each) => each.name),
    ),
  );
  return good({ ...pricing, plans: inserted(plans, placeAfter(plans, after), plan) });
}

/** A plan once more beside itself, with its prices, answers and looks. It is not featured, and has a name of its own. */
export function duplicatePlan(pricing: Pricing, id: string): Outcome<Pricing> {
  const { plans } = pricing;
  const plan = plans.find((each) => each.id === id);
  if (!plan) return problem('gone', 'This plan is not there any more.', 'Choose another.');
  if (plans.length >= PRICING_LIMITS.plans)
    return problem('plans', `There are ${plans.length} plans.`, `A pricing table has at most ${PRICING_LIMITS.plans}.`);
  const copy: Plan = {
    ...plan,
    id: freeId('p', plans),
    name: freeName(
      plan.name,
      plans.map((each) => each.name),
    ),
  };
  return good({
    ...pricing,
    plans: inserted(plans, placeAfter(plans, id), copy),
    answers: mapAnswers(pricing.answers, (row) => {
      const answer = own(row, id);
      return answer ? { ...row, [copy.id]: answer } : row;
    }),
    exceptions: [...pricing.exceptions, ...pricing.exceptions.filter((each) => each.plan === id).map((each) => ({ ...each, plan: copy.id }))],
  });
}

/** Takes one thing of a list before another, or to the end. */
function moved<T extends { readonly id: string }>(list: readonly T[], id: string, before: string | undefined): readonly T[] {
  const thing = list.find((each) => each.id === id);
  if (!thing || id === before) return list;
  const rest = list.filter((each) => each !== thing);
  const at = rest.findIndex((each) => each.id === before);
  return inserted(rest, at < 0 ? rest.length : at, thing);
}
export const movePlan = (pricing: Pricing, id: string, before?: string): Pricing => ({ ...pricing, plans: moved(pricing.plans, id, before) });

/** Takes a feature before another, or to the end; a group goes with all that is in it. */
export function moveFeature(pricing: Pricing, id: string, before?: string): Pricing {
  const { features } = pricing;
  const at = features.findIndex((each) => each.id === id);
  if (at < 0) return pricing;
  const next = features.findIndex((each, i) => i > at && each.kind === 'group');
  const group = features[at]?.kind === 'group' ? features.slice(at, next < 0 ? features.length : next) : features.slice(at, at + 1);
  if (group.some((each) => each.id === before)) return pricing;
  const rest = features.filter((each) => !group.includes(each));
  const to = rest.findIndex((each) => each.id === before);
  return { ...pricing, features: to < 0 ? [...rest, ...group] : [...rest.slice(0, to), ...group, ...rest.slice(to)] };
}

/** Takes a plan away. What had everything of it has what it said, and everything of what that had. */
export function removePlan(pricing: Pricing, id: string): Outcome<Pricing> {
  const gone = pricing.plans.find((each) => each.id === id);
  if (!gone) return good(pricing);
  if (pricing.plans.length === 1) return problem('last', 'This is the only plan.', 'Add another one first.');
  const heirs = pricing.plans.filter(({ from }) => from === id).map((each) => each.id);
  return good({
    ...pricing,
    plans: pricing.plans.filter((each) => each !== gone).map((each) => (each.from === id ? { ...each, from: gone.from } : each)),
    featured: pricing.featured === id ? '' : pricing.featured,
    answers: mapAnswers(pricing.answers, (row) => {
      const answer = own(row, id);
      const handed = answer ? Object.fromEntries(heirs.map((heir) => [heir, answer])) : {};
      return without({ ...handed, ...row }, id);
    }),
    exceptions: pricing.exceptions.filter(({ plan }) => plan !== id),
  });
}

/** One more feature or group, after another or at the end. */
export function addFeature(pricing: Pricing, name: string, kind: Feature['kind'] = 'feature', after?: string): Outcome<Pricing> {
  const { features } = pricing;
  if (features.length >= PRICING_LIMITS.features)
    return problem('features', `There are ${features.length} features.`, `A pricing table has at most ${PRICING_LIMITS.features}.`);
  const feature = emptyFeature(freeId(kind === 'group' ? 'g' : 'f', features), name, kind);
  return good({ ...pricing, features: inserted(features, placeAfter(features, after), feature) });
}

/** Takes a feature away with its answers and looks; of a group the heading alone, so that its features stay. */
export const removeFeature = (pricing: Pricing, id: string): Pricing => ({
  ...pricing,
  features: pricing.features.filter((each) => each.id !== id),
  answers: without(pricing.answers, id),
  exceptions: pricing.exceptions.filter(({ feature }) => feature !== id),
});

/** What a plan says of a feature; nothing for not said. */
export function setAnswer(pricing: Pricing, feature: string, plan: string, answer: Answer | undefined): Pricing {
  const row = own(pricing.answers, feature) ?? {};
  const next = answer ? { ...row, [plan]: answer } : without(row, plan);
  return { ...pricing, answers: Object.keys(next).length > 0 ? { ...pricing.answers, [feature]: next } : without(pricing.answers, feature) };
}

/** A footnote for what a plan has of a feature; nothing said takes it away. Footnotes of the same words are one, and none stays that nothing names. */
export function setNote(pricing: Pricing, feature: string, plan: string, text: string): Outcome<Pricing> {
  const answer = own(own(pricing.answers, feature) ?? {}, plan);
  if (!answer) return problem('unsaid', 'Nothing is said here yet.', 'Type what the plan has; then it can have a footnote.');
  const { note: _, ...bare } = answer;
  const words = text.trim();
  const known = pricing.notes.find((each) => each.text === words);
  if (words !== '' && !known && pricing.notes.length >= PRICING_LIMITS.notes)
    return problem('notes', `There are ${pricing.notes.length} footnotes.`, `A pricing table has at most ${PRICING_LIMITS.notes}.`);
  const note = known ?? { id: freeId('n', pricing.notes), text: words };
  const made = setAnswer(pricing, feature, plan, words === '' ? bare : { ...bare, note: note.id });
  const notes = known || words === '' ? pricing.notes : [...pricing.notes, note];
  const named = new Set(Object.values(made.answers).flatMap((row) => Object.values(row).map((each) => each.note)));
  return good({ ...made, notes: notes.filter(({ id }) => named.has(id)) });
}

/** Two features as one: the answers of the first are the second's wherever that says nothing. */
export function joinFeatures(pricing: Pricing, from: string, into: string): Pricing {
  if (from === into) return pricing;
  const rows = { ...own(pricing.answers, from), ...own(pricing.answers, into) };
  const joined = Object.entries(rows).reduce((each, [plan, answer]) => setAnswer(each, into, plan, answer), pricing);
  return removeFeature(joined, from);
}

/** What settles a finding, where that changes the document by itself; else as it is, since a person has to say something. */
export function settled(pricing: Pricing, settle: Settling): Pricing {
  switch (settle.does) {
    case 'say no':
      return settle.plans.reduce((each, plan) => setAnswer(each, settle.feature, plan, { is: 'no' }), pricing);
    case 'join':
      return joinFeatures(pricing, settle.feature, settle.into);
    case 'remove badge':
      return { ...pricing, plans: pricing.plans.map((each) => (each.id === settle.plan ? { ...each, badge: '' } : each)) };
    case 'unfeature':
      return { ...pricing, featured: '' };
    case 'go to name':
    case 'go to price':
    case 'go to action':
    case 'go to answer':
    case 'go to accent':
      return pricing;
  }
}
