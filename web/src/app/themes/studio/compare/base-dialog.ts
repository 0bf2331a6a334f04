import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { atVersion, lookChanges } from '../../../../../../core/edit';
import type { Table } from '../../../../../../core/table';
import type { Theme } from '../../../../../../core/theme';
import { Compared, type Side } from './compared';
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
  imports: [Compared, MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>{{ name }}, version {{ data.version }}</h2>
    <mat-dialog-content>
      <p>This theme grows from version {{ data.theme.base?.version }}. What it says itself stays; editions that are published stay as they are.</p>
      <zest-compared label="What looks otherwise" [sides]="sides()" [table]="data.table" [changes]="changes()">
        Nothing looks otherwise: this theme says all of that itself.
      </zest-compared>
    </mat-dialog-content>
    <mat-dialog-actions>
      <button mat-button (click)="stay()">Stay at version {{ data.theme.base?.version }}</button>
      <button mat-flat-button (click)="move()">Move to version {{ data.version }}</button>
    </mat-dialog-actions>
  `,
})
export class BaseDialog {
  protected readonly data = inject<Moving>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<BaseDialog, number>>(MatDialogRef);
  private readonly views = inject(ThemeViews);
  protected readonly now = this.views.of(this.data.theme);
  protected readonly name = this.now.chain[1]?.name ?? '';
  protected readonly then = computed(() => this.views.of(atVersion(this.data.theme, this.data.version)));
  protected readonly sides = computed((): readonly [Side, Side] => [
    { name: 'As it is', view: this.now },
    { name: `With version ${this.data.version}`, view: this.then() },
  ]);
  protected readonly changes = computed(() => lookChanges(this.now, this.then()));

  protected stay(): void {
    this.dialog.close();
  }
  protected move(): void {
    this.dialog.close(this.data.version);
  }
}
