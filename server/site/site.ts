import { heldKey, type KeyedView, type PageInput } from '../../core/compile';
import { cssOf, readHouse, type HouseSheet } from '../../core/house';
import { dressed, siteDress, tablesOn, themeRef, type Page, type TableBlock } from '../../core/page';
import type { Views } from '../../core/theme';
import { changesOf } from '../changes/changes';
import type { Database } from '../database/database';
import type { HouseStore } from '../house/queries';
import type { LivePage, PageStore } from '../pages/queries';
import type { ThemeStore } from '../themes/queries';
import { served, type Served } from './served';

export interface SiteOptions {
  readonly database: Database;
  readonly pages: PageStore;
  readonly themes: ThemeStore;
  readonly house: HouseStore;
  readonly views: Views;
  readonly siteName: string;
  /** Is told of errors. */
  readonly log: (message: string) => void;
}

/** What live pages are made of. */
export class Site {
  private houseKept: Promise<{ readonly sheet: HouseSheet | undefined; readonly css: Served }> | undefined;

  constructor(private readonly options: SiteOptions) {
    this.whenPublished((kind) => {
      if (kind === 'house') this.houseKept = undefined;
    });
  }

  /** Calls `then` whenever something that live pages are made of has changed. */
  whenPublished(then: (kind: string) => void): void {
    changesOf(this.options.database).listen(({ kind, what }) => {
      if (what === 'published') then(kind);
    });
  }

  /** The house stylesheet as pages carry it. */
  house(): Promise<{ readonly sheet: HouseSheet | undefined; readonly css: Served }> {
    return (this.houseKept ??= this.options.house.get().then(({ document }) => {
      const read = readHouse(cssOf(document));
      return { sheet: read.ok ? read.value : undefined, css: served(read.ok ? read.value.css : '') };
    }));
  }

  /** A live page with its themes, and with what reaches it from others. */
  async inputOf({ page, tables }: LivePage): Promise<PageInput & { readonly all: readonly Page[] }> {
    const all = await this.options.pages.livePages();
    const site = siteDress(all);
    return { page, tables, site, all, themes: await this.themesOf(tablesOn(dressed(page, site))) };
  }

  /** Each placement's theme: its newest edition, or the one at which it is held, under a class of its own. One that is gone gives way to the newest. */
  private async themesOf(placed: readonly TableBlock[]): Promise<PageInput['themes']> {
    const { themes, views } = this.options;
    const newest = new Map((await themes.newest([...new Set(placed.map(({ theme }) => theme))])).map((each) => [each.id, each]));
    const found = new Map<string, KeyedView>();
    for (const block of placed) {
      const now = newest.get(block.theme);
      const held = now && block.held !== undefined ? await themes.edition(block.theme, block.held) : undefined;
      if (now)
        found.set(
          themeRef(block),
          held ? { key: heldKey(now.key, block.held ?? 0), view: views.of(held) } : { key: now.key, view: views.of(now.theme) },
        );
    }
    return found;
  }
}
