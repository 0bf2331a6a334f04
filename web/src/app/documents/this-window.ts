import { DOCUMENT, Injectable, inject } from '@angular/core';

const PREFIX = 'zest-window ';

/**
 * This window's name, for as long as it is open: it holds a lock of that name (Web Locks API), which the browser lets go when the
 * window is closed, loaded anew or lost, however that comes about. So any window can tell which others are open.
 */
@Injectable({ providedIn: 'root' })
export class ThisWindow {
  readonly name = crypto.randomUUID();
  private readonly locks = inject(DOCUMENT).defaultView?.navigator.locks;

  constructor() {
    // Held until the window goes: the promise never ends.
    void this.locks?.request(`${PREFIX}${this.name}`, () => new Promise<never>(() => undefined)).catch(() => undefined);
  }

  /** The names of all windows that are open; this one among them. */
  async open(): Promise<ReadonlySet<string>> {
    const held = (await this.locks?.query())?.held ?? [];
    return new Set([this.name, ...held.flatMap(({ name }) => (name?.startsWith(PREFIX) === true ? [name.slice(PREFIX.length)] : []))]);
  }
}
