import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { Router, RouterLink } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import type { Table } from '../../../../core/table';
import type { Theme } from '../../../../core/theme';
import { CardWall } from '../controls/card-wall';
import { Deleting } from '../controls/deleting';
import { Dressed } from '../controls/dressed';
import { Api, type KeptTable, type KeptTheme } from '../documents/api';
import { FreshNotes } from './fresh-notes';
import type { NewTable, NewTableDialog } from './new-table-dialog';

@Component({
  selector: 'zest-table-library',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CardWall, Dressed, MatButtonModule, MatIconModule, MatMenuModule, RouterLink],
  template: `
    <div class="zest-bar">
      <h1>Tables</h1>
      <span class="zest-note">{{ tables().length === 1 ? '1 table' : tables().length + ' tables' }}</span>
      <span class="fill"></span>
      <button mat-flat-button (click)="create()">New table</button>
    </div>
    <div class="zest-view">
      @if (loaded() && tables().length === 0) {
        <p>No tables yet. <button mat-stroked-button (click)="create()">Make the first one</button></p>
      }
      <zest-card-wall label="Tables" [items]="tables()">
        <ng-template let-table>
          <div class="card" role="listitem">
            <div class="picture"><zest-dressed [theme]="themeOf(table)" [table]="table.document" [scale]="0.5" /></div>
            <div class="foot">
              <div class="names">
                <h2>
                  <a [routerLink]="['/tables', table.id]">{{ table.document.name }}</a>
                </h2>
                <p class="zest-note">{{ table.rows }} rows, {{ table.columns }} columns</p>
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
          <button mat-menu-item (click)="duplicate(table)">Duplicate</button>
          <button mat-menu-item (click)="remove(table)">Delete</button>
        </ng-template>
      </mat-menu>
    </div>
  `,
  styleUrl: '../controls/card.scss',
})
export class TableLibrary {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly dialog = inject(MatDialog);
  private readonly deleting = inject(Deleting);
  private readonly fresh = inject(FreshNotes);
  protected readonly tables = signal<readonly KeptTable[]>([]);
  protected readonly loaded = signal(false);
  private readonly themes = signal<ReadonlyMap<string, KeptTheme>>(new Map());

  constructor() {
    void this.load();
  }

  protected themeOf = (table: KeptTable): Theme | undefined => this.themes().get(table.document.theme)?.document;

  protected async load(): Promise<void> {
    const [themes, tables] = await Promise.all([
      this.deleting.attempt(() => firstValueFrom(this.api.themes())),
      this.deleting.attempt(() => firstValueFrom(this.api.tables())),
    ]);
    this.themes.set(new Map(themes?.map((theme) => [theme.id, theme])));
    this.tables.set(tables ?? this.tables());
    this.loaded.set(true);
  }

  protected async create(): Promise<void> {
    const { NewTableDialog: Dialog } = await import('./new-table-dialog');
    const made = await firstValueFrom(this.dialog.open<NewTableDialog, undefined, NewTable>(Dialog, { width: '900px' }).afterClosed());
    if (!made) return;
    const theme = [...this.themes().keys()][0] ?? '';
    const kept = await this.deleting.attempt(() => firstValueFrom(this.api.create<Table>('tables', { ...made.table, theme })));
    if (!kept) return;
    this.fresh.leave(kept.id, made.notes);
    await this.router.navigate(['/tables', kept.id]);
  }

  protected async duplicate({ id }: KeptTable): Promise<void> {
    await this.deleting.attempt(async () => {
      const { document } = await firstValueFrom(this.api.get<Table>('tables', id));
      await firstValueFrom(this.api.create('tables', { ...document, name: `${document.name} copy`.slice(0, 120) }));
    });
    await this.load();
  }
  protected remove = (table: KeptTable): Promise<void> => this.deleting.delete('tables', table, () => void this.load());
}
