import { heldKey } from '../../core/compile';
import { documentKinds } from '../../core/documents';
import { cssOf, readHouse } from '../../core/house';
import { dressed, followedKinds, siteDress, tablesOn, themeRef, type Page, type Scheme, type TableBlock } from '../../core/page';
import { changesOf } from '../changes/changes';
import type { Parts } from '../compiling/job';
import type { CompilePool } from '../compiling/pool';
import type { Database } from '../database/database';
import type { HouseStore } from '../house/queries';
import type { LivePage, PageStore } from '../pages/queries';
import type { ThemeStore } from '../themes/queries';
import type { Kept } from './kept';
import { served, type Served } from './served';

export interface SiteOptions {
  readonly database: Database;
  readonly pages: PageStore;
  readonly themes: ThemeStore;
  readonly house: HouseStore;
  readonly siteName: string;
  readonly compiling: CompilePool;
  /** Is told of errors. */
  readonly log: (message: string) => void;
}

/** The house stylesheet: its text as it is kept, and as pages carry it. */
interface HouseFiles {
  readonly text: string;
  /** How the site's tables go with dark. */
  readonly scheme: Scheme | undefined;
  readonly mark: string | undefined;
  readonly extra: string | undefined;
  readonly css: Served;
}

/** What a live page is compiled from, every live page, and `kind/id` of the themes and tables on it. */
interface LiveParts {
  readonly parts: Parts;
  readonly all: readonly Page[];
  readonly of: ReadonlySet<string>;
}

/** What live pages are made of. */
export class Site {
  private houseKept: Promise<HouseFiles> | undefined;

  constructor(private readonly options: SiteOptions) {
    changesOf(options.database).listen(({ kind, what }) => {
      if (what === 'published' && (kind === 'house' || kind === 'everything')) this.houseKept = undefined;
    });
  }

  /**
   * Has what is kept forget what a publish touches: a theme's or a table's, what it stands in; a page's, everything, since menus and
   * what reaches other pages hang on it, and so does the house stylesheet.
   */
  keepFresh(kept: Kept<unknown>): void {
    changesOf(this.options.database).listen(({ kind, id, what }) => {
      if (what === 'published') kept.forget((followedKinds as readonly string[]).includes(kind) ? `${kind}/${id}` : undefined);
    });
  }

  /** The house stylesheet as pages carry it. */
  house(): Promise<HouseFiles> {
    return (this.houseKept ??= this.options.house.get().then(({ document }) => {
      const text = cssOf(document);
      const read = readHouse(text);
      return { text, scheme: document.scheme, mark: document.mark, extra: document.extra, css: served(read.ok ? read.value.css : '') };
    }));
  }

  /** What a live page is compiled from: with its themes, and with what reaches it from others. */
  async partsOf({ page, tables }: LivePage): Promise<LiveParts> {
    const all = await this.options.pages.livePages();
    const site = siteDress(all);
    const whole = dressed(page, site);
    const placed = tablesOn(whole);
    const of = new Set(documentKinds.pages.follows(whole).map(({ kind, id }) => `${documentKinds[kind].word}/${id}`));
    const { scheme, mark, extra } = await this.house();
    return { parts: { page, tables: [...tables], site, scheme, mark, extra, themes: await this.themesOf(placed) }, all, of };
  }

  /** Each placement's theme: its newest edition, or the one at which it is held, under a class of its own. One that is gone gives way to the newest. */
  private async themesOf(placed: readonly TableBlock[]): Promise<Parts['themes']> {
    const { themes } = this.options;
    const newest = new Map((await themes.newest([...new Set(placed.flatMap(({ dress }) => dress?.id ?? []))])).map((each) => [each.id, each]));
    const heldOnes = await themes.editionsAt(
      placed.flatMap(({ dress }) => (dress?.held === undefined ? [] : [{ id: dress.id, number: dress.held }])),
    );
    const found = new Map<string, Parts['themes'][number][1]>();
    for (const block of placed) {
      const now = newest.get(block.dress?.id ?? '');
      if (!now || found.has(themeRef(block))) continue;
      const held = heldOnes.get(themeRef(block));
      const key = held ? heldKey(now.key, block.dress?.held ?? 0) : now.key;
      found.set(themeRef(block), { key, chain: held ?? now.chain });
    }
    return [...found];
  }
}
