import { columnLine, isDrawn, type Line } from '../../lines';
import { resolveAt } from '../../resolve';
import { everyLook, gapSides, type ThemeView } from '../../theme';
import type { Exception } from '../../table';
import { withoutFrames } from './beside/column-frames';
import { cornerClip } from './corners';
import { readsOtherwise } from './inner-rules';
import { boxesRows, rowRadius } from './row-rules';
import { pinnedRules } from './pinned-rules';
import { contract } from '../markup/contract';
import { rule, type CssNode, type Declaration } from '../sheet/stylesheet';

type Arrangement = 'as-is' | 'scrolls' | 'stacked' | 'turned' | 'most' | 'fewest';
const arrangementOf = (view: ThemeView): Arrangement => resolveAt(view, { part: 'table', condition: 'rest' }, 'arrangement').css as Arrangement;

const isSomewhere = (view: ThemeView, ...wanted: readonly Arrangement[]): boolean =>
  everyLook(view).some((each) => wanted.includes(arrangementOf(each)));

/** Whether the theme stacks tables at any width, so that their cells need labels and roles. */
export const stacks = (view: ThemeView): boolean => isSomewhere(view, 'stacked');

/** Whether a theme as it is at one width stacks tables there. */
export const isStacked = (view: ThemeView): boolean => arrangementOf(view) === 'stacked';

/** Whether the theme turns short tables at any width, so that their markup has them turned as well. */
export const turns = (view: ThemeView): boolean => isSomewhere(view, 'turned');

/** Whether the theme shows fewer columns at any width, so that columns say whether they give way, and rows open. */
export const leavesOut = (view: ThemeView): boolean => isSomewhere(view, 'most', 'fewest');

/**
 * How a table is laid out where the theme has it other than as it is. To be written after everything else of the theme, at
 * each width step for itself.
 */
export function arrangementRules(view: ThemeView, key: string, exceptions: readonly Exception[] = [], holdsRows = false): readonly CssNode[] {
  const arrangement = arrangementOf(view);
  if (arrangement === 'scrolls') return [...pinnedRules(view, key, exceptions, true), ...hintRules(key)];
  if (arrangement === 'turned') return turnedRules(`.${contract.theme(key)}`);
  if (arrangement === 'most') return fewerRules(`.${contract.theme(key)}`, [contract.yields.first]);
  if (arrangement === 'fewest') return fewerRules(`.${contract.theme(key)}`, [contract.yields.first, contract.yields.second]);
  return arrangement === 'stacked' ? stackedRules(view, `.${contract.theme(key)}`, exceptions, holdsRows) : [];
}

/** The name of the fade at a frame's end, which says that there is more. */
const MORE = 'zp-more';

/**
 * What hints at more of a table that scrolls in its frame: its end fades until it is reached. Bound to the frame's own
 * scrolling (Scroll-driven Animations 1), so that it is not there where nothing is hidden; browsers without it show the
 * scroll bar alone.
 */
export const moreFrames: CssNode = {
  kind: 'keyframes',
  query: MORE,
  rules: [
    rule('0%,96%', ['mask-image', 'linear-gradient(var(--zp_to,to right),#000 calc(100% - 3em),#0003)']),
    rule('100%', ['mask-image', 'linear-gradient(#000,#000)']),
  ],
};
function hintRules(key: string): readonly CssNode[] {
  const frame = `.${contract.frame}:has(>.${contract.theme(key)})`;
  return [
    {
      kind: 'media',
      query: 'screen',
      rules: [rule(frame, ['animation', `${MORE} linear both`], ['animation-timeline', 'scroll(self inline)'])],
    },
    rule(`${frame}:dir(rtl)`, ['--zp_to', 'to left']),
  ];
}

/**
 * Each row a block of its own: its row header on top, then a line for each cell with the label that the markup brings. The
 * table itself stays one, so that its line, corners and caption do. Its header is heard, and seen as far as it sorts.
 */
