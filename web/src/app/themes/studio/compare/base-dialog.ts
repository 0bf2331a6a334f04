import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { atVersion, lookChanges } from '../../../../../../core/edit';
import type { Table } from '../../../../../../core/table';
import type { Theme } from '../../../../../../core/theme';
import { Dressed } from '../../../controls/dressed/dressed';
import { ThemeViews } from '../../../controls/dressed/theme-views';

/** A theme and the later version of its starter that it may be moved to. */
export interface Moving {
  readonly theme: Theme;
  readonly version: number;
  readonly table: Table;
}

/** Before a theme is moved to a later version of what it grows from: what looks otherwise then, in words and in pictures. */
@Component({
  selector: 'zest-base-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dressed, MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>{{ name }}, version {{ data.version }}</h2>
    <mat-dialog-content>
      <p>This theme grows from version {{ data.theme.base?.version }}. What it says itself stays; editions that are published stay as they are.</p>
      <div class="pair">
        <figure>
          <figcaption>As it is</figcaption>
          <zest-dressed [view]="now" [table]="data.table" [scale]="0.6" />
        </figure>
        <figure>
          <figcaption>With version {{ data.version }}</figcaption>
          <zest-dressed [view]="then()" [table]="data.table" [scale]="0.6" />
        </figure>
      </div>
      @if (changes().length === 0) {
        <p>Nothing looks otherwise: this theme says all of that itself.</p>
      } @else {
        <table aria-label="What looks otherwise">
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">As it is</th>
              <th scope="col">With version {{ data.version }}</th>
            </tr>
          </thead>
          <tbody>
            @for (change of changes(); track change.what) {
              <tr>
                <th scope="row">{{ change.what }}</th>
                <td>
                  <code>{{ change.before ?? 'from above' }}</code>
                </td>
                <td>
                  <code>{{ change.after ?? 'from above' }}</code>
                </td>
              </tr>
            }
          </tbody>
        </table>
      }
    </mat-dialog-content>
    <mat-dialog-actions>
      <button mat-button (click)="stay()">Stay at version {{ data.theme.base?.version }}</button>
      <button mat-flat-button (click)="move()">Move to version {{ data.version }}</button>
    </mat-dialog-actions>
  `,
  styleUrl: './compare-dialog.scss',
})
export class BaseDialog {
  protected readonly data = inject<Moving>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<BaseDialog, number>>(MatDialogRef);
  private readonly views = inject(ThemeViews);
  protected readonly now = this.views.of(this.data.theme);
  protected readonly name = this.now.chain[1]?.name ?? '';
  protected readonly then = computed(() => this.views.of(atVersion(this.data.theme, this.data.version)));
  protected readonly changes = computed(() => lookChanges(this.now, this.then()));

  protected stay(): void {
    this.dialog.close();
  }
  protected move(): void {
    this.dialog.close(this.data.version);
  }
}
