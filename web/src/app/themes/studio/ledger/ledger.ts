import { OverlayModule } from '@angular/cdk/overlay';
import { A11yModule } from '@angular/cdk/a11y';
import { ChangeDetectionStrategy, ChangeDetectorRef, Component, ElementRef, computed, effect, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import type { SlotReadability } from '../../../../../../core/paint';
import { conditionOf, partOf, type ConditionName } from '../../../../../../core/theme';
import { ValueEditor } from '../../../values/value-editor';
import { cellInWords, conditionLabel, ledgerCell, ledgerRows, sharedConditions, type LedgerRow, type ShownCell, type ShownRow } from './ledger-rows';
import { fill, fillAcross, pasteInto, rangeBetween, rangeText, type At, type Range } from './ledger-range';
import { failingTogether } from './findings';
import { beatenByCss, silenceOf } from './silence';
import type { RowName } from '../../../values/rows';
import { LowerSwitch } from '../extra/lower-switch';
import { StudioState, type Entry } from '../studio-state';
import { suggestionsFor } from '../../../values/suggestions';

/** A cell that is typed in, with what stood there; `forAll` where what is typed is for all that is chosen. */
interface Edited extends At {
  readonly text: string;
  readonly forAll: boolean;
}

/** Milliseconds without an edit before everything together is measured. */
const REST_MS = 200;

/**
 * The ledger: the picked parts' values, a row for each property and a column for each condition, as one grid
 * (ARIA Authoring Practices, "Grid"): arrow keys move, with Shift they choose several; typing replaces, F2 or
 * Enter edits, Delete falls back, Space opens the editor that fits the value.
 */
@Component({
  selector: 'zest-ledger',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [A11yModule, LowerSwitch, MatButtonModule, MatIconModule, MatMenuModule, OverlayModule, ValueEditor],
  templateUrl: './ledger.html',
  styleUrl: './ledger.scss',
})
export class Ledger {
  protected readonly state = inject(StudioState);
  private readonly changes = inject(ChangeDetectorRef);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  /** Where the pointer went down, as long as it is. */
  private drawnFrom: At | undefined;
  private readonly opened = signal<ReadonlySet<string>>(new Set());
  protected readonly search = signal('');
  protected readonly editing = signal<Edited | undefined>(undefined);
  /** Where the fitting editor is open. */
  protected readonly visual = signal<At | undefined>(undefined);
  protected readonly origin = signal<Element>(this.host);
  protected readonly visualName = computed(() => {
    const at = this.visual();
    const row = at && this.rows().find(({ name }) => name === at.row);
    return at && row ? `${row.label}, ${this.label(at.condition)}` : '';
  });
  protected readonly visualText = computed(() => {
    const [at, view] = [this.visual(), this.state.view()];
    const cell = at && view && ledgerCell(view, this.state.parts(), at.condition, at.row);
    return cell && !cell.mixed ? cell.text : '';
  });
  /** The other corner of what is chosen; none when it is one cell. */
  protected readonly anchor = signal<At | undefined>(undefined);
  protected readonly title = computed(() => {
    const names = this.state.parts().map((part) => partOf(part).label);
    return names.length < 3 ? names.join(' and ') : `${names[0] ?? ''} and ${names.length - 1} more`;
  });
  protected readonly conditions = computed(() => sharedConditions(this.state.parts()));
  protected readonly silence = computed(() => {
    const view = this.state.view();
    if (!view) return '';
    const { table, pricing } = this.state.specimen();
    const silent = silenceOf(view, this.state.parts(), table, pricing !== undefined);
    return silent || beatenByCss(view, this.state.parts(), this.state.condition(), this.state.row());
  });
  protected readonly rows = computed<readonly ShownRow[]>(() => {
    const view = this.state.view();
    if (!view) return [];
    const parts = this.state.parts();
    return ledgerRows(parts, this.opened(), this.search()).map((row, i, all) => ({
      ...row,
      startsGroup: row.group !== all[i - 1]?.group,
      cells: this.conditions().map((condition) => ({ condition, cell: ledgerCell(view, parts, condition, row.name) })),
    }));
  });
  /** The cell that the Tab key reaches: the focused one, or the first where that is not shown. */
  protected readonly current = computed<At>(() => {
    const row = this.rows().find(({ name }) => name === this.state.row()) ?? this.rows()[0];
    const condition = this.conditions().includes(this.state.condition()) ? this.state.condition() : 'rest';
    return { row: row?.name ?? 'fill', condition };
  });
  protected readonly range = computed<Range>(() =>
    rangeBetween(
      this.anchor() ?? this.current(),
      this.current(),
      this.rows().map(({ name }) => name),
      this.conditions(),
    ),
  );
  protected readonly suggestions = computed(() => {
    const editing = this.editing();
    const view = this.state.view();
    return editing && view ? suggestionsFor(editing.row, view, this.state.placesUnder(editing.condition)) : [];
  });

  /** The worst that an ink comes to under each condition together with others; worked out when the hand rests. */
  protected readonly together = signal<ReadonlyMap<ConditionName, SlotReadability>>(new Map());

  constructor() {
    effect((onCleanup) => {
      const [view, part, conditions] = [this.state.view(), this.state.part(), this.conditions()];
      const timer = setTimeout(
        () => this.together.set(view ? failingTogether(view, part, conditions) : new Map<ConditionName, SlotReadability>()),
        REST_MS,
      );
      onCleanup(() => clearTimeout(timer));
    });
    effect(() => {
      // Another part begins at its first row.
      void this.state.parts();
      this.host.querySelector('.scroll')?.scrollTo({ top: 0, left: 0 });
    });
    let asked = 0;
    effect(() => {
      const now = this.state.focusRequested();
      if (now === asked) return;
      asked = now;
      this.search.set('');
      this.anchor.set(undefined);
      setTimeout(() => this.focusCurrent());
    });
  }

  /** What fails together with other conditions where the condition alone passes. */
  protected failsTogether({ condition, cell }: ShownCell): SlotReadability | undefined {
    return cell?.contrast?.passes ? this.together().get(condition) : undefined;
  }

  protected label = (condition: ConditionName): string => conditionLabel(this.state.view(), condition);
  protected isOpen = (row: LedgerRow): boolean => this.opened().has(row.name);
  protected toggle(row: LedgerRow): void {
    this.opened.update((opened) =>
      opened.has(row.name) ? new Set([...opened].filter((name) => name !== row.name)) : new Set([...opened, row.name]),
    );
  }

  protected wrongAt = (condition: ConditionName, row: RowName) => this.state.wrong().get(this.state.wrongKey(condition, row));
  protected isEditing = (condition: ConditionName, row: RowName): boolean => this.editing()?.condition === condition && this.editing()?.row === row;
  protected isCurrent = (condition: ConditionName, row: RowName): boolean => this.current().row === row && this.current().condition === condition;
  protected isChosen = (condition: ConditionName, row: RowName): boolean =>
    this.anchor() !== undefined && this.range().rows.includes(row) && this.range().conditions.includes(condition);

  protected describe(row: LedgerRow, { condition, cell }: ShownCell): string {
    const where = `${row.label}, ${this.label(condition)}`;
    if (!cell) return `${where}: not set here`;
    const wrong = this.wrongAt(condition, row.name);
    if (wrong) return `${where}: ${wrong.typed}. ${wrong.say}`;
    return `${where}: ${cellInWords(cell, this.failsTogether({ condition, cell }))}`;
  }

  protected focus(condition: ConditionName, row: RowName): void {
    this.state.condition.set(condition);
    this.state.row.set(row);
  }
  /** The pointer goes down on a cell: with Shift the rectangle reaches to there, else one begins here. */
  protected pressed(event: MouseEvent, condition: ConditionName, row: RowName): void {
    if (this.isEditing(condition, row) || event.button !== 0) return;
    this.drawnFrom = event.shiftKey ? undefined : { condition, row };
    // Before the focus goes there, since the rectangle reaches from where it was.
    this.anchor.set(event.shiftKey ? (this.anchor() ?? this.current()) : undefined);
    if (!event.shiftKey) return;
    event.preventDefault();
    this.focus(condition, row);
    this.focusCurrent();
  }
  /** The pointer is drawn on to another cell: the rectangle reaches from where it went down to here. */
  protected drawn(event: MouseEvent, condition: ConditionName, row: RowName): void {
    if (event.buttons !== 1) this.drawnFrom = undefined;
    const from = this.drawnFrom;
    if (!from || this.editing()) return;
    this.anchor.set(from.condition === condition && from.row === row ? undefined : from);
    this.focus(condition, row);
  }
  protected readonly clicked = (condition: ConditionName, row: RowName): void => this.focus(condition, row);

  protected edit(condition: ConditionName, row: RowName, text?: string): void {
    const view = this.state.view();
    const cell = view && ledgerCell(view, this.state.parts(), condition, row);
    if (!cell) return;
    this.focus(condition, row);
    this.editing.set({
      condition,
      row,
      text: text ?? this.wrongAt(condition, row)?.typed ?? (cell.mixed || cell.isTold ? '' : cell.text),
      forAll: text !== undefined,
    });
    // The field is there and has the focus before the next key comes.
    this.changes.detectChanges();
    const field = this.host.querySelector<HTMLInputElement>('td input');
    field?.focus();
    if (text === undefined) field?.select();
  }

  protected openVisual(condition: ConditionName, row: RowName): void {
    const view = this.state.view();
    if (!view || !ledgerCell(view, this.state.parts(), condition, row)) return;
    this.focus(condition, row);
    this.changes.detectChanges();
    this.origin.set(this.host.querySelector('td.current') ?? this.host);
    this.visual.set({ condition, row });
  }
  protected closeVisual(): void {
    if (!this.visual()) return;
    this.visual.set(undefined);
    this.focusCurrent();
  }
  protected takeVisual(text: string): void {
    const at = this.visual();
    // Strokes of one slider are undone together.
    if (at) this.state.type(at.condition, at.row, text, `editor ${this.state.wrongKey(at.condition, at.row)}`);
  }

  protected keyOnCell(event: KeyboardEvent, condition: ConditionName, row: RowName): void {
    if (event.target !== event.currentTarget) return;
    const step = { ArrowUp: [0, -1], ArrowDown: [0, 1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] }[event.key];
    const control = event.ctrlKey || event.metaKey;
    if (step && !event.altKey) this.move(step[0] ?? 0, step[1] ?? 0, event.shiftKey);
    else if (event.key === 'Home') this.move(-100, 0, event.shiftKey);
    else if (event.key === 'End') this.move(100, 0, event.shiftKey);
    else if (event.key === 'F2' || event.key === 'Enter') this.edit(condition, row);
    else if (event.key === ' ' || (event.key === 'ArrowDown' && event.altKey)) this.openVisual(condition, row);
    else if (event.key === 'Delete' || event.key === 'Backspace') this.clear();
    else if (event.key === 'Escape') this.escape(condition, row);
    else if (control && event.key.toLowerCase() === 'r') this.fillAcross();
    else if (event.key.length === 1 && !control && !event.altKey && event.key !== '?') this.edit(condition, row, event.key);
    else return;
    event.preventDefault();
  }

  private escape(condition: ConditionName, row: RowName): void {
    this.anchor.set(undefined);
    this.state.forgive(condition, row);
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
    const isMany = editing.forAll && this.range().rows.length * this.range().conditions.length > 1;
    if (isMany && typed.trim() !== '') this.state.typeMany(this.fitting(fill(this.range(), typed)));
    else if (typed.trim() === '') this.state.fallBackMany([editing]);
    // One sign typed over a value is a new value too, when the pointer goes elsewhere.
    else if (editing.forAll || typed !== editing.text || event.type === 'keydown') this.state.type(editing.condition, editing.row, typed);
  }

  /** Those that can be set where they would stand. */
  private fitting(entries: readonly Entry[]): readonly Entry[] {
    const view = this.state.view();
    return entries.filter(({ row, condition }) => view !== undefined && ledgerCell(view, this.state.parts(), condition, row) !== undefined);
  }

  /** Lets everything chosen fall back. */
  protected clear(): void {
    const { rows, conditions } = this.range();
    this.state.fallBackMany(rows.flatMap((row) => conditions.map((condition) => ({ row, condition }))));
  }

  /** Gives the first chosen condition's values to the others; with one cell chosen, to every condition of its row. */
  protected fillAcross(): void {
    const view = this.state.view();
    if (view) this.state.typeMany(fillAcross(view, this.state.parts(), this.range(), this.conditions()));
  }

  protected copy(event: ClipboardEvent): void {
    const view = this.state.view();
    if (this.editing() || !view) return;
    event.clipboardData?.setData('text/plain', rangeText(view, this.state.parts(), this.range()));
    event.preventDefault();
  }
  protected paste(event: ClipboardEvent): void {
    const text = event.clipboardData?.getData('text/plain').replace(/\r?\n$/, '');
    if (this.editing() || !text?.trim()) return;
    this.state.typeMany(
      pasteInto(
        text,
        this.range(),
        this.rows().map(({ name }) => name),
        this.conditions(),
      ),
    );
    event.preventDefault();
  }

  protected resetRow = (): void =>
    this.state.reset('the values chosen', {
      parts: this.state.parts(),
      conditions: this.range().conditions,
      properties: this.range().rows.flatMap((row) => this.state.propertiesOf(row)),
    });
  protected resetGroup(): void {
    const group = this.rows().find(({ name }) => name === this.current().row)?.group ?? '';
    this.state.reset(`the group ${group.toLowerCase()}`, { parts: this.state.parts(), properties: this.state.propertiesIn(group) });
  }
  protected resetCondition(): void {
    const { condition } = this.current();
    this.state.reset(`${conditionOf(condition).label.toLowerCase()} of ${this.title().toLowerCase()}`, {
      parts: this.state.parts(),
      conditions: [condition],
    });
  }
  protected resetPart = (): void => this.state.reset(this.title().toLowerCase(), { parts: this.state.parts() });
  protected resetAll = (): void => this.state.reset('everything', {});

  private move(across: number, down: number, extend: boolean): void {
    const names = this.rows().map(({ name }) => name);
    const conditions = this.conditions();
    const { row, condition } = this.current();
    const clamp = (n: number, most: number): number => Math.max(0, Math.min(n, most - 1));
    const nextRow = names[clamp(names.indexOf(row) + down, names.length)];
    const nextCondition = conditions[clamp(conditions.indexOf(condition) + across, conditions.length)];
    this.anchor.set(extend ? (this.anchor() ?? { row, condition }) : undefined);
    if (nextRow && nextCondition) this.focus(nextCondition, nextRow);
    this.focusCurrent();
  }

  private focusCurrent(): void {
    this.changes.detectChanges();
    this.host.querySelector<HTMLElement>('[role=gridcell][tabindex="0"]')?.focus();
  }
}
