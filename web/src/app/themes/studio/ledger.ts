import { ChangeDetectionStrategy, ChangeDetectorRef, Component, ElementRef, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { choices, conditionOf, partOf, type ConditionName } from '../../../../../core/theme';
import { kindOf, ledgerCell, ledgerRows, type LedgerCell, type LedgerRow } from './ledger-rows';
import { StudioState, type RowName } from './studio-state';

interface ShownRow extends LedgerRow {
  readonly cells: readonly { readonly condition: ConditionName; readonly cell: LedgerCell }[];
  readonly startsGroup: boolean;
}

/**
 * The ledger: the picked part's values, a row for each property and a column for each condition, as one grid
 * (ARIA Authoring Practices, "Grid"): arrow keys move, typing replaces, F2 or Enter edits, Delete falls back.
 */
@Component({
  selector: 'zest-ledger',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatIconModule],
  templateUrl: './ledger.html',
  styleUrl: './ledger.scss',
})
export class Ledger {
  protected readonly state = inject(StudioState);
  private readonly changes = inject(ChangeDetectorRef);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly opened = signal<ReadonlySet<string>>(new Set());
  protected readonly editing = signal<{ condition: ConditionName; row: RowName; text: string } | undefined>(undefined);
  protected readonly part = computed(() => partOf(this.state.part()));
  protected readonly conditions = computed(() => this.part().conditions.map(conditionOf));
  protected readonly rows = computed<readonly ShownRow[]>(() => {
    const theme = this.state.theme();
    if (!theme) return [];
    const { name, conditions } = this.part();
    return ledgerRows(name, this.opened()).map((row, i, all) => ({
      ...row,
      startsGroup: row.group !== all[i - 1]?.group,
      cells: conditions.map((condition) => ({ condition, cell: ledgerCell(theme, name, condition, row.name) })),
    }));
  });
  /** The cell that the Tab key reaches: the focused one, or the first where that is not shown. */
  protected readonly current = computed(() => {
    const row = this.rows().find(({ name }) => name === this.state.row()) ?? this.rows()[0];
    const condition = this.part().conditions.includes(this.state.condition()) ? this.state.condition() : 'rest';
    return { row: row?.name, condition };
  });
  protected readonly suggestions = computed(() => {
    const editing = this.editing();
    const look = this.state.look();
    if (!editing || !look) return [];
    const kind = kindOf(editing.row);
    if (kind === 'colour') return [...look.swatches.map(({ name }) => name), 'none'];
    if (kind === 'size') return look.scale.steps.map(({ name }) => name);
    if (kind === 'line') return ['none', ...look.swatches.map(({ name }) => `1px solid ${name}`)];
    return choices[kind] ?? [];
  });

  protected isOpen = (row: LedgerRow): boolean => this.opened().has(row.name);
  protected toggle(row: LedgerRow): void {
    this.opened.update((opened) =>
      opened.has(row.name) ? new Set([...opened].filter((name) => name !== row.name)) : new Set([...opened, row.name]),
    );
  }

  protected wrongAt = (condition: ConditionName, row: RowName) => this.state.wrong().get(this.state.wrongKey(condition, row));
  protected isEditing = (condition: ConditionName, row: RowName): boolean => this.editing()?.condition === condition && this.editing()?.row === row;
  protected isCurrent = (condition: ConditionName, row: RowName): boolean => this.current().row === row && this.current().condition === condition;

  protected describe(row: LedgerRow, condition: ConditionName, cell: LedgerCell): string {
    const wrong = this.wrongAt(condition, row.name);
    if (wrong) return `${row.label}, ${conditionOf(condition).label}: ${wrong.typed}. ${wrong.say}`;
    const contrast = cell.contrast ? ` ${cell.contrast.ratio.toFixed(1)} ${cell.contrast.passes ? 'passes' : 'fails'}` : '';
    return `${row.label}, ${conditionOf(condition).label}: ${cell.text}${contrast}, ${cell.own ? 'set here' : `from ${cell.from}`}`;
  }

