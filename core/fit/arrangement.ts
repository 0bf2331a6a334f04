import { resolveAt } from '../resolve';
import type { ThemeView } from '../theme';

/** How a theme lays tables out where it is looked at, as CSS is made from it. */
export const arrangementOf = (view: ThemeView): string => resolveAt(view, { part: 'table', condition: 'rest' }, 'arrangement').css;
