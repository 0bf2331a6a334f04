import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { firstValueFrom } from 'rxjs';
import { pageChanges, type NameOf, type Page } from '../../../../core/page';
import { Deleting } from '../controls/deleting';
import { Api, type Edition } from '../documents/api';
import { When } from '../controls/when';

export interface PageEditions {
  readonly id: string;
  /** The page as it stands in the tool. */
  readonly page: Page;
  /** Number of the edition that is live. */
  readonly live: number | undefined;
  readonly nameOf: NameOf;
}

/** A page's editions: what has changed since one of them, in words, and a way back to it. */
@Component({
  selector: 'zest-page-editions-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [When, MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>Editions of “{{ data.page.name }}”</h2>
    <mat-dialog-content>
      @if (editions(); as all) {
        @if (all.length === 0) {
          <p>It has not been published yet.</p>
        } @else {
          <label
            >Since
            <select class="zest-field" (change)="pick(+$any($event.target).value)">
              @for (each of all; track each.number) {
                <option [value]="each.number" [selected]="each.number === picked()">
                  edition {{ each.number }}, {{ each.publishedAt | when }}{{ each.number === data.live ? ', live' : '' }}
                </option>
              }
            </select>
          </label>
          @if (changes(); as said) {
            @if (said.length === 0) {
              <p role="status">Nothing has changed on the page since. What it follows goes on by itself.</p>
            } @else {
              <ul aria-label="Changed since">
                @for (each of said; track $index) {
                  <li>{{ each }}</li>
                }
              </ul>
            }
          }
        }
      } @else {
        <p role="status">Looking them up…</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions>
      <button mat-button mat-dialog-close>Close</button>
      <button mat-flat-button [disabled]="!document() || changes()?.length === 0" (click)="take()">Go back to edition {{ picked() }}</button>
    </mat-dialog-actions>
  `,
})
export class PageEditionsDialog {
  protected readonly data = inject<PageEditions>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<PageEditionsDialog, Page>>(MatDialogRef);
  private readonly api = inject(Api);
  private readonly deleting = inject(Deleting);
  protected readonly editions = signal<readonly Edition[] | undefined>(undefined);
  protected readonly picked = signal(0);
  protected readonly document = signal<Page | undefined>(undefined);
  protected readonly changes = computed(() => {
    const before = this.document();
    return before && pageChanges(before, this.data.page, this.data.nameOf);
  });

  constructor() {
    void this.deleting.attempt(async () => {
      const editions = await firstValueFrom(this.api.editions(this.data.id, 'pages'));
      this.editions.set(editions);
      if (editions[0]) await this.pick(this.data.live ?? editions[0].number);
    });
  }

  protected async pick(number: number): Promise<void> {
    this.picked.set(number);
    this.document.set(undefined);
    const found = await this.deleting.attempt(() => firstValueFrom(this.api.pageEdition(this.data.id, number)));
    if (this.picked() === number) this.document.set(found);
  }
  protected take(): void {
    this.dialog.close(this.document());
  }
}
