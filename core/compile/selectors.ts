import type { ConditionName, PartName, Place } from '../theme';

/**
 * How places become selectors. Everything behind the theme's class stands in :where(), so each rule weighs
 * one class and their order decides. Child combinators keep a table inside a cell out of reach.
 */
export interface SelectorOptions {
  readonly theme: string;
  /** For previews: a condition also holds where `data-held` names it. */
  readonly held: boolean;
}

/** The classes and attributes that the rules rely on; docs/markup.md describes them. */
export const contract = {
  theme: (key: string): string => `zp-${key}`,
  inset: 'zp-inset',
  head: 'zp-head',
  frame: 'zp-frame',
  selected: 'data-selected',
  held: 'data-held',
} as const;

const VISIBLE = ':not([hidden])';
const groups: Readonly<Record<string, string>> = { 'column-headers': 'thead', 'body-rows': 'tbody', 'row-headers': 'tbody', footer: 'tfoot' };

/** What a condition asks of the row; bands, first and last count visible rows only. */
function rowTest(condition: ConditionName): string {
  switch (condition) {
    case 'odd':
      return `:nth-child(odd of ${VISIBLE})`;
    case 'even':
      return `:nth-child(even of ${VISIBLE})`;
    case 'first':
      return `:nth-child(1 of ${VISIBLE})`;
    case 'last':
      return `:nth-last-child(1 of ${VISIBLE})`;
    case 'hovered':
      return ':hover';
    case 'selected':
      return `:is([${contract.selected}],[aria-selected=true])`;
    case 'rest':
      return '';
  }
}

export const heldTest = (condition: ConditionName): string => `[${contract.held}~=${condition}]`;

/** The rows of a place. */
export function rowsOf({ theme }: SelectorOptions, place: Place, test: string = rowTest(place.condition)): string {
  return `.${theme}>:where(${groups[place.part] ?? '*'})>:where(tr${test})`;
}

/** The cells of a place. */
export function cellsOf(options: SelectorOptions, place: Place, test?: string): string {
  return `${rowsOf(options, place, test)}>${place.part === 'row-headers' ? `:where(th,.${contract.head})` : '*'}`;
}

export const captionOf = ({ theme }: SelectorOptions): string => `.${theme}>:where(caption)`;
export const everyCell = ({ theme }: SelectorOptions): string => `.${theme}>*>:where(tr)>*`;

/** The first visible row of row groups that match `group`. */
export const firstRowCells = ({ theme }: SelectorOptions, group: string): string =>
  `.${theme}>:where(${group})>:where(tr:nth-child(1 of ${VISIBLE}))>*`;
export const laterRowCells = ({ theme }: SelectorOptions): string => `.${theme}>*>:where(tr:nth-child(n+2 of ${VISIBLE}))>*`;
export const laterCells = ({ theme }: SelectorOptions): string => `.${theme}>*>:where(tr)>:where(:not(:first-child),.${contract.inset})`;

export const isCellPart = (part: PartName): boolean => part in groups;

/** The row group at the top and the one at the bottom of the table. */
export const firstGroup = ({ theme }: SelectorOptions): string => `.${theme}>:where(thead,tbody,tfoot):where(:not(thead~*,tbody~*,tfoot~*))`;
export const lastGroup = ({ theme }: SelectorOptions): string => `.${theme}>:where(thead,tbody,tfoot):where(:last-child)`;
