import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import type { PageInput } from '../../../../core/compile';
import { shownAs } from '../../../../core/documents';
import type { Conflict } from '../../../../core/edit';
import { everyBlock, tablesOn, type Page } from '../../../../core/page';
import type { Pricing } from '../../../../core/pricing';
import { previewOf, type Table } from '../../../../core/table';
import type { Theme, ThemeView } from '../../../../core/theme';
import { Dressed } from '../controls/dressed/dressed';
import { sampleTable } from '../controls/dressed/sample-table';
import { ThemeViews } from '../controls/dressed/theme-views';
import { Preview } from '../pages/seen/preview';
import { Api, type Kind } from './api';

/** Body rows of a table of which no row in particular is in question. */
const ROWS = 3;

/** One side of a conflict as it would be seen: the theme on a table, the row of a table, the block of a page. */
@Component({
  selector: 'zest-side-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dressed, Preview],
  template: `
    @if (table(); as table) {
      <zest-dressed [view]="view()" [table]="table" [scale]="0.6" />
    } @else if (page(); as page) {
      <zest-preview [input]="page" [width]="560" [scale]="0.5" inert aria-hidden="true" />
    }
  `,
  styles: `
    :host {
      display: block;
      max-height: 180px;
      overflow: hidden;
      border: 1px solid var(--zest-line);
      border-radius: 6px;
      background: #fff;
    }
    zest-dressed {
      padding: 8px;
    }
    zest-preview {
      height: 178px;
    }
  `,
})
export class SidePicture {
  readonly kind = input.required<Kind>();
  readonly document = input.required<unknown>();
  readonly conflict = input.required<Conflict>();
  private readonly api = inject(Api);
  private readonly views = inject(ThemeViews);
  /** The theme that a table wears, and what stands in a block of a page, when they have come. */
  private readonly worn = signal<ThemeView | undefined>(undefined);
  private readonly around = signal<Pick<PageInput, 'tables' | 'pricings' | 'themes'>>({ tables: new Map(), themes: new Map() });

  protected readonly table = computed((): Table | undefined => {
    if (this.kind() === 'themes') return sampleTable;
    if (this.kind() === 'pricings') return shownAs('pricings', this.document() as Pricing);
    return this.kind() === 'tables' ? narrowed(this.document() as Table, this.conflict().path) : undefined;
  });
  protected readonly view = computed(() => (this.kind() === 'themes' ? this.views.of(this.document() as Theme) : this.worn()));
  protected readonly page = computed((): PageInput | undefined => {
    const page = this.block();
    return page && { page, ...this.around() };
  });
  /** The page with nothing but the block in question. */
  private readonly block = computed((): Page | undefined => {
    const [field, id] = this.conflict().path;
    if (this.kind() !== 'pages' || field !== 'blocks') return undefined;
    const page = this.document() as Page;
    const block = everyBlock(page.blocks).find((each) => each.id === id);
    return block && { ...page, blocks: [block] };
  });

  constructor() {
    effect(() => {
      if (this.kind() === 'tables' || this.kind() === 'pricings') void this.dress(this.document() as Table | Pricing);
    });
    effect(() => {
      const page = this.block();
      if (page) void this.fetch(page);
    });
  }

  private async dress({ theme }: Pick<Table, 'theme'>): Promise<void> {
    const found = await firstValueFrom(this.api.document('themes', theme)).catch(() => undefined);
    this.worn.set(found && this.views.of(found.document));
  }

  private async fetch(page: Page): Promise<void> {
    const placed = tablesOn(page);
    if (placed.length === 0) return;
    const [themes, ...tables] = await Promise.all([
      firstValueFrom(this.api.themes()).catch(() => []),
      ...placed.map(({ shows }) => firstValueFrom(this.api.shown(shows)).catch(() => undefined)),
    ]);
    this.around.set({
      themes: new Map(themes.map(({ id, key, document }) => [id, { key, view: this.views.of(document) }])),
      tables: new Map(tables.flatMap((found, i) => (found ? [[placed[i]?.shows.id ?? '', previewOf(found.table, ROWS)] as const] : []))),
      pricings: new Map(tables.flatMap((found, i) => (found?.pricing ? [[placed[i]?.shows.id ?? '', found.pricing] as const] : []))),
    });
  }
}

/** A table with its header and the row in question; with its first rows where it is about none. */
function narrowed(table: Table, [field, at]: readonly string[]): Table {
  const row = field === 'rows' ? Number(at) : undefined;
  if (row === undefined || row < table.headerRows) return previewOf(table, ROWS);
  const header = table.rows.slice(0, table.headerRows);
  return {
    ...table,
    rows: [...header, table.rows[row] ?? []],
    footerRows: 0,
    groups: [],
    merges: table.merges.filter((merge) => merge.row + merge.rows <= table.headerRows),
    exceptions: table.exceptions.filter((each) => each.row === null),
  };
}
