import { closest } from 'fastest-levenshtein';
import { fade, parseColour, toBytes, toHex, type Rgba } from '../colour';
import { bad, good, type Outcome, type Problem } from '../outcome';
import { fontStack, fonts } from './fonts';
import type { ValueKind } from './properties';
import { readStep, stepSize, type TypeScale } from './type-scale';

/** What values may refer to. */
export interface Vocabulary {
  readonly swatches: ReadonlyMap<string, Rgba>;
  readonly scale: TypeScale;
}

export type Unit = 'px' | 'em' | 'rem';
export const lineStyles = ['double', 'solid', 'dashed', 'dotted', 'ridge', 'outset', 'groove', 'inset'] as const;
export type LineStyle = (typeof lineStyles)[number] | 'none' | 'hidden';

/** A value that has been read. `css` is what the stylesheet says; the rest is what it comes to. */
export type Value =
  | { readonly kind: 'page'; readonly css: 'inherit' }
  | { readonly kind: 'colour'; readonly css: string; readonly rgba: Rgba; readonly swatch?: string }
  | { readonly kind: 'length'; readonly css: string; readonly amount: number; readonly unit: Unit }
  | { readonly kind: 'line'; readonly css: string; readonly width: number; readonly style: LineStyle; readonly rgba: Rgba; readonly swatch?: string }
  | { readonly kind: 'number'; readonly css: string; readonly amount: number }
  | { readonly kind: 'word'; readonly css: string };

const problem = (code: string, say: string, remedy: string): Outcome<never> => bad({ code, say, remedy } satisfies Problem);
const list = (words: readonly string[]): string => (words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} or ${words.at(-1) ?? ''}`);

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

/** The text as it is kept: trimmed, single spaces, and lower case unless quotes or commas make it a font list. */
export function tidy(text: string): string {
  // Most texts are kept as they are; this is asked of every value of a theme.
  if (/^[a-z0-9#.%+-]+$/.test(text)) return text;
  const single = text.trim().replace(/\s+/g, ' ');
  return /[",']/.test(single) && !/\(/.test(single) ? single : single.toLowerCase();
}

type Reader = (text: string, vocabulary: Vocabulary) => Outcome<Value>;
const page: Value = { kind: 'page', css: 'inherit' };
const orPage =
  (reader: Reader): Reader =>
  (text, vocabulary) =>
    text === 'page' ? good(page) : reader(text, vocabulary);

/** A reader for a closed list of words: what is typed, and the CSS that it stands for. */
function oneOf(words: Readonly<Record<string, string>>): Reader {
  const names = Object.keys(words);
  return (text) => {
    const css = words[text];
    if (css !== undefined) return good({ kind: 'word', css });
    return problem('value-word', `“${text}” is none of the choices here.`, `Did you mean ${closest(text, names)}? Choices: ${list(names)}.`);
  };
}

interface Range {
  readonly least: number;
  readonly most: number;
}

function lengthReader({ least, most }: Range, words: Readonly<Record<string, string>> = {}): Reader {
  return (text) => {
    const word = words[text];
    if (word !== undefined) return good({ kind: 'word', css: word });
    const match = /^([+-]?(?:\d+\.?\d*|\.\d+))\s*([a-z%]*)$/.exec(text);
    const choices = Object.keys(words);
    const examples = list(['7px', '0.5em', '1rem', ...choices]);
    if (!match) return problem('value-length', `“${text}” is not a length.`, `Write ${examples}.`);
    const amount = Number(match[1]);
    const unit = match[2] ?? '';
    if (unit === '' && amount !== 0) return problem('value-unit', `“${text}” has no unit.`, `Did you mean ${amount}px?`);
    if (unit !== '' && !isUnit(unit))
      return problem('value-unit', `“${unit}” is not a unit here.`, `Did you mean ${amount}px? Units: px, em or rem.`);
    if (amount < least || amount > most) {
      return problem('value-range', `${text} is out of range.`, `Use a number from ${least} to ${most}.`);
    }
    return good({ kind: 'length', css: amount === 0 ? '0' : `${amount}${unit}`, amount, unit: isUnit(unit) ? unit : 'px' });
  };
}

const isUnit = (text: string): text is Unit => text === 'px' || text === 'em' || text === 'rem';

/** The custom property that carries a swatch; prefixed, since custom properties inherit from the page. */
export const swatchVariable = (name: string): string => `--zp-${name}`;

const readColour: Reader = (text, vocabulary) => {
  if (text === 'none' || text === 'transparent') return good({ kind: 'colour', css: 'transparent', rgba: { r: 0, g: 0, b: 0, alpha: 0 } });
  const share = /^(.+?)\s+(\d+(?:\.\d+)?)%$/.exec(text);
  const name = share?.[1] ?? text;
  const percent = share ? Number(share[2]) : 100;
  if (percent > 100) return problem('value-range', `${percent}% is more than all of it.`, 'Use 0% to 100%.');
  const swatch = vocabulary.swatches.get(name);
  const colour = swatch ?? parseColour(name);
  if (!colour) return unknownColour(name, vocabulary);
  const rgba = fade(colour, percent / 100);
  if (swatch === undefined) return good({ kind: 'colour', css: toHex(rgba), rgba: toBytes(rgba) });
  const variable = `var(${swatchVariable(name)})`;
  const css = percent === 100 ? variable : `color-mix(in srgb, ${variable} ${percent}%, transparent)`;
  return good({ kind: 'colour', css, rgba, swatch: name });
};

function unknownColour(name: string, { swatches }: Vocabulary): Outcome<never> {
  if (name.startsWith('#')) {
    return problem('value-hex', `“${name}” is not a colour.`, 'After # come 3, 4, 6 or 8 digits from 0 to f, as in #eef5f6.');
  }
  if (/^[0-9a-f]{6}$/.test(name)) return problem('value-hex', `“${name}” lacks its #.`, `Did you mean #${name}?`);
  const names = [...swatches.keys()];
  const near = names.length > 0 ? `Did you mean ${closest(name, names)}? ` : '';
  return problem('value-colour', `There is no swatch or colour “${name}”.`, `${near}Swatches: ${list(names)}; or a colour such as #eef5f6.`);
}

