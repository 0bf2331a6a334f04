import { computed, type Signal } from '@angular/core';
import { besideOf, frameRules, sheetOf, textLooksIn, type CssNode, type TextLook } from '../../../../../core/compile';
import { holdsRows, typedRows, type Table } from '../../../../../core/table';
import { resolveAt } from '../../../../../core/resolve';
import { everyLook, type ThemeView } from '../../../../../core/theme';

interface Own extends Pick<Table, 'exceptions' | 'dressings' | 'merges' | 'css'> {
  readonly texts: readonly TextLook[];
}

/** What a table has beside its theme; the same until that changes, so that typing in cells compiles nothing. */
export function ownLooks(table: Signal<Table>): Signal<Own> {
  let rows: Table['rows'] = [];
  let texts: readonly TextLook[] = [];
  const found = new Map<string, TextLook>();
  return computed(
    (): Own => {
      const { exceptions, dressings, merges, css, rows: shown } = table();
      const now = typedRows(shown);
      const before = found.size;
      // Only rows that are not the very same are looked through; a look that went is a rule too many, and no harm.
      now.forEach((row, at) => {
        if (row !== rows[at]) textLooksIn(row, found);
      });
      rows = now;
      if (found.size > before) texts = [...found.values()];
      return { exceptions, dressings, merges, texts, ...(css === undefined ? {} : { css }) };
    },
    {
      equal: (a, b) =>
        a.exceptions === b.exceptions &&
        a.dressings === b.dressings &&
        holdsRows(a) === holdsRows(b) &&
        a.merges.length > 0 === b.merges.length > 0 &&
        a.texts === b.texts &&
        a.css === b.css,
    },
  );
}

/** The stylesheet that dresses the grid: the theme's, with the looks that this table has beside it. */
export function gridRules(view: ThemeView | undefined, own: Own): readonly CssNode[] {
  if (!view) return frameRules;
  return [...frameRules, ...sheetOf(view, { use: 'grid', key: 'edited', beside: besideOf([own], own.texts) })];
}

/**
 * Whether columns are equal whatever they hold, at some width at least. Such a table has no width of its own that the grid could grow
 * to (Chromium then takes 1,000,000 px): it is as wide as the grid.
 */
export const hasEqualColumns = (view: ThemeView | undefined): boolean =>
  view !== undefined && everyLook(view).some((each) => resolveAt(each, { part: 'table', condition: 'rest' }, 'layout').css === 'fixed');
