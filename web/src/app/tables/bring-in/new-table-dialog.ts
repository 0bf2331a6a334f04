import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { FILE_MOST, encodings, quotes, separators, sourceEndings } from '../../../../../core/intake/choices';
import type { Below, Chosen, Finding, FindingKind, SourceOptions } from '../../../../../core/intake';
import { good, type Outcome } from '../../../../../core/outcome';
import { LIMITS, emptyTable, previewOf, type Table, type TableHead } from '../../../../../core/table';
import { nameSchema } from '../../../../../core/theme';
import { Dressed } from '../../controls/dressed/dressed';
import { IntakeService, Stopped } from '../../workers/intake';
import type { CameIn } from '../../workers/intake.worker';

/** What the dialog is for: a new table, which `keep` keeps and gives what went wrong; or a newer file for one that is there. */
export type NewTableData =
  | { readonly again: true }
  | {
      readonly keep: (made: NewTable) => Promise<string | undefined>;
      /** The themes that it can be dressed in, by name, and the one that it is dressed in if nothing else is said. */
      readonly themes: readonly { readonly id: string; readonly name: string }[];
      readonly theme: string;
    };

/** The table; or, of what came in, its head and the id under which its rows are at the server already. */
type Made = ({ readonly table: Table } | { readonly head: TableHead; readonly upload: string; readonly rows: number }) & {
  /** What was found and mended on the way in. */
  readonly notes: readonly string[];
};
export type NewTable = Made & {
  /** Id of the theme that it is dressed in; empty for none. */
  readonly theme: string;
};

/** Rows of a header at most, where a person sets them. */
const HEADER_MOST = 9;

