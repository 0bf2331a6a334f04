import { icons, pictures } from '../../media';
import { fonts } from '../fonts/fonts';
import { lengthReader, oneOf, orPage, page, readColour, readInk, type Reader } from './reading';
import { readBand } from './read-band';
import { BROWSERS_OWN, readLine, readOutline } from './read-line';
import { readIcon, readPicture, readPicturePosition, readPictureSize } from './read-picture';
import { figureWords, readBar, readFigures, readGap, readLinesShown, readTransition } from './read-more';
import { readShadow, readTextShadow } from './read-shadow';
import { readFamily, readLeading, readScale, readShare, readSize, readWeight } from './read-type';
import { good } from '../../outcome';

/** What `as its column` is read as, until a view says what it comes to. */
export const AS_ITS_COLUMN = 'as-column';

/** What of a theme a text can refer to by name. */
export type Reference = 'swatches' | 'steps' | 'pictures';
/** The editors that the interface has; `words` offers a kind's words to choose from. */
export type EditorName = 'colour' | 'line' | 'shadow' | 'font' | 'picture' | 'length' | 'words';
/** The names that a theme has for its texts to refer to. */
export type Names = Readonly<Record<Reference, readonly string[]>>;

/** Everything about a kind of value: how it is read, what it may refer to, what is offered for it, and how it is edited. */
export interface KindOfValue {
  readonly read: Reader;
  readonly refers?: readonly Reference[];
  /** Texts to choose from, in a theme of these names. */
  readonly offers?: (names: Names) => readonly string[];
  readonly editor: EditorName;
}

/** A kind that is one of some words: what is typed, and the CSS that it stands for. `page` leaves it to the page. */
const worded = (words: Readonly<Record<string, string>>, orOfPage = false): KindOfValue => ({
  read: orOfPage ? orPage(oneOf(words)) : oneOf(words),
  offers: () => Object.keys(words),
  editor: 'words',
});
const length = (read: Reader, ...offers: readonly string[]): KindOfValue => ({
  read,
  editor: 'length',
  ...(offers.length > 0 ? { offers: () => offers } : {}),
});
const cases = { 'as typed': 'none', none: 'none', uppercase: 'uppercase', lowercase: 'lowercase', capitalize: 'capitalize' };

