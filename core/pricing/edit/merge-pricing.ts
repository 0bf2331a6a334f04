import { mergeOrder, takeTheirs, threeWayMerge, type Conflict, type Merged } from '../../edit';
import type { Plan, Pricing } from '../pricing';

/** The lists of a pricing table, and by what what stands in them is told apart. */
const lists = {
  plans: 'id',
  features: 'id',
  periods: 'id',
  notes: 'id',
  currencies: 'code',
} as const;
type ListName = keyof typeof lists;
const listNames = Object.keys(lists) as readonly ListName[];

type Things = Readonly<Record<string, unknown>>;
/** A pricing table whose things are told by their ids: what each says, and in which order they stand. */
interface Flat {
  readonly fields: Things;
  readonly things: Readonly<Record<string, Things>>;
  readonly order: Readonly<Record<ListName, readonly string[]>>;
}

/** Answers and prices are merged as a whole: half of one and half of another would say what nobody said. */
const atom = (value: unknown): string => JSON.stringify(value);
const atoms = (of: Readonly<Record<string, unknown>>): Readonly<Record<string, string>> =>
  Object.fromEntries(Object.entries(of).map(([key, value]) => [key, atom(value)]));
const opened = (of: Things): Things =>
  Object.fromEntries(Object.entries(of).map(([key, value]) => [key, typeof value === 'string' ? (JSON.parse(value) as unknown) : value]));
const asThing = (name: ListName, thing: object): unknown =>
  name === 'plans' ? { ...thing, prices: atoms(Object.fromEntries((thing as Plan).prices.map((price) => [price.period, price]))) } : thing;
const fromThing = (name: ListName, thing: unknown): unknown =>
  name === 'plans' ? { ...(thing as object), prices: Object.values(opened((thing as { readonly prices: Things }).prices)) } : thing;
/** Where answers and prices stand in a flat pricing table, from its own path on. */
const isAtom = (path: readonly string[]): boolean =>
  (path[0] === 'answers' && path.length === 3) || (path[0] === 'plans' && path[2] === 'prices' && path.length === 4);

const keyOf = (name: ListName, thing: object): string => String((thing as Record<string, unknown>)[lists[name]]);

function flat({ plans, features, periods, notes, currencies, answers, exceptions, ...fields }: Pricing): Flat {
  const all: Readonly<Record<ListName, readonly object[]>> = { plans, features, periods, notes, currencies };
  const byKey = (name: ListName): Things => Object.fromEntries(all[name].map((thing) => [keyOf(name, thing), asThing(name, thing)]));
  const looks = Object.fromEntries(exceptions.map((each) => [`${each.plan ?? ''} ${each.feature ?? ''}`, each]));
  return {
    fields: { ...fields },
    things: {
      ...Object.fromEntries(listNames.map((name) => [name, byKey(name)])),
      answers: Object.fromEntries(Object.entries(answers).map(([feature, row]) => [feature, atoms(row)])),
      exceptions: looks,
    },
    order: Object.fromEntries(listNames.map((name) => [name, all[name].map((thing) => keyOf(name, thing))])) as unknown as Flat['order'],
  };
}

const built = ({ fields, things, order }: Flat): Pricing =>
  ({
    ...fields,
    ...Object.fromEntries(
      listNames.map((name) => [name, order[name].flatMap((key) => (things[name]?.[key] === undefined ? [] : [fromThing(name, things[name][key])]))]),
    ),
    answers: Object.fromEntries(Object.entries(things['answers'] ?? {}).map(([feature, row]) => [feature, opened(row as Things)])),
    exceptions: Object.values(things['exceptions'] ?? {}),
  }) as unknown as Pricing;

/**
 * What two windows did to one pricing table since they last agreed. Plans, features and all else are told by their ids, wherever they stand:
 * one that one window moves and the other writes in is moved and written in. What one takes away goes with its answers.
 */
