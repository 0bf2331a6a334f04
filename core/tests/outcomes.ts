import type { Outcome } from '../outcome';

/** What an outcome has; a spec goes wrong where it has nothing. */
export function made<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(outcome.problems[0]?.say);
  return outcome.value;
}

/** What an outcome says is wrong, and what would be right; empty where all is well. */
export const says = (outcome: Outcome<unknown>): string =>
  outcome.ok ? '' : `${outcome.problems[0]?.say ?? ''} ${outcome.problems[0]?.remedy ?? ''}`;
