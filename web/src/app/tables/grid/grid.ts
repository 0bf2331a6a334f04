import { Dir } from '@angular/cdk/bidi';
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
import { directionOf } from '../../../../../core/languages';
import { blockOf, gridOf, heightOf, sectionOf, widthOf, type GridCell, type Table } from '../../../../../core/table';
import { clipboardOf } from '../../../../../core/clipboard';
import type { ThemeView } from '../../../../../core/theme';
import { Markup } from '../../controls/dressed/markup';
import { gridRules, hasEqualColumns, ownLooks } from './grid-rules';
import { growChoice, lineChoice, type Choice } from '../choice';
import { gridKey } from './grid-keys';
import { stripsBeside } from './measures';
import { RowsInView } from './rows-in-view';
import { cellShownAt, showSections, type KnownRows, type ShownRow } from './shown-cells';
import { Strip, type Carried } from './strip';
import type { Pasted, Typed } from './told';
import { TypingRun } from './typing-run';
import { WholeTexts } from './whole-texts';

/**
 * The cells of a table, edited in the theme that they wear: a grid (ARIA Authoring Practices, "Grid") in a
 * shadow root, where only the theme's stylesheet reaches. Of a long table only the rows around the view are in the
 * document; what stands above and below is room of the height that they would take.
 */
@Component({
  selector: 'zest-grid',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.ShadowDom,
  imports: [CdkScrollable, Dir, Markup, NgTemplateOutlet, Strip],
  templateUrl: './grid.html',
  styleUrl: './grid.scss',
})
export class Grid implements AfterViewInit, OnDestroy {
  readonly table = input.required<Table>();
  readonly view = input<ThemeView>();
  /** Another number says that totals have come. */
  readonly totals = input(0);
  /** Whether Enter makes a row below the last one, as Tab does. */
  readonly grows = input(false);
  readonly typed = output<Typed>();
  /** Typing has come to the end of the table: a row is to be made there, and goes on in this column. */
  readonly grown = output<number>();
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
  private readonly run = new TypingRun();
  /** What comes without a key of its own opens the cell, as a key does. */
  protected readonly texts = new WholeTexts((element, text) => {
    const cell = cellShownAt(element, this.sections());
    if (cell) this.edit(cell, text);
  });
  /** Whether the pointer went down on a cell and is still down. */
  private isDrawing = false;
  private readonly sheet = new CSSStyleSheet();
  private readonly resizes = new ResizeObserver(() => this.inView.measureSoon());

  /** Which rows are in the document, and what they measure. */
  protected readonly inView = new RowsInView({
    table: this.table,
    view: this.view,
    rows: () => [...(this.element.shadowRoot?.querySelectorAll<HTMLTableRowElement>('tbody > tr') ?? [])],
    scroller: () => this.scroller().nativeElement,
    inner: () => this.inner().nativeElement,
    paint: () => this.changes.detectChanges(),
    settle: () => this.keepFocus(),
  });
  protected readonly seen = this.inView.seen;
  protected readonly isLong = this.inView.isLong;

  protected readonly direction = computed(() => directionOf(this.table().language));
  protected readonly tableClass = computed(() => [contract.theme('edited'), ...ownClasses(this.table())].join(' '));
  private readonly known = computed<KnownRows>(
    () => (this.table(), this.totals(), this.inView.pool(), this.editedCell(), new Map<number, ShownRow>()),
  );
  protected readonly sections = computed(() => showSections(this.table(), this.seen(), this.inView.pool(), this.editedCell(), this.known()));
  protected readonly height = computed(() => heightOf(this.table()));
  protected readonly hidden = computed(() => new Set(this.table().columns.flatMap(({ hidden }, column) => (hidden ? [column] : []))));
  protected readonly rowStrips = computed(() =>
    stripsBeside(this.inView.measures(), { isLong: this.isLong(), body: this.seen().from, foot: this.height() - this.table().footerRows }),
  );
  private readonly own = ownLooks(this.table);
  protected readonly hasEqualColumns = computed(() => hasEqualColumns(this.view()));
  /** The chosen block, grown until no merged cell is cut. */
  protected readonly choice = computed<Choice>(() => growChoice(this.table(), this.inside(this.focused()), this.inside(this.corner())));
  protected readonly chosenRows = computed(() => [this.choice().row, this.choice().toRow] as const);
  protected readonly chosenColumns = computed(() => [this.choice().column, this.choice().toColumn] as const);

  constructor() {
    const shadow = this.element.shadowRoot;
    if (shadow) shadow.adoptedStyleSheets = [...shadow.adoptedStyleSheets, this.sheet];
    effect(() => this.sheet.replaceSync(writeCss(gridRules(this.view(), this.own()), 'compact')));
    effect(() => this.tellChoice());
    // What is in the document, and how wide columns are, moves the strips' handles; the table's own size alone does not tell.
    afterRenderEffect(() => {
      this.sections();
      this.inView.widths();
      untracked(() => this.inView.measureSoon());
    });
    // Another number of columns, or another look, asks for other widths.
    effect(() => {
      widthOf(this.table());
      this.view();
      untracked(() => this.inView.forgetWidths());
    });
  }

  /** Said before what is done to it too: a key may come before the next rendering, and is meant for what is chosen by then. */
  private tellChoice = (): void => this.chosen.emit(this.choice());

  ngAfterViewInit(): void {
    this.resizes.observe(this.inner().nativeElement);
  }
  ngOnDestroy(): void {
    this.inView.close();
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
    this.inView.bringIn(at.row);
    this.focusCell();
  }

