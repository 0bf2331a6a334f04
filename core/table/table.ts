import type { Row } from './cell';
import { plainColumns, type Column } from './columns/column';
import type { ValueMark } from './looks/value-mark';
import type { Exception } from './looks/exception';

/** A block of merged cells; the content stands in its first slot. Rows and columns count from 0. */
export interface Merge {
  readonly row: number;
  readonly column: number;
  readonly rows: number;
  readonly columns: number;
}

/** What a table is for. */
export const tableKinds = ['data', 'pricing', 'dashboard'] as const;
export type TableKind = (typeof tableKinds)[number];
export const captionSides = ['', 'above', 'below'] as const;
export const captionAligns = ['', 'start', 'center', 'end'] as const;
export const decimalMarks = ['', '.', ','] as const;

/**
 * A table as it is kept and exchanged: `"format": "zest-table/6"`. `rows` is always a full rectangle: a text
 * for each slot, empty where there is none. Merges never overlap and never cross from one row group into the
 * next (HTML Standard, "Forming a table": cells end with their row group).
 */
export interface Table {
  readonly format: 'zest-table/6';
  readonly name: string;
  readonly kind: TableKind;
  /** The caption; empty for none. */
  readonly caption: string;
  /** Where this table's caption stands and how its text is aligned; empty for as the theme says. */
  readonly captionSide: (typeof captionSides)[number];
  readonly captionAlign: (typeof captionAligns)[number];
  /** What the table shows and how it is built, for those who cannot see it, and to which the markup points; empty for none. */
  readonly description: string;
  /** A text that is seen below the table: a source, a remark; empty for none. */
  readonly note: string;
  readonly rows: readonly Row[];
  readonly merges: readonly Merge[];
  /** How many rows at the top are header rows, how many columns hold row headers, how many rows at the end are footer. */
  readonly headerRows: number;
  readonly rowHeaders: number;
  readonly footerRows: number;
  /** Rows of the body that head those below them, in order. */
  readonly groups: readonly number[];
  /** One for each column. */
  readonly columns: readonly Column[];
  /** Looks that columns, rows and cells have beside the theme: columns first, then rows, then cells, each from the start on. */
  readonly exceptions: readonly Exception[];
  /** Ways to show values as marks, each with a name of its own, which exceptions put on cells. */
  readonly dressings: readonly ValueMark[];
  /** Whether the first column stays where it is when the table is scrolled sideways. */
  readonly pinned: boolean;
  /** Which mark parts whole from decimal in its numbers; empty to tell from the numbers. */
  readonly decimal: (typeof decimalMarks)[number];
  /** The language that its values are written in, BCP 47; empty for English. */
  readonly language: string;
  /** Id of the theme that the editor dresses it in; empty for none. */
  readonly theme: string;
  /** Extra CSS for this table alone, as it was typed; in the words of a theme's (`theme/extra`). */
  readonly css?: string;
}

/** A table without its rows, as large ones are sent and kept. */
export type TableHead = Omit<Table, 'rows'>;

export const TABLE_FORMAT = 'zest-table/6';

export const widthOf = (table: Table): number => table.rows[0]?.length ?? 0;
export const heightOf = (table: Table): number => table.rows.length;

export type Section = 'header' | 'body' | 'footer';

/** The row group that a row belongs to. */
export function sectionOf(table: Table, row: number): Section {
  if (row < table.headerRows) return 'header';
  return row >= table.rows.length - table.footerRows ? 'footer' : 'body';
}

/** First row and number of rows of a row group. */
export function sectionRows(table: Table, section: Section): { readonly first: number; readonly count: number } {
  const { headerRows, footerRows, rows } = table;
  if (section === 'header') return { first: 0, count: headerRows };
  if (section === 'footer') return { first: rows.length - footerRows, count: footerRows };
  return { first: headerRows, count: rows.length - headerRows - footerRows };
}

/** An empty table of that many rows and columns with one header row. */
export function emptyTable(name: string, rows: number, columns: number): Table {
  return tableOf(
    name,
    Array.from({ length: rows }, () => Array.from({ length: columns }, () => '')),
  );
}

/** A table from a full rectangle of texts; the first row is its header where there are others below it. */
export function tableOf(name: string, rows: readonly Row[], given: Partial<Table> = {}): Table {
  return {
    format: TABLE_FORMAT,
    name,
    kind: 'data',
    caption: '',
    captionSide: '',
    captionAlign: '',
    description: '',
    note: '',
    rows,
    merges: [],
    headerRows: rows.length > 1 ? 1 : 0,
    rowHeaders: 0,
    footerRows: 0,
    groups: [],
    columns: plainColumns(rows[0]?.length ?? 0),
    exceptions: [],
    dressings: [],
    pinned: false,
    decimal: '',
    language: '',
    theme: '',
    ...given,
  };
}
