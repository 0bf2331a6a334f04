import type { Rgba } from '../colour';
import type { Outcome } from '../outcome';
import { refersTo, type ValueKind } from './values/kinds';
import { readSwatches } from './read-swatches';
import type { Vocabulary } from './values/reading';
import type { ModeName } from './catalogue/modes';
import { swatchesIn } from './modes';
import type { Picture, Swatch, Theme } from './theme';
import type { TypeScale } from './type-scale';
import { readValue } from './values/values';
import type { Value } from './values/reading';

/** What the values of a chain of themes can refer to, and what has been read of them. */
export interface Words {
  readonly scale: TypeScale;
  readonly swatches: readonly Swatch[];
  readonly pictures: readonly Picture[];
  readonly colours: ReadonlyMap<string, Outcome<Rgba>>;
  /** Names of the swatches. */
  readonly names: ReadonlySet<string>;
  readonly vocabulary: Vocabulary;
  readonly read: (kind: ValueKind, text: string) => Outcome<Value>;
  /** What they were made of, so that another state of the theme can tell whether they are its own too. */
  readonly madeOf: readonly unknown[];
}

/** The swatch that a plan of a pricing table can have in a colour of its own. */
export const ACCENT = 'accent';

/** Values of kinds that refer to nothing of a theme mean the same in every one, and are read once for all. */
const readOnce = new Map<ValueKind, Map<string, Outcome<Value>>>();
/** So many texts of a kind are remembered. */
const REMEMBERED = 5000;

const remembered = (by: Map<ValueKind, Map<string, Outcome<Value>>>, kind: ValueKind): Map<string, Outcome<Value>> => {
  const known = by.get(kind) ?? new Map<string, Outcome<Value>>();
  by.set(kind, known);
  return known;
};

/** Words for a chain in a mode, with another colour for its swatch `accent` or with its own: those of an earlier state where nothing that they are made of has changed. */
export function wordsFor(chain: readonly Theme[], before?: Words, mode: ModeName | '' = '', accent = ''): Words {
  const scale = chain.find((theme) => theme.scale !== undefined)?.scale;
  if (!scale) throw new TypeError('The ground has a type scale');
  const madeOf = [accent, scale, ...chain.flatMap((theme) => [swatchesIn(theme, mode), theme.pictures])];
  if (before?.madeOf.length === madeOf.length && before.madeOf.every((each, i) => each === madeOf[i])) return before;
  const own = inherited(chain.map((theme) => swatchesIn(theme, mode)));
  const swatches = accent === '' ? own : own.map((swatch) => (swatch.name === ACCENT ? { ...swatch, colour: accent } : swatch));
  const pictures = inherited(chain.map((theme) => theme.pictures ?? []));
  const colours = readSwatches(swatches);
  const vocabulary: Vocabulary = {
    swatches: new Map([...colours].flatMap(([name, read]) => (read.ok ? [[name, read.value] as const] : []))),
    scale,
    broken: new Map([...colours].flatMap(([name, read]) => (read.ok || !read.problems[0] ? [] : [[name, read.problems[0]] as const]))),
    pictures: new Map(pictures.map(({ name, media }) => [name, `url("${mediaAddress(media)}")`])),
  };
  const referring = new Map<ValueKind, Map<string, Outcome<Value>>>();
  const read = (kind: ValueKind, text: string): Outcome<Value> => {
    const ofKind = remembered(refersTo(kind) ? referring : readOnce, kind);
    const known = ofKind.get(text);
    if (known) return known;
    const outcome = readValue(kind, text, vocabulary);
    if (ofKind.size > REMEMBERED) ofKind.clear();
    ofKind.set(text, outcome);
    return outcome;
  };
  return { scale, swatches, pictures, colours, names: new Set(colours.keys()), vocabulary, read, madeOf };
}

/** Where the server keeps a picture that somebody brought in. */
export const mediaAddress = (id: string): string => `/pictures/${id}`;

/** Lists of named things, the nearest first, as one: the furthest's in its order, a nearer one's in place of those it replaces, then the rest. */
function inherited<T extends { readonly name: string }>(lists: readonly (readonly T[])[]): readonly T[] {
  return lists.reduceRight<readonly T[]>((under, own) => {
    const replaced = under.map((each) => own.find(({ name }) => name === each.name) ?? each);
    return [...replaced, ...own.filter(({ name }) => !under.some((each) => each.name === name))];
  }, []);
}
