import { decimalsOf } from './amounts';

/** A piece of a written amount: the currency's sign, whole digits, decimals with their mark, or anything else. */
export interface AmountPart {
  readonly kind: 'currency' | 'whole' | 'decimals' | 'other';
  readonly text: string;
}

const known = new Map<string, Intl.NumberFormat>();
function formatOf(language: string, currency: string, decimals: number): Intl.NumberFormat {
  const key = `${language} ${currency} ${decimals}`;
  const format =
    known.get(key) ??
    new Intl.NumberFormat(language || 'en', { style: 'currency', currency, minimumFractionDigits: decimals, maximumFractionDigits: decimals });
  known.set(key, format);
  return format;
}

/** How many decimals an amount is written with: none where it is whole, else the currency's. */
const writtenDecimals = (amount: string, currency: string): number => (/\.0*[1-9]/.test(amount) ? decimalsOf(currency) : 0);

/** Whether the written form says all of an amount: `12.505` in pounds would be said otherwise. */
export const saysAll = (amount: string, currency: string): boolean => (amount.split('.')[1] ?? '').replace(/0+$/, '').length <= decimalsOf(currency);

/** An exact amount as its language writes it, in parts (ECMA-402 takes decimal strings as they are; no float is made). */
export function amountParts(amount: string, currency: string, language: string): readonly AmountPart[] {
  const parts = formatOf(language, currency, writtenDecimals(amount, currency)).formatToParts(amount as unknown as number);
  const joined: { kind: AmountPart['kind']; text: string }[] = [];
  for (const { type, value } of parts) {
    const kind =
      type === 'currency'
        ? 'currency'
        : type === 'integer' || type === 'group'
          ? 'whole'
          : type === 'fraction' || type === 'decimal'
            ? 'decimals'
            : 'other';
    const last = joined.at(-1);
    if (last?.kind === kind) last.text += value;
    else joined.push({ kind, text: value });
  }
  return joined;
}

export const writtenAmount = (amount: string, currency: string, language: string): string =>
  amountParts(amount, currency, language)
    .map(({ text }) => text)
    .join('');

/** A share of a hundred as its language writes it. */
export const writtenPercent = (value: string, language: string): string =>
  new Intl.NumberFormat(language || 'en', { style: 'percent' }).format(`${value}e-2` as unknown as number);
