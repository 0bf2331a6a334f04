import { parseColour, toHex } from '../../colour';
import {
  dressed,
  everyBlock,
  featuresOn,
  isBleed,
  showsComparison,
  swatchOf,
  tableRef,
  tablesOn,
  themeRef,
  wordingOf,
  type TableBlock,
} from '../../page';
import { spokenIn } from '../../languages';
import type { ModeName } from '../../theme';
import { gridOf, shownText, textOf as textOfCell } from '../../table';
import { besideIn } from '../sheet/beside';
import { blockNodes, blockRules } from './block-html';
import { fontRules } from '../sheet/font-rules';
import { frameRules, isolatedRules, printRules } from '../sheet/frame';
import { element, type MarkupNode } from '../markup/markup';
import { isLaidOver } from '../rules/paper-rules';
import { wornBy, type CompiledPage, type PageInput, type PageOptions, type Placed } from './page-input';
import { withNamedMarks } from '../markup/named-marks';
import { textLooksIn } from '../markup/text-looks';
import { pageTextRules } from '../rules/beside/text-look-rules';
import { cardFrameRules, choiceRules } from '../cards';
import { choosingOf, placedCards, planAccents, pricingOf, withChoices } from './plans-html';
import { boxId, placementNodes, placementRules } from './placement-html';
import { inModes } from '../sheet/when/by-mode';
import { exclusive } from '../sheet/when/exclusive';
import { sheetOf, type SheetFor } from '../sheet/sheet';
import { rule, type Stylesheet } from '../sheet/stylesheet';
import { visitorRules } from '../markup/visitor-html';

/** A page as a document: what stands on it, the tables in their themes, and one stylesheet for all of it. */
export function compilePage(given: PageInput, options: PageOptions): CompiledPage {
  const input = { ...given, page: dressed(given.page, given.site), tables: withChoices(given) };
  const { page } = input;
  const places = new Map(everyBlock(page.blocks).map(({ id }, at) => [id, at + 1]));
  const placeOf = ({ id }: { readonly id: string }): string => `${options.mark ?? ''}${places.get(id) ?? 0}`;
  const tables = tablesOn(page);
  const themeSheets = themesIn(input);
  const features = featuresOn(page);
  const shownAsCards = tables.some((block) => pricingOf(block, input));
  const switched = tables.flatMap((block) => pricingOf(block, input) ?? choosingOf(block, input) ?? []);
  const blocks = page.blocks.flatMap((block) =>
    blockNodes(block, { placeOf, placement: (table) => placementNodes(table, placeOf(table), input, options) }),
  );
  const css: Stylesheet = [
    ...fontRules(themeSheets, textOf(input)),
    ...(tables.some(({ isolated }) => isolated) ? isolatedRules : []),
    // A long word or a bare address breaks, so that the page does not scroll sideways on a phone. In tables, fit sees to that; elsewhere,
    // what stands around a placement is the other page's own.
    ...(options.mark === undefined ? [rule(':is(#masthead,#content) :is(h1,h2,h3,h4,h5,h6,p,figcaption)', ['overflow-wrap', 'break-word'])] : []),
    // The page is what a placement from edge to edge is measured by.
    ...(tables.some(isBleed) ? [rule('html', ['container-type', 'inline-size'])] : []),
    ...(page.wide ? [rule('body.zp-wide,body.zp-wide>#content', ['max-width', 'none'])] : []),
    ...blockSheet(input, placeOf),
    ...frameRules,
    ...(shownAsCards ? cardFrameRules : []),
    ...(switched.length > 0 ? choiceRules(switched) : []),
    ...(features ? visitorRules : []),
    ...themeSheets,
    ...tables.flatMap((block) => [
      ...placementRules(placeOf(block), block, input.tables.get(tableRef(block)), wornBy(block, input)?.view, pricingOf(block, input)),
      ...planAccents(`place-${placeOf(block)}`, block, input, themeSheets),
    ]),
    ...(tables.length > 0 ? printRules(tables.some(({ visitor }) => visitor !== null)) : []),
  ];
  const html = element(
    'html',
    page.language === undefined ? { lang: options.lang ?? 'en' } : spokenIn(page.language),
    element(
      'head',
      {},
      element('meta', { charset: 'utf-8' }),
      element('meta', { name: 'viewport', content: 'width=device-width, initial-scale=1' }),
      element('title', {}, page.title ?? `${page.name} · ${options.siteName}`),
      ...(page.description === undefined ? [] : [element('meta', { name: 'description', content: page.description })]),
      ...(options.house === undefined ? [] : [element('link', { rel: 'stylesheet', href: options.house })]),
      element('link', { rel: 'stylesheet', href: options.stylesheet }),
      // Before anything is painted: the bars that it shows would push down what stands below them.
      ...(options.frames !== undefined && tables.length > 0 ? [element('script', { src: options.frames, defer: '' })] : []),
      ...(options.sheets !== undefined && tables.some((block) => isLaid(block, input))
        ? [element('script', { src: options.sheets, defer: '' })]
        : []),
      ...(options.plans !== undefined && switched.length > 0 ? [element('script', { src: options.plans, defer: '' })] : []),
      ...(options.runtime !== undefined && features ? [element('script', { src: options.runtime(features), defer: '', blocking: 'render' })] : []),
    ),
    element(
      'body',
      { class: page.wide ? 'zp-wide' : undefined },
      element('header', { id: 'masthead' }, element('p', {}, options.siteName), ...menuOf(input)),
      element('main', { id: 'content' }, element('div', { class: 'entry' }, element('h1', {}, page.name), ...blocks)),
    ),
  );
  return {
    html: options.lasting ? html : withNamedMarks(html, css),
    placed: tables.flatMap((block): readonly Placed[] => {
      const table = input.tables.get(tableRef(block));
      const at = placeOf(block);
      const theme = wornBy(block, input)?.key;
      return table ? [{ block: block.id, box: boxId(at), name: table.name, theme, isolated: block.isolated === true }] : [];
    }),
    css,
  };
}

