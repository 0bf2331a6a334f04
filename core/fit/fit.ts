import { outerLines } from '../lines';
import { ORDINARY_PAGE, resolveAt, toPx, type PageType } from '../resolve';
import { gridOf, shownTable, widthOf, type Table } from '../table';
import type { Slot, ThemeView } from '../theme';
import { columnNeeds } from './columns';
import { cased, needOf, typeOf, widthIf, type Need } from './need';
import type { Measure } from './measure';
import { piecesOf } from './pieces';

export interface Fit extends Need {
  /** What each column that is shown needs, lines and padding included. */
  readonly columns: readonly Need[];
}

/** Rows of a long table of which the widths are told: the widest cell may be any, so all are looked at up to here. */
const ROWS_MOST = 2000;

/**
 * How wide a table is at least in a theme, as it is looked at, and how wide it would be if nothing had to break: in px, from
 * edge to edge, laid out as a table. In a container narrower than `least` it overflows.
 */
export function fitOf(view: ThemeView, whole: Table, measure: Measure, page: PageType = ORDINARY_PAGE): Fit {
  const table = shownTable(whole);
  const rest = { part: 'table', condition: 'rest' } as const;
  // The table's own type is its cells', so that em is the page's here.
  const gap = resolveAt(view, rest, 'cells').css === 'spaced' ? toPx(resolveAt(view, rest, 'gap'), page.fontSize, page) : 0;
  const width = widthOf(table);
  const cells = gridOf(table)
    .rows.slice(0, ROWS_MOST)
    .flatMap((row) => row.map((cell) => ({ column: cell.column, columns: cell.columns, ...needOf(view, table, cell, measure, page) })));
  const columns = columnNeeds(width, cells, gap);
  const { start, end } = outerLines(view);
  const room = toPx(resolveAt(view, rest, 'edge-room'), page.fontSize, page);
  const edges = widthIf(start) + widthIf(end) + gap * (width + 1) + 2 * room;
  const sum = (kind: 'least' | 'natural'): number => columns.reduce((total, need) => total + need[kind], edges);
  const isEqual = resolveAt(view, rest, 'layout').css === 'fixed';
  const least = isEqual ? Math.max(0, ...columns.map((need) => need.least)) * width + edges : sum('least');
  const caption = captionLeast(view, table, measure, page);
  return { columns, least: Math.max(least, caption), natural: Math.max(sum('natural'), least, caption) };
}

/** A table is no narrower than a word of its caption (CSS 2.2, section 17.4). */
function captionLeast(view: ThemeView, { caption }: Table, measure: Measure, page: PageType): number {
  if (caption === '') return 0;
  const slot: Slot = { part: 'caption', conditions: [] };
  const type = typeOf(view, slot, page);
  const text = cased(caption, resolveAt(view, { part: 'caption', condition: 'rest' }, 'case').css);
  const padding = (['padding-start', 'padding-end'] as const).reduce(
    (all, name) => all + toPx(resolveAt(view, { part: 'caption', condition: 'rest' }, name), type.size, page),
    0,
  );
  return Math.max(0, ...piecesOf(text).map((piece) => measure(piece, type))) + padding;
}
