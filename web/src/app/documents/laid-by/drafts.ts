import { Injectable, inject } from '@angular/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Kind } from '../api';
import { ThisWindow } from './this-window';

/** What is not kept yet of a document: the whole of it with what it began from; or, of large ones, the change alone. */
export interface Draft {
  /** The revision that it began from. */
  readonly revision: number;
  readonly name: string;
  readonly base?: unknown;
  readonly document?: unknown;
  readonly change?: unknown;
}

/** A draft as it lies in this browser: whose it is, and since when. */
export interface KeptDraft extends Draft {
  readonly kind: Kind;
  readonly id: string;
  /** The window that it was done in. */
  readonly window: string;
  /** When it was laid by, in ms since 1970. */
  readonly at: number;
}

interface Lying extends DBSchema {
  drafts: { key: [Kind, string, string]; value: KeptDraft };
}

const PLACE = 'zest-pane';
/** Where an earlier version of the tool laid them by: in the storage of one window. */
const OLD = 'zest-draft/';

/**
 * Changes that are not kept yet, in this browser (Indexed Database API): they outlive the window and the browser. Each window has its
 * own; those of windows that are gone can be taken up by another.
 */
@Injectable({ providedIn: 'root' })
export class Drafts {
  private readonly window = inject(ThisWindow);
  private readonly place: Promise<IDBPDatabase<Lying> | undefined> = this.opened();
  /** What is to be written next of each document; null: nothing is left of it. */
  private readonly next = new Map<string, { readonly key: [Kind, string, string]; readonly value: KeptDraft | null }>();
  private writing: Promise<boolean> | undefined;

  /** Lays a draft by; false where this browser does not keep it. Of several in quick succession the last one is written. */
  keep(kind: Kind, id: string, draft: Draft): Promise<boolean> {
    return this.write([kind, id, this.window.name], { ...draft, kind, id, window: this.window.name, at: Date.now() });
  }

  drop(kind: Kind, id: string): void {
    void this.write([kind, id, this.window.name], null);
  }

  /** Throws one away for good. */
  async throwAway({ kind, id, window }: KeptDraft): Promise<void> {
    await (await this.place)?.delete('drafts', [kind, id, window]);
  }

  /** What windows left behind that are gone, and what views of this one did that are closed, or open; the oldest first. */
  async left(): Promise<readonly KeptDraft[]> {
    try {
      const all = (await (await this.place)?.getAll('drafts')) ?? [];
      const open = await this.window.open();
      return all.filter(({ window }) => window === this.window.name || !open.has(window)).sort((a, b) => a.at - b.at);
    } catch {
      return [];
    }
  }

  /** Makes one that was left behind this window's own, so that no other takes it up too; false where one was quicker. */
  async claim({ kind, id, window }: KeptDraft): Promise<boolean> {
    const change = (await this.place)?.transaction('drafts', 'readwrite');
    const found = await change?.store.get([kind, id, window]);
    if (change && found) {
      await change.store.delete([kind, id, window]);
      await change.store.put({ ...found, window: this.window.name }, [kind, id, this.window.name]);
    }
    await change?.done;
    return found !== undefined;
  }

  private async opened(): Promise<IDBPDatabase<Lying> | undefined> {
    try {
      const place = await openDB<Lying>(PLACE, 1, {
        upgrade: (made) => void made.createObjectStore('drafts'),
        // A newer version of the tool is open beside this one and keeps them otherwise.
        blocking: (_now, _wanted, event) => (event.target as IDBDatabase).close(),
      });
      for (const key of Object.keys(sessionStorage).filter((each) => each.startsWith(OLD))) {
        const [kind = '', id = ''] = key.slice(OLD.length).split('/');
        const draft = JSON.parse(sessionStorage.getItem(key) ?? '{}') as Draft;
        await place.put('drafts', { ...draft, name: nameIn(draft), kind: kind as Kind, id, window: '', at: 0 }, [kind as Kind, id, '']);
        sessionStorage.removeItem(key);
      }
      return place;
    } catch {
      // A browser that keeps nothing, as in some private windows: whoever lays something by is told so.
      return undefined;
    }
  }

  private write(key: [Kind, string, string], value: KeptDraft | null): Promise<boolean> {
    this.next.set(key.join('/'), { key, value });
    return (this.writing ??= this.writeAll().finally(() => (this.writing = undefined)));
  }

  private async writeAll(): Promise<boolean> {
    const place = await this.place;
    if (!place) return false;
    try {
      while (this.next.size > 0) {
        const now = [...this.next.values()];
        this.next.clear();
        for (const { key, value } of now) await (value ? place.put('drafts', value, key) : place.delete('drafts', key));
      }
      return true;
    } catch {
      return false;
    }
  }
}

const nameIn = ({ document }: Draft): string => (document as { readonly name?: string } | undefined)?.name ?? '';
