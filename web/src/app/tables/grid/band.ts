import { resolveAt } from '../../../../../core/resolve';
import { ORDINARY_BAND, type Band } from '../../../../../core/table';
import type { ThemeView } from '../../../../../core/theme';

/** Which rows a theme bands. */
export function bandOf(view: ThemeView): Band {
  const value = resolveAt(view, { part: 'body-rows', condition: 'rest' }, 'band');
  return value.kind === 'band' ? value : ORDINARY_BAND;
}
