import type { Rgba } from '../colour';
import { good, type Outcome } from '../outcome';
import type { Bases } from './chain';
import { chainOf } from './chain';
import { partOf, type PartName } from './catalogue/parts';
import { propertyOf, type Property, type PropertyName } from './catalogue/properties';
import { columnPlaces, isOfColumn, meantAt, nothingToFollow } from './following';
import type { Value, Vocabulary } from './values/reading';
import { modeIn, type Picture, type Place, type Swatch, type Theme } from './theme';
import { NO_EXTRA, asTheyHold, readExtra, type Extra } from './extra';
import type { TypeScale } from './type-scale';
import type { ModeName } from './catalogue/modes';
import { modesOf } from './modes';
import { cardGround } from './starters/card-ground';
import { layersAt, stepsOf, type Step } from './widths';
import { canRead, isReading, nothingToReadOn } from './reading-inks';
import { wordsFor, type Words } from './words';

/** Who says a value: the theme itself, one that it grows from, or the ground under every theme. */
export type Source = 'theme' | 'base' | 'ground';

export interface Saying {
  readonly source: Source;
  /** The theme of the chain that says it. */
  readonly of: Theme;
  readonly place: Place;
  readonly text: string;
  readonly read: Outcome<Value>;
  /** The line of the theme's extra CSS, where that says it. */
  readonly line?: number;
}

/**
 * A theme as it is looked at: with the chain of themes that it stands on, at one of its width steps or at none. Made where
 * documents and their bases are at hand (`Views`); whatever resolves, paints, draws lines, fits or compiles takes it and
 * asks for nothing else. A further way to look at a theme (a mode, an accent) is a further field of it.
 */
export interface ThemeView {
  /** The theme, then what it grows from, the nearest first; the ground is last. */
  readonly chain: readonly [Theme, ...Theme[]];
  /** The theme itself, as it is kept. */
  readonly theme: Theme;
  /** Name of the width step; empty for what holds above all of them. */
  readonly step: string;
  /** The chain's width steps, widest first. */
  readonly steps: readonly Step[];
  /** The mode; empty for a bright screen. */
  readonly mode: ModeName | '';
  /** The colour that stands in for its swatch `accent`, as of a plan with one of its own; empty for that as it is. */
  readonly accent: string;
  /** The modes in which anything differs. */
  readonly modes: readonly ModeName[];
  readonly vocabulary: Vocabulary;
  /** The chain's swatches, a nearer theme's in place of those of the same name. */
  readonly swatches: readonly Swatch[];
  /** What each swatch comes to, or why it comes to nothing: what refers to it then falls back. */
  readonly colours: ReadonlyMap<string, Outcome<Rgba>>;
  readonly scale: TypeScale;
  readonly pictures: readonly Picture[];
  /** The extra CSS of the chain's themes, in their order. */
  readonly extras: readonly Extra[];
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
  /** The same theme at another of its steps: itself for none, or for one that it does not have. */
  readonly at: (step: string) => ThemeView;
  /** The same theme in another mode, at the same step. */
  readonly in: (mode: ModeName | '') => ThemeView;
  /** The same theme with another colour as its accent, at the same step in the same mode. */
  readonly accented: (accent: string) => ThemeView;
}

const switchable = propertyOf('look').parts;

/** Whether a value that was read is one that a place can say. */
const canBe = (place: Place, read: Outcome<Value>): boolean => !read.ok || !isReading(read.value) || canRead(place);

/** A chain with what is the same at all of its steps. */
interface Grown {
  readonly chain: ThemeView['chain'];
  readonly steps: readonly Step[];
  readonly modes: readonly ModeName[];
}
/** How a chain is looked at. */
interface Look {
  readonly step: string;
  readonly mode: ModeName | '';
  readonly accent: string;
}
type ViewAt = (look: Look) => ThemeView;

/** Whether what is said at a place goes with the accent of a plan: all of cards and, of tables, the column of the featured plan. */
const goesWithPlan = ({ part, condition }: Place): boolean => condition === 'featured' || partOf(part).box === 'cards';

/**
 * The view of a chain at a step in a mode with an accent. `words` are what its values can refer to there, which every step shares; `plain`
 * the same without the accent of a plan, for all that does not go with that.
 */
