import { outerLines } from '../../lines';
import { resolveAt } from '../../resolve';
import { gapSides, type ThemeView, type Value } from '../../theme';
import { firstGroup, lastGroup, type SelectorOptions } from '../sheet/selectors';
import { rule, type CssNode } from '../sheet/stylesheet';

/**
 * How far the clip reaches beyond the row group, in px. Fills are painted on whole device pixels and a clip is
 * not, so a clip that ended where the fill ends would leave a pale seam along the line.
 */
const BEYOND = 0.5;
/** The clip's curve lies further out by that much; with a radius larger by this it meets the inner curve at its middle. */
const WIDER = Math.round((BEYOND * Math.SQRT2 * 10) / (Math.SQRT2 - 1)) / 10;

/**
 * Rounded corners clip what lies in them. The table's own overflow cannot do it, since its box holds the
 * caption too; and with merged cells the corner cell may start in any row. So the first and the last row
 * group are clipped to the inner curve: the radius less the line and the gap (CSS Backgrounds 3, section 5.2).
 */
export function cornerRules(view: ThemeView, options: SelectorOptions): readonly CssNode[] {
  const clip = cornerClip(view);
  if (clip === undefined) return [];
  const [first, last] = [firstGroup(options), lastGroup(options)];
  return [
    rule(first, ['clip-path', clip('top')]),
    rule(last, ['clip-path', clip('bottom')]),
    rule(`${first}:where(:last-child)`, ['clip-path', clip('all')]),
  ];
}

/** The clip of the last row group where what stands in it reaches up over the gap above it. */
export function openClip(view: ThemeView, { theme }: SelectorOptions, up: string): readonly CssNode[] {
  const clip = cornerClip(view, `calc(-1*${up})`);
  return clip === undefined ? [] : [rule(`.${theme}>:is(thead,tbody)+:where(tbody,tfoot):where(:last-child)`, ['clip-path', clip('bottom')])];
}

/**
 * The clip of a row group at the table's top, at its bottom, or of the only one; undefined where no corner is round. The one at its
 * bottom begins `above` its own upper edge, as an inset, where that is said.
 */
export function cornerClip(view: ThemeView, above = ''): ((which: 'top' | 'bottom' | 'all') => string) | undefined {
  const table = { part: 'table', condition: 'rest' } as const;
  const radius = resolveAt(view, table, 'radius');
  const [across, down] = resolveAt(view, table, 'cells').css === 'spaced' ? gapSides(resolveAt(view, table, 'gap')) : [];
  const room = resolveAt(view, table, 'edge-room');
  const { top, end, bottom, start } = outerLines(view);
  // Where lines differ the thinner one counts: its inner curve is the rounder one, and no fill lies on a line.
  const line = Math.min(top.width, end.width, bottom.width, start.width);
  const [wide, high] = [innerRadius(radius, line, [room, across]), innerRadius(radius, line, [room, down])];
  if (wide === undefined || high === undefined) return undefined;
  const corners = (of: string): readonly string[] => [`${of} ${of} 0 0`, `0 0 ${of} ${of}`, of];
  const round = corners(wide).map((each, at) => (wide === high ? each : `${each}/${corners(high)[at]}`));
  const clip = (at: number, from = `-${BEYOND}px`): string => `inset(${from} round ${round[at]})`;
  const all = { top: clip(0), bottom: clip(1, above === '' ? undefined : `${above} -${BEYOND}px -${BEYOND}px`), all: clip(2) };
  return (which) => all[which];
}

/** The radius less line, room and gap, fitted to the clip, worked out as far as their units are the same; undefined where nothing is left of it. */
function innerRadius(radius: Value, line: number, within: readonly (Value | undefined)[]): string | undefined {
  if (radius.kind !== 'length' || radius.amount === 0) return undefined;
  const less = within.flatMap((each) => (each?.kind === 'length' && each.amount > 0 ? [each] : []));
  const isOne = less.every(({ unit }) => unit === radius.unit);
  const left = radius.amount - (isOne ? less.reduce((sum, { amount }) => sum + amount, 0) : 0) - (radius.unit === 'px' ? line : 0);
  if (isOne && left <= 0) return undefined;
  if (isOne && radius.unit === 'px') return `${Math.round((left + WIDER) * 100) / 100}px`;
  return `max(0px,${radius.css} - ${line}px${less.map(({ css }) => ` - ${css}`).join('')} + ${WIDER}px)`;
}
