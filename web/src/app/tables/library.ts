import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import { firstValueFrom, forkJoin, map, type Observable } from 'rxjs';
import { tableKinds, textsOf } from '../../../../core/table';
import { plainestOf, type ThemeView } from '../../../../core/theme';
import { CardWall } from '../controls/card-wall';
import { tablesOn, type ShownKind } from '../../../../core/page';
import { shownAs } from '../../../../core/documents';
import { sayProblem } from '../../../../core/outcome';
import { fromGrid, withoutPlans, type Pricing } from '../../../../core/pricing';
import { Dressed } from '../controls/dressed/dressed';
import { ApiError, type KeptPricing, type KeptTable, type KeptTheme } from '../documents/api';
import { Library } from '../documents/library';
import { FreshNotes } from './bring-in/fresh-notes';
import type { NewPricingData, NewPricingDialog } from '../pricings/new-pricing-dialog';
import type { NewTable, NewTableData, NewTableDialog } from './bring-in/new-table-dialog';
import { ThemeViews } from '../controls/dressed/theme-views';

/** A table of the list, or a pricing table as the table that it is on a page. */
type Listed = KeptTable & { readonly kept: ShownKind; readonly plans?: Pricing };

const listed = ({ document: plans, ...kept }: KeptPricing): Listed => {
  const document = shownAs('pricings', plans);
  return { ...kept, kept: 'pricings', plans, document, rows: document.rows.length, columns: plans.plans.length + 1 };
};

@Component({
  selector: 'zest-table-library',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CardWall, Dressed, MatButtonModule, MatIconModule, MatMenuModule, RouterLink],
  template: `
    <div class="zest-bar">
      <h1>Tables</h1>
      <span class="zest-note">{{ count() }}</span>
      <span class="fill"></span>
      <input
        class="zest-field find"
        type="search"
        aria-label="Find a table"
        placeholder="Find a table"
        [value]="search()"
        (input)="search.set($any($event.target).value)"
      />
      <select class="zest-field" aria-label="Kind of table" (change)="ofKind.set($any($event.target).value)">
        <option value="" [selected]="ofKind() === ''">Every kind</option>
        @for (each of kinds; track each) {
          <option [value]="each" [selected]="ofKind() === each">{{ each }}</option>
        }
      </select>
      <button mat-stroked-button (click)="createPlans()">New pricing table</button>
      <button mat-flat-button (click)="create()">New table</button>
    </div>
    <div class="zest-view">
      @if (loaded() && items().length === 0) {
        <p>No tables yet. <button mat-stroked-button (click)="create()">Make the first one</button></p>
      }
      <zest-card-wall label="Tables" [items]="found()">
        <ng-template let-table>
          <div class="card" role="listitem">
            <div class="picture"><zest-dressed [view]="viewOf(table)" [table]="table.document" [scale]="0.5" /></div>
            <div class="foot">
              <div class="names">
                <h2>
                  <a [routerLink]="['/', table.kept, table.id]">{{ table.document.name }}</a>
                </h2>
                <p class="zest-note">{{ about(table) }}</p>
              </div>
              <button
                mat-icon-button
                [matMenuTriggerFor]="menu"
                [matMenuTriggerData]="{ table }"
                [attr.aria-label]="'More for ' + table.document.name"
              >
                <mat-icon svgIcon="more" />
              </button>
            </div>
          </div>
        </ng-template>
      </zest-card-wall>
      <mat-menu #menu="matMenu">
        <ng-template matMenuContent let-table="table">
          <button mat-menu-item (click)="rename(table)">Rename</button>
          <button mat-menu-item (click)="duplicate(table)">Duplicate</button>
          <button mat-menu-item (click)="makeOther(table)">
            {{ table.kept === 'pricings' ? 'Make a plain table of it' : 'Make a pricing table of it' }}
          </button>
          <button mat-menu-item (click)="remove(table)">Delete</button>
        </ng-template>
      </mat-menu>
      @if (loaded() && items().length > 0 && found().length === 0) {
        <p role="status">No table is like that. <button mat-button (click)="search.set(''); ofKind.set('')">Show all</button></p>
      }
    </div>
  `,
  styles: '.find { width: 220px; } select { width: 140px; }',
  styleUrl: '../controls/card.scss',
})
export class TableLibrary extends Library<'tables', Listed> {
  private readonly views = inject(ThemeViews);
  private readonly fresh = inject(FreshNotes);
  protected readonly kind = 'tables';
  protected readonly ask = (): Observable<readonly Listed[]> =>
    forkJoin([this.api.tables(), this.api.pricings()]).pipe(
      map(([tables, pricings]) =>
        [...tables.map((table): Listed => ({ ...table, kept: 'tables' })), ...pricings.map(listed)].sort((a, b) =>
          b.updatedAt.localeCompare(a.updatedAt),
        ),
      ),
    );
  /** The kind of table that is looked for; empty for every kind. */
  protected readonly ofKind = signal('');
  protected readonly kinds = tableKinds;
  private readonly themes = signal<ReadonlyMap<string, KeptTheme>>(new Map());
  /** Names of the pages that a table stands on, by its id. */
  private readonly pages = signal<ReadonlyMap<string, readonly string[]>>(new Map());
  /** Tables that have every word of the search in their name, caption, header, theme or pages. */
  protected readonly found = computed(() =>
    this.items().filter((table) => (this.ofKind() === '' || table.document.kind === this.ofKind()) && this.isFound(table)),
  );

  constructor() {
    super();
    void this.load();
  }

