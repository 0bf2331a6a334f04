import { compileElsewhere, compilePage, element, writeCss, writeHtml, type MenuItem, type PageInput } from '../../core/compile';
import { shownAs } from '../../core/documents';
import { judge, manners, NOTHING_JUDGED, readHouse, ROWS_TO_JUDGE, settled, type HouseSheet } from '../../core/house';
import type { Dress, Page, Scheme } from '../../core/page';
import { PRICING_FORMAT, type Pricing } from '../../core/pricing';
import { previewOf, type Table } from '../../core/table';
import { mediaAddress, viewOfChain, type ThemeView } from '../../core/theme';
import { served, versioned, type Served } from '../site/served';

/** What is compiled, in values that can be sent to a thread: documents of tables as their JSON text, themes as their chains. */
export interface Parts {
  readonly page: Page;
  readonly site: Dress | undefined;
  /** How the site's tables go with dark. */
  readonly scheme: Scheme | undefined;
  /** The class or attribute by which the site is dark. */
  readonly mark: string | undefined;
  /** Extra CSS for every table of the site. */
  readonly extra: string | undefined;
  /** By what placements name. */
  readonly tables: readonly (readonly [ref: string, json: string])[];
  readonly themes: readonly (readonly [ref: string, theme: { readonly key: string; readonly chain: ThemeView['chain'] }])[];
}

/** A page with everything around it. */
export interface PageJob extends Parts {
  readonly kind: 'page';
  readonly menu: readonly MenuItem[];
  readonly siteName: string;
  /** Address of its stylesheet without a version, and of the house stylesheet with one. */
  readonly address: string;
  readonly house: string;
  /** Text of the house stylesheet. */
  readonly houseCss: string;
  /** Address of the script for visitors; empty where they can do nothing. */
  readonly script: string;
  /** Address of the script for every page with tables. */
  readonly frames: string;
  /** Address of the script by which tables are laid over several sheets of paper. */
  readonly sheets: string;
  /** Address of the script by which what visitors choose of plans stands in the address. */
  readonly plans: string;
}

/** One placement by itself, for sites that are not ours. */
export interface PlacementJob extends Parts {
  readonly kind: 'placement';
  readonly block: string;
  readonly key: string;
  /** Address of the placement, and the whole one of its page. */
  readonly address: string;
  readonly here: string;
  /** What stands for this server's origin. */
  readonly origin: string;
}
export type Job = PageJob | PlacementJob;

export interface Compiled {
  readonly html: Served;
  readonly css: Served;
  /** Ids of the kept pictures in it. */
  readonly pictures: readonly string[];
}

/** Does a job. Undefined where the placement is not on the page. */
export const compiled = (job: Job): Compiled | undefined => (job.kind === 'page' ? ofPage(job) : ofPlacement(job));

function inputOf({ page, site, scheme, mark, extra, tables, themes }: Parts): PageInput {
  return {
    page,
    ...(site ? { site } : {}),
    ...(scheme ? { scheme } : {}),
    ...(mark ? { mark } : {}),
    ...(extra ? { extra } : {}),
    ...shownOf(tables.map(([ref, json]) => [ref, JSON.parse(json) as Table | Pricing])),
    themes: new Map(themes.map(([ref, { key, chain }]) => [ref, { key, view: viewOfChain(chain) }])),
  };
}

/** What placements show: tables and, of pricing tables, their comparisons and they themselves. */
const shownOf = (documents: readonly (readonly [ref: string, document: Table | Pricing])[]): Pick<PageInput, 'tables' | 'pricings'> => ({
  tables: new Map(documents.map(([ref, document]) => [ref, document.format === PRICING_FORMAT ? shownAs('pricings', document) : document])),
  pricings: new Map(documents.flatMap(([ref, document]) => (document.format === PRICING_FORMAT ? [[ref, document]] : []))),
});

/** A few rows are enough to see what other stylesheets do to a long table. */
const shortened = (input: PageInput): PageInput => ({
  ...input,
  tables: new Map([...input.tables].map(([id, table]) => [id, previewOf(table, ROWS_TO_JUDGE)])),
});

let lastHouse: { readonly css: string; readonly sheet: HouseSheet | undefined } | undefined;
function houseOf(css: string): HouseSheet | undefined {
  if (lastHouse?.css !== css) {
    const read = readHouse(css);
    lastHouse = { css, sheet: read.ok ? read.value : undefined };
  }
  return lastHouse.sheet;
}

function ofPage(job: PageJob): Compiled {
  const { page, menu, siteName, address, house, houseCss, script, frames, sheets, plans } = job;
  const input = { ...inputOf(job), menu };
  const options = { stylesheet: address, house, siteName, runtime: () => script, frames, sheets, plans };
  const whole = compilePage(input, options);
  const sheet = houseOf(houseCss);
  const judgement = sheet ? judge(compilePage(shortened(input), options), sheet) : NOTHING_JUDGED;
  const css = served(writeCss(settled(whole, judgement, page), 'compact'));
  const html = writeHtml(whole.html).replaceAll(`href="${address}"`, `href="${versioned(address, css)}"`);
  return { html: served(`<!doctype html>\n${html}\n`), css, pictures: [] };
}

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

function ofPlacement(job: PlacementJob): Compiled | undefined {
  const { block, key, address, origin } = job;
  const input = inputOf(job);
  const options = { key, addressOf: (reference: string) => fromElsewhere(reference, job) };
  const whole = compileElsewhere(input, block, options);
  if (!whole) return undefined;
  const short = compileElsewhere(shortened(input), block, options);
  const judgement = strangers.ok && short ? judge(short.page, strangers.value) : NOTHING_JUDGED;
  const written = writeCss(settled(whole.page, judgement, { weight: judgement.weight }), 'compact');
  const css = served(written.replaceAll(`"${mediaAddress('')}`, `"${address}${mediaAddress('')}`));
  const link = element('link', { rel: 'stylesheet', href: `${origin}${versioned(`${address}.css`, css)}` });
  const html = `${writeHtml(link)}\n${writeHtml(whole.box)}\n`;
  const pictures = [css.text, html].flatMap((text) => [...text.matchAll(/\/pictures\/([\w.-]+)/g)].map(([, id = '']) => id));
  return { html: served(html), css, pictures: [...new Set(pictures)] };
}

/** What a table leads to, from a page that is not ours. Its pictures come with the placement. */
function fromElsewhere(reference: string, { here, address, origin }: PlacementJob): string {
  if (!URL.canParse(reference, here)) return reference;
  const url = new URL(reference, here);
  return url.origin === origin && url.pathname.startsWith(mediaAddress('')) ? `${origin}${address}${url.pathname}` : url.href;
}
