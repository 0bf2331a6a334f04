import {
  BehaviorSubject,
  type Observable,
  Subject,
  debounceTime,
  defer,
  distinctUntilChanged,
  exhaustMap,
  filter,
  firstValueFrom,
  from,
  map,
  merge,
  takeUntil,
  timer,
} from 'rxjs';
import { act, goTo, redo, redoLabel, revived, same, startHistory, takeIn, undo, undoLabel, type Conflict, type History } from '../../../../core/edit';
import { ApiError, type Kept } from './api';
import { waiting, type Happened, type KeepState, type LeftWork, type SessionOptions, type Sides } from './keeping';

/** Milliseconds of quiet before a change is sent. */
const QUIET_MS = 300;
const LONGEST_WAIT_MS = 8000;
/** Steps that are told with one save. */
const MOST_SAID = 500;

/**
 * One document being edited: its history, and a stream of saves. A save that finds the server gone is tried again until it is back;
 * one that finds a newer revision is merged, and what cannot be merged is put to the person. What another window keeps is followed.
 * Until a change is kept, a draft of it lies in this browser.
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
  /** The newest revision that the server told of. */
  private newest: number;
  private isSaving = false;
  private isFollowing = false;
  /** Whether what is not kept lies in this browser. */
  private isLaidBy = true;
  private theirs?: Kept<T>;
  /** While there is a conflict: both put together, with this window's side of it. */
  private together?: T;
  private wait = 500;
  /** What was done since the last save, in words. */
  private unsaid: string[] = [];

  readonly document$: Observable<T>;
  readonly history$: Observable<History<T>>;
  readonly state$: Observable<KeepState>;
  readonly undoLabel$: Observable<string | undefined>;
  readonly redoLabel$: Observable<string | undefined>;

  constructor(private readonly options: SessionOptions<T>) {
    const { kept, happened$ } = options;
    const { history } = options;
    this.historySubject = new BehaviorSubject(history ? revived(history, kept.document, this.theirsHold) : startHistory(kept.document));
    this.stateSubject = new BehaviorSubject<KeepState>({ kind: 'kept', at: new Date(kept.updatedAt) });
    [this.base, this.revision, this.newest] = [kept.document, kept.revision, kept.revision];
    this.history$ = this.historySubject.asObservable();
    this.document$ = this.historySubject.pipe(
      map(({ present }) => present),
      distinctUntilChanged(),
    );
    this.state$ = this.stateSubject.asObservable();
    this.undoLabel$ = this.historySubject.pipe(map(undoLabel), distinctUntilChanged());
    this.redoLabel$ = this.historySubject.pipe(map(redoLabel), distinctUntilChanged());
    merge(this.changed.pipe(debounceTime(QUIET_MS)), this.tryNow)
      .pipe(
        filter(() => this.isDirty && this.state.kind !== 'conflict' && this.state.kind !== 'gone'),
        exhaustMap(() => from(this.saveAll())),
        takeUntil(this.closed),
      )
      .subscribe();
    happened$.pipe(takeUntil(this.closed)).subscribe((what) => void this.follow(what));
  }

  /** A conflict as it is asked about: where, in the words and numbers of the view, and what comes of either choice. */
  sidesOf(conflict: Conflict): Sides<T> {
    const { merge: together, take, where } = this.options.merging;
    this.together ??= together(this.base, this.document, this.theirs?.document ?? this.document).value;
    return { where: where(conflict, this.together), mine: this.together, theirs: take(this.together, conflict) };
  }

  get id(): string {
    return this.options.kept.id;
  }
  get kind(): SessionOptions<T>['kind'] {
    return this.options.kind;
  }
  get document(): T {
    return this.historySubject.value.present;
  }
  /** The revision that this window began from, or has kept, last. */
  get seen(): number {
    return this.revision;
  }
  get state(): KeepState {
    return this.stateSubject.value;
  }
  get isDirty(): boolean {
    return this.document !== this.base && !same(this.document, this.base);
  }

  /** Everything that was done in this window, or in the one whose work it goes on with. */
  get history(): History<T> {
    return this.historySubject.value;
  }

  /** Changes the document; `touches` names what is changed, so that a drag or a word typed is undone at once; empty: the step stands alone. */
  act(label: string, touches: string, make: (document: T) => T): void {
    this.replace(act(this.historySubject.value, { label, touches, time: Date.now(), make }), label);
  }
  undo(): void {
    this.back(undo(this.historySubject.value, this.theirsHold), `undo: ${undoLabel(this.history) ?? ''}`);
  }
  redo(): void {
    this.back(redo(this.historySubject.value, this.theirsHold), `again: ${redoLabel(this.history) ?? ''}`);
  }

  /** Goes to the moment at which so many of one's own steps were done, back or forward again. */
  goTo(count: number, label: string): void {
    this.back(goTo(this.historySubject.value, count, this.theirsHold), `back to: ${label}`);
  }

  /** Sends what is not kept yet without waiting; resolves when it is kept, or cannot be for now. */
  async flush(): Promise<boolean> {
    if (!this.isDirty) return true;
    this.tryNow.next();
    if (this.isSaving) await firstValueFrom(this.state$.pipe(filter(() => !this.isSaving)));
    return !this.isDirty;
  }

  /** Settles a conflict: for each in `theirs` the other window's side is taken, for the rest this one's. */
  settle(theirs: readonly Conflict[]): void {
    const other = this.theirs;
    if (this.state.kind !== 'conflict' || !other) return;
    const taken = (document: T): T => theirs.reduce((at, conflict) => this.options.merging.take(at, conflict), document);
    const { merge: together } = this.options.merging;
    this.takeOver(other, taken(together(this.base, this.document, other.document).value), (base, mine, others) => {
      const { value, conflicts } = together(base, mine, others);
      const isTaken = ({ path }: Conflict): boolean => theirs.some((each) => same(each.path, path));
      return conflicts.filter(isTaken).reduce((at, conflict) => this.options.merging.take(at, conflict), value);
    });
    this.theirs = this.together = undefined;
    if (!this.isDirty) return this.markKept();
    this.stateSubject.next({ kind: 'saving' });
    this.tryNow.next();
  }

  /** Brings the document back after another window deleted it, with what was done here. */
  async bringBack(): Promise<void> {
    try {
      await this.options.bringBack(this.id);
      await this.follow('look');
    } catch (error) {
      this.stateSubject.next({ kind: 'gone', say: error instanceof ApiError ? error.say : 'It cannot be brought back now.' });
    }
  }

  /** Lays on what was done in a window that is gone, through the same merge as another window's work; false where all of it was kept. */
  takeUp({ base, document }: LeftWork<T>): boolean {
    const { conflicts, value } = this.options.merging.merge(base, document, this.document);
    if (conflicts.length === 0) {
      this.act('take up what was not kept', '', () => value);
      if (!this.isDirty) this.markKept();
      return this.isDirty;
    }
    this.theirs = { ...this.options.kept, document: this.document, revision: this.revision };
    this.base = base;
    this.historySubject.next(act(startHistory(base), { label: 'take up what was not kept', touches: '', time: Date.now(), make: () => document }));
    this.layBy();
    this.stateSubject.next({ kind: 'conflict', conflicts });
    return true;
  }

  close(): void {
    this.closed.next();
    this.closed.complete();
  }

  private readonly theirsHold = (base: T, mine: T, theirs: T): T => {
    const { value, conflicts } = this.options.merging.merge(base, mine, theirs);
    return conflicts.reduce((at, conflict) => this.options.merging.take(at, conflict), value);
  };

  private back(history: History<T>, said: string): void {
    const before = this.historySubject.value;
    if (history !== before && same(history.present, before.present))
      this.options.notice('Another window has changed that since. It stays as it is there.');
    this.replace(history, said);
  }

  private replace(history: History<T>, said: string): void {
    if (history === this.historySubject.value) return;
    if (this.unsaid.at(-1) !== said) this.unsaid.push(said);
    this.historySubject.next(history);
    if (this.isDirty) {
      this.layBy();
      // While the server cannot be reached, nothing is being kept: the line goes on saying so.
      if (this.state.kind === 'kept' || this.state.kind === 'refused') this.stateSubject.next({ kind: 'saving' });
    }
    this.changed.next();
    if (!this.isDirty && this.state.kind !== 'gone') this.markKept();
  }

  private layBy(): void {
    const { drafts, kind, keeping } = this.options;
    const { base, revision, document } = this;
    const work = keeping ? { change: keeping.draft(base, document) } : { base, document };
    void drafts.keep(kind, this.id, { revision, name: document.name, ...work }).then((isLaidBy) => {
      const isNews = isLaidBy !== this.isLaidBy;
      this.isLaidBy = isLaidBy;
      if (isNews && this.state.kind === 'waiting') this.stateSubject.next(waiting(this.isLaidBy));
    });
  }

  private async send(document: T, said: readonly string[]): Promise<{ readonly revision: number } | ApiError> {
    const { save, keeping } = this.options;
    try {
      return await firstValueFrom(
        keeping ? defer(() => keeping.save(this.id, this.revision, this.base, document, said)) : save(this.id, this.revision, document),
      );
    } catch (error) {
      return error instanceof ApiError ? error : new ApiError(400, 'Something went wrong in this window. Undo the last step, or load it anew.');
    }
  }

  private async saveAll(): Promise<void> {
    this.isSaving = true;
    try {
      while (this.isDirty) {
        const sent = this.document;
        const said = this.unsaid.slice(-MOST_SAID);
        if (this.state.kind !== 'waiting') this.stateSubject.next({ kind: 'saving' });
        const outcome = await this.send(sent, said);
        if (outcome instanceof ApiError) {
          if (await this.recover(outcome)) continue;
          this.isSaving = false;
          return this.stateSubject.next(this.state);
        }
        [this.base, this.revision] = [sent, outcome.revision];
        this.unsaid = this.unsaid.slice(said.length);
        this.wait = 500;
      }
    } finally {
      this.isSaving = false;
    }
    this.markKept();
    void this.follow(this.newest);
  }

  /** What to do about a save that failed; true when it should be tried again at once. */
  private async recover(error: ApiError): Promise<boolean> {
    if (error.status === 412) {
      try {
        return this.mergeWith(this.options.keeping ? await this.options.fetch(this.id) : (error.body['current'] as Kept<T>));
      } catch (failed) {
        return this.recover(failed instanceof ApiError ? failed : new ApiError(0, ''));
      }
    }
    if (error.status === 404) this.markGone();
    else if (error.status === 0 || error.status >= 500) {
      this.stateSubject.next(error.status === 507 ? { kind: 'waiting', say: `Not kept yet: ${error.say}` } : waiting(this.isLaidBy));
      timer(this.wait)
        .pipe(takeUntil(this.closed))
        .subscribe(() => this.tryNow.next());
      this.wait = Math.min(this.wait * 2, LONGEST_WAIT_MS);
    } else this.stateSubject.next({ kind: 'refused', say: `Not kept: ${error.say}` });
    return false;
  }

  private mergeWith(current: Kept<T>): boolean {
    const merged = this.options.merging.merge(this.base, this.document, current.document);
    if (merged.conflicts.length > 0) {
      this.theirs = current;
      this.stateSubject.next({ kind: 'conflict', conflicts: merged.conflicts });
      return false;
    }
    this.takeOver(current, merged.value);
    this.options.notice('Another window changed this too. Its changes were taken in beside yours.');
    return true;
  }

  private takeOver(current: Kept<T>, merged: T, together = this.theirsHold): void {
    this.historySubject.next(takeIn(this.historySubject.value, { base: this.base, theirs: current.document, merged, together }));
    [this.base, this.revision] = [current.document, current.revision];
    this.newest = Math.max(this.newest, current.revision);
    if (this.isDirty) this.layBy();
  }

  /** Follows what was kept elsewhere. With changes of its own, the next save finds it and puts both together. */
  private async follow(what: Happened): Promise<void> {
    if (what === 'deleted') return this.markGone();
    this.newest = Math.max(this.newest, what === 'look' ? 0 : what);
    if (this.isSaving || this.isFollowing || (what !== 'look' && this.newest <= this.revision && this.state.kind !== 'gone')) return;
    if (this.state.kind === 'waiting') return this.tryNow.next();
    if (this.state.kind === 'conflict') return;
    this.isFollowing = true;
    try {
      const current = await this.options.fetch(this.id);
      const { document } = this;
      this.newest = Math.max(this.newest, current.revision);
      if (this.isSaving || current.revision < this.revision) return;
      const isBack = this.state.kind === 'gone';
      if (!this.isDirty && current.revision > this.revision) {
        const theirs = this.options.keeping?.knownParts(document, current.document) ?? current.document;
        this.takeOver({ ...current, document: theirs }, theirs);
      }
      if (isBack) this.stateSubject.next({ kind: 'saving' });
      if (this.isDirty) this.tryNow.next();
      else this.markKept();
    } catch (error) {
      if (error instanceof ApiError && error.status === 404) this.markGone();
    } finally {
      this.isFollowing = false;
    }
  }

  private markGone(): void {
    this.stateSubject.next({ kind: 'gone', say: `“${this.document.name}” was deleted in another window.` });
  }

  private markKept(): void {
    this.options.drafts.drop(this.options.kind, this.id);
    this.stateSubject.next({ kind: 'kept', at: new Date() });
  }
}
