import { generate, parse, type CssNode, type Rule } from 'css-tree';
import type { Note } from './contain';

/** So many characters may the selector of a nested rule have as it stands outside (CSS Nesting 1, section 3): with each `&` it has its parent's again. */
export const MOST_NESTED = 5000;
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
