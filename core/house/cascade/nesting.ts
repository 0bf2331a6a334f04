import { generate, parse, type CssNode, type Rule } from 'css-tree';
import type { Note } from './contain';

/** So many characters may the selector of a nested rule have as it stands outside (CSS Nesting 1, section 3): with each `&` it has its parent's again. */
export const MOST_NESTED = 5000;
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

/** How long a nested rule's selectors are as they stand outside, within others that are so long. */
export function lengthOutside(selectors: string, parent: number): number {
  const around = parent + ':is()'.length;
  const parts = selectors.split('&').length - 1;
  return selectors.length + around * Math.max(1, parts);
}

/** Takes nested rules out of a parsed stylesheet whose selectors come to more than can be weighed, and notes each. */
export function withoutEndless(sheet: CssNode, note: Note): void {
  visit(sheet, undefined, 1, note);
}

function visit(node: CssNode, parent: number | undefined, line: number, note: Note): void {
  if (node.type === 'Atrule') {
    if (node.block) visit(node.block, parent, node.loc?.start.line ?? line, note);
    return;
  }
  if (node.type !== 'StyleSheet' && node.type !== 'Block') return;
  const list = node.children;
  list.forEach((child, item) => {
    const at = child.loc?.start.line ?? line;
    const isEndless =
      child.type === 'Rule' ? visitRule(child, parent, at, note) : child.type === 'Raw' && parent !== undefined && isEndlessText(child.value, parent);
    if (isEndless) {
      note(at, 'A rule is left out: nested as it is, its selector has so many parts that nobody could weigh it.');
      list.remove(item);
    } else if (child.type === 'Atrule') visit(child, parent, at, note);
  });
}

/** Whether a rule's own selector comes to too much; what stands in it is looked at too. */
function visitRule(rule: Rule, parent: number | undefined, line: number, note: Note): boolean {
  if (rule.prelude.type !== 'SelectorList') return false;
  const own = generate(rule.prelude);
  const length = parent === undefined ? own.length : lengthOutside(own, parent);
  if (parent !== undefined && length > MOST_NESTED) return true;
  visit(rule.block, length, line, note);
  return false;
}

/** Nested rules that begin with a name come as they were typed: they are looked at as they are read later. */
function isEndlessText(text: string, parent: number): boolean {
  if (!text.includes('{')) return false;
  let found = false;
  visit(parse(text, { positions: false, onParseError: () => undefined }), parent, 1, () => (found = true));
  return found;
}
