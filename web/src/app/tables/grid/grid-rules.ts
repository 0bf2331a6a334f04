import { computed, type Signal } from '@angular/core';
import { besideOf, frameRules, sheetOf, type CssNode } from '../../../../../core/compile';
import type { Table } from '../../../../../core/table';
import { resolveAt } from '../../../../../core/resolve';
import { widthsOf, type ThemeView } from '../../../../../core/theme';

type Own = Pick<Table, 'exceptions' | 'dressings'>;

/** What a table has beside its theme; the same until that changes, so that typing in cells compiles nothing. */
export const ownLooks = (table: Signal<Table>): Signal<Own> =>
  computed(() => table(), { equal: (a, b) => a.exceptions === b.exceptions && a.dressings === b.dressings });

/** The stylesheet that dresses the grid: the theme's, with the looks that this table has beside it. */
export function gridRules(view: ThemeView | undefined, own: Own): readonly CssNode[] {
  if (!view) return frameRules;
  return [...frameRules, ...sheetOf(view, { use: 'grid', key: 'edited', beside: besideOf([own]) })];
}

/**
 * Whether columns are equal whatever they hold, at some width at least. Such a table has no width of its own that the grid could grow
 * to (Chromium then takes 1,000,000 px): it is as wide as the grid.
 */
export const hasEqualColumns = (view: ThemeView | undefined): boolean =>
  view !== undefined &&
  ['', ...widthsOf(view.theme).map(({ name }) => name)].some(
    (step) => resolveAt(view.at(step), { part: 'table', condition: 'rest' }, 'layout').css === 'fixed',
  );
