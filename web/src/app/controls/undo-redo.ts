import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatTooltipModule } from '@angular/material/tooltip';
import type { KindName } from '../../../../core/documents';
import { OpenDocument } from '../documents/open-document';

/** Undo and redo of the open document, as buttons that say what they would do. */
@Component({
  selector: 'zest-undo-redo',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatIconModule, MatTooltipModule],
  template: `
    <button
      mat-icon-button
      (click)="open.session()?.undo()"
      [disabled]="!open.undoLabel()"
      disabledInteractive
      [attr.aria-label]="'Undo ' + (open.undoLabel() ?? '')"
      [matTooltip]="open.undoLabel() ? 'Undo ' + open.undoLabel() : 'Nothing to undo'"
    >
      <mat-icon svgIcon="undo" />
    </button>
    <button
      mat-icon-button
      (click)="open.session()?.redo()"
      [disabled]="!open.redoLabel()"
      disabledInteractive
      [attr.aria-label]="'Do again: ' + (open.redoLabel() ?? '')"
      [matTooltip]="open.redoLabel() ? 'Do again: ' + open.redoLabel() : 'Nothing to do again'"
    >
      <mat-icon svgIcon="redo" />
    </button>
  `,
  styles: ':host { display: flex; }',
})
export class UndoRedo {
  protected readonly open = inject<OpenDocument<KindName>>(OpenDocument);
}
