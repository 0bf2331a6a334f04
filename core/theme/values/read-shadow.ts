import { good, type Outcome } from '../../outcome';
import { lengthReader, problem, readColour, type Reader, type Value, type Vocabulary } from './reading';

const MOST = 6;
const offset = lengthReader({ least: -200, most: 200 });
const spread = offset;
const blur = lengthReader({ least: 0, most: 200 });

/**
 * Reads one or more shadows (CSS Backgrounds 3, section 6.1): two offsets, then blur and spread if any, then
 * the colour, and `inset` in front for one that lies inside. Several are written with commas between.
 */
export const readShadow: Reader = (text, vocabulary) => readShadows(text, vocabulary, false);

/** Shadows of letters: neither inside nor spread (CSS Text Decoration 3, section 4). */
export const readTextShadow: Reader = (text, vocabulary) => readShadows(text, vocabulary, true);

function readShadows(text: string, vocabulary: Vocabulary, isOfLetters: boolean): Outcome<Value> {
  if (text === 'none') return good({ kind: 'word', css: 'none' });
  const pieces = splitOutsideParentheses(text);
  if (pieces.length > MOST) return problem('value-shadow', `There are ${pieces.length} shadows.`, `Use at most ${MOST}.`);
  const written: string[] = [];
  for (const piece of pieces) {
    const one = readOne(piece.trim().toLowerCase(), vocabulary, isOfLetters);
    if (!one.ok) return one;
    written.push(one.value);
  }
  return good({ kind: 'word', css: written.join(',') });
}

function readOne(text: string, vocabulary: Vocabulary, isOfLetters: boolean): Outcome<string> {
  const inset = text.startsWith('inset ');
  const words = (inset ? text.slice(6) : text).split(' ');
  const count = words.findIndex((word) => !/^[+-]?[\d.]/.test(word));
  const lengths = words.slice(0, count < 0 ? words.length : count);
  const colourText = count < 0 ? '' : words.slice(count).join(' ');
  if (lengths.length < 2 || lengths.length > 4 || colourText === '')
    return problem('value-shadow', `“${text}” is not a shadow.`, 'Write offsets, blur, spread and colour, as in 0 2px 8px 0 #000000 20%; or none.');
  if (isOfLetters && (inset || lengths.length > 3))
    return problem(
      'value-shadow',
      `Letters have no shadow such as “${text}”.`,
      'Write two offsets, blur and colour, as in 0 1px 2px #000000 40%; or none.',
    );
  const written: string[] = [];
  for (const [i, length] of lengths.entries()) {
    const read = (i === 2 ? blur : i === 3 ? spread : offset)(length, vocabulary);
    if (!read.ok) return read;
    written.push(read.value.css);
  }
  const colour = readColour(colourText, vocabulary);
  return colour.ok ? good([...(inset ? ['inset'] : []), ...written, colour.value.css].join(' ')) : colour;
}

function splitOutsideParentheses(text: string): string[] {
  const pieces = [''];
  let depth = 0;
  for (const letter of text) {
    if (letter === '(') depth++;
    if (letter === ')') depth--;
    if (letter === ',' && depth === 0) pieces.push('');
    else pieces[pieces.length - 1] += letter;
  }
  return pieces;
}
