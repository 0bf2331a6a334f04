import { leastOnPaper } from '../../fit';
import { resolveAt } from '../../resolve';
import type { Table } from '../../table';
import { onPaper, type PropertyName, type ThemeView } from '../../theme';
import { contract } from '../markup/contract';
import { rule, type CssNode, type Declaration } from '../sheet/stylesheet';

const said = (view: ThemeView, property: PropertyName): string => resolveAt(onPaper(view), { part: 'table', condition: 'rest' }, property).css;

/** The named page of a sheet that lies in a direction (CSS Paged Media 3, section 5). */
const pageOf = (direction: string): string => `zp-${direction}`;

/** Whether a theme lays tables that are wider than the sheet over several of them. */
export const isLaidOver = (view: ThemeView): boolean =>
  said(view, 'too-wide') === 'sheets' && (said(view, 'arrangement') === 'as-is' || said(view, 'arrangement') === 'scrolls');

/** How wide a sheet is at least between its margins, in px: of A4 and Letter the narrower one, with margins of 2 cm. */
const ROOM = { portrait: 643, landscape: 905 } as const;
export const roomOnSheet = (view: ThemeView): number => (said(view, 'sheet') === 'landscape' ? ROOM.landscape : ROOM.portrait);

/**
 * What a theme says of paper, beside how tables look there: what is repeated (a group of rows that is no header of its table is not
 * repeated; CSS 2.2, section 17.2), which way the sheet lies, where links lead, and whether fills are printed whatever the reader has
 * chosen (CSS Color Adjustment 1, section 4.1). Nothing where it says nothing.
 */
export function paperRules(view: ThemeView, key: string): readonly CssNode[] {
  const table = `.${contract.theme(key)}`;
  const repeats = said(view, 'repeats');
  const sheet = said(view, 'sheet');
  const own: readonly Declaration[] = [
    ...(sheet === 'auto' ? [] : [['page', pageOf(sheet)] as const]),
    ...(said(view, 'printed-fills') === 'exact'
      ? ([
          ['-webkit-print-color-adjust', 'exact'],
          ['print-color-adjust', 'exact'],
        ] as const)
      : []),
  ];
  const address = `${table}>*>tr>* a[href]:not([href^="#"],[href^="mailto:"],[href^="tel:"])::after`;
  const rules = [
    ...(own.length > 0 ? [rule(table, ...own)] : []),
    ...(repeats === 'both' ? [rule(`${table}>tfoot`, ['display', 'table-footer-group'])] : []),
    ...(repeats === 'nothing' ? [rule(`${table}>thead`, ['display', 'table-row-group'])] : []),
    ...(said(view, 'addresses') === 'on' ? [rule(address, ['content', '" (" attr(href) ")"'], ['overflow-wrap', 'anywhere'])] : []),
  ];
  return [
    ...(sheet === 'auto' ? [] : [rule(`@page ${pageOf(sheet)}`, ['size', sheet])]),
    ...(rules.length > 0 ? [{ kind: 'media' as const, query: 'print', rules }] : []),
  ];
}

/**
 * A placed table that is wider than the sheet: its frame becomes smaller, down to what its theme says, by the container's own width (a
 * quotient of two lengths is the tangent of their angle; CSS Values 4, section 10.4). Where that does not do, its words break, so that
 * nothing is cut off. Told without a browser, so by how wide its words are at most.
 */
export function smallerOnPaper(frame: string, table: Table, view: ThemeView, own: number): readonly CssNode[] {
  if (said(view, 'too-wide') === 'as-is') return [];
  const least = leastOnPaper(onPaper(view), table, own);
  if (least === 0) return [];
  const smallest = Number(said(view, 'smallest'));
  const needs = (share: number): string => {
    const px = Math.ceil(least * share);
    const whole = `max(${px}px,${px / 16}em,${px / 16}rem)`;
    // While its parts are printed in its place, the script says how wide those are.
    return isLaidOver(view) ? `var(${contract.needs},${whole})` : whole;
  };
  const isSmaller = smallest < 1;
  return [
    {
      kind: 'media',
      query: 'print',
      rules: [
        ...(isSmaller ? [rule(frame, ['zoom', `clamp(${smallest},tan(atan2(100cqi,${needs(1)})),1)`])] : []),
        {
          kind: 'container',
          query: `${contract.container} (width<${Math.ceil(least * smallest)}px)`,
          rules: [
            rule(`${frame}>table`, ['max-width', '100%']),
            rule(`${frame}>table>*>tr>*`, ['white-space', 'normal'], ['overflow-wrap', 'anywhere']),
          ],
        },
      ],
    },
  ];
}
