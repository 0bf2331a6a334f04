import { Injectable, inject } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { MatSnackBar } from '@angular/material/snack-bar';
import { BehaviorSubject, debounceTime, distinctUntilChanged, filter, firstValueFrom, from, map, of, skip, switchMap, type Observable } from 'rxjs';
import { documentKinds, type Documents, type KindName } from '../../../../core/documents';
import { Api, ApiError } from './api';
import { Changes } from './changes';
import type { History } from '../../../../core/edit';
import { Histories } from './laid-by/histories';
import { Drafts, type KeptDraft } from './laid-by/drafts';
import { Keepings } from './keepings';
import type { KeepState, Keeping, LeftWork } from './keeping';
import { DocumentSession } from './session';
import { when } from '../controls/when';

/** Milliseconds of quiet before what was done is laid by. */
const LAID_BY_MS = 200;

/** What can be done with an open document of any kind. */
type AnySession = Pick<DocumentSession<never>, 'id' | 'kind' | 'state$' | 'undo' | 'redo' | 'flush' | 'isDirty' | 'close' | 'bringBack'>;

/** The session of the document that is open, so that shell and views speak of the same one. */
@Injectable({ providedIn: 'root' })
export class Sessions {
  private readonly api = inject(Api);
  private readonly changes = inject(Changes);
  private readonly drafts = inject(Drafts);
  private readonly histories = inject(Histories);
  private readonly keepings = inject(Keepings);
  private readonly snackBar = inject(MatSnackBar);
  private readonly dialog = inject(MatDialog);
  private readonly current = new BehaviorSubject<AnySession | undefined>(undefined);

  readonly session$ = this.current.asObservable();
  readonly state$: Observable<KeepState | undefined> = this.current.pipe(switchMap((session) => session?.state$ ?? of(undefined)));

  /** Opens a document. The stream gives one session, which whoever opened it leaves. */
  open<K extends KindName>(kind: K, id: string): Observable<DocumentSession<Documents[K]>> {
    return from(this.opened(kind, id));
  }

  leave(session: AnySession | undefined): void {
    session?.close();
    if (session && this.current.value === session) this.current.next(undefined);
  }

  get active(): AnySession | undefined {
    return this.current.value;
  }

  private async opened<K extends KindName>(kind: K, id: string): Promise<DocumentSession<Documents[K]>> {
    const keeping = this.keepings.of(kind);
    const fetch = (at: string) => (keeping ? keeping.fetch(at) : firstValueFrom(this.api.document(kind, at)));
    const [kept, history] = await Promise.all([fetch(id), this.histories.of(kind, id)]);
    const session = new DocumentSession<Documents[K]>({
      save: (at, revision, document) => this.api.save(kind, at, revision, document),
      fetch,
      bringBack: (at) => firstValueFrom(this.api.restore(kind, at)),
      happened$: this.changes.of(kind, id),
      drafts: this.drafts,
      kind,
      kept,
      ...(history ? { history: history as History<Documents[K]> } : {}),
      merging: documentKinds[kind],
      ...(keeping ? { keeping } : {}),
      notice: (sentence) => void this.snackBar.open(sentence, 'Good'),
    });
    session.history$.pipe(skip(1), debounceTime(LAID_BY_MS)).subscribe((now) => void this.histories.keep(kind, id, now));
    await this.takeUpNext(kind, session, keeping);
    this.current.next(session);
    session.state$
      .pipe(
        map(({ kind: state }) => state === 'conflict'),
        distinctUntilChanged(),
      )
      .subscribe((isConflict) => {
        if (isConflict) void this.askAbout(session);
      });
    return session;
  }

  /** Takes up what a window that is gone left of this document; what a second one left, when the first is kept. */
  private async takeUpNext<K extends KindName>(
    kind: K,
    session: DocumentSession<Documents[K]>,
    keeping: Keeping<Documents[K]> | undefined,
  ): Promise<void> {
    const left = (await this.drafts.left()).find((each) => each.kind === kind && each.id === session.id);
    if (!left) return;
    const work = await this.workOf(kind, left, session, keeping);
    if (!work) {
      this.snackBar.open(
        `What was not kept in “${left.name}” on ${said(left)} fits this version of it no longer. It still lies in this browser.`,
        'Close',
      );
      return;
    }
    if (!(await this.drafts.claim(left))) return;
    if (session.takeUp(work)) this.snackBar.open(`What was not kept in “${left.name}” on ${said(left)} was taken up.`, 'Good');
    void firstValueFrom(session.state$.pipe(filter((state) => state.kind === 'kept')), { defaultValue: undefined }).then((isKept) =>
      isKept ? this.takeUpNext(kind, session, keeping) : undefined,
    );
  }

  /** From what a draft began, and what it came to; one of an older format is brought up to this one. */
  private async workOf<K extends KindName>(
    kind: K,
    { id, revision, base, document, change }: KeptDraft,
    session: DocumentSession<Documents[K]>,
    keeping: Keeping<Documents[K]> | undefined,
  ): Promise<LeftWork<Documents[K]> | undefined> {
    const { upgrade } = documentKinds[kind];
    if (document !== undefined) return { base: upgrade(base) as Documents[K], document: upgrade(document) as Documents[K] };
    if (!keeping) return undefined;
    try {
      const began = revision === session.seen ? session.document : await keeping.at(id, revision);
      const came = keeping.takeUp(began, change);
      return came && { base: began, document: came };
    } catch (error) {
      if (error instanceof ApiError && error.status !== 0) return undefined;
      throw error;
    }
  }

  private async askAbout<T extends { readonly name: string }>(session: DocumentSession<T>): Promise<void> {
    const { ConflictDialog } = await import('./conflict-dialog');
    this.dialog.open(ConflictDialog, { data: session, disableClose: true, width: '720px' });
  }
}

/** When something was laid by, as it is said. */
export const said = ({ at }: KeptDraft): string => (at === 0 ? 'an earlier day' : when(at));
