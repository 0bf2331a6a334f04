import type { DataType } from './data-type';

const isFigure = (code: number): boolean => code >= 48 && code <= 57;
const isCode = (text: string): boolean => text.charCodeAt(0) === 48 && isFigure(text.charCodeAt(1));

/** Anything but figures: a fraction, a sign, a word. */
function isNoPlainFigure(text: string): boolean {
  if (isCode(text)) return true;
  for (let at = 0; at < text.length; at++) if (!isFigure(text.charCodeAt(at))) return true;
  return false;
}
/** A time whose hours may be 24 or more: its first two figures, or three of them. */
const isLate = (text: string): boolean =>
  text.charCodeAt(0) > 50 || (text.charCodeAt(0) === 50 && text.charCodeAt(1) > 51) || isFigure(text.charCodeAt(2));

/** Which texts of a column are asked whether they decide: those that begin with a letter, or all of them. */
export interface Decisive {
  readonly first?: number;
  readonly test: (text: string) => boolean;
}
const ofCodes: Decisive = { first: 48, test: isCode };
const all: Decisive = { test: () => true };

/**
 * For a column that some of its cells say is of a type: the texts of which a single one, anywhere else in it, may make it
 * another. Written to look at a letter or two, since every cell of what may be millions is asked. Types that are not here
 * follow the share of their cells, which some of them tell.
 */
export const mayDecide: Readonly<Partial<Record<DataType, Decisive>>> = {
  whole: { test: isNoPlainFigure },
  number: ofCodes,
  money: ofCodes,
  percent: ofCodes,
  time: { test: isLate },
  choice: all,
  'yes-no': all,
};
