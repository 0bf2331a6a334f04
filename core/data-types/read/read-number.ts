import { digitsOf } from './digits';

/** A number as it stands in a text. */
export interface ReadNumber {
  /** Per cent as it is written: 12 for `12 %`. */
  readonly value: number;
  readonly isPercent: boolean;
  /** A currency's sign or code, as written. */
  readonly currency: string;
  /** What is counted or measured: `m`, `km/h`. */
  readonly unit: string;
  /** Digits behind the decimal mark. */
  readonly places: number;
  /** The decimal mark, where the text itself shows it beyond doubt. */
  readonly decimal: '' | '.' | ',';
}

const SPACE = '[ \\u00a0\\u202f\\u2009]';
/** Currencies by sign (Unicode category Sc), by ISO 4217 code, or by one of the usual short words. */
const CURRENCY = '(?:[A-Z]{0,2}\\p{Sc}|[A-Z]{3}|kr\\.?|zł|Kč|Ft|Fr\\.?|lei)';
const SIGN = '[-+−–]';
const DIGITS = `\\d{1,3}(?:[.,'’\\u066c]\\d{3})+(?:[.,\\u066b]\\d+)?|\\d{1,3}(?:${SPACE}\\d{3})+(?:[.,\\u066b]\\d+)?|\\d+(?:[.,\\u066b]\\d+)?|[.,]\\d+`;
const INDIAN = '\\d{1,2}(?:,\\d{2})+,\\d{3}(?:\\.\\d+)?';
const EXPONENT = '(?:[eE][-+]?\\d{1,3})?';
const UNIT = '[\\p{L}°µΩ%‰²³/·]{1,8}';
const PATTERN = new RegExp(
  `^(\\()?(${SIGN})?${SPACE}?(${CURRENCY})?${SPACE}?(${SIGN})?(${INDIAN}|${DIGITS})(${EXPONENT})${SPACE}?(?:(%|${CURRENCY})|(${UNIT}))?(-)?(\\))?$`,
  'u',
);
/** Digits that a number in floating point keeps; a longer one is a name for something (IEEE 754, 5.12.2: 15 to 17). */
const MOST_DIGITS = 15;
/** What begins with a zero and goes on is a code, not a number. */
const CODE = /^[^\d]*0\d/;

/**
 * Reads a number as people write one: sign in front or behind, or brackets for below nothing; a currency before or
 * after; thousands in points, commas, spaces, apostrophes or in the Indian manner; per cent; a unit; digits of any
 * script. `decimal` tells which mark parts whole from decimal where the text does not. Undefined where it is none, as
 * with codes that begin with zero and numbers of more than 15 digits.
 */
export function readNumber(typed: string, decimal: '' | '.' | ',' = ''): ReadNumber | undefined {
  if (typed.length > 60) return undefined;
  const simple = readPlain(typed, decimal);
  if (simple) return simple;
  const text = digitsOf(typed.trim());
  const match = PATTERN.exec(text);
  if (!match || CODE.test(text)) return undefined;
  const [, open, sign, before, inner, digits = '', exponent = '', after, unit = '', behind, close] = match;
  if ((open === undefined) !== (close === undefined)) return undefined;
  const signs = [sign, inner, behind].filter((each) => each !== undefined);
  if (signs.length > 1 || (open !== undefined && signs.length > 0)) return undefined;
  const currency = before ?? (after === '%' ? undefined : after) ?? '';
  if (currency !== '' && (unit !== '' || (before !== undefined && after !== undefined))) return undefined;
  const read = readDigits(digits, decimal);
  if (!read || read.plain.replace(/\D/g, '').length > MOST_DIGITS) return undefined;
  const below = open !== undefined || signs.some((each) => each !== '+');
  const value = Number(`${read.plain}${exponent}`);
  if (!Number.isFinite(value)) return undefined;
  return {
    value: below && value !== 0 ? -value : value,
    isPercent: after === '%' || unit === '%',
    currency,
    unit: unit === '%' ? '' : unit,
    places: read.places,
    decimal: read.decimal,
  };
}

const isFigure = (code: number): boolean => code >= 48 && code <= 57;

/**
 * Numbers as machines write them, which most cells of long tables are: figures, with a minus before them and a decimal point in
 * them where it cannot part thousands. Told letter by letter, in a tenth of the time; undefined where the pattern has to be asked.
 */
function readPlain(text: string, told: '' | '.' | ','): ReadNumber | undefined {
  const { length } = text;
  if (length === 0 || length > MOST_DIGITS) return undefined;
  const start = text.charCodeAt(0) === 45 ? 1 : 0;
  let at = start;
  while (at < length && isFigure(text.charCodeAt(at))) at++;
  const before = at - start;
  if (before === 0 || (before > 1 && text.charCodeAt(start) === 48)) return undefined;
  const places = at === length ? 0 : length - at - 1;
  if (at < length) {
    if (text.charCodeAt(at) !== 46 || told === ',' || places === 0 || (places === 3 && before <= 3)) return undefined;
    for (at++; at < length; at++) if (!isFigure(text.charCodeAt(at))) return undefined;
  }
  const value = Number(text);
  return { value: value === 0 ? 0 : value, isPercent: false, currency: '', unit: '', places, decimal: places > 0 ? '.' : '' };
}

interface Digits {
  /** As JavaScript writes it. */
  readonly plain: string;
  readonly places: number;
  readonly decimal: '' | '.' | ',';
}

function readDigits(text: string, told: '' | '.' | ','): Digits | undefined {
  const digits = text
    .replace('\u066b', '.')
    .replaceAll('\u066c', '')
    .replace(/['’ \u00a0\u202f\u2009]/g, '');
  const [points, commas] = [count(digits, '.'), count(digits, ',')];
  const last = Math.max(digits.lastIndexOf('.'), digits.lastIndexOf(','));
  if (last < 0) return { plain: digits, places: 0, decimal: '' };
  const mark = digits[last] as '.' | ',';
  const behind = digits.length - last - 1;
  const hadOther = /['’ \u00a0\u202f\u2009]/.test(text) || text.includes('\u066c');
  // Both marks, or a mark that cannot part thousands: the last one is decimal, beyond doubt.
  const isShown = (points > 0 && commas > 0) || hadOther || (points + commas === 1 && (behind !== 3 || last === 0 || last > 3));
  if (points + commas > 1 && (mark === '.' ? points : commas) > 1) {
    // Several of one kind part thousands.
    if (points > 0 && commas > 0) return undefined;
    return told === mark ? undefined : { plain: digits.replaceAll(mark, ''), places: 0, decimal: mark === '.' ? ',' : '.' };
  }
  if (!isShown && told !== mark && (told !== '' || mark === ',')) return { plain: digits.replaceAll(mark, ''), places: 0, decimal: '' };
  if (isShown && told !== '' && told !== mark) return undefined;
  const plain = `${digits.slice(0, last).replace(/[.,]/g, '')}.${digits.slice(last + 1)}`;
  return { plain, places: behind, decimal: isShown ? mark : '' };
}

const count = (text: string, letter: string): number => text.split(letter).length - 1;
