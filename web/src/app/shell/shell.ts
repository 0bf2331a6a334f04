import { AsyncPipe, DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { toSignal } from '@angular/core/rxjs-interop';
import { filter, map } from 'rxjs';
import { LeftWork } from '../documents/laid-by/left-work';
import { Sessions } from '../documents/sessions';
import { WindowsAtOnce } from '../safekeeping/windows';

@Component({
  selector: 'zest-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AsyncPipe, DatePipe, LeftWork, MatButtonModule, RouterLink, RouterLinkActive, RouterOutlet],
  templateUrl: './shell.html',
  styleUrl: './shell.scss',
  host: { '(document:keydown)': 'shortcut($event)', '(window:beforeunload)': 'beforeUnload($event)', '(document:visibilitychange)': 'hidden()' },
})
export class Shell {
  private readonly sessions = inject(Sessions);
  private readonly dialog = inject(MatDialog);
  protected readonly state$ = this.sessions.state$;
  /** Whether tables are here, or one of them, whatever kind it is. */
  protected readonly isAtTables = toSignal(
    inject(Router).events.pipe(
      filter((event) => event instanceof NavigationEnd),
      map(({ urlAfterRedirects }) => /^\/(?:tables|pricings)(?:\/|\?|#|$)/.test(urlAfterRedirects)),
    ),
    { initialValue: false },
  );

  constructor() {
    inject(WindowsAtOnce).listen();
  }

  /** Undo and redo everywhere; in a text field the browser's own come first. */
  protected shortcut(event: KeyboardEvent): void {
    if (event.defaultPrevented) return;
    const target = event.composedPath()[0] as HTMLElement;
    const inText = /^(INPUT|TEXTAREA)$/.test(target.tagName) && !['range', 'checkbox', 'radio'].includes((target as HTMLInputElement).type);
    const key = event.key.toLowerCase();
    if ((event.ctrlKey || event.metaKey) && !inText && (key === 'z' || key === 'y')) {
      event.preventDefault();
      if (key === 'y' || event.shiftKey) this.sessions.active?.redo();
      else this.sessions.active?.undo();
    } else if (event.key === '?' && !inText && this.dialog.openDialogs.length === 0) {
      event.preventDefault();
      void import('./shortcuts').then(({ Shortcuts }) => this.dialog.open(Shortcuts, { width: '560px' }));
    }
  }

  protected bringBack(): void {
    void this.sessions.active?.bringBack();
  }
  protected beforeUnload(event: BeforeUnloadEvent): void {
    if (this.sessions.active?.isDirty) event.preventDefault();
  }
  protected hidden(): void {
    if (document.visibilityState === 'hidden') void this.sessions.active?.flush();
  }
}
