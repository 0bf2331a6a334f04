import { familyOf } from './families';
import type { CssNode, Declaration, Stylesheet } from './stylesheet';

/** What rules of ours weigh more than the one class that they weigh anyway. */
export interface Weight {
  readonly ids: number;
  readonly classes: number;
}
export const NO_MORE: Weight = { ids: 0, classes: 0 };

/**
 * A stylesheet whose every rule weighs more by the same, so that nothing changes among them: behind each selector's first
 * compound stands what is true of every element and weighs so much (Selectors 4, section 17: `:not()` weighs as its argument).
 * Declarations of the families that are insisted on are `!important`, all of a family together, since they decide among each other.
 */
export function weighed(sheet: Stylesheet, { ids, classes }: Weight, insisted: ReadonlySet<string> = new Set()): Stylesheet {
  const more = ids + classes === 0 ? '' : `:not(${'#_'.repeat(ids)}${'._'.repeat(classes)})`;
  if (more === '' && insisted.size === 0) return sheet;
  const heavier = (node: CssNode): CssNode => {
    if (node.kind === 'keyframes') return node;
    if (node.kind !== 'rule') return { ...node, rules: node.rules.map(heavier) };
    // What describes a font is no selector, and a host seen from within has nothing to weigh it by (CSS Scoping 1, section 3.1).
    if (node.selector.startsWith('@') || node.selector === ':host') return node;
    return {
      ...node,
      selector:
        more === ''
          ? node.selector
          : splitList(node.selector)
              .map((each) => put(each, more))
              .join(','),
      declarations: node.declarations.map(([property, value]): Declaration => [
        property,
        insisted.has(familyOf(property)) ? `${value}!important` : value,
      ]),
    };
  };
  return sheet.map(heavier);
}

/** The sheet with something more behind the first compound of each of its selectors: what describes a page or a font has none. */
export const withMore = (sheet: Stylesheet, more: string): Stylesheet =>
  sheet.map((node) => {
    if (node.kind === 'keyframes') return node;
    if (node.kind !== 'rule') return { ...node, rules: withMore(node.rules, more) };
    if (node.selector.startsWith('@')) return node;
    const selectors = splitList(node.selector).map((each) => put(each, more));
    return { ...node, selector: selectors.join(',') };
  });

/** Selectors of a list, split at the commas that stand in no brackets. */
function splitList(list: string): readonly string[] {
  const found: string[] = [];
  let from = 0;
  eachOutside(list, (char, at) => {
    if (char !== ',') return false;
    found.push(list.slice(from, at));
    from = at + 1;
    return false;
  });
  return [...found, list.slice(from)];
}

/** A selector with `more` at the end of its first compound. */
function put(selector: string, more: string): string {
  let end = selector.length;
  eachOutside(selector, (char, at) => {
    if (!' >+~'.includes(char) && !(char === ':' && selector[at + 1] === ':')) return false;
    end = at;
    return true;
  });
  return selector.slice(0, end) + more + selector.slice(end);
}

/** Visits what stands in no brackets and no quotes, until the visit says that it is enough. */
function eachOutside(text: string, visit: (char: string, at: number) => boolean): void {
  let depth = 0;
  let quote = '';
  for (let at = 0; at < text.length; at++) {
    const char = text[at] ?? '';
    if (char === '\\') at++;
    else if (quote !== '') quote = char === quote ? '' : quote;
    else if (char === '"' || char === "'") quote = char;
    else if (char === '(' || char === '[') depth++;
    else if (char === ')' || char === ']') depth--;
    else if (depth === 0 && visit(char, at)) return;
  }
}
