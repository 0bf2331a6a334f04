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
  rule(`.${contract.label},.${contract.open},.${contract.turned}`, ['display', 'none']),
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
  rule(`.${contract.about}`, ['position', 'absolute'], ['clip-path', 'inset(50%)'], ['width', '1px'], ['height', '1px'], ['overflow', 'hidden']),
  rule(`.${contract.picture}`, ['max-width', '100%'], ['max-height', '4em'], ['vertical-align', 'middle']),
  // Its size would go with what a house stylesheet says of it, since attributes are weaker than any rule.
  rule(`.${contract.icon}:where(svg)`, ['width', '1em'], ['height', '1em'], ['fill', 'currentColor']),
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
