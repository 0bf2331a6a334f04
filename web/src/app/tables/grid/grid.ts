import { CdkScrollable } from '@angular/cdk/scrolling';
import { NgTemplateOutlet } from '@angular/common';
import {
  type AfterViewInit,
  ChangeDetectionStrategy,
  ChangeDetectorRef,
  Component,
  ElementRef,
  ViewEncapsulation,
  afterRenderEffect,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
  viewChild,
  type OnDestroy,
} from '@angular/core';
import { contract, ownClasses, writeCss } from '../../../../../core/compile';
import type { Clipboard } from '../../../../../core/intake';
import { resolveAt } from '../../../../../core/resolve';
import {
  blockOf,
  cssWidths,
  gridOf,
  heightOf,
  sectionOf,
  sectionRows,
  seenAround,
  widthOf,
  type GridCell,
  type Seen,
  type Table,
} from '../../../../../core/table';
import { clipboardOf } from '../../../../../core/clipboard';
import type { ThemeView } from '../../../../../core/theme';
import { Markup } from '../../controls/dressed/markup';
import { gridRules, ownLooks } from './grid-rules';
import { growChoice, type Choice } from '../choice';
import { gridKey } from './grid-keys';
import { NOTHING_MEASURED, measureTable } from './measures';
import { cellShownAt, showSections, type KnownRows, type ShownRow } from './shown-cells';
import { Strip, type Carried } from './strip';

/** Cells from a clipboard, and whether room is made for them. */
export interface Pasted {
  readonly clipboard: Clipboard;
  readonly way: 'replace' | 'insert';
}

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

/**
 * The cells of a table, edited in the theme that they wear: a grid (ARIA Authoring Practices, "Grid") in a
 * shadow root, where only the theme's stylesheet reaches. Of a long table only the rows around the view are in the
 * document; what stands above and below is room of the height that they would take.
 */
@Component({
  selector: 'zest-grid',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.ShadowDom,
  imports: [CdkScrollable, Markup, NgTemplateOutlet, Strip],
  templateUrl: './grid.html',
  styleUrl: './grid.scss',
})
export class Grid implements AfterViewInit, OnDestroy {
  readonly table = input.required<Table>();
  readonly view = input<ThemeView>();
  /** Another number says that totals have come. */
  readonly totals = input(0);
  readonly typed = output<{ row: number; column: number; text: string }>();
  readonly cleared = output<Choice>();
  readonly chosen = output<Choice>();
  readonly pasted = output<Pasted>();
  /** Rows (down) or columns (across) are to be moved by one. */
  readonly moved = output<{ readonly axis: 'row' | 'column'; readonly by: -1 | 1 }>();
  /** Rows or columns were dragged to stand before another. */
  readonly carried = output<Carried & { readonly axis: 'row' | 'column' }>();
  readonly resized = output<{ readonly at: number; readonly width: number }>();

  protected readonly focused = signal({ row: 0, column: 0 });
  private readonly corner = signal({ row: 0, column: 0 });
  protected readonly editing = signal<string | undefined>(undefined);
  private readonly changes = inject(ChangeDetectorRef);
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly scroller = viewChild.required<ElementRef<HTMLElement>>('scroller');
  private readonly inner = viewChild.required<ElementRef<HTMLTableElement>>('inner');
  private insertNext = false;
  private readonly sheet = new CSSStyleSheet();
  private readonly resizes = new ResizeObserver(() => this.measureSoon());
  private measuring: ReturnType<typeof setTimeout> | undefined;
  private isWaiting = false;
  private resting: ReturnType<typeof setTimeout> | undefined;

