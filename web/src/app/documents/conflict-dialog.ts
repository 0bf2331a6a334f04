import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatRadioModule } from '@angular/material/radio';
import type { Conflict } from '../../../../core/edit';
import type { DocumentSession } from './session';

/** Two windows changed one place in two ways: both are shown, the person decides, nothing is lost without a word. */
@Component({
  selector: 'zest-conflict-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule, MatRadioModule],
  template: `
    <h2 mat-dialog-title>Another window changed this too</h2>
    <mat-dialog-content>
      <p>“{{ session.document.name }}” was saved in another window. What differs in other places was put together; choose for these.</p>
      @for (conflict of conflicts; track $index) {
        <fieldset>
          <legend>{{ where(conflict) }}</legend>
          <mat-radio-group
            [value]="choices()[$index] ? 'theirs' : 'mine'"
            (change)="choose($index, $event.value === 'theirs')"
            [attr.aria-label]="where(conflict)"
          >
            <mat-radio-button value="mine"
              >This window: <code>{{ show(conflict.mine) }}</code></mat-radio-button
            >
            <mat-radio-button value="theirs"
              >The other window: <code>{{ show(conflict.theirs) }}</code></mat-radio-button
            >
          </mat-radio-group>
        </fieldset>
      }
    </mat-dialog-content>
    <mat-dialog-actions>
      <button mat-flat-button (click)="settle()">Keep {{ chosen() }}</button>
    </mat-dialog-actions>
  `,
  styles: `
    fieldset {
      border: 1px solid var(--zest-line);
      border-radius: 8px;
      margin: 0 0 12px;
      padding: 4px 12px 8px;
    }
    legend {
      font-weight: 600;
      padding: 0 4px;
    }
    mat-radio-group {
      display: flex;
      flex-direction: column;
    }
    code {
      font-family: var(--zest-mono);
      overflow-wrap: anywhere;
    }
  `,
})
export class ConflictDialog {
  protected readonly session = inject<DocumentSession<{ readonly name: string }>>(MAT_DIALOG_DATA);
  private readonly dialog = inject(MatDialogRef);
  protected readonly conflicts: readonly Conflict[] = this.session.state.kind === 'conflict' ? this.session.state.conflicts : [];
  protected readonly choices = signal<readonly boolean[]>(this.conflicts.map(() => false));
  protected readonly chosen = computed(() => {
    const theirs = this.choices().filter(Boolean).length;
    return theirs === 0 ? 'this window’s' : theirs === this.conflicts.length ? 'the other window’s' : 'these choices';
  });

  protected choose(index: number, theirs: boolean): void {
    this.choices.update((choices) => choices.map((choice, i) => (i === index ? theirs : choice)));
  }
  protected where = (conflict: Conflict): string => this.session.where(conflict);
  protected show(value: unknown): string {
    if (value === undefined) return 'nothing';
    const text = typeof value === 'string' ? value : JSON.stringify(value);
    return text.length > 200 ? `${text.slice(0, 200)}…` : text || 'empty';
  }
  protected settle(): void {
    this.session.settle(this.conflicts.filter((_, i) => this.choices()[i]));
    this.dialog.close();
  }
}
