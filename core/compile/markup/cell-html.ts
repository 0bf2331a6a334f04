import { spokenIn } from '../../languages';
import { icons } from '../../media';
import { choiceOf, stretchesOf, textOf, type Cell, type Mark, type MarkKind, type Stretch } from '../../table';
import { element, textWithBreaks, type MarkupNode } from './markup';
import { contract } from './contract';
import { choiceClass } from './choice-class';
import { textLookClass } from './text-looks';

/** The element of each mark, the outermost first: a link is a child of its cell, where the theme's links are found, or of what is chosen. */
const tags: readonly (readonly [MarkKind, string])[] = [
  ['choice', 'span'],
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
  ['icon', 'svg'],
  ['picture', 'img'],
  ['language', 'span'],
  ['ink', 'span'],
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
    nodes.push(...(mark ? marked(tag, mark, stretches.slice(i, end), inner) : inner));
    i = end;
  }
  return nodes;
}

/** Icons and pictures stand in the place of their text, which says what they are. An icon that is not on the shelf is its text. */
function marked(tag: string, mark: Mark, stretches: readonly Stretch[], inner: readonly MarkupNode[]): readonly MarkupNode[] {
  const { kind, href = '' } = mark;
  const said = stretches.map(({ text }) => text).join('');
  if (kind === 'icon') {
    const path = icons.find(({ name }) => name === href)?.path;
    if (path === undefined) return inner;
    const size = { viewBox: '0 0 24 24', width: '1em', height: '1em', fill: 'currentColor' };
    return [element(tag, { class: contract.icon, role: 'img', 'aria-label': said.trim(), ...size }, element('path', { d: path }))];
  }
  if (kind === 'picture') {
    const look = textLookClass(mark);
    const classes = look === undefined ? contract.picture : `${contract.picture} ${look}`;
    return [element(tag, { class: classes, src: href, alt: said.trim(), loading: 'lazy' })];
  }
  if (kind === 'choice') return [element(tag, { class: choiceClass(choiceOf(href)) }, ...inner)];
  if (kind === 'language') return [element(tag, spokenIn(href), ...inner)];
  return [element(tag, { href: kind === 'link' ? href : undefined, class: textLookClass(mark) }, ...inner)];
}

const markAt = (stretch: Stretch | undefined, kind: MarkKind): Mark | undefined => stretch?.marks.find((mark) => mark.kind === kind);
const isSame = (a: Mark | undefined, b: Mark | undefined): boolean =>
  (a === undefined) === (b === undefined) && a?.href === b?.href && a?.height === b?.height;
