import { computed, signal } from '@angular/core';
import { resolveAt } from '../../../../../core/resolve';
import { cssWidths, sectionOf, sectionRows, seenAround, widthOf, type Seen, type Table } from '../../../../../core/table';
import type { ThemeView } from '../../../../../core/theme';
import { NOTHING_MEASURED, measureTable } from './measures';

/** Rows in the document at once: as many as the view holds and some, within these; they come and go as the grid is scrolled. */
const [LEAST_ROWS, MOST_ROWS] = [30, 120];
const SPARE_ROWS = 15;
const STEP_ROWS = 4;
/** Rows that stay beyond each edge of the view before others are brought in. */
const BEYOND = 5;
/** By how much rows may shift unseen, in px: less than any screen shows. */
const SEEN_SHIFT = 0.1;
/** How long the view rests, in ms, before the rows beyond it are brought in too. */
const REST = 80;

/** The grid whose rows these are: its table, and its elements as they are now. */
export interface GridInView {
  readonly table: () => Table;
  readonly view: () => ThemeView | undefined;
  /** The body's rows that are in the document. */
  readonly rows: () => readonly HTMLTableRowElement[];
  readonly scroller: () => HTMLElement;
  readonly inner: () => HTMLTableElement;
  /** Puts what has changed into the document at once. */
  readonly paint: () => void;
  /** Other rows are in the document: the focus goes where its cell is. */
  readonly settle: () => void;
}

/** The rows of a table that are in the document: those around the view, a whole number of bands from their row group's first. */
export class RowsInView {
  /** How high rows are on average, and the frame that shows them, in px. */
  private readonly rowHeight = signal(32);
  private readonly viewHeight = signal(640);
  private readonly wholeSize = computed(() =>
    Math.max(LEAST_ROWS, Math.min(MOST_ROWS, Math.ceil(this.viewHeight() / this.rowHeight()) + SPARE_ROWS)),
  );
  /** A long table's first rows come in steps, so that no step holds the window up. */
  private readonly steps = signal(1);
  private readonly isGrown = computed(() => !this.isLong() || this.steps() * STEP_ROWS >= this.wholeSize());
  private readonly size = computed(() => (this.isGrown() ? this.wholeSize() : this.steps() * STEP_ROWS));
  private readonly around = signal(0);
  private readonly every = computed(() => {
    const view = this.grid.view();
    const band = view ? resolveAt(view, { part: 'body-rows', condition: 'rest' }, 'band') : undefined;
    return band?.kind === 'band' ? Math.min(band.every, LEAST_ROWS) : 2;
  });
  readonly seen = computed<Seen>(
    () => seenAround(this.grid.table(), this.around(), this.size(), this.every(), this.isGrown() ? SPARE_ROWS >> 1 : 1),
    {
      equal: (a, b) => a.from === b.from && a.to === b.to,
    },
  );
  readonly isLong = computed(() => sectionRows(this.grid.table(), 'body').count > this.wholeSize());
  /** Room above and below the rows that are there, in px. */
  readonly lead = signal(0);
  readonly tail = computed(() => {
    const { first, count } = sectionRows(this.grid.table(), 'body');
    return Math.max(0, Math.round((first + count - this.seen().to) * this.rowHeight()));
  });
  /** How many of the document's rows take turns. */
  readonly pool = computed(() => this.size() + this.every());
  /** Widths that columns of a long table took at first: other rows that come into view do not change them. */
  private readonly heldWidths = signal<readonly number[]>([]);
  readonly widths = computed(() => {
    const set = cssWidths(this.grid.table());
    const held = this.heldWidths();
    return Array.from(
      { length: widthOf(this.grid.table()) },
      (_, column) => set[column] ?? (held[column] === undefined ? null : `${held[column]}px`),
    );
  });
  /** Whether every column's width is known, so that content need not be measured again as rows come and go. */
  readonly isHeld = computed(() => this.isLong() && this.heldWidths().length > 0 && this.widths().every((width) => width !== null));
  /** What the strips' handles measure, in px, and where the table begins beside them. */
  readonly measures = signal(NOTHING_MEASURED);

