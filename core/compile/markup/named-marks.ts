import type { Element, MarkupNode } from './markup';
import { markedConditions } from '../../theme';
import { contract } from './contract';
import { walk, type Stylesheet } from '../sheet/stylesheet';

/** Marks of cells that the stylesheet alone looks for: nearly every cell of a long table has one. */
const CLASSES: readonly string[] = [
  contract.inset,
  contract.group,
  contract.corner,
  contract.beside,
  contract.second,
  contract.last,
  contract.even,
  contract.end,
  contract.number,
  ...markedConditions.map(({ mark }) => mark),
];

/** A page's markup without those marks of cells that no rule of its stylesheet names. */
export function withNamedMarks(html: Element, css: Stylesheet): Element {
  const selectors: string[] = [];
  walk(css, (selector) => selectors.push(selector));
  const all = selectors.join('\n');
  const idle = new Set(CLASSES.filter((name) => !new RegExp(`\\.${name}(?![\\w-])`).test(all)));
  const noPad = !all.includes(`[${contract.pad}]`);
  if (idle.size === 0 && !noPad) return html;
  const lighter = (node: MarkupNode): MarkupNode => {
    if (typeof node === 'string') return node;
    const children = node.children.map(lighter);
    if (node.tag !== 'td' && node.tag !== 'th') return { ...node, children };
    const marks = node.attributes['class'];
    const kept =
      typeof marks === 'string'
        ? marks
            .split(' ')
            .filter((name) => !idle.has(name))
            .join(' ') || undefined
        : marks;
    const attributes = { ...node.attributes, class: kept };
    return { ...node, attributes: noPad ? { ...attributes, [contract.pad]: undefined } : attributes, children };
  };
  return { ...html, children: html.children.map(lighter) };
}
