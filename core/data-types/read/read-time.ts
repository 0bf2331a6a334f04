import { digitsOf } from './digits';

const CLOCK = /^(\d{1,2})(?::|[hH] ?)(\d{2})(?::(\d{2})(?:\.\d+)?)?(?: ?([ap])\.?m\.?)?(?: Uhr)?$/i;
const HOUR = /^(\d{1,2}) ?([ap])\.?m\.?$/i;

/** Reads a time of day, in seconds from midnight: `18:10`, `18:10:30`, `6:10 pm`, `6 pm`, `18h10`. Undefined where it is none. */
export function readTime(typed: string): number | undefined {
  const text = digitsOf(typed.trim());
  const match = CLOCK.exec(text);
  const bare = match ? undefined : HOUR.exec(text);
  if (!match && !bare) return undefined;
  const half = (match?.[4] ?? bare?.[2])?.toLowerCase();
  const [hour, minute, second] = [Number(match?.[1] ?? bare?.[1]), Number(match?.[2] ?? 0), Number(match?.[3] ?? 0)];
  if (minute > 59 || second > 59 || (half === undefined ? hour > 23 : hour < 1 || hour > 12)) return undefined;
  return ((half === undefined ? hour : (hour % 12) + (half === 'p' ? 12 : 0)) * 60 + minute) * 60 + second;
}

const LONG = /^(\d{1,6}):(\d{2})(?::(\d{2}))?$/;
/** ISO 8601, 5.5.2.2, days to seconds. */
const ISO = /^P(?:(\d+(?:[.,]\d+)?)D)?(?:T(?:(\d+(?:[.,]\d+)?)H)?(?:(\d+(?:[.,]\d+)?)M)?(?:(\d+(?:[.,]\d+)?)S)?)?$/;
const PIECE = /(\d+(?:[.,]\d+)?) ?(days?|d|Tage?|hours?|hrs?|h|Std\.?|minutes?|mins?|min|m|seconds?|secs?|sec|s|Sek\.?)(?=$|[\s\d,])/giu;
const sizes: readonly (readonly [RegExp, number])[] = [
  [/^(?:d|t)/i, 86_400],
  [/^(?:h|std)/i, 3600],
  [/^m/i, 60],
  [/^s/i, 1],
];

/** Reads a duration, in seconds: `1:30` (hours and minutes), `36:00:00`, `1 h 30 min`, `90 min`, `2d 4h`, `PT1H30M`. Undefined where it is none. */
export function readDuration(typed: string): number | undefined {
  const text = digitsOf(typed.trim());
  if (text.length > 40) return undefined;
  const long = LONG.exec(text);
  if (long) {
    const [hours, minutes, seconds] = [Number(long[1]), Number(long[2]), Number(long[3] ?? 0)];
    return minutes > 59 || seconds > 59 ? undefined : (hours * 60 + minutes) * 60 + seconds;
  }
  const iso = text.length > 2 ? ISO.exec(text) : null;
  if (iso) return [86_400, 3600, 60, 1].reduce((sum, size, i) => sum + size * decimal(iso[i + 1]), 0);
  const pieces = [...text.matchAll(PIECE)];
  // A length in metres, unless there are hours or seconds beside it.
  if (pieces.length === 1 && pieces[0]?.[2] === 'm') return undefined;
  if (pieces.length === 0 || text.replace(PIECE, '').replace(/[\s,]|and|und/g, '') !== '') return undefined;
  return pieces.reduce((sum, [, amount, word = '']) => sum + decimal(amount) * (sizes.find(([test]) => test.test(word))?.[1] ?? 0), 0);
}

const decimal = (figures: string | undefined): number => Number((figures ?? '0').replace(',', '.'));

/** Whether a duration is written with its units, and not as a clock would show it. */
export const hasUnits = (text: string): boolean => !LONG.test(digitsOf(text.trim()));
