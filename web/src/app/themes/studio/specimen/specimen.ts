import { ChangeDetectionStrategy, Component, ElementRef, computed, effect, inject, input, output, signal, viewChild } from '@angular/core';
import {
  askedBy,
  besideIn,
  boxed,
  contract,
  element,
  frameRules,
  surrounded,
  tableElement,
  turnedElements,
  sheetOf,
  writeCss,
  writeHtml,
} from '../../../../../../core/compile';
import { toHex } from '../../../../../../core/colour';
import { pageOf } from '../../../../../../core/paint';
import { gridOf, heldOn, partOfCell, sectionRows, widthOf, type GridCell, type Table } from '../../../../../../core/table';
import { partOf, type ConditionName, type PartName, type ThemeView } from '../../../../../../core/theme';

import { whyOfCell, type CellWhy } from '../ledger/cell-why';
import { columnWords, headerSlot, heldOpen } from './held-open';
import { cardPartAt, holdActions, specimenCardRules, specimenCards } from './specimen-cards';
import type { HardSpecimen } from './specimens';

export interface Picked {
  readonly part: PartName;
  readonly condition: ConditionName;
  /** Beside those that are picked already. */
  readonly beside: boolean;
}

interface Tag {
  readonly row: number;
  readonly top: number;
  readonly text: string;
}
interface ColumnTag {
  readonly column: number;
  readonly left: number;
  readonly text: string;
  /** Whether it stands below the line of the others, since it would lie over the one before. */
  readonly isLow: boolean;
}
/** How wide a letter of a tag is, in px. */
const TAG_LETTER = 6.7;

/** What text without a font of the theme's is set in. */
export const SPECIMEN_FONT = 'system-ui,sans-serif';

/** The table that the theme is tried on, in a shadow root. An edit of the theme replaces its sheet, not its elements. */
@Component({
  selector: 'zest-specimen',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './specimen.html',
  styleUrl: './specimen.scss',
})
export class Specimen {
  readonly view = input.required<ThemeView>();
  readonly specimen = input.required<HardSpecimen>();
  readonly width = input.required<number>();
  /** Whether conditions of columns and their headers are held open too. */
  readonly columns = input(true);
  /** Whether search bar, info line, empty message and pager are shown. */
  readonly around = input(false);
  readonly picked = output<Picked>();