function stackedRules(view: ThemeView, table: string, exceptions: readonly Exception[], holdsRows: boolean): readonly CssNode[] {
  const groups = `${table}>:is(thead,tbody,tfoot)`;
  const cells = `${groups}>tr>*`;
  const line = (traits: Parameters<typeof columnLine>[1]): Declaration => ['border-block-start', drawn(columnLine(view, traits))];
  const unsorted = `${table}>thead>tr>:not([${contract.sorts}])`;
  const clip = cornerClip(view);
  const bare = `${table}>thead:not(:has([${contract.sorts}]))+tbody`;
  const spaced = resolveAt(view, { part: 'table', condition: 'rest' }, 'cells').css === 'spaced';
  const [, down] = gapSides(resolveAt(view, { part: 'table', condition: 'rest' }, 'gap'));
  const round = rowRadius(view);
  return [
    rule(table, ['table-layout', 'fixed'], ['width', '100%'], ['max-width', '100%']),
    rule(`${table}>colgroup`, ['display', 'none']),
    rule(`${groups},${groups}>tr`, ['display', 'block'], ['position', 'static']),
    rule(
      cells,
      ['display', 'flow-root'],
      // What a header cell has over all of it stays within; nothing stays in view.
      ['position', 'relative'],
      ['width', 'auto'],
      ['height', 'auto'],
      ['white-space', 'normal'],
      ['overflow-wrap', 'anywhere'],
      ['text-align', 'end'],
      ['border-inline', 'none'],
      ...(spaced ? ([['border-block-end', 'none']] as const) : []),
    ),
    ...withoutFrames(view, exceptions, { theme: table.slice(1), held: false, band: '' }),
    // Each row is a card of its own there, and what its header says runs across.
    ...(holdsRows && boxesRows(view)
      ? [rule(`${table}>tbody>.${contract.joins}`, ['clip-path', 'none']), rule(`${table}>tbody>.${contract.joins}>*`, ['box-shadow', 'none'])]
      : []),
    ...(readsOtherwise(view)
      ? [
          rule(
            `${table}>thead>tr .${contract.reads}`,
            ['display', 'inline'],
            ['line-height', 'inherit'],
            ['white-space', 'inherit'],
            ['writing-mode', 'horizontal-tb'],
          ),
        ]
      : []),
    rule(`${table}>:is(tbody,tfoot)>tr>:not(:first-child)`, line([])),
    rule(`${table}>tbody>tr>.${contract.beside}`, line(['beside-row-headers'])),
    rule(`${cells}:is(th,.${contract.head},.${contract.heading})`, ['text-align', 'start']),
    rule(`${cells} .${contract.label}`, ['display', 'block'], ['float', 'inline-start'], ['margin-inline-end', '1em']),
    rule(`${cells}>.${contract.again}`, ['display', 'flow-root'], ['text-align', 'end']),
    ...(spaced ? [rule(`${groups}>tr+tr`, ['margin-block-start', down.css])] : []),
    // Its cells lie below one another: the row clips them.
    ...(round === undefined
      ? []
      : [rule(`${table}>tbody>tr`, ['border-radius', round], ['overflow', 'clip']), rule(`${table}>tbody>tr>*`, ['border-radius', '0'])]),
    rule(`${table}>thead>tr`, ['display', 'flex'], ['flex-wrap', 'wrap']),
    rule(
      unsorted,
      ['position', 'absolute'],
      ['clip-path', 'inset(50%)'],
      ['width', '1px'],
      ['height', '1px'],
      ['overflow', 'hidden'],
      ['padding', '0'],
      ['border', 'none'],
    ),
    ...(clip === undefined ? [] : [rule(bare, ['clip-path', clip('top')]), rule(`${bare}:last-child`, ['clip-path', clip('all')])]),
  ];
}

/** The table with its rows as columns, where the markup has it, in place of the other: a table of its own, with headers of its own. */
const turnedRules = (table: string): readonly CssNode[] => [
  rule(`${table}:has(+.${contract.turned})`, ['display', 'none']),
  rule(`${table}.${contract.turned}`, ['display', 'table']),
];

/**
 * Columns that give way take no room and are not heard: their cells stay in their places, so that those after them do, with
 * nothing in them that has a width, and cells over several columns shrink with them. Each row opens to what was left out.
 */
const fewerRules = (table: string, away: readonly string[]): readonly CssNode[] => {
  const cells = `${table}>*>tr>:is(${away.map((name) => `.${name}`).join()})`;
  return [
    rule(
      cells,
      ['visibility', 'hidden'],
      ['width', '0'],
      ['padding', '0'],
      ['border-inline', 'none'],
      ['font-size', '0'],
      ['letter-spacing', '0'],
      ['white-space', 'nowrap'],
      ['overflow', 'hidden'],
    ),
    rule(`${cells}>*`, ['display', 'none']),
    rule(`${cells}::before,${cells}::after`, ['content', 'none']),
    rule(
      `${table} .${contract.open}`,
      ['display', 'inline-grid'],
      ['place-items', 'center'],
      ['min-width', '24px'],
      ['min-height', '24px'],
      ['margin-inline-start', '.5em'],
      ['padding', '0'],
      ['font', 'inherit'],
      ['color', 'inherit'],
      ['background', 'none'],
      ['border', '1px solid'],
      ['border-radius', '4px'],
      ['cursor', 'pointer'],
    ),
  ];
};

const drawn = (line: Line): string => (isDrawn(line) ? line.css : 'none');
