import { resolveAt } from '../../resolve';
import type { ThemeView } from '../../theme';
import { rowRadius } from './row-rules';
import { contract } from '../markup/contract';
import { cellsOf, rowsOf, type SelectorOptions } from '../sheet/selectors';
import { rule, type CssNode } from '../sheet/stylesheet';

/**
 * Where the system's colours take the place of all fills (CSS Color Adjustment 1, section 3), what was told apart by a fill alone has
 * another mark: chosen rows and the row under the pointer an outline, bands and sorted columns a ground between the system's own two.
 */
export function forcedRules(view: ThemeView, key: string): readonly CssNode[] {
  const band = resolveAt(view, { part: 'body-rows', condition: 'rest' }, 'band').css;
  const options: SelectorOptions = { theme: contract.theme(key), held: false, band };
  const fillOf = (condition: 'rest' | 'odd' | 'even' | 'sorted'): string => resolveAt(view, { part: 'body-rows', condition }, 'fill').css;
  const row = (condition: 'rest' | 'even' | 'hovered' | 'selected'): string => rowsOf(options, { part: 'body-rows', condition });
  const isBoxed = rowRadius(view) !== undefined || resolveAt(view, { part: 'body-rows', condition: 'rest' }, 'row-shadow').css !== 'none';
  const isBanded = fillOf('odd') !== fillOf('even');
  return [
    {
      kind: 'media',
      query: '(forced-colors:active)',
      rules: [
        ...(isBanded
          ? [
              rule(row('even'), ['forced-color-adjust', 'none'], ['background-color', 'color-mix(in srgb,CanvasText 15%,Canvas)']),
              rule(`${row('even')}>*`, ['forced-color-adjust', 'auto']),
            ]
          : []),
        // A sorted column has a ground of its own between the system's, as bands have.
        ...(fillOf('sorted') !== fillOf('rest')
          ? [
              rule(
                cellsOf(options, { part: 'body-rows', condition: 'sorted' }),
                ['forced-color-adjust', 'none'],
                ['color', 'CanvasText'],
                ['border-color', 'CanvasText'],
                ['background', 'color-mix(in srgb,Highlight 20%,Canvas)'],
              ),
            ]
          : []),
        // Rows as boxes have neither shadow nor bar there.
        ...(isBoxed ? [rule(row('rest'), ['outline', '1px solid'])] : []),
        rule(row('hovered'), ['outline', '2px dotted Highlight'], ['outline-offset', '-2px']),
        rule(row('selected'), ['outline', '3px solid Highlight'], ['outline-offset', '-3px']),
      ],
    },
  ];
}
