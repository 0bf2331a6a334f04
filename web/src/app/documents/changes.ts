import { Injectable } from '@angular/core';
import { Observable, filter, map, merge, share, Subject } from 'rxjs';
import { documentKinds, type KindName } from '../../../../core/documents';
import type { Happened } from './keeping';

/** Something that has changed at the server: in the tool, or for visitors too. */
export interface Change {
  readonly kind: 'theme' | 'table' | 'page' | 'house' | 'everything';
  readonly id: string;
  readonly what: 'saved' | 'published' | 'deleted';
  /** The revision that it has since then, where one was saved. */
  readonly revision?: number;
}

/** What changes at the server, in whichever window, as it happens. One connection for all who listen; the browser mends it by itself. */
@Injectable({ providedIn: 'root' })
export class Changes {
  private readonly againSubject = new Subject<void>();
  /** The connection is there again after it was cut: whatever happened meanwhile was not told. */
  readonly again$ = this.againSubject.asObservable();

  readonly all$ = new Observable<Change>((subscriber) => {
    const source = new EventSource('/api/changes');
    let isFirst = true;
    source.onopen = () => {
      if (!isFirst) this.againSubject.next();
      isFirst = false;
    };
    source.onmessage = ({ data }: MessageEvent<string>) => subscriber.next(JSON.parse(data) as Change);
    return () => source.close();
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
