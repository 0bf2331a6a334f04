import { ChangeDetectionStrategy, Component, type ElementRef, computed, effect, inject, signal, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatSnackBar } from '@angular/material/snack-bar';
import { RouterLink } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import type { PageInput } from '../../../../../core/compile';
import { cssOf, HOUSE_FORMAT, houseIn, manners, readDarkMark, type House, type Standing } from '../../../../../core/house';
import { tablesOn, type Page, type TableBlock } from '../../../../../core/page';
import type { Pricing } from '../../../../../core/pricing';
import type { Table } from '../../../../../core/table';
import { ExtraCssDialog } from '../../controls/css/extra-css-dialog';
import { followRoom } from '../../controls/follow-room';
import { Ruler } from '../../controls/ruler';
import { Deleting } from '../../controls/deleting';
import { Api, type KeptPage, type KeptTheme } from '../../documents/api';
import { HouseFindings } from './house-findings';
import { Preview } from '../seen/preview';
import { UnderHouse } from './under-house';
import { ThemeViews } from '../../controls/dressed/theme-views';

/** The site's house stylesheet: one of those that ship or one's own, seen on a page before the site takes it. */
@Component({
  selector: 'zest-house-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [HouseFindings, MatButtonModule, Preview, RouterLink, Ruler],
  providers: [UnderHouse],
  templateUrl: './house-view.html',
  styleUrl: './house-view.scss',
})
export class HouseView {
  private readonly api = inject(Api);
  private readonly views = inject(ThemeViews);
  private readonly deleting = inject(Deleting);
  private readonly snackBar = inject(MatSnackBar);
  private readonly css = inject(ExtraCssDialog);
  protected readonly under = inject(UnderHouse);
  protected readonly manners = manners;
  protected readonly pages = signal<readonly KeptPage[]>([]);
  private readonly themes = signal<readonly KeptTheme[]>([]);
  private readonly tables = signal<ReadonlyMap<string, Table>>(new Map());
  private readonly pricings = signal<ReadonlyMap<string, Pricing>>(new Map());
  protected readonly pageId = signal('');
  /** One's own stylesheet as it stands in the field. */
  protected readonly own = signal<House>({ format: HOUSE_FORMAT, manner: '', name: '', css: '' });
  protected readonly isTried = computed(() => this.under.tried() !== undefined && !isSame(this.under.tried(), this.under.kept()?.document));
  readonly width = signal(10_000);
  readonly room = signal(800);
  private readonly stage = viewChild<ElementRef<HTMLElement>>('stage');

  private readonly page = computed<Page | undefined>(() => this.pages().find(({ id }) => id === this.pageId())?.document);
  protected readonly preview = computed<PageInput | undefined>(() => {
    const page = this.page();
    if (!page || this.themes().length === 0) return undefined;
    return {
      page,
      scheme: this.under.house()?.scheme,
      mark: this.under.house()?.mark,
      extra: this.under.house()?.extra,
      tables: this.tables(),
      pricings: this.pricings(),
      themes: new Map(this.themes().map(({ id, key, document }) => [id, { key, view: this.views.of(document) }])),
    };
  });
  /** The stylesheet in sight, as text. */
  protected readonly source = computed(() => {
    const house = this.under.house();
    return house ? cssOf(house) : '';
  });

  constructor() {
    followRoom(this.stage, () => 40, this);
    effect(() => this.under.page.set(this.preview()));
    effect(() => {
      const kept = this.under.kept()?.document;
      if (kept?.manner === '') this.own.set(kept);
    });
    effect(() => {
      for (const { shows } of tablesOn(this.page() ?? { blocks: [] })) if (!this.tables().has(shows.id)) void this.fetch(shows);
    });
    void this.load();
  }

  private async load(): Promise<void> {
    await this.deleting.attempt(async () => {
      const [pages, themes] = await Promise.all([firstValueFrom(this.api.pages()), firstValueFrom(this.api.themes())]);
      this.themes.set(themes);
      this.pages.set(pages);
      this.pageId.set(pages.find(({ document }) => tablesOn(document).length > 0)?.id ?? pages[0]?.id ?? '');
    });
  }
  private async fetch(shows: TableBlock['shows']): Promise<void> {
    const found = await firstValueFrom(this.api.shown(shows)).catch(() => undefined);
    if (!found) return;
    const { table, pricing } = found;
    this.tables.update((all) => new Map(all).set(shows.id, table));
    if (pricing) this.pricings.update((all) => new Map(all).set(shows.id, pricing));
  }