  private measuring: ReturnType<typeof setTimeout> | undefined;
  private isWaiting = false;
  private resting: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly grid: GridInView) {}

  /** Nothing is measured or brought in any more. */
  close(): void {
    clearTimeout(this.resting);
    clearTimeout(this.measuring);
  }
  /** Another number of columns, or another look: columns take what their content asks for again. */
  forgetWidths(): void {
    this.heldWidths.set([]);
  }

  /** Scrolling asks for other rows at most once in a frame, in a task of its own: neither it nor the painting is long then. */
  scrolled(): void {
    if (this.isWaiting || !this.isLong()) return;
    this.isWaiting = true;
    setTimeout(() => {
      this.isWaiting = false;
      this.follow();
    });
  }

  /** Brings the rows around what is looked at into the document, where they are not. */
  private follow(isResting = false): void {
    const rows = this.grid.rows();
    const view = this.grid.scroller().getBoundingClientRect();
    const { from, to } = this.seen();
    const { first, count } = sectionRows(this.grid.table(), 'body');
    const top = rows[Math.min(BEYOND, rows.length - 1)]?.getBoundingClientRect().top ?? 0;
    const bottom = rows[Math.max(0, rows.length - 1 - BEYOND)]?.getBoundingClientRect().bottom ?? 0;
    if (!isResting && (top <= view.top || from === first) && (bottom >= view.bottom || to === first + count)) return;
    const at = rows.findIndex((row) => row.getBoundingClientRect().bottom > view.top);
    const start = rows[0]?.getBoundingClientRect().top ?? 0;
    const end = rows.at(-1)?.getBoundingClientRect().bottom ?? 0;
    const isNear = at >= 0 && start <= view.bottom && end >= view.top;
    const row = isNear ? from + at : first + Math.floor((view.top - start + (from - first) * this.rowHeight()) / this.rowHeight());
    this.leap(!isNear);
    this.showAround(Math.max(first, Math.min(row, first + count - 1)), isNear);
  }

  /** While the view leaps, only the rows in it are brought in; those beyond follow when it rests. */
  private leap(isLeaping: boolean): void {
    clearTimeout(this.resting);
    const shown = Math.ceil(this.viewHeight() / this.rowHeight()) + 2;
    this.steps.set(Math.ceil((isLeaping ? shown : this.wholeSize()) / STEP_ROWS));
    if (isLeaping) this.resting = setTimeout(() => this.follow(true), REST);
  }

  /** Puts the rows around one into the document. Where it is in view already it stays where it is on the screen. */
  private showAround(row: number, stays: boolean): void {
    const before = this.seen();
    const old = stays ? this.grid.rows()[row - before.from]?.getBoundingClientRect().top : undefined;
    this.around.set(row);
    const { from } = this.seen();
    const { first } = sectionRows(this.grid.table(), 'body');
    const scroller = this.grid.scroller();
    this.lead.set((from - first) * this.rowHeight());
    this.grid.paint();
    this.grid.settle();
    const now = old === undefined ? undefined : this.grid.rows()[row - from]?.getBoundingClientRect().top;
    if (old === undefined || now === undefined || Math.abs(old - now) < SEEN_SHIFT) return;
    const lead = this.lead() + old - now;
    // At the table's beginning there is no room to give or take; the view moves instead.
    if (from === first || lead < 0) scroller.scrollTop += now - old;
    else {
      this.lead.set(lead);
      this.grid.paint();
    }
  }

  /** Makes sure that a row is in the document. */
  bringIn(row: number): void {
    if (!this.isLong() || sectionOf(this.grid.table(), row) !== 'body') return;
    const { from, to } = this.seen();
    const { first, count } = sectionRows(this.grid.table(), 'body');
    const isIn = (row >= from + BEYOND || from === first) && (row < to - BEYOND || to === first + count) && row >= from && row < to;
    if (!isIn) this.showAround(row, row >= from && row < to);
  }

  /** Measures in a turn of its own: what made the table larger or smaller has had this one. */
  measureSoon(): void {
    this.measuring ??= setTimeout(() => {
      this.measuring = undefined;
      this.measure();
    });
  }

  /** Takes the strips' measures from what is painted, and how high rows are, as soon as all first rows are there. */
  private measure(): void {
    if (!this.isGrown() && this.heldWidths().length === 0) return this.steps.update((steps) => steps + 1);
    const measures = measureTable(this.grid.inner());
    const { rows, columns } = measures;
    const sum = rows.reduce((total, each) => total + each, 0);
    if (rows.length > 0 && sum > 0 && this.isLong() && this.isGrown() && this.heldWidths().length === 0) {
      this.rowHeight.set(sum / rows.length);
      this.viewHeight.set(this.grid.scroller().clientHeight);
      this.heldWidths.set(columns.map(Math.ceil));
    }
    // Only what has changed moves the handles.
    if (JSON.stringify(measures) !== JSON.stringify(this.measures())) this.measures.set(measures);
  }
}
