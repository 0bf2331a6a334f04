import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { Router, RouterLink } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { tableKinds, textsOf } from '../../../../core/table';
import type { ThemeView } from '../../../../core/theme';
import { CardWall } from '../controls/card-wall';
import { tablesOn } from '../../../../core/page';
import { Deleting } from '../controls/deleting';
import { Dressed } from '../controls/dressed/dressed';
import { askName } from '../controls/name-dialog';
import { Api, type KeptTable, type KeptTheme } from '../documents/api';
import { FreshNotes } from './bring-in/fresh-notes';
import type { NewTable, NewTableDialog } from './bring-in/new-table-dialog';
import { ThemeViews } from '../controls/dressed/theme-views';

@Component({
  selector: 'zest-table-library',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CardWall, Dressed, MatButtonModule, MatIconModule, MatMenuModule, RouterLink],
  template: `
    <div class="zest-bar">
      <h1>Tables</h1>
      <span class="zest-note">{{ tables().length === 1 ? '1 table' : tables().length + ' tables' }}</span>
      <span class="fill"></span>
      <input
        class="zest-field find"
        type="search"
        aria-label="Find a table"
        placeholder="Find a table"
        [value]="search()"
        (input)="search.set($any($event.target).value)"
      />
      <select class="zest-field" aria-label="Kind of table" (change)="kind.set($any($event.target).value)">
        <option value="" [selected]="kind() === ''">Every kind</option>
        @for (each of kinds; track each) {
          <option [value]="each" [selected]="kind() === each">{{ each }}</option>
        }
      </select>
      <button mat-flat-button (click)="create()">New table</button>
    </div>
    <div class="zest-view">
      @if (loaded() && tables().length === 0) {
        <p>No tables yet. <button mat-stroked-button (click)="create()">Make the first one</button></p>
      }
      <zest-card-wall label="Tables" [items]="found()">
        <ng-template let-table>
          <div class="card" role="listitem">
            <div class="picture"><zest-dressed [view]="viewOf(table)" [table]="table.document" [scale]="0.5" /></div>
            <div class="foot">
              <div class="names">
                <h2>
                  <a [routerLink]="['/tables', table.id]">{{ table.document.name }}</a>
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
          <button mat-menu-item (click)="remove(table)">Delete</button>
        </ng-template>
      </mat-menu>
      @if (loaded() && tables().length > 0 && found().length === 0) {
        <p role="status">No table is like that. <button mat-button (click)="search.set(''); kind.set('')">Show all</button></p>
      }
    </div>
  `,
  styles: '.find { width: 220px; } select { width: 140px; }',
  styleUrl: '../controls/card.scss',
})
export class TableLibrary {
  private readonly api = inject(Api);
  private readonly views = inject(ThemeViews);
  private readonly router = inject(Router);
  private readonly dialog = inject(MatDialog);
  private readonly deleting = inject(Deleting);
  private readonly fresh = inject(FreshNotes);
  protected readonly tables = signal<readonly KeptTable[]>([]);
  protected readonly loaded = signal(false);
  protected readonly search = signal('');
  protected readonly kind = signal('');
  protected readonly kinds = tableKinds;
  private readonly themes = signal<ReadonlyMap<string, KeptTheme>>(new Map());
  /** Names of the pages that a table stands on, by its id. */
  private readonly pages = signal<ReadonlyMap<string, readonly string[]>>(new Map());
  /** Tables that have every word of the search in their name, caption, header, theme or pages. */
  protected readonly found = computed(() => {
    const words = this.search().trim().toLocaleLowerCase().split(/\s+/);
    return this.tables().filter((table) => {
      const { name, kind, caption, rows, headerRows } = table.document;
      if (this.kind() !== '' && kind !== this.kind()) return false;
      const text = [
        name,
        kind,
        caption,
        ...rows.slice(0, headerRows).flatMap(textsOf),
        this.viewOf(table)?.theme.name ?? '',
        ...(this.pages().get(table.id) ?? []),
      ]
        .join(' ')
        .toLocaleLowerCase();
      return words.every((word) => text.includes(word));
    });
  });

  constructor() {
    void this.load();
  }

  protected viewOf(table: KeptTable): ThemeView | undefined {
    const theme = this.themes().get(table.document.theme)?.document;
    return theme && this.views.of(theme);
  }

  protected async load(): Promise<void> {
    const [themes, tables, pages] = await Promise.all([
      this.deleting.attempt(() => firstValueFrom(this.api.themes())),
      this.deleting.attempt(() => firstValueFrom(this.api.tables())),
      this.deleting.attempt(() => firstValueFrom(this.api.pages())),
    ]);
    const standing = new Map<string, string[]>();
    for (const { document } of pages ?? [])
      for (const block of tablesOn(document))
        if (!standing.get(block.shows.id)?.includes(document.name))
          standing.set(block.shows.id, [...(standing.get(block.shows.id) ?? []), document.name]);
    this.pages.set(standing);
    this.themes.set(new Map(themes?.map((theme) => [theme.id, theme])));
    this.tables.set(tables ?? this.tables());
    this.loaded.set(true);
  }

  protected about({ id, rows, columns, document: { kind } }: KeptTable): string {
    const pages = this.pages().get(id) ?? [];
    const where = pages.length === 0 ? 'on no page' : pages.length === 1 ? `on ${pages[0]}` : `on ${pages.length} pages`;
    return `${kind === 'data' ? '' : `${kind}, `}${rows.toLocaleString('en')} rows, ${columns} columns, ${where}`;
  }

  protected async create(): Promise<void> {
    const { NewTableDialog: Dialog } = await import('./bring-in/new-table-dialog');
    const made = await firstValueFrom(this.dialog.open<NewTableDialog, undefined, NewTable>(Dialog, { width: '900px' }).afterClosed());
    if (!made) return;
    const theme = [...this.themes().keys()][0] ?? '';
    const making =
      'upload' in made ? this.api.createFromRows(made.upload, { ...made.head, theme }) : this.api.create('tables', { ...made.table, theme });
    const kept = await this.deleting.attempt(() => firstValueFrom<{ readonly id: string }>(making));
    if (!kept) return;
    this.fresh.leave(kept.id, made.notes);
    await this.router.navigate(['/tables', kept.id]);
  }

  protected async rename({ id, document: { name: old } }: KeptTable): Promise<void> {
    const name = await askName(this.dialog, { title: 'Rename the table', name: old, action: 'Rename' });
    if (name === undefined) return;
    await this.deleting.attempt(async () => {
      const { revision } = await firstValueFrom(this.api.tableHead(id));
      await firstValueFrom(this.api.patch('tables', id, revision, { change: { head: { name } }, said: ['rename the table'] }));
    });
    await this.load();
  }
  protected async duplicate({ id }: KeptTable): Promise<void> {
    await this.deleting.attempt(async () => {
      await firstValueFrom(this.api.duplicateTable(id));
    });
    await this.load();
  }
  protected remove = (table: KeptTable): Promise<void> => this.deleting.delete('tables', table, () => void this.load());
}
