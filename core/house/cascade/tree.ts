import type { Element } from '../../compile';
import type { Direction } from './shorthands';

/** An element of a page with what selectors ask of it: its parent, its place among its siblings. */
export interface Node {
  readonly element: Element;
  readonly tag: string;
  readonly id: string;
  readonly classes: readonly string[];
  readonly parent: Node | undefined;
  readonly children: readonly Node[];
  /** Its place among its parent's elements, from 0, and those of its own kind. */
  readonly index: number;
  readonly indexOfType: number;
  readonly isEmpty: boolean;
  readonly direction: Direction;
}

export const attribute = ({ element }: Node, name: string): string | undefined => {
  const value = element.attributes[name];
  return value === undefined ? undefined : String(value);
};

/** The tree of a page's elements, as a document has them. */
export function treeOf(element: Element): Node {
  return grow(element, undefined, 0, 0);
}

interface Growing extends Node {
  children: Node[];
}

function grow(element: Element, parent: Node | undefined, index: number, indexOfType: number): Node {
  const dir = element.attributes['dir'];
  const node: Growing = {
    element,
    tag: element.tag.toLowerCase(),
    id: String(element.attributes['id'] ?? ''),
    classes: String(element.attributes['class'] ?? '')
      .split(/\s+/)
      .filter(Boolean),
    parent,
    children: [],
    index,
    indexOfType,
    isEmpty: element.children.every((child) => child === ''),
    direction: dir === 'rtl' || dir === 'ltr' ? dir : (parent?.direction ?? 'ltr'),
  };
  const counts = new Map<string, number>();
  for (const child of element.children) {
    if (typeof child === 'string') continue;
    const tag = child.tag.toLowerCase();
    const before = counts.get(tag) ?? 0;
    counts.set(tag, before + 1);
    node.children.push(grow(child, node, node.children.length, before));
  }
  return node;
}

/** Every node below and with this one, parents first. */
export function* nodesOf(node: Node): Generator<Node> {
  yield node;
  for (const child of node.children) yield* nodesOf(child);
}
