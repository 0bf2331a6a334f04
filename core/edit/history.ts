/** Fields of a document as they are in one state; undefined where a field is not there. */
export type Fields = Readonly<Record<string, unknown>>;

/**
 * One thing that was done: the fields that it changed, as they were and as they are. Values are the documents' own, not
 * copies: documents are never changed in place, and what stayed the same is known by being the same value.
 */
export interface Step {
  /** What was done, as it reads after "Undo": `set the fill of body rows`. */
  readonly label: string;
  /** What it touched: steps that touch the same thing in quick succession are undone together. Empty: it stands alone. */
  readonly touches: string;
  readonly time: number;
  readonly before: Fields;
  readonly after: Fields;
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
  const { before: old, after: next } = differing(history.present, after);
  if (Object.keys(next).length === 0) return history;
  const last = history.done.at(-1);
  const joins = last !== undefined && touches !== '' && last.touches === touches && time - last.time < JOIN_MS && history.undone.length === 0;
  const step: Step = joins
    ? { label, touches, time, before: { ...old, ...last.before }, after: { ...last.after, ...next } }
    : { label, touches, time, before: old, after: next };
  return { present: after, done: [...(joins ? history.done.slice(0, -1) : history.done), step], undone: [] };
}

/** The fields in which two states differ. */
function differing(before: object, after: object): { readonly before: Fields; readonly after: Fields } {
  const [old, next] = [before as Fields, after as Fields];
  const names = [...new Set([...Object.keys(old), ...Object.keys(next)])].filter((name) => old[name] !== next[name]);
  const pick = (from: Fields): Fields => Object.fromEntries(names.map((name) => [name, from[name]]));
  return { before: pick(old), after: pick(next) };
}

/** The document with other fields; one that is undefined is taken away. */
function withFields<T extends object>(document: T, fields: Fields): T {
  const changed: Record<string, unknown> = { ...document, ...fields };
  for (const [name, value] of Object.entries(fields)) if (value === undefined) delete changed[name];
  return changed as T;
}

export const undoLabel = (history: History<unknown>): string | undefined => history.done.at(-1)?.label;
export const redoLabel = (history: History<unknown>): string | undefined => history.undone.at(-1)?.label;

/** Undoes the newest step; the same history when there is none. */
export function undo<T extends object>(history: History<T>): History<T> {
  const step = history.done.at(-1);
  if (!step) return history;
  return { present: withFields(history.present, step.before), done: history.done.slice(0, -1), undone: [...history.undone, step] };
}

/** Does the last undone step again; the same history when there is none. */
export function redo<T extends object>(history: History<T>): History<T> {
  const step = history.undone.at(-1);
  if (!step) return history;
  return {
    present: withFields(history.present, step.after),
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
  return done.slice(steps).reduceRight((document, { before }) => withFields(document, before), present);
}
