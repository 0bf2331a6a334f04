import { array, boolean, mixed, number, object, string, type ObjectSchema } from 'yup';
import { isLanguage } from '../data-types';
import { own } from '../own';
import { bad, type Outcome } from '../outcome';
import { checkShape } from '../problems-of';
import { isPictureAddress, isSafeAddress } from '../table';
import { isExceptionProperty, isOfColumns, modeNames, nameSchema } from '../theme';
import { isAmount } from './amounts';
import {
  PRICING_FORMAT,
  PRICING_LIMITS,
  answerKinds,
  availabilities,
  featurePlaces,
  priceKinds,
  savingKinds,
  type Answer,
  type Plan,
  type Pricing,
} from './pricing';

const ID = /^[A-Za-z0-9][A-Za-z0-9_-]{0,39}$/;
const id = (what: string) => string().strict().required(`${what} needs an id.`).matches(ID, `${what}’s id has 1 to 40 letters, digits, - and _.`);
const idOrNone = string()
  .strict()
  .defined()
  .matches(/^$|^[A-Za-z0-9][A-Za-z0-9_-]{0,39}$/, 'An id has 1 to 40 letters, digits, - and _.');
const text = (what: string, most: number = PRICING_LIMITS.text) =>
  string().strict().defined(`${what} is missing; it may be empty.`).max(most, `${what} has at most ${most} characters.`);
const choice = <T extends string>(what: string, choices: readonly T[]) =>
  string()
    .strict()
    .defined(`${what} is missing.`)
    .oneOf(choices, `${what} is one of ${choices.map((each) => each || 'nothing').join(', ')}.`);
const amount = (what: string) =>
  string()
    .strict()
    .optional()
    .test('amount', `${what} is an exact decimal, as in 12.50.`, (value) => value === undefined || isAmount(value));
const code = string()
  .strict()
  .required('A currency needs a code.')
  .matches(/^[A-Z]{3}$/, 'A currency is a code of three letters (ISO 4217).');
/** An object of something by names that came from outside. */
const recordOf = <T>(what: string, isName: (name: string) => boolean, problemOf: (value: unknown) => string | undefined, most: number) =>
  mixed<Readonly<Record<string, T>>>()
    .defined()
    .test('record', (value: unknown, context) => {
      if (value === undefined) return true;
      if (typeof value !== 'object' || value === null || Array.isArray(value)) return context.createError({ message: `${what} are an object.` });
      const entries = Object.entries(value);
      if (entries.length > most) return context.createError({ message: `${what} are at most ${most}.` });
      for (const [name, each] of entries) {
        const problem = isName(name) ? problemOf(each) : `${what} have no “${name.slice(0, 40)}”.`;
        if (problem !== undefined) return context.createError({ message: problem, path: `${context.path}.${name.slice(0, 40)}` });
      }
      return true;
    });

const isPositive = (value: string | undefined): boolean => value === undefined || (isAmount(value) && /[1-9]/.test(value));
const currencySchema = object({
  code,
  rate: string().strict().optional().test('rate', 'A rate is an exact decimal above 0, as in 1.16.', isPositive),
  rounding: object({
    to: string()
      .strict()
      .required('Say the step to which amounts are rounded.')
      .matches(/^(?:0|[1-9]\d{0,5})(?:\.\d{1,4})?$/, 'A step is a decimal, as in 1 or 0.05.')
      .test('step', 'A step is more than 0.', isPositive),
    ending: string()
      .strict()
      .defined()
      .matches(/^(?:\.\d{1,4})?$/, 'An ending is written as .90, or is empty.'),
  })
    .noUnknown()
    .optional()
    .default(undefined),
}).noUnknown('A currency has no other fields.');

const typedAmount = (value: unknown): string | undefined =>
  typeof value === 'string' && isAmount(value) ? undefined : 'A typed amount is an exact decimal, as in 12.50.';
const priceSchema = object({
  period: id('A price’s period'),
  is: choice('What a price is', priceKinds),
  amount: amount('An amount'),
  was: amount('An earlier price'),
  unit: string().strict().optional().max(60, 'A unit has at most 60 characters.'),
  by: recordOf<string>('Amounts in currencies', (name) => /^[A-Z]{3}$/.test(name), typedAmount, PRICING_LIMITS.currencies).optional(),
})
  .noUnknown('A price has no other fields.')
  .test('amount', 'A price that is an amount has one.', ({ is, amount: has }) => (is === 'amount' || is === 'from') === (has !== undefined));
const actionSchema = object({
  text: text('An action’s text', PRICING_LIMITS.name),
  href: text('An action’s address', 2000).test(
    'safe',
    'An action leads to http, https, mailto, tel or an address of the site.',
    (href) => href === '' || isSafeAddress(href),
  ),
  rank: choice('An action’s rank', ['first', 'second'] as const),
}).noUnknown('An action has no other fields.');
const accentProblem = (value: unknown): string | undefined =>
  typeof value === 'string' && value.length > 0 && value.length <= 60 ? undefined : 'An accent has 1 to 60 characters.';
