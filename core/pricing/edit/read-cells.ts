import { readYesNo } from '../../data-types';
import { decimalsOf, readAmount } from '../amounts';
import type { Answer, Price } from '../pricing';
import { pricingWords } from '../words';

const SIGNS: ReadonlyMap<string, string> = new Map([
  ['£', 'GBP'],
  ['€', 'EUR'],
  ['$', 'USD'],
  ['¥', 'JPY'],
  ['₹', 'INR'],
  ['₺', 'TRY'],
  ['₽', 'RUB'],
  ['₴', 'UAH'],
  ['₪', 'ILS'],
]);
/** The currency that a text names, by its sign or its code. */
export function currencyIn(text: string): string | undefined {
  for (const letter of text) if (SIGNS.has(letter)) return SIGNS.get(letter);
  return /(?:^|[\s\d])([A-Z]{3})(?:$|[\s\d])/.exec(text)?.[1];
}

export const freeWords = /^(?:free|gratis|kostenlos|gratuit|δωρεάν|مجان)/iu;
export const requestWords = /request|anfrage|demande|consultar|contact|ask|κατόπιν|طلب/iu;
export const fromWords = /^(?:from|ab|dès|desde|από|ابتداء)\s/iu;
const TICKS = /^[✓✔☑✅●]\uFE0F?$/u;
const CROSSES = /^[✗✘✕✖❌☐○]\uFE0F?$|^[-–—]$/u;

/** A cell as what a plan costs; nothing where it says nothing. What is no amount is kept as what it is on request for, and told. */
export function priceFrom(text: string, currency: string): { readonly price: Omit<Price, 'period'>; readonly isUnread: boolean } | undefined {
  if (text === '' || CROSSES.test(text)) return undefined;
  if (freeWords.test(text)) return { price: { is: 'free' }, isUnread: false };
  const isFrom = fromWords.test(text);
  const [amountText, unit] = parted(isFrom ? text.replace(fromWords, '') : text);
  const amount = readAmount(amountText);
  const fine = amount.ok ? trimmed(amount.value, decimalsOf(currency)) : undefined;
  if (fine === undefined) {
    const isAsked = requestWords.test(text);
    return { price: { is: 'on request', ...(isAsked ? {} : { unit: text.slice(0, 60) }) }, isUnread: !isAsked };
  }
  return { price: { is: isFrom ? 'from' : 'amount', amount: fine, ...(unit === '' ? {} : { unit }) }, isUnread: false };
}

/** An amount, and what stands behind it, which says what it is for: `£12.50 per berth`, `12,50 EUR / berth`. */
function parted(text: string): readonly [amount: string, unit: string] {
  const digit = text.search(/\d/);
  const behind = digit < 0 ? -1 : text.slice(digit).search(/\s(?=\p{L})|\/|[A-Z]{3}(?!\p{L})/u);
  if (behind < 0) return [text, ''];
  const unit = text
    .slice(digit + behind)
    .trim()
    .replace(/^[A-Z]{3}(?!\p{L})/u, '')
    .trim();
  return [text.slice(0, digit + behind), unit.startsWith('/') ? unit.slice(1).trim().slice(0, 60) : unit.slice(0, 60)];
}

/** An amount without zeros behind its decimals that say nothing; `12.50` stays as it was typed. */
const trimmed = (amount: string, decimals: number): string => {
  const [whole = '0', part = ''] = amount.split('.');
  return part === '' || /^0+$/.test(part) ? whole : part.length <= decimals ? `${whole}.${part}` : `${whole}.${part.replace(/0+$/, '')}`;
};

/** A cell as an answer: ticks, crosses, words of yes and no, a number, or a text. */
export function answerFrom(text: string, language: string): Answer {
  if (TICKS.test(text)) return { is: 'yes' };
  if (CROSSES.test(text)) return { is: 'no' };
  const said = readYesNo(text);
  if (said !== undefined) return { is: said ? 'yes' : 'no' };
  const { yes, no } = pricingWords(language);
  if (text === yes || text === no) return { is: text === yes ? 'yes' : 'no' };
  const number = /^\d/.test(text) ? readAmount(text) : undefined;
  return number?.ok && !/\p{Sc}/u.test(text) ? { is: 'number', n: number.value } : { is: 'text', text: text.slice(0, 200) };
}
