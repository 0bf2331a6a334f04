import { placementCss, readWidth, roomsOf, showsComparison, tableRef, tablesOn, type TableBlock } from '../../page';
import type { Pricing } from '../../pricing';
import type { Table } from '../../table';
import { everyLook, propertyOf, type ThemeView } from '../../theme';
import { askedBy } from '../markup/asked-by';
import { leavesOut } from '../rules/arrangement-rules';
import { surelyFits } from '../../fit';
import { headerFrameRules, headerPageRules } from '../rules/header-rules';
import { isLaidOver, roomOnSheet, smallerOnPaper } from '../rules/paper-rules';
import { labelRules } from '../markup/labels';
import { element, type Element, type MarkupNode } from '../markup/markup';
import { choosingOf, placedCards, placedSwitches, planRules, pricingOf } from './plans-html';
import { wornBy, type PageInput, type PageOptions } from './page-input';
import { contract } from '../markup/contract';
import { rule, type CssNode } from '../sheet/stylesheet';
import { tableRules } from '../markup/columns-html';
import { boxed, framedTable, tableElement, type TableHtmlOptions } from '../markup/table-html';
import { visitedTable } from '../markup/visitor-html';

/** The box around a placement, which has the room around it. Placements are numbered by their place on the page, from 1. */
export const boxId = (at: string): string => `box-${at}`;

/** Rules for one placement alone: its room, its table's width, its columns'. */
export function placementRules(
  at: string,
  block: TableBlock,
  shown: Table | undefined,
  view: ThemeView | undefined,
  pricing?: Pricing,
): readonly CssNode[] {
  // Where there are cards alone, no rule is for a table.
  const placed = pricing && !showsComparison(block.plans) ? undefined : shown;
  const { box, table } = placementCss(block, view !== undefined && saysWhereItSits(view));
  const selector = `#place-${at}`;
  // What visitors use stands around the frame, and within the room that the placement has.
  const within = block.visitor === null ? selector : `${selector}>.${contract.frame}`;
  return [
    rule(`#${boxId(at)}`, ...box),
    ...roomsOf(block).map(({ upTo, margin }): CssNode => ({
      kind: 'media',
      query: `(width<=${upTo}px)`,
      rules: [rule(`#${boxId(at)}`, margin)],
    })),
    ...(block.visitor?.header === true ? headerFrameRules(within, block.visitor.headerHeight) : []),
    ...(placed && view ? wholeFrameRules(within, block, placed, view) : []),
    ...(table.length > 0 ? [rule(`${within}>table`, ...table)] : []),
    ...(placed ? tableRules(placed, `${within}>table`) : []),
    ...(placed && view ? labelRules(view, placed, within) : []),
    ...(placed && view ? smallerOnPaper(within, placed, view, ownWidth(block)) : []),
    ...(pricing ? planRules(`place-${at}`, block, pricing) : []),
  ];
}

/** Whether a theme says anywhere where its tables sit. */
const saysWhereItSits = (view: ThemeView): boolean =>
  everyLook(view).some((each) => each.valueAt({ part: 'table', condition: 'rest' }, propertyOf('sits')) !== undefined);

/**
 * Where a table surely fits, its frame scrolls nothing and so cuts nothing off: a shadow is whole, and a header can stay in view of the
 * page. A frame of some height scrolls downwards in any case.
 */
function wholeFrameRules(frame: string, block: TableBlock, placed: Table, view: ThemeView): readonly CssNode[] {
  const { visitor } = block;
  const isInPage = visitor?.header === true && visitor.headerIn === 'page';
  if (visitor?.header === true && !isInPage) return [];
  const own = ownWidth(block);
  const table = visitor?.columns === true ? { ...placed, columns: placed.columns.map((column) => ({ ...column, hidden: false })) } : placed;
  const rules = [rule(frame, ['overflow', 'visible']), ...(isInPage ? headerPageRules(frame, visitor.headerBelow ?? 0) : [])];
  // A tick box in the first column, a sign for the order in a header cell, a button that opens what gave way.
  const more = (visitor?.choose === true ? 30 : 0) + (visitor?.sort === true ? 24 : 0) + (leavesOut(view) ? 40 : 0);
  return surelyFits(view, table, { own, more }).flatMap(({ from, to, least }): readonly CssNode[] => {
    // Letters may be larger in the page, and larger yet for who reads it; a container's own units tell (CSS Containment 3, section 4).
    const start = least === 0 ? (from === 0 ? '' : `${from}px`) : `max(${Math.max(from, least)}px,${least / 16}em,${least / 16}rem)`;
    const query = [start && `(width>=${start})`, to === undefined ? '' : `(width<=${to}px)`].filter(Boolean).join(' and ');
    if (query === '') return rules;
    return [{ kind: 'container', query: `${contract.container} ${query}`, rules }];
  });
}

