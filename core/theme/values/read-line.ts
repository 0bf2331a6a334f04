import { good } from '../../outcome';
import { lineStyles, problem, readColour, type Reader } from './reading';

/** Reads a line: width in px, style (solid where none is named), colour. */
export const readLine: Reader = (text, vocabulary) => {
  if (text === 'none' || text === 'hidden') return good({ kind: 'line', css: text, width: 0, style: text, rgba: { r: 0, g: 0, b: 0, alpha: 0 } });
  const match = /^(\d+\.?\d*|\.\d+)\s*([a-z]*)\s*(.*)$/.exec(text);
  if (!match) return problem('value-line', `“${text}” is not a line.`, 'Write width, style and colour, as in 1px solid wake; or none.');
  const [, amount = '', unit = '', rest = ''] = match;
  if (unit !== 'px') return problem('value-unit', `A line’s width is in px, not “${unit}”.`, `Did you mean ${amount}px?`);
  const width = Number(amount);
  if (width <= 0 || width > 40) return problem('value-range', `A line of ${amount}px is out of range.`, 'Use more than 0 and at most 40px; or none.');
  const [first = '', ...others] = rest.split(' ');
  const style = lineStyles.find((known) => known === first);
  const colourText = style ? others.join(' ') : rest;
  if (colourText === '')
    return problem('value-line', 'The line has no colour.', `Write one after it, as in ${amount}px ${style ?? 'solid'} #999999.`);
  const colour = readColour(colourText, vocabulary);
  if (!colour.ok) return colour;
  if (colour.value.kind !== 'colour') throw new TypeError('A colour reader gave something else');
  const { css, rgba, swatch } = colour.value;
  return good({ kind: 'line', css: `${width}px ${style ?? 'solid'} ${css}`, width, style: style ?? 'solid', rgba, swatch });
};

/** What is typed for the line that the browser itself draws around what is focused. */
export const BROWSERS_OWN = 'as the browser has it';

/**
 * Reads a line around something (CSS Basic User Interface 4, section 2): as a line, or the browser's own. It cannot be hidden, since
 * it meets no other.
 */
export const readOutline: Reader = (text, vocabulary) => {
  if (text === BROWSERS_OWN) return good({ kind: 'word', css: 'revert' });
  if (text === 'hidden') return problem('value-outline', 'A line around something puts out no other.', 'Write none, or width, style and colour.');
  return readLine(text, vocabulary);
};
