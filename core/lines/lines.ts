import { lineStyles, type LineStyle, type PropertyName, type ThemeView, type Value } from '../theme';
import { resolveAt } from '../resolve';

export type Line = Extract<Value, { kind: 'line' }>;
export type LineName = Extract<
  PropertyName,
  | 'outer-top'
  | 'outer-end'
  | 'outer-bottom'
  | 'outer-start'
  | 'rows'
  | 'above-even-rows'
  | 'below-even-rows'
  | 'after-first-row'
  | 'before-last-row'
  | 'columns'
  | 'after-first-column'
  | 'before-last-column'
  | 'header-columns'
  | 'beside-row-headers'
  | 'between-tiers'
  | 'under-header'
  | 'above-footer'
  | 'under-caption'
>;

/** Whose line it is: with all else equal, the nearer to the cell wins (CSS 2.2, section 17.6.2.1). */
const origins = ['table', 'column', 'row-group', 'row', 'cell'] as const;
export type Origin = (typeof origins)[number];

export interface Contender {
  readonly line: Line;
  readonly origin: Origin;
}

const styleRank = (style: LineStyle): number => lineStyles.length - (lineStyles as readonly string[]).indexOf(style);

/**
 * The stronger of two lines that meet on one edge (CSS 2.2, section 17.6.2.1): hidden beats all and none
 * loses to all; then the wider; then the style, double before solid and so on; then the nearer origin;
 * then the first, which is the one further to the top or the start.
 */
export function stronger<T extends Contender>(first: T, second: T): T {
  if (first.line.style === 'hidden' || second.line.style === 'hidden') return first.line.style === 'hidden' ? first : second;
  if (first.line.style === 'none' || second.line.style === 'none') return second.line.style === 'none' ? first : second;
  const ranks = (contender: Contender): number[] => [contender.line.width, styleRank(contender.line.style), origins.indexOf(contender.origin)];
  const [a, b] = [ranks(first), ranks(second)];
  const at = a.findIndex((rank, i) => rank !== b[i]);
  return at < 0 || (a[at] ?? 0) > (b[at] ?? 0) ? first : second;
}

export const isDrawn = (line: Line): boolean => line.style !== 'none' && line.style !== 'hidden';

export function lineAt(view: ThemeView, name: LineName): Line {
  const value = resolveAt(view, { part: 'lines', condition: 'rest' }, name);
  if (value.kind !== 'line') throw new TypeError(`${name} is not a line`);
  return value;
}
