import { closest } from 'fastest-levenshtein';
import { good, type Outcome } from '../../outcome';
import { icons, pictures } from '../../media';
import { fontStack, fonts } from '../fonts/fonts';
import type { ValueKind } from '../catalogue/properties';
import { readBand } from './read-band';
import { readLine } from './read-line';
import { readIcon, readPicture, readPicturePosition, readPictureSize } from './read-picture';
import { readShadow } from './read-shadow';
import { lengthReader, list, oneOf, orPage, page, problem, readColour, tidy, type Reader, type Value, type Vocabulary } from './reading';
import { readStep, stepSize } from '../type-scale';

/**
 * Reads a value as a person types it. The text is normal once it has been trimmed and its spaces are single;
 * case does not matter but inside font names.
 */
export function readValue(kind: ValueKind, typed: string, vocabulary: Vocabulary): Outcome<Value> {
  const text = tidy(typed);
  if (text === '') return problem('value-empty', 'There is nothing here.', 'Type a value, or press Delete to fall back.');
  if (text.length > 200) return problem('value-long', `A value of ${text.length} characters is too long.`, 'Use at most 200.');
  return readers[kind](text, vocabulary);
}

const readSize: Reader = (text, vocabulary) => {
  const step = readStep(vocabulary.scale, text);
  if (step) {
    const amount = stepSize(vocabulary.scale, step.step);
    if (amount < 4 || amount > 200) return problem('value-range', `${text} comes to ${amount}px.`, 'Use a size from 4px to 200px.');
    return good({ kind: 'length', css: `${amount}px`, amount, unit: 'px' });
  }
  const length = lengthReader({ least: 0.3, most: 200, percent: 'em' })(text, vocabulary);
  if (length.ok || /^[.\d]/.test(text)) return length;
  const names = vocabulary.scale.steps.map(({ name }) => name);
  return problem(
    'value-size',
    `There is no type step “${text}”.`,
    `Did you mean ${closest(text, names)}? Steps: ${list(names)}; or a size such as 15px.`,
  );
};

const weights: Readonly<Record<string, number>> = {
  thin: 100,
  light: 300,
  normal: 400,
  regular: 400,
  medium: 500,
  semibold: 600,
  bold: 700,
  heavy: 800,
  black: 900,
};

const readWeight: Reader = (text) => {
  const amount = weights[text] ?? Number(text);
  if (Number.isInteger(amount) && amount >= 1 && amount <= 1000) return good({ kind: 'number', css: String(amount), amount });
  return problem('value-weight', `“${text}” is not a weight.`, `Use a number from 1 to 1000, or ${list(Object.keys(weights))}.`);
};

const readLeading: Reader = (text, vocabulary) => {
  if (/^(\d+\.?\d*|\.\d+)$/.test(text)) {
    const amount = Number(text);
    if (amount < 0.5 || amount > 10) return problem('value-range', `A line height of ${text} is out of range.`, 'Use 0.5 to 10, or a length.');
    return good({ kind: 'number', css: String(amount), amount });
  }
  return lengthReader({ least: 0, most: 400, percent: 'em' }, { normal: 'normal' })(text, vocabulary);
};

const readFamily: Reader = (text) => {
  const css = fontStack(text);
  if (css !== undefined) return good({ kind: 'word', css });
  const names = fonts.map(({ name }) => name);
  return problem(
    'value-font',
    `There is no font “${text}”.`,
    `Did you mean ${closest(text, names)}? Fonts: ${list(names)}; or a list such as Brand Sans, sans-serif.`,
  );
};

const readShare: Reader = (text) => {
  const match = /^(\d+(?:\.\d+)?)%$/.exec(text);
  const amount = match ? Number(match[1]) / 100 : Number.NaN;
  if (amount >= 0 && amount <= 1) return good({ kind: 'number', css: String(amount), amount });
  return problem('value-share', `“${text}” is not a share.`, 'Write 0% to 100%.');
};

