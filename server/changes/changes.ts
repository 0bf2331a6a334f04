import type { Database } from '../database/database';

/** Something that pages are made of, and that has changed: in the tool, or for visitors too. */
export interface Change {
  /** What a document of its kind is called, or `house`, or `everything` where a backup was restored. */
  readonly kind: string;
  readonly id: string;
  readonly what: 'saved' | 'published' | 'deleted';
  /** The revision that it has since then, where one was saved. */
  readonly revision?: number;
}

/** Tells whoever listens what has changed in a database of this process, which owns it alone. */
export class Changes {
  private readonly listeners = new Set<(change: Change) => void>();

  /** How many listen. */
  get count(): number {
    return this.listeners.size;
  }
  say(change: Change): void {
    for (const listen of this.listeners) listen(change);
  }
  /** Calls back at each change, until the function that is returned is called. */
  listen(listener: (change: Change) => void): () => void {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  }
}

const known = new WeakMap<Database, Changes>();
/** The changes of a database: one for all stores on it. */
export function changesOf(database: Database): Changes {
  const changes = known.get(database) ?? new Changes();
  known.set(database, changes);
  return changes;
}
