import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialogModule } from '@angular/material/dialog';

const shortcuts: readonly (readonly [keys: string, what: string])[] = [
  ['Ctrl Z', 'Undo'],
  ['Ctrl Shift Z', 'Do again'],
  ['Arrow keys', 'Move in the ledger and in a table'],
  ['Enter or F2', 'Edit the value or the cell'],
  ['A letter or digit', 'Replace the value or the cell, and all others that are chosen'],
  ['Tab, Enter', 'While typing: the next cell of the row, and back to where the row began, one row down; at the end a row is added'],
  ['Delete', 'Let a value fall back; empty a cell'],
  ['Esc', 'Leave it as it was; Tab then leaves the table'],
  ['Space', 'Open the editor that fits a value of the ledger'],
  ['Shift and arrow keys', 'Choose several cells of a table or of the ledger'],
  ['Ctrl C, Ctrl V', 'Copy values of the ledger and put them elsewhere'],
  ['Ctrl R', 'Give a value of the ledger to the other conditions'],
  ['F8, held', 'See the theme as it was'],
  ['?', 'This list'],
];

@Component({
  selector: 'zest-shortcuts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>Shortcuts</h2>
    <mat-dialog-content>
      <dl>
        @for (shortcut of shortcuts; track shortcut[0]) {
          <div>
            <dt>{{ shortcut[0] }}</dt>
            <dd>{{ shortcut[1] }}</dd>
          </div>
        }
      </dl>
    </mat-dialog-content>
    <mat-dialog-actions><button mat-button mat-dialog-close>Close</button></mat-dialog-actions>
  `,
  styles: `
    dl {
      margin: 0;
    }
    dl div {
      display: grid;
      grid-template-columns: 180px 1fr;
      padding: 6px 0;
      border-block-end: 1px solid var(--zest-line);
    }
    dt {
      font-family: var(--zest-mono);
      color: var(--zest-ink);
    }
    dd {
      margin: 0;
    }
  `,
})
export class Shortcuts {
  protected readonly shortcuts = shortcuts;
}
