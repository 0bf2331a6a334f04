import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { sayProblem } from '../../../../core/outcome';
import { bringAgain, possibleKeys, type Again, type Table } from '../../../../core/table';

/** The table that is there, and what a newer file has. */
export interface AgainData {
  readonly table: Table;
  readonly newer: Table;
}

/** Lines of each list that are shown; the rest is counted. */
const SHOWN = 40;

/** What a newer file would change, before it is taken. */
@Component({
  selector: 'zest-again-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>What the newer file changes</h2>
    <mat-dialog-content>
      @if (keys.length > 0) {
        <label
          >Rows are told by
          <select class="zest-field" (change)="key.set($any($event.target).value)">
            @for (each of keys; track each) {
              <option [value]="each" [selected]="each === key()">{{ each }}</option>
            }
          </select>
        </label>
      }
      @if (problem()) {
        <p class="zest-wrong" role="alert">{{ problem() }}</p>
      }
      @if (again(); as found) {
        <p role="status">{{ summary(found) }}</p>
        @if (found.changed.length > 0) {
          <table class="changes" aria-label="Changed cells">
            <thead>
              <tr>
                <th scope="col">{{ key() }}</th>
                <th scope="col">Column</th>
                <th scope="col">Now</th>
                <th scope="col">In the newer file</th>
              </tr>
            </thead>
            <tbody>
              @for (change of found.changed.slice(0, shown); track $index) {
                <tr>
                  <th scope="row">{{ change.key }}</th>
                  <td>{{ change.column }}</td>
                  <td>{{ change.before }}</td>
                  <td>{{ change.after }}</td>
                </tr>
              }
            </tbody>
          </table>
          @if (found.changed.length > shown) {
            <p class="zest-note">and {{ (found.changed.length - shown).toLocaleString('en') }} more cells</p>
          }
        }
        @for (list of lists(found); track list.what) {
          <h3>{{ list.what }}</h3>
          <p>{{ list.text }}</p>
        }
        @for (note of found.notes; track note) {
          <p>{{ note }}</p>
        }
      }
    </mat-dialog-content>
    <mat-dialog-actions>
      <button mat-button mat-dialog-close>Leave it</button>
      @if (again(); as found) {
        <button mat-flat-button (click)="dialog.close(found.table)">Take it in</button>
      }
    </mat-dialog-actions>
  `,
  styles: `
    .changes {
      border-collapse: collapse;
      width: 100%;
    }
    .changes th,
    .changes td {
      text-align: start;
      padding: 4px 12px 4px 0;
      border-block-end: 1px solid var(--zest-line);
      font-weight: 400;
    }
    .changes thead th {
      color: var(--zest-soft);
      font-weight: 600;
    }
    h3 {
      margin: 14px 0 2px;
      font-size: 13px;
    }
    h3 + p {
      margin: 0;
    }
  `,
})
export class AgainDialog {
  private readonly data = inject<AgainData>(MAT_DIALOG_DATA);
  protected readonly dialog = inject<MatDialogRef<AgainDialog, Table>>(MatDialogRef);
  protected readonly shown = SHOWN;
  protected readonly keys = possibleKeys(this.data.table, this.data.newer);
  protected readonly key = signal(this.keys[0] ?? '');
  private readonly outcome = computed(() => (this.key() === '' ? undefined : bringAgain(this.data.table, this.data.newer, this.key())));
  protected readonly again = computed(() => {
    const outcome = this.outcome();
    return outcome?.ok ? outcome.value : undefined;
  });
  protected readonly problem = computed(() => {
    const outcome = this.outcome();
    if (!outcome)
      return 'No column tells the rows in both: it would have to be filled everywhere and different in every row. Give such a column the same name in both.';
    const first = outcome.ok ? undefined : outcome.problems[0];
    return first ? sayProblem(first) : '';
  });

  protected summary({ added, removed, changed }: Again): string {
    if (added.length + removed.length + changed.length === 0) return 'The newer file says the same.';
    const count = (n: number, one: string, many: string): string => (n === 1 ? `1 ${one}` : `${n.toLocaleString('en')} ${many}`);
    return `${count(changed.length, 'cell changed', 'cells changed')}, ${count(added.length, 'row new', 'rows new')}, ${count(removed.length, 'row gone', 'rows gone')}.`;
  }
  protected lists({ added, removed, newColumns, keptColumns }: Again): readonly { readonly what: string; readonly text: string }[] {
    const named = (names: readonly string[]): string =>
      names.length > SHOWN ? `${names.slice(0, SHOWN).join(', ')} and ${(names.length - SHOWN).toLocaleString('en')} more` : names.join(', ');
    return [
      { what: 'New rows', text: named(added) },
      { what: 'Rows that are gone', text: named(removed) },
      { what: 'New columns', text: named(newColumns) },
      { what: 'Columns that the file lacks, kept as they are', text: named(keptColumns) },
    ].filter(({ text }) => text !== '');
  }
}
