/**
 * Bad input is not an exception. What may fail returns an Outcome: the value, or the problems that
 * prevent it. A problem says what is wrong, where, and what would put it right.
 */
export interface Problem {
  /** Stable name of the kind of problem, for tests and for other programs. */
  readonly code: string;
  /** One sentence for the person: what is wrong. */
  readonly say: string;
  /** Where, as a path (`values/body-rows/even/fill`) or a place in a file (`line 3, column 14`). */
  readonly at?: string;
  /** What to do about it, as one sentence. */
  readonly remedy?: string;
}

export type Outcome<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

export const good = <T>(value: T): Outcome<T> => ({ ok: true, value });
export const bad = (...problems: Problem[]): Outcome<never> => ({ ok: false, problems });

/** The first problem as one text for a narrow place: what is wrong, then what to do. */
export function sayProblem(problem: Problem): string {
  return problem.remedy ? `${problem.say} ${problem.remedy}` : problem.say;
}
