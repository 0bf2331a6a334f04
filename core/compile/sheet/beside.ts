import { holdsRows, turnedTable, type Exception, type Table } from '../../table';
import type { ThemeView } from '../../theme';
import { turns } from '../rules/arrangement-rules';
import { exceptionsIn } from '../rules/beside/exception-rules';
import { wornIn, type Worn } from '../rules/beside/value-marks';
import { textLooksOf, type TextLook } from '../markup/text-looks';

/** What tables have beside the theme that dresses them, for its stylesheet: looks of places, and value marks of values. */
export interface Beside {
  readonly exceptions: readonly Exception[];
  readonly worn: readonly Worn[];
  readonly texts: readonly TextLook[];
  /** Extra CSS of tables, each once, and of the whole site; empty for none. */
  readonly extras: readonly string[];
  readonly site: string;
  /** Whether merged cells hold rows of theirs together. */
  readonly holdsRows: boolean;
  /** Whether there are merged cells at all: a row may then have no cell of its own in a column. */
  readonly merges: boolean;
  /** Whether one of them compares plans, of which one stands out. */
  readonly features: boolean;
}
export const NOTHING_BESIDE: Beside = { exceptions: [], worn: [], texts: [], extras: [], site: '', holdsRows: false, merges: false, features: false };

/** What tables have beside a theme in which they are dressed; what stands turned beside a table has its looks the other way round. */
export const besideIn = (view: ThemeView, tables: readonly Table[]): Beside =>
  besideOf([...tables, ...(turns(view) ? tables.flatMap((table) => turnedTable(table) ?? []) : [])]);

/** `texts` are the looks of marked text, where the rows are not to be looked through for them. */
export const besideOf = (
  tables: readonly (Pick<Table, 'exceptions' | 'dressings' | 'css'> & {
    readonly rows?: Table['rows'];
    readonly merges?: Table['merges'];
    readonly columns?: Table['columns'];
  })[],
  texts: readonly TextLook[] = textLooksOf(tables),
): Beside => ({
  exceptions: exceptionsIn(tables),
  worn: wornIn(tables),
  texts,
  extras: [...new Set(tables.flatMap(({ css }) => css ?? []))],
  site: '',
  holdsRows: tables.some(holdsRows),
  merges: tables.some(({ merges = [] }) => merges.length > 0),
  features: tables.some(({ columns = [] }) => columns.some(({ featured }) => featured === true)),
});
