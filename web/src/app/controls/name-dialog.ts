import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, type MatDialog, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { firstValueFrom } from 'rxjs';
import { isNameTaken } from '../../../../core/free-name';
import { nameSchema } from '../../../../core/theme';
import { ApiError } from '../documents/api';

export interface NameQuestion {
  readonly title: string;
  readonly name: string;
  readonly action: string;
  /** Names that others have: that one is taken is said, and no reason not to take it. */
  readonly taken?: readonly string[];
  /** Keeps what is called so; false where it could not and that has been said. The dialog stays until it is kept. */
  readonly keep: (name: string) => Promise<unknown>;
}

/** Asks for a name, and stays until what is called so is kept; undefined when it was left. */
export const askName = (dialog: MatDialog, question: NameQuestion): Promise<string | undefined> =>
  firstValueFrom(dialog.open<NameDialog, NameQuestion, string>(NameDialog, { data: question, width: '420px' }).afterClosed());

@Component({
  selector: 'zest-name-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>{{ question.title }}</h2>
    <form (submit)="$event.preventDefault(); isBusy() || take()">
      <mat-dialog-content>
        <label
          >Name
          <input
            class="zest-field"
            [value]="question.name"
            (input)="typed = $any($event.target).value; wrong.set(''); isTaken.set(isNameTaken(typed, question.taken ?? []))"
            [attr.aria-invalid]="wrong() ? true : null"
            aria-describedby="wrong-name"
        /></label>
        <p id="wrong-name" class="zest-wrong" role="alert">{{ wrong() }}</p>
        <p class="zest-note" role="status">{{ isTaken() ? 'Another is called so already.' : '' }}</p>
      </mat-dialog-content>
      <mat-dialog-actions>
        <button mat-button type="button" mat-dialog-close>Leave it</button>
        <button mat-flat-button type="submit" [disabled]="isBusy()">{{ question.action }}</button>
      </mat-dialog-actions>
    </form>
  `,
})
class NameDialog {
  protected readonly question = inject<NameQuestion>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<NameDialog, string>>(MatDialogRef);
  protected readonly wrong = signal('');
  protected readonly isTaken = signal(false);
  protected readonly isNameTaken = isNameTaken;
  protected readonly isBusy = signal(false);
  protected typed = this.question.name;

  protected async take(): Promise<void> {
    const name = this.typed.trim().replace(/\s+/g, ' ');
    try {
      nameSchema.validateSync(name);
    } catch (error) {
      return this.wrong.set((error as Error).message);
    }
    this.isBusy.set(true);
    try {
      if ((await this.question.keep(name)) !== false) this.dialog.close(name);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      this.wrong.set(error.say);
    } finally {
      this.isBusy.set(false);
    }
  }
}
