import { resolveAt } from '../../resolve';
import type { ThemeView } from '../../theme';
import { contract } from '../markup/contract';
import { rowsOf, type SelectorOptions } from '../sheet/selectors';
import { rule, type CssNode } from '../sheet/stylesheet';

/**
 * Where the system's colours take the place of all fills (CSS Color Adjustment 1, section 3), what was told apart by a fill alone has
 * another mark: chosen rows and the row under the pointer an outline, bands a ground between the system's own two.
 */
export function forcedRules(view: ThemeView, key: string): readonly CssNode[] {
  const band = resolveAt(view, { part: 'body-rows', condition: 'rest' }, 'band').css;
  const options: SelectorOptions = { theme: contract.theme(key), held: false, band };
  const fillOf = (condition: 'rest' | 'odd' | 'even'): string => resolveAt(view, { part: 'body-rows', condition }, 'fill').css;
  const row = (condition: 'even' | 'hovered' | 'selected'): string => rowsOf(options, { part: 'body-rows', condition });
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
        rule(row('hovered'), ['outline', '2px dotted Highlight'], ['outline-offset', '-2px']),
        rule(row('selected'), ['outline', '3px solid Highlight'], ['outline-offset', '-3px']),
      ],
    },
  ];
}
