import { ChangeDetectionStrategy, ChangeDetectorRef, Component, type OnInit, computed, inject, input, signal, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatTooltipModule } from '@angular/material/tooltip';
import { RouterLink } from '@angular/router';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { firstValueFrom } from 'rxjs';
import { dataFormats } from '../../../../core/hand-off/choices';
import {
  computedIn,
  ruleProblem,
  gridOf,
  heightOf,
  isWrong,
  putCell,
  setCell,
  sharing,
  widthOf,
  type Cell,
  type Table,
} from '../../../../core/table';
import { Deleting } from '../controls/deleting';
import { Name } from '../controls/rename';
import { Api, type KeptTheme } from '../documents/api';
import { Keepings } from '../documents/keepings';
import { OpenDocument } from '../documents/open-document';
import { Publisher } from '../publishing/publisher';
import { UndoRedo } from '../controls/undo-redo';
import type { AgainData } from './bring-in/again-dialog';
import { FreshNotes } from './bring-in/fresh-notes';
import type { NewTable, NewTableData } from './bring-in/new-table-dialog';
import { IntakeService } from '../workers/intake';
import { dataTypes } from '../../../../core/data-types';
import type { Choice } from './choice';
import { totalsFromWorker } from './grid/totals';
import { Grid } from './grid/grid';
import type { Typed } from './grid/told';
import type { HistoryData } from './history-dialog';
import type { SplitData } from './columns/split-dialog';
import type { TextData } from './text/text-dialog';
import { Looks } from './looks/looks';
import { TableEdits } from './table-edits';
import { Structure } from './columns/structure';
import { ThemeViews } from '../controls/dressed/theme-views';

@Component({
  selector: 'zest-table-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Grid, Looks, MatButtonModule, MatIconModule, MatMenuModule, MatTooltipModule, Name, RouterLink, Structure, UndoRedo],
  providers: [OpenDocument, TableEdits],
  templateUrl: './editor.html',
  styleUrl: './editor.scss',
})
export class TableEditor implements OnInit {
  readonly id = input.required<string>();
  private readonly api = inject(Api);
  private readonly changes = inject(ChangeDetectorRef);
  private readonly views = inject(ThemeViews);
  private readonly deleting = inject(Deleting);
  private readonly dialog = inject(MatDialog);
  private readonly publisher = inject(Publisher);
  private readonly fresh = inject(FreshNotes);
  private readonly intake = inject(IntakeService);
  protected readonly grid = viewChild(Grid);
  protected readonly panels = [
    ['structure', 'Structure'],
    ['looks', 'Look'],
  ] as const;
  protected readonly panel = signal<(typeof this.panels)[number][0]>('structure');

  private readonly open = inject<OpenDocument<'tables'>>(OpenDocument);
  protected readonly edits = inject(TableEdits);
  protected readonly table = this.open.document;
  protected readonly themes = signal<readonly KeptTheme[]>([]);
  protected readonly missing = this.open.missing;
  protected readonly coming = toSignal(inject(Keepings).coming$);
  protected readonly notes = signal<readonly string[]>([]);
  protected readonly formats = dataFormats;
  protected readonly view = computed(() => {
    const theme = this.themes().find(({ id }) => id === this.table()?.theme)?.document;
    return theme && this.views.of(theme);
  });
  protected readonly size = computed(() => {
    const table = this.table();
    return table ? `${heightOf(table).toLocaleString('en')} rows, ${widthOf(table)} columns` : '';
  });
  /** Goes up when totals of a long table have come. */
  protected readonly totals = totalsFromWorker(this.edits.finding.shown);
  /** What is wrong with the cell that has the focus. */
  protected readonly wrongHere = computed(() => {
    const table = this.edits.worked();
    const { row, column } = this.edits.choice();
    if (!table || row >= heightOf(table) || column >= widthOf(table)) return '';
    const cell = gridOf(table).at(row, column);
    const computed = computedIn(table, cell.column, cell.row);
    if (typeof computed === 'object' && computed) return computed.say;
    const label = dataTypes.find(({ name }) => name === table.columns[cell.column]?.type)?.label.toLowerCase() ?? '';
    return isWrong(table, cell) ? `“${cell.text.slice(0, 40)}” is not ${label}` : (ruleProblem(table, cell) ?? '');
  });
  constructor() {
    // The grid has the edited table after the next rendering.
    this.edits.toChoose$.pipe(takeUntilDestroyed()).subscribe((choice) => setTimeout(() => this.grid()?.chooseBlock(choice)));
  }

  ngOnInit(): void {
    void this.load();
  }

  private async load(): Promise<void> {
    if (!(await this.open.open('tables', this.id()))) return;
    this.notes.set(this.fresh.take(this.id()));
    this.themes.set((await this.deleting.attempt(() => firstValueFrom(this.api.themes()))) ?? []);
  }

