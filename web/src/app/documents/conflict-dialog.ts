import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatRadioModule } from '@angular/material/radio';
import { valueInWords } from '../../../../core/documents';
import type { Conflict } from '../../../../core/edit';
import { SidePicture } from './side-picture';
import type { DocumentSession } from './session';

/** Of more places than this the rest goes as the person says for all. */
const MOST_ASKED = 12;

/** Two windows changed one place in two ways: both are shown, in words and as pictures; the person decides, nothing is lost without a word. */
@Component({
  selector: 'zest-conflict-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule, MatRadioModule, SidePicture],
  template: `
    <h2 mat-dialog-title>Another window changed this too</h2>
    <mat-dialog-content>
      <p>“{{ session.document.name }}” was saved in another window. What differs in other places was put together; choose for these.</p>
      @if (conflicts.length > 1) {
        <mat-radio-group [value]="forAll()" (change)="chooseAll($event.value)" aria-label="All {{ conflicts.length }} places">
          <mat-radio-button value="mine">This window’s everywhere</mat-radio-button>
          <mat-radio-button value="theirs">The other window’s everywhere</mat-radio-button>
        </mat-radio-group>
      }
      @for (each of asked; track $index) {
        <fieldset>
          <legend>{{ each.where }}</legend>
          <mat-radio-group
            [value]="choices()[$index] ? 'theirs' : 'mine'"
            (change)="choose($index, $event.value === 'theirs')"
            [attr.aria-label]="each.where"
          >
            @for (side of sides; track side.name) {
              <div>
                <mat-radio-button [value]="side.name"
                  >{{ side.says }}: <span class="value">{{ show(each.conflict[side.name]) }}</span></mat-radio-button
                >
                <zest-side-picture [kind]="session.kind" [document]="each[side.name]" [conflict]="each.conflict" />
              </div>
            }
          </mat-radio-group>
        </fieldset>
      }
      @if (conflicts.length > asked.length) {
        <p>{{ conflicts.length - asked.length }} more places go as you choose for all of them.</p>
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
      min-width: 0;
    }
    legend {
      font-weight: 600;
      padding: 0 4px;
    }
    fieldset mat-radio-group {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(300px, 100%), 1fr));
      gap: 8px 16px;
    }
    fieldset div {
      min-width: 0;
    }
    .value {
      overflow-wrap: anywhere;
    }
  `,
})
export class ConflictDialog {
  protected readonly session = inject<DocumentSession<{ readonly name: string }>>(MAT_DIALOG_DATA);
  private readonly dialog = inject(MatDialogRef);
  protected readonly conflicts: readonly Conflict[] = this.session.state.kind === 'conflict' ? this.session.state.conflicts : [];
  protected readonly asked = this.conflicts.slice(0, MOST_ASKED).map((conflict) => ({ conflict, ...this.session.sidesOf(conflict) }));
  protected readonly sides = [
    { name: 'mine', says: 'This window' },
    { name: 'theirs', says: 'The other window' },
  ] as const;
  protected readonly choices = signal<readonly boolean[]>(this.conflicts.map(() => false));
  private readonly theirs = computed(() => this.choices().filter(Boolean).length);
  protected readonly forAll = computed(() => (this.theirs() === 0 ? 'mine' : this.theirs() === this.conflicts.length ? 'theirs' : ''));
  protected readonly chosen = computed(() => ({ mine: 'this window’s', theirs: 'the other window’s', '': 'these choices' })[this.forAll()]);

  protected choose(index: number, theirs: boolean): void {
    this.choices.update((choices) => choices.map((choice, i) => (i === index ? theirs : choice)));
  }
  protected chooseAll(side: 'mine' | 'theirs'): void {
    this.choices.set(this.conflicts.map(() => side === 'theirs'));
  }
  protected show = valueInWords;
  protected settle(): void {
    this.session.settle(this.conflicts.filter((_, i) => this.choices()[i]));
    this.dialog.close();
  }
}
