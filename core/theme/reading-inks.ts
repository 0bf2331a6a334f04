import { partOf } from './catalogue/parts';
import type { Outcome } from '../outcome';
import type { Place } from './theme';
import { problem, type Value } from './values/reading';

/** Whether a value is an ink that is meant to be the nearest to its colour that can be read where it stands. */
export const isReading = (value: Value): boolean => value.kind === 'colour' && value.reads === true;

/** Whether an ink goes with what it stands on by itself, so that it reads there at 4.5 : 1 at least, whatever that comes to. */
export const goesAlong = (value: Value): boolean => value.kind === 'colour' && (value.reads === true || value.made === true);

/** Whether a place can say so: what lies behind a part of a card is known under all conditions that hold together. */
export const canRead = ({ part }: Place): boolean => partOf(part).box === 'cards';

/** What is said of such an ink where it cannot be. */
export const nothingToReadOn = (): Outcome<never> =>
  problem('value-reads', 'Only texts of cards can have a colour “that reads”.', 'Say a colour here, or “ink for” what lies behind.');
