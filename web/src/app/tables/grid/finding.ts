import { computed, effect, inject, signal, untracked, type Signal } from '@angular/core';
import { narrowedTable, sectionRows, type Chosen, type Table } from '../../../../../core/table';
import { SortService } from '../../workers/sort';

/** How long the person rests while typing, in ms, before rows are looked for. */
const REST = 150;

/** Only those rows of a table that have some words: found in a worker, shown in the grid in place of all. */
export class Finding {
  private readonly worker = inject(SortService);
  private readonly found = signal<{ readonly rows: readonly number[]; readonly of: number; readonly height: number } | undefined>(undefined);
  private timer: ReturnType<typeof setTimeout> | undefined;
  readonly words = signal('');
  readonly narrowed = computed(() => {
    const [table, found] = [this.table(), this.found()];
    return table && found?.height === table.rows.length ? narrowedTable(table, found.rows) : undefined;
  });
  /** The table as the grid shows it. */
  readonly shown = computed(() => this.narrowed()?.table ?? this.table());
  readonly says = computed(() => {
    const found = this.found();
    if (!found || !this.narrowed()) return '';
    return `${found.rows.length.toLocaleString('en')} of ${found.of.toLocaleString('en')} rows`;
  });

  constructor(private readonly table: Signal<Table | undefined>) {
    // Rows that came or went make what was found something else.
    effect(() => {
      const height = this.table()?.rows.length;
      untracked(() => {
        const found = this.found();
        if (found && found.height !== height) this.showAll();
      });
    });
  }

  look(words: string): void {
    this.words.set(words);
    clearTimeout(this.timer);
    if (words.trim() === '') return this.found.set(undefined);
    this.timer = setTimeout(() => void this.find(words), REST);
  }
  private async find(words: string): Promise<void> {
    const table = this.table();
    if (!table) return;
    const rows = await this.worker.find(table, words);
    if (this.words() !== words) return;
    this.found.set({ rows, of: sectionRows(table, 'body').count - table.groups.length, height: table.rows.length });
  }
  showAll(): void {
    clearTimeout(this.timer);
    this.words.set('');
    this.found.set(undefined);
  }

  /** Which row of the table stands in a row of the grid. */
  rowOf = (row: number): number => this.narrowed()?.rows[row] ?? row;
  /** What is chosen in the grid, in rows of the table. Of rows that may stand far apart only the first is meant. */
  inTable(choice: Chosen): Chosen {
    if (!this.narrowed()) return choice;
    const row = this.rowOf(choice.row);
    return { ...choice, row, toRow: row };
  }
}
