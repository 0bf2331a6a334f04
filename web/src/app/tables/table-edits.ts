import { Injectable, computed, inject, signal } from '@angular/core';
import { Subject } from 'rxjs';
import { sayProblem } from '../../../../core/outcome';
import {
  blockOf,
  clearBlock,
  computedIn,
  computedTable,
  deleteLines,
  dropHeading,
  duplicateLines,
  fillBlock,
  gridOf,
  heightOf,
  insertLines,
  inOrderOf,
  joinColumns,
  isGroupHeading,
  makeHeading,
  mergeCells,
  mergeEqual,
  moveLines,
  putBlock,
  setColumns,
  setHeaderRows,
  splitColumn,
  splitTexts,
  turn,
  widthOf,
  type Block,
  type Edited,
  type GridCell,
  type Lines,
  type Put,
  type Table,
} from '../../../../core/table';
import { Deleting } from '../controls/deleting';
import { OpenDocument } from '../documents/open-document';
import { IntakeService } from '../workers/intake';
import { SortService } from '../workers/sort';
import type { Choice } from './choice';
import { Finding } from './grid/finding';
import type { Pasted } from './grid/told';
import type { Carried } from './grid/strip';

/** Another way to do what was just done. */
export interface Instead {
  readonly label: string;
  readonly run: () => void;
}

/** The edited table with so many more header rows. */
const headed = (edited: Edited, count: number): Edited =>
  edited.ok ? { ok: true, value: setHeaderRows(edited.value, edited.value.headerRows + count) } : edited;

/** What can be done to the table that is open: to what is chosen, with what was said of it and how else it could be. */
@Injectable()
export class TableEdits {
  private readonly deleting = inject(Deleting);
  private readonly intake = inject(IntakeService);
  private readonly sorting = inject(SortService);
  private readonly open = inject<OpenDocument<'tables'>>(OpenDocument);
  private readonly table = this.open.document;
  /** What is to be chosen in the grid when it has the edited table. */
  readonly toChoose$ = new Subject<Choice>();

  readonly refusal = signal('');
  /** What was just done, and how it could have been done instead. */
  readonly said = signal<{ readonly text: string; readonly instead?: Instead } | undefined>(undefined);
  /** The table with what its formulas come to. */
  readonly worked = computed(() => {
    const table = this.table();
    return table && computedTable(table);
  });
  /** Only the rows that have some words, where the person looks for them. */
  readonly finding = new Finding(this.worked);
  /** What is chosen in the grid, and that in rows of the table. */
  readonly seen = signal<Choice>({ row: 0, column: 0, toRow: 0, toColumn: 0 });
  readonly choice = computed(() => this.finding.inTable(this.seen()));
  readonly isMerged = computed(() => {
    const table = this.table();
    const { row, column } = this.choice();
    if (!table || row >= heightOf(table) || column >= widthOf(table)) return false;
    const cell = gridOf(table).at(row, column);
    return cell.rows * cell.columns > 1;
  });

  clear(choice: Choice): void {
    const chosen = this.finding.inTable(choice);
    this.change('empty the chosen cells', '', (table) => clearBlock(table, chosen));
  }

  /** One text for every cell of a block, but for those that are worked out. It is said, with the way to have it in one alone. */
  typeInAll(seen: Choice, text: string, inOne: () => void): void {
    const block = this.finding.inTable(seen);
    let count = 0;
    this.change('type in the chosen cells', '', (table) => {
      const typed = new Set<GridCell>();
      const filled = fillBlock(table, block, text, (cell) => computedIn(table, cell.column, cell.row) === undefined && typed.add(cell).size > 0);
      count = typed.size;
      return filled;
    });
    this.said.set({
      text: `${count.toLocaleString('en')} cells say “${text.slice(0, 40)}” now.`,
      instead: { label: 'In the first only', run: inOne },
    });
  }

