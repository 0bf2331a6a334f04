import { closest } from 'fastest-levenshtein';
import { fade, inkFor, parseColour, toBytes, toHex, type Rgba } from '../../colour';
import { bad, good, type Outcome, type Problem } from '../../outcome';
import { own } from '../../own';
import type { TypeScale } from '../type-scale';

/** What values may refer to. */
export interface Vocabulary {
  readonly swatches: ReadonlyMap<string, Rgba>;
  readonly scale: TypeScale;
  /** Swatches that come to nothing, and why. */
  readonly broken?: ReadonlyMap<string, Problem>;
  /** Pictures that the theme brings itself, by name, as a stylesheet writes them. */
  readonly pictures?: ReadonlyMap<string, string>;
}

export type Unit = 'px' | 'em' | 'rem' | '%';
export const lineStyles = ['double', 'solid', 'dashed', 'dotted', 'ridge', 'outset', 'groove', 'inset'] as const;
export type LineStyle = (typeof lineStyles)[number] | 'none' | 'hidden';

/** A value that has been read. `css` is what the stylesheet says; the rest is what it comes to. */
export type Value =
  | { readonly kind: 'page'; readonly css: 'inherit' }
  | {
      readonly kind: 'colour';
      readonly css: string;
      readonly rgba: Rgba;
      readonly swatch?: string;
      /** Of an ink: whether what is meant is the nearest to this colour that can be read where it stands. */
      readonly reads?: true;
      /** Of an ink that was made for a colour, so that it goes with that. */
      readonly made?: true;
    }
  | {
      readonly kind: 'length';
      readonly css: string;
      readonly amount: number;
      readonly unit: Unit;
      /** Of two lengths, across and down, the second where it is another. */
      readonly down?: { readonly css: string; readonly amount: number; readonly unit: Unit };
    }
  | { readonly kind: 'line'; readonly css: string; readonly width: number; readonly style: LineStyle; readonly rgba: Rgba; readonly swatch?: string }
  | { readonly kind: 'number'; readonly css: string; readonly amount: number }
  | { readonly kind: 'band'; readonly css: string; readonly every: number; readonly from: number }
  | {
      readonly kind: 'picture';
      readonly css: string;
      /** Of one that goes from colour to colour: these, in their order. */
      readonly stops?: readonly Rgba[];
    }
  | { readonly kind: 'word'; readonly css: string };

