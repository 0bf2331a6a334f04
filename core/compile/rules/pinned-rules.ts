import { WHITE, flatten, toHex, type Rgba } from '../../colour';
import { layerOf } from '../../paint';
import { resolveAt } from '../../resolve';
import { conditionOf, partOf, places, propertyOf, type ThemeView } from '../../theme';
import type { Exception } from '../../table';
import { exceptionFills } from './beside/exception-rules';
import { cellsOf, everyCell, ROW_START, type SelectorOptions } from '../sheet/selectors';
import { contract } from '../markup/contract';
import { rule, type CssNode } from '../sheet/stylesheet';

/**
 * The first column of a table that pins it: its cells stay at their frame's start while the rest is scrolled (CSS
 * Positioned Layout 3, "Sticky positioning"). What scrolls beneath must not show through, so each gets its fills
 * blended over the table's beforehand; where the table has none, over the page's own ground. `all` pins that of every table.
 */
export function pinnedRules(view: ThemeView, key: string, exceptions: readonly Exception[] = [], all = false): readonly CssNode[] {
  const band = resolveAt(view, { part: 'body-rows', condition: 'rest' }, 'band').css;
  const options: SelectorOptions = { theme: all ? contract.theme(key) : `${contract.theme(key)}:where(.${contract.pinned})`, held: false, band };
  const table = resolveAt(view, { part: 'table', condition: 'rest' }, 'fill');
  const ground: Rgba = table.kind === 'colour' ? flatten(table.rgba, WHITE) : WHITE;
  const isBare = table.kind !== 'colour' || table.rgba.alpha === 0;
  const base = isBare ? 'Canvas' : toHex(ground);
  const fill = propertyOf('fill');
  const filled = places.flatMap((place): readonly CssNode[] => {
    if (partOf(place.part).box !== 'cells' || conditionOf(place.condition).tier === 'hand') return [];
    const value = view.valueAt(place, fill);
    if (value?.kind !== 'colour') return [];
    // A cell without a fill shows its row; a row without one, the table.
    if (value.rgba.alpha === 0 && layerOf(place) === 'cell') return [];
    const colour = value.rgba.alpha === 0 ? base : value.rgba.alpha === 1 ? value.css : toHex(flatten(value.rgba, ground));
    return [rule(cellsOf(options, place, place.part, ROW_START), ['background-color', colour])];
  });
  return [
    rule(
      `${everyCell(options)}:where(${ROW_START})`,
      ['position', 'sticky'],
      ['inset-inline-start', '0'],
      ['z-index', '1'],
      ['background-color', base],
    ),
    ...filled,
    ...exceptionFills(view, exceptions).flatMap(({ mark, css, rgba }) =>
      rgba.alpha === 0
        ? []
        : [rule(`${everyCell(options)}:where(${ROW_START}${mark})`, ['background-color', rgba.alpha === 1 ? css : toHex(flatten(rgba, ground))])],
    ),
  ];
}
