import {
  firstGood,
  lookOf,
  placesFor,
  propertyOf,
  type Place,
  type PropertyName,
  type Saying,
  type Slot,
  type Source,
  type Theme,
  type Value,
} from '../theme';

/** One step of the chain behind a value. */
export interface Link {
  readonly source: Source | 'initial';
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

/** The value of a property of a slot and the place that sets it, without the chain behind it: for what is asked very often. */
export function winnerAt(theme: Theme, slot: Slot, name: PropertyName): { readonly value: Value; readonly place: Place | undefined } {
  const look = lookOf(theme);
  const property = propertyOf(name);
  for (const place of placesFor(slot, property)) {
    const value = look.valueAt(place, property);
    if (value) return { value, place };
  }
  return { value: look.initial(property), place: undefined };
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
  const sayings = placesFor(slot, property).flatMap((place) => look.said(place, name));
  const winner = firstGood(sayings);
  const chain = sayings.map((saying) => linkOf(saying, saying === winner?.saying));
  if (winner) {
    const from = chain.find(({ state }) => state === 'holds');
    if (from) return { value: winner.value, text: winner.saying.text, from, chain: [...chain, initialLink(property.initial, false)] };
  }
  const from = initialLink(property.initial, true);
  return { value: look.initial(property), text: property.initial, from, chain: [...chain, from] };
}

function linkOf({ source, place, text, read }: Saying, holds: boolean): Link {
  if (read.ok) return { source, place, text, state: holds ? 'holds' : 'beaten' };
  return { source, place, text, state: 'broken', say: read.problems[0]?.say };
}

const initialLink = (text: string, holds: boolean): Link => ({ source: 'initial', text, state: holds ? 'holds' : 'beaten' });
