import { Injectable, inject } from '@angular/core';
import { Locks } from './locks';

const PREFIX = 'zest-window ';

/**
 * This window's name, for as long as it is open: it holds a lock of that name, which the browser lets go when the window is closed,
 * loaded anew or lost, however that comes about. So any window can tell which others are open.
 */
@Injectable({ providedIn: 'root' })
export class ThisWindow {
  readonly name = crypto.randomUUID();
  private readonly locks = inject(Locks);

  constructor() {
    this.locks.hold(`${PREFIX}${this.name}`, new AbortController().signal, () => () => undefined);
  }

  /** The names of all windows that are open; this one among them. */
  async open(): Promise<ReadonlySet<string>> {
    const held = await this.locks.held();
    return new Set([this.name, ...held.flatMap((name) => (name.startsWith(PREFIX) ? [name.slice(PREFIX.length)] : []))]);
  }
}
