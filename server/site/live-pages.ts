import { createHash } from 'node:crypto';
import { compilePage, heldKey, type MenuItem, writeCss, writeHtml, type PageInput } from '../../core/compile';
import { cssOf, judge, NOTHING_JUDGED, readHouse, ROWS_TO_JUDGE, settled, type HouseSheet } from '../../core/house';
import { dressed, siteDress, tablesOn, themeRef, type Page, type TableBlock } from '../../core/page';
import { previewOf } from '../../core/table';
import type { Theme } from '../../core/theme';
import { changesOf } from '../changes/changes';
import type { Database } from '../database/database';
import type { HouseStore } from '../house/queries';
import type { PageStore } from '../pages/queries';
import type { ThemeStore } from '../themes/queries';

/** A text that is served, with what names its content. */
export interface Served {
  readonly text: string;
  readonly tag: string;
}
export const served = (text: string): Served => ({ text, tag: createHash('sha256').update(text).digest('base64url').slice(0, 22) });

export interface LivePageFiles {
  readonly html: Served;
  readonly css: Served;
}

export interface LivePagesOptions {
  readonly database: Database;
  readonly pages: PageStore;
  readonly themes: ThemeStore;
  readonly house: HouseStore;
  readonly siteName: string;
  /** Is told of errors. */
  readonly log: (message: string) => void;
}

/** The pages that the site's menu leads to, by name. */
const menuOf = (pages: readonly Page[], here: string): readonly MenuItem[] =>
  pages
    .filter(({ inMenu }) => inMenu)
    .sort((a, b) => a.name.localeCompare(b.name))
    .map(({ name, slug }) => ({ name, href: `/site/${encodeURIComponent(slug)}`, isHere: slug === here }));

/** An address that changes with what stands there, so that it may be kept for good. */
const versioned = (address: string, { tag }: Served): string => `${address}?v=${tag}`;

/**
 * What is live, compiled once and kept until something that pages are made of changes. A page is its newest edition with each
 * placement's theme, newest or held, under the house stylesheet as it is now.
 */
export class LivePages {
  private kept = new Map<string, Promise<LivePageFiles | undefined>>();
  /** Each page as it last could be compiled. */
  private readonly good = new Map<string, LivePageFiles>();
  private houseKept: Promise<{ readonly sheet: HouseSheet | undefined; readonly css: Served }> | undefined;

  constructor(
    private readonly options: LivePagesOptions,
    private readonly runtime: () => Served,
  ) {
    changesOf(options.database).listen(({ kind, what }) => {
      if (what === 'saved') return;
      this.kept = new Map();
      if (kind === 'house') this.houseKept = undefined;
    });
  }

  /** The page at an address, or undefined where none is live. */
  at(slug: string): Promise<LivePageFiles | undefined> {
    const known = this.kept.get(slug);
    if (known) return known;
    // Addresses that lead nowhere are not kept, since there is no end of them.
    const { kept } = this;
    const made = this.compile(slug).then(
      (found) => {
        if (found) this.good.set(slug, found);
        else {
          this.good.delete(slug);
          kept.delete(slug);
        }
        return found;
      },
      (error: unknown) => {
        kept.delete(slug);
        // What cannot be compiled is a fault of ours: visitors see the page as it was when it last could be.
        const last = this.good.get(slug);
        if (!last) throw error;
        this.options.log(error instanceof Error ? (error.stack ?? error.message) : String(error));
        return last;
      },
    );
    kept.set(slug, made);
    return made;
  }

  /** The house stylesheet as pages carry it. */
  house(): Promise<{ readonly sheet: HouseSheet | undefined; readonly css: Served }> {
    return (this.houseKept ??= this.options.house.get().then(({ document }) => {
      const read = readHouse(cssOf(document));
      return { sheet: read.ok ? read.value : undefined, css: served(read.ok ? read.value.css : '') };
    }));
  }

  private async compile(slug: string): Promise<LivePageFiles | undefined> {
    const { pages, siteName } = this.options;
    const live = await pages.atAddress(slug);
    if (!live) return undefined;
    const { page, tables } = live;
    const all = await pages.livePages();
    const site = siteDress(all);
    const menu = menuOf(all, slug);
    const themes = await this.themesOf(tablesOn(dressed(page, site)));
    const house = await this.house();
    const address = `/site/${encodeURIComponent(slug)}.css`;
    const options = {
      stylesheet: address,
      house: versioned('/site/-house.css', house.css),
      runtime: versioned('/site/table.js', this.runtime()),
      siteName,
    };
    const compiled = compilePage({ page, tables, themes, site, menu }, options);
    // A few rows are enough to see what a house stylesheet does to a long table.
    const short = new Map([...tables].map(([id, table]) => [id, previewOf(table, ROWS_TO_JUDGE)]));
    const judgement = house.sheet ? judge(compilePage({ page, tables: short, themes, site, menu }, options), house.sheet) : NOTHING_JUDGED;
    const css = served(writeCss(settled(compiled, judgement, page), 'compact'));
    const html = writeHtml(compiled.html).replaceAll(`href="${address}"`, `href="${versioned(address, css)}"`);
    return { html: served(`<!doctype html>\n${html}\n`), css };
  }

  /** Each placement's theme: its newest edition, or the one at which it is held, under a class of its own. One that is gone gives way to the newest. */
  private async themesOf(placed: readonly TableBlock[]): Promise<PageInput['themes']> {
    const { themes } = this.options;
    const newest = new Map((await themes.newest([...new Set(placed.map(({ theme }) => theme))])).map((each) => [each.id, each]));
    const found = new Map<string, { readonly key: string; readonly theme: Theme }>();
    for (const block of placed) {
      const now = newest.get(block.theme);
      const held = now && block.held !== undefined ? await themes.edition(block.theme, block.held) : undefined;
      if (now) found.set(themeRef(block), held ? { key: heldKey(now.key, block.held ?? 0), theme: held } : { key: now.key, theme: now.theme });
    }
    return found;
  }
}
