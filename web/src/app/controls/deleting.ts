import { Injectable, inject } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import { firstValueFrom } from 'rxjs';
import { Api, ApiError, type Kind } from '../documents/api';

/** Deletes without asking, and offers to bring it back. */
@Injectable({ providedIn: 'root' })
export class Deleting {
  private readonly api = inject(Api);
  private readonly snackBar = inject(MatSnackBar);

  async delete(kind: Kind, { id, document }: { id: string; document: { name: string } }, changed: () => void): Promise<void> {
    await this.attempt(async () => {
      await firstValueFrom(this.api.delete(kind, id));
      changed();
      const bar = this.snackBar.open(`“${document.name}” was deleted.`, 'Undo', { duration: 12_000 });
      bar.onAction().subscribe(
        () =>
          void this.attempt(async () => {
            await firstValueFrom(this.api.restore(kind, id));
            changed();
            this.snackBar.open(`“${document.name}” is back.`, 'Good', { duration: 4000 });
          }),
      );
    });
  }

  /** Does something with the server and says so in a sentence when it cannot be done. */
  async attempt<T>(work: () => Promise<T>): Promise<T | undefined> {
    try {
      return await work();
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      this.snackBar.open(error.say, 'Close', { duration: 15_000 });
      return undefined;
    }
  }
}
