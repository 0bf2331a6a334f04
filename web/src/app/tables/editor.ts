import { ChangeDetectionStrategy, Component, type OnInit, computed, inject, input, signal, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatTooltipModule } from '@angular/material/tooltip';
import { RouterLink } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { sayProblem } from '../../../../core/outcome';
import {
  LIMITS,
  deleteColumn,
  deleteRow,
  gridOf,
  heightOf,
  insertColumn,
  insertRow,
  mergeCells,
  moveColumn,
  moveRow,
  setCell,
  setFooterRows,
  setHeaderRows,
  setRowHeaders,
  splitCells,
  widthOf,
  type Edited,
  type Table,
} from '../../../../core/table';
import { Deleting } from '../controls/deleting';
import { Name } from '../controls/rename';
import { Api, type KeptTheme } from '../documents/api';
import { OpenDocument } from '../documents/open-document';
import { UndoRedo } from '../controls/undo-redo';
import { FreshNotes } from './fresh-notes';
import { Grid, type Choice } from './grid';

@Component({
  selector: 'zest-table-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Grid, MatButtonModule, MatIconModule, MatMenuModule, MatTooltipModule, Name, RouterLink, UndoRedo],
  providers: [OpenDocument],
  templateUrl: './editor.html',
  styleUrl: './editor.scss',
})
export class TableEditor implements OnInit {
  readonly id = input.required<string>();
  private readonly api = inject(Api);
  private readonly deleting = inject(Deleting);
  private readonly fresh = inject(FreshNotes);
  private readonly grid = viewChild(Grid);

  private readonly open = inject<OpenDocument<Table>>(OpenDocument);
  protected readonly table = this.open.document;
  protected readonly themes = signal<readonly KeptTheme[]>([]);
  protected readonly missing = this.open.missing;
  protected readonly notes = signal<readonly string[]>([]);
  protected readonly refusal = signal('');
  protected readonly choice = signal<Choice>({ row: 0, column: 0, toRow: 0, toColumn: 0 });
  protected readonly limits = LIMITS;
  protected readonly theme = computed(() => this.themes().find(({ id }) => id === this.table()?.theme)?.document);
  protected readonly size = computed(() => {
    const table = this.table();
    return table ? `${heightOf(table).toLocaleString('en')} rows, ${widthOf(table)} columns` : '';
  });
  protected readonly isMerged = computed(() => {
    const table = this.table();
    const { row, column } = this.choice();
    if (!table || row >= heightOf(table) || column >= widthOf(table)) return false;
    const cell = gridOf(table).at(row, column);
    return cell.rows * cell.columns > 1;
  });

  ngOnInit(): void {
    void this.load();
  }

  private async load(): Promise<void> {
    if (!(await this.open.open('tables', this.id()))) return;
    this.notes.set(this.fresh.take(this.id()));
    this.themes.set((await this.deleting.attempt(() => firstValueFrom(this.api.themes()))) ?? []);
  }

  protected type({ row, column, text }: { row: number; column: number; text: string }): void {
    this.change(`type in row ${row + 1}, column ${column + 1}`, '', (table) => setCell(table, row, column, text));
  }
  protected clear(choice: Choice): void {
    this.change('empty the chosen cells', '', (table) => {
      let cleared = table;
      for (let row = choice.row; row <= choice.toRow; row++)
        for (let column = choice.column; column <= choice.toColumn; column++) cleared = setCell(cleared, row, column, '');
      return cleared;
    });
  }

  protected row(what: 'above' | 'below' | 'up' | 'down' | 'delete'): void {
    const { row } = this.choice();
    const edits = {
      above: (table: Table) => insertRow(table, row, 'before'),
      below: (table: Table) => insertRow(table, row, 'after'),
      up: (table: Table) => moveRow(table, row, -1),
      down: (table: Table) => moveRow(table, row, 1),
      delete: (table: Table) => deleteRow(table, row),
    };
    const done = this.edit(
      { above: 'add a row', below: 'add a row', up: 'move a row', down: 'move a row', delete: 'delete a row' }[what],
      edits[what],
    );
    if (done) this.go({ above: 0, below: 1, up: -1, down: 1, delete: 0 }[what], 0);
  }
  protected column(what: 'before' | 'after' | 'start' | 'end' | 'delete'): void {
    const { column } = this.choice();
    const edits = {
      before: (table: Table) => insertColumn(table, column, 'before'),
      after: (table: Table) => insertColumn(table, column, 'after'),
      start: (table: Table) => moveColumn(table, column, -1),
      end: (table: Table) => moveColumn(table, column, 1),
      delete: (table: Table) => deleteColumn(table, column),
    };
    const done = this.edit(
      { before: 'add a column', after: 'add a column', start: 'move a column', end: 'move a column', delete: 'delete a column' }[what],
      edits[what],
    );
    if (done) this.go(0, { before: 0, after: 1, start: -1, end: 1, delete: 0 }[what]);
  }
  protected merge(): void {
    const { row, column, toRow, toColumn } = this.choice();
    this.edit('merge cells', (table) => mergeCells(table, { row, column }, { row: toRow, column: toColumn }));
  }
  protected split(): void {
    const { row, column } = this.choice();
    this.edit('split cells', (table) => splitCells(table, row, column));
  }

  protected count(what: 'header' | 'rowHeaders' | 'footer', typed: string): void {
    const n = Number(typed);
    if (typed.trim() === '' || !Number.isInteger(n) || n < 0) return;
    const set = { header: setHeaderRows, rowHeaders: setRowHeaders, footer: setFooterRows }[what];
    this.change({ header: 'mark header rows', rowHeaders: 'mark row headers', footer: 'mark footer rows' }[what], what, (table) => set(table, n));
  }
  protected caption = (caption: string): void =>
    this.change('set the caption', 'caption', (table) => ({ ...table, caption: caption.slice(0, LIMITS.caption) }));
  protected rename = (name: string): void => this.change('rename the table', 'name', (table) => ({ ...table, name }));
  protected dress = (theme: string): void => this.change('dress the table', 'theme', (table) => ({ ...table, theme }));

  protected async download(): Promise<void> {
    const session = this.open.session();
    if (session && (await session.flush())) location.assign(`/api/tables/${session.id}/markup`);
  }

  private change(label: string, touches: string, make: (table: Table) => Table): void {
    this.refusal.set('');
    this.open.act(label, touches, make);
  }

  /** An edit that may be refused: the reason is shown, the table stays as it is. */
  private edit(label: string, make: (table: Table) => Edited): boolean {
    const session = this.open.session();
    if (!session) return false;
    const edited = make(session.document);
    const problem = edited.ok ? undefined : edited.problems[0];
    this.refusal.set(problem ? sayProblem(problem) : '');
    if (edited.ok) session.act(label, '', () => edited.value);
    return edited.ok;
  }

  private go(down: number, across: number): void {
    const { row, column } = this.choice();
    // The grid has the edited table after the next rendering.
    setTimeout(() => this.grid()?.choose(row + down, column + across));
  }
}
