import { ASIDES } from './marks';

/** Elements of a cell that are no part of its text: its label for stacked rows, what is said again there, and what opens what columns that gave way hold. */
const isAside = (node: ChildNode): boolean => (ASIDES as readonly string[]).includes((node as Partial<Element>).className ?? '');

/** What stands in a cell beside its text. */
export const asides = (cell: Element): readonly ChildNode[] => [...cell.childNodes].filter(isAside);

/** What a cell says. */
export const textOf = (cell: Element | undefined): string =>
  (cell?.firstElementChild ? [...cell.childNodes].map((node) => (isAside(node) ? '' : node.textContent)).join('') : (cell?.textContent ?? '')).trim();
