import type { Block, Ref, TableBlock } from './blocks/kinds';
import type { Scheme } from './scheme';

const refText = ({ id, held }: Ref<string>): string => (held === undefined ? id : `${id}@${held}`);

/** What a placement is dressed in: the id of its theme, with the edition at which it is held; empty for nothing of its own. */
export const themeRef = ({ dress }: Pick<TableBlock, 'dress'>): string => (dress ? refText(dress) : '');

/** The table of a placement: its id, with the edition at which it is held. */
export const tableRef = ({ shows }: Pick<TableBlock, 'shows'>): string => refText(shows);

/** A page as it is kept and exchanged: `"format": "zest-page/6"`. */
export interface Page {
  readonly format: 'zest-page/6';
  readonly name: string;
  /** Its address below /site/. */
  readonly slug: string;
  readonly blocks: readonly Block[];
  /** What browsers and search engines show of it; its name and nothing where these are missing. */
  readonly title?: string;
  readonly description?: string;
  /** The language of what is written on it, BCP 47; the site's where it is missing. */
  readonly language?: string;
  /** Whether the site's menu leads to it. */
  readonly inMenu?: boolean;
  /** Whether it takes the window's whole width; else as much as the house stylesheet gives. */
  readonly wide?: boolean;
  /** How its tables go with dark, where they do not say so themselves; without it they are bright. */
  readonly scheme?: Scheme;
  /** What the rules of its tables weigh more than a class, against the site's house stylesheet: so many ids and classes. */
  readonly weight?: PageWeight;
  /** Whether its tables' rules are `!important` where the house stylesheet is. */
  readonly insists?: boolean;
}

export interface PageWeight {
  readonly ids: number;
  readonly classes: number;
}

export const PAGE_FORMAT = 'zest-page/6';
export const emptyPage = (name: string, slug: string): Page => ({ format: PAGE_FORMAT, name, slug, blocks: [] });

/** A page's address from its name: letters and digits of any script, hyphens between. */
export const slugOf = (name: string): string =>
  name
    .normalize('NFC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}\p{M}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60) || 'page';