  /** Typing goes on in a row that is made for it, at once: the next key is meant for that. */
  protected grow(column: number): void {
    if (!this.edits.addRow()) return;
    this.changes.detectChanges();
    this.grid()?.choose((this.edits.worked()?.rows.length ?? 1) - 1, column);
  }

  protected type({ row: at, column, text, block }: Typed): void {
    if (block) return this.edits.typeInAll(block, text, () => this.type({ row: at, column, text }));
    const row = this.edits.finding.rowOf(at);
    const table = this.table();
    if (table && computedIn(table, column, row) !== undefined) {
      const worked = this.edits.worked();
      // Left as it was, the cell was only looked into.
      if (worked && gridOf(worked).at(row, column).text === text) return;
      this.edits.said.set(undefined);
      this.edits.refusal.set(
        `Column ${column + 1} is worked out from ${table.columns[column]?.formula}. Change that under Structure, or empty it to type here.`,
      );
      return;
    }
    this.edits.change(`type in row ${row + 1}, column ${column + 1}`, '', (table) => setCell(table, row, column, text));
  }

  /** The text of the cell with the focus, with all that it can have. */
  protected async editText(): Promise<void> {
    const table = this.table();
    if (!table) return;
    const { row, column } = this.edits.choice();
    const at = gridOf(table).at(row, column);
    if (computedIn(table, at.column, at.row) !== undefined) return this.type({ row: this.edits.seen().row, column: at.column, text: '' });
    const [{ TextDialog }, { coloursOfView }] = await Promise.all([import('./text/text-dialog'), import('./text/colours')]);
    const colours = coloursOfView(this.view());
    const data: TextData = { cell: table.rows[at.row]?.[at.column] ?? '', where: `row ${at.row + 1}, column ${at.column + 1}`, colours };
    const taken = await firstValueFrom(
      this.dialog.open<unknown, TextData, Cell>(TextDialog, { width: '620px', autoFocus: '.ProseMirror', data }).afterClosed(),
    );
    if (taken !== undefined)
      this.edits.change(`write in row ${at.row + 1}, column ${at.column + 1}`, '', (each) => putCell(each, at.row, at.column, taken));
    this.edits.chooseSoon(this.edits.seen());
  }

  /** Parts the chosen column at a separator, or joins the chosen ones. */
  protected async splitColumns(): Promise<void> {
    const table = this.table();
    if (!table) return;
    const { column: from, toColumn: to } = this.edits.choice();
    const { SplitDialog } = await import('./columns/split-dialog');
    const separator = await firstValueFrom(
      this.dialog.open<unknown, SplitData, string>(SplitDialog, { width: '560px', data: { table, from, to } }).afterClosed(),
    );
    if (separator !== undefined) this.edits.splitColumns(from, to, separator);
  }

  protected rename = (name: string): void => this.edits.change('rename the table', 'name', (table) => ({ ...table, name }));

  protected publish = (): unknown => this.publisher.publish('tables', this.open.session());

  /** What was done to the table, with a way back. */
  protected async showHistory(): Promise<void> {
    const session = this.open.session();
    if (!session || !(await session.flush())) return;
    const { HistoryDialog } = await import('./history-dialog');
    const now = session.document;
    const data = { id: session.id, name: now.name };
    const taken = await firstValueFrom(this.dialog.open<unknown, HistoryData, Table>(HistoryDialog, { width: '640px', data }).afterClosed());
    if (taken) this.edits.change('go back to an earlier state', '', (table) => sharing(table, taken));
  }

  /** A newer file for this table: what it changes is shown before it is taken. */
  protected async bringAgain(): Promise<void> {
    const [{ NewTableDialog }, { AgainDialog }] = await Promise.all([import('./bring-in/new-table-dialog'), import('./bring-in/again-dialog')]);
    const made = await firstValueFrom(
      this.dialog.open<unknown, NewTableData, NewTable>(NewTableDialog, { width: '900px', data: { again: true } }).afterClosed(),
    );
    const table = this.table();
    if (!made || !table) return;
    const keys = await this.intake.keys(table);
    const data: AgainData = { keys, compare: (key) => this.intake.compare(table, key), take: () => this.intake.newer(table) };
    const taken = await firstValueFrom(this.dialog.open<unknown, AgainData, Table>(AgainDialog, { width: '760px', data }).afterClosed());
    if (taken) this.edits.change('bring in a newer file', '', () => taken);
  }

  protected async download(path: string): Promise<void> {
    const session = this.open.session();
    if (session && (await session.flush())) location.assign(`/api/tables/${session.id}/${path}`);
  }

  /** Goes to slots of the table, whatever of it is shown. */
  protected goTo(choice: Choice): void {
    this.edits.finding.showAll();
    this.edits.chooseSoon(choice);
  }
}
