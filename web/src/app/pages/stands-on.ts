import { DestroyRef, Injectable, computed, effect, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { firstValueFrom } from 'rxjs';
import { heldKey, type PageInput } from '../../../../core/compile';
import { shownAs } from '../../../../core/documents';
import { dressed, siteDress, tableRef, tablesOn, themeRef, type Page, type ShownKind, type TableBlock } from '../../../../core/page';
import type { Pricing } from '../../../../core/pricing';
import { tableOf, type Table } from '../../../../core/table';
import type { ThemeView } from '../../../../core/theme';
import { Deleting } from '../controls/deleting';
import { ThemeViews } from '../controls/dressed/theme-views';
import { Api, type Edition, type KeptPage, type KeptTheme } from '../documents/api';
import { Changes, type Change } from '../documents/changes';
import { OpenDocument } from '../documents/open-document';
import { UnderHouse } from './house/under-house';

/** Stands in while a table is on its way. */
const emptyNotice: Table = tableOf('Opening…', [['Opening…']]);

/** Something that a placement can show, as the table that it is there. */
export interface Shown {
  readonly kind: ShownKind;
  readonly id: string;
  readonly document: Table;
}

/**
 * What stands on the page that is open, and what could: tables, themes, their editions and the site's other pages, as they come in
 * and as other windows change them; and all of it together, for whoever shows the page.
 */
@Injectable()
export class StandsOn {
  private readonly api = inject(Api);
  private readonly views = inject(ThemeViews);
  private readonly deleting = inject(Deleting);
  private readonly changes = inject(Changes);
  private readonly under = inject(UnderHouse);
  private readonly destroyed = inject(DestroyRef);
  private readonly document = inject<OpenDocument<'pages'>>(OpenDocument);
  private id = '';

  /** What a placement can show, by name: tables, then pricing tables. */
  readonly tables = signal<readonly Shown[]>([]);
  readonly themes = signal<readonly KeptTheme[]>([]);
  /** The site's other pages, for what reaches across it. */
  readonly otherPages = signal<readonly Page[]>([]);
  readonly live = signal<KeptPage['live']>(undefined);
  private readonly fullTables = signal<ReadonlyMap<string, Table>>(new Map());
  /** Editions of the themes and tables of placements, and held ones themselves, as they come in. */
  private readonly editions = signal<ReadonlyMap<string, readonly Edition[]>>(new Map());
  private readonly heldThemes = signal<ReadonlyMap<string, ThemeView>>(new Map());
  private readonly heldTables = signal<ReadonlyMap<string, Table>>(new Map());
  /** The pricing tables among them all, by what placements name. */
  private readonly pricings = signal<ReadonlyMap<string, Pricing>>(new Map());
  /** What has been asked for; only once. */
  private readonly asked = new Set<string>();

  private readonly placements = computed(() => tablesOn(this.document.document() ?? { blocks: [] }));
  /** The page with all that it is made of. */
  readonly preview = computed<PageInput | undefined>(() => {
    const page = this.document.document();
    if (!page) return undefined;
    const themes = new Map(this.themes().map(({ id, key, document }) => [id, { key, view: this.views.of(document) }]));
    // A held edition that is on its way, or gone, is seen as the theme is now.
    for (const block of tablesOn(dressed(page, undefined))) {
      const edition = block.dress?.held;
      const now = edition === undefined ? undefined : themes.get(block.dress?.id ?? '');
      if (edition === undefined || !now) continue;
      const held = this.heldThemes().get(themeRef(block));
      themes.set(themeRef(block), held ? { key: heldKey(now.key, edition), view: held } : now);
    }
    const site = siteDress([page, ...this.otherPages()]);
    const { scheme, mark, extra } = this.under.kept()?.document ?? {};
    return {
      ...{ page, tables: new Map([...this.fullTables(), ...this.heldTables()]), pricings: this.pricings() },
      ...{ themes, site, scheme, mark, extra },
    };
  });

  /** The themes of what is placed on the page, each once, whose swatches its blocks can have. */
  readonly placedThemes = computed(() => {
    const preview = this.preview();
    if (!preview) return [];
    const placed = new Map(tablesOn(dressed(preview.page, preview.site)).map((block) => [block.dress?.id ?? '', themeRef(block)]));
    return [...placed].flatMap(([id, ref]) => {
      const view = preview.themes.get(ref)?.view;
      return view ? [{ id, view }] : [];
    });
  });

  constructor() {
    effect(() => {
      const wanted = new Map(this.placements().map(({ shows }) => [shows.id, shows]));
      for (const [id, shows] of wanted) if (id !== '' && !this.fullTables().has(id)) void this.fetchTable(shows);
    });
    effect(() => {
      for (const block of this.placements()) void this.fetchEditions(block);
    });
  }

  /** Opens the page, and follows what changes in other windows. */
  async open(id: string): Promise<void> {
    this.id = id;
    this.changes.all$.pipe(takeUntilDestroyed(this.destroyed)).subscribe((change) => void this.follow(change));
    this.changes.again$.pipe(takeUntilDestroyed(this.destroyed)).subscribe(() => void this.lookAgain());
    if (!(await this.document.open('pages', id))) return;
    await this.deleting.attempt(async () => {
      const [tables, pricings, themes, pages] = await Promise.all([
        firstValueFrom(this.api.tables()),
        firstValueFrom(this.api.pricings()),
        firstValueFrom(this.api.themes()),
        firstValueFrom(this.api.pages()),
      ]);
      this.tables.set([
        ...tables.map(({ id, document }): Shown => ({ kind: 'tables', id, document })),
        ...pricings.map(({ id, document }): Shown => ({ kind: 'pricings', id, document: shownAs('pricings', document) })),
      ]);
      this.themes.set(themes);
      this.otherPages.set(pages.filter((page) => page.id !== id).map(({ document }) => document));
      this.live.set(pages.find((page) => page.id === id)?.live);
    });
  }

  /** A theme's or a table's editions; the held one among them even where it is gone. */
  editionsOf(id: string, held: number | undefined): readonly Edition[] {
    const known = this.editions().get(id) ?? [];
    return held === undefined || known.some(({ number }) => number === held) ? known : [{ number: held, publishedAt: '' }, ...known];
  }

  /** Everything once more, after what changed was not told for a while. */
  private async lookAgain(): Promise<void> {
    this.asked.clear();
    this.themes.set(await firstValueFrom(this.api.themes()).catch(() => this.themes()));
    for (const shows of new Map(this.placements().map((each) => [each.shows.id, each.shows])).values())
      if (this.fullTables().has(shows.id)) await this.fetchTable(shows, true);
    await this.under.load();
  }

  private async follow({ kind, id, what }: Change): Promise<void> {
    if (kind === 'theme') {
      if (what === 'published') this.asked.delete(id);
      this.themes.set(await firstValueFrom(this.api.themes()).catch(() => this.themes()));
    } else if ((kind === 'table' || kind === 'pricing') && this.fullTables().has(id)) {
      if (what === 'published') this.asked.delete(id);
      const { shows } = this.placements().find((block) => block.shows.id === id) ?? {};
      if (shows) await this.fetchTable(shows, true);
    } else if (kind === 'house') await this.under.load();
    if (kind === 'page' && id === this.id)
      this.live.set((await firstValueFrom(this.api.pages()).catch(() => [])).find((page) => page.id === id)?.live);
  }

  private async fetchEditions(block: TableBlock): Promise<void> {
    const { id: theme = '', held } = block.dress ?? {};
    const { kind, id: table, held: heldTable } = block.shows;
    const isNew = (what: string): boolean => what !== '' && !this.asked.has(what) && this.asked.add(what).size > 0;
    if (isNew(theme)) {
      const found = await firstValueFrom(this.api.editions(theme)).catch(() => []);
      this.editions.update((all) => new Map(all).set(theme, found));
    }
    if (isNew(table)) {
      const found = await firstValueFrom(this.api.editions(table, kind)).catch(() => []);
      this.editions.update((all) => new Map(all).set(table, found));
    }
    if (heldTable !== undefined && isNew(tableRef(block))) {
      // One that is on its way, or gone, is seen as the table is now.
      const now = this.fullTables().get(table);
      if (now) this.heldTables.update((all) => new Map(all).set(tableRef(block), now));
      const found = await firstValueFrom(this.api.shownEdition(block.shows, heldTable)).catch(() => undefined);
      if (found) this.heldTables.update((all) => new Map(all).set(tableRef(block), found.table));
      this.take(tableRef(block), found?.pricing ?? this.pricings().get(table));
    }
    if (held !== undefined && isNew(themeRef(block))) {
      const found = await firstValueFrom(this.api.themeEdition(theme, held)).catch(() => undefined);
      if (found) this.heldThemes.update((all) => new Map(all).set(themeRef(block), this.views.ofEdition(found)));
    }
  }

  private take(ref: string, pricing: Pricing | undefined): void {
    if (pricing) this.pricings.update((all) => new Map(all).set(ref, pricing));
  }

  private async fetchTable(shows: TableBlock['shows'], isKnown = false): Promise<void> {
    const { id } = shows;
    if (!isKnown) this.fullTables.update((tables) => new Map(tables).set(id, emptyNotice));
    try {
      const found = await firstValueFrom(this.api.shown(shows));
      this.fullTables.update((tables) => new Map(tables).set(id, found.table));
      this.take(id, found.pricing);
    } catch {
      this.fullTables.update((tables) => new Map([...tables].filter(([each]) => each !== id)));
    }
  }
}
