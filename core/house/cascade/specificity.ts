import type { CssNode } from 'css-tree';

/** Weight of a selector: ids, then classes, attributes and pseudo-classes, then types and pseudo-elements (Selectors 4, section 17). */
export type Specificity = readonly [ids: number, classes: number, types: number];

const NO_WEIGHT: Specificity = [0, 0, 0];

/** Negative where `a` weighs less than `b`. */
export const compareWeights = (a: Specificity, b: Specificity): number => a[0] - b[0] || a[1] - b[1] || a[2] - b[2];

const add = (a: Specificity, b: Specificity): Specificity => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];

/** Pseudo-elements that may be written with one colon. */
const OLD_ELEMENTS = new Set(['before', 'after', 'first-line', 'first-letter']);
export const isOldPseudoElement = (name: string): boolean => OLD_ELEMENTS.has(name.toLowerCase());

/** The weight of one selector, without commas. `:where()` weighs nothing; `:is()`, `:not()` and `:has()` as their heaviest argument. */
export function weightOf(selector: CssNode): Specificity {
  if (selector.type !== 'Selector') return NO_WEIGHT;
  return selector.children.toArray().reduce<Specificity>((sum, part) => add(sum, weightOfPart(part)), NO_WEIGHT);
}

/** The heaviest of a list of selectors. */
function heaviestOf(list: CssNode): Specificity {
  if (list.type !== 'SelectorList') return NO_WEIGHT;
  return list.children
    .toArray()
    .map(weightOf)
    .reduce<Specificity>((most, each) => (compareWeights(each, most) > 0 ? each : most), NO_WEIGHT);
}

function weightOfPart(part: CssNode): Specificity {
  // eslint-disable-next-line @typescript-eslint/switch-exhaustiveness-check -- a selector has no other parts
  switch (part.type) {
    case 'IdSelector':
      return [1, 0, 0];
    case 'ClassSelector':
    case 'AttributeSelector':
      return [0, 1, 0];
    case 'TypeSelector':
      return part.name === '*' || part.name.endsWith('|*') ? NO_WEIGHT : [0, 0, 1];
    case 'PseudoElementSelector':
      return [0, 0, 1];
    case 'PseudoClassSelector': {
      const name = part.name.toLowerCase();
      if (isOldPseudoElement(name)) return [0, 0, 1];
      if (name === 'where') return NO_WEIGHT;
      const first = part.children?.first;
      if (name === 'is' || name === 'not' || name === 'has' || name === 'matches') return first ? heaviestOf(first) : NO_WEIGHT;
      const of = first?.type === 'Nth' && first.selector ? heaviestOf(first.selector) : NO_WEIGHT;
      return add([0, 1, 0], of);
    }
    default:
      return NO_WEIGHT;
  }
}