  protected readonly tags = signal<readonly Tag[]>([]);
  protected readonly columnTags = signal<readonly ColumnTag[]>([]);
  protected readonly pointed = signal<readonly CellWhy[]>([]);
  private readonly table = computed(() => this.specimen().table);
  /** Body rows whose held condition the person chose, by row of the grid. */
  private readonly chosen = signal<ReadonlyMap<number, readonly ConditionName[]>>(new Map());
  private readonly held = computed(() => heldOpen(this.table(), this.chosen(), this.columns()));
  private readonly asked = computed(() => askedBy(this.view(), this.table()), { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) });
  private readonly host = viewChild.required<ElementRef<HTMLElement>>('host');
  private readonly sheet = new CSSStyleSheet();
  private readonly content = document.createElement('div');
  private shadow?: ShadowRoot;
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    effect(() => {
      const beside = besideIn(this.view(), [this.table()]);
      const { pricing } = this.specimen();
      const cards = pricing === undefined ? [] : specimenCardRules(pricing);
      const css = writeCss(
        [...frameRules, ...cards, ...sheetOf(this.view(), { use: 'specimen', key: 'specimen', beside, ...(pricing ? { cards: 'too' } : {}) })],
        'compact',
      );
      this.sheet.replaceSync(`:host{color:${toHex(pageOf(this.view()).ink)};font:16px/1.4 ${SPECIMEN_FONT}}table{width:100%}${css}`);
      this.attach();
      this.placeTags();
    });
    effect(() => {
      const { table, contentOf } = this.specimen();
      const { columns, headers } = heldOpen(table, new Map(), this.columns());
      const asked = this.asked();
      const markup = element(
        'div',
        // Reached by keyboard, as on a page (WCAG 2.2, 2.1.1): it scrolls where the table is wider.
        { class: contract.frame, role: 'region', 'aria-label': `Specimen: ${table.name}`, tabindex: 0 },
        tableElement(table, {
          id: 'specimen',
          theme: 'specimen',
          slots: true,
          held: { columns, headers },
          contentOf,
          ...asked,
        }),
        ...turnedElements(table, { id: 'specimen', theme: 'specimen', ...asked }),
      );
      const shown = this.around() ? surrounded(markup, { theme: 'specimen', info: infoOf(table), empty: true }) : markup;
      const { pricing } = this.specimen();
      this.content.innerHTML = writeHtml(boxed(pricing ? element('div', {}, ...specimenCards(pricing), shown) : shown), 'compact');
      holdActions(this.content);
    });
    effect(() => {
      const held = this.held();
      void this.around();
      // Rows stand in the document as they do in the grid; only their held conditions change.
      this.content.querySelectorAll('table:not(.zp-turned) > * > tr').forEach((row, i) => {
        const names = held.rows?.get(i) ?? [];
        row.toggleAttribute(contract.selected, names.includes('selected'));
        if (names.includes('disabled')) row.setAttribute('aria-disabled', 'true');
        else row.removeAttribute('aria-disabled');
        const shown = names.filter((name) => name !== 'selected' && name !== 'disabled').join(' ');
        if (shown === '') row.removeAttribute(contract.held);
        else row.setAttribute(contract.held, shown);
      });
      this.placeTags();
    });
    effect((onCleanup) => {
      const observer = new ResizeObserver(() => this.placeTags());
      observer.observe(this.content);
      onCleanup(() => observer.disconnect());
      void this.width();
    });
    effect(() => {
      void this.table();
      this.chosen.set(new Map());
      this.pointed.set([]);
    });
  }

  private attach(): void {
    if (this.shadow) return;
    this.shadow = this.host().nativeElement.attachShadow({ mode: 'open' });
    this.shadow.adoptedStyleSheets = [this.sheet];
    // Picking with the pointer; the keyboard picks parts in the anatomy.
    this.content.addEventListener('click', (event) => this.pick(event));
    this.content.addEventListener('pointermove', (event) => this.point(event));
    this.content.addEventListener('pointerleave', () => this.pointed.set([]));
    this.shadow.append(this.content);
  }

  /** A row's tag stands beside the row's middle, a column's above its header. */
  private placeTags(): void {
    requestAnimationFrame(() => {
      const scroll = this.element.querySelector('.scroll');
      const top = (scroll?.getBoundingClientRect().top ?? 0) - (scroll?.scrollTop ?? 0);
      const rows = [...this.content.querySelectorAll<HTMLElement>('table:not(.zp-turned) > tbody > tr')];
      const first = sectionRows(this.table(), 'body').first;
      const held = this.held();
      this.tags.set(
        rows.slice(0, 40).map((row, i) => {
          const box = row.getBoundingClientRect();
          return { row: first + i, top: Math.round(box.top - top + box.height / 2), text: (held.rows?.get(first + i) ?? []).at(-1) ?? 'rest' };
        }),
      );
      const start = this.host().nativeElement.getBoundingClientRect().left;
      let end = -Infinity;
      const apart = (column: number, text: string, left: number): ColumnTag => {
        const half = (text.length * TAG_LETTER) / 2 + 4;
        const isLow = left - half < end;
        // One that is low leaves the line above it free for the next.
        if (!isLow) end = left + half;
        return { column, text, left, isLow };
      };
      this.columnTags.set(
        Array.from({ length: widthOf(this.table()) }, (_, column) => column).flatMap((column) => {
          const text = columnWords(held, column);
          const box =
            text === '' ? undefined : this.content.querySelector(`[data-slot="${headerSlot(this.table(), column) ?? ''}"]`)?.getBoundingClientRect();
          // A header that is only heard has no place for a tag.
          return box && box.width > 2 ? [apart(column, text, Math.round(box.left - start + box.width / 2))] : [];
        }),
      );
    });
  }

  protected toggle(row: number): void {
    this.chosen.update((chosen) => new Map(chosen).set(row, (this.held().rows?.get(row) ?? []).includes('selected') ? [] : ['selected']));
  }

  private cellAt(event: Event): GridCell | undefined {
    const target = event.composedPath()[0] as HTMLElement;
    const slot = target.closest<HTMLElement>('[data-slot]')?.dataset['slot'];
    const [row, column] = (slot ?? '').split(' ').map(Number);
    return slot === undefined || row === undefined || column === undefined ? undefined : gridOf(this.table()).at(row, column);
  }

  private point(event: PointerEvent): void {
    const cell = this.cellAt(event);
    this.pointed.set(cell ? whyOfCell(this.view(), this.table(), cell, this.held()) : []);
  }

  /** A click picks the part of what is under the pointer, under the condition that is held there. */
  private pick(event: MouseEvent): void {
    event.preventDefault();
    const target = event.composedPath()[0] as HTMLElement;
    const beside = event.shiftKey;
    const ofCards = cardPartAt(target);
    if (ofCards) return this.picked.emit({ ...ofCards, beside });
    const other = otherParts.find(([selector]) => target.closest(selector));
    if (other) return this.picked.emit({ part: other[1], condition: 'rest', beside });
    const cell = this.cellAt(event);
    if (!cell) return this.picked.emit({ part: 'table', condition: 'rest', beside });
    const part = partOfCell(this.table(), cell);
    const held = heldOn(this.table(), cell, this.held()).at(-1) ?? 'rest';
    this.picked.emit({ part, condition: partOf(part).conditions.includes(held) ? held : 'rest', beside });
  }
}

/** What is no cell, by its element. */
const otherParts: readonly (readonly [selector: string, part: PartName])[] = [
  ['caption', 'caption'],
  ['a', 'links'],
  [`.${contract.button}`, 'buttons'],
  [`.${contract.icon}`, 'icons'],
  [`.${contract.search} input`, 'search-field'],
  [`.${contract.search}`, 'search-bar'],
  [`.${contract.info}`, 'info-line'],
  [`.${contract.empty}`, 'empty-message'],
  [`.${contract.pagerItem}`, 'pager-items'],
  [`.${contract.pager}`, 'pager'],
];

const infoOf = (table: Table): string => {
  const { count } = sectionRows(table, 'body');
  return `${Math.min(count, 1)} to ${count} of ${count} rows`;
};
