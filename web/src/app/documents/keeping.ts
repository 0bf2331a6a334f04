import type { Observable } from 'rxjs';
import type { DocumentKind } from '../../../../core/documents';
import type { Conflict, History } from '../../../../core/edit';
import type { Kept, Kind } from './api';
import type { Drafts } from './laid-by/drafts';

/** Whether everything is kept, and if not, why. */
export type KeepState =
  | { readonly kind: 'kept'; readonly at: Date }
  | { readonly kind: 'saving' }
  | { readonly kind: 'waiting'; readonly say: string }
  | { readonly kind: 'refused'; readonly say: string }
  /** It was deleted in another window. */
  | { readonly kind: 'gone'; readonly say: string }
  | { readonly kind: 'conflict'; readonly conflicts: readonly Conflict[] };

/** One place that two windows changed in two ways: where it is, and the whole document with either side of it. */
export interface Sides<T> {
  readonly where: string;
  readonly mine: T;
  readonly theirs: T;
}

/** What is said while the server cannot be reached; whether the changes lie in this browser until then. */
export function waiting(isLaidBy: boolean): KeepState {
  const say = isLaidBy
    ? 'Your changes are safe in this browser and are sent when it is back.'
    : 'This browser cannot lay your changes by: leave this window open, and they are sent when it is back.';
  return { kind: 'waiting', say: `Not kept yet: the server cannot be reached. ${say}` };
}

/** What of a kind of documents a session goes by. */
export type Merging<T> = Pick<DocumentKind<T>, 'merge' | 'take' | 'where'>;

/** What happened to a document at the server: the revision that it has now, or that it was deleted, or that nobody knows. */
export type Happened = number | 'deleted' | 'look';

export interface SessionOptions<T> {
  /** Sends a document to the server, over the revision that it started from. */
  readonly save: (id: string, revision: number, document: T) => Observable<{ readonly revision: number }>;
  /** The document as it stands at the server. */
  readonly fetch: (id: string) => Promise<Kept<T>>;
  /** Brings it back after it was deleted. */
  readonly bringBack: (id: string) => Promise<unknown>;
  /** What happens to it at the server, in whichever window. */
  readonly happened$: Observable<Happened>;
  readonly drafts: Pick<Drafts, 'keep' | 'drop'>;
  readonly kind: Kind;
  readonly kept: Kept<T>;
  /** What was done to it in a window that is gone, to go on with. */
  readonly history?: History<T>;
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
  /** The document as it was at an earlier revision. */
  readonly at: (id: string, revision: number) => Promise<T>;
  /** What of a change is laid by in this browser until it is kept. */
  readonly draft: (before: T, after: T) => unknown;
  /** The document that a change was made to with that change; undefined where it does not fit. */
  readonly takeUp: (document: T, draft: unknown) => T | undefined;
  /** The same document, with the very parts of one that is known wherever they say the same. */
  readonly knownParts: (known: T, document: T) => T;
}

/** What was done in a window that is gone, and not kept: from what it began, and what it came to. */
export interface LeftWork<T> {
  readonly base: T;
  readonly document: T;
}
