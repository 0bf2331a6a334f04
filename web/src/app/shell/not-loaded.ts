import { inject } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import type { NavigationError } from '@angular/router';

/** A view that was never opened in this window has to be fetched: where the server is gone, the link says why it leads nowhere. */
export function viewNotThere({ error }: NavigationError): void {
  // What browsers throw where a module cannot be fetched (HTML Standard, "fetch an import() module script graph").
  if (!(error instanceof TypeError) && (error as Error | undefined)?.name !== 'ChunkLoadError') throw error;
  inject(MatSnackBar).open('This view cannot be opened now: the server cannot be reached. What you changed stays where it is.', 'Close', {
    duration: 15_000,
  });
}
