import { DOCUMENT, Injectable, inject } from '@angular/core';

/**
 * Locks that a window holds for as long as it is open (Web Locks API). A page that is left may lie in the browser for a while, to be
 * gone back to, and would hold them on: it lets go when it is hidden for good, and asks again when it is shown (HTML Standard,
 * `pagehide` and `pageshow`).
 */
@Injectable({ providedIn: 'root' })
export class Locks {
  private readonly window = inject(DOCUMENT).defaultView;
  private readonly locks = this.window?.navigator.locks;

  /** Does something while the lock of this name is this window's, until `left`; `isLate` where another one had it before. */
  hold(name: string, left: AbortSignal, begin: (isLate: boolean) => () => void): void {
    let shown = new AbortController();
    const start = (isBack: boolean): void => {
      shown = new AbortController();
      const over = AbortSignal.any([left, shown.signal]);
      void this.whenMine(name, over, (isLate) => begin(isLate || isBack)).catch(() => undefined);
    };
    const hide = (): void => shown.abort();
    const show = ({ persisted }: PageTransitionEvent): void => (persisted ? start(true) : undefined);
    this.window?.addEventListener('pagehide', hide);
    this.window?.addEventListener('pageshow', show);
    left.addEventListener('abort', () => {
      this.window?.removeEventListener('pagehide', hide);
      this.window?.removeEventListener('pageshow', show);
    });
    start(false);
  }

  /** The names of the locks that any window holds. */
  async held(): Promise<readonly string[]> {
    return ((await this.locks?.query())?.held ?? []).map(({ name }) => name ?? '');
  }

  private async whenMine(name: string, over: AbortSignal, begin: (isLate: boolean) => () => void): Promise<void> {
    const meanwhile = (isLate: boolean): Promise<void> =>
      new Promise((resolve) => {
        if (over.aborted) return resolve();
        const end = begin(isLate);
        over.addEventListener('abort', () => {
          end();
          resolve();
        });
      });
    // Without locks each window does it for itself.
    if (!this.locks) return meanwhile(false);
    const wasFree = await this.locks.request(name, { ifAvailable: true }, async (lock) => {
      if (lock) await meanwhile(false);
      return lock !== null;
    });
    if (!wasFree) await this.locks.request(name, { signal: over }, () => meanwhile(true));
  }
}
