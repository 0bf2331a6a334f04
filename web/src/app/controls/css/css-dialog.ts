import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { checkExtra } from '../../../../../core/css-check';
import { readExtra } from '../../../../../core/theme';
import { CssEditor } from './css-editor';
import { CssTold } from './css-told';

/** Extra CSS beside a theme, that is written in a dialog. */
export interface CssDialogData {
  readonly title: string;
  readonly about: string;
  readonly css: string;
  /** Swatches that it can name. */
  readonly swatches: readonly string[];
  /** What is typed is taken at once. */
  readonly changed: (css: string) => void;
}

/** Extra CSS of one table or of the whole site. What is typed is seen behind it at once. */
@Component({
  selector: 'zest-css-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CssEditor, CssTold, MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>{{ data.title }}</h2>
    <mat-dialog-content>
      <p class="zest-note">{{ data.about }}</p>
      <div class="both">
        <zest-css-editor
          [text]="css()"
          [label]="data.title"
          [notices]="notices()"
          [swatches]="data.swatches"
          [place]="place()"
          (changed)="take($event)"
        />
        <zest-css-told [extra]="extra()" [notices]="notices()" (went)="place.set($event)" />
      </div>
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-flat-button mat-dialog-close>Close</button>
    </mat-dialog-actions>
  `,
  styles: `
    p {
      margin: 0 0 8px;
    }
    .both {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 250px;
      gap: 16px;
    }
    zest-css-editor {
      height: 240px;
      border: 1px solid var(--zest-edge);
      border-radius: 8px;
      overflow: hidden;
    }
    zest-css-told {
      max-height: 240px;
      overflow: auto;
    }
    @media (max-width: 700px) {
      .both {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class CssDialog {
  protected readonly data = inject<CssDialogData>(MAT_DIALOG_DATA);
  protected readonly css = signal(this.data.css);
  protected readonly place = signal<{ readonly line: number; readonly column?: number } | undefined>({ line: 1 });
  protected readonly extra = computed(() => readExtra(this.css(), new Set(this.data.swatches), true));
  protected readonly notices = computed(() => checkExtra(this.extra()));

  protected take(css: string): void {
    this.css.set(css);
    this.data.changed(css);
  }
}