export function mergePricings(base: Pricing, mine: Pricing, theirs: Pricing): Merged<Pricing> {
  const [was, own, other] = [flat(base), flat(mine), flat(theirs)];
  const said = ({ fields, things }: Flat): Readonly<Record<string, Things | Readonly<Record<string, Things>>>> => ({ fields, things });
  const { value, conflicts } = threeWayMerge(said(was), said(own), said(other));
  const { fields = {}, things = {} } = value as unknown as Flat;
  const order = Object.fromEntries(
    listNames.map((name) => {
      const has = (key: string): boolean => things[name]?.[key] !== undefined;
      return [name, mergeOrder(was.order[name], own.order[name], other.order[name], has)];
    }),
  ) as unknown as Flat['order'];
  return {
    value: withoutStrays(built({ fields, things, order })),
    conflicts: conflicts.map((conflict) => told({ ...conflict, path: conflict.path.slice(1) })),
  };
}

/** A conflict with answers and prices as they are kept. */
const told = ({ path, mine, theirs }: Conflict): Conflict => {
  const open = (value: unknown): unknown => (isAtom(path) && typeof value === 'string' ? (JSON.parse(value) as unknown) : value);
  return { path, mine: open(mine), theirs: open(theirs) };
};

/** Without what names something that the other side took away: a document names only what is in it. */
function withoutStrays(pricing: Pricing): Pricing {
  const { plans, features, periods, currencies, notes } = pricing;
  const ids = (list: readonly { readonly id: string }[]): ReadonlySet<string> => new Set(list.map(({ id }) => id));
  const [planIds, featureIds, periodIds, noteIds] = [ids(plans), ids(features), ids(periods), ids(notes)];
  const answers = Object.entries(pricing.answers).flatMap(([feature, row]) => {
    const left = Object.entries(row).flatMap(([plan, { note, ...answer }]) =>
      planIds.has(plan) ? [[plan, note !== undefined && noteIds.has(note) ? { ...answer, note } : answer] as const] : [],
    );
    return featureIds.has(feature) && left.length > 0 ? [[feature, Object.fromEntries(left)] as const] : [];
  });
  return {
    ...pricing,
    plans: plans.map((plan) => ({
      ...plan,
      // Two sides can make a ring of what is none on either.
      from: planIds.has(plan.from) && !isRing(plans, plan.id) ? plan.from : '',
      prices: plan.prices.filter(({ period }) => periodIds.has(period)),
    })),
    answers: Object.fromEntries(answers),
    featured: planIds.has(pricing.featured) ? pricing.featured : '',
    first: {
      period: periodIds.has(pricing.first.period) ? pricing.first.period : (periods[0]?.id ?? pricing.first.period),
      currency: currencies.some(({ code }) => code === pricing.first.currency)
        ? pricing.first.currency
        : (currencies[0]?.code ?? pricing.first.currency),
    },
    exceptions: pricing.exceptions.filter(
      ({ plan, feature }) => (plan === null || planIds.has(plan)) && (feature === null || featureIds.has(feature)),
    ),
  };
}

/** Whether a plan has everything of itself, by whatever way. */
function isRing(plans: readonly Plan[], id: string): boolean {
  const seen = new Set<string>();
  for (let at = plans.find((each) => each.id === id); at && !seen.has(at.id); at = plans.find((each) => each.id === at?.from)) {
    seen.add(at.id);
    if (at.from === id) return true;
  }
  return false;
}

/** The pricing table with the other side's value at the place of a conflict. */
export function takeTheirPricing(pricing: Pricing, conflict: Conflict): Pricing {
  const whole = flat(pricing);
  const [first = ''] = conflict.path;
  const at = Object.hasOwn(whole.things, first) ? 'things' : 'fields';
  const changed = takeTheirs(
    { fields: whole.fields, things: whole.things },
    {
      ...conflict,
      theirs: isAtom(conflict.path) && conflict.theirs !== undefined ? atom(conflict.theirs) : conflict.theirs,
      path: [at, ...conflict.path],
    },
  );
  const order = Object.fromEntries(
    listNames.map((name) => {
      const known = whole.order[name];
      // What this side had taken away comes back, at the end.
      return [name, [...known, ...Object.keys(changed.things[name] ?? {}).filter((key) => !known.includes(key))]];
    }),
  ) as unknown as Flat['order'];
  return withoutStrays(built({ ...changed, order }));
}
