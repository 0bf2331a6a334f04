import { good, type Outcome } from '../../../../core/outcome';
import {
  bundles,
  propertyOf,
  readBundle,
  readValue,
  tidy,
  type BundleName,
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

/** Reads what was typed in a row: a text for each of its properties. */
export function readRow(row: RowName, typed: string, vocabulary: Vocabulary): Outcome<readonly string[]> {
  const bundle = bundleNamed(row);
  if (bundle) return readBundle(bundle, typed, vocabulary);
  const read = readValue(kindOf(row), typed, vocabulary);
  return read.ok ? good([tidy(typed)]) : read;
}
