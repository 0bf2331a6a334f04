import type { PartValues, Theme, Values } from '../theme';
import { accentDress } from './accent-dress';
import { refersToSwatch } from '../read-swatches';
import { cardDress } from './card-dress';
import { compareDress } from './compare-dress';
import { ground } from './ground';
import { pad, type Starter } from './shapes';
import { starters } from './starters';

/** A starter as it first shipped. */
function first(key: string): Starter {
  const found = starters.find((each) => each.key === key);
  if (!found) throw new RangeError(`There is no starter “${key}”`);
  return found;
}

type Changed = (values: Theme['values']) => Theme['values'];

/** The next version of a starter: grown from a version of the ground, with its values changed. */
const next = (before: Starter, groundVersion: number, changed: Changed = (values) => values): Starter => ({
  ...before,
  version: before.version + 1,
  theme: { ...before.theme, base: { starter: 'ground', version: groundVersion }, values: changed(before.theme.values) },
});

/** Hairline 2: numbers stand below each other, so that they can be compared down a column. */
const hairline = next(first('hairline'), 1, (values) => ({
  ...values,
  numbers: { rest: { figures: 'tabular', align: 'end', decimals: 'aligned' } },
}));

/** Tiles 2: header columns alternate by what stands over them, so that both tiers are of one piece; a column of one tier is its own. */
const tiles = next(first('tiles'), 2, (values) => {
  const { 'even-columns': alternating, ...headers } = values['column-headers'] ?? {};
  return { ...values, 'column-headers': { ...headers, 'even-groups': alternating } };
});

/** From the second version of the ground on, headers stand as what stands under them, but where a starter says otherwise. */
const following = starters.filter(({ key }) => key in cardDress && key !== 'hairline' && key !== 'tiles').map((starter) => next(starter, 2));

const undressed = [next(hairline, 2), tiles, ...following];

/** The version after it: with cards of pricing tables, and all else as it was. */
const withCards = (starter: Starter): Starter => next(starter, 2, (values) => ({ ...values, ...cardDress[starter.key] }));

const dressed = undressed.map(withCards);

/** The version after that: what of its cards goes with the accent of a plan is said by it. */
function withAccents(starter: Starter): Starter {
  const { accent, values } = accentDress[starter.key] ?? { accent: 'ink', values: {} };
  const made = next(starter, 2, (before) => over(before, values));
  // A swatch that is called as one of CSS's own colours cannot be referred to by another.
  const colour = refersToSwatch(accent) ? accent : made.theme.swatches.find(({ name }) => name === accent)?.colour;
  return { ...made, theme: { ...made.theme, swatches: [...made.theme.swatches, { name: 'accent', colour: colour ?? '#808080' }] } };
}

/** Values with others in their place, property by property. */
const over = (under: Theme['values'], values: Theme['values']): Theme['values'] =>
  Object.entries(values).reduce<Record<string, PartValues>>(
    (all, [part, said]) => ({
      ...all,
      [part]: Object.entries(said).reduce<Record<string, Values>>(
        (own, [condition, texts]) => ({ ...own, [condition]: { ...own[condition], ...texts } }),
        all[part] ?? {},
      ),
    }),
    under,
  );

/** The second version of a starter for pricing: what stands out in a comparison of plans. */
const withComparison = ([key, values]: readonly [string, Theme['values']]): Starter => next(first(key), 2, (before) => over(before, values));

/** Later versions of the ground: all values of the one before, with what is better. */
export const laterGrounds: readonly Theme[] = [
  {
    ...ground,
    values: {
      ...ground.values,
      // A line that can be told from a light page as from a dark one (WCAG 2.2, 1.4.11).
      'search-field': { rest: { edge: '1px solid #808080', ...pad('0.25em', '0.5em') } },
      'column-headers': { rest: { ...ground.values['column-headers']?.rest, align: 'as its column' } },
    },
  },
];

/**
 * Later versions of starters. One that has shipped is never changed (its themes' editions would look otherwise): what is better
 * about it comes as its next version here, to which themes are moved by those who made them.
 */
export const laterVersions: readonly Starter[] = [
  hairline,
  ...undressed,
  ...dressed,
  ...dressed.map(withAccents),
  ...Object.entries(compareDress).map(withComparison),
];
