import type { Rgba } from '../colour';
import { type Outcome } from '../outcome';
import { propertyOf, type Property, type PropertyName, type ValueKind } from './properties';
import { ground } from './starters/ground';
import { starterOf } from './starters';
import { readSwatches } from './read-swatches';
import { type Picture, type Place, type Swatch, type Theme } from './theme';
import type { TypeScale } from './type-scale';
import type { PartName } from './parts';
import type { Value, Vocabulary } from './reading';
import { ownLayers, placeAt } from './widths';
import { readValue } from './values';

/** Who says a value: the theme itself, its base theme, or the ground under every theme. */
export type Source = 'theme' | 'base' | 'ground';

export interface Saying {
  readonly source: Source;
  readonly place: Place;
  readonly text: string;
  readonly read: Outcome<Value>;
}

/**
 * A theme with everything that it stands on. Made once for each immutable theme and remembered by it;
 * what values may refer to is remembered by the swatches, so that an edit reads one new value only.
 */
export interface Look {
  readonly theme: Theme;
  readonly base: Theme;
  readonly vocabulary: Vocabulary;
  readonly swatches: readonly Swatch[];
  /** What each swatch comes to, or why it comes to nothing: what refers to it then falls back. */
  readonly colours: ReadonlyMap<string, Outcome<Rgba>>;
  readonly scale: TypeScale;
  /** What is said for a property at a place, strongest source first. */
  readonly said: (place: Place, property: PropertyName) => readonly Saying[];
  /** The strongest value at a place that can be read; undefined where none is said. */
  readonly valueAt: (place: Place, property: Property) => Value | undefined;
  /** A text that is set beside the theme, read in its words. */
  readonly read: (property: Property, text: string) => Outcome<Value>;
  /** Whether a part's own look is off, so that it looks like what it stands within. */
  readonly isOff: (part: PartName) => boolean;
  /** What holds when nothing is said. */
  readonly initial: (property: Property) => Value;
}

const switchable = propertyOf('look').parts;
const looks = new WeakMap<Theme, Look>();

export function lookOf(theme: Theme): Look {
  const known = looks.get(theme);
  if (known) return known;
  const base = starterOf(theme.base);
  const scale = theme.scale ?? base.scale ?? groundScale();
  const words = wordsOf(theme.swatches, base, scale, theme.pictures);
  const layers: readonly { source: Source; step: string; values: Theme['values'] }[] = [
    ...ownLayers(theme).map(({ name, values }) => ({ source: 'theme' as const, step: name, values })),
    { source: 'base', step: '', values: base.values },
    { source: 'ground', step: '', values: ground.values },
  ];
  const textIn = (values: Theme['values'], { part, condition }: Place, property: PropertyName): string | undefined =>
    values[part]?.[condition]?.[property];
  const isOff = (part: PartName): boolean => {
    const place = { part, condition: 'rest' } as const;
    const text = layers.map(({ values }) => textIn(values, place, 'look')).find((each) => each !== undefined && words.read('switch', each).ok);
    return text === 'off';
  };
  const off = new Set(switchable.filter(isOff));
  /** A part whose own look is off says nothing but that. */
  const isSilent = (part: PartName, property: PropertyName): boolean => off.has(part) && property !== 'look';
  const look: Look = {
    theme,
    base,
    scale,
    swatches: words.swatches,
    colours: words.colours,
    vocabulary: words.vocabulary,
    said: (place, property) => {
      const found: Saying[] = [];
      if (isSilent(place.part, property)) return found;
      for (const { source, step, values } of layers) {
        const text = textIn(values, place, property);
        if (text !== undefined) found.push({ source, place: placeAt(place, step), text, read: words.read(propertyOf(property).kind, text) });
      }
      return found;
    },
    read: ({ kind }, text) => words.read(kind, text),
    isOff: (part) => off.has(part),
    valueAt: (place, { name, kind }) => {
      if (isSilent(place.part, name)) return undefined;
      for (const { values } of layers) {
        const text = textIn(values, place, name);
        const outcome = text === undefined ? undefined : words.read(kind, text);
        if (outcome?.ok) return outcome.value;
      }
      return undefined;
    },
    initial: ({ kind, name, initial }) => {
      const outcome = words.read(kind, initial);
      if (!outcome.ok) throw new TypeError(`The initial value of ${name} cannot be read`);
      return outcome.value;
    },
  };
  looks.set(theme, look);
  return look;
}

function groundScale(): TypeScale {
  if (!ground.scale) throw new TypeError('The ground has a type scale');
  return ground.scale;
}

interface Words {
  readonly base: Theme;
  readonly pictures: readonly Picture[] | undefined;
  readonly scale: TypeScale;
  readonly swatches: readonly Swatch[];
  readonly colours: ReadonlyMap<string, Outcome<Rgba>>;
  readonly vocabulary: Vocabulary;
  readonly read: (kind: ValueKind, text: string) => Outcome<Value>;
}

/** Kinds of values that may refer to a theme's own swatches, steps and pictures. */
const refers: ReadonlySet<ValueKind> = new Set<ValueKind>(['colour', 'line', 'shadow', 'picture', 'size']);
/** Values of all other kinds mean the same in every theme, and are read once for all. */
const readOnce = new Map<ValueKind, Map<string, Outcome<Value>>>();

const wordsBySwatches = new WeakMap<readonly Swatch[], Words>();

function wordsOf(own: readonly Swatch[], base: Theme, scale: TypeScale, pictures: readonly Picture[] | undefined): Words {
  const known = wordsBySwatches.get(own);
  if (known && known.base === base && known.scale === scale && known.pictures === pictures) return known;
  const swatches = mergeSwatches(base.swatches, own);
  const colours = readSwatches(swatches);
  const vocabulary: Vocabulary = {
    swatches: new Map([...colours].flatMap(([name, read]) => (read.ok ? [[name, read.value] as const] : []))),
    scale,
    broken: new Map([...colours].flatMap(([name, read]) => (read.ok || !read.problems[0] ? [] : [[name, read.problems[0]] as const]))),
    pictures: new Map(pictures?.map(({ name, media }) => [name, `url("${mediaAddress(media)}")`])),
  };
  const referring = new Map<ValueKind, Map<string, Outcome<Value>>>();
  const read = (kind: ValueKind, text: string): Outcome<Value> => {
    const remembered = refers.has(kind) ? referring : readOnce;
    let ofKind = remembered.get(kind);
    if (!ofKind) remembered.set(kind, (ofKind = new Map<string, Outcome<Value>>()));
    const before = ofKind.get(text);
    if (before) return before;
    const outcome = readValue(kind, text, vocabulary);
    if (ofKind.size > 5000) ofKind.clear();
    ofKind.set(text, outcome);
    return outcome;
  };
  const words: Words = { base, scale, pictures, swatches, colours, vocabulary, read };
  wordsBySwatches.set(own, words);
  return words;
}

/** Where the server keeps a picture that somebody brought in. */
export const mediaAddress = (id: string): string => `/pictures/${id}`;

/** The base theme's swatches in their order, own ones in place of those they replace, then the rest. */
function mergeSwatches(base: readonly Swatch[], own: readonly Swatch[]): readonly Swatch[] {
  const replaced = base.map((swatch) => own.find(({ name }) => name === swatch.name) ?? swatch);
  return [...replaced, ...own.filter(({ name }) => !base.some((swatch) => swatch.name === name))];
}