/** THE KINDS of values that properties have. A new one is a row here, with a reader of its own where none fits. */
export const kinds = {
  colour: {
    read: (text, vocabulary) => (text === 'page' ? good(page) : readColour(text, vocabulary)),
    refers: ['swatches'],
    offers: ({ swatches }) => [...swatches, 'none'],
    editor: 'colour',
  },
  ink: {
    read: readInk,
    refers: ['swatches'],
    offers: ({ swatches }) => [
      ...swatches,
      ...swatches.filter((name) => name === 'accent').flatMap(() => ['ink for accent', 'accent that reads']),
      'none',
    ],
    editor: 'colour',
  },
  family: { read: orPage(readFamily), offers: () => ['page', ...fonts.map(({ name }) => name)], editor: 'font' },
  size: { read: orPage(readSize), refers: ['steps'], offers: ({ steps }) => steps, editor: 'length' },
  weight: length(orPage(readWeight), '300', '400', '500', '600', '700', '800'),
  slant: worded({ upright: 'normal', italic: 'italic' }, true),
  case: { ...worded(cases, true), offers: () => ['as typed', 'uppercase', 'lowercase', 'capitalize'] },
  spacing: length(lengthReader({ least: -20, most: 60 }, { normal: 'normal' })),
  leading: length(orPage(readLeading)),
  align: worded({ start: 'start', center: 'center', end: 'end', justify: 'justify', 'as its column': AS_ITS_COLUMN }),
  valign: worded({ top: 'top', middle: 'middle', bottom: 'bottom', baseline: 'baseline' }),
  length: length(lengthReader({ least: 0, most: 400 })),
  height: length(lengthReader({ least: 0, most: 1000 }, { auto: 'auto' }), 'auto', '36px', '3em'),
  width: length(lengthReader({ least: 0, most: 4000, percent: 'room' }, { content: 'auto', fill: '100%' }), 'content', 'fill', '32rem', '75%'),
  line: {
    read: readLine,
    refers: ['swatches'],
    offers: ({ swatches }) => ['none', ...swatches.map((name) => `1px solid ${name}`)],
    editor: 'line',
  },
  cells: worded({ joined: 'joined', single: 'single', spaced: 'spaced' }),
  picture: {
    read: readPicture,
    refers: ['pictures', 'swatches'],
    offers: (names) => ['none', ...pictures.map(({ name }) => name), ...names.pictures],
    editor: 'picture',
  },
  repeat: worded({ 'both ways': 'repeat', across: 'repeat-x', down: 'repeat-y', once: 'no-repeat' }),
  'picture-size': { read: readPictureSize, offers: () => ['its own', 'cover', 'contain', '24px'], editor: 'words' },
  'picture-position': {
    read: readPicturePosition,
    offers: () => ['left top', 'center', 'right top', 'right center', '10px 50%'],
    editor: 'words',
  },
  share: length(readShare, '100%', '90%', '75%', '50%'),
  shadow: {
    read: readShadow,
    refers: ['swatches'],
    offers: () => ['none', '0 1px 3px #000000 20%', '0 4px 16px #000000 15%'],
    editor: 'shadow',
  },
  layout: worded({ 'by content': 'auto', equal: 'fixed' }),
  arrangement: worded({
    'as it is': 'as-is',
    scrolls: 'scrolls',
    stacked: 'stacked',
    turned: 'turned',
    'most columns': 'most',
    'fewest columns': 'fewest',
  }),
  sits: worded({ start: '0 auto', center: 'auto', end: 'auto 0' }),
  side: worded({ above: 'top', below: 'bottom' }),
  'badge-place': worded({ 'as texts do': 'as-texts', start: 'start', center: 'center', end: 'end', 'over the whole card': 'whole' }),
  wrap: worded({ wrap: 'normal', 'one line': 'nowrap' }),
  figures: { read: readFigures, offers: () => [...figureWords, 'tabular, slashed zero', 'tabular, lining'], editor: 'words' },
  caps: worded({ 'as typed': 'normal', 'small capitals': 'small-caps', 'all small capitals': 'all-small-caps' }),
  hyphens: worded({ 'where typed': 'manual', automatic: 'auto', never: 'none' }),
  'text-shadow': { read: readTextShadow, refers: ['swatches'], offers: () => ['none', '0 1px 2px #000000 40%'], editor: 'words' },
  gap: length(readGap, '0', '8px', '0 8px'),
  bar: {
    read: readBar,
    refers: ['swatches'],
    offers: ({ swatches }) => ['none', '4px #666666', ...swatches.map((name) => `4px ${name}`)],
    editor: 'words',
  },
  outline: {
    read: readOutline,
    refers: ['swatches'],
    offers: ({ swatches }) => [BROWSERS_OWN, 'none', ...swatches.map((name) => `2px solid ${name}`)],
    editor: 'words',
  },
  offset: length(lengthReader({ least: -40, most: 40 }), '0', '2px', '-2px'),
  transition: { read: readTransition, offers: () => ['at once', '150ms', '150ms ease-out', 'fill 200ms'], editor: 'words' },
  reading: worded({ across: 'horizontal-tb', up: 'sideways-lr', down: 'vertical-rl' }),
  'lines-shown': { read: readLinesShown, offers: () => ['all', '1', '2', '3'], editor: 'words' },
  decimals: worded({ 'as typed': 'typed', aligned: 'aligned' }),
  icon: { read: readIcon, offers: () => ['none', ...icons.map(({ name }) => name)], editor: 'picture' },
  'icon-side': worded({ before: 'before', after: 'after' }),
  underline: worded({ none: 'none', underline: 'underline', dotted: 'underline dotted', dashed: 'underline dashed' }),
  band: { read: readBand, offers: () => ['2nd', '3rd', '4th', '2nd from 1', '3rd from 1'], editor: 'words' },
  repeats: worded({ header: 'header', 'header and footer': 'both', nothing: 'nothing' }),
  sheet: worded({ 'as it comes': 'auto', upright: 'portrait', across: 'landscape' }),
  'too-wide': worded({ smaller: 'smaller', 'over several sheets': 'sheets', 'as it is': 'as-is' }),
  scale: length(readScale, '80%', '60%', '50%'),
  'printed-fills': worded({ 'if asked for': 'economy', always: 'exact' }),
  switch: worded({ on: 'on', off: 'off' }),
} as const satisfies Readonly<Record<string, KindOfValue>>;

/** How a value is written and read. */
export type ValueKind = keyof typeof kinds;
export const valueKinds = Object.keys(kinds) as readonly ValueKind[];
export const kindOfValue = (kind: ValueKind): KindOfValue => kinds[kind];

/** Whether texts of a kind may refer to something of a theme, or to anything of it at all. */
export const refersTo = (kind: ValueKind, what?: Reference): boolean => {
  const refers = kindOfValue(kind).refers ?? [];
  return what === undefined ? refers.length > 0 : refers.includes(what);
};
