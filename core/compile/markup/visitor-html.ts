import { lettersOf } from '../../languages';
import { winnerAt } from '../../resolve';
import type { ThemeView } from '../../theme';
import { isRightToLeft, wordingOf, type Visitor } from '../../page';
import { columnNames, type Table } from '../../table';
import { element, type Element } from './markup';
import { shortHash } from '../sheet/short-hash';
import { contract } from './contract';
import { rule, type CssNode } from '../sheet/stylesheet';

export interface VisitorOptions {
  readonly id: string;
  /** Key of the theme that dresses it. */
  readonly theme?: string;
  /** The table with its hidden columns, for visitors who ask for them. */
  readonly whole?: Element;
}

/**
 * A framed table with what visitors use around it, as the markup contract says (docs/markup.md). Nothing of that is
 * shown before the runtime is there: without script the whole table is, and no dead control.
 */
export function visitedTable(framed: Element, table: Table, visitor: Visitor, { id, theme, whole }: VisitorOptions): Element {
  const { language, pageRows, address } = visitor;
  const { search, empty, pages, filter, ...said } = wordingOf(visitor);
  const inLanguage = { lang: language, dir: isRightToLeft(language) ? 'rtl' : undefined, hidden: '' };
  const can = (['sort', 'search', 'filter', 'info', 'choose', 'rowLink', 'totals'] as const).filter((what) => visitor[what]);
  const bars = [
    ...(visitor.search
      ? [
          element(
            'div',
            { class: contract.search, ...inLanguage },
            element('label', {}, `${search} `, element('input', { type: 'search', autocomplete: 'off' })),
          ),
        ]
      : []),
    ...(visitor.filter
      ? [element('div', { class: contract.search, ...inLanguage }, element('details', { 'data-filters': '' }, element('summary', {}, filter)))]
      : []),
    ...(whole
      ? [
          element(
            'div',
            { class: contract.search, ...inLanguage },
            element('button', { type: 'button', 'data-columns': '' }, said.more),
            element('template', {}, whole),
          ),
        ]
      : []),
    element('div', { class: visitor.info ? contract.info : contract.about, role: 'status', ...inLanguage }),
  ];
  return element(
    'div',
    {
      id,
      class:
        theme === undefined ? undefined : [contract.around(theme), ...(table.css ? [`${contract.own(shortHash(table.css))}-around`] : [])].join(' '),
      'data-visitor': can.join(' '),
      'data-rows': pageRows > 0 ? pageRows : undefined,
      'data-sizes': pageRows > 0 && visitor.sizes ? '' : undefined,
      'data-first': firstOf(table, visitor),
      'data-address': address ? '' : undefined,
      'data-language': table.language === '' ? 'en' : table.language,
      'data-letters': lettersOf(table.language) || undefined,
      'data-words': JSON.stringify(said),
    },
    ...bars,
    framed,
    element('div', { class: contract.empty, ...inLanguage }, empty),
    ...(pageRows > 0 ? [element('nav', { class: contract.pager, 'aria-label': pages, ...inLanguage })] : []),
  );
}

/** The column that rows are sorted by at first, counted from 1 among those that are shown, and the direction. */
function firstOf(table: Table, { first }: Visitor): string | undefined {
  if (!first) return undefined;
  const named = first.name === '' ? -1 : columnNames(table).indexOf(first.name);
  const column = named < 0 ? first.column : named;
  if (table.columns[column]?.hidden !== false) return undefined;
  return `${table.columns.slice(0, column + 1).filter(({ hidden }) => !hidden).length},${first.direction}`;
}

/**
 * A theme with an icon of its own in the sorted header has that in place of the arrow; it stands on its head where the
 * rows are sorted downwards. It may stand above its text, so that a
 * table that fits still does once it is sorted.
 */
