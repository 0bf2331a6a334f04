import { dequal } from 'dequal/lite';
import { documentAt, redo, takeIn, undo, type History, type Step, type Together } from './history';

/** One thing that was done here, in a list of all of them: what, when, and whether it holds now. */
export interface Logged {
  /** How many of one's own steps are done once it is: what `goTo` is asked for. */
  readonly count: number;
  readonly label: string;
  /** In milliseconds; undefined where it is not known. */
  readonly time: number | undefined;
  readonly is: 'done' | 'now' | 'undone';
  /** How many steps of the pile lie below it, for `documentAt`; undefined for one that was undone. */
  readonly at: number | undefined;
}

const isOwn = ({ foreign }: Step): boolean => foreign !== true;

/** Everything that was done in this window, the newest first; what was undone and can be done again stands before it. */
export function logOf({ done, undone }: History<unknown>): readonly Logged[] {
  const own = done.flatMap((step, at) => (isOwn(step) ? [{ step, at }] : []));
  const again = undone.filter(isOwn).toReversed();
  const time = ({ time: at }: Step): number | undefined => at || undefined;
  return [
    ...own.map(({ step, at }, i): Logged => ({ count: i + 1, label: step.label, time: time(step), is: i === own.length - 1 ? 'now' : 'done', at })),
    ...again.map((step, i): Logged => ({ count: own.length + i + 1, label: step.label, time: time(step), is: 'undone', at: undefined })),
  ].toReversed();
}

/**
 * Goes to the moment at which so many of one's own steps were done: back by undoing, or forward again. What other windows did stays, as
 * in each undo.
 */
export function goTo<T extends object>(history: History<T>, count: number, together?: Together<T>): History<T> {
  const isBack = history.done.filter(isOwn).length > count;
  let at = history;
  for (let now = at.done.filter(isOwn).length; now !== count;) {
    at = isBack ? undo(at, together) : redo(at, together);
    const next = at.done.filter(isOwn).length;
    // A step that another window has done away with is gone from both piles.
    if (next === now || next < count === isBack) break;
    now = next;
  }
  return at;
}

/** Steps that are kept of a history when it is laid by. */
export const MOST_KEPT = 200;

/** The newest steps of a history, to be laid by. */
export const newestOf = <T>({ present, done, undone }: History<T>): History<T> => ({
  present,
  done: done.slice(-MOST_KEPT),
  undone: undone.slice(-MOST_KEPT),
});

/**
 * A history that was laid by, for the document as it is now: what was done to it since, in whichever window, is nobody's here, and each
 * step is undone beneath it.
 */
export function revived<T extends object>(kept: History<T>, document: T, together: Together<T>): History<T> {
  if (dequal(kept.present, document)) return { ...kept, present: document };
  return takeIn(kept, { base: kept.present, theirs: document, merged: document, together });
}

/** The document just before a step and just after it. */
export const aroundStep = <T extends object>(history: History<T>, at: number): readonly [before: T, after: T] => [
  documentAt(history, at),
  documentAt(history, at + 1),
];