export const problem = (code: string, say: string, remedy: string): Outcome<never> => bad({ code, say, remedy } satisfies Problem);
export const list = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} or ${words.at(-1) ?? ''}`;

/** The text as it is kept: trimmed, single spaces, and lower case unless quotes or commas make it a font list. */
export function tidy(text: string): string {
  // Most texts are kept as they are; this is asked of every value of a theme.
  if (/^[a-z0-9#.%+-]+$/.test(text)) return text;
  const single = text.trim().replace(/\s+/g, ' ');
  return /[",']/.test(single) && !/\(/.test(single) ? single : single.toLowerCase();
}

export type Reader = (text: string, vocabulary: Vocabulary) => Outcome<Value>;
export const page: Value = { kind: 'page', css: 'inherit' };
export const orPage =
  (reader: Reader): Reader =>
  (text, vocabulary) =>
    text === 'page' ? good(page) : reader(text, vocabulary);

/** A reader for a closed list of words: what is typed, and the CSS that it stands for. */
export function oneOf(words: Readonly<Record<string, string>>): Reader {
  const names = Object.keys(words);
  return (text) => {
    const css = own(words, text);
    if (css !== undefined) return good({ kind: 'word', css });
    return problem('value-word', `“${text}” is none of the choices here.`, `Did you mean ${closest(text, names)}? Choices: ${list(names)}.`);
  };
}

export interface Range {
  readonly least: number;
  readonly most: number;
  /** What a percentage is of, where one may be written: the room around (`room`), or the type size (`em`). */
  readonly percent?: 'room' | 'em';
}

export function lengthReader({ least, most, percent }: Range, words: Readonly<Record<string, string>> = {}): Reader {
  return (text) => {
    const word = own(words, text);
    if (word !== undefined) return good({ kind: 'word', css: word });
    const match = /^([+-]?(?:\d+\.?\d*|\.\d+))\s*([a-z%]*)$/.exec(text);
    const choices = Object.keys(words);
    const examples = list(['7px', '0.5em', '1rem', ...choices]);
    if (!match) return problem('value-length', `“${text}” is not a length.`, `Write ${examples}.`);
    const amount = Number(match[1]);
    const unit = match[2] ?? '';
    if (unit === '' && amount !== 0) return problem('value-unit', `“${text}” has no unit.`, `Did you mean ${amount}px?`);
    if (unit === '%' && percent) return readPercent(amount, text, percent);
    if (unit !== '' && !isUnit(unit))
      return problem(
        'value-unit',
        `“${unit}” is not a unit here.`,
        `Did you mean ${amount}px? Units: ${list(['px', 'em', ...(percent ? ['rem', '%'] : ['rem'])])}.`,
      );
    if (amount < least || amount > most) {
      return problem('value-range', `${text} is out of range.`, `Use a number from ${least} to ${most}.`);
    }
    return good({ kind: 'length', css: amount === 0 ? '0' : `${amount}${unit}`, amount, unit: isUnit(unit) ? unit : 'px' });
  };
}

/** A share of the type size is so many em; one of the room around stays what it is. */
function readPercent(amount: number, text: string, of: 'room' | 'em'): Outcome<Value> {
  const [least, most] = of === 'room' ? [0, 100] : [10, 1000];
  if (amount < least || amount > most) return problem('value-range', `${text} is out of range.`, `Use ${least}% to ${most}%.`);
  const css = `${amount}%`;
  return good(of === 'room' ? { kind: 'length', css, amount, unit: '%' } : { kind: 'length', css, amount: amount / 100, unit: 'em' });
}

const isUnit = (text: string): text is Unit => text === 'px' || text === 'em' || text === 'rem';

/** The custom property that carries a swatch; prefixed, since custom properties inherit from the page. */
export const swatchVariable = (name: string): string => `--zp-${name}`;

/** The custom property that carries the ink for a swatch: no swatch's own, since their names begin with a letter. */
export const inkVariable = (name: string): string => `--zp--on-${name}`;

const INK_FOR = 'ink for ';
const THAT_READS = ' that reads';

/** An ink that reads on a colour: on a swatch, whatever that comes to. */
function readInkFor(name: string, vocabulary: Vocabulary): Outcome<Value> {
  const read = readColour(name, vocabulary);
  if (!read.ok || read.value.kind !== 'colour') return read;
  const { rgba, swatch } = read.value;
  if (rgba.alpha < 1) return problem('value-whole', `“${name}” lets through what lies behind it.`, 'Say an ink for a whole colour.');
  const ink = inkFor(rgba);
  return good({ kind: 'colour', css: swatch === undefined ? toHex(ink) : `var(${inkVariable(swatch)})`, rgba: ink, made: true });
}

/** Reads an ink: a colour, or the nearest to one that can be read where it stands, as in `deep that reads`. */
export const readInk: Reader = (text, vocabulary) => {
  if (text === 'page') return good(page);
  if (!text.endsWith(THAT_READS)) return readColour(text, vocabulary);
  const name = text.slice(0, -THAT_READS.length);
  const read = readColour(name, vocabulary);
  if (!read.ok || read.value.kind !== 'colour') return read;
  if (read.value.rgba.alpha < 1)
    return problem('value-whole', `“${name}” lets through what lies behind it.`, 'Only a whole colour can be made to read.');
  return good({ ...read.value, reads: true });
};

export const readColour: Reader = (text, vocabulary) => {
  if (text.startsWith(INK_FOR)) return readInkFor(text.slice(INK_FOR.length), vocabulary);
  if (text === 'none' || text === 'transparent') return good({ kind: 'colour', css: 'transparent', rgba: { r: 0, g: 0, b: 0, alpha: 0 } });
  const share = /^(.+?)\s+(\d+(?:\.\d+)?)%$/.exec(text);
  const name = share?.[1] ?? text;
  const percent = share ? Number(share[2]) : 100;
  if (percent > 100) return problem('value-range', `${percent}% is more than all of it.`, 'Use 0% to 100%.');
  const swatch = vocabulary.swatches.get(name);
  const colour = swatch ?? parseColour(name);
  if (!colour) {
    const why = vocabulary.broken?.get(name);
    return why ? bad(why) : unknownColour(name, vocabulary);
  }
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
