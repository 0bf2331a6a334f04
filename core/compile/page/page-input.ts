import { schemeOf, themeRef, type Dress, type Page, type Scheme, type TableBlock, type VisitorFeature } from '../../page';
import type { Pricing } from '../../pricing';
import type { Table } from '../../table';
import type { ThemeView } from '../../theme';
import type { Element } from '../markup/markup';
import type { Stylesheet } from '../sheet/stylesheet';

/** What a page needs beside itself. Tables and themes by what placements name (`tableRef`, `themeRef`); a key names a class. */
export interface PageInput {
  readonly page: Page;
  /** The site's menu, in its order. */
  readonly menu?: readonly MenuItem[];
  /** What reaches the whole site from a placement on another page. */
  readonly site?: Dress;
  /** How the site's tables go with dark, where neither they nor their page say so; without it they are bright. */
  readonly scheme?: Scheme;
  /** The class or attribute by which the site is dark; without it, it is as the visitor has it. */
  readonly mark?: string;
  /** Extra CSS for every table of the site. */
  readonly extra?: string;
  readonly tables: ReadonlyMap<string, Table>;
  /** The pricing tables among them, by the same names, for placements that show their plans as cards, or let visitors choose period and currency. */
  readonly pricings?: ReadonlyMap<string, Pricing>;
  readonly themes: ReadonlyMap<string, KeyedView>;
}

/** A theme as something is dressed in it, under the key that names its class. */
export interface KeyedView {
  readonly key: string;
  readonly view: ThemeView;
}

/** A theme as a placement wears it: under a class of its own where it goes with dark, so that it can stand beside others of the same theme. */
export interface Worn extends KeyedView {
  readonly scheme: Scheme;
}

/** What a placement wears; undefined for nothing. A theme that has no dark is bright in any case. */
export function wornBy(block: TableBlock, { page, themes, scheme: site }: Pick<PageInput, 'page' | 'themes' | 'scheme'>): Worn | undefined {
  const found = themes.get(themeRef(block));
  if (!found) return undefined;
  const scheme = found.view.modes.includes('dark') ? schemeOf(block, page, site) : 'light';
  return scheme === 'light' ? { ...found, scheme } : { view: found.view, key: `${found.key}-${scheme}`, scheme };
}

/** A page that the site's menu leads to. */
export interface MenuItem {
  readonly name: string;
  readonly href: string;
  readonly isHere: boolean;
}

/** The key of a theme that is held at an edition, so that it can stand beside others of the same theme. */
export const heldKey = (key: string, edition: number): string => `${key}-e${edition}`;

export interface PageOptions {
  /** Address of the stylesheet, as the page links to it. */
  readonly stylesheet: string;
  /** Address of the site's house stylesheet, which comes before it; none leaves it out. */
  readonly house?: string;
  /** Address of the runtime with the features that a page has, for pages on which visitors can do something; none leaves it out. */
  readonly runtime?: (features: readonly VisitorFeature[]) => string;
  /** Address of the script that pages with tables have, for which frames are stops of the Tab key; none leaves it out. */
  readonly frames?: string;
  /** Address of the script by which tables are laid over several sheets of paper, for pages with a theme that asks for it; none leaves it out. */
  readonly sheets?: string;
  /** Address of the script by which what visitors choose of plans stands in the address, for pages with cards of plans; none leaves it out. */
  readonly plans?: string;
  readonly siteName: string;
  readonly lang?: string;
  /** For previews, which make shadow roots themselves: templates say so by `data-root` and not to the browser. */
  readonly rooted?: boolean;
  /** For markup that stays when its stylesheet changes: it has every mark that a theme may come to look for. */
  readonly lasting?: boolean;
  /** What ids begin their numbers with, where a placement stands on a page of others. */
  readonly mark?: string;
}

/** A table as it stands on a page. */
export interface Placed {
  /** Its block's id, and the id of the box around it. */
  readonly block: string;
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
