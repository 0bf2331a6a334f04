import { resolveAt } from '../../resolve';
import { needsPointer, conditionOf, places, propertyOf, type Place, type Property, type ThemeView, type Value } from '../../theme';
import { contract } from '../markup/contract';
import type { Felt } from '../sheet/lean';
import { cellsOf, heldCellsOf, heldRowsOf, isHeldOpen, ROW_END, ROW_START, rowsOf, type SelectorOptions } from '../sheet/selectors';
import { rule, type CssNode, type Declaration } from '../sheet/stylesheet';

/** Rows that no merged cell holds together with another: the others are no boxes by themselves. */
const ALONE = `:where(:not(.${contract.uneven},:has(>[rowspan])))`;
/** On which side rows begin: 1 on the left, -1 on the right. No swatch has this name. */
const SIDE = '--zp_side';

/**
 * Rows as boxes of their own: rounded corners, a shadow, and a bar at their start, under whichever conditions. The fill of a row is
 * painted in its cells, so those in the first and the last column round it; the row itself gives its shadow the shape. A bar is an
 * inner shadow, so that nothing moves when it comes and goes.
 */
export function rowRules(view: ThemeView, options: SelectorOptions, felt?: Felt): readonly CssNode[] {
  const [bar, shadow] = [propertyOf('bar'), propertyOf('row-shadow')];
  const at = (place: Place): readonly CssNode[] => {
    const feltAt = (property: Property): Value | undefined =>
      felt === undefined || felt(place, property.name) ? view.valueAt(place, property) : undefined;
    const [ownBar, ownShadow] = [feltAt(bar), feltAt(shadow)];
    const nodes = (cells: string, rows: string): readonly CssNode[] => [
      ...(ownBar ? [rule(cells, ['box-shadow', barOf(ownBar.css)])] : []),
      ...(ownShadow ? [rule(`${rows}${ALONE}`, ['box-shadow', ownShadow.css])] : []),
    ];
    const real = nodes(cellsOf(options, place, place.part, ROW_START), rowsOf(options, place));
    if (real.length === 0 || conditionOf(place.condition).tier !== 'hand') return real;
    const held =
      options.held && isHeldOpen(place.condition) ? nodes(heldCellsOf(options, place, place.part, ROW_START), heldRowsOf(options, place)) : [];
    return needsPointer(place.condition) ? [{ kind: 'media', query: '(hover:hover)', rules: real }, ...held] : [...real, ...held];
  };
  const nodes = places.filter(({ part }) => part === 'body-rows').flatMap(at);
  const isBarred = places.some((place) => place.part === 'body-rows' && (view.valueAt(place, bar)?.css ?? 'none') !== 'none');
  return [...radiusRules(view, options), ...nodes, ...(isBarred ? [rule(`.${options.theme}:dir(rtl)`, [SIDE, '-1'])] : [])];
}

function barOf(css: string): string {
  const at = css.indexOf(' ');
  return at < 0 ? 'none' : `inset calc(${css.slice(0, at)}*var(${SIDE},1)) 0 ${css.slice(at + 1)}`;
}

/** How round the corners of rows are; undefined where they are not. */
export function rowRadius(view: ThemeView): string | undefined {
  const { css } = resolveAt(view, rest, 'row-radius');
  return css === '0' ? undefined : css;
}
const rest: Place = { part: 'body-rows', condition: 'rest' };

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
