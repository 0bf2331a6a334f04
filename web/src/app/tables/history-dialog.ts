import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { firstValueFrom } from 'rxjs';
import type { Table } from '../../../../core/table';
import { Deleting } from '../controls/deleting';
import { Api, type Done } from '../documents/api';
import { when } from '../controls/when';

export interface HistoryData {
  readonly id: string;
  readonly name: string;
}

/** States that are shown before more are asked for. */
const SHOWN = 60;

/** What was done to a table, newest first, each with the way back to how it stood before. */
@Component({
  selector: 'zest-history-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>History of {{ data.name }}</h2>
    <mat-dialog-content>
      @if (done(); as all) {
        @if (all.length === 0) {
          <p role="status">Nothing was changed since it was made.</p>
        }
        <ol aria-label="What was done, newest first">
          @for (each of all.slice(0, shown()); track each.revision) {
            <li>
              <span class="said">{{ sayDone(each) }}</span>
              <time class="zest-note" [attr.datetime]="each.madeAt">{{ when(each.madeAt) }}</time>
              <button mat-button type="button" [attr.aria-label]="'Go back to before this: ' + sayDone(each)" (click)="goBack(each.revision - 1)">
                Go back to before this
              </button>
            </li>
          }
        </ol>
        @if (all.length > shown()) {
          <button mat-button type="button" (click)="shown.set(shown() + more)">Show earlier ones</button>
        }
      } @else {
        <p role="status">Looking it up…</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions><button mat-button mat-dialog-close>Close</button></mat-dialog-actions>
  `,
  styles: `
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto auto;
      gap: 12px;
      align-items: center;
      padding: 4px 0;
      border-block-end: 1px solid var(--zest-line);
    }
    .said::first-letter {
      text-transform: uppercase;
    }
  `,
})
export class HistoryDialog {
  protected readonly data = inject<HistoryData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<HistoryDialog, Table>>(MatDialogRef);
  private readonly api = inject(Api);
  private readonly deleting = inject(Deleting);
  protected readonly done = signal<readonly Done[] | undefined>(undefined);
  protected readonly shown = signal(SHOWN);
  protected readonly more = SHOWN;

  constructor() {
    void this.load();
  }
  private async load(): Promise<void> {
    this.done.set((await this.deleting.attempt(() => firstValueFrom(this.api.tableHistory(this.data.id)))) ?? []);
  }

  /** The steps of one save, each once, the newest last. */
  protected sayDone({ said }: Done): string {
    const steps = [...new Set(said)];
    return steps.length === 0 ? 'a change' : steps.length > 4 ? `${steps.slice(0, 3).join(', ')} and ${steps.length - 3} more` : steps.join(', ');
  }
  protected readonly when = when;

  protected async goBack(revision: number): Promise<void> {
    const table = await this.deleting.attempt(() => firstValueFrom(this.api.tableAt(this.data.id, revision)));
    if (table) this.dialog.close(table);
  }
}
