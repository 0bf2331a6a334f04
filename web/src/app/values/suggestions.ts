import { offersFor, type ThemeView } from '../../../../core/theme';
import { kindOf, type RowName } from './rows';

/** What can be typed in a row, for the list below its field. */
export const suggestionsFor = (row: RowName, { swatches, scale, pictures }: ThemeView): readonly string[] =>
  offersFor(kindOf(row), {
    swatches: swatches.map(({ name }) => name),
    steps: scale.steps.map(({ name }) => name),
    pictures: pictures.map(({ name }) => name),
  });