function viewOf({ chain, steps, modes }: Grown, words: Words, plain: Words, look: Look, viewAt: ViewAt): ThemeView {
  const { step, mode, accent } = look;
  const read = chain.map(({ css }) => (css === undefined || css === '' ? NO_EXTRA : readExtra(css, words.names)));
  const extras = read.every((each) => each === NO_EXTRA) ? read : asTheyHold(chain, read);
  const themes = chain.flatMap((of, i) => {
    const source: Source = i === 0 ? 'theme' : i === chain.length - 1 ? 'ground' : 'base';
    return layersAt(of, steps, step, mode, extras[i] ?? NO_EXTRA).map((layer) => ({ source, of, ...layer }));
  });
  const underCards: (typeof themes)[number] = { source: 'ground', of: chain.at(-1) ?? chain[0], where: {}, values: cardGround };
  const layers = [...themes, underCards];
  const textIn = (values: Theme['values'], { part, condition }: Place, property: PropertyName): string | undefined =>
    values[part]?.[condition]?.[property];
  const isOff = (part: PartName): boolean => {
    const place = { part, condition: 'rest' } as const;
    return layers.map(({ values }) => textIn(values, place, 'look')).find((each) => each !== undefined && words.read('switch', each).ok) === 'off';
  };
  const off = new Set(switchable.filter(isOff));
  const readAt = (place: Place, kind: Property['kind'], text: string): Outcome<Value> =>
    (plain === words || goesWithPlan(place) ? words : plain).read(kind, text);
  /** A part whose own look is off says nothing but that. */
  const isSilent = (part: PartName, property: PropertyName): boolean => off.has(part) && property !== 'look';
  const textsAt = (place: Place, { name, kind }: Property): readonly Saying[] =>
    isSilent(place.part, name)
      ? []
      : layers.flatMap(({ source, of, where, values, extra }): readonly Saying[] => {
          const text = textIn(values, place, name);
          const { part, condition } = place;
          const line = extra?.lineOf(part, condition, name);
          if (text === undefined) return [];
          const read = readAt(place, kind, text);
          return [
            {
              source,
              of,
              place: { part, condition, ...where },
              text,
              read: canBe(place, read) ? read : nothingToReadOn(),
              ...(line === undefined ? {} : { line }),
            },
          ];
        });
  const valueAt = (place: Place, property: Property): Value | undefined => {
    if (isSilent(place.part, property.name)) return undefined;
    if (property.follows !== undefined) return followedAt(place, property);
    for (const { values } of layers) {
      const text = textIn(values, place, property.name);
      const outcome = text === undefined ? undefined : readAt(place, property.kind, text);
      if (outcome?.ok && canBe(place, outcome)) return outcome.value;
    }
    return undefined;
  };
  /** What can be left to the column that a header stands over. */
  const followedAt = (place: Place, property: Property): Value | undefined => {
    const found = said(place, property.name).find(({ read }) => read.ok);
    return found?.read.ok ? found.read.value : undefined;
  };
  const ofColumn =
    (property: Property) =>
    (place: Place): Outcome<Value> => {
      for (const each of columnPlaces(place, property)) {
        const value = valueAt(each, property);
        if (value) return good(value);
      }
      return words.read(property.kind, property.initial);
    };
  const said: ThemeView['said'] = (place, name) => {
    const property = propertyOf(name);
    const own = textsAt(place, property);
    if (property.follows === undefined) return own;
    const meant = own.map((saying) => ({ ...saying, read: meantAt(place, property, saying.read, ofColumn(property)) }));
    if (place.condition !== 'over-numbers') return meant;
    // What is said of all headers is said of those over numbers too, where it leaves them to their column.
    const ofAll = textsAt({ ...place, condition: 'rest' }, property).find(({ read }) => read.ok);
    return ofAll?.read.ok && isOfColumn(ofAll.read.value) ? [...meant, { ...ofAll, read: ofColumn(property)(place) }] : meant;
  };
  return {
    chain,
    theme: chain[0],
    step,
    steps,
    mode,
    accent,
    modes,
    scale: words.scale,
    swatches: words.swatches,
    pictures: words.pictures,
    extras,
    colours: words.colours,
    vocabulary: words.vocabulary,
    said,
    read: ({ kind }, text) => {
      const read = plain.read(kind, text);
      if (!read.ok) return read;
      return isOfColumn(read.value) ? nothingToFollow() : isReading(read.value) ? nothingToReadOn() : read;
    },
    isOff: (part) => off.has(part),
    valueAt,
    initial: ({ kind, name, initial }) => {
      const outcome = words.read(kind, initial);
      if (!outcome.ok) throw new TypeError(`The initial value of ${name} cannot be read`);
      return outcome.value;
    },
    at: (other) => viewAt({ ...look, step: other }),
    in: (other) => viewAt({ ...look, mode: other }),
    accented: (other) => viewAt({ ...look, accent: other }),
  };
}