  /** Chooses a block of cells; its first one has the focus. */
  chooseBlock({ row, column, toRow, toColumn }: Choice): void {
    this.choose(row, column);
    this.corner.set(this.inside({ row: toRow, column: toColumn }));
  }
  protected chooseLine(axis: 'row' | 'column', { at, more }: { readonly at: number; readonly more: boolean }): void {
    this.chooseBlock(lineChoice(this.table(), this.choice(), axis, at, more));
  }

  protected press(event: MouseEvent): void {
    const cell = this.cellOf(event);
    if (!cell || cell === this.editedCell()) return;
    // The browser would select texts, and move the focus to where the block ends.
    event.preventDefault();
    this.takeTyped();
    this.run.end();
    this.isDrawing = true;
    if (!event.shiftKey) return this.choose(cell.row, cell.column);
    this.corner.set({ row: cell.row, column: cell.column });
    this.focusCell();
  }
  /** The pointer is drawn over cells: the block grows to where it is. */
  protected draw(event: MouseEvent): void {
    this.isDrawing &&= event.buttons === 1;
    const cell = this.isDrawing ? this.cellOf(event) : undefined;
    if (cell && this.editing() === undefined) this.corner.set({ row: cell.row, column: cell.column });
  }
  protected open(event: MouseEvent): void {
    const cell = this.cellOf(event);
    if (cell && cell !== this.editedCell()) this.edit(cell);
  }

  /** Opens a cell for typing; what is typed is for all that is chosen. The field is there and has the focus before the next key comes. */
  protected edit({ row, column, text }: GridCell, typed?: string): void {
    this.focused.set({ row, column });
    if (typed === undefined) this.corner.set({ row, column });
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
    // Keys of an input method are its own.
    if (this.editing() !== undefined || event.isComposing) return;
    // Whether a paste that follows makes room is told by its key alone: the event itself does not say.
    this.insertNext = (event.ctrlKey || event.metaKey) && event.shiftKey && event.key.toLowerCase() === 'v';
    const { row, column } = cell;
    if (this.run.isOn && (event.key === 'Tab' || event.key === 'Enter') && !event.ctrlKey && !event.altKey && !event.metaKey) {
      event.preventDefault();
      return this.goOn(event, cell);
    }
    const asked = gridKey(event, this.direction());
    if ((asked && asked.does !== 'type') || event.key === 'Escape') this.run.end();
    if (!asked) return;
    event.preventDefault();
    event.stopPropagation();
    const [bottom, right] = [heightOf(this.table()) - 1, widthOf(this.table()) - 1];
    switch (asked.does) {
      case 'move':
        this.tellChoice();
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
    this.tellChoice();
    this.pasted.emit({ clipboard, way: this.insertNext ? 'insert' : 'replace' });
    this.insertNext = false;
  }

  private step(cell: GridCell, down: number, across: number, grow: boolean): void {
    const corner = this.corner();
    if (grow) return this.corner.set(this.inside({ row: corner.row + down, column: corner.column + across }));
    const row = down > 0 ? cell.row + cell.rows - 1 + down : cell.row + down;
    const column = across > 0 ? cell.column + cell.columns - 1 + across : cell.column + across;
    this.choose(down === 0 ? this.focused().row : row, across === 0 ? this.focused().column : column);
  }

  protected keyInField(event: KeyboardEvent, cell: GridCell): void {
    event.stopPropagation();
    const { row, column } = cell;
    if (event.key === 'Escape') {
      this.run.end();
      this.choose(row, column);
    } else if ((event.key === 'Enter' && !event.shiftKey && !event.altKey) || event.key === 'Tab') {
      this.takeTyped();
      this.goOn(event, cell);
    } else return;
    event.preventDefault();
  }

  /** Where typing goes on after a cell. */
  private goOn({ key, shiftKey }: KeyboardEvent, cell: GridCell): void {
    const row = Math.max(cell.row, Math.min(this.focused().row, cell.row + cell.rows - 1));
    const goal = key === 'Tab' ? this.run.along(this.table(), cell, row, shiftKey) : this.run.down(this.table(), cell, this.grows());
    if (goal.isNew) this.grown.emit(goal.column);
    else this.choose(goal.row, goal.column);
  }

  /** What stands in the field goes to its cell or, where a block was chosen, to all of it. */
  protected takeTyped(): void {
    const field = this.element.shadowRoot?.querySelector('textarea');
    const cell = this.editedCell();
    if (!field || !cell) return;
    const { row, column, toRow, toColumn } = this.choice();
    const isOne = toRow - row < cell.rows && toColumn - column < cell.columns;
    this.editing.set(undefined);
    this.typed.emit({ row: cell.row, column: cell.column, text: field.value, ...(isOne ? {} : { block: this.choice() }) });
  }

  /** An element that had the focus may show another row now: the focus goes where its cell is, or waits in the frame. */
  private keepFocus(): void {
    const active = this.element.shadowRoot?.activeElement;
    if (!active?.matches('[data-cell]') || active.matches('[tabindex="0"]')) return;
    const cell = this.element.shadowRoot?.querySelector<HTMLElement>('[tabindex="0"][data-cell]');
    (cell ?? this.scroller().nativeElement).focus({ preventScroll: true });
  }

  private focusCell(): void {
    this.changes.detectChanges();
    const cell = this.element.shadowRoot?.querySelector<HTMLElement>('[tabindex="0"][data-cell]');
    cell?.focus({ preventScroll: true });
    cell?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }
}
