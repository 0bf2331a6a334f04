import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { sayProblem } from '../../../../../core/outcome';
import { columnNames, joinColumns, separatorIn, splitColumn, textOf, widthOf, type Edited, type Table } from '../../../../../core/table';

/** Which columns are to be parted or joined. */
export interface SplitData {
  readonly table: Table;
  readonly from: number;
  readonly to: number;
}

/** Rows that the preview shows. */
const ROWS = 4;

/** Parts a column at a separator, or joins several with one, and shows what comes of it before it is done. Gives the separator. */
@Component({
  selector: 'zest-split-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>{{ isJoin ? 'Join ' + count + ' columns' : 'Split “' + name + '”' }}</h2>
    <form (submit)="$event.preventDefault(); take()">
      <mat-dialog-content>
        <label
          >{{ isJoin ? 'What stands between the parts' : 'What stands between two parts' }}
          <input
            class="zest-field"
            [value]="separator()"
            (input)="separator.set($any($event.target).value)"
            maxlength="20"
            autocomplete="off"
            [attr.aria-invalid]="outcome() ? true : null"
            aria-describedby="split-wrong"
        /></label>
        @if (outcome(); as problem) {
          <p id="split-wrong" class="zest-wrong" role="alert">{{ problem }}</p>
        } @else {
          <table aria-label="What comes of it">
            @for (row of shown(); track $index; let first = $first) {
              <tr>
                @for (text of row; track $index) {
                  @if (first) {
                    <th scope="col">{{ text }}</th>
                  } @else {
                    <td>{{ text }}</td>
                  }
                }
              </tr>
            }
          </table>
        }
      </mat-dialog-content>
      <mat-dialog-actions>
        <button mat-button type="button" mat-dialog-close>Leave it</button>
        <button mat-flat-button type="submit">{{ isJoin ? 'Join' : 'Split' }}</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    table {
      border-collapse: collapse;
      margin-top: 12px;
      min-width: 100%;
    }
    th,
    td {
      text-align: start;
      padding: 4px 10px;
      border-bottom: 1px solid var(--zest-line);
      overflow-wrap: anywhere;
    }
  `,
})
export class SplitDialog {
  private readonly data = inject<SplitData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<SplitDialog, string>>(MatDialogRef);
  protected readonly isJoin = this.data.to > this.data.from;
  protected readonly count = this.data.to - this.data.from + 1;
  protected readonly name = columnNames(this.data.table)[this.data.from] ?? '';
  protected readonly separator = signal(this.isJoin ? ' / ' : separatorIn(this.data.table, this.data.from));
  private readonly edited = computed(() => parted(this.data, this.separator()));
  /** Why it cannot be done; empty where it can. */
  protected readonly outcome = computed(() => {
    const edited = this.edited();
    if (this.separator() === '' && !this.isJoin) return 'Write what stands between them, as in 4.2 / 1.1.';
    return edited.ok ? '' : edited.problems.map(sayProblem).join(' ');
  });
  /** The header and the first rows, of the columns that come of it. */
  protected readonly shown = computed((): readonly (readonly string[])[] => {
    const edited = this.edited();
    if (!edited.ok) return [];
    const { from, to, table } = this.data;
    const end = to + 1 + widthOf(edited.value) - widthOf(table);
    const { headerRows, rows } = edited.value;
    const header = rows[headerRows - 1]?.slice(from, end).map(textOf) ?? Array.from({ length: end - from }, (_, i) => `Column ${from + i + 1}`);
    return [header, ...rows.slice(headerRows, headerRows + ROWS).map((row) => row.slice(from, end).map(textOf))];
  });

  protected take(): void {
    if (this.outcome() === '') this.dialog.close(this.separator());
  }
}

/** The table with the chosen column parted, or the chosen columns joined. */
export const parted = ({ table, from, to }: SplitData, separator: string): Edited =>
  to > from ? joinColumns(table, from, to, separator) : splitColumn(table, from, separator);
