import { languageNamed, languageOf } from '../languages';
import type { DataType } from './data-type';
import type { Value } from './read/read-value';

export const negativeStyles = ['minus', 'brackets'] as const;
export const dateStyles = ['iso', 'short', 'medium', 'long', 'full'] as const;

/** How a column's values are written where the table is shown; cells that are not of the column's type stay as they were typed. */
export interface ColumnFormat {
  /** Digits behind the decimal mark, from 0 to 10; null for as many as a value has, at most 6. */
  readonly decimals: number | null;
  /** Whether thousands are set apart. */
  readonly grouping: boolean;
  /** ISO 4217 code for money; empty for the bare amount. */
  readonly currency: string;
  /** Stands behind a number, at most 20 characters; empty for none. */
  readonly unit: string;
  readonly negative: (typeof negativeStyles)[number];
  /** Whether amounts above nothing have a plus sign, as changes do. */
  readonly positive?: 'plus';
  readonly date: (typeof dateStyles)[number];
  /** Stands where there is nothing, at most 40 characters. */
  readonly empty: string;
}
export const PLAIN_FORMAT: ColumnFormat = { decimals: null, grouping: true, currency: '', unit: '', negative: 'minus', date: 'medium', empty: '' };

/** A format without a sign for amounts above nothing. */
const unsigned = ({ positive: _, ...format }: ColumnFormat): ColumnFormat => format;

/** Currencies by the signs that stand for one of them only, or for one before all others. */
const codes: Readonly<Record<string, string>> = {
  '£': 'GBP',
  '€': 'EUR',
  $: 'USD',
  US$: 'USD',
  A$: 'AUD',
  C$: 'CAD',
  '¥': 'JPY',
  '₹': 'INR',
  '₩': 'KRW',
  '₺': 'TRY',
  '₪': 'ILS',
  zł: 'PLN',
  Kč: 'CZK',
  Ft: 'HUF',
  'Fr.': 'CHF',
  lei: 'RON',
};
/** The ISO 4217 code for a currency as it was written; empty where a sign stands for several. */
export const currencyCode = (written: string): string => (/^[A-Z]{3}$/.test(written) ? written : (codes[written] ?? ''));

/**
 * A value as it is shown in a language (BCP 47; empty for English). Numbers, money, per cent, dates and times are
 * written by the language's own rules (ECMA-402, Intl).
 */
export function formatValue(type: DataType, value: Value, format: ColumnFormat, language: string): string {
  if (value === null) return format.empty;
  if (typeof value === 'string') return value;
  const locale = language === '' ? 'en' : language;
  switch (type) {
    case 'whole':
    case 'number':
    case 'money':
    case 'percent': {
      const amount = type === 'percent' ? value / 100 : value;
      const isBracketed = amount < 0 && format.negative === 'brackets';
      // Brackets take the place of every sign.
      const number = numberFormat(locale, type, isBracketed ? unsigned(format) : format).format(isBracketed ? -amount : amount);
      const measured = format.unit === '' || type === 'money' || type === 'percent' ? number : `${number}\u00a0${format.unit}`;
      return isBracketed ? `(${measured})` : measured;
    }
    case 'date':
      return formatDate(value, format.date, locale);
    case 'time':
      return dateFormat(locale, value % 60 === 0 ? { timeStyle: 'short' } : { timeStyle: 'medium' }).format(value * 1000);
    case 'duration':
      return formatDuration(value, locale);
    case 'yes-no':
      return (languageNamed(locale) ?? languageOf('en')).yesAndNo[value === 1 ? 0 : 1];
    case 'text':
    case 'choice':
    case 'link':
    case 'email':
    case 'picture':
      return String(value);
  }
}

function formatDate(value: number, style: ColumnFormat['date'], locale: string): string {
  const hasTime = value % 86_400_000 !== 0;
  if (style === 'iso')
    return new Date(value)
      .toISOString()
      .slice(0, hasTime ? 16 : 10)
      .replace('T', ' ');
  return dateFormat(locale, { dateStyle: style, ...(hasTime ? { timeStyle: 'short' } : {}) }).format(value);
}

function formatDuration(value: number, locale: string): string {
  const units = [
    ['hour', Math.floor(value / 3600)],
    ['minute', Math.floor(value / 60) % 60],
    ['second', Math.round(value % 60)],
  ] as const;
  const said = units.filter(([unit, amount]) => amount > 0 || (unit === 'minute' && value < 60 && value === 0));
  return said
    .map(([unit, amount]) => cached(numbers, `${locale} ${unit}`, () => new Intl.NumberFormat(locale, { style: 'unit', unit })).format(amount))
    .join(' ');
}

const numbers = new Map<string, Intl.NumberFormat>();
const dates = new Map<string, Intl.DateTimeFormat>();
function cached<T>(map: Map<string, T>, key: string, make: () => T): T {
  const known = map.get(key);
  if (known !== undefined) return known;
  const made = make();
  map.set(key, made);
  return made;
}

const marks = new Map<string, '.' | ','>();
/** The mark that parts whole from decimal in a language: a comma, or for all others a point. */
export const decimalMarkOf = (language: string): '.' | ',' =>
  cached(marks, language, () => {
    const parts = new Intl.NumberFormat(language === '' ? 'en' : language).formatToParts(1.5);
    return parts.find(({ type }) => type === 'decimal')?.value === ',' ? ',' : '.';
  });

/** How Intl writes a number of a type in a format (ECMA-402, NumberFormat). */
export function numberOptions(type: DataType, { decimals, grouping, currency, positive }: ColumnFormat): Intl.NumberFormatOptions {
  const places =
    decimals === null
      ? type === 'money' && currency !== ''
        ? {}
        : { maximumFractionDigits: 6 }
      : { minimumFractionDigits: decimals, maximumFractionDigits: decimals };
  const style: Intl.NumberFormatOptions =
    type === 'percent' ? { style: 'percent' } : type === 'money' && currency !== '' ? { style: 'currency', currency } : {};
  return { ...style, ...places, useGrouping: grouping ? 'auto' : false, ...(positive === 'plus' ? { signDisplay: 'exceptZero' } : {}) };
}

function numberFormat(locale: string, type: DataType, format: ColumnFormat): Intl.NumberFormat {
  const { decimals, grouping, currency, positive = '' } = format;
  return cached(
    numbers,
    `${locale} ${type} ${decimals} ${grouping} ${currency} ${positive}`,
    () => new Intl.NumberFormat(locale, numberOptions(type, format)),
  );
}

const dateFormat = (locale: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat =>
  cached(dates, `${locale} ${JSON.stringify(options)}`, () => new Intl.DateTimeFormat(locale, { ...options, timeZone: 'UTC' }));

/** Whether a text names a language that formats can be made for (BCP 47, as ECMA-402 has it). */
export function isLanguage(text: string): boolean {
  try {
    return text.length <= 35 && Intl.getCanonicalLocales(text).length === 1;
  } catch {
    return false;
  }
}

/** What is wrong with a language as it was typed; empty where nothing is. An empty text is fine: it leaves the language to what `otherwise` names. */
export const languageProblem = (typed: string, otherwise: string): string =>
  typed === '' || isLanguage(typed)
    ? ''
    : `“${typed.slice(0, 40)}” is no language. Write a code such as en, de or ar-EG; leave it empty for ${otherwise}.`;
