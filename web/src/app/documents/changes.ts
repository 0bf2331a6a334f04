import { Injectable, inject } from '@angular/core';
import { Observable, filter, map, merge, share, Subject } from 'rxjs';
import { documentKinds, type KindName } from '../../../../core/documents';
import type { Happened } from './keeping';
import { Locks } from './laid-by/locks';

/** Something that has changed at the server: in the tool, or for visitors too. */
export interface Change {
  readonly kind: 'theme' | 'table' | 'pricing' | 'page' | 'house' | 'everything';
  readonly id: string;
  readonly what: 'saved' | 'published' | 'deleted';
  /** The revision that it has since then, where one was saved. */
  readonly revision?: number;
}

/** What one window tells the others of this browser: a change, or that the connection was cut for a while. */
type Told = Change | 'again';

const NAME = 'zest-changes';

/**
 * What changes at the server, in whichever window, as it happens. All windows of a browser share one connection, since it opens no
 * more than six to a server (HTTP/1.1): whoever holds the lock has it and tells the others; when that window goes, the next has it.
 */
@Injectable({ providedIn: 'root' })
export class Changes {
  private readonly locks = inject(Locks);
  private readonly againSubject = new Subject<void>();
  /** The connection is there again after it was cut: whatever happened meanwhile was not told. */
  readonly again$ = this.againSubject.asObservable();

  readonly all$ = new Observable<Change>((subscriber) => {
    const channel = new BroadcastChannel(NAME);
    const hear = (told: Told): void => (told === 'again' ? this.againSubject.next() : subscriber.next(told));
    channel.onmessage = ({ data }: MessageEvent<Told>) => hear(data);
    const left = new AbortController();
    this.locks.hold(NAME, left.signal, (isLate) => {
      const source = new EventSource('/api/changes');
      const tell = (told: Told): void => {
        hear(told);
        channel.postMessage(told);
      };
      let isGap = isLate;
      source.onopen = () => {
        if (isGap) tell('again');
        isGap = true;
      };
      source.onmessage = ({ data }: MessageEvent<string>) => tell(JSON.parse(data) as Change);
      return () => source.close();
    });
    return () => {
      left.abort();
      channel.close();
    };
  }).pipe(share());

  /** What happens to one document. */
  of(kind: KindName, id: string): Observable<Happened> {
    const { word } = documentKinds[kind];
    return merge(
      this.all$.pipe(
        filter((change) => change.kind === word && change.id === id && change.what !== 'published'),
        map(({ what, revision }): Happened => (what === 'deleted' ? 'deleted' : (revision ?? 'look'))),
      ),
      this.again$.pipe(map((): Happened => 'look')),
    );
  }
}
