import { ident, type CssNode, type PseudoClassSelector, type Selector } from 'css-tree';
import { isOldPseudoElement } from './specificity';
import { attribute, type Node } from './tree';

/** Whether a selector matches: no; perhaps, since it asks for a state that the markup does not tell; yes. */
export type Match = 0 | 1 | 2;
const NO = 0,
  PERHAPS = 1,
  YES = 2;
const both = (a: Match, b: Match): Match => (a < b ? a : b);
const either = (a: Match, b: Match): Match => (a > b ? a : b);
const not = (a: Match): Match => (2 - a) as Match;
const when = (is: boolean): Match => (is ? YES : NO);

/** The pseudo-element that a selector ends in, as `::before`; empty for an element's own box. */
export function pseudoElementOf(selector: Selector): string {
  const last = selector.children.last;
  if (last?.type === 'PseudoElementSelector') return `::${last.name.toLowerCase()}`;
  return last?.type === 'PseudoClassSelector' && isOldPseudoElement(last.name) ? `::${last.name.toLowerCase()}` : '';
}

/** Whether an element matches a selector, its pseudo-element aside (Selectors 4). */
export const matches = (node: Node, selector: Selector): Match => matchFrom(node, partsOf(selector), undefined);

const partsCache = new WeakMap<Selector, readonly CssNode[]>();
function partsOf(selector: Selector): readonly CssNode[] {
  const known = partsCache.get(selector);
  if (known) return known;
  const parts = selector.children.toArray();
  partsCache.set(selector, parts);
  return parts;
}

/** From the last compound on to the left. `scope` is what a relative selector begins at. */
function matchFrom(node: Node, parts: readonly CssNode[], scope: Node | undefined): Match {
  let at = parts.length - 1;
  let found: Match = YES;
  for (; at >= 0 && parts[at]?.type !== 'Combinator'; at--) {
    const part = parts[at];
    if (part) found = both(found, matchPart(node, part));
    if (found === NO) return NO;
  }
  const combinator = parts[at];
  if (combinator?.type !== 'Combinator') return found;
  return both(found, matchBefore(node, combinator.name, parts.slice(0, at), scope));
}

function matchBefore(node: Node, combinator: string, rest: readonly CssNode[], scope: Node | undefined): Match {
  const test = (other: Node): Match => (rest.length === 0 ? when(other === scope) : matchFrom(other, rest, scope));
  const { parent } = node;
  let best: Match = NO;
  if (combinator === '>') return parent ? test(parent) : NO;
  if (combinator === '+') {
    const before = parent?.children[node.index - 1];
    return before ? test(before) : NO;
  }
  if (combinator === '~') {
    for (const other of parent?.children.slice(0, node.index) ?? []) best = either(best, test(other));
    return best;
  }
  for (let other = parent; other && best !== YES; other = other.parent) best = either(best, test(other));
  return best;
}

function matchPart(node: Node, part: CssNode): Match {
  // eslint-disable-next-line @typescript-eslint/switch-exhaustiveness-check -- a selector has no other parts
  switch (part.type) {
    case 'TypeSelector': {
      const name = part.name.replace(/^.*\|/, '').toLowerCase();
      return when(name === '*' || ident.decode(name) === node.tag);
    }
    case 'ClassSelector':
      return when(node.classes.includes(ident.decode(part.name)));
    case 'IdSelector':
      return when(node.id !== '' && node.id === ident.decode(part.name));
    case 'AttributeSelector':
      return matchAttribute(node, part);
    case 'PseudoClassSelector':
      return isOldPseudoElement(part.name) ? YES : matchPseudoClass(node, part);
    case 'PseudoElementSelector':
      return YES;
    default:
      return NO;
  }
}

function matchAttribute(node: Node, part: Extract<CssNode, { type: 'AttributeSelector' }>): Match {
  const value = attribute(node, ident.decode(part.name.name).toLowerCase());
  if (value === undefined) return NO;
  if (part.matcher === null || part.value === null) return YES;
  const wanted = part.value.type === 'String' ? part.value.value : ident.decode(part.value.name);
  // These are compared without regard to case in HTML (HTML Standard, "Case-sensitivity of selectors").
  const isLoose = part.flags?.toLowerCase() === 'i' || ['scope', 'dir', 'align', 'valign', 'type', 'lang'].includes(part.name.name.toLowerCase());
  const [has, asks] = isLoose ? [value.toLowerCase(), wanted.toLowerCase()] : [value, wanted];
  switch (part.matcher) {
    case '=':
      return when(has === asks);
    case '~=':
      return when(asks !== '' && has.split(/\s+/).includes(asks));
    case '|=':
      return when(has === asks || has.startsWith(`${asks}-`));
    case '^=':
      return when(asks !== '' && has.startsWith(asks));
    case '$=':
      return when(asks !== '' && has.endsWith(asks));
    case '*=':
      return when(asks !== '' && has.includes(asks));
    default:
      return NO;
  }
}