  protected focus(condition: ConditionName, row: RowName): void {
    this.state.condition.set(condition);
    this.state.row.set(row);
  }

  protected edit(condition: ConditionName, row: RowName, text?: string): void {
    const theme = this.state.theme();
    if (!theme) return;
    this.focus(condition, row);
    this.editing.set({
      condition,
      row,
      text: text ?? this.wrongAt(condition, row)?.typed ?? ledgerCell(theme, this.state.part(), condition, row).text,
    });
    // The field is there and has the focus before the next key comes.
    this.changes.detectChanges();
    const field = this.host.querySelector('input');
    field?.focus();
    if (text === undefined) field?.select();
  }

  protected keyOnCell(event: KeyboardEvent, condition: ConditionName, row: RowName): void {
    if (event.target !== event.currentTarget) return;
    const step = { ArrowUp: [0, -1], ArrowDown: [0, 1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] }[event.key];
    if (step) this.move(step[0] ?? 0, step[1] ?? 0);
    else if (event.key === 'Home') this.move(-100, 0);
    else if (event.key === 'End') this.move(100, 0);
    else if (event.key === 'F2' || event.key === 'Enter') this.edit(condition, row);
    else if (event.key === 'Delete' || event.key === 'Backspace') this.state.fallBack(condition, row);
    else if (event.key === 'Escape' && this.wrongAt(condition, row)) this.state.forgive(condition, row);
    else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey && event.key !== '?' && event.key !== ' ')
      this.edit(condition, row, event.key);
    else return;
    event.preventDefault();
  }

  protected keyInField(event: KeyboardEvent): void {
    if (event.key === 'Enter' || event.key === 'Tab') {
      this.take(event);
      if (event.key === 'Enter') this.focusCurrent();
    } else if (event.key === 'Escape') {
      this.editing.set(undefined);
      this.focusCurrent();
    } else return;
    if (event.key !== 'Tab') event.preventDefault();
    event.stopPropagation();
  }

  /** Takes what was typed. What cannot be read stays in its cell with the reason; the table keeps the last good value. */
  protected take(event: Event): void {
    const editing = this.editing();
    if (!editing) return;
    const typed = (event.target as HTMLInputElement).value;
    this.editing.set(undefined);
    if (typed.trim() === '') this.state.fallBack(editing.condition, editing.row);
    else if (typed !== editing.text || event.type === 'keydown') this.state.type(editing.condition, editing.row, typed);
  }

  protected copy(event: ClipboardEvent): void {
    const { row, condition } = this.current();
    const theme = this.state.theme();
    if (this.editing() || !row || !theme) return;
    event.clipboardData?.setData('text/plain', ledgerCell(theme, this.state.part(), condition, row).text);
    event.preventDefault();
  }
  protected paste(event: ClipboardEvent): void {
    const { row, condition } = this.current();
    const text = event.clipboardData?.getData('text/plain').trim();
    if (this.editing() || !row || !text) return;
    this.state.type(condition, row, text);
    event.preventDefault();
  }

  private move(across: number, down: number): void {
    const names = this.rows().map(({ name }) => name);
    const conditions = this.part().conditions;
    const { row, condition } = this.current();
    const clamp = (n: number, most: number): number => Math.max(0, Math.min(n, most - 1));
    const nextRow = names[clamp(names.indexOf(row ?? 'fill') + down, names.length)];
    const nextCondition = conditions[clamp(conditions.indexOf(condition) + across, conditions.length)];
    if (nextRow && nextCondition) this.focus(nextCondition, nextRow);
    this.focusCurrent();
  }

  private focusCurrent(): void {
    this.changes.detectChanges();
    this.host.querySelector<HTMLElement>('[role=gridcell][tabindex="0"]')?.focus();
  }
}
