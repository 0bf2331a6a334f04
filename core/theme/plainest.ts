import { countValues } from './theme';
import type { ThemeView } from './view';

/** How much a theme says in all, with what it grows from but for the ground, on which all stand. */
const sayingsOf = ({ chain }: ThemeView): number => chain.slice(0, -1).reduce((sum, theme) => sum + countValues(theme), 0);

/** The one of some that says least, so that a table is first seen for what it holds; of several the first by name. Undefined for none. */
export function plainestOf<T>(all: readonly T[], viewOf: (each: T) => ThemeView): T | undefined {
  const told = all.map((each) => ({ each, view: viewOf(each) })).map(({ each, view }) => ({ each, says: sayingsOf(view), name: view.theme.name }));
  return told.sort((a, b) => a.says - b.says || a.name.localeCompare(b.name))[0]?.each;
}