  protected readonly tableClass = computed(() => [contract.theme('edited'), ...ownClasses(this.table())].join(' '));
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
    const view = this.view();
    const band = view ? resolveAt(view, { part: 'body-rows', condition: 'rest' }, 'band') : undefined;
    return band?.kind === 'band' ? Math.min(band.every, LEAST_ROWS) : 2;
  });
  protected readonly seen = computed<Seen>(
    () => seenAround(this.table(), this.around(), this.size(), this.every(), this.isGrown() ? SPARE_ROWS >> 1 : 1),
    {
      equal: (a, b) => a.from === b.from && a.to === b.to,
    },
  );
  protected readonly isLong = computed(() => sectionRows(this.table(), 'body').count > this.wholeSize());
  /** Room above and below the rows that are there, in px. */
  protected readonly lead = signal(0);
  protected readonly tail = computed(() => {
    const { first, count } = sectionRows(this.table(), 'body');
    return Math.max(0, Math.round((first + count - this.seen().to) * this.rowHeight()));
  });
  /** How many of the document's rows take turns. */
  protected readonly pool = computed(() => this.size() + this.every());
  private readonly known = computed<KnownRows>(() => (this.table(), this.totals(), this.pool(), this.editedCell(), new Map<number, ShownRow>()));
  protected readonly sections = computed(() => showSections(this.table(), this.seen(), this.pool(), this.editedCell(), this.known()));
  protected readonly height = computed(() => heightOf(this.table()));
  protected readonly widths = computed(() => {
    const set = cssWidths(this.table());
    const held = this.heldWidths();
    return Array.from({ length: widthOf(this.table()) }, (_, column) => set[column] ?? (held[column] === undefined ? null : `${held[column]}px`));
  });
  /** Widths that columns of a long table took at first: other rows that come into view do not change them. */
  private readonly heldWidths = signal<readonly number[]>([]);
  /** Whether every column's width is known, so that content need not be measured again as rows come and go. */
  protected readonly isHeld = computed(() => this.isLong() && this.heldWidths().length > 0 && this.widths().every((width) => width !== null));
  protected readonly hidden = computed(() => new Set(this.table().columns.flatMap(({ hidden }, column) => (hidden ? [column] : []))));
  /** What the strips' handles measure, in px, and where the table begins beside them. */
  protected readonly measures = signal(NOTHING_MEASURED);
  /** The strips beside header, body and footer. A long table's header stays in view, and its handles with it. */
  protected readonly rowStrips = computed(() => {
    const { head, rows, foot, top, bodyTop, footTop } = this.measures();
    return [
      { name: 'head', first: 0, sizes: head, top, isSticky: this.isLong() },
      { name: 'body', first: this.seen().from, sizes: rows, top: bodyTop, isSticky: false },
      { name: 'foot', first: this.height() - this.table().footerRows, sizes: foot, top: footTop, isSticky: false },
    ];
  });
  private readonly own = ownLooks(this.table);
  /** The chosen block, grown until no merged cell is cut. */
  protected readonly choice = computed<Choice>(() => growChoice(this.table(), this.inside(this.focused()), this.inside(this.corner())));
  protected readonly chosenRows = computed(() => [this.choice().row, this.choice().toRow] as const);
  protected readonly chosenColumns = computed(() => [this.choice().column, this.choice().toColumn] as const);

  constructor() {
    const shadow = this.element.shadowRoot;
    if (shadow) shadow.adoptedStyleSheets = [...shadow.adoptedStyleSheets, this.sheet];
    effect(() => {
      this.sheet.replaceSync(writeCss(gridRules(this.view(), this.own()), 'compact'));
    });
    effect(() => this.chosen.emit(this.choice()));
    // What is in the document, and how wide columns are, moves the strips' handles; the table's own size alone does not tell.
    afterRenderEffect(() => {
      this.sections();
      this.widths();
      untracked(() => this.measureSoon());
    });
    // Another number of columns, or another look, asks for other widths.
    effect(() => {
      widthOf(this.table());
      this.view();
      untracked(() => this.heldWidths.set([]));
    });
  }

  ngAfterViewInit(): void {
    this.resizes.observe(this.inner().nativeElement);
  }
  ngOnDestroy(): void {
    clearTimeout(this.resting);
    clearTimeout(this.measuring);
    this.resizes.disconnect();
  }

  private inside({ row, column }: { row: number; column: number }): { row: number; column: number } {
    return { row: Math.max(0, Math.min(row, heightOf(this.table()) - 1)), column: Math.max(0, Math.min(column, widthOf(this.table()) - 1)) };
  }

  protected readonly focusedCell = computed(() => {
    const at = this.inside(this.focused());
    return gridOf(this.table()).at(at.row, at.column);
  });
  private readonly isEditing = computed(() => this.editing() !== undefined);
  private readonly editedCell = computed(() => (this.isEditing() ? this.focusedCell() : undefined));
  /** The cell that an event came from. */
  private cellOf = (event: Event): GridCell | undefined => cellShownAt(event.target as Element, this.sections());

  /** Whether the cell with the focus is in the document; where it is not, the scrolled frame stands in for it. */
  protected readonly isFocusSeen = computed(() => {
    const { row } = this.inside(this.focused());
    return sectionOf(this.table(), row) !== 'body' || (row >= this.seen().from && row < this.seen().to);
  });
  protected isChosen = ({ row, column }: GridCell): boolean => {
    const { row: top, column: left, toRow, toColumn } = this.choice();
    return row >= top && row <= toRow && column >= left && column <= toColumn;
  };

  /** Moves the focus to a slot and chooses it alone. */
  choose(row: number, column: number): void {
    this.editing.set(undefined);
    const at = this.inside({ row, column });
    this.focused.set(at);
    this.corner.set(at);
    this.bringIn(at.row);
    this.focusCell();
  }

  /** Chooses a block of cells; its first one has the focus. */
  chooseBlock({ row, column, toRow, toColumn }: Choice): void {
    this.choose(row, column);
    this.corner.set(this.inside({ row: toRow, column: toColumn }));
  }
  protected chooseLine(axis: 'row' | 'column', { at, more }: { readonly at: number; readonly more: boolean }): void {
    const [height, width] = [heightOf(this.table()), widthOf(this.table())];
    const { row, column, toRow, toColumn } = this.choice();
    const [from, to] = axis === 'row' ? [row, toRow] : [column, toColumn];
    const [start, end] = more ? [Math.min(from, at), Math.max(to, at)] : [at, at];
    this.chooseBlock(
      axis === 'row' ? { row: start, column: 0, toRow: end, toColumn: width - 1 } : { row: 0, column: start, toRow: height - 1, toColumn: end },
    );
  }

  protected press(event: MouseEvent): void {
    const cell = this.cellOf(event);
    if (!cell || cell === this.editedCell()) return;
    const { row, column } = cell;
    if (event.shiftKey) this.corner.set({ row, column });
    else this.choose(row, column);
  }
  protected open(event: MouseEvent): void {
    const cell = this.cellOf(event);
    if (cell && cell !== this.editedCell()) this.edit(cell);
  }

  /** Opens a cell for typing. The field is there and has the focus before the next key comes. */
  protected edit({ row, column, text }: GridCell, typed?: string): void {
    this.focused.set({ row, column });
    this.corner.set({ row, column });
    this.editing.set(typed ?? text);
    this.changes.detectChanges();
    const field = this.element.shadowRoot?.querySelector('textarea');
    field?.focus();
    field?.setSelectionRange(field.value.length, field.value.length);
  }

  protected keyInCell(event: KeyboardEvent): void {
    const cell = this.cellOf(event);
    if (cell) this.key(event, cell);
  }
  private key(event: KeyboardEvent, cell: GridCell): void {
    if (this.editing() !== undefined) return;
    // Whether a paste that follows makes room is told by its key alone: the event itself does not say.
    this.insertNext = (event.ctrlKey || event.metaKey) && event.shiftKey && event.key.toLowerCase() === 'v';
    const asked = gridKey(event);
    if (!asked) return;
    event.preventDefault();
    event.stopPropagation();
    const { row, column } = cell;
    const [bottom, right] = [heightOf(this.table()) - 1, widthOf(this.table()) - 1];
    switch (asked.does) {
      case 'move':
        return this.moved.emit(asked);
      case 'step':
        return this.step(cell, asked.down, asked.across, asked.grows);
      case 'begin':
        return this.choose(asked.whole ? 0 : row, 0);
      case 'end':
        return this.choose(asked.whole ? bottom : row, right);
      case 'row':
        return this.chooseLine('row', { at: row, more: false });
      case 'column':
        return this.chooseLine('column', { at: column, more: false });
      case 'all':
        return this.chooseBlock({ row: 0, column: 0, toRow: bottom, toColumn: right });
      case 'edit':
        return this.edit(cell);
      case 'type':
        return this.edit(cell, asked.text);
      case 'clear':
        return this.cleared.emit(this.choice());
    }
  }
  /** A key in the scrolled frame, where the cell with the focus has gone out of the document: it comes back, and has the key. */
  protected keyOnFrame(event: KeyboardEvent): void {
    if (this.isFocusSeen() || event.target !== this.scroller().nativeElement) return;
    if (!/^(Arrow|Page|Home|End|Enter|F2)/.test(event.key)) return;
    const { row, column } = this.inside(this.focused());
    this.choose(row, column);
    this.key(event, gridOf(this.table()).at(row, column));
  }

  protected copy(event: ClipboardEvent, cut: boolean): void {
    if (this.editing() !== undefined) return;
    const { html, text } = clipboardOf(blockOf(this.table(), this.choice()));
    event.clipboardData?.setData('text/html', html);
    event.clipboardData?.setData('text/plain', text);
    event.preventDefault();
    if (cut) this.cleared.emit(this.choice());
  }
  protected paste(event: ClipboardEvent): void {
    if (this.editing() !== undefined) return;
    const clipboard = { html: event.clipboardData?.getData('text/html') ?? '', text: event.clipboardData?.getData('text/plain') ?? '' };
    event.preventDefault();
    this.pasted.emit({ clipboard, way: this.insertNext ? 'insert' : 'replace' });
    this.insertNext = false;
  }

  private step(cell: GridCell, down: number, across: number, grow: boolean): void {
    if (grow) {
      const { row, column } = this.corner();
      this.corner.set(this.inside({ row: row + down, column: column + across }));
      return;
    }
    const row = down > 0 ? cell.row + cell.rows - 1 + down : cell.row + down;
    const column = across > 0 ? cell.column + cell.columns - 1 + across : cell.column + across;
    this.choose(down === 0 ? this.focused().row : row, across === 0 ? this.focused().column : column);
  }

  protected keyInField(event: KeyboardEvent, { row, column }: GridCell): void {
    event.stopPropagation();
    if (event.key === 'Escape') this.choose(row, column);
    else if ((event.key === 'Enter' && !event.shiftKey && !event.altKey) || event.key === 'Tab') {
      this.take(event, row, column);
      if (event.key === 'Enter') this.choose(row + 1, column);
      else this.choose(row, column + (event.shiftKey ? -1 : 1));
    } else return;
    event.preventDefault();
  }

  protected take(event: Event, row: number, column: number): void {
    if (this.editing() === undefined) return;
    this.editing.set(undefined);
    this.typed.emit({ row, column, text: (event.target as HTMLTextAreaElement).value });
  }

  /** Scrolling asks for other rows at most once in a frame, in a task of its own: neither it nor the painting is long then. */
  protected scrolled(): void {
    if (this.isWaiting || !this.isLong()) return;
    this.isWaiting = true;
    setTimeout(() => {
      this.isWaiting = false;
      this.follow();
    });
  }

  private bodyRows(): readonly HTMLTableRowElement[] {
    return [...(this.element.shadowRoot?.querySelectorAll<HTMLTableRowElement>('tbody > tr') ?? [])];
  }

  /** Brings the rows around what is looked at into the document, where they are not. */
  private follow(isResting = false): void {
    const rows = this.bodyRows();
    const view = this.scroller().nativeElement.getBoundingClientRect();
    const { from, to } = this.seen();
    const { first, count } = sectionRows(this.table(), 'body');
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
    const old = stays ? this.bodyRows()[row - before.from]?.getBoundingClientRect().top : undefined;
    this.around.set(row);
    const { from } = this.seen();
    const { first } = sectionRows(this.table(), 'body');
    const scroller = this.scroller().nativeElement;
    this.lead.set((from - first) * this.rowHeight());
    this.changes.detectChanges();
    this.keepFocus();
    const now = old === undefined ? undefined : this.bodyRows()[row - from]?.getBoundingClientRect().top;
    if (old === undefined || now === undefined || Math.abs(old - now) < SEEN_SHIFT) return;
    const lead = this.lead() + old - now;
    // At the table's beginning there is no room to give or take; the view moves instead.
    if (from === first || lead < 0) scroller.scrollTop += now - old;
    else {
      this.lead.set(lead);
      this.changes.detectChanges();
    }
  }

  /** An element that had the focus may show another row now: the focus goes where its cell is, or waits in the frame. */
  private keepFocus(): void {
    const active = this.element.shadowRoot?.activeElement;
    if (!active?.matches('[data-cell]') || active.matches('[tabindex="0"]')) return;
    const cell = this.element.shadowRoot?.querySelector<HTMLElement>('[tabindex="0"][data-cell]');
    (cell ?? this.scroller().nativeElement).focus({ preventScroll: true });
  }

  /** Makes sure that a row is in the document. */
  private bringIn(row: number): void {
    if (!this.isLong() || sectionOf(this.table(), row) !== 'body') return;
    const { from, to } = this.seen();
    const { first, count } = sectionRows(this.table(), 'body');
    const isIn = (row >= from + BEYOND || from === first) && (row < to - BEYOND || to === first + count) && row >= from && row < to;
    if (!isIn) this.showAround(row, row >= from && row < to);
  }

  /** Measures in a turn of its own: what made the table larger or smaller has had this one. */
  private measureSoon(): void {
    this.measuring ??= setTimeout(() => {
      this.measuring = undefined;
      this.measure();
    });
  }

  /** Takes the strips' measures from what is painted, and how high rows are, as soon as all first rows are there. */
  private measure(): void {
    if (!this.isGrown() && this.heldWidths().length === 0) return this.steps.update((steps) => steps + 1);
    const measures = measureTable(this.inner().nativeElement);
    const { rows, columns } = measures;
    const sum = rows.reduce((total, each) => total + each, 0);
    if (rows.length > 0 && sum > 0 && this.isLong() && this.isGrown() && this.heldWidths().length === 0) {
      this.rowHeight.set(sum / rows.length);
      this.viewHeight.set(this.scroller().nativeElement.clientHeight);
      this.heldWidths.set(columns.map(Math.ceil));
    }
    // Only what has changed moves the handles.
    if (JSON.stringify(measures) !== JSON.stringify(this.measures())) this.measures.set(measures);
  }

  private focusCell(): void {
    this.changes.detectChanges();
    const cell = this.element.shadowRoot?.querySelector<HTMLElement>('[tabindex="0"][data-cell]');
    cell?.focus({ preventScroll: true });
    cell?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }
}
