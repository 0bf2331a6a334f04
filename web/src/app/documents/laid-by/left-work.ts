import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { debounceTime, firstValueFrom, merge, of } from 'rxjs';
import { calledOf } from '../../../../../core/documents';
import { Deleting } from '../../controls/deleting';
import { askYes } from '../../safekeeping/ask-yes';
import { Api, ApiError } from '../api';
import { Drafts, type KeptDraft } from './drafts';
import { Sessions, said } from '../sessions';

/** More than this is told as a number. */
const SHOWN = 3;

/** What was not kept when its window was closed or lost, by name, to be opened and sent, or thrown away. */
@Component({
  selector: 'zest-left-work',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    @if (left().length > 0) {
      <section aria-label="Not kept yet">
        <p>Not kept yet, and safe in this browser:</p>
        <ul>
          @for (each of left().slice(0, shown); track each.window + each.id) {
            <li>
              <span>the {{ word(each) }} “{{ each.name }}”, changed {{ when(each) }}</span>
              <button mat-stroked-button (click)="open(each)" [attr.aria-label]="'Open “' + each.name + '”'">Open</button>
              <button mat-button (click)="throwAway(each)" [attr.aria-label]="'Throw away what was not kept in “' + each.name + '”'">
                Throw away
              </button>
            </li>
          }
        </ul>
        @if (left().length > shown) {
          <p>and {{ left().length - shown }} more</p>
        }
      </section>
    }
  `,
  styles: `
    section {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 2px 12px;
      padding: 4px 20px;
      background: var(--zest-glow);
      border-bottom: 1px solid var(--zest-line);
    }
    p,
    ul {
      margin: 0;
    }
    ul {
      display: contents;
      list-style: none;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 8px;
    }
  `,
})
export class LeftWork {
  private readonly api = inject(Api);
  private readonly drafts = inject(Drafts);
  private readonly sessions = inject(Sessions);
  private readonly router = inject(Router);
  private readonly dialog = inject(MatDialog);
  private readonly deleting = inject(Deleting);
  protected readonly left = signal<readonly KeptDraft[]>([]);
  protected readonly shown = SHOWN;

  constructor() {
    merge(of(undefined), this.sessions.session$, this.sessions.state$)
      .pipe(debounceTime(100), takeUntilDestroyed())
      .subscribe(() => void this.look());
  }

  protected word = ({ kind }: KeptDraft): string => calledOf(kind);
  protected when = said;

  /** Opens it: there it is taken up. One that was deleted meanwhile is brought back first. */
  protected async open({ kind, id }: KeptDraft): Promise<void> {
    await this.deleting.attempt(async () => {
      try {
        await firstValueFrom<unknown>(kind === 'tables' ? this.api.tableHead(id) : this.api.document(kind, id));
      } catch (error) {
        if (!(error instanceof ApiError) || error.status !== 404) throw error;
        await firstValueFrom(this.api.restore(kind, id));
      }
      await this.router.navigate([`/${kind}`, id]);
    });
  }

  protected async throwAway(draft: KeptDraft): Promise<void> {
    const isMeant = await askYes(this.dialog, {
      title: 'Throw it away?',
      say: `What was not kept in “${draft.name}” on ${said(draft)} is then gone for good.`,
      action: 'Throw away',
    });
    if (!isMeant) return;
    await this.drafts.throwAway(draft);
    await this.look();
  }

  private async look(): Promise<void> {
    const open = this.sessions.active;
    this.left.set((await this.drafts.left()).filter(({ kind, id }) => kind !== open?.kind || id !== open.id));
  }
}
