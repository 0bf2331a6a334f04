import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { firstValueFrom } from 'rxjs';
import { countsInWords, type BackupCounts, type KeptBackup } from '../../../../core/documents';
import { Api, ApiError } from '../documents/api';
import { WindowsAtOnce } from './windows';
import { When } from '../controls/when';

export interface RestoreQuestion {
  readonly backup: KeptBackup;
  /** What there is now. */
  readonly now: BackupCounts;
}

/** Says what a restore replaces, and restores. It closes, with the backup of what was there, when all of it is done. */
@Component({
  selector: 'zest-restore-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [When, MatButtonModule, MatDialogModule, MatProgressBarModule],
  template: `
    <h2 mat-dialog-title>Restore the backup of {{ question.backup.madeAt | when: true }}</h2>
    <mat-dialog-content>
      <p>It holds {{ words(question.backup.counts) }}, with their editions and histories, and the house stylesheet.</p>
      <p>
        All that is here now is replaced: {{ words(question.now) }}. It is kept as a backup first, so that you can come back to it. Live pages show
        what the backup has live.
      </p>
      @if (working()) {
        <p role="status">The backup is tried first, then what is here is kept, then it is replaced…</p>
        <mat-progress-bar mode="indeterminate" aria-label="Restoring" />
      }
      <p class="zest-wrong" role="alert">{{ wrong() }}</p>
    </mat-dialog-content>
    <mat-dialog-actions>
      <button mat-button mat-dialog-close [disabled]="working()">Leave it</button>
      <button mat-flat-button [disabled]="working()" (click)="restore()">Replace everything</button>
    </mat-dialog-actions>
  `,
})
export class RestoreDialog {
  protected readonly question = inject<RestoreQuestion>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<RestoreDialog, KeptBackup>>(MatDialogRef);
  private readonly api = inject(Api);
  private readonly windows = inject(WindowsAtOnce);
  protected readonly words = countsInWords;
  protected readonly working = signal(false);
  protected readonly wrong = signal('');

  protected async restore(): Promise<void> {
    this.wrong.set('');
    this.working.set(true);
    this.dialog.disableClose = true;
    try {
      this.dialog.close(await this.windows.replacing(() => firstValueFrom(this.api.restoreBackup(this.question.backup.name))));
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      this.wrong.set(`${error.say} Everything is as it was.`);
    } finally {
      this.working.set(false);
      this.dialog.disableClose = false;
    }
  }
}