/** The width that a placement asks for its table, in px; 0 where it asks for none. */
function ownWidth({ width }: TableBlock): number {
  const asked = readWidth(width);
  return asked.ok ? widthInPx(asked.value) : 0;
}

/** A width that was asked for in px, with an em as large as a page's may be; 0 where it is a share. */
const widthInPx = (css: string): number => {
  const [, amount, unit] = /^([\d.]+)(px|em|rem)$/.exec(css) ?? [];
  return amount === undefined ? 0 : Number(amount) * (unit === 'px' ? 1 : 20);
};

/** A placed table as it stands on its page; a sentence in its place where it is gone. */
export function placementNodes(block: TableBlock, at: string, input: PageInput, page: PageOptions): readonly MarkupNode[] {
  const { tables } = input;
  const table = tables.get(tableRef(block));
  if (!table) return [element('p', {}, 'The table that stood here is gone.')];
  const id = `place-${at}`;
  const dress = wornBy(block, input);
  const theme = dress?.key;
  const pricing = pricingOf(block, input);
  const choosing = choosingOf(block, input);
  const plans = [...(choosing ? placedSwitches(choosing, id, theme) : []), ...(pricing ? placedCards(block, input, pricing, id, theme) : [])];
  const { visitor } = block;
  const asked = askedBy(dress?.view, table);
  const options: TableHtmlOptions = {
    id,
    theme,
    sortable: visitor?.sort === true,
    unsorted: visitor?.unsorted,
    filtered: visitor?.filter === true,
    totals: visitor?.totals === true,
    header: visitor?.header === true,
    bare: block.bare === true,
    nth: nthOf(block, input),
    ...asked,
    labelled: page.lasting === true || asked.labelled,
    named: true,
    turned: visitor === null && asked.turned,
  };
  const plain = framedTable(table, options);
  const sheets = dress && isLaidOver(dress.view) ? String(roomOnSheet(dress.view)) : undefined;
  const framed = sheets === undefined ? plain : { ...plain, attributes: { ...plain.attributes, [contract.sheets]: sheets } };
  const alone = (box: Element): readonly Element[] => {
    const whole = plans.length === 0 ? box : { ...box, children: [...plans, ...(showsComparison(block.plans) ? box.children : [])] };
    return [block.isolated ? isolated(whole, page) : whole];
  };
  if (visitor !== null) {
    const isMore = visitor.columns && table.columns.some(({ hidden }) => hidden);
    const whole = isMore ? tableElement(table, { ...options, described: true, whole: true }) : undefined;
    return alone(boxed(visitedTable(framed, table, visitor, { id, theme, whole }), boxId(at)));
  }
  return alone(boxed({ ...framed, attributes: { ...framed.attributes, id, class: contract.frame } }, boxId(at)));
}

/** The how manieth placement of its page it is whose table is called so. */
function nthOf(block: TableBlock, { page, tables }: PageInput): number {
  const called = (each: TableBlock): string => {
    const table = tables.get(tableRef(each));
    return table?.caption || table?.name || '';
  };
  const placed = tablesOn(page);
  const until = placed.findIndex(({ id }) => id === block.id) + 1;
  return placed.slice(0, until).filter((each) => called(each) === called(block)).length;
}

/**
 * A placement in a shadow root of its own, which comes with the markup and needs no script (HTML Standard, "The template
 * element", shadowrootmode). It brings the page's stylesheet along, since none of the page's own reach it.
 */
const isolated = (box: Element, { stylesheet, rooted }: PageOptions): Element =>
  element(
    contract.host,
    {},
    element(
      'template',
      rooted ? { 'data-root': '' } : { shadowrootmode: 'open' },
      element('link', { rel: 'stylesheet', href: stylesheet }),
      element('div', { class: contract.alone }, box),
    ),
  );
