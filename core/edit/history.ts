import { dequal } from 'dequal/lite';

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
  /**
   * What another window did, taken in here: nothing of one's own to undo. It leads from one of one's own states to the next, so that
   * steps below it can be undone in the document as it is now.
   */
  readonly foreign?: true;
}

/** Puts together what led from `base` to `mine` and from `base` to `theirs`; where both changed one place, theirs holds. */
export type Together<T> = (base: T, mine: T, theirs: T) => T;

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
function differing(
  before: object,
  after: object,
  isSame: (a: unknown, b: unknown) => boolean = Object.is,
): { readonly before: Fields; readonly after: Fields } {
  const [old, next] = [before as Fields, after as Fields];
  const names = [...new Set([...Object.keys(old), ...Object.keys(next)])].filter((name) => !isSame(old[name], next[name]));
  const pick = (from: Fields): Fields => Object.fromEntries(names.map((name) => [name, from[name]]));
  return { before: pick(old), after: pick(next) };
}

/** The document with other fields; one that is undefined is taken away. */
function withFields<T extends object>(document: T, fields: Fields): T {
  const changed: Record<string, unknown> = { ...document, ...fields };
  for (const [name, value] of Object.entries(fields)) if (value === undefined) delete changed[name];
  return changed as T;
}

const isOwn = ({ foreign }: Step): boolean => foreign !== true;
export const undoLabel = (history: History<unknown>): string | undefined => history.done.filter(isOwn).at(-1)?.label;
export const redoLabel = (history: History<unknown>): string | undefined => history.undone.filter(isOwn).at(-1)?.label;

/** What leads from one state to another without being anybody's here; nothing where there is no difference. */
function foreign(from: object, to: object): readonly Step[] {
  const { before, after } = differing(from, to, dequal);
  return Object.keys(after).length === 0 ? [] : [{ label: '', touches: '', time: 0, before, after, foreign: true }];
}

/** One's own last step of a pile, the state that the pile led to before what others did came on top, and what lies below it. */
function ownLast<T extends object>(
  pile: readonly Step[],
  present: T,
  side: 'before' | 'after',
): { step: Step; at: T; rest: readonly Step[] } | undefined {
  let at = present;
  for (let i = pile.length - 1; i >= 0; i--) {
    const step = pile[i];
    if (step && isOwn(step)) return { step, at, rest: pile.slice(0, i) };
    if (step) at = withFields(at, step[side]);
  }
  return undefined;
}

const theirsHold = <T>(_base: T, _mine: T, theirs: T): T => theirs;

/**
 * Undoes the newest step of one's own; the same history when there is none. What another window did since then stays: the step is
 * taken back in the document as it is now.
 */
export function undo<T extends object>(history: History<T>, together: Together<T> = theirsHold): History<T> {
  const { present, done, undone } = history;
  const last = ownLast(done, present, 'before');
  if (!last) return history;
  const { step, at, rest } = last;
  const was = withFields(at, step.before);
  if (at === present) return { present: was, done: rest, undone: [...undone, step] };
  const now = together(at, was, present);
  const { before, after } = differing(now, present);
  return { present: now, done: rest.length === 0 ? [] : [...rest, ...foreign(was, now)], undone: [...undone, { ...step, before, after }] };
}

/** Does the last undone step again; the same history when there is none. */
export function redo<T extends object>(history: History<T>, together: Together<T> = theirsHold): History<T> {
  const { present, done, undone } = history;
  const last = ownLast(undone, present, 'after');
  if (!last) return history;
  const { step, at, rest } = last;
  const next = withFields(at, step.after);
  if (at === present) return { present: next, done: [...done, { ...step, time: 0 }], undone: rest };
  const now = together(at, next, present);
  const { before, after } = differing(present, now);
  const [back] = foreign(next, now);
  return {
    present: now,
    done: [...done, { ...step, time: 0, before, after }],
    undone: rest.length === 0 || !back ? rest : [...rest, { ...back, before: back.after, after: back.before }],
  };
}

/** What another window did, on its way into a history. */
export interface TakenIn<T> {
  /** The state that both began from. */
  readonly base: T;
  readonly theirs: T;
  /** What the document is with both. */
  readonly merged: T;
  /** Steps of one's own that are laid on theirs one by one. */
  readonly together: Together<T>;
}

/** Of more steps than this that are not kept yet, what another window did is laid on top, not beneath. */
const MOST_LAID_ON = 100;

/**
 * Takes in what another window did. It lies beneath one's own steps since `base`, as though it had been done before them: undoing all
 * of these leads to `theirs`. Where the base is no state between two steps, it lies on top, and each step is undone under it.
 */
export function takeIn<T extends object>(history: History<T>, { base, theirs, merged, together }: TakenIn<T>): History<T> {
  const { present, done, undone } = history;
  const states = [present];
  let from = done.length;
  for (; from > 0 && states[0] !== base && !dequal(states[0], base) && states.length <= MOST_LAID_ON; from--)
    states.unshift(withFields(states[0] as T, done[from - 1]?.before ?? {}));
  const isBetween = states[0] === base || dequal(states[0], base);
  const [back] = foreign(present, merged);
  const undoneStill = undone.length === 0 || !back ? undone : [...undone, { ...back, before: back.after, after: back.before }];
  if (!isBetween) return { present: merged, done: done.length === 0 ? [] : [...done, ...foreign(present, merged)], undone: undoneStill };
  const own = done.slice(from).flatMap((step, i) => (isOwn(step) ? [{ step, state: states[i + 1] as T }] : []));
  let at = own.length === 0 ? merged : theirs;
  const laid = own.flatMap(({ step, state }, i) => {
    const next = i === own.length - 1 ? merged : together(base, state, theirs);
    const { before, after } = differing(at, next, dequal);
    at = next;
    return Object.keys(after).length === 0 ? [] : [{ ...step, before, after }];
  });
  const below = done.slice(0, from);
  return {
    present: merged,
    done: [...below, ...(below.length === 0 ? [] : foreign(states[0] as T, own.length === 0 ? merged : theirs)), ...laid],
    undone: undoneStill,
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
  Array.from({ length: done.length }, (_, i) => done.length - 1 - i).flatMap((steps) => {
    const last = done[steps - 1];
    return last?.foreign === true ? [] : [{ steps, label: last?.label, time: last?.time || undefined }];
  });

/** The document as it was after so many steps. */
export function documentAt<T extends object>({ present, done }: History<T>, steps: number): T {
  return done.slice(steps).reduceRight((document, { before }) => withFields(document, before), present);
}