/** All steps, modes and accents of a chain: each view is made when it is first asked for. */
function viewsOfChain(chain: ThemeView['chain'], words: Words): ViewAt {
  const made = new Map<string, ThemeView>();
  const known = new Map<string, Words>([[' ', words]]);
  const grown: Grown = { chain, steps: stepsOf(chain), modes: modesOf(chain) };
  const wordsIn = (mode: ModeName | '', accent: string): Words => {
    const of = chain.some((theme) => modeIn(theme, mode)?.swatches) ? mode : '';
    const key = `${of} ${accent}`;
    const found = known.get(key) ?? wordsFor(chain, undefined, of, accent);
    known.set(key, found);
    return found;
  };
  const at: ViewAt = ({ step, mode, accent }) => {
    const name = grown.steps.some((each) => each.name === step) ? step : '';
    const key = `${mode} ${name} ${accent}`;
    const view = made.get(key) ?? viewOf(grown, wordsIn(mode, accent), wordsIn(mode, ''), { step: name, mode, accent }, at);
    made.set(key, view);
    return view;
  };
  return at;
}

/**
 * Makes views, where it is known what themes grow from. What it has made it remembers by the theme, which never changes, for as long
 * as what that grows from is the same; and what values refer to from one state of a theme to the next, so that after an edit only
 * the new value is read.
 */
export class Views {
  private readonly made = new WeakMap<Theme, { readonly chain: ThemeView['chain']; readonly at: ViewAt }>();
  private readonly words = new WeakMap<readonly Swatch[], Words>();

  constructor(readonly bases: Bases) {}

  of(theme: Theme, step = '', mode: ModeName | '' = ''): ThemeView {
    const chain = chainOf(theme, this.bases);
    const known = this.made.get(theme);
    if (known?.chain.length === chain.length && chain.every((each, i) => each === known.chain[i])) return known.at({ step, mode, accent: '' });
    const words = wordsFor(chain, this.words.get(theme.swatches));
    this.words.set(theme.swatches, words);
    const at = viewsOfChain(chain, words);
    this.made.set(theme, { chain, at });
    return at({ step, mode, accent: '' });
  }
}

/** The view of a chain that is at hand as a whole: in a worker, which is sent one. */
export const viewOfChain = (chain: ThemeView['chain'], step = '', mode: ModeName | '' = '', accent = ''): ThemeView =>
  viewsOfChain(chain, wordsFor(chain))({ step, mode, accent });

/** The view of another state of the same theme, which grows from the same and is looked at in the same way. */
export const viewOfChanged = ({ chain: [, ...bases], step, mode, accent }: ThemeView, theme: Theme): ThemeView =>
  viewOfChain([theme, ...bases], step, mode, accent);

/** A view at each of its steps and in each mode in which anything differs: every way in which what is published can be seen. */
export const everyLook = (view: ThemeView): readonly ThemeView[] =>
  (['', ...view.modes] as const).flatMap((mode) =>
    (mode === 'print' ? [''] : ['', ...view.steps.map(({ name }) => name)]).map((step) => view.in(mode).at(step)),
  );

/** A theme as it is on paper: in print, where it says anything of that, else as it is bright and at no width step. */
export const onPaper = (view: ThemeView): ThemeView => (view.modes.includes('print') ? view.in('print') : view.in('').at(''));
