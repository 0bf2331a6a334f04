import { resolveAt } from '../../../../core/resolve';
import { ORDINARY_BAND, type Band } from '../../../../core/table';
import type { Theme } from '../../../../core/theme';

/** Which rows a theme bands. */
export function bandOf(theme: Theme): Band {
  const value = resolveAt(theme, { part: 'body-rows', condition: 'rest' }, 'band');
  return value.kind === 'band' ? value : ORDINARY_BAND;
}
