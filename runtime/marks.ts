import type { contract } from '../core/compile/markup/contract';

/**
 * The marks of the markup contract that the script finds things by and leaves behind. Only their types come from there, so that
 * a mark which is called otherwise does not compile, and nothing of the tool is in what pages load.
 */
type Contract = typeof contract;
export const SORT: Contract['sort'] = 'zp-sort';
export const SORTED: Contract['sorted'] = 'zp-sorted';
export const SORTS: Contract['sorts'] = 'data-sorts';
export const VALUE: Contract['value'] = 'data-value';
export const FILTER: Contract['filter'] = 'data-filter';
export const TOTAL: Contract['total'] = 'data-total';
export const SEARCH: Contract['search'] = 'zp-search';
export const EMPTY: Contract['empty'] = 'zp-empty';
export const PAGER: Contract['pager'] = 'zp-pager';
export const PAGE: Contract['pagerItem'] = 'zp-page';
export const CHOOSE: Contract['choose'] = 'zp-choose';
export const SELECTED: Contract['selected'] = 'data-selected';
export const HEADING: Contract['heading'] = 'zp-heading';
export const FRAME: Contract['frame'] = 'zp-frame';
export const SHEETS: Contract['sheets'] = 'data-sheets';
export const NEEDS: Contract['needs'] = '--zp_needs';
export const OUT: Contract['out'] = 'data-out';
export const CARDS: Contract['anyCards'] = 'zp-cards';
export const ASIDES: readonly [Contract['label'], Contract['open'], Contract['left'], Contract['again']] = [
  'zp-label',
  'zp-open',
  'zp-left',
  'zp-again',
];
export const ALONE: Contract['alone'] = 'zp-alone';
export const HOST: Contract['host'] = 'zest-pane-table';
