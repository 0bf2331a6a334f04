import { sayProblem, type Outcome } from '../../outcome';
import { editedRows } from '../comparison';
import { shownPlans } from '../shown';
import type { Pricing } from '../pricing';
import { addFeature, addPlan } from './edit-pricing';
import { typeIn } from './type-in';

/** What became of cells that were typed or pasted together. */
export interface TypedBlock {
  readonly pricing: Pricing;
  /** How many cells were taken, and how many plans and features were made for them. */
  readonly cells: number;
  readonly plans: number;
  readonly features: number;
  /** What was wrong with those that were not, each as a sentence. */
  readonly problems: readonly string[];
}

/**
 * A block of texts typed into the comparison from a cell on, row by row. Where it reaches further than there is, plans and features are made
 * for it. What cannot be read leaves its cell as it was, and is said; all else is taken.
 */
export function typeBlock(
  pricing: Pricing,
  from: { readonly row: number; readonly column: number },
  texts: readonly (readonly string[])[],
  currency = pricing.first.currency,
): TypedBlock {
  const problems: string[] = [];
  let [now, cells] = [pricing, 0];
  const width = Math.max(0, ...texts.map((row) => row.length));
  const say = (outcome: Outcome<Pricing>): void => {
    if (!outcome.ok) problems.push(...outcome.problems.map(sayProblem));
  };
  while (shownPlans(now).length + 1 < from.column + width) {
    const more = addPlan(now);
    if (!more.ok) {
      say(more);
      break;
    }
    now = more.value;
  }
  texts.forEach((row, down) => {
    while (editedRows(now, currency).length <= from.row + down) {
      const more = addFeature(now, '');
      if (!more.ok) return say(more);
      now = more.value;
    }
    const [at, plans] = [editedRows(now, currency)[from.row + down], shownPlans(now)];
    row.forEach((text, across) => {
      const plan = plans[from.column + across - 1];
      if (!at || (from.column + across > 0 && !plan)) return;
      const typed = typeIn(now, at, plan, text);
      if (!typed.ok) return say(typed);
      [now, cells] = [typed.value, cells + 1];
    });
  });
  const counted = (what: 'plans' | 'features'): number => now[what].length - pricing[what].length;
  return { pricing: now, cells, plans: counted('plans'), features: counted('features'), problems: [...new Set(problems)] };
}
