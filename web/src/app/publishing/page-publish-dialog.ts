import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import type { Along } from '../../../../core/page';
import type { Pending } from '../documents/api';

export interface PagePublishing {
  readonly name: string;
  readonly pending: readonly Pending[];
}

/** Before a page goes live: what it follows that has changed since it was published, to be published with it or not. */
@Component({
  selector: 'zest-page-publish-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatCheckboxModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>Publish “{{ data.name }}”</h2>
    <mat-dialog-content>
      <p>These have changed since they were published. Which go live with the page?</p>
      <ul aria-label="Changed since they were published">
        @for (each of data.pending; track each.id) {
          <li>
            <mat-checkbox [checked]="isChosen(each)" (change)="choose(each, $event.checked)">{{ words[each.kind] }} “{{ each.name }}”</mat-checkbox>
            <p class="zest-note">
              Changed since edition {{ each.edition }}.
              {{ each.others.length === 0 ? 'No other page follows it.' : 'It changes on ' + each.others.join(', ') + ' too.' }}
            </p>
          </li>
        }
      </ul>
    </mat-dialog-content>
    <mat-dialog-actions>
      <button mat-button mat-dialog-close>Not now</button>
      <button mat-flat-button (click)="publish()">Publish</button>
    </mat-dialog-actions>
  `,
  styles: `
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li p {
      margin: 0 0 8px 40px;
    }
  `,
})
export class PagePublishDialog {
  protected readonly data = inject<PagePublishing>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<PagePublishDialog, readonly Along[]>>(MatDialogRef);
  private readonly chosen = signal<ReadonlySet<Pending>>(
    new Set(this.data.pending.filter(({ kind, others }) => kind !== 'theme' || others.length === 0)),
  );

  protected readonly words = { theme: 'Theme', table: 'Table', pricing: 'Pricing table' } as const;

  protected isChosen = (each: Pending): boolean => this.chosen().has(each);
  protected choose(each: Pending, is: boolean): void {
    const chosen = new Set(this.chosen());
    if (is) chosen.add(each);
    else chosen.delete(each);
    this.chosen.set(chosen);
  }
  protected publish(): void {
    this.dialog.close([...this.chosen()].map(({ kind, id, revision }) => ({ kind, id, revision })));
  }
}
