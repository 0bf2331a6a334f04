import type { Outcome } from '../outcome';
import type { Property } from './catalogue/properties';
import { placesFor, type Slot } from './catalogue/strength';
import type { Place } from './theme';
import { AS_ITS_COLUMN } from './values/kinds';
import { problem, type Value } from './values/reading';

const text: Slot = { part: 'body-rows', conditions: [] };
const number: Slot = { ...text, also: ['numbers'] };

/** Whether a value is left to the column that a header stands over. */
export const isOfColumn = ({ css }: Value): boolean => css === AS_ITS_COLUMN;

/** Whether a place can say that it stands as its column does. */
export const canFollow = ({ part, condition }: Place, { follows }: Property): boolean =>
  follows?.includes(part) === true && (condition === 'rest' || condition === 'over-numbers');

/** What is said of a text that stands where nothing stands over a column. */
export const nothingToFollow = (): Outcome<never> =>
  problem('value-column', 'Only column headers stand “as its column”.', 'Say start, center, end or justify here.');

/** A value as it is meant at a place: there, or nothing where that place cannot say it. */
export const meantAt = (place: Place, property: Property, read: Outcome<Value>, ofColumn: (place: Place) => Outcome<Value>): Outcome<Value> => {
  if (!read.ok || !isOfColumn(read.value)) return read;
  return canFollow(place, property) ? ofColumn(place) : nothingToFollow();
};

/** The places that say how the cells under a header stand, strongest first: numbers where it stands over some, else texts. */
export const columnPlaces = ({ condition }: Place, property: Property): readonly Place[] =>
  placesFor(condition === 'over-numbers' ? number : text, property);