  /** Here it is only told what the page would need: it is settled on the page itself. */
  protected onlyTold = (standing: Standing): Standing => ({ ...standing, settles: undefined });

  protected readonly wrongMark = signal('');
  /** What is said of the site's tables, whichever stylesheet it is. */
  private ofTables(): Pick<House, 'scheme' | 'mark' | 'extra'> {
    const { scheme, mark, extra } = this.under.house() ?? {};
    return { scheme, mark, extra };
  }
  /** How much extra CSS there is for all tables, in words. */
  protected readonly extraSize = computed(() => {
    const count = (this.under.house()?.extra ?? '').split('\n').filter((line) => line.trim() !== '').length;
    return count === 0 ? '' : count === 1 ? '1 line' : `${count} lines`;
  });
  protected writeExtra(): void {
    void this.css.open({
      title: 'Extra CSS of the site’s tables',
      about: 'For every table of the site, above what its theme says. The site has it once this house stylesheet is used.',
      css: this.under.house()?.extra ?? '',
      swatches: [...new Set(this.themes().flatMap(({ document }) => this.views.of(document).swatches.map(({ name }) => name)))],
      changed: (css) => {
        const house = this.under.house();
        if (house) this.under.tried.set({ ...house, extra: css.trim() === '' ? undefined : css });
      },
    });
  }
  /** What the stylesheet in sight does in the dark that the tables do not. */
  protected readonly goesDark = computed(() => {
    const [dark, house] = [this.under.reading()?.dark, this.under.house()];
    if (!dark || !house) return '';
    if (dark.mark !== undefined && dark.mark !== house.mark)
      return `This stylesheet is dark where its root or body has ${dark.mark}; the tables are not.`;
    return dark.mark === undefined && !house.scheme ? `This stylesheet goes dark where the visitor has it dark (${dark.by}); the tables do not.` : '';
  });

  protected isPicked = (manner: string): boolean => this.under.house()?.manner === manner;
  protected pick(manner: string): void {
    this.under.tried.set({ ...(manner === '' ? this.own() : houseIn(manner)), ...this.ofTables() });
  }
  protected write(css: string, name = this.own().name || 'Pasted'): void {
    this.own.set({ ...this.own(), css, name: name.slice(0, 200) });
    this.under.tried.set({ ...this.own(), ...this.ofTables() });
  }
  protected go(typed: string): void {
    const house = this.under.house();
    const mark = typed === 'mark' ? (house?.mark ?? this.under.reading()?.dark?.mark ?? '.dark') : undefined;
    if (house) this.under.tried.set({ ...house, scheme: typed === '' ? undefined : 'follows', mark });
  }
  /** The class or attribute as it is typed; one that cannot be read stays in its field, with what is wrong with it. */
  protected setMark(field: HTMLInputElement): void {
    const [house, read] = [this.under.house(), readDarkMark(field.value)];
    this.wrongMark.set(read.ok ? '' : read.problems.map(({ say, remedy }) => `${say} ${remedy}`).join(' '));
    if (!house || !read.ok) return;
    field.value = read.value;
    this.under.tried.set({ ...house, mark: read.value });
  }
  protected async open(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    if (file) this.write(await file.text(), file.name);
  }

  protected async take(): Promise<void> {
    const [before, tried] = [this.under.kept()?.document, this.under.tried()];
    if (!tried || !before || !(await this.under.take(tried))) return;
    this.snackBar
      .open(`The site has “${this.under.name()}” now; its live pages have it at their next load.`, 'Undo', { duration: 12_000 })
      .onAction()
      .subscribe(() => void this.under.take(before));
  }
}

const isSame = (a: House | undefined, b: House | undefined): boolean =>
  a?.manner === b?.manner && a?.css === b?.css && a?.name === b?.name && a?.scheme === b?.scheme && a?.mark === b?.mark && a?.extra === b?.extra;