export function sortIconRules(view: ThemeView, key: string): readonly CssNode[] {
  const { value } = winnerAt(view, { part: 'column-headers', conditions: ['sorted'] }, 'icon');
  if (value.css === 'none') return [];
  const own = `.${contract.theme(key)}>thead>tr>[aria-sort`;
  return [
    rule(`${own}]>.${contract.sort}::after`, ['content', 'none']),
    rule(`${own}=descending]::before,${own}=descending]::after`, ['rotate', '180deg']),
  ];
}

/** A header cell whose focus has a line of the theme's has no second one around its words. */
export function sortFocusRules(view: ThemeView, key: string): readonly CssNode[] {
  const { value } = winnerAt(view, { part: 'column-headers', conditions: ['focused'] }, 'outline');
  return value.css === 'revert' ? [] : [rule(`.${contract.theme(key)}>thead>tr>*>.${contract.sort}:focus-visible`, ['outline', 'none'])];
}

/** What a site has of these names outside of our boxes is its own. */
const WITHIN = `:where(.${contract.box})`;
/** What the runtime's controls need beside a theme: they look like what they stand in, can be hit, and say where they point. */
export const visitorRules: readonly CssNode[] = [
  // WCAG 2.2, 2.5.8: a target is at least 24 px wide and high; 44 where a finger points (2.5.5).
  rule(
    `.${contract.sort}`,
    ['all', 'unset'],
    ['cursor', 'pointer'],
    ['display', 'inline-flex'],
    ['align-items', 'center'],
    ['min-width', '24px'],
    ['min-height', '24px'],
  ),
  // All of a header cell sorts, and not its words alone.
  rule(`${WITHIN} [${contract.sorts}]`, ['position', 'relative']),
  rule(`.${contract.sort}::before`, ['content', '""'], ['position', 'absolute'], ['inset', '0']),
  rule(`.${contract.sort}:focus-visible`, ['outline', '2px solid'], ['outline-offset', '2px']),
  // The arrow is for the eye; aria-sort says the same.
  rule(`[aria-sort=ascending]>.${contract.sort}::after`, ['content', '"\\a0↑"/""']),
  rule(`[aria-sort=descending]>.${contract.sort}::after`, ['content', '"\\a0↓"/""']),
  rule(`${WITHIN} [data-filters]>summary`, ['min-height', '24px']),
  rule(`${WITHIN} [data-filters]>div`, ['display', 'flex'], ['flex-wrap', 'wrap'], ['gap', '.5em 1em'], ['padding-block', '.5em']),
  rule(`${WITHIN} [data-filters] label`, ['display', 'grid']),
  rule(`${WITHIN} [data-filters] input`, ['box-sizing', 'border-box'], ['max-width', '11em'], ['min-height', '2em']),
  // In the system's own colours, since a list that drops down takes them from its field.
  rule(
    `${WITHIN} [data-filters] :is(select,button),${WITHIN} [data-columns],.${contract.pager} select`,
    ['font', 'inherit'],
    ['color', 'CanvasText'],
    ['background', 'Canvas'],
    ['border', '1px solid'],
    ['padding', '.25em .5em'],
    ['min-height', '2em'],
    ['box-sizing', 'border-box'],
  ),
  rule(
    `.${contract.choose}`,
    ['margin', '0 .6em 0 0'],
    ['width', '1.15em'],
    ['height', '1.15em'],
    ['min-width', '16px'],
    ['vertical-align', '-.15em'],
  ),
  rule(`${WITHIN} [data-visitor~=rowLink] tbody>tr:has(a)`, ['cursor', 'pointer']),
  rule(`${WITHIN} [data-filters] button`, ['align-self', 'end']),
  rule(`${WITHIN} [data-filters] button,${WITHIN} [data-columns]`, ['cursor', 'pointer']),
  rule(`.${contract.pager}:not([hidden])`, ['display', 'flex'], ['flex-wrap', 'wrap'], ['gap', '.25em']),
  rule(`.${contract.pager}>button`, ['min-width', '24px'], ['min-height', '24px']),
  {
    kind: 'media',
    query: '(pointer:coarse)',
    rules: [rule(`.${contract.pager}>button,.${contract.sort}`, ['min-width', '44px'], ['min-height', '44px'])],
  },
];
