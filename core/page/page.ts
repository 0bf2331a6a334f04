import type { Cell } from '../table';
import type { Visitor } from './visitor';

/** Width of a placed table: as its content needs, the whole column, or a length. */
export type PlacementWidth = string;
export type PlacementAlign = 'start' | 'center' | 'end';

/** What stands on a page, from top to bottom. Ids are unique on the page. */
export type Block =
  | { readonly id: string; readonly kind: 'heading'; readonly level: 2 | 3; readonly text: string }
  /** A text, marked or not; an empty line begins a new paragraph. */
  | { readonly id: string; readonly kind: 'text'; readonly text: Cell }
  | {
      readonly id: string;
      readonly kind: 'picture';
      /** Where it is: a picture that was brought in. Empty shows none. */
      readonly src: string;
      /** What it shows, for those who cannot see it; empty for one that only decorates. */
      readonly alt: string;
      readonly caption: string;
      /** Width and height that the file has by itself, in px, for its place to be there before it is. */
      readonly natural?: { readonly width: number; readonly height: number };
      /** As a placement's. */
      readonly width: PlacementWidth;
      readonly align: PlacementAlign;
    }
  /** Room, a length. */
  | { readonly id: string; readonly kind: 'spacer'; readonly height: string }
  /** Blocks side by side, below each other where there is too little room. */
  | { readonly id: string; readonly kind: 'columns'; readonly columns: readonly Column[] }
  /** Blocks on a ground of their own. */
  | { readonly id: string; readonly kind: 'section'; readonly fill: string; readonly ink: string; readonly blocks: readonly Block[] }
  | {
      readonly id: string;
      readonly kind: 'table';
      /** Ids of the table and of the theme that dresses it; without a theme of its own, it takes the one that reaches it. */
      readonly table: string;
      readonly theme: string;
      /** Number of the table's edition at which it stays; without one, it follows the newest. */
      readonly heldTable?: number;
      /** How far its theme goes beyond it: to what on this page, or on the whole site, has no theme of its own. */
      readonly reach?: 'page' | 'site';
      /** Whether it stands in a shadow root of its own, which the house stylesheet cannot enter. */
      readonly isolated?: boolean;
      /** Number of the theme's edition at which it stays; without one, it follows the newest. */
      readonly held?: number;
      /** Whether its table's caption is left out; it is heard all the same. */
      readonly bare?: boolean;
      /** `content`, `fill`, `bleed` for the window's whole width, or a length as in `32rem`. */
      readonly width: PlacementWidth;
      readonly align: PlacementAlign;
      /** Room around: `24px 0`, sides as in CSS, px, em or rem. */
      readonly room: string;
      /** What visitors can do with it; null for nothing but reading. */
      readonly visitor: Visitor | null;
    };
/** One of the columns of a block: how much of the width it takes beside the others, and what stands in it. */
export interface Column {
  readonly share: number;
  readonly blocks: readonly Block[];
}
export type TableBlock = Extract<Block, { kind: 'table' }>;

/** What a placement is dressed in: the id of its theme, with the edition at which it is held. */
export const themeRef = ({ theme, held }: Pick<TableBlock, 'theme' | 'held'>): string => (held === undefined ? theme : `${theme}@${held}`);

/** The table of a placement: its id, with the edition at which it is held. */
export const tableRef = ({ table, heldTable }: Pick<TableBlock, 'table' | 'heldTable'>): string =>
  heldTable === undefined ? table : `${table}@${heldTable}`;

/** A page as it is kept and exchanged: `"format": "zest-page/5"`. */
export interface Page {
  readonly format: 'zest-page/5';
  readonly name: string;
  /** Its address below /site/. */
  readonly slug: string;
  readonly blocks: readonly Block[];
  /** What browsers and search engines show of it; its name and nothing where these are missing. */
  readonly title?: string;
  readonly description?: string;
  /** Whether the site's menu leads to it. */
  readonly inMenu?: boolean;
  /** Whether it takes the window's whole width; else as much as the house stylesheet gives. */
  readonly wide?: boolean;
  /** What the rules of its tables weigh more than a class, against the site's house stylesheet: so many ids and classes. */
  readonly weight?: PageWeight;
  /** Whether its tables' rules are `!important` where the house stylesheet is. */
  readonly insists?: boolean;
}

export interface PageWeight {
  readonly ids: number;
  readonly classes: number;
}

export const PAGE_FORMAT = 'zest-page/5';
export const emptyPage = (name: string, slug: string): Page => ({ format: PAGE_FORMAT, name, slug, blocks: [] });

/** A page's address from its name: letters and digits of any script, hyphens between. */
export const slugOf = (name: string): string =>
  name
    .normalize('NFC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}\p{M}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60) || 'page';
