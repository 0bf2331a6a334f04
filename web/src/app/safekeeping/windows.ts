import { DOCUMENT, Injectable, inject } from '@angular/core';
import { filter } from 'rxjs';
import { Changes } from '../documents/changes';

const SAID = 'zest-said';

/**
 * The windows that have the tool open, of whichever browser. When everything was replaced at the server, nothing that one of them
 * holds is true any more: each loads anew. One with something that is not kept yet asks before that (the browser's own question).
 */
@Injectable({ providedIn: 'root' })
export class WindowsAtOnce {
  private readonly window = inject(DOCUMENT).defaultView;
  private readonly changes = inject(Changes);
  private isReplacing = false;

  /** Loads this window anew whenever everything was replaced elsewhere. */
  listen(): void {
    this.changes.all$.pipe(filter(({ kind }) => kind === 'everything' && !this.isReplacing)).subscribe(() => this.window?.location.reload());
  }

  /** Replaces everything from this window, which has something to say before it is loaded anew. */
  async replacing<T>(work: () => Promise<T>): Promise<T> {
    this.isReplacing = true;
    try {
      return await work();
    } catch (error) {
      this.isReplacing = false;
      throw error;
    }
  }

  /** Loads this window anew, as the others were; then it says something. */
  startAnew(say: string): void {
    this.window?.sessionStorage.setItem(SAID, say);
    this.window?.location.reload();
  }

  /** What this window has to say since it was loaded anew, once. */
  saidBefore(): string {
    const said = this.window?.sessionStorage.getItem(SAID) ?? '';
    this.window?.sessionStorage.removeItem(SAID);
    return said;
  }
}