  /** One more row at the end; false where it cannot be had, which is said. */
  addRow = (): boolean => {
    const last = (this.table()?.rows.length ?? 1) - 1;
    return this.edit('add a row', (table) => insertLines(table, { axis: 'row', from: last, to: last }, 'after'));
  };

  /** The chosen rows or columns. */
  private lines(axis: Lines['axis']): Lines {
    const { row, column, toRow, toColumn } = this.choice();
    return axis === 'row' ? { axis, from: row, to: toRow } : { axis, from: column, to: toColumn };
  }
  /** An edit of the chosen rows or columns; the choice goes where they go. */
  line(axis: Lines['axis'], what: 'before' | 'after' | 'back' | 'on' | 'duplicate' | 'delete'): void {
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
    const headers = this.table()?.headerRows ?? 0;
    if (axis === 'row' && what === 'after' && lines.to + 1 === headers)
      this.said.set({
        text: count === 1 ? 'The new row is one of the body.' : 'The new rows are of the body.',
        instead: { label: 'A header row', run: () => this.edit('add a header row', (table) => headed(insertLines(table, lines, 'after'), count)) },
      });
    const [down, across] = axis === 'row' ? [by, 0] : [0, by];
    this.chooseSoon({ row: row + down, column: column + across, toRow: toRow + down, toColumn: toColumn + across });
  }
  /** Puts the rows in the order of the chosen column, worked out in a worker; each row group by itself. */
  async sortRows(direction: 'ascending' | 'descending'): Promise<void> {
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
  /** Parts a column at a separator, or joins several with one between; what comes of it is chosen. */
  splitColumns(from: number, to: number, separator: string): void {
    const old = this.table();
    const done =
      to > from
        ? this.edit(`join ${to - from + 1} columns`, (table) => joinColumns(table, from, to, separator))
        : this.edit('split a column', (table) => splitColumn(table, from, separator));
    const table = this.table();
    if (done && old && table) this.chooseSoon({ row: 0, column: from, toRow: heightOf(table) - 1, toColumn: to + widthOf(table) - widthOf(old) });
  }
  turn = (): boolean => this.edit('turn rows into columns', turn);

  /** Cells from a clipboard, put in from the first chosen one on. */
  async paste({ clipboard, way }: Pasted): Promise<void> {
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
  instead({ run }: Instead): void {
    this.open.session()?.undo();
    run();
  }

  merge(): void {
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
  mergeEqual = (): boolean => this.edit('merge equal neighbours', (table) => mergeEqual(table, this.choice()));
  split(): void {
    const { row, column } = this.choice();
    this.edit('split cells', (table) => splitTexts(table, row, column));
  }

  readonly isHeading = computed(() => {
    const table = this.table();
    return table ? isGroupHeading(table, this.choice().row) : false;
  });
  heading(): void {
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
  readonly isHidden = computed(() => this.table()?.columns[this.choice().column]?.hidden ?? false);
  hide(): void {
    const { column, toColumn } = this.choice();
    const hidden = !this.isHidden();
    this.change(`${hidden ? 'hide' : 'show'} a column`, '', (table) => setColumns(table, column, toColumn, { hidden }));
  }
  /** Rows or columns dragged to stand before another; all that are chosen, where one of them was. */
  carry({ axis, from, before }: Carried & { readonly axis: Lines['axis'] }): void {
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
  resize = ({ at, width }: { readonly at: number; readonly width: number }): void =>
    this.change('set a column’s width', `width ${at}`, (table) => setColumns(table, at, at, { width: `${Math.min(width, 4000)}px` }));

  change(label: string, touches: string, make: (table: Table) => Table): void {
    this.refusal.set('');
    this.said.set(undefined);
    this.open.act(label, touches, make);
  }

  /** An edit that may be refused: the reason is shown, the table stays as it is. */
  edit(label: string, make: (table: Table) => Edited): boolean {
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

  chooseSoon(choice: Choice): void {
    this.toChoose$.next(choice);
  }
}
