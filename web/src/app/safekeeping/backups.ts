import { formatDate } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { firstValueFrom } from 'rxjs';
import { calledOf, countsInWords, type Backups, type Deleted, type KeptBackup } from '../../../../core/documents';
import { Deleting } from '../controls/deleting';
import { Api, ApiError } from '../documents/api';
import { RestoreDialog, type RestoreQuestion } from './restore-dialog';
import { WindowsAtOnce } from './windows';
import { reasonsInWords, sizeInWords } from './words';
import { When } from '../controls/when';

/** Backups of everything, made and restored, and what was deleted and can be brought back. */
@Component({
  selector: 'zest-backups',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [When, MatButtonModule, MatProgressBarModule],
  templateUrl: './backups.html',
  styleUrl: './backups.scss',
})
export class BackupsView {
  private readonly api = inject(Api);
  private readonly dialog = inject(MatDialog);
  private readonly deleting = inject(Deleting);
  private readonly windows = inject(WindowsAtOnce);
  protected readonly words = countsInWords;
  protected readonly reasons = reasonsInWords;
  protected readonly size = sizeInWords;
  protected readonly backups = signal<Backups | undefined>(undefined);
  protected readonly deleted = signal<readonly Deleted[]>([]);
  /** What is being done, what was done, and what could not be done: sentences. */
  protected readonly working = signal('');
  protected readonly said = signal(this.windows.saidBefore());
  protected readonly wrong = signal('');

  constructor() {
    void this.deleting.attempt(() => this.load());
  }

  private async load(): Promise<void> {
    const [backups, deleted] = await Promise.all([firstValueFrom(this.api.backups()), firstValueFrom(this.api.deleted())]);
    this.backups.set(backups);
    this.deleted.set(deleted);
  }

  protected named = ({ madeAt }: KeptBackup): string => `the backup of ${formatDate(madeAt, 'd MMM y, HH:mm:ss', 'en')}`;
  protected wordOf = ({ kind }: Deleted): string => calledOf(kind);

  protected make = (): Promise<void> =>
    this.work('Everything is written to a backup, and the backup is tried…', async () => {
      const made = await firstValueFrom(this.api.makeBackup());
      return `A backup was made and tried. It holds ${countsInWords(made.counts)}.`;
    });

  protected bring(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return Promise.resolve();
    return this.work(`“${file.name}” is brought in and tried…`, async () => {
      const brought = await firstValueFrom(this.api.bringBackup(file));
      return `“${file.name}” is a good backup of ${formatDate(brought.madeAt, 'd MMM y, HH:mm:ss', 'en')} and lies with the others. Nothing was replaced yet.`;
    });
  }

  protected async restore(backup: KeptBackup): Promise<void> {
    const now = this.backups()?.counts;
    if (!now) return;
    const data: RestoreQuestion = { backup, now };
    const opened = this.dialog.open<RestoreDialog, RestoreQuestion, KeptBackup>(RestoreDialog, { data, width: '560px' });
    const before = await firstValueFrom(opened.afterClosed());
    if (before) this.windows.startAnew(`${this.named(backup).replace(/^t/, 'T')} was restored. What was here before is ${this.named(before)}.`);
  }

  protected async remove(backup: KeptBackup): Promise<void> {
    const question = `Remove ${this.named(backup)} for good?`;
    const { askYes } = await import('./ask-yes');
    if (
      !(await askYes(this.dialog, { title: question, say: 'It cannot be brought back. What is kept here now stays as it is.', action: 'Remove it' }))
    )
      return;
    await this.work('', async () => {
      await firstValueFrom(this.api.removeBackup(backup.name));
      return `${this.named(backup).replace(/^t/, 'T')} was removed.`;
    });
  }

  protected bringBack = ({ kind, id, name }: Deleted): Promise<void> =>
    this.work('', async () => {
      await firstValueFrom(this.api.restore(kind, id));
      return `“${name}” is back.`;
    });

  private async work(doing: string, done: () => Promise<string>): Promise<void> {
    this.working.set(doing);
    this.wrong.set('');
    this.said.set('');
    try {
      this.said.set(await done());
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      this.wrong.set(error.say);
    } finally {
      this.working.set('');
    }
    await this.deleting.attempt(() => this.load());
  }
}