const matchList = (node: Node, list: CssNode | null | undefined): Match =>
  list?.type !== 'SelectorList'
    ? NO
    : list.children.toArray().reduce<Match>((best, each) => (each.type === 'Selector' ? either(best, matches(node, each)) : best), NO);

function matchPseudoClass(node: Node, part: PseudoClassSelector): Match {
  const name = part.name.toLowerCase();
  const first = part.children?.first;
  switch (name) {
    case 'is':
    case 'where':
    case 'matches':
      return matchList(node, first);
    case 'not':
      return first?.type === 'SelectorList' ? not(matchList(node, first)) : NO;
    case 'has':
      return matchHas(node, first);
    case 'root':
      return when(node.parent === undefined);
    case 'empty':
      return when(node.isEmpty);
    case 'first-child':
      return when(node.index === 0);
    case 'last-child':
      return when(node.index === siblings(node).length - 1);
    case 'only-child':
      return when(siblings(node).length === 1);
    case 'first-of-type':
      return when(node.indexOfType === 0);
    case 'last-of-type':
      return when(node.indexOfType === ofType(node).length - 1);
    case 'only-of-type':
      return when(ofType(node).length === 1);
    case 'nth-child':
    case 'nth-last-child':
    case 'nth-of-type':
    case 'nth-last-of-type':
      return first?.type === 'Nth' ? matchNth(node, name, first) : NO;
    case 'link':
    case 'any-link':
      return when(node.tag === 'a' && attribute(node, 'href') !== undefined);
    case 'visited':
      return node.tag === 'a' && attribute(node, 'href') !== undefined ? PERHAPS : NO;
    case 'enabled':
      return CONTROLS.has(node.tag) ? when(attribute(node, 'disabled') === undefined) : NO;
    case 'disabled':
      return CONTROLS.has(node.tag) ? when(attribute(node, 'disabled') !== undefined) : NO;
    case 'checked':
      return ['input', 'option'].includes(node.tag) ? PERHAPS : NO;
    case 'dir':
      return when(first?.type === 'Identifier' && first.name.toLowerCase() === node.direction);
    case 'defined':
      return YES;
    case 'host':
    case 'host-context':
    case 'target-within':
    case 'future':
    case 'past':
      return NO;
    default:
      // :hover, :focus, :active, :target, :lang() and what is not known here: they may hold.
      return PERHAPS;
  }
}

const CONTROLS = new Set(['button', 'input', 'select', 'textarea', 'option', 'fieldset']);
const siblings = (node: Node): readonly Node[] => node.parent?.children ?? [node];
const ofType = (node: Node): readonly Node[] => siblings(node).filter(({ tag }) => tag === node.tag);

function matchNth(node: Node, name: string, nth: Extract<CssNode, { type: 'Nth' }>): Match {
  const among = name.endsWith('of-type') ? ofType(node) : siblings(node);
  const counted: readonly Node[] = nth.selector ? among.filter((each) => matchList(each, nth.selector) === YES) : among;
  const place = counted.indexOf(node);
  if (place < 0) return NO;
  const at = (name.includes('last') ? counted.length - 1 - place : place) + 1;
  const [a, b] =
    nth.nth.type === 'Identifier' ? (nth.nth.name.toLowerCase() === 'odd' ? [2, 1] : [2, 0]) : [Number(nth.nth.a ?? 0), Number(nth.nth.b ?? 0)];
  return when(a === 0 ? at === b : (at - b) % a === 0 && (at - b) / a >= 0);
}

/** Whether something stands below or after it as a relative selector says (Selectors 4, section 4.5). */
function matchHas(node: Node, list: CssNode | null | undefined): Match {
  if (list?.type !== 'SelectorList') return NO;
  let best: Match = NO;
  for (const each of list.children.toArray()) {
    if (each.type !== 'Selector') continue;
    const parts = partsOf(each);
    const begins = parts[0]?.type === 'Combinator' ? parts[0].name : ' ';
    const relative = parts[0]?.type === 'Combinator' ? parts : [{ type: 'Combinator', name: ' ' } as CssNode, ...parts];
    const candidates =
      begins === '+' || begins === '~'
        ? siblings(node)
            .slice(node.index + 1)
            .flatMap(allOf)
        : node.children.flatMap(allOf);
    for (const other of candidates) best = either(best, matchFrom(other, relative, node));
  }
  return best;
}
const allOf = (node: Node): readonly Node[] => [node, ...node.children.flatMap(allOf)];
