import { bad, good, type Outcome } from '../../outcome';
import { type bundles, propertyOf } from './properties';
import { tidy, type Vocabulary } from '../values/reading';
import { readValue } from '../values/values';

type Bundle = (typeof bundles)[number];

/** Four sides as one text, shortest form first (CSS Box 3, section 4.2): `7px`, `7px 12px`, or all four in the order top, end, bottom, start. */
export function bundleText(bundle: Bundle, texts: readonly string[]): string {
  const [top = '', end = '', bottom = '', start = ''] = texts;
  if (texts.every((text) => text === top)) return top;
  const separator = bundle.name === 'padding' ? ' ' : ' / ';
  if (top === bottom && end === start) return [top, end].join(separator);
  return [top, end, bottom, start].join(separator);
}

/** One text for all sides, taken apart and checked: a text for each of the bundle's sides, in its order. */
export function readBundle(bundle: Bundle, typed: string, vocabulary: Vocabulary): Outcome<readonly string[]> {
  const pieces = bundle.name === 'padding' ? tidy(typed).split(' ') : tidy(typed).split(/\s*\/\s*/);
  const [top = '', end = top, bottom = top, start = end] = pieces;
  if (pieces.length > 4) {
    return bad({
      code: 'value-sides',
      say: `There are four sides, not ${pieces.length}.`,
      remedy: 'Write one, two (top and bottom, then the others) or four: top, end, bottom, start.',
    });
  }
  const texts = [top, end, bottom, start];
  for (const [i, side] of bundle.sides.entries()) {
    const read = readValue(propertyOf(side).kind, texts[i] ?? '', vocabulary);
    if (!read.ok) return read;
  }
  return good(texts);
}
