/**
 * Visits every bracket of a stylesheet's text, over strings and comments, until a visit says that it is enough; gives whether one did. A
 * comment that is not closed is the end.
 */
export function visitBrackets(css: string, visit: (bracket: string, at: number) => boolean): boolean {
  let quote = '';
  for (let at = 0; at < css.length; at++) {
    const letter = css[at] ?? '';
    if (letter === '\\') at++;
    else if (quote !== '') {
      // A string ends with its line (CSS Syntax 3, section 4.3.5).
      if (letter === quote || letter === '\n') quote = '';
    } else if (letter === '"' || letter === "'") quote = letter;
    else if (letter === '/' && css[at + 1] === '*') {
      const end = css.indexOf('*/', at + 2);
      if (end < 0) return false;
      at = end + 1;
    } else if ('{}()[]'.includes(letter) && visit(letter, at)) return true;
  }
  return false;
}

/** So deep may brackets of any sort stand in one another; real stylesheets have fewer than twenty. */
const MOST_DEPTH = 200;

/** Whether brackets stand deeper in one another than a parser should follow. */
export function isTooDeep(css: string): boolean {
  let depth = 0;
  return visitBrackets(css, (bracket) => {
    depth = '{(['.includes(bracket) ? depth + 1 : Math.max(0, depth - 1);
    return depth > MOST_DEPTH;
  });
}
