import { turnedTable, type Exception, type Table } from '../../table';
import type { ThemeView } from '../../theme';
import { turns } from '../rules/arrangement-rules';
import { exceptionsIn } from '../rules/exception-rules';
import { wornIn, type Worn } from '../rules/value-marks';

/** What tables have beside the theme that dresses them, for its stylesheet: looks of places, and value marks of values. */
export interface Beside {
  readonly exceptions: readonly Exception[];
  readonly worn: readonly Worn[];
}
export const NOTHING_BESIDE: Beside = { exceptions: [], worn: [] };

/** What tables have beside a theme in which they are dressed; what stands turned beside a table has its looks the other way round. */
export const besideIn = (view: ThemeView, tables: readonly Table[]): Beside =>
  besideOf([...tables, ...(turns(view) ? tables.flatMap((table) => turnedTable(table) ?? []) : [])]);

export const besideOf = (tables: readonly Pick<Table, 'exceptions' | 'dressings'>[]): Beside => ({
  exceptions: exceptionsIn(tables),
  worn: wornIn(tables),
});
