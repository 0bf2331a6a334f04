import type { Starter } from './shapes';
import { starters } from './starters';

/** A starter as it first shipped. */
function first(key: string): Starter {
  const found = starters.find((each) => each.key === key);
  if (!found) throw new RangeError(`There is no starter “${key}”`);
  return found;
}

const hairline = first('hairline');

/**
 * Later versions of starters. One that has shipped is never changed (its themes' editions would look otherwise): what is better
 * about it comes as its next version here, to which themes are moved by those who made them.
 */
export const laterVersions: readonly Starter[] = [
  {
    ...hairline,
    version: 2,
    theme: {
      ...hairline.theme,
      // Numbers stand below each other, so that they can be compared down a column.
      values: { ...hairline.theme.values, numbers: { rest: { figures: 'tabular', align: 'end', decimals: 'aligned' } } },
    },
  },
];
