import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, type MatDialog, MatDialogModule } from '@angular/material/dialog';
import { firstValueFrom } from 'rxjs';

export interface YesQuestion {
  readonly title: string;
  readonly say: string;
  readonly action: string;
}

/** Asks whether something is to be done that cannot be taken back. */
export const askYes = async (dialog: MatDialog, data: YesQuestion): Promise<boolean> =>
  (await firstValueFrom(dialog.open<YesDialog, YesQuestion, boolean>(YesDialog, { data, width: '420px' }).afterClosed())) === true;

@Component({
  selector: 'zest-yes-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>{{ question.title }}</h2>
    <mat-dialog-content
      ><p>{{ question.say }}</p></mat-dialog-content
    >
    <mat-dialog-actions>
      <button mat-button mat-dialog-close>Leave it</button>
      <button mat-flat-button [mat-dialog-close]="true">{{ question.action }}</button>
    </mat-dialog-actions>
  `,
})
class YesDialog {
  protected readonly question = inject<YesQuestion>(MAT_DIALOG_DATA);
}
