import { own } from '../../own';
import { bad, good, type Outcome } from '../../outcome';
import { PRICING_LIMITS, emptyFeature, type Answer, type Feature, type Plan, type Pricing } from '../pricing';
import { spelling } from '../spelling';
import { freeId, setAnswer } from './edit-pricing';

/** What became of a pasted line. */
export interface Pasted {
  readonly line: string;
  readonly feature: string;
  /** Whether it joined a feature that was there, and is not one of its own now. */
  readonly joined: boolean;
}

const BULLET = /^(?:[-–—*•·‣◦▪●]|\d{1,3}[.)])(?:\s+|$)/u;
const TICK = /^[✓✔☑✅]\uFE0F?\s*/u;
const CROSS = /^[✗✘✕✖❌☐]\uFE0F?\s*/u;
/** One number, in digits, with at most one mark in it. */
const NUMBER = /\d{1,12}(?:[.,]\d{1,6})?/;
const LONGEST = 200;

/** A line as what it says: with a place for its number, where it has one. */
interface Line {
  readonly text: string;
  readonly pattern: string;
  readonly n: string | undefined;
  readonly isNo: boolean;
}

function lineOf(typed: string): Line | undefined {
  const bare = typed.trim().replace(BULLET, '').trim();
  const isNo = CROSS.test(bare);
  const text = bare
    .replace(isNo ? CROSS : TICK, '')
    .replace(/\s+/g, ' ')
    .trim()
    .slice(0, LONGEST);
  if (text === '') return undefined;
  const found = NUMBER.exec(text)?.[0];
  const n = found?.replace(',', '.').replace(/^0+(?=\d)/, '');
  return { text, isNo, n, pattern: found === undefined ? text : text.replace(found, '{n}') };
}

/** Whether two wordings differ by no more than one word's ending, as `1 guest` and `{n} guests` do. */
function isSameButForEnding(a: string, b: string): boolean {
  const [x, y] = [a, b].map((each) => each.toLocaleLowerCase().split(' '));
  if (!x || !y || x.length !== y.length) return false;
  const differ = x.flatMap((word, i) => (word === y[i] ? [] : [[word, y[i] ?? ''] as const]));
  const [pair] = differ;
  if (!pair || differ.length > 1) return differ.length === 0;
  const [short, long] = [...pair].sort((one, other) => one.length - other.length);
  return short !== undefined && long !== undefined && short.length >= 3 && long.length - short.length <= 2 && long.startsWith(short);
}

const isAbout = ({ name, phrase, kind }: Feature, { text, pattern, n }: Line): boolean => {
  if (kind === 'group') return false;
  if (spelling(name) === spelling(text)) return true;
  if (n === undefined) return false;
  return (
    Object.values(phrase).some((form) => spelling(form) === spelling(pattern) || isSameButForEnding(form, pattern)) ||
    spelling(name) === spelling(pattern.replace('{n}', ''))
  );
};

/** The feature that a line becomes: called as it is without its number, and said as it is with it. */
function featureOf(id: string, { text, pattern, n }: Line, language: string): Feature {
  if (n === undefined) return emptyFeature(id, text.slice(0, PRICING_LIMITS.name));
  const name = pattern.replace('{n}', '').replace(/\s+/g, ' ').trim() || text;
  const capital = name.charAt(0).toLocaleUpperCase(language || 'en') + name.slice(1);
  return { ...emptyFeature(id, capital.slice(0, PRICING_LIMITS.name)), phrase: { other: pattern } };
}

/**
 * A list of lines as what one plan has. A line that says the same as a feature, also with another number, is that feature's answer; every
 * other line becomes a feature. Ticks and bullets are left out, and a line with a cross is a no. Nothing that the plan said already is changed.
 */
export function pasteLines(pricing: Pricing, plan: Plan, text: string): Outcome<{ readonly pricing: Pricing; readonly pasted: readonly Pasted[] }> {
  const lines = text.split(/\r?\n/).flatMap((each) => lineOf(each) ?? []);
  if (lines.length === 0) return bad({ code: 'pricing-lines', say: 'There is no line in this.', remedy: 'Paste one feature a line.' });
  const pasted: Pasted[] = [];
  let next = pricing;
  for (const line of lines) {
    const known = next.features.find((feature) => isAbout(feature, line));
    if (!known && next.features.length >= PRICING_LIMITS.features)
      return bad({
        code: 'pricing-features',
        say: `With these there would be more than ${PRICING_LIMITS.features} features.`,
        remedy: 'Paste fewer lines.',
      });
    const feature = known ?? featureOf(freeId('f', next.features), line, next.language);
    const phrased = known ? withForm(known, line, next.language) : feature;
    next = { ...next, features: known ? next.features.map((each) => (each === known ? phrased : each)) : [...next.features, feature] };
    if (own(own(next.answers, feature.id) ?? {}, plan.id) === undefined) next = setAnswer(next, feature.id, plan.id, answerFor(line, phrased));
    pasted.push({ line: line.text, feature: feature.id, joined: known !== undefined });
  }
  return good({ pricing: next, pasted });
}

const answerFor = ({ n, isNo }: Line, { phrase }: Feature): Answer => {
  if (isNo) return { is: 'no' };
  return n === undefined || Object.keys(phrase).length === 0 ? { is: 'yes' } : { is: 'number', n };
};

/** A feature with the wording of a line as the plural form that its number has, where it has none of that form yet. */
function withForm(feature: Feature, { pattern, n }: Line, language: string): Feature {
  if (n === undefined || spelling(feature.name) === spelling(pattern)) return feature;
  const form = new Intl.PluralRules(language || 'en').select(Number(n));
  const forms = Object.values(feature.phrase);
  if (forms.includes(pattern) || Object.hasOwn(feature.phrase, form)) return feature;
  return { ...feature, phrase: { ...feature.phrase, [form]: pattern, ...(forms.length === 0 ? { other: pattern } : {}) } };
}
