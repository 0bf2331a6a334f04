import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { Router, RouterLink } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { countValues, type Theme, type ThemeView } from '../../../../../core/theme';
import { CardWall } from '../../controls/card-wall';
import { Deleting } from '../../controls/deleting';
import { Dressed } from '../../controls/dressed/dressed';
import { askName } from '../../controls/name-dialog';
import { sampleTable } from '../../controls/dressed/sample-table';
import { Api, type KeptTheme } from '../../documents/api';
import { ThemeViews } from '../../controls/dressed/theme-views';

@Component({
  selector: 'zest-theme-library',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CardWall, Dressed, MatButtonModule, MatIconModule, MatMenuModule, RouterLink],
  template: `
    <div class="zest-bar">
      <h1>Themes</h1>
      <span class="zest-note">{{ themes().length === 1 ? '1 theme' : themes().length + ' themes' }}</span>
      <span class="fill"></span>
      <input
        class="zest-field find"
        type="search"
        aria-label="Find a theme"
        placeholder="Find a theme"
        [value]="search()"
        (input)="search.set($any($event.target).value)"
      />
      <button mat-flat-button (click)="create()">New theme</button>
    </div>
    <div class="zest-view">
      @if (loaded() && themes().length === 0) {
        <p>No themes yet. Begin with a starter: <button mat-stroked-button (click)="create()">Choose a starter</button></p>
      }
      <zest-card-wall label="Themes" [items]="found()">
        <ng-template let-theme>
          <div class="card" role="listitem">
            <div class="picture"><zest-dressed [view]="views.of(theme.document)" [table]="sample" [scale]="0.55" /></div>
            <div class="foot">
              <div class="names">
                <h2>
                  <a [routerLink]="['/themes', theme.id]">{{ theme.document.name }}</a>
                </h2>
                <p class="zest-note">{{ about(theme) }}</p>
              </div>
              <button
                mat-icon-button
                [matMenuTriggerFor]="menu"
                [matMenuTriggerData]="{ theme }"
                [attr.aria-label]="'More for ' + theme.document.name"
              >
                <mat-icon svgIcon="more" />
              </button>
            </div>
          </div>
        </ng-template>
      </zest-card-wall>
      <mat-menu #menu="matMenu">
        <ng-template matMenuContent let-theme="theme">
          <button mat-menu-item (click)="rename(theme)">Rename</button>
          <button mat-menu-item (click)="duplicate(theme)">Duplicate</button>
          <button mat-menu-item (click)="remove(theme)">Delete</button>
        </ng-template>
      </mat-menu>
      @if (loaded() && themes().length > 0 && found().length === 0) {
        <p role="status">No theme has these words. <button mat-button (click)="search.set('')">Show all</button></p>
      }
    </div>
  `,
  styles: '.find { width: 220px; }',
  styleUrl: '../../controls/card.scss',
})
export class ThemeLibrary {
  protected readonly views = inject(ThemeViews);
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly dialog = inject(MatDialog);
  private readonly deleting = inject(Deleting);
  protected readonly themes = signal<readonly KeptTheme[]>([]);
  protected readonly loaded = signal(false);
  protected readonly search = signal('');
  /** Themes whose name or base theme has every word of the search. */
  protected readonly found = computed(() => {
    const words = this.search().trim().toLocaleLowerCase().split(/\s+/);
    return this.themes().filter(({ document }) => {
      const text = `${document.name} ${baseOf(this.views.of(document))}`.toLocaleLowerCase();
      return words.every((word) => text.includes(word));
    });
  });
  protected readonly sample = sampleTable;

  constructor() {
    void this.load();
  }

  protected about({ document, edition }: KeptTheme): string {
    const own = countValues(document);
    const values = own === 0 ? 'nothing changed yet' : own === 1 ? '1 value its own' : `${own} values its own`;
    return `From ${baseOf(this.views.of(document))}, ${values}${edition > 0 ? `, edition ${edition}` : ''}`;
  }

  protected async load(): Promise<void> {
    this.themes.set((await this.deleting.attempt(() => firstValueFrom(this.api.themes()))) ?? this.themes());
    this.loaded.set(true);
  }

  protected async create(): Promise<void> {
    const { StarterDialog } = await import('./starter-dialog');
    const theme = await firstValueFrom(
      this.dialog.open<InstanceType<typeof StarterDialog>, undefined, Theme>(StarterDialog, { width: '1120px', maxWidth: '94vw' }).afterClosed(),
    );
    const kept = theme && (await this.deleting.attempt(() => firstValueFrom(this.api.create('themes', theme))));
    if (kept) await this.router.navigate(['/themes', kept.id]);
  }

  protected async rename(theme: KeptTheme): Promise<void> {
    const name = await askName(this.dialog, { title: 'Rename the theme', name: theme.document.name, action: 'Rename' });
    if (name === undefined) return;
    await this.deleting.attempt(() => firstValueFrom(this.api.save('themes', theme.id, theme.revision, { ...theme.document, name })));
    await this.load();
  }

  protected async duplicate(theme: KeptTheme): Promise<void> {
    await this.deleting.attempt(() =>
      firstValueFrom(this.api.create('themes', { ...theme.document, name: `${theme.document.name} copy`.slice(0, 120) })),
    );
    await this.load();
  }

  protected remove = (theme: KeptTheme): Promise<void> => this.deleting.delete('themes', theme, () => void this.load());
}

/** Name of what a theme grows from. */
const baseOf = ({ chain: [, base] }: ThemeView): string => base?.name ?? '';
