import { ChangeDetectionStrategy, Component, ElementRef, computed, effect, inject, input, output, signal, viewChild } from '@angular/core';
import { contract, frameRule, tableElement, themeCss, writeCss, writeHtml } from '../../../../../core/compile';
import { gridOf, sectionRows, slotOf, type Table } from '../../../../../core/table';
import { partOf, type ConditionName, type PartName, type Theme } from '../../../../../core/theme';

export interface Picked {
  readonly part: PartName;
  readonly condition: ConditionName;
}

interface Tag {
  readonly row: number;
  readonly top: number;
  readonly text: string;
}

/** Which conditions are held open on the first body rows, so that all can be seen at once. */
const heldAtFirst: readonly (readonly ConditionName[])[] = [[], ['hovered'], [], ['selected']];

/** The table that the theme is tried on, in a shadow root. An edit of the theme replaces its sheet, not its elements. */
@Component({
  selector: 'zest-specimen',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="scroll">
      <div class="tags">
        @for (tag of tags(); track tag.row) {
          <button
            type="button"
            [style.top.px]="tag.top"
            [attr.aria-pressed]="tag.text === 'selected'"
            [attr.aria-label]="'Row ' + (tag.row + 1) + ' is held ' + tag.text + '. Select or let go'"
            (click)="toggle(tag.row)"
          >
            {{ tag.text }}
          </button>
        }
      </div>
      <div class="host" #host [style.width.px]="width()"></div>
    </div>
  `,
  styles: `
    :host {
      display: block;
      overflow: hidden;
    }
    .scroll {
      height: 100%;
      overflow: auto;
      position: relative;
      background: #fff;
      border: 1px solid var(--zest-line);
      border-block-end: 0;
      border-radius: 0 0 0 0;
      display: flex;
    }
    .tags {
      position: relative;
      flex: 0 0 88px;
    }
    .tags button {
      all: unset;
      position: absolute;
      inset-inline-end: 8px;
      translate: 0 -50%;
      font: 11px/1.2 var(--zest-mono);
      color: #5d665a;
      cursor: pointer;
      padding: 3px 4px;
      border-radius: 4px;
    }
    .tags button:hover {
      color: #b84300;
    }
    .tags button[aria-pressed='true'] {
      font-weight: 700;
      color: #b84300;
    }
    .tags button:focus-visible {
      outline: 2px solid var(--zest-zest);
    }
    .host {
      flex: none;
      padding-block: 16px 24px;
      cursor: pointer;
    }
  `,
})
export class Specimen {
  readonly theme = input.required<Theme>();
  readonly table = input.required<Table>();
  readonly width = input.required<number>();
  readonly picked = output<Picked>();

  protected readonly tags = signal<readonly Tag[]>([]);
  /** Body rows whose held condition the person chose, by row of the grid. */
  private readonly chosen = signal<ReadonlyMap<number, readonly ConditionName[]>>(new Map());
  private readonly held = computed(() => {
    const { first, count } = sectionRows(this.table(), 'body');
    return new Map(Array.from({ length: count }, (_, i) => [first + i, this.chosen().get(first + i) ?? heldAtFirst[i] ?? []] as const));
  });
  private readonly host = viewChild.required<ElementRef<HTMLElement>>('host');
  private readonly sheet = new CSSStyleSheet();
  private readonly content = document.createElement('div');
  private shadow?: ShadowRoot;
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    this.content.className = 'zp-frame';
    effect(() => {
      const css = writeCss([frameRule, ...themeCss(this.theme(), { key: 'specimen', held: true, around: true })], 'compact');
      this.sheet.replaceSync(`:host{color:#000;font:16px/1.4 system-ui,sans-serif}table{width:100%}${css}`);
      this.attach();
      this.placeTags();
    });
    effect(() => {
      this.content.innerHTML = writeHtml(tableElement(this.table(), { id: 'specimen', theme: 'specimen', slots: true }), 'compact');
    });
    effect(() => {
      const held = this.held();
      // Rows stand in the document as they do in the grid; only their held conditions change.
      this.content.querySelectorAll(':scope > table > * > tr').forEach((row, i) => {
        const names = held.get(i)?.join(' ') ?? '';
        if (names === '') row.removeAttribute(contract.held);
        else row.setAttribute(contract.held, names);
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
    });
  }

  private attach(): void {
    if (this.shadow) return;
    this.shadow = this.host().nativeElement.attachShadow({ mode: 'open' });
    this.shadow.adoptedStyleSheets = [this.sheet];
    // Picking with the pointer; the keyboard picks parts in the anatomy.
    this.content.addEventListener('click', (event) => this.pick(event));
    this.shadow.append(this.content);
  }

  /** A row's tag stands beside the row's middle. */
  private placeTags(): void {
    requestAnimationFrame(() => {
      const top = this.element.querySelector('.scroll')?.getBoundingClientRect().top ?? 0;
      const scrolled = this.element.querySelector('.scroll')?.scrollTop ?? 0;
      const rows = [...this.content.querySelectorAll<HTMLElement>('tbody > tr')];
      const first = sectionRows(this.table(), 'body').first;
      this.tags.set(
        rows.slice(0, 40).map((row, i) => {
          const box = row.getBoundingClientRect();
          return {
            row: first + i,
            top: Math.round(box.top - top + scrolled + box.height / 2),
            text: (this.held().get(first + i) ?? []).at(-1) ?? 'rest',
          };
        }),
      );
    });
  }

  protected toggle(row: number): void {
    this.chosen.update((chosen) => new Map(chosen).set(row, (this.held().get(row) ?? []).includes('selected') ? [] : ['selected']));
  }

  /** A click picks the part of the cell, under the condition that its row is held in. */
  private pick(event: MouseEvent): void {
    const target = event.composedPath()[0] as HTMLElement;
    if (target.closest('caption')) return this.picked.emit({ part: 'caption', condition: 'rest' });
    const [row, column] = (target.closest<HTMLElement>('[data-slot]')?.dataset['slot'] ?? '').split(' ').map(Number);
    if (row === undefined || column === undefined || Number.isNaN(row)) return this.picked.emit({ part: 'table', condition: 'rest' });
    const { part } = slotOf(this.table(), gridOf(this.table()).at(row, column));
    const held = (this.held().get(row) ?? []).at(-1) ?? 'rest';
    this.picked.emit({ part, condition: partOf(part).conditions.includes(held) ? held : 'rest' });
  }
}
