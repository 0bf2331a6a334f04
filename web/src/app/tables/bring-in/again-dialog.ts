import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { sayProblem } from '../../../../../core/outcome';
import type { Outcome } from '../../../../../core/outcome';
import type { Table } from '../../../../../core/table';
import type { AgainShown } from '../../workers/intake.worker';

/** By what rows can be told, and what a newer file makes of the table then. */
export interface AgainData {
  readonly keys: readonly string[];
  readonly compare: (key: string) => Promise<Outcome<AgainShown>>;
  readonly take: () => Promise<Table>;
}

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
          <select class="zest-field" (change)="compare($any($event.target).value)">
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
              @for (change of found.changed; track $index) {
                <tr>
                  <th scope="row">{{ change.key }}</th>
                  <td>{{ change.column }}</td>
                  <td>{{ change.before }}</td>
                  <td>{{ change.after }}</td>
                </tr>
              }
            </tbody>
          </table>
          @if (found.counts.changed > found.changed.length) {
            <p class="zest-note">and {{ (found.counts.changed - found.changed.length).toLocaleString('en') }} more cells</p>
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
        <button mat-flat-button (click)="take()">Take it in</button>
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
  private readonly dialog = inject<MatDialogRef<AgainDialog, Table>>(MatDialogRef);
  protected readonly keys = this.data.keys;
  protected readonly key = signal(this.keys[0] ?? '');
  protected readonly again = signal<AgainShown | undefined>(undefined);
  protected readonly problem = signal('');

  constructor() {
    if (this.key() === '')
      this.problem.set(
        'No column tells the rows in both: it would have to be filled everywhere and different in every row. Give such a column the same name in both.',
      );
    else void this.compare(this.key());
  }

  protected async compare(key: string): Promise<void> {
    this.key.set(key);
    const outcome = await this.data.compare(key);
    if (this.key() !== key) return;
    this.again.set(outcome.ok ? outcome.value : undefined);
    const first = outcome.ok ? undefined : outcome.problems[0];
    this.problem.set(first ? sayProblem(first) : '');
  }
  protected async take(): Promise<void> {
    this.dialog.close(await this.data.take());
  }

  protected summary({ counts: { added, removed, changed } }: AgainShown): string {
    if (added + removed + changed === 0) return 'The newer file says the same.';
    const count = (n: number, one: string, many: string): string => (n === 1 ? `1 ${one}` : `${n.toLocaleString('en')} ${many}`);
    return `${count(changed, 'cell changed', 'cells changed')}, ${count(added, 'row new', 'rows new')}, ${count(removed, 'row gone', 'rows gone')}.`;
  }
  protected lists({ added, removed, newColumns, keptColumns, counts }: AgainShown): readonly { readonly what: string; readonly text: string }[] {
    const named = (names: readonly string[], count = names.length): string =>
      count > names.length ? `${names.join(', ')} and ${(count - names.length).toLocaleString('en')} more` : names.join(', ');
    return [
      { what: 'New rows', text: named(added, counts.added) },
      { what: 'Rows that are gone', text: named(removed, counts.removed) },
      { what: 'New columns', text: named(newColumns) },
      { what: 'Columns that the file lacks, kept as they are', text: named(keptColumns) },
    ].filter(({ text }) => text !== '');
  }
}
