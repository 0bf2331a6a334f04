import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatSnackBar } from '@angular/material/snack-bar';
import { RouterLink } from '@angular/router';
import { countValues, idIn, standingOn } from '../../../../../core/theme';
import { CardWall } from '../../controls/card-wall';
import { Dressed } from '../../controls/dressed/dressed';
import { sampleTable } from '../../controls/dressed/sample-table';
import type { KeptTheme } from '../../documents/api';
import { Library } from '../../documents/library';
import type { BringThemes } from '../files/bring-themes-dialog';
import type { MakeTheme } from './starter-dialog';
import { ShownOn } from '../shown-on';
import { Sprouting } from '../sprouting';
import { ThemeViews } from '../../controls/dressed/theme-views';

@Component({
  selector: 'zest-theme-library',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CardWall, Dressed, MatButtonModule, MatIconModule, MatMenuModule, RouterLink],
  template: `
    <div class="zest-bar">
      <h1>Themes</h1>
      <span class="zest-note">{{ count() }}</span>
      <span class="fill"></span>
      <input
        class="zest-field find"
        type="search"
        aria-label="Find a theme"
        placeholder="Find a theme"
        [value]="search()"
        (input)="search.set($any($event.target).value)"
      />
      <button mat-button (click)="save(items())" [disabled]="items().length === 0">Save all as a file</button>
      <button mat-stroked-button (click)="bring()">Bring in</button>
      <button mat-flat-button (click)="create()">New theme</button>
    </div>
    <div class="zest-view">
      @if (loaded() && items().length === 0) {
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
                <p class="zest-note">
                  {{ about(theme) }}
                  @if (baseId(theme); as id) {
                    <a [routerLink]="['/themes', id]">{{ baseName(theme) }}</a>
                  } @else {
                    {{ baseName(theme) }}
                  }
                </p>
                @if (grown().get(theme.id); as family) {
                  <button type="button" class="family" [title]="family.join(', ')" (click)="search.set(theme.document.name)">
                    {{ family.length === 1 ? '1 theme grows from it' : family.length + ' themes grow from it' }}
                  </button>
                }
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
          <button mat-menu-item (click)="sprouting.from(theme)">Grow a theme from it</button>
          <button mat-menu-item (click)="save([theme])">Save as a file</button>
          <button mat-menu-item (click)="remove(theme)">Delete</button>
        </ng-template>
      </mat-menu>
      @if (loaded() && items().length > 0 && found().length === 0) {
        <p role="status">No theme has these words. <button mat-button (click)="search.set('')">Show all</button></p>
      }
    </div>
  `,
  styles: `
    .find {
      width: 220px;
    }
    .names a:not(h2 a) {
      position: relative;
      z-index: 1;
    }
    .family {
      all: unset;
      position: relative;
      z-index: 1;
      min-height: 24px;
      font-size: 13px;
      color: var(--zest-soft);
      text-decoration: underline;
      text-underline-offset: 3px;
      cursor: pointer;
    }
    .family:focus-visible {
      outline: 2px solid var(--zest-zest);
      border-radius: 3px;
    }
  `,
  styleUrl: '../../controls/card.scss',
})
export class ThemeLibrary extends Library<'themes', KeptTheme> {
  protected readonly views = inject(ThemeViews);
  private readonly shownOn = inject(ShownOn);
  protected readonly sprouting = inject(Sprouting);
  private readonly snackBar = inject(MatSnackBar);
  protected readonly kind = 'themes';
  protected readonly ask = this.api.themes;
  /** Themes whose name or base theme has every word of the search. */
  protected readonly found = computed(() => this.items().filter((theme) => this.isFound(theme)));
  protected readonly sample = sampleTable;

  constructor() {
    super();
    void this.load();
  }

  /** Its name, and those of all that it stands on: the ground, under every theme, says nothing. */
  protected said = ({ document }: KeptTheme): readonly string[] =>
    this.views
      .of(document)
      .chain.slice(0, -1)
      .map(({ name }) => name);

  /** Of each theme that others stand on, their names. */
  protected readonly grown = computed(() => {
    const all = this.items();
    return new Map(
      all.map(({ id }) => [id, standingOn(id, all).map(({ document }) => document.name)] as const).filter(([, names]) => names.length > 0),
    );
  });
  protected baseName = ({ document }: KeptTheme): string => this.views.of(document).chain[1]?.name ?? 'nothing';
  protected baseId({ document }: KeptTheme): string | undefined {
    const { chain } = this.views.of(document);
    return chain[1]?.base ? idIn(chain, chain[1]) : undefined;
  }

  protected about({ document, edition }: KeptTheme): string {
    const own = countValues(document);
    const values = own === 0 ? 'nothing its own yet' : own === 1 ? '1 value its own' : `${own} values its own`;
    const all = `${edition > 0 ? `edition ${edition}, ` : ''}${values}, from`;
    return all.charAt(0).toUpperCase() + all.slice(1);
  }

  protected async create(): Promise<void> {
    const { StarterDialog } = await import('./starter-dialog');
    const data: MakeTheme = (theme, triedOn) => this.begin(theme, (id) => this.shownOn.remember(id, triedOn));
    this.dialog.open<InstanceType<typeof StarterDialog>, MakeTheme>(StarterDialog, { width: '1120px', maxWidth: '94vw', data });
  }

  /** One theme that is brought in is opened; several are seen in the library. */
  protected async bring(): Promise<void> {
    const { BringThemesDialog } = await import('../files/bring-themes-dialog');
    const data: BringThemes = {
      taken: this.items().map(({ document }) => document.name),
      kept: (ids, isAll) => void (isAll && ids.length === 1 && ids[0] ? this.router.navigate(['/themes', ids[0]]) : this.load()),
    };
    this.dialog.open<InstanceType<typeof BringThemesDialog>, BringThemes>(BringThemesDialog, { width: '860px', maxWidth: '94vw', data });
  }
  protected async save(themes: readonly KeptTheme[]): Promise<void> {
    const { saveThemes } = await import('../files/save-themes');
    this.snackBar.open(await saveThemes(themes, this.items()), 'Good', { duration: 6000 });
  }
}