const isLaid = (block: TableBlock, input: PageInput): boolean => {
  const worn = wornBy(block, input);
  return worn !== undefined && isLaidOver(worn.view);
};

/** The rules of what stands beside the tables. Where the page goes with dark, so do colours that are swatches of its themes; paper is bright. */
function blockSheet(input: PageInput, placeOf: (block: { readonly id: string }) => string): Stylesheet {
  const texts = [...textLooksIn(everyBlock(input.page.blocks).map((block) => (block.kind === 'text' ? block.text : undefined))).values()];
  const rulesIn = (mode: ModeName | ''): Stylesheet => {
    const colourOf = colourOn(input, mode);
    return [...input.page.blocks.flatMap((block) => blockRules(block, { placeOf, colourOf })), ...pageTextRules(texts, colourOf)];
  };
  const scheme = input.page.scheme ?? input.scheme ?? 'light';
  if (scheme === 'light') return rulesIn('');
  const always = ([member = 0]: readonly number[], rules: Stylesheet): Stylesheet => [
    { kind: 'media', query: ['print', 'screen'][member] ?? 'all', rules },
  ];
  return exclusive([rulesIn(''), rulesIn('dark')], scheme === 'dark' ? always : inModes(['dark'], input.mark));
}

/** What a colour of a block comes to in a mode. A swatch is looked for in the page's themes, by their ids, at whichever edition they stand. */
function colourOn({ page, themes }: PageInput, mode: ModeName | ''): (text: string) => string | undefined {
  const placed = [...new Set(tablesOn(page).map(themeRef))];
  return (text) => {
    const named = swatchOf(text);
    if (!named) {
      const colour = parseColour(text);
      return colour && toHex(colour);
    }
    const ref = placed.find((each) => each === named.theme) ?? placed.find((each) => each.startsWith(`${named.theme}@`));
    const found = themes.get(ref ?? '');
    const read = found?.view.in(mode).colours.get(named.swatch);
    return read?.ok ? toHex(read.value) : undefined;
  };
}

/** The stylesheets of a page's themes, each once. */
function themesIn(input: PageInput): Stylesheet {
  const placed = tablesOn(input.page).flatMap((block) => {
    const worn = wornBy(block, input);
    return worn ? [{ block, worn }] : [];
  });
  return [...new Set(placed.map(({ worn }) => worn.key))].flatMap((key) => {
    const wearing = placed.filter(({ worn }) => worn.key === key);
    const [first] = wearing;
    if (!first) return [];
    const { view, scheme } = first.worn;
    const blocks = wearing.map(({ block }) => block);
    const dressedIn = blocks.flatMap((block) => input.tables.get(tableRef(block)) ?? []);
    return sheetOf(view, {
      use: 'page',
      key,
      scheme,
      ...(input.mark === undefined ? {} : { mark: input.mark }),
      beside: { ...besideIn(view, dressedIn), site: input.extra ?? '' },
      around: blocks.some(({ visitor }) => visitor !== null),
      pinned: dressedIn.some(({ pinned }) => pinned),
      header: blocks.some(({ visitor }) => visitor?.header === true),
      ...cardsAmong(blocks, input),
    });
  });
}

/** Whether cards wear a theme on these placements, and whether nothing else does. */
function cardsAmong(blocks: readonly TableBlock[], input: PageInput): Pick<SheetFor, 'cards'> {
  if (!blocks.some((block) => pricingOf(block, input))) return blocks.some((block) => choosingOf(block, input)) ? { cards: 'switches' } : {};
  return { cards: blocks.some((block) => !pricingOf(block, input) || showsComparison(block.plans)) ? 'too' : 'alone' };
}

/** The site's menu, where there is one; not called as the pager of a table is, which is a landmark too. */
function menuOf({ menu = [] }: PageInput): readonly MarkupNode[] {
  if (menu.length === 0) return [];
  const links = menu.map(({ name, href, isHere }) => element('li', {}, element('a', { href, 'aria-current': isHere ? 'page' : undefined }, name)));
  return [element('nav', { 'aria-label': 'Site' }, element('ul', {}, ...links))];
}

const textIn = (node: MarkupNode): string => (typeof node === 'string' ? node : node.children.map(textIn).join(''));
/** What a placement's cards say beside what its comparison says. */
function textOfCards(block: TableBlock, input: PageInput): string {
  const pricing = pricingOf(block, input);
  return pricing ? placedCards(block, input, pricing, '', undefined).map(textIn).join('') : '';
}

/** Every text that the page's tables and what stands around them show, for the letters that its fonts need. */
function textOf(input: PageInput): string {
  const { page, tables } = input;
  return tablesOn(page)
    .flatMap((block) => {
      const table = tables.get(tableRef(block));
      if (!table) return [];
      const labels = block.visitor ? Object.values(wordingOf(block.visitor)) : [];
      const isAsTyped = table.columns.every(({ format, total }) => format === null && total === '');
      const typed = table.rows.flatMap((cells) => cells.map(textOfCell));
      return [
        table.caption,
        ...typed,
        ...(isAsTyped ? [] : gridOf(table).rows.flatMap((row) => row.map((cell) => shownText(table, cell)))),
        ...labels,
        textOfCards(block, input),
      ];
    })
    .join('');
}
