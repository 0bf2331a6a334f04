import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { FILE_MOST } from '../../../../core/intake/limits';
import type { Intake } from '../../../../core/intake';
import type { Outcome } from '../../../../core/outcome';
import { LIMITS, emptyTable, heightOf, previewOf, widthOf, type Table } from '../../../../core/table';
import { nameSchema } from '../../../../core/theme';
import { Dressed } from '../controls/dressed';
import { IntakeService } from '../workers/intake';

export interface NewTable {
  readonly table: Table;
  /** What was found and mended on the way in. */
  readonly notes: readonly string[];
}

/** A new table: so many rows and columns, cells copied from a spreadsheet, or a file of separated values. */
@Component({
  selector: 'zest-new-table-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dressed, MatButtonModule, MatDialogModule],
  templateUrl: './new-table-dialog.html',
  styles: `
    .ways {
      display: grid;
      grid-template-columns: 1fr 1fr 1fr;
      gap: 16px;
      align-items: start;
    }
    section {
      border: 1px solid var(--zest-line);
      border-radius: 12px;
      padding: 14px;
      display: flex;
      flex-direction: column;
      gap: 10px;
      min-height: 168px;
      box-sizing: border-box;
    }
    .pair {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px;
    }
    label {
      color: var(--zest-soft);
    }
    .name {
      display: block;
      margin-block-end: 16px;
      max-width: 320px;
    }
    textarea {
      resize: none;
      flex: 1;
      font-family: var(--zest-mono);
    }
    .result {
      margin-block-start: 16px;
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 16px;
    }
    .picture {
      background: #fff;
      border: 1px solid var(--zest-line);
      border-radius: 12px;
      padding: 12px;
      max-height: 180px;
      overflow: hidden;
    }
    ul {
      margin: 0;
      padding-inline-start: 18px;
    }
    section button {
      align-self: start;
      margin-block-start: auto;
    }
  `,
})
export class NewTableDialog {
  private readonly intake = inject(IntakeService);
  private readonly dialog = inject<MatDialogRef<NewTableDialog, NewTable>>(MatDialogRef);
  protected readonly limits = LIMITS;
  protected readonly name = signal('');
  protected readonly rows = signal(5);
  protected readonly columns = signal(4);
  protected readonly wrong = signal('');
  protected readonly busy = signal('');
  protected readonly found = signal<Intake | undefined>(undefined);
  protected readonly picture = computed(() => {
    const found = this.found();
    return found && previewOf(found.table, 6);
  });
  protected readonly size = computed(() => {
    const table = this.found()?.table;
    return table ? `${heightOf(table).toLocaleString('en')} rows, ${widthOf(table)} columns` : '';
  });

  protected startEmpty(): void {
    const [rows, columns] = [this.rows(), this.columns()];
    if (!Number.isInteger(rows) || rows < 1 || rows > LIMITS.rows) return this.wrong.set(`Choose from 1 to ${LIMITS.rows} rows.`);
    if (!Number.isInteger(columns) || columns < 1 || columns > LIMITS.columns) return this.wrong.set(`Choose from 1 to ${LIMITS.columns} columns.`);
    this.finish({ table: emptyTable(this.named('New table'), rows, columns), notes: [] });
  }

  protected async paste(event: ClipboardEvent): Promise<void> {
    const clipboard = { html: event.clipboardData?.getData('text/html') ?? '', text: event.clipboardData?.getData('text/plain') ?? '' };
    event.preventDefault();
    await this.bring('Reading the cells…', () => this.intake.clipboard(this.named('Pasted table'), clipboard));
  }

  protected async open(event: Event): Promise<void> {
    const field = event.target as HTMLInputElement;
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    if (file.size > FILE_MOST)
      return this.wrong.set(`“${file.name}” has ${Math.round(file.size / 1_048_576)} MB; at most ${FILE_MOST / 1_048_576} MB can be read.`);
    await this.bring(`Reading “${file.name}”…`, () =>
      this.intake.csv(this.named(file.name.replace(/\.\w+$/, '').slice(0, 120) || 'Opened table'), file),
    );
  }

  private async bring(busy: string, work: () => Promise<Outcome<Intake>>): Promise<void> {
    this.wrong.set('');
    this.found.set(undefined);
    this.busy.set(busy);
    try {
      const outcome = await work();
      if (outcome.ok) this.found.set(outcome.value);
      else this.wrong.set(outcome.problems.map(({ say, remedy }) => `${say} ${remedy ?? ''}`).join(' '));
    } catch (error) {
      this.wrong.set(`It could not be read (${(error as Error).message}). Nothing was changed.`);
    } finally {
      this.busy.set('');
    }
  }

  protected take(): void {
    const found = this.found();
    if (found) this.finish({ table: { ...found.table, name: this.named(found.table.name) }, notes: found.notes });
  }

  private finish(made: NewTable): void {
    if (nameSchema.isValidSync(made.table.name)) this.dialog.close(made);
    else this.wrong.set('A name has 1 to 120 characters.');
  }
  private named = (otherwise: string): string => this.name().trim().replace(/\s+/g, ' ') || otherwise;
}
