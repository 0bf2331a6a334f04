import { tableParts } from './catalogue/parts';
import { valueLists, type Theme } from './theme';
import { viewOfChain, type ThemeView } from './view';

const names: readonly string[] = tableParts.map(({ name }) => name);
const saysSo = (values: Theme['values']): boolean => names.some((name) => values[name as keyof Theme['values']]?.featured !== undefined);

/** Values without what is said of the columns of featured plans. */
function plain(values: Theme['values']): Theme['values'] {
  if (!saysSo(values)) return values;
  const parts = Object.entries(values).flatMap(([name, conditions]) => {
    if (!names.includes(name) || conditions.featured === undefined) return [[name, conditions] as const];
    const { featured: _, ...others } = conditions;
    // A part that says nothing more is none: a mode of which nothing is left differs in nothing.
    return Object.keys(others).length === 0 ? [] : [[name, others] as const];
  });
  return Object.fromEntries(parts);
}

function plainTheme(theme: Theme): Theme {
  if (!valueLists(theme).some(saysSo)) return theme;
  const { widths, modes } = theme;
  const each = <T extends Pick<Theme, 'values'>>(list: readonly T[]): readonly T[] => list.map((one) => ({ ...one, values: plain(one.values) }));
  return { ...theme, values: plain(theme.values), ...(widths ? { widths: each(widths) } : {}), ...(modes ? { modes: each(modes) } : {}) };
}

const known = new WeakMap<ThemeView, ThemeView>();

/**
 * A theme as tables wear it that compare no plans: it says nothing of the columns of featured ones. Cards are as they were. A theme that
 * says nothing of those columns is itself.
 */
export function withoutFeatured(view: ThemeView): ThemeView {
  const found = known.get(view);
  if (found) return found;
  const chain = view.chain.map(plainTheme);
  const [first, ...others] = chain;
  const isSame = first === undefined || chain.every((each, at) => each === view.chain[at]);
  const made = isSame ? view : viewOfChain([first, ...others], view.step, view.mode, view.accent);
  known.set(view, made);
  return made;
}
