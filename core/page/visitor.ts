import { languageOf, type LanguageCode, type Wording } from '../languages';

/** What visitors can do with a placed table. */
export interface Visitor {
  readonly sort: boolean;
  readonly search: boolean;
  /** Whether each column has a filter: words, a range, or one of its values. */
  readonly filter: boolean;
  /** Whether it is said which rows are shown. */
  readonly info: boolean;
  /** Rows on one page, up to 1,000; 0 for all on one. */
  readonly pageRows: number;
  /** Whether they can choose another number of rows. */
  readonly sizes: boolean;
  /** Names of the columns that they cannot sort by. */
  readonly unsorted: readonly string[];
  /**
   * By which column rows are sorted at first: the one of that name, wherever it went, or the one that stands there, counted
   * from 0. Null for their own order.
   */
  readonly first: { readonly column: number; readonly name: string; readonly direction: 'ascending' | 'descending' } | null;
  /** Whether they can choose rows, each by a tick box. */
  readonly choose: boolean;
  /** Whether they can have the columns shown that are hidden. */
  readonly columns: boolean;
  /** Whether a click anywhere in a row follows its first link. */
  readonly rowLink: boolean;
  /** Whether the header stays in view: in a frame of its own, or in the page where `headerIn` says so and the table does not scroll sideways. */
  readonly header: boolean;
  /** Where it stays; in a frame if it is missing. */
  readonly headerIn?: 'page';
  /** How high the frame is at most, in px or shares of the window's height (`60vh`); `85vh` if it is missing. */
  readonly headerHeight?: string;
  /** How far below the window's upper edge the header stays in the page, in px: below a site's own bar. */
  readonly headerBelow?: number;
  /** Whether totals are of the rows that were found, and not of all. */
  readonly totals: boolean;
  /** Whether sorting, search and page stand in the address, so that it can be passed on. */
  readonly address: boolean;
  readonly language: LanguageCode;
  /** Labels in the person's own words; those that are missing are the language's. */
  readonly wording: Partial<Wording>;
}
/** What not every page with a table for visitors has, and so loads only where it does; in the order in which each has its say. */
export const visitorFeatures = ['address', 'filters', 'choose', 'totals', 'columns', 'rowLink'] as const;
export type VisitorFeature = (typeof visitorFeatures)[number];

/** Which of these visitors have on at least one of some tables. */
export const featuresOf = (visitors: readonly Visitor[]): readonly VisitorFeature[] =>
  visitorFeatures.filter((name) => visitors.some((visitor) => (name === 'filters' ? visitor.filter : visitor[name])));

export const PLAIN_VISITOR: Visitor = {
  sort: true,
  search: true,
  filter: false,
  info: true,
  pageRows: 20,
  sizes: false,
  choose: false,
  columns: false,
  rowLink: false,
  header: false,
  totals: false,
  unsorted: [],
  first: null,
  address: false,
  language: 'en',
  wording: {},
};

/** The labels as they are said: the language's, with the person's own in their place. */
export const wordingOf = ({ language, wording }: Visitor): Wording => ({ ...languageOf(language).labels, ...wording });
/** Whether the labels are read from right to left. */
export const isRightToLeft = (language: LanguageCode): boolean => languageOf(language).isRightToLeft;
