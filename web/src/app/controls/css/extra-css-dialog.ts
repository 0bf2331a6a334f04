import { Injectable, inject } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import type { CssDialogData } from './css-dialog';

/** Opens the dialog for extra CSS beside a theme, low enough that what it does is seen above it. */
@Injectable({ providedIn: 'root' })
export class ExtraCssDialog {
  private readonly dialog = inject(MatDialog);

  async open(data: CssDialogData): Promise<void> {
    const { CssDialog } = await import('./css-dialog');
    this.dialog.open(CssDialog, {
      width: '860px',
      maxWidth: '96vw',
      position: { bottom: '16px' },
      backdropClass: 'cdk-overlay-transparent-backdrop',
      panelClass: 'zest-raised',
      data,
    });
  }
}
