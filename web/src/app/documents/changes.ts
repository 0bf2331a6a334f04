import { Injectable } from '@angular/core';
import { Observable, share } from 'rxjs';

/** Something that has changed at the server: in the tool, or for visitors too. */
export interface Change {
  readonly kind: 'theme' | 'table' | 'page' | 'house';
  readonly id: string;
  readonly what: 'saved' | 'published';
}

/** What changes at the server, in whichever window, as it happens. One connection for all who listen; the browser mends it by itself. */
@Injectable({ providedIn: 'root' })
export class Changes {
  readonly all$ = new Observable<Change>((subscriber) => {
    const source = new EventSource('/api/changes');
    source.onmessage = ({ data }: MessageEvent<string>) => subscriber.next(JSON.parse(data) as Change);
    return () => source.close();
  }).pipe(share());
}
