import { anyOf } from '../languages';
import { isNothing, type DataType, type DateOrder, type Written } from './data-type';
import { readDate } from './read/read-date';
import { readNumber, type ReadNumber } from './read/read-number';
import { hasUnits, readDuration, readTime } from './read/read-time';
import { isEmail, isLink, isPicture, readYesNo } from './read/read-words';

/** What a whole column is, and how its cells are written. */
export interface FoundType extends Written {
  readonly type: DataType;
  /** The currency that all amounts are in, as written; empty for none or several. */
  readonly currency: string;
  /** The unit that all numbers are in; empty for none. */
  readonly unit: string;
}

/** Share of the filled cells that have to be of a type: one remark among numbers does not change the column. */
const SHARE = 0.8;
/** A column of a few words that come again and again, from so many cells on. */
const [CHOICES, CHOICE_ROWS, CHOICE_LENGTH] = [8, 10, 30] as const;
/** Words in a column's name by which its figures are names for something, not amounts. */
const NAMES = new RegExp(`(?:^|[^\\p{L}])(?:${anyOf(({ codes }) => codes)})(?:$|[^\\p{L}])`, 'iu');
/** Figures in groups, with a plus, a bracket or a zero in front: a telephone number (ITU-T E.123). */
const PHONE = /^(?:\+\d|\(0?\d|0\d)[\d ().-]{5,}$/;
/** A country's code for telephones (ITU-T E.164): where every figure has its plus, they are no amounts. */
const DIALLED = /^\+[1-9]\d{0,2}$/;

const NOT_WRITTEN = { decimal: '', order: '', currency: '', unit: '' } as const;
const TEXT: FoundType = { type: 'text', ...NOT_WRITTEN };

/**
 * The type of a column from all of its texts, and from its name where figures could be either. Nothing but dashes and
 * the like does not count. A single code with a zero in front makes the whole column text, since nobody adds up codes.
 * `odd` are further texts of a column of which `texts` are only a part: they count where one text decides, not in a share.
 */
export function findType(texts: readonly string[], name = '', odd: readonly string[] = []): FoundType {
  const filled = filledOf(texts);
  const all = odd.length === 0 ? filled : [...filled, ...filledOf(odd)];
  if (filled.length === 0) return TEXT;
  const few = filled.length - Math.ceil(filled.length * SHARE);
  // Asked no further once too many are something else: most questions are answered no.
  const isMost = (test: (text: string) => boolean): boolean => {
    let others = 0;
    return filled.every((text) => test(text) || ++others <= few);
  };
  if (isMost(isEmail)) return { ...TEXT, type: 'email' };
  if (isMost(isPicture)) return { ...TEXT, type: 'picture' };
  if (isMost(isLink)) return { ...TEXT, type: 'link' };
  if (filled.length > 1 && isMost((text) => readYesNo(text) !== undefined) && new Set(all.map((text) => text.toLowerCase())).size <= 4)
    return { ...TEXT, type: 'yes-no' };
  const isCode =
    NAMES.test(name) ||
    all.some((text) => /^0\d+$/.test(text)) ||
    isMost((text) => PHONE.test(text)) ||
    (filled.length > 1 && filled.every((text) => DIALLED.test(text)));
  if (!isCode) {
    const found = clock(all, isMost) ?? dates(all, isMost) ?? durations(isMost) ?? numbers(filled, all);
    if (found) return found;
  }
  return isChoice(filled, all) && !isCode ? { ...TEXT, type: 'choice' } : TEXT;
}

const filledOf = (texts: readonly string[]): readonly string[] => texts.map((text) => text.trim()).filter((text) => !isNothing(text));

type Most = (test: (text: string) => boolean) => boolean;

const isClocked = (text: string): boolean => !hasUnits(text) && readDuration(text) !== undefined;

/** Times of day stay below 24 hours; one above makes the column durations. */
function clock(all: readonly string[], isMost: Most): FoundType | undefined {
  if (!isMost((text) => readTime(text) !== undefined || isClocked(text))) return undefined;
  return { ...TEXT, type: all.some((text) => readTime(text) === undefined && isClocked(text)) ? 'duration' : 'time' };
}

const durations = (isMost: Most): FoundType | undefined =>
  isMost((text) => readDuration(text) !== undefined && (hasUnits(text) || readTime(text) === undefined)) ? { ...TEXT, type: 'duration' } : undefined;

/** The order in which most of the figures are dates; day before month where that leaves several. */
function dates(all: readonly string[], isMost: Most): FoundType | undefined {
  return isMost((text) => readDate(text) !== undefined) ? { ...TEXT, type: 'date', order: orderOf(all) } : undefined;
}

function orderOf(filled: readonly string[]): '' | DateOrder {
  const read = filled.flatMap((text) => readDate(text) ?? []);
  const counts = (['dmy', 'mdy', 'ymd'] as const).map((order) => ({ order, count: read.filter(({ orders }) => orders.includes(order)).length }));
  return read.length === 0 ? '' : (counts.sort((a, b) => b.count - a.count)[0]?.order ?? '');
}

function numbers(filled: readonly string[], all: readonly string[]): FoundType | undefined {
  const { read, ...said } = amountsIn(filled);
  if (read.length < filled.length * SHARE) return undefined;
  const share = (test: (each: ReadNumber) => boolean): boolean => read.filter(test).length >= read.length * SHARE;
  // Numbers in many units are not one column of numbers.
  if (new Set(read.map(({ unit }) => unit).filter((unit) => unit !== '')).size > 1) return undefined;
  const written = { ...said, order: '' } as const;
  if (share(({ isPercent }) => isPercent)) return { type: 'percent', ...written };
  if (share(({ currency }) => currency !== '')) return { type: 'money', ...written };
  const isWhole = ({ value, places }: ReadNumber): boolean => places === 0 && Number.isInteger(value);
  const others = all.slice(filled.length).flatMap((text) => readNumber(text, said.decimal) ?? []);
  return { type: read.every(isWhole) && others.every(isWhole) ? 'whole' : 'number', ...written };
}

function amountsIn(filled: readonly string[]): Pick<FoundType, 'decimal' | 'currency' | 'unit'> & { readonly read: readonly ReadNumber[] } {
  const first = filled.map((text) => readNumber(text));
  const shown = first.flatMap((each) => each?.decimal ?? []).filter((mark) => mark !== '');
  const commas = shown.filter((mark) => mark === ',').length;
  const decimal = shown.length === 0 ? '' : commas > shown.length / 2 ? ',' : '.';
  // Only what the mark can make another number is read again.
  const read = filled.flatMap((text, i) => (first[i]?.decimal === decimal || !/[.,]/.test(text) ? first[i] : readNumber(text, decimal)) ?? []);
  return { decimal, currency: only(read, 'currency'), unit: only(read, 'unit'), read };
}

/** How the cells of a column are written of which it is known what they are: as those among them say that are it. */
export function howWritten(texts: readonly string[]): Omit<FoundType, 'type'> {
  const filled = filledOf(texts);
  const { decimal, currency, unit } = amountsIn(filled);
  return { decimal, currency, unit, order: orderOf(filled) };
}

function only(read: readonly ReadNumber[], what: 'currency' | 'unit'): string {
  const all = new Set(read.map((each) => each[what]).filter((each) => each !== ''));
  return all.size === 1 ? ([...all][0] ?? '') : '';
}

function isChoice(filled: readonly string[], all: readonly string[]): boolean {
  if (filled.length < CHOICE_ROWS || all.some((text) => text.length > CHOICE_LENGTH)) return false;
  const each = new Set(all).size;
  return each > 1 && each <= CHOICES && each <= filled.length / 3;
}
