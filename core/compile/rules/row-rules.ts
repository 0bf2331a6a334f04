import { resolveAt } from '../../resolve';
import {
  conditionOf,
  gapSides,
  needsPointer,
  places,
  propertyOf,
  saysAnywhere,
  type Place,
  type Property,
  type ThemeView,
  type Value,
} from '../../theme';
import { contract } from '../markup/contract';
import type { Felt } from '../sheet/lean';
import { cellsOf, heldCellsOf, heldRowsOf, isHeldOpen, ROW_END, ROW_START, rowsOf, type SelectorOptions } from '../sheet/selectors';
import { rule, type CssNode, type Declaration } from '../sheet/stylesheet';

/** Rows that no merged cell holds together with another: the others are no boxes by themselves. */
const ALONE = `:where(:not(.${contract.uneven},:has(>[rowspan])))`;
/** Rows that a merged cell holds together: boxes only together, as one card. */
const [JOINS, GOES_ON] = [`.${contract.joins}`, `.${contract.goesOn}`];
const HELD = `:where(${JOINS},${GOES_ON})`;
/** On which side rows begin: 1 on the left, -1 on the right. No swatch has this name. */
const SIDE = '--zp_side';

/**
 * Rows as boxes of their own: rounded corners, a shadow, a line around them, and a bar at their start, under whichever conditions. The fill of a row is
 * painted in its cells, so those in the first and the last column round it; the row itself gives its shadow the shape. A bar is an
 * inner shadow, so that nothing moves when it comes and goes.
 */
export function rowRules(view: ThemeView, options: SelectorOptions, holdsRows: boolean, felt?: Felt): readonly CssNode[] {
  const [bar, shadow, line] = [propertyOf('bar'), propertyOf('row-shadow'), propertyOf('row-line')];
  const gap = gapOf(view);
  const at = (place: Place): readonly CssNode[] => {
    const feltAt = (property: Property): Value | undefined =>
      felt === undefined || felt(place, property.name) ? view.valueAt(place, property) : undefined;
    const [ownBar, ownShadow, ownLine] = [feltAt(bar), feltAt(shadow), feltAt(line)];
    const nodes = (cells: string, rows: string): readonly CssNode[] => [
      ...(ownBar ? [rule(cells, ['box-shadow', barOf(ownBar.css)])] : []),
      ...(ownBar && gap !== undefined && holdsRows
        ? [
            rule(`${rows}:where(${JOINS})>:where(${ROW_START})`, [
              'box-shadow',
              ownBar.css === 'none' ? reachingUp(gap) : `${barOf(ownBar.css)},${reachingUp(gap)}`,
            ]),
          ]
        : []),
      ...(ownLine ? [rule(rows, ...lineOf(ownLine))] : []),
      ...(ownShadow ? [rule(`${rows}${ALONE}`, ['box-shadow', ownShadow.css])] : []),
      ...(ownShadow && holdsRows ? [rule(`${rows}${HELD}`, ['box-shadow', ownShadow.css])] : []),
    ];
    const real = nodes(cellsOf(options, place, place.part, ROW_START), rowsOf(options, place));
    if (real.length === 0 || conditionOf(place.condition).tier !== 'hand') return real;
    const held =
      options.held && isHeldOpen(place.condition) ? nodes(heldCellsOf(options, place, place.part, ROW_START), heldRowsOf(options, place)) : [];
    return needsPointer(place.condition) ? [{ kind: 'media', query: '(hover:hover)', rules: real }, ...held] : [...real, ...held];
  };
  const nodes = places.filter(({ part }) => part === 'body-rows').flatMap(at);
  const isBarred = places.some((place) => place.part === 'body-rows' && (view.valueAt(place, bar)?.css ?? 'none') !== 'none');
  return [
    ...radiusRules(view, options),
    ...(holdsRows && boxesRows(view) ? cardRules(view, options) : []),
    ...nodes,
    ...(isBarred ? [rule(`.${options.theme}:dir(rtl)`, [SIDE, '-1'])] : []),
  ];
}

/** Whether rows are boxes by themselves, or may be. */
export const boxesRows = (view: ThemeView): boolean => saysAnywhere(view, 'row-radius') || saysAnywhere(view, 'row-shadow');

