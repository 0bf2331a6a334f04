import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { THEME_FORMAT, starters, type Starter, type Theme } from '../../../../../core/theme';
import { Dressed } from '../../controls/dressed';
import { sampleTable } from '../../controls/sample-table';

@Component({
  selector: 'zest-starter-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dressed, MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>Choose a starter</h2>
    <mat-dialog-content>
      <p class="zest-note">The new theme grows from it: what you do not change follows the starter.</p>
      <ul class="zest-cards" aria-label="Starters">
        @for (starter of starters; track starter.key) {
          <li>
            <zest-dressed [theme]="starter.theme" [table]="sample" [scale]="0.47" />
            <button type="button" (click)="take(starter)">
              <strong>{{ starter.theme.name }}</strong>
              <span class="zest-note">{{ starter.temper }}</span>
            </button>
          </li>
        }
      </ul>
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
    .zest-cards {
      grid-template-columns: repeat(auto-fill, minmax(236px, 1fr));
    }
    zest-dressed {
      height: 150px;
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
  private readonly dialog = inject<MatDialogRef<StarterDialog, Theme>>(MatDialogRef);
  protected readonly starters = starters;
  protected readonly sample = sampleTable;

  protected take({ key, theme }: Starter): void {
    this.dialog.close({ format: THEME_FORMAT, name: `${theme.name}, mine`, base: key, swatches: [], values: {} });
  }
}