const PICTURE = 'A plan’s picture is one that was brought in, on this server.';
const planSchema = object({
  id: id('A plan'),
  name: text('A plan’s name', PRICING_LIMITS.name),
  subtitle: text('A plan’s subtitle', PRICING_LIMITS.name),
  description: text('A plan’s description'),
  icon: text('A plan’s icon', 60),
  picture: string()
    .strict()
    .max(200, PICTURE)
    .optional()
    .test('own', PICTURE, (address) => !address || isPictureAddress(address)),
  accent: text('A plan’s accent', 60),
  accentIn: recordOf<string>(
    'A plan’s accents in modes',
    (name) => modeNames.some((each) => each === name),
    accentProblem,
    modeNames.length,
  ).optional(),
  badge: text('A plan’s badge', 60),
  hidden: boolean().strict().required(),
  from: idOrNone,
  availability: choice('A plan’s availability', availabilities),
  availabilityText: text('What is said of its availability', 60),
  prices: array().strict().required().of(priceSchema.required()).max(PRICING_LIMITS.periods, 'A plan has one price a period.'),
  actions: array()
    .strict()
    .required()
    .of(actionSchema.required())
    .max(PRICING_LIMITS.actions, `A plan has at most ${PRICING_LIMITS.actions} actions.`),
  note: text('A plan’s note'),
}).noUnknown('A plan has no other fields.');
const pluralForms = ['zero', 'one', 'two', 'few', 'many', 'other'];
const phraseProblem = (value: unknown): string | undefined =>
  typeof value === 'string' && value.length > 0 && value.length <= 200 ? undefined : 'A phrase has 1 to 200 characters.';
const featureSchema = object({
  id: id('A feature'),
  kind: choice('A feature', ['group', 'feature'] as const),
  name: text('A feature’s name', PRICING_LIMITS.name),
  hint: text('A hint'),
  in: choice('Where a feature stands', featurePlaces),
  emphasised: boolean().strict().optional().default(undefined),
  phrase: recordOf<string>('A phrase’s forms', (name) => pluralForms.includes(name), phraseProblem, pluralForms.length),
}).noUnknown('A feature has no other fields.');
const answerSchema = object({
  is: choice('An answer', answerKinds),
  n: amount('A number'),
  text: string().strict().optional().max(200, 'An answer has at most 200 characters.'),
  card: string().strict().optional().max(200, 'What a card says has at most 200 characters.'),
  note: string().strict().optional().matches(ID),
})
  .noUnknown('An answer has no other fields.')
  .test('number', 'An answer that is a number or a limit has one.', ({ is, n }) => (is === 'number' || is === 'limit') === (n !== undefined));
const answersProblem = (value: unknown): string | undefined => {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return 'The answers of a feature are an object.';
  if (Object.keys(value).length > PRICING_LIMITS.plans) return `A feature has at most ${PRICING_LIMITS.plans} answers.`;
  for (const [plan, answer] of Object.entries(value)) {
    if (!ID.test(plan)) return 'An answer stands at the id of a plan.';
    const read = checkShape(answerSchema as unknown as ObjectSchema<Answer>, answer);
    if (!read.ok) return read.problems[0]?.say;
  }
  return undefined;
};
const exceptionProblem = (value: unknown): string | undefined =>
  typeof value === 'string' && value.length > 0 && value.length <= 200 ? undefined : 'A look’s values are texts of 1 to 200 characters.';

export const pricingSchema = object({
  format: string()
    .strict()
    .required('The document says no format.')
    .oneOf([PRICING_FORMAT] as const, `This is not a pricing table that can be read here: its format is not ${PRICING_FORMAT}.`),
  name: nameSchema,
  caption: text('A caption'),
  language: string()
    .strict()
    .defined()
    .test('language', 'A language is a code such as en, de or ar-EG.', (tag) => tag === '' || isLanguage(tag)),
  periods: array()
    .strict()
    .required()
    .of(
      object({
        id: id('A period'),
        name: text('A period’s name', 60),
        months: number().strict().nullable().defined().integer().min(1).max(1200),
      }).noUnknown(),
    )
    .min(1, 'There is at least one period.')
    .max(PRICING_LIMITS.periods, `There are at most ${PRICING_LIMITS.periods} periods.`),
  currencies: array()
    .strict()
    .required()
    .of(currencySchema.required())
    .min(1, 'There is at least one currency.')
    .max(PRICING_LIMITS.currencies, `There are at most ${PRICING_LIMITS.currencies} currencies.`)
    .test('rates', 'The first currency has no rate, every other one has.', (list) => list.every(({ rate }, i) => (rate === undefined) === (i === 0))),
  first: object({ period: id('The first period'), currency: code })
    .noUnknown()
    .required(),
  tax: choice('Whether tax is included', ['included', 'not included', ''] as const),
  saving: choice('How a saving is said', savingKinds),
  unpriced: text('What is said without a price', 60),
  joined: boolean().strict().optional().default(undefined),
  marked: boolean().strict().optional().default(undefined),
  plans: array()
    .strict()
    .required()
    .of(planSchema.required())
    .min(1, 'There is at least one plan.')
    .max(PRICING_LIMITS.plans, `There are at most ${PRICING_LIMITS.plans} plans.`),
  featured: idOrNone,
  features: array()
    .strict()
    .required()
    .of(featureSchema.required())
    .max(PRICING_LIMITS.features, `There are at most ${PRICING_LIMITS.features} features.`),
  answers: recordOf<Readonly<Record<string, Answer>>>('The answers', (name) => ID.test(name), answersProblem, PRICING_LIMITS.features),
  notes: array()
    .strict()
    .required()
    .of(object({ id: id('A footnote'), text: text('A footnote') }).noUnknown())
    .max(PRICING_LIMITS.notes, `There are at most ${PRICING_LIMITS.notes} footnotes.`),
  exceptions: array()
    .strict()
    .required()
    .of(
      object({
        plan: string().strict().nullable().defined().matches(ID),
        feature: string().strict().nullable().defined().matches(ID),
        values: recordOf<string>('A look’s values', (name) => isExceptionProperty(name) || isOfColumns(name), exceptionProblem, 100),
      })
        .noUnknown()
        .test('place', 'A look stands at a plan, a feature, or where both cross.', ({ plan, feature }) => plan !== null || feature !== null),
    )
    .max(PRICING_LIMITS.exceptions, `There are at most ${PRICING_LIMITS.exceptions} looks.`),
  theme: string().strict().defined().max(80),
}).noUnknown('A pricing table has no other fields.') as unknown as ObjectSchema<Pricing>;

