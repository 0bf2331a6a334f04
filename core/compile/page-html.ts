import { dressed, isBleed, placementCss, tableRef, themeRef, wordingOf, type Block, type Dress, type Page } from '../page';
import { gridOf, shownText, turnedTable, textOf as textOfCell, type Table } from '../table';
import type { Theme } from '../theme';
import { element, textWithBreaks, type Element, type MarkupNode } from './markup';
import { arrangementRules, leavesOut, stacks, turns } from './arrangement-rules';
import { besideOf } from './beside';
import { byWidth } from './by-width';
import { frameRules, isolatedRules } from './frame';
import { fontRules } from './font-rules';
import { headerFrameRules, headerRules } from './header-rules';
import { pinnedRules } from './pinned-rules';
import { contract } from './selectors';
import { rule, type CssNode, type Stylesheet } from './stylesheet';
import { boxed, framedTable, tableElement, tableRules, type TableHtmlOptions } from './table-html';
import { themeCss } from './theme-css';
import { sortIconRules, visitedTable, visitorRules } from './visitor-html';

/** What a page needs beside itself. Tables and themes by what placements name (`tableRef`, `themeRef`); a key names a class. */
export interface PageInput {
  readonly page: Page;
  /** What reaches the whole site from a placement on another page. */
  readonly site?: Dress;
  readonly tables: ReadonlyMap<string, Table>;
  readonly themes: ReadonlyMap<string, { readonly key: string; readonly theme: Theme }>;
}

/** The key of a theme that is held at an edition, so that it can stand beside others of the same theme. */
export const heldKey = (key: string, edition: number): string => `${key}-e${edition}`;

export interface PageOptions {
  /** Address of the stylesheet, as the page links to it. */
  readonly stylesheet: string;
  /** Address of the site's house stylesheet, which comes before it; none leaves it out. */
  readonly house?: string;
  /** Address of the runtime, for pages on which visitors can do something; none leaves it out. */
  readonly runtime?: string;
  readonly siteName: string;
  readonly lang?: string;
  /** For previews, which make shadow roots themselves: templates say so by `data-root` and not to the browser. */
  readonly rooted?: boolean;
}

/** A table as it stands on a page. */
export interface Placed {
  /** Its block's place on the page, from 0, and the id of the box around it. */
  readonly at: number;
  readonly box: string;
  readonly name: string;
  /** The key of the theme that dresses it; undefined where there is none. */
  readonly theme: string | undefined;
  /** Whether the page's own stylesheets do not reach it. */
  readonly isolated: boolean;
}

/** Markup and stylesheet of a page. What it refers to and cannot be found is left out with a sentence in its place. */
export interface CompiledPage {
  readonly html: Element;
  readonly css: Stylesheet;
  readonly placed: readonly Placed[];
}

export function compilePage(given: PageInput, options: PageOptions): CompiledPage {
  const input = { ...given, page: dressed(given.page, given.site) };
  const { page, themes } = input;
  const used = [...new Set(page.blocks.flatMap((block) => (block.kind === 'table' ? [themeRef(block)] : [])))];
  const themeSheets = used.flatMap((id) => {
    const found = themes.get(id);
    if (!found) return [];
    const isPinned = page.blocks.some((block) => block.kind === 'table' && themeRef(block) === id && input.tables.get(tableRef(block))?.pinned === true);
    const dressed = page.blocks.flatMap((block) => (block.kind === 'table' && themeRef(block) === id ? [input.tables.get(tableRef(block))] : []));
    const placed = dressed.filter((table) => table !== undefined);
    // What stands turned beside a table has its looks the other way round.
    const beside = besideOf([...placed, ...(turns(found.theme) ? placed.flatMap((table) => turnedTable(table) ?? []) : [])]);
    const keepsHeader = page.blocks.some((block) => block.kind === 'table' && themeRef(block) === id && block.visitor?.header === true);
    const around = page.blocks.some((block) => block.kind === 'table' && themeRef(block) === id && block.visitor !== null);
    return byWidth(found.theme, (theme) => [
      ...themeCss(theme, { key: found.key, lean: true, around, beside }),
      ...(around ? sortIconRules(theme, found.key) : []),
      ...(keepsHeader ? headerRules(theme, found.key) : []),
      ...(isPinned ? pinnedRules(theme, found.key, beside.exceptions) : []),
      ...arrangementRules(theme, found.key, beside.exceptions),
    ]);
  });
  const isVisited = page.blocks.some((block) => block.kind === 'table' && block.visitor !== null);
  const placements = page.blocks.flatMap((block, i) => (block.kind === 'table' ? placementRules(i + 1, block, input.tables.get(tableRef(block))) : []));
  return {
    html: element(
      'html',
      { lang: options.lang ?? 'en' },
      element(
        'head',
        {},
        element('meta', { charset: 'utf-8' }),
        element('meta', { name: 'viewport', content: 'width=device-width, initial-scale=1' }),
        element('title', {}, `${page.name} · ${options.siteName}`),
        ...(options.house === undefined ? [] : [element('link', { rel: 'stylesheet', href: options.house })]),
        element('link', { rel: 'stylesheet', href: options.stylesheet }),
        ...(options.runtime !== undefined && isVisited ? [element('script', { src: options.runtime, defer: '' })] : []),
      ),
      element(
        'body',
        {},
        element('header', { id: 'masthead' }, element('p', {}, options.siteName)),
        element(
          'main',
          { id: 'content' },
          element(
            'div',
            { class: 'entry' },
            element('h1', {}, page.name),
            ...page.blocks.flatMap((block, i) => blockNodes(block, i, input, options)),
          ),
        ),
      ),
    ),
    placed: page.blocks.flatMap((block, at): readonly Placed[] => {
      const table = block.kind === 'table' ? input.tables.get(tableRef(block)) : undefined;
      return block.kind === 'table' && table
        ? [{ at, box: boxId(at + 1), name: table.name, theme: themes.get(themeRef(block))?.key, isolated: block.isolated === true }]
        : [];
    }),
    css: [
      ...fontRules(themeSheets, textOf(input)),
      ...(page.blocks.some((block) => block.kind === 'table' && block.isolated) ? isolatedRules : []),
      // The page is what a placement from edge to edge is measured by.
      ...(page.blocks.some((block) => block.kind === 'table' && isBleed(block)) ? [rule('html', ['container-type', 'inline-size'])] : []),
      ...frameRules,
      ...(isVisited ? visitorRules : []),
      ...themeSheets,
      ...placements,
    ],
  };
}

