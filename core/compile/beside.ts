import type { Exception, Table } from '../table';
import { exceptionsIn } from './exception-rules';
import { wornIn, type Worn } from './dressing-rules';

/** What tables have beside the theme that dresses them, for its stylesheet: looks of places, and dressings of values. */
export interface Beside {
  readonly exceptions: readonly Exception[];
  readonly worn: readonly Worn[];
}
export const NOTHING_BESIDE: Beside = { exceptions: [], worn: [] };

export const besideOf = (tables: readonly Pick<Table, 'exceptions' | 'dressings'>[]): Beside => ({
  exceptions: exceptionsIn(tables),
  worn: wornIn(tables),
});
