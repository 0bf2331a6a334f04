import { elsewhereAddress } from '../../core/page';
import { Kept, type Made } from './kept';
import { served, type Served } from './served';
import type { Site, SiteOptions } from './site';

/** A placement of a live page as other sites get it. */
export interface LivePlacement {
  /** A link to its stylesheet, then the table; addresses begin with `origin`, as in `http://localhost:4310`. */
  readonly html: (origin: string) => Served;
  readonly css: Served;
  /** Ids of the kept pictures in it. */
  readonly pictures: ReadonlySet<string>;
}

/** Stands for this server's origin in what is compiled, which is the same for all names that it is asked by. No table can name it. */
const ORIGIN = `http://${crypto.randomUUID()}.invalid`;

/** What is live, placement by placement, kept until something that it is made of changes. */
export class LivePlacements {
  private readonly kept: Kept<LivePlacement>;

  constructor(
    private readonly site: Site,
    private readonly options: SiteOptions,
  ) {
    this.kept = new Kept((key) => this.compile(...(JSON.parse(key) as [string, string])), options.log);
    site.keepFresh(this.kept);
  }

  /** A placement by the ids of its page and its block, or undefined where that is not live. */
  of(page: string, block: string): Promise<LivePlacement | undefined> {
    return this.kept.get(JSON.stringify([page, block]));
  }

  private async compile(page: string, block: string): Promise<Made<LivePlacement> | undefined> {
    const live = await this.options.pages.liveOf(page);
    if (!live) return undefined;
    const { parts, of } = await this.site.partsOf(live);
    const address = elsewhereAddress(page, block);
    const here = `${ORIGIN}/site/${encodeURIComponent(live.page.slug)}`;
    const done = await this.options.compiling.run({ kind: 'placement', ...parts, block, key: `${page}/${block}`, address, here, origin: ORIGIN });
    if (!done) return undefined;
    const html = done.html.text;
    let last: { readonly origin: string; readonly html: Served } | undefined;
    const value: LivePlacement = {
      css: done.css,
      html: (origin) => (last?.origin === origin ? last : (last = { origin, html: served(html.replaceAll(ORIGIN, origin)) })).html,
      pictures: new Set(done.pictures),
    };
    return { value, of };
  }
}
