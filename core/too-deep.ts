/** So deep may brackets of any sort stand in one another; real stylesheets have fewer than twenty. */
const MOST_DEPTH = 200;

/** Whether brackets stand deeper in one another than a parser should follow. Told in one pass, over strings and comments. */
export function isTooDeep(css: string): boolean {
  let depth = 0;
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
    } else if (letter === '{' || letter === '(' || letter === '[') {
      if (++depth > MOST_DEPTH) return true;
    } else if (letter === '}' || letter === ')' || letter === ']') depth = Math.max(0, depth - 1);
  }
  return false;
}
