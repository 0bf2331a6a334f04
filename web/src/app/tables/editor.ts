import { ChangeDetectionStrategy, Component, type OnInit, computed, inject, input, signal, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatTooltipModule } from '@angular/material/tooltip';
import { RouterLink } from '@angular/router';
import { toSignal } from '@angular/core/rxjs-interop';
import { firstValueFrom } from 'rxjs';
import { dataFormats } from '../../../../core/hand-off/choices';
import { sayProblem } from '../../../../core/outcome';
import {
  blockOf,
  computedIn,
  computedTable,
  ruleProblem,
  clearBlock,
  deleteLines,
  dropHeading,
  duplicateLines,
  gridOf,
  heightOf,
  isWrong,
  insertLines,
  inOrderOf,
  isGroupHeading,
  makeHeading,
  mergeCells,
  mergeEqual,
  moveLines,
  putCell,
  putBlock,
  setCell,
  setColumns,
  sharing,
  splitCells,
  turn,
  widthOf,
  type Block,
  type Cell,
  type Edited,
  type Lines,
  type Put,
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
import type { NewTable } from './bring-in/new-table-dialog';
import { IntakeService } from '../workers/intake';
import { SortService } from '../workers/sort';
import { dataTypes } from '../../../../core/data-types';
import type { Choice } from './choice';
import { totalsFromWorker } from './grid/totals';
import { Finding } from './grid/finding';
import { Grid, type Pasted } from './grid/grid';
import type { HistoryData } from './history-dialog';
import type { Carried } from './grid/strip';
import type { TextData } from './text/text-dialog';
import { Looks } from './looks/looks';
import { Structure } from './columns/structure';
import { ThemeViews } from '../controls/dressed/theme-views';

/** Another way to do what was just done. */
interface Instead {
  readonly label: string;
  readonly run: () => void;
}

@Component({
  selector: 'zest-table-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Grid, Looks, MatButtonModule, MatIconModule, MatMenuModule, MatTooltipModule, Name, RouterLink, Structure, UndoRedo],
  providers: [OpenDocument],
  templateUrl: './editor.html',
  styleUrl: './editor.scss',
})
export class TableEditor implements OnInit {
  readonly id = input.required<string>();
  private readonly api = inject(Api);
  private readonly views = inject(ThemeViews);
  private readonly deleting = inject(Deleting);
  private readonly dialog = inject(MatDialog);
  private readonly publisher = inject(Publisher);
  private readonly fresh = inject(FreshNotes);
  private readonly intake = inject(IntakeService);
  private readonly sorting = inject(SortService);
  protected readonly grid = viewChild(Grid);
  protected readonly panels = [
    ['structure', 'Structure'],
    ['looks', 'Look'],
  ] as const;
  protected readonly panel = signal<(typeof this.panels)[number][0]>('structure');

  private readonly open = inject<OpenDocument<'tables'>>(OpenDocument);
  protected readonly table = this.open.document;
  protected readonly themes = signal<readonly KeptTheme[]>([]);
  protected readonly missing = this.open.missing;
  protected readonly coming = toSignal(inject(Keepings).coming$);
  protected readonly notes = signal<readonly string[]>([]);
  protected readonly refusal = signal('');
  /** What was just done, and how it could have been done instead. */
  protected readonly said = signal<{ readonly text: string; readonly instead?: Instead } | undefined>(undefined);
  protected readonly formats = dataFormats;
  /** The table with what its formulas come to. */
  protected readonly worked = computed(() => {
    const table = this.table();
    return table && computedTable(table);
  });
  /** Only the rows that have some words, where the person looks for them. */
  protected readonly finding = new Finding(this.worked);
  /** What is chosen in the grid, and that in rows of the table. */
  protected readonly seen = signal<Choice>({ row: 0, column: 0, toRow: 0, toColumn: 0 });
  protected readonly choice = computed(() => this.finding.inTable(this.seen()));
  protected readonly view = computed(() => {
    const theme = this.themes().find(({ id }) => id === this.table()?.theme)?.document;
    return theme && this.views.of(theme);
  });
  protected readonly size = computed(() => {
    const table = this.table();
    return table ? `${heightOf(table).toLocaleString('en')} rows, ${widthOf(table)} columns` : '';
  });
  /** Goes up when totals of a long table have come. */
  protected readonly totals = totalsFromWorker(this.finding.shown);
  /** What is wrong with the cell that has the focus. */
  protected readonly wrongHere = computed(() => {
    const table = this.worked();
    const { row, column } = this.choice();
    if (!table || row >= heightOf(table) || column >= widthOf(table)) return '';
    const cell = gridOf(table).at(row, column);
    const computed = computedIn(table, cell.column, cell.row);
    if (typeof computed === 'object' && computed) return computed.say;
    const label = dataTypes.find(({ name }) => name === table.columns[cell.column]?.type)?.label.toLowerCase() ?? '';
    return isWrong(table, cell) ? `“${cell.text.slice(0, 40)}” is not ${label}` : (ruleProblem(table, cell) ?? '');
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

  protected type({ row: at, column, text }: { row: number; column: number; text: string }): void {
    const row = this.finding.rowOf(at);
    const table = this.table();
    if (table && computedIn(table, column, row) !== undefined) {
      const worked = this.worked();
      // Left as it was, the cell was only looked into.
      if (worked && gridOf(worked).at(row, column).text === text) return;
      this.said.set(undefined);
      this.refusal.set(
        `Column ${column + 1} is worked out from ${table.columns[column]?.formula}. Change that under Structure, or empty it to type here.`,
      );
      return;
    }
    this.change(`type in row ${row + 1}, column ${column + 1}`, '', (table) => setCell(table, row, column, text));
  }
  protected clear(choice: Choice): void {
    const chosen = this.finding.inTable(choice);
    this.change('empty the chosen cells', '', (table) => clearBlock(table, chosen));
  }

  /** The chosen rows or columns. */
  private lines(axis: Lines['axis']): Lines {
    const { row, column, toRow, toColumn } = this.choice();
    return axis === 'row' ? { axis, from: row, to: toRow } : { axis, from: column, to: toColumn };
  }
  /** An edit of the chosen rows or columns; the choice goes where they go. */
  protected line(axis: Lines['axis'], what: 'before' | 'after' | 'back' | 'on' | 'duplicate' | 'delete'): void {
    const lines = this.lines(axis);
    const count = lines.to - lines.from + 1;
    const edits: Record<typeof what, (table: Table) => Edited> = {
      before: (table) => insertLines(table, lines, 'before'),
      after: (table) => insertLines(table, lines, 'after'),
      back: (table) => moveLines(table, lines, lines.from - 1),
      on: (table) => moveLines(table, lines, lines.to + 2),
      duplicate: (table) => duplicateLines(table, lines),
      delete: (table) => deleteLines(table, lines),
    };
    const verb = { before: 'add', after: 'add', back: 'move', on: 'move', duplicate: 'duplicate', delete: 'delete' }[what];
    const done = this.edit(`${verb} ${count === 1 ? `a ${axis}` : `${count} ${axis}s`}`, edits[what]);
    const by = { before: 0, after: count, back: -1, on: 1, duplicate: count, delete: 0 }[what];
    if (!done) return;
    const { row, column, toRow, toColumn } = this.choice();
    const [down, across] = axis === 'row' ? [by, 0] : [0, by];
    this.chooseSoon({ row: row + down, column: column + across, toRow: toRow + down, toColumn: toColumn + across });
  }
  /** Puts the rows in the order of the chosen column, worked out in a worker; each row group by itself. */
  protected async sortRows(direction: 'ascending' | 'descending'): Promise<void> {
    const table = this.worked();
    const session = this.open.session();
    if (!table || !session) return;
    const before = session.document;
    const orders = await this.deleting.attempt(() => this.sorting.orders(table, this.choice().column, direction));
    // What was edited meanwhile is not sorted by what it was.
    if (!orders || session.document !== before) return;
    if (!this.edit(`sort rows ${direction === 'ascending' ? 'upwards' : 'downwards'}`, (each) => inOrderOf(each, orders))) return;
    const count = orders.reduce((sum, { length }) => sum + length, 0);
    this.said.set({ text: `${count.toLocaleString('en')} rows sorted ${direction === 'ascending' ? 'upwards' : 'downwards'}.` });
  }
  protected turn = (): boolean => this.edit('turn rows into columns', turn);

  /** Cells from a clipboard, put in from the first chosen one on. */
  protected async paste({ clipboard, way }: Pasted): Promise<void> {
    const chosen = this.choice();
    const read = await this.deleting.attempt(() => this.intake.cells(clipboard));
    if (!read) return;
    if (!read.ok) return this.refusal.set(read.problems.map(sayProblem).join(' '));
    this.put(chosen, read.value, way);
  }
  private put(chosen: Choice, block: Block, way: Pasted['way']): void {
    let put: Put | undefined;
    const done = this.edit('paste cells', (table) => {
      const outcome = putBlock(table, chosen, block, way);
      if (outcome.ok) put = outcome.value;
      return outcome.ok ? { ok: true, value: outcome.value.table } : outcome;
    });
    if (!done || !put) return;
    const { at, notes } = put;
    const cells = (at.toRow - at.row + 1) * (at.toColumn - at.column + 1);
    this.said.set({
      text: [`${cells === 1 ? '1 cell' : `${cells.toLocaleString('en')} cells`} pasted.`, ...notes].join(' '),
      ...(way === 'replace' ? { instead: { label: 'Insert instead of writing over', run: () => this.put(chosen, block, 'insert') } } : {}),
    });
    this.chooseSoon(at);
  }
  /** What was just done is undone, and done in the other way. */
  protected instead({ run }: Instead): void {
    this.open.session()?.undo();
    run();
  }

  protected merge(): void {
    const chosen = this.choice();
    const table = this.table();
    if (!table) return;
    const texts = new Set(
      blockOf(table, chosen)
        .rows.flat()
        .filter((text) => text !== ''),
    );
    const merge = (keep: 'all' | 'first'): boolean =>
      this.edit('merge cells', (each) => mergeCells(each, chosen, { row: chosen.toRow, column: chosen.toColumn }, keep));
    if (!merge('all') || texts.size < 2) return;
    this.said.set({
      text: `The ${texts.size} texts of the merged cells stand line by line.`,
      instead: { label: 'Keep the first only', run: () => merge('first') },
    });
  }
  protected mergeEqual = (): boolean => this.edit('merge equal neighbours', (table) => mergeEqual(table, this.choice()));
  protected split(): void {
    const { row, column } = this.choice();
    this.edit('split cells', (table) => splitCells(table, row, column));
  }

  protected rename = (name: string): void => this.change('rename the table', 'name', (table) => ({ ...table, name }));

  protected readonly isHeading = computed(() => {
    const table = this.table();
    return table ? isGroupHeading(table, this.choice().row) : false;
  });
  protected heading(): void {
    const { row, toRow } = this.choice();
    if (this.isHeading()) this.edit('make a plain row of a heading', (table) => dropHeading(table, row));
    else
      this.edit('make a heading of the rows below', (table) =>
        Array.from({ length: toRow - row + 1 }, (_, i) => row + i).reduce<Edited>(
          (edited, at) => (edited.ok ? makeHeading(edited.value, at) : edited),
          { ok: true, value: table },
        ),
      );
  }
  protected readonly isHidden = computed(() => this.table()?.columns[this.choice().column]?.hidden ?? false);
  protected hide(): void {
    const { column, toColumn } = this.choice();
    const hidden = !this.isHidden();
    this.change(`${hidden ? 'hide' : 'show'} a column`, '', (table) => setColumns(table, column, toColumn, { hidden }));
  }
  /** Rows or columns dragged to stand before another; all that are chosen, where one of them was. */
  protected carry({ axis, from, before }: Carried & { readonly axis: Lines['axis'] }): void {
    const table = this.table();
    if (!table) return;
    const chosen = this.lines(axis);
    const { row, toRow, column, toColumn } = this.choice();
    const isWhole = axis === 'row' ? column === 0 && toColumn === widthOf(table) - 1 : row === 0 && toRow === heightOf(table) - 1;
    const lines = isWhole && from >= chosen.from && from <= chosen.to ? chosen : { axis, from, to: from };
    const count = lines.to - lines.from + 1;
    if (!this.edit(`move ${count === 1 ? `a ${axis}` : `${count} ${axis}s`}`, (each) => moveLines(each, lines, before))) return;
    const start = before > lines.to ? before - count : Math.min(before, lines.from);
    this.chooseSoon(
      axis === 'row'
        ? { row: start, column: 0, toRow: start + count - 1, toColumn: widthOf(table) - 1 }
        : { row: 0, column: start, toRow: heightOf(table) - 1, toColumn: start + count - 1 },
    );
  }
  protected resize = ({ at, width }: { readonly at: number; readonly width: number }): void =>
    this.change('set a column’s width', `width ${at}`, (table) => setColumns(table, at, at, { width: `${Math.min(width, 4000)}px` }));

  /** The text of the cell with the focus, with all that it can have. */
  protected async editText(): Promise<void> {
    const table = this.table();
    if (!table) return;
    const { row, column } = this.choice();
    const at = gridOf(table).at(row, column);
    if (computedIn(table, at.column, at.row) !== undefined) return this.type({ row: this.seen().row, column: at.column, text: '' });
    const { TextDialog } = await import('./text/text-dialog');
    const data: TextData = { cell: table.rows[at.row]?.[at.column] ?? '', where: `row ${at.row + 1}, column ${at.column + 1}` };
    const taken = await firstValueFrom(
      this.dialog.open<unknown, TextData, Cell>(TextDialog, { width: '620px', autoFocus: '.ProseMirror', data }).afterClosed(),
    );
    if (taken !== undefined)
      this.change(`write in row ${at.row + 1}, column ${at.column + 1}`, '', (each) => putCell(each, at.row, at.column, taken));
    this.chooseSoon(this.seen());
  }

  protected publish = (): unknown => this.publisher.publish('tables', this.open.session());

  /** What was done to the table, with a way back. */
  protected async showHistory(): Promise<void> {
    const session = this.open.session();
    if (!session || !(await session.flush())) return;
    const { HistoryDialog } = await import('./history-dialog');
    const now = session.document;
    const data = { id: session.id, name: now.name };
    const taken = await firstValueFrom(this.dialog.open<unknown, HistoryData, Table>(HistoryDialog, { width: '640px', data }).afterClosed());
    if (taken) this.change('go back to an earlier state', '', (table) => sharing(table, taken));
  }

  /** A newer file for this table: what it changes is shown before it is taken. */
  protected async bringAgain(): Promise<void> {
    const [{ NewTableDialog }, { AgainDialog }] = await Promise.all([import('./bring-in/new-table-dialog'), import('./bring-in/again-dialog')]);
    const made = await firstValueFrom(
      this.dialog.open<unknown, unknown, NewTable>(NewTableDialog, { width: '900px', data: { again: true } }).afterClosed(),
    );
    const table = this.table();
    if (!made || !table) return;
    const keys = await this.intake.keys(table);
    const data: AgainData = { keys, compare: (key) => this.intake.compare(table, key), take: () => this.intake.newer(table) };
    const taken = await firstValueFrom(this.dialog.open<unknown, AgainData, Table>(AgainDialog, { width: '760px', data }).afterClosed());
    if (taken) this.change('bring in a newer file', '', () => taken);
  }

  protected async download(path: string): Promise<void> {
    const session = this.open.session();
    if (session && (await session.flush())) location.assign(`/api/tables/${session.id}/${path}`);
  }

  protected change(label: string, touches: string, make: (table: Table) => Table): void {
    this.refusal.set('');
    this.said.set(undefined);
    this.open.act(label, touches, make);
  }

  /** An edit that may be refused: the reason is shown, the table stays as it is. */
  private edit(label: string, make: (table: Table) => Edited): boolean {
    const session = this.open.session();
    if (!session) return false;
    if (this.finding.narrowed()) {
      this.said.set(undefined);
      this.refusal.set('Only the rows that were found are shown. Show all of them first: the others would be meant too.');
      return false;
    }
    const edited = make(session.document);
    const problem = edited.ok ? undefined : edited.problems[0];
    this.refusal.set(problem ? sayProblem(problem) : '');
    this.said.set(undefined);
    if (edited.ok) session.act(label, '', () => edited.value);
    return edited.ok;
  }

  /** Goes to slots of the table, whatever of it is shown. */
  protected goTo(choice: Choice): void {
    this.finding.showAll();
    this.chooseSoon(choice);
  }
  private chooseSoon(choice: Choice): void {
    // The grid has the edited table after the next rendering.
    setTimeout(() => this.grid()?.chooseBlock(choice));
  }
}