  protected said = (table: Listed): readonly string[] => {
    const { name, kind, caption, rows, headerRows } = table.document;
    const header = rows.slice(0, headerRows).flatMap(textsOf);
    return [name, kind, caption, ...header, this.viewOf(table)?.theme.name ?? '', ...(this.pages().get(table.id) ?? [])];
  };

  protected viewOf(table: Listed): ThemeView | undefined {
    const theme = this.themes().get(table.document.theme)?.document;
    return theme && this.views.of(theme);
  }

  protected override async load(): Promise<void> {
    const [themes, pages] = await Promise.all([
      this.deleting.attempt(() => firstValueFrom(this.api.themes())),
      this.deleting.attempt(() => firstValueFrom(this.api.pages())),
    ]);
    const standing = new Map<string, string[]>();
    for (const { document } of pages ?? [])
      for (const { shows } of tablesOn(document))
        if (!standing.get(shows.id)?.includes(document.name)) standing.set(shows.id, [...(standing.get(shows.id) ?? []), document.name]);
    this.pages.set(standing);
    this.themes.set(new Map(themes?.map((theme) => [theme.id, theme])));
    await super.load();
  }

  protected about({ id, rows, columns, kept, plans, document: { kind } }: Listed): string {
    const pages = this.pages().get(id) ?? [];
    const where = pages.length === 0 ? 'on no page' : pages.length === 1 ? `on ${pages[0]}` : `on ${pages.length} pages`;
    if (kept === 'pricings') return `${plans?.plans.length === 1 ? '1 plan' : `${plans?.plans.length ?? 0} plans`}, ${where}`;
    return `${kind === 'data' ? '' : `${kind}, `}${rows.toLocaleString('en')} rows, ${columns} columns, ${where}`;
  }

  /** The themes that a new table can be dressed in; the plainest, if nothing is said. */
  private dresses(): { readonly themes: readonly { readonly id: string; readonly name: string }[]; readonly theme: string } {
    const all = [...this.themes().values()];
    const themes = all.map(({ id, document }) => ({ id, name: document.name })).sort((a, b) => a.name.localeCompare(b.name));
    return { themes, theme: plainestOf(all, ({ document }) => this.views.of(document))?.id ?? '' };
  }

  /** A table as a pricing table, where it has prices; or the other way round. Either stands beside what it was made of. */
  protected async makeOther({ id, plans, document: { name, theme } }: Listed): Promise<void> {
    await this.deleting.attempt(async () => {
      if (plans) {
        const { id: made } = await firstValueFrom(this.api.create('tables', { ...withoutPlans(shownAs('pricings', plans)), name: this.free(name) }));
        return this.router.navigate(['/tables', made]);
      }
      const { document } = await firstValueFrom(this.api.document('tables', id));
      const found = fromGrid(this.free(name), document.rows.map(textsOf), document.language);
      if (!found.ok) throw new ApiError(0, found.problems.map(sayProblem).join(' '));
      const { id: made } = await firstValueFrom(this.api.create('pricings', { ...found.value.pricing, theme }));
      return this.router.navigate(['/pricings', made]);
    });
  }

  /** A new pricing table, dressed as new tables are. */
  protected async createPlans(): Promise<void> {
    const { NewPricingDialog: Dialog } = await import('../pricings/new-pricing-dialog');
    let id = '';
    const { theme, themes } = this.dresses();
    const keep = async (pricing: Pricing): Promise<string | undefined> => {
      try {
        ({ id } = await firstValueFrom(this.api.create('pricings', { ...pricing, name: this.free(pricing.name) })));
        return undefined;
      } catch (error) {
        if (error instanceof ApiError) return error.say;
        throw error;
      }
    };
    const data: NewPricingData = { keep, theme, themes };
    const made = await firstValueFrom(
      this.dialog.open<NewPricingDialog, NewPricingData, boolean>(Dialog, { width: '760px', maxWidth: '94vw', data }).afterClosed(),
    );
    if (made) await this.router.navigate(['/pricings', id]);
  }

  protected async create(): Promise<void> {
    const { NewTableDialog: Dialog } = await import('./bring-in/new-table-dialog');
    let id = '';
    const keep = async (made: NewTable): Promise<string | undefined> => {
      const { theme } = made;
      const making =
        'upload' in made
          ? this.api.createFromRows(made.upload, made.rows, { ...made.head, theme })
          : this.api.create('tables', { ...made.table, theme });
      try {
        ({ id } = await firstValueFrom<{ readonly id: string }>(making));
        return undefined;
      } catch (error) {
        if (error instanceof ApiError) return error.say;
        throw error;
      }
    };
    const made = await firstValueFrom(
      this.dialog.open<NewTableDialog, NewTableData, NewTable>(Dialog, { width: '900px', data: { keep, ...this.dresses() } }).afterClosed(),
    );
    if (!made) return;
    this.fresh.leave(id, made.notes);
    await this.router.navigate(['/tables', id]);
  }

  protected override remove = (item: Listed): Promise<void> => this.deleting.delete(item.kept, item, () => void this.load());

  /** Of a table only its beginning is here: the change alone is sent. */
  protected override async named({ id, plans, revision: seen }: Listed, name: string): Promise<void> {
    if (plans) return void (await firstValueFrom(this.api.save('pricings', id, seen, { ...plans, name })));
    const { revision } = await firstValueFrom(this.api.tableHead(id));
    await firstValueFrom(this.api.patch('tables', id, revision, { change: { head: { name } }, said: ['rename the table'] }));
  }
  protected override async copied({ id, plans }: Listed): Promise<void> {
    if (plans) return void (await firstValueFrom(this.api.create('pricings', { ...plans, name: this.free(`${plans.name} copy`) })));
    await firstValueFrom(this.api.duplicateTable(id));
  }
}
