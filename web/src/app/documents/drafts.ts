import { Injectable } from '@angular/core';
import type { Kind } from './api';

/** A whole document with what it started from; or, of large ones, the change alone. */
export type Draft<T> =
  { readonly base: T; readonly revision: number; readonly document: T } | { readonly revision: number; readonly change: unknown };

const key = (kind: Kind, id: string): string => `zest-draft/${kind}/${id}`;

/** Changes that are not kept yet, in this window's own storage: they survive a reload, and two windows do not mix. */
@Injectable({ providedIn: 'root' })
export class Drafts {
  keep<T>(kind: Kind, id: string, draft: Draft<T>): void {
    try {
      sessionStorage.setItem(key(kind, id), JSON.stringify(draft));
    } catch {
      // The storage is full: the change is still in the window and on its way to the server.
    }
  }

  find<T>(kind: Kind, id: string): Draft<T> | undefined {
    try {
      return (JSON.parse(sessionStorage.getItem(key(kind, id)) ?? 'null') as Draft<T> | undefined) ?? undefined;
    } catch {
      return undefined;
    }
  }

  drop(kind: Kind, id: string): void {
    sessionStorage.removeItem(key(kind, id));
  }
}
