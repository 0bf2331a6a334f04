import {
  BehaviorSubject,
  type Observable,
  Subject,
  catchError,
  debounceTime,
  defer,
  distinctUntilChanged,
  exhaustMap,
  filter,
  firstValueFrom,
  from,
  map,
  merge,
  of,
  takeUntil,
  throwError,
  timer,
} from 'rxjs';
import { act, redo, redoLabel, same, startHistory, undo, undoLabel, type Conflict, type History } from '../../../../core/edit';
import type { DocumentKind } from '../../../../core/documents';
import { ApiError, type Kept, type Kind } from './api';
import type { Drafts } from './drafts';

/** Whether everything is kept, and if not, why. */
export type KeepState =
  | { readonly kind: 'kept'; readonly at: Date }
  | { readonly kind: 'saving' }
  | { readonly kind: 'waiting'; readonly say: string }
  | { readonly kind: 'refused'; readonly say: string }
  | { readonly kind: 'conflict'; readonly conflicts: readonly Conflict[] };

/** What of a kind of documents a session goes by. */
export type Merging<T> = Pick<DocumentKind<T>, 'merge' | 'take' | 'where' | 'upgrade'>;

export interface SessionOptions<T> {
  /** Sends a document to the server, over the revision that it started from. */
  readonly save: (id: string, revision: number, document: T) => Observable<{ readonly revision: number }>;
  readonly drafts: Drafts;
  readonly kind: Kind;
  readonly kept: Kept<T>;
  /** How what two windows did to one document is put together. */
  readonly merging: Merging<T>;
  /** Is told when changes from another window were taken in. */
  readonly notice: (sentence: string) => void;
  /** How documents of this kind are kept, where that is not as a whole. */
  readonly keeping?: Keeping<T>;
}

/** A way of keeping documents that are too large to be sent, and laid by, as a whole at each change. */
export interface Keeping<T> {
  /** Sends what differs from the state that the server has, with the words for what was done. */
  readonly save: (id: string, revision: number, before: T, after: T, said: readonly string[]) => Promise<{ readonly revision: number }>;
  /** The document as it stands now, after another window changed it. */
  readonly fetch: (id: string) => Promise<Kept<T>>;
  /** What of a change is laid by in this window until it is kept; undefined where it is too large for that. */
  readonly draft: (before: T, after: T) => unknown;
  /** The document with what was laid by; undefined where that no longer fits. */
  readonly takeUp: (document: T, draft: unknown) => T | undefined;
}

/** Milliseconds of quiet before a change is sent. */
const QUIET_MS = 300;
const LONGEST_WAIT_MS = 8000;
/** Steps that are told with one save. */
const MOST_SAID = 500;

/**
 * One document being edited: its history, and a stream of saves. A save that finds the server gone is tried
 * again until it is back; one that finds a newer revision is merged, and what cannot be merged is put to the
 * person. Until a change is kept, a draft of it lies in this window's storage.
 */
export class DocumentSession<T extends { readonly name: string }> {
  private readonly historySubject: BehaviorSubject<History<T>>;
  private readonly stateSubject: BehaviorSubject<KeepState>;
  private readonly changed = new Subject<void>();
  private readonly tryNow = new Subject<void>();
  private readonly closed = new Subject<void>();
  /** The document as the server last had it, and its revision there. */
  private base: T;
  private revision: number;
  private theirs?: Kept<T>;
  private wait = 500;
  /** What was done since the last save, in words. */
  private unsaid: string[] = [];

  readonly document$: Observable<T>;
  readonly state$: Observable<KeepState>;
  readonly undoLabel$: Observable<string | undefined>;
  readonly redoLabel$: Observable<string | undefined>;

  constructor(private readonly options: SessionOptions<T>) {
    const { kept } = options;
    this.historySubject = new BehaviorSubject(startHistory(kept.document));
    this.stateSubject = new BehaviorSubject<KeepState>({ kind: 'kept', at: new Date(kept.updatedAt) });
    [this.base, this.revision] = [kept.document, kept.revision];
    this.document$ = this.historySubject.pipe(
      map(({ present }) => present),
      distinctUntilChanged(),
    );
    this.state$ = this.stateSubject.asObservable();
    this.undoLabel$ = this.historySubject.pipe(map(undoLabel), distinctUntilChanged());
    this.redoLabel$ = this.historySubject.pipe(map(redoLabel), distinctUntilChanged());
    merge(this.changed.pipe(debounceTime(QUIET_MS)), this.tryNow)
      .pipe(
        filter(() => this.isDirty && this.state.kind !== 'conflict'),
        exhaustMap(() => from(this.saveAll())),
        takeUntil(this.closed),
      )
      .subscribe();
    this.takeUpDraft();
  }

  /** Where a conflict is, in the words and numbers of the view. */
  where = (conflict: Conflict): string => this.options.merging.where(conflict, this.document);

  get id(): string {
    return this.options.kept.id;
  }
  get document(): T {
    return this.historySubject.value.present;
  }
  get state(): KeepState {
    return this.stateSubject.value;
  }
  get isDirty(): boolean {
    return this.document !== this.base && !same(this.document, this.base);
  }

  /** Everything that was done in this window since it was opened. */
  get history(): History<T> {
    return this.historySubject.value;
  }

  /** Changes the document; `touches` names what is changed, so that a drag or a word typed is undone at once; empty: the step stands alone. */
  act(label: string, touches: string, make: (document: T) => T): void {
    this.replace(act(this.historySubject.value, { label, touches, time: Date.now(), make }), label);
  }
  undo(): void {
    this.replace(undo(this.historySubject.value), `undo: ${undoLabel(this.history) ?? ''}`);
  }
  redo(): void {
    this.replace(redo(this.historySubject.value), `again: ${redoLabel(this.history) ?? ''}`);
  }