const problem = (say: string, at: string, remedy?: string): Outcome<never> => bad({ code: 'pricing', say, at, ...(remedy ? { remedy } : {}) });

/** The first of some that stands there twice, by what is said to tell them apart. */
function twice<T>(all: readonly T[], keyOf: (each: T) => string): number {
  const seen = new Set<string>();
  return all.findIndex((each) => seen.size === seen.add(keyOf(each)).size);
}

/** What hangs together wrongly: ids that stand twice, and ids of what is not there. */
function looseEnd(pricing: Pricing): Outcome<never> | undefined {
  const { plans, features, periods, currencies, notes, first, featured } = pricing;
  for (const [name, ids] of [
    ['plans', plans.map((each) => each.id)],
    ['features', features.map((each) => each.id)],
    ['periods', periods.map((each) => each.id)],
    ['notes', notes.map((each) => each.id)],
    ['currencies', currencies.map((each) => each.code)],
  ] as const) {
    const at = twice(ids, (each) => each);
    if (at >= 0) return problem(`“${ids[at] ?? ''}” stands there twice.`, `${name}/${at}`, 'Give each its own.');
  }
  const has = (list: readonly { readonly id: string }[], wanted: string): boolean => list.some((each) => each.id === wanted);
  if (!has(periods, first.period)) return problem('The first period is not one of its periods.', 'first/period');
  if (!currencies.some((each) => each.code === first.currency)) return problem('The first currency is not one of its currencies.', 'first/currency');
  if (featured !== '' && !has(plans, featured)) return problem('The featured plan is not one of its plans.', 'featured');
  for (const [i, plan] of plans.entries()) {
    if (twice(plan.prices, ({ period }) => period) >= 0) return problem(`“${plan.name}” has two prices for one period.`, `plans/${i}/prices`);
    const stray = plan.prices.findIndex(({ period }) => !has(periods, period));
    if (stray >= 0) return problem(`A price of “${plan.name}” is for a period that is not there.`, `plans/${i}/prices/${stray}`);
    if (plan.from !== '' && !has(plans, plan.from)) return problem(`“${plan.name}” has everything of a plan that is not there.`, `plans/${i}/from`);
    const loop = loopFrom(plans, plan);
    if (loop) return problem(`Plans have everything of one another: ${loop.join(' → ')}.`, `plans/${i}/from`, 'Let one of them begin anew.');
  }
  for (const feature of Object.keys(pricing.answers)) {
    if (!has(features, feature)) return problem('There are answers for a feature that is not there.', `answers/${feature}`);
    for (const [plan, { note }] of Object.entries(own(pricing.answers, feature) ?? {})) {
      if (!has(plans, plan)) return problem('There is an answer of a plan that is not there.', `answers/${feature}/${plan}`);
      if (note !== undefined && !has(notes, note)) return problem('An answer names a footnote that is not there.', `answers/${feature}/${plan}/note`);
    }
  }
  return undefined;
}

/** The names of plans that have everything of one another in a ring, from a plan on; undefined where there is none. */
function loopFrom(plans: readonly Plan[], plan: Plan): readonly string[] | undefined {
  const line: Plan[] = [];
  for (let at: Plan | undefined = plan; at && at.from !== ''; at = plans.find(({ id: each }) => each === at?.from)) {
    if (line.includes(at)) return at === plan ? [...line, at].map(({ name, id: each }) => name || each) : undefined;
    line.push(at);
  }
  return undefined;
}

/** Reads a pricing table from JSON that came from anywhere; everything that it names in itself is there. */
export function readPricing(json: unknown): Outcome<Pricing> {
  const read = checkShape(pricingSchema, json);
  return read.ok ? (looseEnd(read.value) ?? read) : read;
}
