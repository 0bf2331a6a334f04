import type { DateOrder } from '../data-type';
import { languages } from '../../languages';
import { digitsOf } from './digits';

/** Milliseconds since 1970 in a calendar without time zones: dates never shift by one. `parts` are the figures as they stood, if there were only figures. */
export interface ReadDate {
  readonly value: number;
  readonly hasTime: boolean;
  /** The orders in which the figures are a date. */
  readonly orders: readonly DateOrder[];
}

const TIME = '(?:[T ]+(\\d{1,2}):(\\d{2})(?::(\\d{2})(?:\\.\\d+)?)?(?:Z|[+-]\\d{2}:?\\d{2})?)?';
const FIGURES = new RegExp(`^(\\d{1,4})([./-])[ ]?(\\d{1,2})\\2[ ]?(\\d{1,4})\\.?${TIME}$`);
const DAY_FIRST = new RegExp(`^(\\d{1,2})(?:\\.|st|nd|rd|th|er)?[ -](?:de |of )?([\\p{L}]{3,12})\\.?,?[ -](?:de )?(\\d{4}|\\d{2})${TIME}$`, 'u');
const MONTH_FIRST = new RegExp(`^([\\p{L}]{3,12})\\.? (\\d{1,2})(?:st|nd|rd|th)?,? (\\d{4})${TIME}$`, 'u');
/** Below it a year of two figures is of this century (ISO 8601 leaves them to agreement; this is the usual one). */
const TURN = 50;

/**
 * Reads a date: ISO 8601, figures in any order, or with the month's name in English, German, French, Spanish, Greek or
 * Arabic; with a time behind it or not. `order` decides where figures could be read in several orders; without one,
 * day before month. Undefined where it is none, or a day that the calendar does not have.
 */
export function readDate(typed: string, order: '' | DateOrder = ''): ReadDate | undefined {
  if (typed.length > 60) return undefined;
  const text = digitsOf(typed.trim());
  const figures = FIGURES.exec(text);
  if (figures) {
    const [, a = '', mark = '', b = '', c = '', ...time] = figures;
    const found = ordersOf(a, mark, b, c).flatMap((each) => {
      const value = dateOf(each, a, b, c, time);
      return value === undefined ? [] : [{ order: each, value }];
    });
    const chosen = order === '' ? found[0] : found.find((each) => each.order === order);
    return chosen && { value: chosen.value, hasTime: time[0] !== undefined, orders: found.map((each) => each.order) };
  }
  const day = DAY_FIRST.exec(text);
  const named = day ? [day[1], day[2], day[3], ...day.slice(4)] : undefined;
  const other = named ? undefined : MONTH_FIRST.exec(text);
  // The months' names are worked out when a text first asks for them.
  if (!named && !other) return undefined;
  const [d = '', name = '', y = '', ...time] = named ?? (other ? [other[2], other[1], other[3], ...other.slice(4)] : []);
  const month = monthsByName().get(folded(name));
  const value = month === undefined ? undefined : at(yearOf(y), month, Number(d), time);
  return value === undefined ? undefined : { value, hasTime: time[0] !== undefined, orders: ['dmy', 'mdy', 'ymd'] };
}

/** A year of four figures in front is ISO's order; points are written day first, strokes either way. */
function ordersOf(a: string, mark: string, b: string, c: string): readonly DateOrder[] {
  if (a.length > 2) return a.length === 4 && c.length < 3 ? ['ymd'] : [];
  if (c.length !== 2 && c.length !== 4) return [];
  if (mark === '.') return ['dmy'];
  return c.length === 2 && b.length === 2 && a.length === 2 && mark === '-' ? ['dmy', 'mdy', 'ymd'] : ['dmy', 'mdy'];
}

function dateOf(order: DateOrder, a: string, b: string, c: string, time: readonly (string | undefined)[]): number | undefined {
  const [year, month, day] = order === 'ymd' ? [a, b, c] : order === 'dmy' ? [c, b, a] : [c, a, b];
  return at(yearOf(year), Number(month), Number(day), time);
}

const yearOf = (figures: string): number => (figures.length > 2 ? Number(figures) : Number(figures) + (Number(figures) < TURN ? 2000 : 1900));

function at(year: number, month: number, day: number, [h = '0', m = '0', s = '0']: readonly (string | undefined)[]): number | undefined {
  const [hour, minute, second] = [Number(h), Number(m), Number(s)];
  if (hour > 23 || minute > 59 || second > 59) return undefined;
  const date = new Date(Date.UTC(year, month - 1, day, hour, minute, second));
  date.setUTCFullYear(year, month - 1, day);
  return date.getUTCMonth() === month - 1 && date.getUTCDate() === day && date.getUTCFullYear() === year ? date.getTime() : undefined;
}

const folded = (name: string): string =>
  name
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}|\.$/gu, '');

let months: ReadonlyMap<string, number> | undefined;
/** Long and short names of the months, as the languages' own data have them (Unicode CLDR). */
function monthsByName(): ReadonlyMap<string, number> {
  if (months) return months;
  const found = new Map<string, number>();
  for (const { code: language } of languages)
    for (const style of ['long', 'short'] as const)
      for (const day of ['numeric', undefined] as const) {
        const format = new Intl.DateTimeFormat(language, { month: style, ...(day ? { day } : {}), timeZone: 'UTC' });
        for (let month = 1; month <= 12; month++) {
          const name = format.formatToParts(Date.UTC(2001, month - 1, 1)).find(({ type }) => type === 'month')?.value ?? '';
          found.set(folded(name), month);
        }
      }
  for (const { months: others } of languages) for (const [name, month] of Object.entries(others)) found.set(folded(name), month);
  return (months = found);
}
