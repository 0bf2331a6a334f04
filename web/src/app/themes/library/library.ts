import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatSnackBar } from '@angular/material/snack-bar';
import { RouterLink } from '@angular/router';
import { NOTHING_WANTED, collectionsOf, isWanted, lookOf, tagsOf, usesOf, wantsNothing, type Look, type Use } from '../../../../../core/shelf';
import { countValues, idIn, standingOn, type ThemeView } from '../../../../../core/theme';
import { CardWall } from '../../controls/card-wall';
import { Dressed } from '../../controls/dressed/dressed';
import { sampleTable } from '../../controls/dressed/sample-table';
import type { KeptTheme } from '../../documents/api';
import { Library } from '../../documents/library';
import type { BringThemes } from '../files/bring-themes-dialog';
import { Changing } from './changing';
import type { MakeTheme } from './starter-dialog';
import { WantedBar } from './wanted-bar';
import { ShownOn } from '../shown-on';
import { Sprouting } from '../sprouting';
import { ThemeViews } from '../../controls/dressed/theme-views';

@Component({
  selector: 'zest-theme-library',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CardWall, Dressed, MatButtonModule, MatCheckboxModule, MatIconModule, MatMenuModule, RouterLink, WantedBar],
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
      <button mat-button [attr.aria-expanded]="isLooking()" (click)="isLooking.set(!isLooking())">By look and use</button>
      <button mat-button [attr.aria-pressed]="isChoosing()" (click)="toggleChoosing()" [disabled]="items().length === 0">
        {{ isChoosing() ? 'Choose no more' : 'Choose several' }}
      </button>
      <button mat-button (click)="save(items())" [disabled]="items().length === 0">Save all as a file</button>
      <button mat-stroked-button (click)="bring()">Bring in</button>
      <button mat-flat-button (click)="create()">New theme</button>
    </div>
    @if (isLooking()) {
      <zest-wanted-bar [(wanted)]="wanted" [collections]="collections()" [tags]="tags()" [fonts]="fonts()" />
    }
    @if (isChoosing()) {
      <div class="chosen" role="group" aria-label="What is done to those chosen">
        <span role="status">{{ chosen().length === 1 ? '1 chosen' : chosen().length + ' chosen' }}</span>
        <button mat-button (click)="chooseFound()">Choose all that are seen</button>
        <button mat-stroked-button (click)="order(chosen())" [disabled]="chosen().length === 0">Collection and tags</button>
        <button mat-stroked-button (click)="changeAcross()" [disabled]="chosen().length === 0">Change in all</button>
        <button mat-stroked-button (click)="save(chosen())" [disabled]="chosen().length === 0">Save as a file</button>
      </div>
    }
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
                @if (lies(theme); as where) {
                  <p class="zest-note lies">{{ where }}</p>
                }
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
              @if (isChoosing()) {
                <mat-checkbox
                  [checked]="ids().has(theme.id)"
                  [aria-label]="'Choose ' + theme.document.name"
                  (change)="choose(theme.id, $event.checked)"
                />
              }
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
          <button mat-menu-item (click)="order([theme])">Collection and tags</button>
          <button mat-menu-item (click)="save([theme])">Save as a file</button>
          <button mat-menu-item (click)="saveTokens(theme)">Save as design tokens</button>
          <button mat-menu-item (click)="remove(theme)">Delete</button>
        </ng-template>
      </mat-menu>
      @if (loaded() && items().length > 0 && found().length === 0) {
        <p role="status">
          {{ isWords() ? 'No theme has these words.' : 'No theme is all of this.' }} <button mat-button (click)="showAll()">Show all</button>
        </p>
      } @else if (found().length < items().length) {
        <p role="status" class="few">{{ found().length }} of {{ count() }} <button mat-button (click)="showAll()">Show all</button></p>
      }
    </div>
  `,
  styles: `
    .find {
      width: 200px;
    }
    .chosen {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      align-items: center;
      padding: 8px 20px;
      border-block-end: 1px solid var(--zest-line);
      background: var(--zest-glow);
    }
    .chosen [role='status'] {
      font-weight: 650;
      margin-inline-end: 8px;
    }
    mat-checkbox {
      position: relative;
      z-index: 1;
    }
    .few {
      margin-block-start: 14px;
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
  protected readonly wanted = signal(NOTHING_WANTED);
  protected readonly isLooking = signal(false);
  /** Pages and tables, by which it is told where themes are used: asked for when that is looked for. */
  private readonly users = signal<ReadonlyMap<string, Use> | undefined>(undefined);
  private readonly looks = new WeakMap<ThemeView, Look>();
  private lookAt(view: ThemeView): Look {
    const look = this.looks.get(view) ?? lookOf(view);
    this.looks.set(view, look);
    return look;
  }
  /** Themes that are what is looked for: words of their names and what they stand on, and whatever else is wanted. */
  protected readonly found = computed(() => {
    const wanted = { ...this.wanted(), words: this.search() };
    if (wantsNothing(wanted)) return this.items();
    const uses = this.users();
    return this.items().filter((theme) =>
      isWanted(
        {
          theme: theme.document,
          said: this.said(theme),
          use: uses?.get(theme.id) ?? { live: 0, kinds: [] },
          look: () => this.lookAt(this.views.of(theme.document)),
        },
        wanted,
      ),
    );
  });
  protected isWords = (): boolean => wantsNothing(this.wanted());
  protected showAll(): void {
    this.search.set('');
    this.wanted.set(NOTHING_WANTED);
  }
  private readonly documents = computed(() => this.items().map(({ document }) => document));
  protected readonly collections = computed(() => collectionsOf(this.documents()));
  protected readonly tags = computed(() => tagsOf(this.documents()));
  protected readonly fonts = computed(() => [...new Set(this.documents().flatMap((each) => this.lookAt(this.views.of(each)).fonts))].sort());
  protected lies = ({ document: { collection, tags = [] } }: KeptTheme): string =>
    [...(collection === undefined ? [] : [`In ${collection}`]), ...tags].join(' · ');
  protected readonly sample = sampleTable;

  constructor() {
    super();
    void this.load();
    effect(() => {
      if (this.isLooking() && this.users() === undefined) void this.askUses();
    });
  }

  private async askUses(): Promise<void> {
    await this.deleting.attempt(async () => {
      const [pages, tables, pricings] = await Promise.all([
        firstValueFrom(this.api.pages()),
        firstValueFrom(this.api.tables()),
        firstValueFrom(this.api.pricings()),
      ]);
      const plans = pricings.map(({ document: { theme } }) => ({ document: { theme, kind: 'pricing' as const } }));
      this.users.set(usesOf(pages, [...tables, ...plans]));
    });
  }

  protected readonly isChoosing = signal(false);
  protected readonly ids = signal<ReadonlySet<string>>(new Set());
  protected readonly chosen = computed(() => this.items().filter(({ id }) => this.ids().has(id)));
  protected toggleChoosing(): void {
    this.isChoosing.set(!this.isChoosing());
    this.ids.set(new Set());
  }
  protected choose(id: string, is: boolean): void {
    this.ids.update((ids) => new Set(is ? [...ids, id] : [...ids].filter((each) => each !== id)));
  }
  protected chooseFound(): void {
    this.ids.set(new Set(this.found().map(({ id }) => id)));
  }

  private readonly changing = inject(Changing);
  private readonly shelf = { items: this.items, load: () => this.load() };
  protected order = (themes: readonly KeptTheme[]): Promise<void> =>
    this.changing.order(themes, { ...this.shelf, collections: this.collections(), tags: this.tags() });
  protected changeAcross = (): Promise<void> => this.changing.across(this.chosen(), this.shelf);

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
  protected async saveTokens({ document }: KeptTheme): Promise<void> {
    const { TokensDialog } = await import('../files/tokens-dialog');
    this.dialog.open(TokensDialog, { width: '620px', maxWidth: '94vw', data: this.views.of(document) });
  }
  protected async save(themes: readonly KeptTheme[]): Promise<void> {
    const { saveThemes } = await import('../files/save-themes');
    this.snackBar.open(await saveThemes(themes, this.items()), 'Good', { duration: 6000 });
  }
}