/**
 * Rows that a merged cell holds together as one card: round at its own four corners only, with no gap to be seen between them, and a
 * shadow around all of it. A row that joins the one above lets its cells' fill reach up over the gap, and is cut off above that, so that
 * its shadow does not fall on the card; one that goes on as well is cut off below. Cells over several rows lie above all of these.
 */
function cardRules(view: ThemeView, options: SelectorOptions): readonly CssNode[] {
  const [rows, radius] = [rowsOf(options, rest), rowRadius(view)];
  const gap = gapOf(view);
  const square = (selector: string, side: 'start' | 'end'): CssNode =>
    rule(selector, [`border-${side}-start-radius`, '0'], [`border-${side}-end-radius`, '0']);
  const isShadowed = places.some((place) => place.part === 'body-rows' && (view.valueAt(place, propertyOf('row-shadow'))?.css ?? 'none') !== 'none');
  const above = gap === undefined ? '0' : `calc(-1*${gap})`;
  return [
    ...(radius === undefined
      ? []
      : [
          rule(`${rows}${HELD}`, ['border-radius', radius]),
          square(`${rows}:where(${JOINS}),${rows}:where(${JOINS})>*`, 'start'),
          square(`${rows}:where(${GOES_ON}),${rows}:where(${GOES_ON})>:where(:not([rowspan]),${GOES_ON})`, 'end'),
        ]),
    ...(gap === undefined ? [] : [rule(`${rows}:where(${JOINS})>*`, ['box-shadow', reachingUp(gap)])]),
    ...(isShadowed
      ? [
          rule(`.${options.theme}`, ['isolation', 'isolate']),
          rule(`${rows}:where(${GOES_ON})>:where([rowspan])`, ['position', 'relative'], ['z-index', '1']),
          rule(`${rows}:where(${JOINS})`, ['clip-path', `inset(${above} -${FAR} -${FAR})`]),
          rule(`${rows}:where(${JOINS}${GOES_ON}:not(:has(>[rowspan])))`, ['clip-path', `inset(${above} -${FAR} 0)`]),
        ]
      : []),
  ];
}

/** Further than any shadow reaches, and than any cell over several rows. */
const FAR = '9999px';
/** How far rows stand apart; undefined where they touch. */
function gapOf(view: ThemeView): string | undefined {
  if (resolveAt(view, WHOLE, 'cells').css !== 'spaced') return undefined;
  const [, down] = gapSides(resolveAt(view, WHOLE, 'gap'));
  return down.css === '0' ? undefined : down.css;
}
const reachingUp = (gap: string): string => `0 calc(-1*${gap}) 0 var(${contract.fill},transparent)`;

function barOf(css: string): string {
  const at = css.indexOf(' ');
  return at < 0 ? 'none' : `inset calc(${css.slice(0, at)}*var(${SIDE},1)) 0 ${css.slice(at + 1)}`;
}

/** A line around a row lies inside of it, so that the rows beside it do not lie over it. */
const lineOf = (value: Value): readonly Declaration[] =>
  value.kind === 'line' && value.width > 0
    ? [
        ['outline', value.css],
        ['outline-offset', `-${value.width}px`],
      ]
    : [['outline', value.css]];

/** How round the corners of rows are; undefined where they are not. */
export function rowRadius(view: ThemeView): string | undefined {
  const { css } = resolveAt(view, rest, 'row-radius');
  return css === '0' ? undefined : css;
}
const rest: Place = { part: 'body-rows', condition: 'rest' };
const WHOLE: Place = { part: 'table', condition: 'rest' };

function radiusRules(view: ThemeView, options: SelectorOptions): readonly CssNode[] {
  const radius = rowRadius(view);
  if (radius === undefined) return [];
  const corners = (side: 'start' | 'end'): readonly Declaration[] => [
    [`border-start-${side}-radius`, radius],
    [`border-end-${side}-radius`, radius],
  ];
  return [
    rule(`${rowsOf(options, rest)}${ALONE}`, ['border-radius', radius]),
    rule(cellsOf(options, rest, rest.part, ROW_START), ...corners('start')),
    rule(cellsOf(options, rest, rest.part, ROW_END), ...corners('end')),
  ];
}
