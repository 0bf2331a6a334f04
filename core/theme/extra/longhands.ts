import type { ExtraDeclaration } from './extra';

/** What the ledger has in longhands only, as these (CSS Box 3, section 4.2; Backgrounds 3, section 3.10); anything else as it is. */
export function inLonghands([name, value]: ExtraDeclaration): readonly ExtraDeclaration[] {
  const sides = value.split(/\s+/);
  const [top = '', end = top, bottom = top, start = end] = sides;
  const are = (count: number): boolean => sides.length <= count && !value.includes('(');
  if (name === 'padding' && are(4)) {
    // Which of two sides that differ is the first in a line depends on the direction of the table.
    if (end !== start) return [[name, value]];
    return [
      ['padding-block-start', top],
      ['padding-inline-end', end],
      ['padding-block-end', bottom],
      ['padding-inline-start', start],
    ];
  }
  const pair = /^padding-(block|inline)$/.exec(name);
  if (pair && are(2))
    return [
      [`padding-${pair[1]}-start`, top],
      [`padding-${pair[1]}-end`, end],
    ];
  // Any other single word or function of a background is an image (CSS Backgrounds 3, section 3.10).
  if (name === 'background' && isOneColour(value)) return [['background-color', value]];
  return [[name, value]];
}

const COLOUR_FUNCTION = /^(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color|color-mix|var|light-dark)\(/i;
/** Whether a text is one colour alone: a word, digits, or one function whose brackets end with it. */
function isOneColour(value: string): boolean {
  if (/^(?:#[0-9a-f]+|[a-z]+)$/i.test(value)) return value !== 'none';
  if (!COLOUR_FUNCTION.test(value)) return false;
  let depth = 0;
  for (let i = 0; i < value.length; i++) {
    if (value[i] === '(') depth++;
    else if (value[i] === ')' && --depth === 0) return i === value.length - 1;
  }
  return false;
}
