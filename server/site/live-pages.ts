import { compilePage, writeCss, writeHtml, type MenuItem } from '../../core/compile';
import { judge, NOTHING_JUDGED, ROWS_TO_JUDGE, settled } from '../../core/house';
import type { Page, VisitorFeature } from '../../core/page';
import { previewOf } from '../../core/table';
import { Kept } from './kept';
import { served, versioned, type Served } from './served';
import type { Site, SiteOptions } from './site';

export interface LivePageFiles {
  readonly html: Served;
  readonly css: Served;
}

/** The pages that the site's menu leads to, by name. */
const menuOf = (pages: readonly Page[], here: string): readonly MenuItem[] =>
  pages
    .filter(({ inMenu }) => inMenu)
    .sort((a, b) => a.name.localeCompare(b.name))
    .map(({ name, slug }) => ({ name, href: `/site/${encodeURIComponent(slug)}`, isHere: slug === here }));

/**
 * What is live, compiled once and kept until something that pages are made of changes. A page is its newest edition with each
 * placement's theme, newest or held, under the house stylesheet as it is now.
 */
export class LivePages {
  private readonly kept: Kept<LivePageFiles>;

  constructor(
    private readonly site: Site,
    private readonly options: SiteOptions,
    private readonly runtime: (features: readonly VisitorFeature[]) => { readonly address: string; readonly script: Served },
  ) {
    this.kept = new Kept((slug) => this.compile(slug), options.log);
    site.whenPublished(() => this.kept.forget());
  }

  /** The page at an address, or undefined where none is live. */
  at(slug: string): Promise<LivePageFiles | undefined> {
    return this.kept.get(slug);
  }

  private async compile(slug: string): Promise<LivePageFiles | undefined> {
    const live = await this.options.pages.atAddress(slug);
    if (!live) return undefined;
    const { all, ...input } = await this.site.inputOf(live);
    const menu = menuOf(all, slug);
    const house = await this.site.house();
    const address = `/site/${encodeURIComponent(slug)}.css`;
    const options = {
      stylesheet: address,
      house: versioned('/site/-house.css', house.css),
      runtime: (features: readonly VisitorFeature[]) => {
        const { address: at, script } = this.runtime(features);
        return versioned(at, script);
      },
      siteName: this.options.siteName,
    };
    const compiled = compilePage({ ...input, menu }, options);
    // A few rows are enough to see what a house stylesheet does to a long table.
    const short = new Map([...live.tables].map(([id, table]) => [id, previewOf(table, ROWS_TO_JUDGE)]));
    const judgement = house.sheet ? judge(compilePage({ ...input, tables: short, menu }, options), house.sheet) : NOTHING_JUDGED;
    const css = served(writeCss(settled(compiled, judgement, live.page), 'compact'));
    const html = writeHtml(compiled.html).replaceAll(`href="${address}"`, `href="${versioned(address, css)}"`);
    return { html: served(`<!doctype html>\n${html}\n`), css };
  }
}
