import { WHITE, flatten, toHex } from '../../colour';
import { type resolveAt } from '../../resolve';
import { propertyOf, type ThemeView } from '../../theme';
import { contract } from '../markup/contract';
import { rule, type CssNode } from '../sheet/stylesheet';

/**
 * A frame in which the header stays: no higher than the window, and scrolled within; on paper it is as long as it is. What has the focus is brought out from under the
 * header, which is taken to be no higher than a quarter of it (WCAG 2.2, 2.4.11; CSS Scroll Snap 1, "scroll-padding").
 */
export const headerFrameRules = (selector: string, height = '85vh'): readonly CssNode[] => [
  rule(selector, ['max-height', height], ['overflow', 'auto'], ['scroll-padding-block-start', 'max(25%,6em)']),
  { kind: 'media', query: 'print', rules: [rule(selector, ['max-height', 'none'], ['overflow', 'visible'])] },
];

/**
 * A header that stays in view of the page, so many px below the window's upper edge, where its frame does not scroll; what has the
 * focus is brought out from under it.
 */
export const headerPageRules = (selector: string, below: number): readonly CssNode[] => [
  rule(selector, ['max-height', 'none']),
  rule(`${selector}>table>thead`, ['inset-block-start', `${below}px`]),
  rule(`${selector}>table :is(a,button,input,summary)`, ['scroll-margin-block-start', `calc(${below}px + 6em)`]),
];

/**
 * The header of a table that keeps it in view (CSS Positioned Layout 3, "Sticky positioning"). What scrolls beneath must not
 * show through, so its fill is blended over the table's beforehand; where neither has one, over the page's own ground.
 */
export function headerRules(view: ThemeView, key: string): readonly CssNode[] {
  const fillOf = (part: 'table' | 'column-headers'): ReturnType<typeof resolveAt> | undefined =>
    view.valueAt({ part, condition: 'rest' }, propertyOf('fill'));
  const [table, header] = [fillOf('table'), fillOf('column-headers')];
  const ground = table?.kind === 'colour' && table.rgba.alpha > 0 ? flatten(table.rgba, WHITE) : undefined;
  const own = header?.kind === 'colour' ? header.rgba : undefined;
  const fill = own && own.alpha > 0 ? toHex(flatten(own, ground ?? WHITE)) : ground ? toHex(ground) : 'Canvas';
  return [
    rule(
      `.${contract.theme(key)}.${contract.header}>:where(thead)`,
      ['position', 'sticky'],
      ['inset-block-start', '0'],
      // Above a first column that stays.
      ['z-index', '2'],
      ['background-color', fill],
    ),
  ];
}
