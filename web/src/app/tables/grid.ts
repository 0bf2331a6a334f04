import { NgTemplateOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  ChangeDetectorRef,
  Component,
  ElementRef,
  ViewEncapsulation,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { contract, themeCss, writeCss } from '../../../../core/compile';
import type { Clipboard } from '../../../../core/intake';
import {
  blockOf,
  gridOf,
  headerRole,
  heightOf,
  sectionOf,
  sectionRows,
  widthOf,
  type Chosen,
  type GridCell,
  type Table,
} from '../../../../core/table';
import { clipboardOf } from '../../../../core/clipboard';
import type { Theme } from '../../../../core/theme';

/** The chosen block of cells; its first slot has the focus. */
export type Choice = Chosen;
/** Cells from a clipboard, and whether room is made for them. */
export interface Pasted {
  readonly clipboard: Clipboard;
  readonly way: 'replace' | 'insert';
}

interface ShownCell {
  readonly cell: GridCell;
  readonly tag: 'th' | 'td';
  readonly scope: string | null;
  readonly classes: string;
}

/** Body rows in the document at once; further ones are a step away. */
const PAGE_ROWS = 200;

/**
 * The cells of a table, edited in the theme that they wear: a grid (ARIA Authoring Practices, "Grid") in a
 * shadow root, where only the theme's stylesheet reaches.
 */
@Component({
  selector: 'zest-grid',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.ShadowDom,
  imports: [NgTemplateOutlet],
  templateUrl: './grid.html',
  styleUrl: './grid.scss',
})
export class Grid {
  readonly table = input.required<Table>();
  readonly theme = input<Theme>();
  readonly typed = output<{ row: number; column: number; text: string }>();
  readonly cleared = output<Choice>();
  readonly chosen = output<Choice>();
  readonly pasted = output<Pasted>();
  /** Rows (down) or columns (across) are to be moved by one. */
  readonly moved = output<{ readonly axis: 'row' | 'column'; readonly by: -1 | 1 }>();

  protected readonly themeClass = contract.theme('edited');
  protected readonly focused = signal({ row: 0, column: 0 });
  private readonly corner = signal({ row: 0, column: 0 });
  protected readonly editing = signal<string | undefined>(undefined);
  protected readonly page = signal(0);
  private readonly changes = inject(ChangeDetectorRef);
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private insertNext = false;
  private readonly sheet = new CSSStyleSheet();

  protected readonly pages = computed(() => Math.max(1, Math.ceil(sectionRows(this.table(), 'body').count / PAGE_ROWS)));
  protected readonly sections = computed(() => {
    const table = this.table();
    const body = sectionRows(table, 'body');
    const from = body.first + Math.min(this.page(), this.pages() - 1) * PAGE_ROWS;
    const shown = (section: 'header' | 'body' | 'footer') => {
      const { first, count } =
        section === 'body' ? { first: from, count: Math.min(PAGE_ROWS, body.first + body.count - from) } : sectionRows(table, section);
      return Array.from({ length: count }, (_, i) => ({
        row: first + i,
        cells: (gridOf(table).rows[first + i] ?? []).map((cell, at) => this.show(cell, at === 0)),
      }));
    };
    return { header: shown('header'), body: shown('body'), footer: shown('footer') };
  });
  protected readonly pageSays = computed(() => {
    const { first, count } = sectionRows(this.table(), 'body');
    const from = Math.min(this.page(), this.pages() - 1) * PAGE_ROWS;
    return `Rows ${(first + from + 1).toLocaleString('en')} to ${(first + Math.min(from + PAGE_ROWS, count)).toLocaleString('en')} of ${heightOf(this.table()).toLocaleString('en')}`;
  });
  /** The chosen block, grown until no merged cell is cut. */
  protected readonly choice = computed<Choice>(() => growChoice(this.table(), this.inside(this.focused()), this.inside(this.corner())));

  constructor() {
    const shadow = this.element.shadowRoot;
    if (shadow) shadow.adoptedStyleSheets = [...shadow.adoptedStyleSheets, this.sheet];
    effect(() => {
      const theme = this.theme();
      this.sheet.replaceSync(theme ? writeCss(themeCss(theme, { key: 'edited' }), 'compact') : '');
    });
    effect(() => this.chosen.emit(this.choice()));
  }

  private show(cell: GridCell, isFirst: boolean): ShownCell {
    const { tag, scope } = headerRole(this.table(), cell);
    const classes = [isFirst && cell.column > 0 ? contract.inset : '', cell.isRowHeader ? contract.head : ''].filter(Boolean).join(' ');
    return { cell, tag, scope: scope ?? null, classes };
  }

  private inside({ row, column }: { row: number; column: number }): { row: number; column: number } {
    return { row: Math.max(0, Math.min(row, heightOf(this.table()) - 1)), column: Math.max(0, Math.min(column, widthOf(this.table()) - 1)) };
  }

  protected isFocused = ({ row, column }: GridCell): boolean => {
    const at = this.inside(this.focused());
    const focused = gridOf(this.table()).at(at.row, at.column);
    return focused.row === row && focused.column === column;
  };
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
    this.turnTo(at.row);
    this.focusCell();
  }

  /** Chooses a block of cells; its first one has the focus. */
  chooseBlock({ row, column, toRow, toColumn }: Choice): void {
    this.choose(row, column);
    this.corner.set(this.inside({ row: toRow, column: toColumn }));
  }

  protected press(event: MouseEvent, { row, column }: GridCell): void {
    if (this.isEditing(row, column)) return;
    if (event.shiftKey) this.corner.set({ row, column });
    else this.choose(row, column);
  }

  protected isEditing(row: number, column: number): boolean {
    const { focused, editing } = { focused: this.focused(), editing: this.editing() };
    return editing !== undefined && focused.row === row && focused.column === column;
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

  protected key(event: KeyboardEvent, cell: GridCell): void {
    if (this.editing() !== undefined) return;
    // Whether a paste that follows makes room is told by its key alone: the event itself does not say.
    this.insertNext = (event.ctrlKey || event.metaKey) && event.shiftKey && event.key.toLowerCase() === 'v';
    if (event.altKey && event.key.startsWith('Arrow')) {
      const axis = event.key === 'ArrowUp' || event.key === 'ArrowDown' ? 'row' : 'column';
      this.moved.emit({ axis, by: event.key === 'ArrowUp' || event.key === 'ArrowLeft' ? -1 : 1 });
      event.preventDefault();
      event.stopPropagation();
      return;
    }
    const step = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1], PageUp: [-20, 0], PageDown: [20, 0] }[event.key];
    if (step) this.step(cell, step[0] ?? 0, step[1] ?? 0, event.shiftKey);
    else if (event.key === 'Home') this.choose(event.ctrlKey ? 0 : cell.row, 0);
    else if (event.key === 'End') this.choose(event.ctrlKey ? heightOf(this.table()) - 1 : cell.row, widthOf(this.table()) - 1);
    else if (event.key === 'Enter' || event.key === 'F2') this.edit(cell);
    else if (event.key === 'Delete' || event.key === 'Backspace') this.cleared.emit(this.choice());
    else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey) this.edit(cell, event.key);
    else return;
    event.preventDefault();
    event.stopPropagation();
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

  protected turn(by: number): void {
    this.page.update((page) => Math.max(0, Math.min(page + by, this.pages() - 1)));
    const { first } = sectionRows(this.table(), 'body');
    this.choose(first + this.page() * PAGE_ROWS, this.focused().column);
  }

  /** Turns to the page that a body row stands on. */
  private turnTo(row: number): void {
    if (sectionOf(this.table(), row) !== 'body') return;
    this.page.set(Math.floor((row - sectionRows(this.table(), 'body').first) / PAGE_ROWS));
  }

  private focusCell(): void {
    this.changes.detectChanges();
    const cell = this.element.shadowRoot?.querySelector<HTMLElement>('[tabindex="0"][data-cell]');
    cell?.focus({ preventScroll: true });
    cell?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }
}

function growChoice(table: Table, from: { row: number; column: number }, to: { row: number; column: number }): Choice {
  const grid = gridOf(table);
  let choice: Choice = {
    row: Math.min(from.row, to.row),
    column: Math.min(from.column, to.column),
    toRow: Math.max(from.row, to.row),
    toColumn: Math.max(from.column, to.column),
  };
  for (let grew = true; grew;) {
    grew = false;
    for (let row = choice.row; row <= choice.toRow; row++) {
      for (let column = choice.column; column <= choice.toColumn; column++) {
        const cell = grid.at(row, column);
        const next = {
          row: Math.min(choice.row, cell.row),
          column: Math.min(choice.column, cell.column),
          toRow: Math.max(choice.toRow, cell.row + cell.rows - 1),
          toColumn: Math.max(choice.toColumn, cell.column + cell.columns - 1),
        };
        if (next.row !== choice.row || next.column !== choice.column || next.toRow !== choice.toRow || next.toColumn !== choice.toColumn)
          [choice, grew] = [next, true];
      }
    }
  }
  return choice;
}