const readLine: Reader = (text, vocabulary) => {
  if (text === 'none' || text === 'hidden') return good({ kind: 'line', css: text, width: 0, style: text, rgba: { r: 0, g: 0, b: 0, alpha: 0 } });
  const match = /^(\d+\.?\d*|\.\d+)\s*([a-z]*)\s*(.*)$/.exec(text);
  if (!match) return problem('value-line', `“${text}” is not a line.`, 'Write width, style and colour, as in 1px solid wake; or none.');
  const [, amount = '', unit = '', rest = ''] = match;
  if (unit !== 'px') return problem('value-unit', `A line’s width is in px, not “${unit}”.`, `Did you mean ${amount}px?`);
  const width = Number(amount);
  if (width <= 0 || width > 40) return problem('value-range', `A line of ${amount}px is out of range.`, 'Use more than 0 and at most 40px; or none.');
  const [first = '', ...others] = rest.split(' ');
  const style = lineStyles.find((known) => known === first);
  const colourText = style ? others.join(' ') : rest;
  if (colourText === '')
    return problem('value-line', 'The line has no colour.', `Write one after it, as in ${amount}px ${style ?? 'solid'} #999999.`);
  const colour = readColour(colourText, vocabulary);
  if (!colour.ok) return colour;
  if (colour.value.kind !== 'colour') throw new TypeError('A colour reader gave something else');
  const { css, rgba, swatch } = colour.value;
  return good({ kind: 'line', css: `${width}px ${style ?? 'solid'} ${css}`, width, style: style ?? 'solid', rgba, swatch });
};

const readSize: Reader = (text, vocabulary) => {
  const step = readStep(vocabulary.scale, text);
  if (step) {
    const amount = stepSize(vocabulary.scale, step.step);
    if (amount < 4 || amount > 200) return problem('value-range', `${text} comes to ${amount}px.`, 'Use a size from 4px to 200px.');
    return good({ kind: 'length', css: `${amount}px`, amount, unit: 'px' });
  }
  const length = lengthReader({ least: 0.3, most: 200 })(text, vocabulary);
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
  return lengthReader({ least: 0, most: 400 }, { normal: 'normal' })(text, vocabulary);
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

/** The words that a kind of value offers, for lists of choices in the interface. */
export const choices: { readonly [kind in ValueKind]?: readonly string[] } = {
  family: ['page', ...fonts.map(({ name }) => name)],
  weight: ['300', '400', '500', '600', '700', '800'],
  case: ['as typed', 'uppercase', 'lowercase', 'capitalize'],
  align: ['start', 'center', 'end', 'justify'],
  valign: ['top', 'middle', 'bottom', 'baseline'],
  cells: ['joined', 'spaced'],
};

const readers: Readonly<Record<ValueKind, Reader>> = {
  colour: (text, vocabulary) => (text === 'page' ? good(page) : readColour(text, vocabulary)),
  family: orPage(readFamily),
  size: orPage(readSize),
  weight: orPage(readWeight),
  case: orPage(oneOf({ 'as typed': 'none', none: 'none', uppercase: 'uppercase', lowercase: 'lowercase', capitalize: 'capitalize' })),
  spacing: lengthReader({ least: -20, most: 60 }, { normal: 'normal' }),
  leading: orPage(readLeading),
  align: oneOf({ start: 'start', center: 'center', end: 'end', justify: 'justify' }),
  valign: oneOf({ top: 'top', middle: 'middle', bottom: 'bottom', baseline: 'baseline' }),
  length: lengthReader({ least: 0, most: 400 }),
  height: lengthReader({ least: 0, most: 1000 }, { auto: 'auto' }),
  line: readLine,
  cells: oneOf({ joined: 'joined', spaced: 'spaced' }),
};
