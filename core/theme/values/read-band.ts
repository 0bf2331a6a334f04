import { good } from '../../outcome';
import { problem, type Reader } from './reading';

/** Rows that a band may reach over. */
const MOST = 20;

/**
 * Reads which rows are banded: `2nd`, `3rd` and so on to the 20th, and where that is not the last of each
 * group, which one: `3rd from 1` bands rows 1, 4, 7. Those rows are the even ones, all others the odd ones.
 */
export const readBand: Reader = (text) => {
  const match = /^(\d{1,3})(?:st|nd|rd|th)?(?: from (\d{1,3}))?$/.exec(text);
  if (!match) return problem('value-band', `“${text}” is not a count of rows.`, 'Write 2nd, 3rd or 4th; or 3rd from 1 to begin with the first row.');
  const every = Number(match[1]);
  const from = Number(match[2] ?? every);
  if (every < 2 || every > MOST) return problem('value-range', `Every ${text} row is out of range.`, `Use 2nd to ${MOST}th.`);
  if (from < 1 || from > every) return problem('value-range', `Row ${from} is not among the first ${every}.`, `Begin from 1 to ${every}.`);
  return good({ kind: 'band', css: nthChild(every, from), every, from });
};

/** The rows that are banded, as `:nth-child()` counts them (Selectors 4, section 13.3.1). */
function nthChild(every: number, from: number): string {
  if (every === 2) return from === 2 ? 'even' : 'odd';
  return from === every ? `${every}n` : `${every}n+${from}`;
}
