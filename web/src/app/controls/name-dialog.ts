import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, type MatDialog, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { firstValueFrom } from 'rxjs';
import { nameSchema } from '../../../../core/theme';

export interface NameQuestion {
  readonly title: string;
  readonly name: string;
  readonly action: string;
}

/** Asks for a name; undefined when it was left. */
export const askName = (dialog: MatDialog, question: NameQuestion): Promise<string | undefined> =>
  firstValueFrom(dialog.open<NameDialog, NameQuestion, string>(NameDialog, { data: question, width: '420px' }).afterClosed());

@Component({
  selector: 'zest-name-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>{{ question.title }}</h2>
    <form (submit)="$event.preventDefault(); take()">
      <mat-dialog-content>
        <label
          >Name
          <input
            class="zest-field"
            [value]="question.name"
            (input)="typed = $any($event.target).value; wrong.set('')"
            [attr.aria-invalid]="wrong() ? true : null"
            aria-describedby="wrong-name"
        /></label>
        <p id="wrong-name" class="zest-wrong" role="alert">{{ wrong() }}</p>
      </mat-dialog-content>
      <mat-dialog-actions>
        <button mat-button type="button" mat-dialog-close>Leave it</button>
        <button mat-flat-button type="submit">{{ question.action }}</button>
      </mat-dialog-actions>
    </form>
  `,
})
class NameDialog {
  protected readonly question = inject<NameQuestion>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<NameDialog, string>>(MatDialogRef);
  protected readonly wrong = signal('');
  protected typed = this.question.name;

  protected take(): void {
    const name = this.typed.trim().replace(/\s+/g, ' ');
    try {
      nameSchema.validateSync(name);
      this.dialog.close(name);
    } catch (error) {
      this.wrong.set((error as Error).message);
    }
  }
}
