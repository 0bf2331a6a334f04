import { resolveAt } from '../resolve';
import type { Theme } from '../theme';

/** How a theme lays tables out where it is looked at, as CSS is made from it. */
export const arrangementOf = (theme: Theme): string => resolveAt(theme, { part: 'table', condition: 'rest' }, 'arrangement').css;
