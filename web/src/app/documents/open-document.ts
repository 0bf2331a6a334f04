import { Injectable, inject, signal, type OnDestroy } from '@angular/core';
import { Subscription, firstValueFrom } from 'rxjs';
import type { Documents, KindName } from '../../../../core/documents';
import type { DocumentSession } from './session';
import { Sessions } from './sessions';

/** The document that a view is open on: its session, and what the session says, as signals. Left with the view. */
@Injectable()
export class OpenDocument<K extends KindName> implements OnDestroy {
  private readonly sessions = inject(Sessions);
  private readonly subscriptions = new Subscription();
  private isLeft = false;

  readonly session = signal<DocumentSession<Documents[K]> | undefined>(undefined);
  readonly document = signal<Documents[K] | undefined>(undefined);
  /** Why it cannot be opened; empty while it can. */
  readonly missing = signal('');
  readonly undoLabel = signal<string | undefined>(undefined);
  readonly redoLabel = signal<string | undefined>(undefined);

  /** Opens it; false when it is not there. */
  async open(kind: K, id: string): Promise<boolean> {
    try {
      const session = await firstValueFrom(this.sessions.open(kind, id));
      // The view was left before it had opened.
      if (this.isLeft) {
        this.sessions.leave(session);
        return false;
      }
      this.subscriptions.add(session.document$.subscribe((document) => this.document.set(document)));
      this.subscriptions.add(session.undoLabel$.subscribe((label) => this.undoLabel.set(label)));
      this.subscriptions.add(session.redoLabel$.subscribe((label) => this.redoLabel.set(label)));
      this.session.set(session);
      return true;
    } catch (error) {
      this.missing.set((error as Error).message);
      return false;
    }
  }

  /** Changes the document; `touches` as in DocumentSession.act. */
  act(label: string, touches: string, make: (document: Documents[K]) => Documents[K]): void {
    this.session()?.act(label, touches, make);
  }

  ngOnDestroy(): void {
    this.isLeft = true;
    this.subscriptions.unsubscribe();
    this.sessions.leave(this.session());
  }
}