  /** Sends what is not kept yet without waiting; resolves when it is kept, or cannot be for now. */
  async flush(): Promise<boolean> {
    if (!this.isDirty) return true;
    this.tryNow.next();
    await firstValueFrom(this.state$.pipe(filter(({ kind }) => kind !== 'saving')));
    return !this.isDirty;
  }

  /** Settles a conflict: for each path in `theirs` the other window's side is taken, for the rest this one's. */
  settle(theirs: readonly Conflict[]): void {
    const other = this.theirs;
    if (this.state.kind !== 'conflict' || !other) return;
    const { merge: mergeDocuments, take } = this.options.merging;
    const merged = mergeDocuments(this.base, this.document, other.document);
    const settled = theirs.reduce((document, conflict) => take(document, conflict), merged.value);
    this.takeOver(other, settled, 'take in another window’s changes');
    this.theirs = undefined;
    if (!this.isDirty) return this.markKept();
    this.stateSubject.next({ kind: 'saving' });
    this.tryNow.next();
  }

  close(): void {
    this.closed.next();
    this.closed.complete();
  }

  private replace(history: History<T>, said: string): void {
    if (history === this.historySubject.value) return;
    if (this.unsaid.at(-1) !== said) this.unsaid.push(said);
    this.historySubject.next(history);
    if (this.isDirty) {
      this.layBy();
      if (this.state.kind !== 'conflict') this.stateSubject.next({ kind: 'saving' });
    }
    this.changed.next();
    if (!this.isDirty) this.markKept();
  }

  private layBy(): void {
    const { drafts, kind, keeping } = this.options;
    const { base, revision, document } = this;
    if (!keeping) return drafts.keep(kind, this.id, { base, revision, document });
    const change = keeping.draft(base, document);
    if (change === undefined) drafts.drop(kind, this.id);
    else drafts.keep(kind, this.id, { revision, change });
  }

  private send(document: T, said: readonly string[]): Promise<{ readonly revision: number } | ApiError> {
    const { save, keeping } = this.options;
    const sending = keeping ? defer(() => keeping.save(this.id, this.revision, this.base, document, said)) : save(this.id, this.revision, document);
    return firstValueFrom(sending.pipe(catchError((error: unknown) => (error instanceof ApiError ? of(error) : throwError(() => error)))));
  }

  private async saveAll(): Promise<void> {
    while (this.isDirty) {
      const sent = this.document;
      const said = this.unsaid.slice(-MOST_SAID);
      this.stateSubject.next({ kind: 'saving' });
      const outcome = await this.send(sent, said);
      if (outcome instanceof ApiError) {
        if (!(await this.recover(outcome))) return;
      } else {
        [this.base, this.revision] = [sent, outcome.revision];
        this.unsaid = this.unsaid.slice(said.length);
        this.wait = 500;
      }
    }
    this.markKept();
  }

  /** What to do about a save that failed; true when it should be tried again at once. */
  private async recover(error: ApiError): Promise<boolean> {
    if (error.status === 412) {
      const { keeping } = this.options;
      return this.mergeWith(keeping ? await keeping.fetch(this.id) : (error.body['current'] as Kept<T>));
    }
    if (error.status === 0 || error.status >= 500) {
      this.stateSubject.next({
        kind: 'waiting',
        say: 'Not kept yet: the server cannot be reached. Your changes are safe in this window and are sent when it is back.',
      });
      timer(this.wait)
        .pipe(takeUntil(this.closed))
        .subscribe(() => this.tryNow.next());
      this.wait = Math.min(this.wait * 2, LONGEST_WAIT_MS);
    } else {
      this.stateSubject.next({ kind: 'refused', say: `Not kept: ${error.say}` });
    }
    return false;
  }

  private mergeWith(current: Kept<T>): boolean {
    const merged = this.options.merging.merge(this.base, this.document, current.document);
    if (merged.conflicts.length > 0) {
      this.theirs = current;
      this.stateSubject.next({ kind: 'conflict', conflicts: merged.conflicts });
      return false;
    }
    this.takeOver(current, merged.value, 'take in another window’s changes');
    this.options.notice('Another window changed this too. Its changes were taken in beside yours.');
    return true;
  }

  private takeOver(current: Kept<T>, merged: T, label: string): void {
    [this.base, this.revision] = [current.document, current.revision];
    this.historySubject.next(act(this.historySubject.value, { label, touches: 'merge', time: Date.now(), make: () => merged }));
  }

  private takeUpDraft(): void {
    const { drafts, kind, keeping } = this.options;
    const draft = drafts.find<T>(kind, this.id);
    if (!draft) return;
    if (!('document' in draft)) {
      const taken = keeping?.takeUp(this.document, draft.change);
      if (taken) this.act('take up what was not kept', 'draft', () => taken);
      return;
    }
    const { merge, upgrade } = this.options.merging;
    // It may lie here since before the tool knew a newer format.
    const [base, document] = [upgrade(draft.base) as T, upgrade(draft.document) as T];
    if (same(document, this.document)) return;
    const { conflicts, value } = merge(base, document, this.document);
    if (conflicts.length > 0 && draft.revision !== this.revision) {
      this.theirs = { ...this.options.kept };
      this.base = base;
      this.historySubject.next(startHistory(document));
      this.stateSubject.next({ kind: 'conflict', conflicts });
      return;
    }
    this.act('take up what was not kept', 'draft', () => value);
  }

  private markKept(): void {
    this.options.drafts.drop(this.options.kind, this.id);
    this.stateSubject.next({ kind: 'kept', at: new Date() });
  }
}
