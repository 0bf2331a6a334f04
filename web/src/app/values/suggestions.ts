import { offersFor, propertyOf, type Place, type ThemeView } from '../../../../core/theme';
import { canAllFollow, kindOf, sidesOf, type RowName } from './rows';

/** What can be typed in a row at some places of a theme, or beside one, for the list below its field. */
export function suggestionsFor(row: RowName, { read, swatches, scale, pictures }: ThemeView, places: readonly Place[] = []): readonly string[] {
  const offers = offersFor(kindOf(row), {
    swatches: swatches.map(({ name }) => name),
    steps: scale.steps.map(({ name }) => name),
    pictures: pictures.map(({ name }) => name),
  });
  const property = propertyOf(sidesOf(row)[0] ?? 'fill');
  if (property.follows === undefined || canAllFollow(row, places)) return offers;
  // Only a header can be left to its column.
  return offers.filter((text) => read(property, text).ok);
}