/** Every text that the page's tables and what stands around them show, for the letters that its fonts need. */
function textOf({ page, tables }: PageInput): string {
  return page.blocks
    .flatMap((block) => {
      const table = block.kind === 'table' ? tables.get(tableRef(block)) : undefined;
      if (block.kind !== 'table' || !table) return [];
      const labels = block.visitor ? Object.values(wordingOf(block.visitor)) : [];
      const isAsTyped = table.columns.every(({ format, total }) => format === null && total === '');
      const typed = table.rows.flatMap((cells) => cells.map(textOfCell));
      return [
        table.caption,
        ...typed,
        ...(isAsTyped ? [] : gridOf(table).rows.flatMap((row) => row.map((cell) => shownText(table, cell)))),
        ...labels,
      ];
    })
    .join('');
}

function placementRules(at: number, block: Extract<Block, { kind: 'table' }>, placed: Table | undefined): readonly CssNode[] {
  const { box, table } = placementCss(block);
  const selector = `#place-${at}`;
  // What visitors use stands around the frame, and within the room that the placement has.
  const within = block.visitor === null ? selector : `${selector}>.${contract.frame}`;
  return [
    rule(`#${boxId(at)}`, ...box),
    ...(block.visitor?.header === true ? headerFrameRules(within) : []),
    ...(table.length > 0 ? [rule(`${within}>table`, ...table)] : []),
    ...(placed ? tableRules(placed, `${within}>table`) : []),
  ];
}

/** The box around a placement, which has the room around it. */
const boxId = (at: number): string => `box-${at}`;

function blockNodes(block: Block, index: number, { tables, themes }: PageInput, page: PageOptions): readonly MarkupNode[] {
  if (block.kind === 'heading') return [element(`h${block.level}`, {}, block.text)];
  if (block.kind === 'text')
    return block.text
      .split(/\n\s*\n/)
      .filter((text) => text.trim() !== '')
      .map((text) => element('p', {}, ...textWithBreaks(text.trim())));
  const table = tables.get(tableRef(block));
  if (!table) return [element('p', {}, 'The table that stood here is gone.')];
  const id = `place-${index + 1}`;
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
    labelled: dress !== undefined && stacks(dress.theme),
    turned: visitor === null && dress !== undefined && turns(dress.theme),
    fewer: dress !== undefined && leavesOut(dress.theme),
  };
  const framed = framedTable(table, options);
  const alone = (box: Element): readonly Element[] => [block.isolated ? isolated(box, page) : box];
  if (visitor !== null) {
    const isMore = visitor.columns && table.columns.some(({ hidden }) => hidden);
    const whole = isMore ? tableElement(table, { ...options, described: true, whole: true }) : undefined;
    return alone(boxed(visitedTable(framed, table, visitor, { id, theme, whole }), boxId(index + 1)));
  }
  return alone(boxed({ ...framed, attributes: { ...framed.attributes, id, class: contract.frame } }, boxId(index + 1)));
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
      { shadowrootmode: 'open' },
      element('link', { rel: 'stylesheet', href: stylesheet }),
      element('div', { class: contract.alone }, box),
    ),
  );
