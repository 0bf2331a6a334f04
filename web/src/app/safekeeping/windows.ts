import { DOCUMENT, Injectable, inject } from '@angular/core';

const SAID = 'zest-said';

/**
 * The windows of this browser that have the tool open. When everything was replaced at the server, nothing that one of them holds is
 * true any more: each loads anew. One with something that is not kept yet asks before that (the browser's own question).
 */
@Injectable({ providedIn: 'root' })
export class WindowsAtOnce {
  private readonly window = inject(DOCUMENT).defaultView;
  private readonly channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('zest-pane');

  /** Loads this window anew whenever another one says so. */
  listen(): void {
    this.channel?.addEventListener('message', () => this.window?.location.reload());
  }

  /** Loads every window anew; this one then says something. */
  startAnew(say: string): void {
    this.window?.sessionStorage.setItem(SAID, say);
    this.channel?.postMessage('anew');
    this.window?.location.reload();
  }

  /** What this window has to say since it was loaded anew, once. */
  saidBefore(): string {
    const said = this.window?.sessionStorage.getItem(SAID) ?? '';
    this.window?.sessionStorage.removeItem(SAID);
    return said;
  }
}
