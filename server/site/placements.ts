import { compileElsewhere, elsewhereAddress, writeCss, writeHtml, element } from '../../core/compile';
import { judge, manners, NOTHING_JUDGED, readHouse, ROWS_TO_JUDGE, settled } from '../../core/house';
import { previewOf } from '../../core/table';
import { mediaAddress } from '../../core/theme';
import { Kept } from './kept';
import { served, versioned, type Served } from './served';
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

/**
 * Nothing is known of the stylesheets of sites that are not ours. Plain HTML is guarded against the manners that ship, but for
 * the one that insists: the element keeps all of them out.
 */
const strangers = readHouse(
  manners
    .filter(({ css }) => !css.includes('!important'))
    .map(({ css }) => css)
    .join('\n'),
);

/** What is live, placement by placement, kept until something that it is made of changes. */
export class LivePlacements {
  private readonly kept: Kept<LivePlacement>;

  constructor(
    private readonly site: Site,
    private readonly options: SiteOptions,
  ) {
    this.kept = new Kept((key) => this.compile(...(JSON.parse(key) as [string, string])), options.log);
    site.whenPublished(() => this.kept.forget());
  }

  /** A placement by the ids of its page and its block, or undefined where that is not live. */
  of(page: string, block: string): Promise<LivePlacement | undefined> {
    return this.kept.get(JSON.stringify([page, block]));
  }

  private async compile(page: string, block: string): Promise<LivePlacement | undefined> {
    const live = await this.options.pages.liveOf(page);
    if (!live) return undefined;
    const { all: _all, ...input } = await this.site.inputOf(live);
    const address = elsewhereAddress(page, block);
    const here = `${ORIGIN}/site/${encodeURIComponent(live.page.slug)}`;
    const options = { key: `${page}/${block}`, addressOf: (reference: string) => fromElsewhere(reference, here, address) };
    const compiled = compileElsewhere(input, block, options);
    if (!compiled) return undefined;
    const short = compileElsewhere(
      { ...input, tables: new Map([...live.tables].map(([id, table]) => [id, previewOf(table, ROWS_TO_JUDGE)])) },
      block,
      options,
    );
    const judgement = strangers.ok && short ? judge(short.page, strangers.value) : NOTHING_JUDGED;
    const written = writeCss(settled(compiled.page, judgement, { weight: judgement.weight }), 'compact');
    const css = served(written.replaceAll(`"${mediaAddress('')}`, `"${address}${mediaAddress('')}`));
    const link = element('link', { rel: 'stylesheet', href: `${ORIGIN}${versioned(`${address}.css`, css)}` });
    const html = `${writeHtml(link)}\n${writeHtml(compiled.box)}\n`;
    let last: { readonly origin: string; readonly html: Served } | undefined;
    return {
      css,
      html: (origin) => (last?.origin === origin ? last : (last = { origin, html: served(html.replaceAll(ORIGIN, origin)) })).html,
      pictures: new Set([...(css.text + html).matchAll(/\/pictures\/([\w.-]+)/g)].map(([, id = '']) => id)),
    };
  }
}

/** What a table leads to, from a page that is not ours. Its pictures come with the placement. */
function fromElsewhere(reference: string, here: string, address: string): string {
  if (!URL.canParse(reference, here)) return reference;
  const url = new URL(reference, here);
  return url.origin === ORIGIN && url.pathname.startsWith(mediaAddress('')) ? `${ORIGIN}${address}${url.pathname}` : url.href;
}
