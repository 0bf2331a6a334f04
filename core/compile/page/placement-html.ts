import { placementCss, tableRef, tablesOn, themeRef, type TableBlock } from '../../page';
import type { Table } from '../../table';
import type { ThemeView } from '../../theme';
import { leavesOut, stacks, turns } from '../rules/arrangement-rules';
import { headerFrameRules } from '../rules/header-rules';
import { labelRules } from '../markup/labels';
import { element, type Element, type MarkupNode } from '../markup/markup';
import type { PageInput, PageOptions } from './page-input';
import { contract } from '../markup/contract';
import { rule, type CssNode } from '../sheet/stylesheet';
import { boxed, framedTable, tableElement, tableRules, type TableHtmlOptions } from '../markup/table-html';
import { visitedTable } from '../markup/visitor-html';

/** The box around a placement, which has the room around it. Placements are numbered by their place on the page, from 1. */
export const boxId = (at: string): string => `box-${at}`;

/** Rules for one placement alone: its room, its table's width, its columns'. */
export function placementRules(at: string, block: TableBlock, placed: Table | undefined, view: ThemeView | undefined): readonly CssNode[] {
  const { box, table } = placementCss(block);
  const selector = `#place-${at}`;
  // What visitors use stands around the frame, and within the room that the placement has.
  const within = block.visitor === null ? selector : `${selector}>.${contract.frame}`;
  return [
    rule(`#${boxId(at)}`, ...box),
    ...(block.visitor?.header === true ? headerFrameRules(within) : []),
    ...(table.length > 0 ? [rule(`${within}>table`, ...table)] : []),
    ...(placed ? tableRules(placed, `${within}>table`) : []),
    ...(placed && view ? labelRules(view, placed, within) : []),
  ];
}

/** A placed table as it stands on its page; a sentence in its place where it is gone. */
export function placementNodes(block: TableBlock, at: string, input: PageInput, page: PageOptions): readonly MarkupNode[] {
  const { tables, themes } = input;
  const table = tables.get(tableRef(block));
  if (!table) return [element('p', {}, 'The table that stood here is gone.')];
  const id = `place-${at}`;
  const dress = themes.get(themeRef(block));
  const theme = dress?.key;
  const { visitor } = block;
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
    labelled: page.lasting === true || (dress !== undefined && stacks(dress.view)),
    named: true,
    turned: visitor === null && dress !== undefined && turns(dress.view),
    fewer: dress !== undefined && leavesOut(dress.view),
  };
  const framed = framedTable(table, options);
  const alone = (box: Element): readonly Element[] => [block.isolated ? isolated(box, page) : box];
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
