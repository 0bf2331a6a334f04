import type { MenuItem } from '../../core/compile';
import { dressed, featuresOn, type Page, type VisitorFeature } from '../../core/page';
import { Kept, type Made } from './kept';
import { versioned, type Served } from './served';
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
    /** Address of the script for pages with some features, with its version. */
    private readonly script: (features: readonly VisitorFeature[]) => string,
    /** Address of the script that every page with tables has. */
    private readonly frames: () => string,
    /** Address of the script of pages whose tables are laid over several sheets of paper. */
    private readonly sheets: () => string,
    /** Address of the script of pages with cards of plans. */
    private readonly plans: () => string,
  ) {
    this.kept = new Kept((slug) => this.compile(slug), options.log);
    site.keepFresh(this.kept);
  }

  /** The page at an address, or undefined where none is live. */
  at(slug: string): Promise<LivePageFiles | undefined> {
    return this.kept.get(slug);
  }

  private async compile(slug: string): Promise<Made<LivePageFiles> | undefined> {
    const live = await this.options.pages.atAddress(slug);
    if (!live) return undefined;
    const { parts, all, of } = await this.site.partsOf(live);
    const house = await this.site.house();
    const features = featuresOn(dressed(live.page, parts.site));
    const value = await this.options.compiling.run({
      kind: 'page',
      ...parts,
      menu: menuOf(all, slug),
      siteName: this.options.siteName,
      address: `/site/${encodeURIComponent(slug)}.css`,
      house: versioned('/site/-house.css', house.css),
      houseCss: house.text,
      script: features ? this.script(features) : '',
      frames: this.frames(),
      sheets: this.sheets(),
      plans: this.plans(),
    });
    return value && { value, of };
  }
}
