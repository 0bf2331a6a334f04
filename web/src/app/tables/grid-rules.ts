import { exceptionsIn, frameRules, pinnedRules, themeCss, type CssNode } from '../../../../core/compile';
import type { Exception } from '../../../../core/table';
import type { Theme } from '../../../../core/theme';

/** The stylesheet that dresses the grid: the theme's, with the looks that this table has beside it. */
export function gridRules(theme: Theme | undefined, own: readonly Exception[]): readonly CssNode[] {
  if (!theme) return frameRules;
  const exceptions = exceptionsIn([{ exceptions: own }]);
  return [...frameRules, ...themeCss(theme, { key: 'edited', exceptions }), ...pinnedRules(theme, 'edited', exceptions)];
}
