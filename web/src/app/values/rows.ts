import { good, type Outcome } from '../../../../core/outcome';
import {
  bundles,
  canFollow,
  canRead,
  isOfColumn,
  isReading,
  nothingToFollow,
  nothingToReadOn,
  propertyOf,
  readBundle,
  readValue,
  tidy,
  type BundleName,
  type Place,
  type Property,
  type PropertyName,
  type Vocabulary,
} from '../../../../core/theme';

/** A row of the ledger that can be edited: one property, or the sides of a bundle together. */
export type RowName = PropertyName | BundleName;

const bundleNamed = (row: RowName): (typeof bundles)[number] | undefined => bundles.find(({ name }) => name === row);

/** The properties that a row stands for. */
export const sidesOf = (row: RowName): readonly PropertyName[] => bundleNamed(row)?.sides ?? [row as PropertyName];

export const kindOf = (row: RowName): Property['kind'] => propertyOf(sidesOf(row)[0] ?? 'fill').kind;

/** Whether all of some places, of which there is one, can leave a row's value to the column that they stand over. */
export const canAllFollow = (row: RowName, places: readonly Place[]): boolean => {
  const property = propertyOf(sidesOf(row)[0] ?? 'fill');
  return places.length > 0 && places.every((place) => canFollow(place, property));
};

/** Reads what was typed in a row at some places of a theme, or beside one: a text for each of its properties. */
export function readRow(row: RowName, typed: string, vocabulary: Vocabulary, places: readonly Place[] = []): Outcome<readonly string[]> {
  const bundle = bundleNamed(row);
  if (bundle) return readBundle(bundle, typed, vocabulary);
  const read = readValue(kindOf(row), typed, vocabulary);
  if (!read.ok) return read;
  if (isReading(read.value) && !(places.length > 0 && places.every(canRead))) return nothingToReadOn();
  return isOfColumn(read.value) && !canAllFollow(row, places) ? nothingToFollow() : good([tidy(typed)]);
}
