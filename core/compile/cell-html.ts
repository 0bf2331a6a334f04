import { stretchesOf, textOf, type Cell, type Mark, type MarkKind, type Stretch } from '../table';
import { element, textWithBreaks, type MarkupNode } from './markup';

/** The element of each mark, the outermost first: a link is a child of its cell, where the theme's links are found. */
const tags: readonly (readonly [MarkKind, string])[] = [
  ['link', 'a'],
  ['bold', 'strong'],
  ['italic', 'em'],
  ['underline', 'u'],
  ['strike', 's'],
  ['highlight', 'mark'],
  ['small', 'small'],
  ['sub', 'sub'],
  ['super', 'sup'],
  ['code', 'code'],
];

/** What stands in a cell: its text, with an element for each marked stretch. */
export const cellNodes = (cell: Cell): readonly MarkupNode[] =>
  typeof cell === 'string' ? textWithBreaks(textOf(cell)) : nest(stretchesOf(cell), 0);

function nest(stretches: readonly Stretch[], depth: number): readonly MarkupNode[] {
  const [kind, tag] = tags[depth] ?? [];
  if (kind === undefined || tag === undefined) return textWithBreaks(stretches.map(({ text }) => text).join(''));
  const nodes: MarkupNode[] = [];
  for (let i = 0; i < stretches.length;) {
    const mark = markAt(stretches[i], kind);
    let end = i + 1;
    while (end < stretches.length && isSame(markAt(stretches[end], kind), mark)) end++;
    const inner = nest(stretches.slice(i, end), depth + 1);
    nodes.push(...(mark ? [element(tag, { href: mark.href }, ...inner)] : inner));
    i = end;
  }
  return nodes;
}

const markAt = (stretch: Stretch | undefined, kind: MarkKind): Mark | undefined => stretch?.marks.find((mark) => mark.kind === kind);
const isSame = (a: Mark | undefined, b: Mark | undefined): boolean => (a === undefined) === (b === undefined) && a?.href === b?.href;
