import { choices, type ThemeView } from '../../../../core/theme';
import { kindOf, type RowName } from './rows';

/** What can be typed in a row, for the list below its field. */
export function suggestionsFor(row: RowName, view: ThemeView): readonly string[] {
  const kind = kindOf(row);
  const swatches = view.swatches.map(({ name }) => name);
  if (kind === 'colour') return [...swatches, 'none'];
  if (kind === 'size') return view.scale.steps.map(({ name }) => name);
  if (kind === 'line') return ['none', ...swatches.map((name) => `1px solid ${name}`)];
  if (kind === 'picture') return [...(choices.picture ?? []), ...view.pictures.map(({ name }) => name)];
  return choices[kind] ?? [];
}
