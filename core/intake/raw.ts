import type { Merge, Row } from '../table';

/** What a reader makes of a source, before anything is decided about it: cells as they stood there. */
export interface Raw {
  readonly rows: readonly Row[];
  readonly merges: readonly Merge[];
  /** What the source itself says of its structure; without it, that is guessed. */
  readonly headerRows?: number;
  readonly rowHeaders?: number;
  readonly footerRows?: number;
  /** Rows that head those below them. */
  readonly groups?: readonly number[];
  readonly caption?: string;
  /** The language of its texts, BCP 47, as far as the source says it. */
  readonly language?: string;
  /** Which mark parts whole from decimal, where that is known. */
  readonly decimal?: '.' | ',';
  /** Where every cell is known to be a plain text: what was seen when all of them were looked at. */
  readonly plain?: Plain;
  /** One sentence for each thing that was found or mended on the way. */
  readonly notes: readonly string[];
}

/** What was seen of plain cells while they were in hand, so that they need not be looked at again. */
export interface Plain {
  /** How many letters the longest cell has. */
  readonly longest: number;
  /** Whether all rows have as many cells as the first, and each begins and ends with one in which something is to be seen. */
  readonly isEven: boolean;
  /** By column from 0, whether some cell begins like a code: a zero and a figure. */
  readonly codes: readonly boolean[];
}

/** What a person may choose about a source; what is left out is found out. */
export interface SourceOptions {
  readonly separator?: string;
  /** What stands around cells that hold separators; `none` takes every mark as text. */
  readonly quote?: Quote;
  readonly encoding?: Encoding;
  /** Which mark parts whole from decimal in its numbers. */
  readonly decimal?: '.' | ',';
  /** Which of the source's sheets or tables, from 0. */
  readonly piece?: number;
  /** Part of a sheet, as in `B2:F40`. */
  readonly range?: string;
  /** Whether rows and columns that the sheet does not show come in too. */
  readonly hidden?: boolean;
}
/** What can stand around cells of separated text, and what it is called. */
export const quotes = { '"': 'double quotes', "'": 'single quotes', none: 'nothing' } as const;
export type Quote = keyof typeof quotes;
export const encodings = [
  ...(['utf-8', 'utf-16le', 'utf-16be', 'windows-1252', 'windows-1250', 'windows-1251', 'windows-1253', 'windows-1254', 'windows-1256'] as const),
  ...(['iso-8859-2', 'koi8-r', 'macintosh', 'shift_jis', 'euc-jp', 'euc-kr', 'gb18030', 'big5'] as const),
] as const;
export type Encoding = (typeof encodings)[number];

/** What a reader makes of a source, and how it read it. */
export interface Read {
  readonly raw: Raw;
  /** Names of the source's sheets or tables, where it can have several. */
  readonly pieces: readonly string[];
  /** How it was read, for those that have a choice. */
  readonly separator?: string;
  readonly quote?: Quote;
  readonly encoding?: Encoding;
  readonly decimal?: '.' | ',';
  readonly range?: string;
  readonly piece?: number;
  readonly hidden?: number;
}

/** Is told how much of a source has been read, from 0 to 1. */
export type Progress = (share: number) => void;

/** What separates cells, and what that is called. */
export const separators = { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' } as const;