/** A new table: so many rows and columns, cells copied from a spreadsheet or a page, or a file. */
@Component({
  selector: 'zest-new-table-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dressed, MatButtonModule, MatCheckboxModule, MatDialogModule, MatProgressBarModule],
  templateUrl: './new-table-dialog.html',
  styles: `
    .ways {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
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
    .called {
      display: flex;
      flex-wrap: wrap;
      gap: 0 16px;
    }
    .name {
      display: block;
      margin-block-end: 16px;
      flex: 0 1 320px;
    }
    textarea {
      resize: none;
      flex: 1;
      font-family: var(--zest-mono);
    }
    .result {
      margin-block-start: 12px;
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      gap: 16px;
    }
    .becomes {
      display: flex;
      gap: 8px;
      align-items: center;
      margin-inline-start: 40px;
    }
    .becomes select {
      width: auto;
    }
    .choices {
      display: flex;
      flex-wrap: wrap;
      gap: 12px;
      align-items: end;
      margin-block-start: 12px;
    }
    .choices label {
      display: grid;
      gap: 2px;
    }
    .source {
      margin: 0;
    }
    .busy {
      display: flex;
      align-items: center;
      gap: 12px;
    }
    .findings {
      list-style: none;
      padding: 0;
    }
    .picture {
      background: #fff;
      border: 1px solid var(--zest-line);
      border-radius: 12px;
      padding: 12px;
      /* Whatever comes into it, nothing beside or below it moves. */
      box-sizing: border-box;
      height: 270px;
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
  /** Set when a newer file is wanted for a table that is there. */
  private readonly data = inject<NewTableData>(MAT_DIALOG_DATA);
  protected readonly isAgain = 'again' in this.data;
  private readonly intake = inject(IntakeService);
  private readonly dialog = inject<MatDialogRef<NewTableDialog, NewTable>>(MatDialogRef);
  protected readonly limits = LIMITS;
  protected readonly most = FILE_MOST / 1_048_576;
  protected readonly endings = sourceEndings.join(',');
  protected readonly encodings = encodings;
  protected readonly separators = Object.entries(separators);
  protected readonly quotes = Object.entries(quotes);
  protected readonly name = signal('');
  protected readonly themes = 'again' in this.data ? [] : this.data.themes;
  protected readonly theme = signal('again' in this.data ? '' : this.data.theme);
  protected readonly rows = signal(5);
  protected readonly columns = signal(4);
  protected readonly wrong = signal('');
  protected readonly busy = signal('');
  /** How far it is, from 0 to 1; undefined where that is not known. */
  protected readonly share = signal<number | undefined>(undefined);
  private readonly told = (share: number): void => this.share.set(share);
  protected readonly found = signal<CameIn | undefined>(undefined);
  /** What the person chose about the source, and which findings they undid. */
  protected readonly source = signal('');
  private options: SourceOptions = {};
  private readonly refused = new Set<FindingKind>();
  /** What texts below the table become. */
  protected readonly below = signal<Below>('note');
  /** How many rows are the header, where the person said so. */
  private headerRows: number | undefined;
  private get chosen(): Chosen {
    return { below: this.below(), ...(this.headerRows === undefined ? {} : { headerRows: this.headerRows }) };
  }
  protected readonly picture = computed(() => {
    const found = this.found();
    return found && previewOf(found.arranged.table, 6);
  });
  protected readonly size = computed(() => {
    const found = this.found();
    return found ? `${found.rows.toLocaleString('en')} rows, ${found.columns} columns` : '';
  });

  protected startEmpty(): void {
    const [rows, columns] = [this.rows(), this.columns()];
    if (!Number.isInteger(rows) || rows < 1 || rows > LIMITS.rows) return this.wrong.set(`Choose from 1 to ${LIMITS.rows} rows.`);
    if (!Number.isInteger(columns) || columns < 1 || columns > LIMITS.columns) return this.wrong.set(`Choose from 1 to ${LIMITS.columns} columns.`);
    void this.busily('Keeping the table…', () => this.finish({ table: emptyTable(this.named('New table'), rows, columns), notes: [] }));
  }

  protected async paste(event: ClipboardEvent): Promise<void> {
    const clipboard = { html: event.clipboardData?.getData('text/html') ?? '', text: event.clipboardData?.getData('text/plain') ?? '' };
    event.preventDefault();
    this.source.set('Pasted cells.');
    await this.bring('Reading the cells…', () => this.intake.clipboard(this.named('Pasted table'), clipboard));
  }

  protected async open(event: Event): Promise<void> {
    const field = event.target as HTMLInputElement;
    const file = field.files?.[0];
    field.value = '';
    if (file) await this.read(file);
  }
  protected async drop(event: DragEvent): Promise<void> {
    event.preventDefault();
    const file = event.dataTransfer?.files[0];
    if (file) await this.read(file);
  }
  private async read(file: File): Promise<void> {
    if (file.size > FILE_MOST)
      return this.wrong.set(`“${file.name}” has ${Math.round(file.size / 1_048_576)} MB; at most ${this.most} MB can be read.`);
    this.source.set(`From “${file.name}”.`);
    await this.bring(`Reading “${file.name}”…`, () =>
      this.intake.file(this.named(file.name.replace(/\.\w+$/, '').slice(0, 120) || 'Opened table'), file, this.told),
    );
  }

  /** Another sheet, range, separator or encoding. Findings that were undone before may not be there any more. */
  protected async choose(options: SourceOptions): Promise<void> {
    this.options = { ...this.options, ...options };
    await this.reading('Reading it again…', () => this.intake.readAgain(this.options, [...this.refused], this.chosen, this.told));
  }
  protected readonly wantsHidden = signal(false);
  protected async chooseHidden(hidden: boolean): Promise<void> {
    this.wantsHidden.set(hidden);
    await this.choose({ hidden });
  }
  protected async hold({ kind }: Finding, holds: boolean): Promise<void> {
    if (kind === 'header') this.headerRows = undefined;
    if (holds) this.refused.delete(kind);
    else this.refused.add(kind);
    await this.arrange();
  }
  /** So many rows are the header; what was told of it does not count any more. */
  protected async setHeader(field: HTMLInputElement): Promise<void> {
    const count = field.valueAsNumber;
    if (!Number.isInteger(count) || count < 0 || count > HEADER_MOST) {
      field.value = String(this.found()?.arranged.table.headerRows ?? 0);
      return this.wrong.set(`A header has from 0 to ${HEADER_MOST} rows.`);
    }
    this.refused.delete('header');
    this.headerRows = count;
    await this.arrange();
  }
  protected readonly headerMost = HEADER_MOST;
  protected async putBelow(below: string): Promise<void> {
    this.below.set(below === 'description' ? below : 'note');
    await this.arrange();
  }
  private arrange = (): Promise<void> => this.reading('', async () => good(await this.intake.arrangeAgain([...this.refused], this.chosen)));

  private async bring(busy: string, work: () => Promise<Outcome<CameIn>>): Promise<void> {
    this.found.set(undefined);
    this.options = {};
    this.wantsHidden.set(false);
    this.refused.clear();
    this.below.set('note');
    this.headerRows = undefined;
    await this.reading(busy, work);
  }
  private async reading(busy: string, work: () => Promise<Outcome<CameIn>>): Promise<void> {
    await this.busily(busy, async () => {
      const outcome = await work();
      if (outcome.ok) this.found.set(outcome.value);
      else this.wrong.set(outcome.problems.map(({ say, remedy }) => `${say} ${remedy ?? ''}`).join(' '));
    });
  }
  private async busily(busy: string, work: () => Promise<void>): Promise<void> {
    this.wrong.set('');
    this.busy.set(busy);
    this.share.set(undefined);
    try {
      await work();
    } catch (error) {
      this.wrong.set(
        error instanceof Stopped ? 'Stopped. Nothing was changed.' : `It could not be read (${(error as Error).message}). Nothing was changed.`,
      );
    } finally {
      this.busy.set('');
    }
  }
  protected stop(): void {
    this.intake.stop();
    this.found.set(undefined);
  }

  protected async take(): Promise<void> {
    const found = this.found();
    if (!found) return;
    const { table, notes, findings } = found.arranged;
    const name = this.named(table.name);
    if (!nameSchema.isValidSync(name)) return this.wrong.set('A name has 1 to 120 characters.');
    const said = [...findings.filter(({ holds }) => holds).map(({ say }) => say), ...notes];
    // For a newer file what came in stays in the worker, where it is compared.
    if (this.isAgain) return this.dialog.close({ table, notes: said, theme: table.theme });
    await this.busily('Keeping the rows…', async () => {
      const sent = await this.intake.send(this.told);
      if (sent.ok) await this.keep({ head: { ...sent.value.head, name }, upload: sent.value.upload, rows: sent.value.rows, notes: said });
      else this.notKept(sent.problems[0]?.say ?? '');
    });
  }

  private async finish(made: { readonly table: Table; readonly notes: readonly string[] }): Promise<void> {
    if (nameSchema.isValidSync(made.table.name)) await this.keep(made);
    else this.wrong.set('A name has 1 to 120 characters.');
  }
  /** Closes when what was made is kept; where it cannot be, it stays, with everything in it, and says why. */
  private async keep(work: Made): Promise<void> {
    const made: NewTable = { ...work, theme: this.theme() };
    const wrong = 'keep' in this.data ? await this.data.keep(made) : undefined;
    if (wrong === undefined) this.dialog.close(made);
    else this.notKept(wrong);
  }
  private notKept(wrong: string): void {
    this.wrong.set(`${wrong} Nothing is lost: try again, or choose otherwise.`);
  }
  private named = (otherwise: string): string => this.name().trim().replace(/\s+/g, ' ') || otherwise;
}
