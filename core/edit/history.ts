import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer';

enablePatches();

/** One thing that was done, as patches forwards and back. It is plain data. */
export interface Step {
  /** What was done, as it reads after "Undo": `set the fill of body rows`. */
  readonly label: string;
  /** What it touched: steps that touch the same thing in quick succession are undone together. Empty: it stands alone. */
  readonly touches: string;
  readonly time: number;
  readonly forward: readonly Patch[];
  readonly backward: readonly Patch[];
}

/** A document with everything that was done to it. Replaced at each change, never updated. */
export interface History<T> {
  readonly present: T;
  /** Newest last. */
  readonly done: readonly Step[];
  /** Next to be done again last. */
  readonly undone: readonly Step[];
}

/** Steps on the same thing join when less than this many milliseconds lie between them. */
export const JOIN_MS = 800;

export const startHistory = <T>(present: T): History<T> => ({ present, done: [], undone: [] });

export interface Change<T> {
  readonly label: string;
  readonly touches: string;
  /** When, in milliseconds; the caller's clock. */
  readonly time: number;
  /** Gives the changed document; the same one when there is nothing to do. */
  readonly make: (present: T) => T;
}

/** Does something and remembers how to undo it. A change that changes nothing leaves the history as it is. */
export function act<T extends object>(history: History<T>, { label, touches, time, make }: Change<T>): History<T> {
  const after = make(history.present);
  if (after === history.present) return history;
  const [, forward, backward] = produceWithPatches(history.present as Record<string, unknown>, (draft) =>
    replaceFields(draft, after as Record<string, unknown>),
  );
  if (forward.length === 0) return history;
  const last = history.done.at(-1);
  const joins = last !== undefined && touches !== '' && last.touches === touches && time - last.time < JOIN_MS && history.undone.length === 0;
  const step: Step = joins
    ? { label, touches, time, forward: [...last.forward, ...forward], backward: [...backward, ...last.backward] }
    : { label, touches, time, forward, backward };
  return { present: after, done: [...(joins ? history.done.slice(0, -1) : history.done), step], undone: [] };
}

/** Takes over the fields that differ, so that patches name fields and not the whole document. */
function replaceFields(draft: Record<string, unknown>, after: Record<string, unknown>): void {
  for (const key of Object.keys(draft)) if (!(key in after)) delete draft[key];
  for (const [key, value] of Object.entries(after)) if (draft[key] !== value) draft[key] = value;
}

export const undoLabel = (history: History<unknown>): string | undefined => history.done.at(-1)?.label;
export const redoLabel = (history: History<unknown>): string | undefined => history.undone.at(-1)?.label;

/** Undoes the newest step; the same history when there is none. */
export function undo<T extends object>(history: History<T>): History<T> {
  const step = history.done.at(-1);
  if (!step) return history;
  return { present: applyPatches(history.present, [...step.backward]), done: history.done.slice(0, -1), undone: [...history.undone, step] };
}

/** Does the last undone step again; the same history when there is none. */
export function redo<T extends object>(history: History<T>): History<T> {
  const step = history.undone.at(-1);
  if (!step) return history;
  return {
    present: applyPatches(history.present, [...step.forward]),
    done: [...history.done, { ...step, time: 0 }],
    undone: history.undone.slice(0, -1),
  };
}

/** An earlier state of the work: how many steps had been done, what came last, and when. */
export interface Moment {
  /** Steps that had been done; 0 is the beginning. */
  readonly steps: number;
  /** What was done last; undefined at the beginning. */
  readonly label: string | undefined;
  /** When, in milliseconds; undefined where it is not known. */
  readonly time: number | undefined;
}

/** Every earlier state of the work, the newest first. */
export const momentsOf = ({ done }: History<unknown>): readonly Moment[] =>
  Array.from({ length: done.length }, (_, i) => done.length - 1 - i).map((steps) => {
    const last = done[steps - 1];
    return { steps, label: last?.label, time: last?.time || undefined };
  });

/** The document as it was after so many steps. */
export function documentAt<T extends object>({ present, done }: History<T>, steps: number): T {
  return done.slice(steps).reduceRight((document, { backward }) => applyPatches(document, [...backward]), present);
}
