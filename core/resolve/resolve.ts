import type { Outcome } from '../outcome';
import {
  conditionOf,
  exceptedFor,
  lookOf,
  placesFor,
  propertyOf,
  type Excepted,
  type Look,
  type Place,
  type Property,
  type PropertyName,
  type Slot,
  type Source,
  type Theme,
  type Value,
} from '../theme';

/** One step of the chain behind a value. */
export interface Link {
  readonly source: Source | 'exception' | 'initial';
  /** For an exception: whose. */
  readonly excepted?: Excepted;
  /** Where it is set; none for the initial value. */
  readonly place?: Place;
  readonly text: string;
  /** `holds`: this is the value. `beaten`: a stronger one holds. `broken`: it cannot be read, so the next one is asked. */
  readonly state: 'holds' | 'beaten' | 'broken';
  /** For a broken one, what is wrong with it. */
  readonly say?: string;
}

/** The value of a property at a place where nothing else has a say: the whole table's box and the lines. */
export function resolveAt(theme: Theme, place: Place, name: PropertyName): Value {
  const look = lookOf(theme);
  const property = propertyOf(name);
  return look.valueAt(place, property) ?? look.initial(property);
}

export interface Winner {
  readonly value: Value;
  /** The place that sets it; none for the initial value and for an exception. */
  readonly place: Place | undefined;
  readonly excepted?: Excepted;
}

const isOfHand = ({ condition }: Place): boolean => conditionOf(condition).tier === 'hand';

/** The strongest of some exceptions whose value can be read. */
export function exceptionAmong(look: Look, some: readonly Excepted[], property: Property): Winner | undefined {
  for (const excepted of some) {
    const read = look.read(property, excepted.values[property.name] ?? '');
    if (read.ok) return { value: read.value, place: undefined, excepted };
  }
  return undefined;
}

/** The value of a property of a slot and what sets it, without the chain behind it: for what is asked very often. */
export function winnerAt(theme: Theme, slot: Slot, name: PropertyName): Winner {
  const look = lookOf(theme);
  const property = propertyOf(name);
  const { over, under } = exceptedFor(slot, name);
  const always = exceptionAmong(look, over, property);
  if (always) return always;
  let other = exceptionAmong(look, under, property);
  for (const place of placesFor(slot, property)) {
    if (other && !isOfHand(place)) break;
    const value = look.valueAt(place, property);
    if (value) return { value, place };
  }
  other ??= { value: look.initial(property), place: undefined };
  return other;
}

export interface Resolved {
  readonly value: Value;
  readonly text: string;
  readonly from: Link;
  /** Everything that has a say, strongest first. */
  readonly chain: readonly Link[];
}

/** The value of a property of a slot, and the whole chain behind it. */
export function resolve(theme: Theme, slot: Slot, name: PropertyName): Resolved {
  const look = lookOf(theme);
  const property = propertyOf(name);
  const { over, under } = exceptedFor(slot, name);
  const ofExceptions = (some: readonly Excepted[]): readonly Saying[] =>
    some.map((excepted) => {
      const text = excepted.values[name] ?? '';
      return { source: 'exception', excepted, text, read: look.read(property, text) };
    });
  const places = placesFor(slot, property);
  const sayingsAt = (some: readonly Place[]): readonly Saying[] => some.flatMap((place) => look.said(place, name));
  const sayings = [
    ...ofExceptions(over),
    ...sayingsAt(places.filter(isOfHand)),
    ...ofExceptions(under),
    ...sayingsAt(places.filter((place) => !isOfHand(place))),
  ];
  const winner = sayings.find(({ read }) => read.ok);
  const chain = sayings.map((saying) => linkOf(saying, saying === winner));
  const from = chain.find(({ state }) => state === 'holds');
  if (winner?.read.ok && from) return { value: winner.read.value, text: winner.text, from, chain: [...chain, initialLink(property.initial, false)] };
  const initial = initialLink(property.initial, true);
  return { value: look.initial(property), text: property.initial, from: initial, chain: [...chain, initial] };
}

type Saying = Pick<Link, 'source' | 'place' | 'excepted' | 'text'> & { readonly read: Outcome<Value> };

function linkOf({ read, ...saying }: Saying, holds: boolean): Link {
  if (read.ok) return { ...saying, state: holds ? 'holds' : 'beaten' };
  return { ...saying, state: 'broken', say: read.problems[0]?.say };
}

const initialLink = (text: string, holds: boolean): Link => ({ source: 'initial', text, state: holds ? 'holds' : 'beaten' });
