import { lineStyles, type LineStyle, type Theme, type Value } from '../theme';
import { resolveAt } from '../resolve';

export type Line = Extract<Value, { kind: 'line' }>;
export type LineName = 'outer-top' | 'outer-end' | 'outer-bottom' | 'outer-start' | 'rows' | 'columns' | 'under-header' | 'above-footer';

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
export function stronger(first: Contender, second: Contender): Contender {
  if (first.line.style === 'hidden' || second.line.style === 'hidden') return first.line.style === 'hidden' ? first : second;
  if (first.line.style === 'none' || second.line.style === 'none') return second.line.style === 'none' ? first : second;
  const ranks = (contender: Contender): number[] => [contender.line.width, styleRank(contender.line.style), origins.indexOf(contender.origin)];
  const [a, b] = [ranks(first), ranks(second)];
  const at = a.findIndex((rank, i) => rank !== b[i]);
  return at < 0 || (a[at] ?? 0) > (b[at] ?? 0) ? first : second;
}

export const isDrawn = (line: Line): boolean => line.style !== 'none' && line.style !== 'hidden';

export function lineAt(theme: Theme, name: LineName): Line {
  const value = resolveAt(theme, { part: 'lines', condition: 'rest' }, name);
  if (value.kind !== 'line') throw new TypeError(`${name} is not a line`);
  return value;
}

/**
 * Which line is drawn at each kind of edge. Where cells are joined the strongest contender wins; where they
 * are spaced the more particular one is drawn, unless it is none.
 */
export interface EdgeLines {
  readonly rows: Line;
  readonly columns: Line;
  /** Between the header and the body. */
  readonly headerBody: Line;
  /** Between the body and the footer. */
  readonly bodyFooter: Line;
  /** Between the header and the footer of a table that has no body. */
  readonly headerFooter: Line;
}

export function edgeLines(theme: Theme): EdgeLines {
  const joined = resolveAt(theme, { part: 'table', condition: 'rest' }, 'cells').css === 'joined';
  const rows: Contender = { line: lineAt(theme, 'rows'), origin: 'row' };
  const underHeader: Contender = { line: lineAt(theme, 'under-header'), origin: 'cell' };
  const aboveFooter: Contender = { line: lineAt(theme, 'above-footer'), origin: 'cell' };
  const winner = (...contenders: readonly [Contender, ...Contender[]]): Line => {
    const nearest = contenders.find(({ line }) => line.style !== 'none') ?? contenders[0];
    return joined ? contenders.reduce(stronger).line : nearest.line;
  };
  return {
    rows: rows.line,
    columns: lineAt(theme, 'columns'),
    headerBody: winner(underHeader, rows),
    bodyFooter: winner(aboveFooter, rows),
    headerFooter: winner(underHeader, aboveFooter, rows),
  };
}
