import { isNothing, type DataType, type Written } from '../data-type';
import { readDate } from './read-date';
import { readNumber } from './read-number';
import { readDuration, readTime } from './read-time';
import { isEmail, isLink, isPicture, readYesNo } from './read-words';

/**
 * What a text comes to as a value of a type, by which it is sorted, compared and added up: a number for numbers (12 for
 * `12 %`), for dates milliseconds, for times and durations seconds, for yes and no 1 and 0; else the text. `null` where
 * there is nothing; undefined where the text is not of the type.
 */
export type Value = number | string | null;

export function readValueOf(type: DataType, typed: string, { decimal, order }: Written): Value | undefined {
  const text = typed.trim();
  if (isNothing(text)) return null;
  switch (type) {
    case 'whole': {
      const read = readNumber(text, decimal);
      return read && Number.isInteger(read.value) ? read.value : undefined;
    }
    case 'number':
    case 'money':
    case 'percent':
      return readNumber(text, decimal)?.value;
    case 'date':
      return readDate(text, order)?.value;
    case 'time':
      return readTime(text);
    case 'duration':
      return readDuration(text);
    case 'yes-no': {
      const read = readYesNo(text);
      return read === undefined ? undefined : Number(read);
    }
    case 'link':
      return isLink(text) ? text : undefined;
    case 'email':
      return isEmail(text) ? text : undefined;
    case 'picture':
      return isPicture(text) ? text : undefined;
    case 'text':
    case 'choice':
      return text;
  }
}