const words = {
  slant: { upright: 'normal', italic: 'italic' },
  case: { 'as typed': 'none', none: 'none', uppercase: 'uppercase', lowercase: 'lowercase', capitalize: 'capitalize' },
  align: { start: 'start', center: 'center', end: 'end', justify: 'justify' },
  valign: { top: 'top', middle: 'middle', bottom: 'bottom', baseline: 'baseline' },
  cells: { joined: 'joined', single: 'single', spaced: 'spaced' },
  repeat: { 'both ways': 'repeat', across: 'repeat-x', down: 'repeat-y', once: 'no-repeat' },
  layout: { 'by content': 'auto', equal: 'fixed' },
  arrangement: { 'as it is': 'as-is', scrolls: 'scrolls', stacked: 'stacked', turned: 'turned', 'most columns': 'most', 'fewest columns': 'fewest' },
  side: { above: 'top', below: 'bottom' },
  wrap: { wrap: 'normal', 'one line': 'nowrap' },
  figures: { 'as the font has them': 'normal', tabular: 'tabular-nums', proportional: 'proportional-nums', 'old style': 'oldstyle-nums' },
  decimals: { 'as typed': 'typed', aligned: 'aligned' },
  'icon-side': { before: 'before', after: 'after' },
  underline: { none: 'none', underline: 'underline', dotted: 'underline dotted', dashed: 'underline dashed' },
  switch: { on: 'on', off: 'off' },
} as const;

/** The words that a kind of value offers, for lists of choices in the interface. */
export const choices: { readonly [kind in ValueKind]?: readonly string[] } = {
  ...(Object.fromEntries(Object.entries(words).map(([kind, each]) => [kind, Object.keys(each)])) as { [kind in keyof typeof words]: string[] }),
  case: ['as typed', 'uppercase', 'lowercase', 'capitalize'],
  family: ['page', ...fonts.map(({ name }) => name)],
  weight: ['300', '400', '500', '600', '700', '800'],
  width: ['content', 'fill', '32rem', '75%'],
  height: ['auto', '36px', '3em'],
  share: ['100%', '90%', '75%', '50%'],
  shadow: ['none', '0 1px 3px #000000 20%', '0 4px 16px #000000 15%'],
  picture: ['none', ...pictures.map(({ name }) => name)],
  'picture-size': ['its own', 'cover', 'contain', '24px'],
  'picture-position': ['left top', 'center', 'right top', 'right center', '10px 50%'],
  icon: ['none', ...icons.map(({ name }) => name)],
  band: ['2nd', '3rd', '4th', '2nd from 1', '3rd from 1'],
};

const readers: Readonly<Record<ValueKind, Reader>> = {
  colour: (text, vocabulary) => (text === 'page' ? good(page) : readColour(text, vocabulary)),
  family: orPage(readFamily),
  size: orPage(readSize),
  weight: orPage(readWeight),
  slant: orPage(oneOf(words.slant)),
  case: orPage(oneOf(words.case)),
  spacing: lengthReader({ least: -20, most: 60 }, { normal: 'normal' }),
  leading: orPage(readLeading),
  align: oneOf(words.align),
  valign: oneOf(words.valign),
  length: lengthReader({ least: 0, most: 400 }),
  height: lengthReader({ least: 0, most: 1000 }, { auto: 'auto' }),
  width: lengthReader({ least: 0, most: 4000, percent: 'room' }, { content: 'auto', fill: '100%' }),
  line: readLine,
  cells: oneOf(words.cells),
  picture: readPicture,
  repeat: oneOf(words.repeat),
  'picture-size': readPictureSize,
  'picture-position': readPicturePosition,
  share: readShare,
  shadow: readShadow,
  layout: oneOf(words.layout),
  arrangement: oneOf(words.arrangement),
  side: oneOf(words.side),
  wrap: oneOf(words.wrap),
  figures: oneOf(words.figures),
  decimals: oneOf(words.decimals),
  icon: readIcon,
  'icon-side': oneOf(words['icon-side']),
  underline: oneOf(words.underline),
  band: readBand,
  switch: oneOf(words.switch),
};

/** Kinds of values that may refer to a theme's own swatches, steps and pictures. */
const referring: ReadonlySet<ValueKind> = new Set<ValueKind>(['colour', 'line', 'shadow', 'picture', 'size']);
export const refersToTheme = (kind: ValueKind): boolean => referring.has(kind);
