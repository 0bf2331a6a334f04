import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { sprout } from '../../../../../core/edit';
import { starters, type Base, type Theme } from '../../../../../core/theme';
import { previewOf, type Table } from '../../../../../core/table';
import { Dressed } from '../../controls/dressed/dressed';
import { Api, type KeptTable, type KeptTheme } from '../../documents/api';
import { sampleTable } from '../../controls/dressed/sample-table';
import { ThemeViews } from '../../controls/dressed/theme-views';

/** Makes the new theme, to be seen first on the table that it was tried on; true when it is kept. */
export type MakeTheme = (theme: Theme, triedOn: string) => Promise<boolean>;

@Component({
  selector: 'zest-starter-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dressed, MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>Choose a starter</h2>
    <mat-dialog-content>
      <div class="over">
        <p class="zest-note">The new theme grows from it: what you do not change follows it.</p>
        <label
          >Tried on
          <select class="zest-field" (change)="tryOn($any($event.target).value)">
            <option value="">a small sample</option>
            @for (each of tables(); track each.id) {
              <option [value]="each.id">{{ each.document.name }}</option>
            }
          </select>
        </label>
      </div>
      <ul class="zest-cards" aria-label="Starters">
        @for (starter of starters; track starter.key) {
          <li>
            <zest-dressed [view]="views.of(starter.theme)" [table]="table()" [scale]="0.47" />
            <button type="button" (click)="grow(starter.theme.name + ', mine', { starter: starter.key, version: starter.version })">
              <strong>{{ starter.theme.name }}</strong>
              <span class="zest-note">{{ starter.temper }}</span>
            </button>
          </li>
        }
      </ul>
      @if (themes().length > 0) {
        <h3>Or a theme of yours</h3>
        <ul class="zest-cards" aria-label="Your themes">
          @for (each of themes(); track each.id) {
            <li>
              <zest-dressed [view]="views.of(each.document)" [table]="table()" [scale]="0.47" />
              <button type="button" (click)="grow(each.document.name + ', grown', { theme: each.id })">
                <strong>{{ each.document.name }}</strong>
                <span class="zest-note">a change in it is a change in the new one</span>
              </button>
            </li>
          }
        </ul>
      }
    </mat-dialog-content>
    <mat-dialog-actions><button mat-button mat-dialog-close>Leave it</button></mat-dialog-actions>
  `,
  styles: `
    li {
      position: relative;
      padding: 12px;
      background: #fff;
      border: 1px solid var(--zest-line);
      border-radius: 12px;
    }
    li:hover {
      border-color: var(--zest-edge);
    }
    li button {
      all: unset;
      display: flex;
      flex-direction: column;
      gap: 2px;
      cursor: pointer;
    }
    li button::after {
      content: '';
      position: absolute;
      inset: 0;
      border-radius: 12px;
    }
    li button:focus-visible::after {
      outline: 2px solid var(--zest-zest);
    }
    .over {
      display: flex;
      justify-content: space-between;
      align-items: center;
      gap: 16px;
      margin-block-end: 12px;
    }
    .over label {
      display: flex;
      align-items: center;
      gap: 8px;
      white-space: nowrap;
    }
    .zest-cards {
      grid-template-columns: repeat(auto-fill, minmax(236px, 1fr));
    }
    zest-dressed {
      height: 160px;
      margin-block-end: 8px;
    }
    strong {
      color: #20261f;
      font-family: var(--zest-display);
    }
    li .zest-note {
      color: #5d665a;
    }
  `,
})
export class StarterDialog {
  private readonly dialog = inject<MatDialogRef<StarterDialog>>(MatDialogRef);
  private readonly make = inject<MakeTheme>(MAT_DIALOG_DATA);
  private triedOn = '';
  private readonly api = inject(Api);
  protected readonly views = inject(ThemeViews);
  protected readonly starters = starters;
  protected readonly tables = signal<readonly KeptTable[]>([]);
  /** What the starters are shown on: a sample, or one of the person's own tables. */
  protected readonly table = signal<Table>(sampleTable);

  protected readonly themes = signal<readonly KeptTheme[]>([]);

  constructor() {
    this.api.themes().subscribe({ next: (themes) => this.themes.set(themes), error: () => this.themes.set([]) });
    this.api.tables().subscribe({ next: (tables) => this.tables.set(tables), error: () => this.tables.set([]) });
  }

  protected tryOn(id: string): void {
    this.triedOn = id;
    const kept = this.tables().find((each) => each.id === id);
    this.table.set(kept ? previewOf(kept.document, 6) : sampleTable);
  }

  /** It is left when the theme is kept; where it cannot be, that is said and the choice stays. */
  protected async grow(name: string, base: Base): Promise<void> {
    if (await this.make(sprout(name, base), this.triedOn)) this.dialog.close();
  }
}
