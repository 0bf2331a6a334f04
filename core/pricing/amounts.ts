import Big from 'big.js';
import { bad, good, type Outcome } from '../outcome';

/** An exact decimal as documents have it: up to 12 digits, then up to 6 behind a point. No float is made of it anywhere. */
export const AMOUNT = /^(?:0|[1-9]\d{0,11})(?:\.\d{1,6})?$/;
export const isAmount = (text: string): boolean => AMOUNT.test(text);

const SPACES = /[\s\u00a0\u202f]/g;
const SIGNS = /[\p{Sc}]|[A-Z]{3}/u;
const refuse = (code: string, say: string, remedy: string): Outcome<never> => bad({ code: `amount-${code}`, say, remedy });

/**
 * Reads an amount as a person types it, with the currency's sign or without, in digits of any script. A point or a comma before three
 * digits alone may be either a thousand's or a decimal's, so what it means is asked; before one or two it is a decimal's.
 */
export function readAmount(typed: string): Outcome<string> {
  const text = typed.trim();
  if (text === '') return refuse('empty', 'There is no amount here.', 'Type one, as in 12.50.');
  if (text.length > 60) return refuse('long', `An amount of ${text.length} characters is too long.`, 'Type its digits alone.');
  const bare = inDigits(text).replace(SIGNS, '').replace(SPACES, '').replace(/['’]/g, '');
  if (/^[-−(]/.test(bare)) return refuse('negative', `“${text}” is less than nothing.`, 'A price is 0 or more; say what it was before beside it.');
  const letter = /[^\d.,٫٬]/.exec(bare)?.[0];
  if (letter !== undefined) {
    if (/[oO]/.test(letter) && /^[\doO.,]+$/.test(bare))
      return refuse('letter', `“${text}” has a letter ${letter} where a zero may be meant.`, `Did you mean ${bare.replace(/[oO]/g, '0')}?`);
    return refuse('word', `“${text}” is no amount.`, 'Type digits, as in 12.50; or choose free or on request.');
  }
  const marks = bare.replace(/٫/g, '.').replace(/٬/g, ',');
  const last = Math.max(marks.lastIndexOf('.'), marks.lastIndexOf(','));
  const [whole, part] = last < 0 ? [marks, ''] : [marks.slice(0, last), marks.slice(last + 1)];
  const decimal = marks[last];
  const others = whole.replace(/\d/g, '');
  if (last >= 0 && part === '') return refuse('unfinished', `“${text}” ends with “${decimal}”.`, 'Type the digits behind it, or leave it out.');
  const isGrouped = /^\d{1,3}(?:[.,]\d{3})*$/.test(whole) && new Set(others).size <= 1;
  if (whole === '' || (others !== '' && !isGrouped))
    return refuse('marks', `“${text}” cannot be read as one amount.`, 'Type it with one mark before its decimals, as in 1299.50.');
  const digits = whole.replace(/\D/g, '');
  if (part.length === 3 && !others.includes(decimal === '.' ? ',' : '.')) {
    // Several of the same mark are all of thousands.
    if (others !== '' && decimal !== undefined && others.includes(decimal)) return sized(text, `${digits}${part}`, '');
    if (!/^0+$/.test(digits))
      return refuse(
        'unclear',
        `“${text}” can be ${digits}${part}, or ${digits} and ${part} thousandths.`,
        `Type ${digits}${part}, or ${digits}.${part.slice(0, 2)}.`,
      );
  }
  if (decimal !== undefined && others.includes(decimal))
    return refuse('marks', `“${text}” cannot be read as one amount.`, 'Type it with one mark before its decimals, as in 1299.50.');
  return sized(text, digits, part);
}

function sized(text: string, digits: string, part: string): Outcome<string> {
  const whole = digits.replace(/^0+(?=\d)/, '');
  if (whole.length > 12) return refuse('large', `“${text}” has ${whole.length} digits.`, 'An amount has at most 12 before its decimals.');
  if (part.length > 6) return refuse('fine', `“${text}” has ${part.length} decimals.`, 'An amount has at most 6.');
  return good(part === '' ? whole : `${whole}.${part}`);
}

/** Digits of any script as those of ASCII (Unicode, General_Category Nd: each ten stand together, zero first). */
const inDigits = (text: string): string =>
  text.replace(/\p{Nd}/gu, (digit) => {
    const code = digit.codePointAt(0) ?? 0;
    let zero = code;
    while (/\p{Nd}/u.test(String.fromCodePoint(zero - 1)) && code - zero < 9) zero--;
    return code < 128 ? digit : String(code - zero);
  });

/** How many decimals amounts of a currency have by its custom (ISO 4217 as Unicode CLDR has it). */
export function decimalsOf(currency: string): number {
  try {
    return new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2;
  } catch (error) {
    if (error instanceof RangeError) return 2;
    throw error;
  }
}

/** How an amount is rounded: to a step with an ending, else to so many decimals. */
export interface Rounding {
  readonly to: string;
  readonly ending: string;
}

/**
 * An amount in another currency: times its rate, then to the nearest of those that end as asked (halves up), and never less than the
 * least of them; or, where nothing is asked, to the currency's decimals, halves up.
 */
export function converted(amount: string, rate: string, decimals: number, rounding?: Rounding): string {
  const exact = new Big(amount).times(rate);
  if (!rounding) return text(exact.round(decimals, Big.roundHalfUp));
  const [step, ending] = [new Big(rounding.to), new Big(`0${rounding.ending}`)];
  const steps = exact.minus(ending).div(step).round(0, Big.roundHalfUp);
  return text((steps.lt(0) ? new Big(0) : steps).times(step).plus(ending));
}

/** An exact decimal without an exponent. */
export const text = (value: Big): string => value.toFixed();
