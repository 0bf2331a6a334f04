import { Injectable, inject } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { MatSnackBar } from '@angular/material/snack-bar';
import { BehaviorSubject, distinctUntilChanged, from, map, of, switchMap, type Observable } from 'rxjs';
import { documentKinds, type Documents, type KindName } from '../../../../core/documents';
import { Api } from './api';
import { Drafts } from './drafts';
import { Keepings } from './keepings';
import { DocumentSession, type KeepState } from './session';

/** What can be done with an open document of any kind. */
type AnySession = Pick<DocumentSession<never>, 'state$' | 'undo' | 'redo' | 'flush' | 'isDirty' | 'close'>;

/** The session of the document that is open, so that shell and views speak of the same one. */
@Injectable({ providedIn: 'root' })
export class Sessions {
  private readonly api = inject(Api);
  private readonly drafts = inject(Drafts);
  private readonly keepings = inject(Keepings);
  private readonly snackBar = inject(MatSnackBar);
  private readonly dialog = inject(MatDialog);
  private readonly current = new BehaviorSubject<AnySession | undefined>(undefined);

  readonly session$ = this.current.asObservable();
  readonly state$: Observable<KeepState | undefined> = this.current.pipe(switchMap((session) => session?.state$ ?? of(undefined)));

  /** Opens a document. The stream gives one session and closes it when it is left. */
  open<K extends KindName>(kind: K, id: string): Observable<DocumentSession<Documents[K]>> {
    const keeping = this.keepings.of(kind);
    return (keeping ? from(keeping.fetch(id)) : this.api.document(kind, id)).pipe(
      map((kept) => {
        const session = new DocumentSession<Documents[K]>({
          save: (at, revision, document) => this.api.save(kind, at, revision, document),
          drafts: this.drafts,
          kind,
          kept,
          merging: documentKinds[kind],
          ...(keeping ? { keeping } : {}),
          notice: (sentence) => void this.snackBar.open(sentence, 'Good'),
        });
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
      }),
    );
  }

  leave(session: AnySession | undefined): void {
    session?.close();
    if (this.current.value === session) this.current.next(undefined);
  }

  get active(): AnySession | undefined {
    return this.current.value;
  }

  private async askAbout<T extends { readonly name: string }>(session: DocumentSession<T>): Promise<void> {
    const { ConflictDialog } = await import('./conflict-dialog');
    this.dialog.open(ConflictDialog, { data: session, disableClose: true, width: '720px' });
  }
}
