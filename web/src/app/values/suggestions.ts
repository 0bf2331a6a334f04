import { choices, type Look } from '../../../../core/theme';
import { kindOf, type RowName } from './rows';

/** What can be typed in a row, for the list below its field. */
export function suggestionsFor(row: RowName, look: Look): readonly string[] {
  const kind = kindOf(row);
  const swatches = look.swatches.map(({ name }) => name);
  if (kind === 'colour') return [...swatches, 'none'];
  if (kind === 'size') return look.scale.steps.map(({ name }) => name);
  if (kind === 'line') return ['none', ...swatches.map((name) => `1px solid ${name}`)];
  if (kind === 'picture') return [...(choices.picture ?? []), ...(look.theme.pictures ?? []).map(({ name }) => name)];
  return choices[kind] ?? [];
}
