import { bad, good, type Outcome } from '../../outcome';
import type { Exception } from '../../table';
import type { Comparison } from '../comparison';
import type { Pricing, PricingException } from '../pricing';

const refused = (say: string): Outcome<never> =>
  bad({ code: 'pricing-look', say, remedy: 'Choose a plan by its name, or where a plan and a feature cross.' });

/** What the place of a look in a comparison is of; a sentence where it is of no plan and no feature. */
function lookAt({ plans, rows }: Comparison, { row, column, values }: Exception): Outcome<PricingException> {
  if (column === 0) return refused('The names of the features have no look of their own.');
  const plan = column === null ? null : (plans[column - 1]?.id ?? '');
  if (plan === '') return refused('There is no plan there.');
  if (row === null) return good({ plan, feature: null, values });
  const at = rows[row];
  if (!at || !('feature' in at)) return refused('Names, prices and actions have the look of their plan.');
  return good({ plan, feature: at.feature.id, values });
}

/**
 * The pricing table with the looks that its comparison was given, as it is worked on: those of columns are of plans, those of rows of
 * features, those of cells of where both cross. What is not shown there keeps its own.
 */
export function takeLooks(pricing: Pricing, shown: Comparison, exceptions: readonly Exception[]): Outcome<Pricing> {
  const isShown = ({ plan, feature }: PricingException): boolean =>
    (plan === null || shown.plans.some(({ id }) => id === plan)) &&
    (feature === null || shown.rows.some((row) => 'feature' in row && row.feature.id === feature));
  const found: PricingException[] = pricing.exceptions.filter((each) => !isShown(each));
  for (const each of exceptions) {
    const look = lookAt(shown, each);
    if (!look.ok) return look;
    found.push(look.value);
  }
  return good({ ...pricing, exceptions: found });
}
