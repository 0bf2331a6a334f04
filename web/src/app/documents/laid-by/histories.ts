import { Injectable, inject } from '@angular/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { newestOf, type History } from '../../../../../core/edit';
import type { Kind } from '../api';
import { ThisWindow } from './this-window';

/** What was done to a document in one window, as it lies in this browser. */
interface KeptHistory {
  readonly history: History<object>;
  /** The window that it was done in. */
  readonly window: string;
  /** In ms since 1970. */
  readonly at: number;
}

interface Lying extends DBSchema {
  histories: { key: [Kind, string]; value: KeptHistory };
}

/** Histories that are kept, and for how long after the last step. */
const [MOST, DAYS] = [40, 30] as const;
/** Of tables with more rows no history is laid by: each step has them all. */
export const MOST_ROWS = 2000;

/**
 * What was done in this browser to each document, so that it can be undone after the window was loaded anew (Indexed Database API). It
 * goes on in the next window that opens the document; one that is open beside the window in which it was done begins one of its own.
 */
@Injectable({ providedIn: 'root' })
export class Histories {
  private readonly window = inject(ThisWindow);
  private readonly place: Promise<IDBPDatabase<Lying> | undefined> = this.opened();

  async of(kind: Kind, id: string): Promise<History<object> | undefined> {
    try {
      const kept = await (await this.place)?.get('histories', [kind, id]);
      if (!kept || Date.now() - kept.at > DAYS * 86_400_000) return undefined;
      return kept.window !== this.window.name && (await this.window.open()).has(kept.window) ? undefined : kept.history;
    } catch {
      return undefined;
    }
  }

  /** Lays one by. A browser that keeps nothing has none: that costs nobody any work. */
  async keep(kind: Kind, id: string, history: History<object>): Promise<void> {
    const { rows } = history.present as { readonly rows?: readonly unknown[] };
    if (rows && rows.length > MOST_ROWS) return;
    try {
      const place = await this.place;
      await place?.put('histories', { history: newestOf(history), window: this.window.name, at: Date.now() }, [kind, id]);
    } catch {
      // No room, or no storage.
    }
  }

  private async opened(): Promise<IDBPDatabase<Lying> | undefined> {
    try {
      const place = await openDB<Lying>('zest-pane-histories', 1, {
        upgrade: (made) => void made.createObjectStore('histories'),
        blocking: (_now, _wanted, event) => (event.target as IDBDatabase).close(),
      });
      const keys = await place.getAllKeys('histories');
      if (keys.length > MOST) {
        const all = await Promise.all(keys.map(async (key) => ({ key, at: (await place.get('histories', key))?.at ?? 0 })));
        for (const { key } of all.sort((a, b) => b.at - a.at).slice(MOST)) await place.delete('histories', key);
      }
      return place;
    } catch {
      return undefined;
    }
  }
}
