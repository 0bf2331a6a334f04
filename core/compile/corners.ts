import { outerLines } from '../lines';
import { resolveAt } from '../resolve';
import type { Theme, Value } from '../theme';
import { firstGroup, lastGroup, type SelectorOptions } from './selectors';
import { rule, type CssNode } from './stylesheet';

/**
 * Rounded corners clip what lies in them. The table's own overflow cannot do it, since its box holds the
 * caption too; and with merged cells the corner cell may start in any row. So the first and the last row
 * group are clipped to the inner curve: the radius less the line and the gap (CSS Backgrounds 3, section 5.2).
 */
export function cornerRules(theme: Theme, options: SelectorOptions): readonly CssNode[] {
  const table = { part: 'table', condition: 'rest' } as const;
  const radius = resolveAt(theme, table, 'radius');
  const spaced = resolveAt(theme, table, 'cells').css === 'spaced';
  const gap = resolveAt(theme, table, 'gap');
  const { top, end, bottom, start } = outerLines(theme);
  // Where lines differ the thinner one counts: its inner curve is the rounder one, and no fill lies on a line.
  const line = Math.min(top.width, end.width, bottom.width, start.width);
  const inner = innerRadius(radius, line, spaced ? gap : undefined);
  if (inner === undefined) return [];
  const first = firstGroup(options);
  const last = lastGroup(options);
  return [
    rule(first, ['clip-path', `inset(0 round ${inner} ${inner} 0 0)`]),
    rule(last, ['clip-path', `inset(0 round 0 0 ${inner} ${inner})`]),
    rule(`${first}:where(:last-child)`, ['clip-path', `inset(0 round ${inner})`]),
  ];
}

/** The radius less line and gap, worked out where all are px; undefined where nothing is left of it. */
function innerRadius(radius: Value, line: number, gap: Value | undefined): string | undefined {
  if (radius.kind !== 'length' || radius.amount === 0) return undefined;
  const spacing = gap?.kind === 'length' ? gap : undefined;
  const inPx = radius.unit === 'px' && (spacing === undefined || spacing.unit === 'px' || spacing.amount === 0);
  if (inPx) {
    const left = radius.amount - line - (spacing?.amount ?? 0);
    return left > 0 ? `${Math.round(left * 100) / 100}px` : undefined;
  }
  return `max(0px,${radius.css} - ${line}px${spacing && spacing.amount > 0 ? ` - ${spacing.css}` : ''})`;
}
