import { contract } from '../markup/contract';
import { moreFrames } from '../rules/arrangement-rules';
import { rule, type CssNode } from './stylesheet';

/**
 * What isolates a placement: its host is a block, and what stands in the shadow root begins with what browsers have, since
 * type, ink and the like would come in from the page (CSS Scoping 1, section 3.3). Text keeps its direction and its language.
 */
export const isolatedRules: readonly CssNode[] = [
  rule(contract.host, ['display', 'block']),
  rule(':host', ['display', 'block']),
  rule(`.${contract.alone}`, ['all', 'initial'], ['display', 'block']),
];

/**
 * A table wider than its column scrolls inside its frame; the page never scrolls sideways because of it. The
 * description in it is heard, not seen.
 */
export const frameRules: readonly CssNode[] = [
  rule(`.${contract.box}`, ['container', `${contract.container}/inline-size`]),
  rule(`.${contract.frame}`, ['overflow-x', 'auto'], ['position', 'relative']),
  rule(`.${contract.label},.${contract.open},.${contract.turned},.${contract.again}`, ['display', 'none']),
  rule(
    `.${contract.left}`,
    ['max-width', 'min(24rem,90vw)'],
    ['padding', '1em'],
    ['border', '1px solid'],
    ['font', '1rem/1.4 sans-serif'],
    ['text-align', 'start'],
    ['white-space', 'normal'],
    ['color', 'CanvasText'],
    ['background', 'Canvas'],
  ),
  rule(`.${contract.left} dl`, ['margin', '0']),
  rule(`.${contract.left} dt`, ['font-weight', '700']),
  rule(`.${contract.left} dd`, ['margin', '0 0 .5em']),
  rule(`.${contract.note}`, ['position', 'sticky'], ['inset-inline-start', '0'], ['margin', '.5em 0 0'], ['font-size', 'smaller']),
  // At the top, since it would make its frame scroll by its margin below the table.
  rule(
    `.${contract.about}`,
    ['position', 'absolute'],
    ['top', '0'],
    ['clip-path', 'inset(50%)'],
    ['width', '1px'],
    ['height', '1px'],
    ['overflow', 'hidden'],
  ),
  rule(`.${contract.picture}`, ['max-width', '100%'], ['max-height', '4em'], ['vertical-align', 'middle']),
  // Its size would go with what a house stylesheet says of it, since attributes are weaker than any rule.
  rule(`.${contract.icon}:where(svg)`, ['width', '1em'], ['height', '1em'], ['fill', 'currentColor']),
  // The caption of a table that scrolls sideways stays where it is read: as wide as what is seen of the table, at its frame's start.
  rule(
    `.${contract.frame}>table>caption`,
    ['position', 'sticky'],
    ['inset-inline-start', '0'],
    ['box-sizing', 'border-box'],
    ['max-width', '100cqi'],
    // A word that is wider makes the table wider, as in any table.
    ['min-width', 'min-content'],
  ),
  moreFrames,
  rule(
    `.${contract.caption('unseen')}>caption`,
    ['position', 'absolute'],
    ['clip-path', 'inset(50%)'],
    ['width', '1px'],
    ['height', '1px'],
    ['overflow', 'hidden'],
  ),
  // What a table asks for itself is stronger than its theme: an element more.
  ...(['above', 'below'] as const).map((side) => rule(`.${contract.caption(side)}>caption`, ['caption-side', side === 'above' ? 'top' : 'bottom'])),
  ...(['start', 'center', 'end'] as const).map((align) => rule(`.${contract.caption(align)}>caption`, ['text-align', align])),
];

/**
 * On paper nothing is pressed and nothing scrolls: controls are not printed, no frame cuts anything off, a header that stays in view
 * is repeated on each sheet by the browser instead, and no row is torn in two where it fits on one sheet (CSS Fragmentation 3, 3.1).
 * To be written last: each is as strong as whatever a theme or a control says.
 */
export const printRules = (isVisited: boolean): readonly CssNode[] => {
  const box = `.${contract.box}`;
  return [
    {
      kind: 'media',
      query: 'print',
      rules: [
        rule(`.${contract.frame}`, ['overflow', 'visible']),
        // Weaker than whatever a theme says: what stands under a table stands there once.
        rule(`:where(.${contract.frame}>table>tfoot)`, ['display', 'table-row-group']),
        rule(`${box} .${contract.frame}>table>:is(thead,caption)`, ['position', 'static']),
        // A browser repeats of a header only what makes no layer of its own; Chromium prints the rest not even once.
        rule(`${box} .${contract.frame}>table>:is(thead,tfoot)`, ['clip-path', 'none']),
        rule(`.${contract.frame}>table>:is(thead,tfoot)>tr>*`, ['position', 'static']),
        rule(`${box} .${contract.frame}>table>*>tr`, ['break-inside', 'avoid']),
        // A table of a few rows stays on one sheet with its caption, and no footer stands on one by itself.
        rule(`.${contract.frame}>table:not(:has(tbody>tr:nth-child(30)))`, ['break-inside', 'avoid']),
        rule(`.${contract.frame}>table>tfoot`, ['break-before', 'avoid']),
        rule(`${box} .${contract.open}`, ['display', 'none']),
        ...(isVisited
          ? [
              rule(`${box} :is(.${contract.search},.${contract.pager},.${contract.choose})`, ['display', 'none']),
              rule(`${box} [${contract.sorts}]`, ['position', 'static']),
              rule(`${box} .${contract.sort}`, ['display', 'contents']),
              rule(`${box} .${contract.sort}::before`, ['content', 'none']),
            ]
          : []),
      ],
    },
  ];
};
