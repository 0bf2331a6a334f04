import { type ColumnFormat, type DataType, type DateOrder, type TotalKind } from '../../data-types';

/** What is set for a column beside its cells. */
export interface Column {
  /** Empty for by content; else a length (`120px`, `8em`, `10rem`), a percentage (`20%`) or a share of what is left (`2fr`). */
  readonly width: string;
  /** Kept, but not shown where the table is. */
  readonly hidden: boolean;
  /** What its cells are; empty to leave each as it was typed. */
  readonly type: '' | DataType;
  /** In which order its dates are written; empty for day before month. */
  readonly order: '' | DateOrder;
  /** How its values are shown; null for as they were typed. It needs a type. */
  readonly format: ColumnFormat | null;
  /** What stands in the last footer row where that is empty; empty for nothing. */
  readonly total: '' | TotalKind;
  /** What its body cells are worked out from, in their row's other columns; empty for what was typed. */
  readonly formula: string;
  /** What its values have to be beside its type; null for anything. */
  readonly rule: ColumnRule | null;
  /** The language of its values, BCP 47, where that is not the table's. */
  readonly language?: string;
  /** Whether it gives way where a theme shows fewer columns: among the first to go, or only among the second; else it stays. */
  readonly yields?: 'first' | 'second';
  /** Whether it is of the featured plan, where the table is made from a pricing table; never kept. */
  readonly featured?: true;
}

/** A rule for the values of a column. What breaks it is marked, and never refused. Empty texts ask nothing. */
export interface ColumnRule {
  readonly required: boolean;
  /** Whether no two values may be the same. */
  readonly unique: boolean;
  /** The least and the greatest value, as one would type them; of texts, the fewest and the most letters. */
  readonly least: string;
  readonly most: string;
  /** The only values that there may be; none for any. */
  readonly choices: readonly string[];
  /** What is said of a value that breaks it, in one's own words; empty for a sentence of ours. */
  readonly message: string;
}
export const PLAIN_RULE: ColumnRule = { required: false, unique: false, least: '', most: '', choices: [], message: '' };

export const PLAIN_COLUMN: Column = { width: '', hidden: false, type: '', order: '', format: null, total: '', formula: '', rule: null };
export const plainColumns = (count: number): readonly Column[] => Array.from({ length: count }, () => PLAIN_COLUMN);

export type ColumnWidth =
  | { readonly kind: 'content' }
  | { readonly kind: 'length'; readonly amount: number; readonly unit: 'px' | 'em' | 'rem' }
  | { readonly kind: 'percent'; readonly amount: number }
  | { readonly kind: 'share'; readonly amount: number };

const WIDTH = /^(\d{1,4}(?:\.\d{1,3})?)(px|em|rem|%|fr)$/;

/** Reads a width; undefined where it is none. Lengths go to 4,000 px or 250 em, shares and percentages from over 0 to 100. */
export function readColumnWidth(text: string): ColumnWidth | undefined {
  if (text === '') return { kind: 'content' };
  const match = WIDTH.exec(text);
  if (!match) return undefined;
  const [amount, unit] = [Number(match[1]), match[2]];
  const most = unit === 'px' ? 4000 : unit === 'em' || unit === 'rem' ? 250 : 100;
  if (amount <= 0 || amount > most) return undefined;
  if (unit === '%') return { kind: 'percent', amount };
  if (unit === 'fr') return { kind: 'share', amount };
  return { kind: 'length', amount, unit: unit as 'px' | 'em' | 'rem' };
}

/** What a person types as a width, in the form in which it is kept; undefined where it is none. A bare number is meant in pixels. */
export function typedColumnWidth(typed: string): string | undefined {
  const text = typed.trim().toLowerCase().replace(/\s+/g, '').replace(',', '.');
  const kept = text === 'content' || text === 'auto' ? '' : /^\d+(\.\d+)?$/.test(text) ? `${text}px` : text;
  return readColumnWidth(kept) ? kept : undefined;
}
