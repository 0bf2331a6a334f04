import type { Outcome } from '../outcome';
import {
  propertyOf,
  sayersFor,
  type Excepted,
  type Place,
  type PropertyName,
  type Slot,
  type Source,
  type Theme,
  type ThemeView,
  type Value,
} from '../theme';

/** One step of the chain behind a value. */
export interface Link {
  readonly source: Source | 'exception' | 'initial';
  /** The theme that says it; none for an exception and for the initial value. */
  readonly of?: Theme;
  /** For an exception: whose. */
  readonly excepted?: Excepted;
  /** Where it is set; none for the initial value. */
  readonly place?: Place;
  readonly text: string;
  /** The line of the theme's extra CSS, where that says it. */
  readonly line?: number;
  /** `holds`: this is the value. `beaten`: a stronger one holds. `broken`: it cannot be read, so the next one is asked. */
  readonly state: 'holds' | 'beaten' | 'broken';
  /** For a broken one, what is wrong with it. */
  readonly say?: string;
}

/** The value of a property at a place where nothing else has a say: the whole table's box and the lines. */
export function resolveAt(view: ThemeView, place: Place, name: PropertyName): Value {
  const property = propertyOf(name);
  return view.valueAt(place, property) ?? view.initial(property);
}

export interface Winner {
  readonly value: Value;
  /** The place that sets it; none for the initial value and for an exception. */
  readonly place: Place | undefined;
  readonly excepted?: Excepted;
}

/**
 * The value of a property of a slot and what sets it: `resolve` without the chain being kept, for what is asked very often.
 * The first that says something which can be read holds, in the order of strength (`sayersFor`).
 */
export function winnerAt(view: ThemeView, slot: Slot, name: PropertyName): Winner {
  const property = propertyOf(name);
  for (const sayer of sayersFor(slot, property)) {
    if ('part' in sayer) {
      const value = view.valueAt(sayer, property);
      if (value) return { value, place: property.follows === undefined ? sayer : placeOf(view, sayer, name) };
      continue;
    }
    const read = view.read(property, sayer.values[name] ?? '');
    if (read.ok) return { value: read.value, place: undefined, excepted: sayer };
  }
  return { value: view.initial(property), place: undefined };
}

/** Where what holds at a place is set: what is left to its column is said of all headers. */
const placeOf = (view: ThemeView, place: Place, name: PropertyName): Place => {
  const { part, condition } = view.said(place, name).find(({ read }) => read.ok)?.place ?? place;
  return { part, condition };
};

export interface Resolved {
  readonly value: Value;
  readonly text: string;
  readonly from: Link;
  /** Everything that has a say, strongest first. */
  readonly chain: readonly Link[];
}

type Saying = Pick<Link, 'source' | 'of' | 'place' | 'excepted' | 'text' | 'line'> & { readonly read: Outcome<Value> };

/** The value of a property of a slot, and the whole chain behind it. */
export function resolve(view: ThemeView, slot: Slot, name: PropertyName): Resolved {
  const property = propertyOf(name);
  const sayings = sayersFor(slot, property).flatMap((sayer): readonly Saying[] => {
    if ('part' in sayer) return view.said(sayer, name);
    const text = sayer.values[name] ?? '';
    return [{ source: 'exception', excepted: sayer, text, read: view.read(property, text) }];
  });
  const unsaid = property.told?.[slot.part] ?? property.initial;
  const winner = sayings.find(({ read }) => read.ok);
  const chain = sayings.map((saying) => linkOf(saying, saying === winner));
  const from = chain.find(({ state }) => state === 'holds');
  if (winner?.read.ok && from) return { value: winner.read.value, text: winner.text, from, chain: [...chain, initialLink(unsaid, false)] };
  const initial = initialLink(unsaid, true);
  return { value: view.initial(property), text: unsaid, from: initial, chain: [...chain, initial] };
}

function linkOf({ read, ...saying }: Saying, holds: boolean): Link {
  if (read.ok) return { ...saying, state: holds ? 'holds' : 'beaten' };
  return { ...saying, state: 'broken', say: read.problems[0]?.say };
}

const initialLink = (text: string, holds: boolean): Link => ({ source: 'initial', text, state: holds ? 'holds' : 'beaten' });
