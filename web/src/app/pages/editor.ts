import { DatePipe } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  type ElementRef,
  type OnInit,
  computed,
  effect,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatSnackBar } from '@angular/material/snack-bar';
import { MatTooltipModule } from '@angular/material/tooltip';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { heldKey, type PageInput } from '../../../../core/compile';
import {
  canStand,
  copyOf,
  dressed,
  blockKinds,
  blockName,
  emptyBlock,
  everyBlock,
  mapBlocks,
  moveBlock,
  nudgeBlock,
  pageDress,
  pageSchema,
  placeOfBlock,
  putIn,
  reached,
  readRoom,
  readWidth,
  siteDress,
  tableRef,
  tablesOn,
  takeOut,
  themeRef,
  within,
  type Block,
  type Page,
  type Spot,
  type TableBlock,
} from '../../../../core/page';
import { columnNames, tableOf, type Table } from '../../../../core/table';
import type { Theme } from '../../../../core/theme';
import { Deleting } from '../controls/deleting';
import { Name } from '../controls/rename';
import { Ruler } from '../controls/ruler';
import { UndoRedo } from '../controls/undo-redo';
import { followRoom } from '../controls/follow-room';
import { Api, type Edition, type KeptPage, type KeptTable, type KeptTheme } from '../documents/api';
import { Changes, type Change } from '../documents/changes';
import { OpenDocument } from '../documents/open-document';
import { Publisher } from '../publishing/publisher';
import { PutElsewhere } from '../publishing/put-elsewhere';
import { detailOf, verdictOf, type Seen } from './seen/page-verdict';
import { Preview } from './seen/preview';
import { BlockForm } from './blocks/block-form';
import { titleOf } from './blocks/block-names';
import { BlockOutline, type Moved } from './blocks/block-outline';
import type { PageEditions } from './editions-dialog';
import { HouseFindings } from './house/house-findings';
import { ThreeWidths } from './seen/three-widths';
import { UnderHouse } from './house/under-house';
import { VisitorForm } from './visitor-form';
import { ThemeViews } from '../controls/dressed/theme-views';

type LiveState = KeptPage['live'];

@Component({
  selector: 'zest-page-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BlockForm,
    BlockOutline,
    DatePipe,
    HouseFindings,
    MatButtonModule,
    MatCheckboxModule,
    MatIconModule,
    MatMenuModule,
    MatTooltipModule,
    Name,
    Preview,
    RouterLink,
    Ruler,
    ThreeWidths,
    UndoRedo,
    VisitorForm,
    PutElsewhere,
  ],
  providers: [OpenDocument, UnderHouse],
  templateUrl: './editor.html',
  styleUrl: './editor.scss',
})
export class PageEditor implements OnInit {
  readonly id = input.required<string>();
  private readonly api = inject(Api);
  private readonly views = inject(ThemeViews);
  private readonly deleting = inject(Deleting);
  private readonly snackBar = inject(MatSnackBar);
  private readonly publisher = inject(Publisher);
  private readonly dialog = inject(MatDialog);

  private readonly open = inject<OpenDocument<'pages'>>(OpenDocument);
  protected readonly page = this.open.document;
  protected readonly blockKinds = blockKinds;
  protected readonly nameOfKind = blockName;
  protected readonly missing = this.open.missing;
  protected readonly tables = signal<readonly KeptTable[]>([]);
  protected readonly themes = signal<readonly KeptTheme[]>([]);
  private readonly fullTables = signal<ReadonlyMap<string, Table>>(new Map());
  /** Editions of the themes of placements, and held ones themselves, as they come in. */
  private readonly editions = signal<ReadonlyMap<string, readonly Edition[]>>(new Map());
  private readonly heldThemes = signal<ReadonlyMap<string, Theme>>(new Map());
  private readonly heldTables = signal<ReadonlyMap<string, Table>>(new Map());
  /** The site's other pages, for what reaches across it. */
  private readonly otherPages = signal<readonly Page[]>([]);
  protected readonly live = signal<LiveState>(undefined);
  protected readonly pickedId = signal('');
  protected readonly wrong = signal<Readonly<Record<string, string>>>({});
  readonly width = signal(10_000);
  readonly room = signal(800);
  /** Whether the page is seen at three widths at once. */
  protected readonly three = signal(false);
  protected readonly seen = signal<Seen | undefined>(undefined);
  protected readonly verdict = computed(() => {
    const seen = this.seen();
    return seen ? `At ${this.width()} px: ${verdictOf(seen)}` : '';
  });
  protected readonly detail = computed(() => {
    const seen = this.seen();
    return seen && !this.three() ? detailOf(seen) : null;
  });
  private readonly stage = viewChild<ElementRef<HTMLElement>>('stage');

  private readonly placements = computed(() => tablesOn(this.page() ?? { blocks: [] }));
  protected readonly picked = computed(() => this.blockOf(this.pickedId()));
  protected readonly preview = computed<PageInput | undefined>(() => {
    const page = this.page();
    if (!page) return undefined;
    const themes = new Map(this.themes().map(({ id, key, document }) => [id, { key, view: this.views.of(document) }]));
    // A held edition that is on its way, or gone, is seen as the theme is now.
    for (const block of tablesOn(dressed(page, undefined))) {
      const now = block.held === undefined ? undefined : themes.get(block.theme);
      if (block.held === undefined || !now) continue;
      const held = this.heldThemes().get(themeRef(block));
      themes.set(themeRef(block), held ? { key: heldKey(now.key, block.held), view: this.views.of(held) } : now);
    }
    const site = siteDress([page, ...this.otherPages()]);
    return { page, tables: new Map([...this.fullTables(), ...this.heldTables()]), themes, site };
  });

  protected readonly under = inject(UnderHouse);
  private readonly changes = inject(Changes);
  private readonly destroyed = inject(DestroyRef);

  constructor() {
    effect(() => this.under.page.set(this.preview()));
    followRoom(this.stage, () => 40, this);
    effect(() => {
      const wanted = [...new Set(this.placements().map(({ table }) => table))].filter(Boolean);
      for (const id of wanted) if (!this.fullTables().has(id)) void this.fetchTable(id);
    });
    effect(() => {
      for (const block of this.placements()) void this.fetchEditions(block);
    });
  }

  ngOnInit(): void {
    void this.load();
    // What is changed in another window is seen here at once.
    this.changes.all$.pipe(takeUntilDestroyed(this.destroyed)).subscribe((change) => void this.follow(change));
  }

  private async follow({ kind, id, what }: Change): Promise<void> {
    if (kind === 'theme') {
      if (what === 'published') this.asked.delete(id);
      this.themes.set(await firstValueFrom(this.api.themes()).catch(() => this.themes()));
    } else if (kind === 'table' && this.fullTables().has(id)) {
      if (what === 'published') this.asked.delete(id);
      await this.fetchTable(id, true);
    } else if (kind === 'house') await this.under.load();
    if (kind === 'page' && id === this.id())
      this.live.set((await firstValueFrom(this.api.pages()).catch(() => [])).find((page) => page.id === id)?.live);
  }

  private async load(): Promise<void> {
    if (!(await this.open.open('pages', this.id()))) return;
    await this.deleting.attempt(async () => {
      const [tables, themes, pages] = await Promise.all([
        firstValueFrom(this.api.tables()),
        firstValueFrom(this.api.themes()),
        firstValueFrom(this.api.pages()),
      ]);
      this.tables.set(tables);
      this.themes.set(themes);
      this.otherPages.set(pages.filter(({ id }) => id !== this.id()).map(({ document }) => document));
      this.live.set(pages.find(({ id }) => id === this.id())?.live);
    });
  }

  /** What is known of a placement's editions; asked for once. */
  private readonly asked = new Set<string>();
  private async fetchEditions(block: TableBlock): Promise<void> {
    const { theme, held } = block;
    const ref = themeRef(block);
    const isNew = (what: string): boolean => what !== '' && !this.asked.has(what) && this.asked.add(what).size > 0;
    if (isNew(theme)) {
      const found = await firstValueFrom(this.api.editions(theme)).catch(() => []);
      this.editions.update((all) => new Map(all).set(theme, found));
    }
    const { table, heldTable } = block;
    if (isNew(table)) {
      const found = await firstValueFrom(this.api.editions(table, 'tables')).catch(() => []);
      this.editions.update((all) => new Map(all).set(table, found));
    }
    if (heldTable !== undefined && isNew(tableRef(block))) {
      // One that is on its way, or gone, is seen as the table is now.
      const now = this.fullTables().get(table);
      if (now) this.heldTables.update((all) => new Map(all).set(tableRef(block), now));
      const found = await firstValueFrom(this.api.tableEdition(table, heldTable)).catch(() => undefined);
      if (found) this.heldTables.update((all) => new Map(all).set(tableRef(block), found));
    }
    if (held !== undefined && isNew(ref)) {
      const found = await firstValueFrom(this.api.edition(theme, held)).catch(() => undefined);
      if (found) this.heldThemes.update((all) => new Map(all).set(ref, found));
    }
  }
  protected editionsOf(id: string, held: number | undefined): readonly Edition[] {
    const known = this.editions().get(id) ?? [];
    return held === undefined || known.some(({ number }) => number === held) ? known : [{ number: held, publishedAt: '' }, ...known];
  }
  /** Holds the picked placement at an edition of its theme or its table, or lets it follow. */
  protected hold(what: 'held' | 'heldTable', edition: string): void {
    this.set({ [what]: edition === '' ? undefined : Number(edition) });
  }

  /** The page's editions: what has changed since, and a way back. */
  protected async showEditions(): Promise<void> {
    const page = this.page();
    if (!page) return;
    const { PageEditionsDialog } = await import('./editions-dialog');
    const data: PageEditions = { id: this.id(), page, live: this.live()?.number, nameOf: (block) => this.title(block) };
    const taken = await firstValueFrom(
      this.dialog.open<unknown, PageEditions, Page>(PageEditionsDialog, { width: '560px', maxWidth: '94vw', data }).afterClosed(),
    );
    if (taken) this.change('go back to an edition', '', () => taken);
  }

  private async fetchTable(id: string, isKnown = false): Promise<void> {
    if (!isKnown) this.fullTables.update((tables) => new Map(tables).set(id, { ...emptyNotice }));
    try {
      const kept = await firstValueFrom(this.api.tablePreview(id));
      this.fullTables.update((tables) => new Map(tables).set(id, kept.document));
    } catch {
      this.fullTables.update((tables) => new Map([...tables].filter(([each]) => each !== id)));
    }
  }

  protected readonly title = (block: Block): string => titleOf(block, this.tables());
  protected readonly about = (block: Block): string => (block.kind === 'table' ? `Table in ${this.themeName(block)}` : blockName(block.kind));
  protected columnsOf(block: TableBlock): readonly string[] {
    const table = this.tables().find(({ id }) => id === block.table)?.document;
    return table ? columnNames(table) : [];
  }
  protected themeName(block: TableBlock): string {
    const named = (theme: string): string => this.themes().find(({ id }) => id === theme)?.document.name ?? 'no theme';
    return block.theme === '' ? `${named(this.reachingTheme())}, as it is reached` : named(block.theme);
  }
  /** The theme that reaches what has none of its own on this page. */
  protected reachingTheme(): string {
    const page = this.page();
    const found = page && (pageDress(page) ?? siteDress([page, ...this.otherPages()]));
    return found?.theme ?? '';
  }
  protected readonly reaching = computed(() => {
    const [page, block] = [this.page(), this.picked()];
    if (!page || block?.kind !== 'table' || !block.reach) return undefined;
    const { follow, keep } = reached(block, page, [page, ...this.otherPages()]);
    const name = (spot: Spot<Page>): string => this.title(spot.block) + (spot.page === page ? '' : ` on “${spot.page.name}”`);
    return { follow: follow.map(name), keep: keep.map(name), here: keep.filter((spot) => spot.page === page && spot.block.theme !== '').length };
  });
  /** Lets the page's other tables have no theme of their own, so that the picked one's reaches them. */
  protected letFollow(): void {
    const id = this.pickedId();
    this.change('let the page’s tables follow', '', (page) => ({
      ...page,
      blocks: mapBlocks(page.blocks, (block) =>
        block.kind === 'table' && block.id !== id ? { ...block, theme: '', held: undefined, reach: undefined } : block,
      ),
    }));
  }

  private newBlock(kind: Block['kind'], id: string): Block {
    if (kind !== 'table') return emptyBlock(kind, id);
    const first = this.tables()[0];
    const theme = this.reachingTheme() ? '' : first?.document.theme || (this.themes()[0]?.id ?? '');
    return { id, kind, table: first?.id ?? '', theme, width: 'fill', align: 'start', room: '16px 0 24px', visitor: null };
  }
  /** Adds a block: into the picked one where that is an empty part of the page, else below it. */
  protected add(kind: Block['kind']): void {
    const block = this.newBlock(kind, newId());
    const blocks = this.page()?.blocks ?? [];
    const picked = this.picked();
    const inside = picked && within(picked).findIndex((list) => list.length === 0);
    const below = placeOfBlock(blocks, this.pickedId());
    const wanted = [
      ...(picked && inside !== undefined && inside >= 0 ? [{ block: picked.id, list: inside, at: 0 }] : []),
      ...(below ? [{ ...below, at: below.at + 1 }] : []),
      { block: '', list: 0, at: blocks.length },
    ];
    const place = wanted.find((each) => canStand(blocks, block, each));
    if (place) this.change(`add a ${kind}`, '', (page) => ({ ...page, blocks: putIn(page.blocks, block, place) }));
    this.pick(block.id);
  }
  protected move({ id, to }: Moved): void {
    this.change('move a block', '', (page) => ({ ...page, blocks: moveBlock(page.blocks, id, to) }));
  }
  protected nudge({ id, by }: { readonly id: string; readonly by: -1 | 1 }): void {
    this.change('move a block', '', (page) => ({ ...page, blocks: nudgeBlock(page.blocks, id, by) }));
  }
  protected copy(id: string): void {
    const blocks = this.page()?.blocks ?? [];
    const [block, place] = [this.blockOf(id), placeOfBlock(blocks, id)];
    if (!block || !place) return;
    const copied = copyOf(block, newId);
    this.change(`duplicate “${this.title(block)}”`, '', (page) => ({ ...page, blocks: putIn(page.blocks, copied, { ...place, at: place.at + 1 }) }));
    this.pick(copied.id);
  }
  protected remove(id: string): void {
    const block = this.blockOf(id);
    if (!block) return;
    this.change(`delete “${this.title(block)}”`, '', (page) => ({ ...page, blocks: takeOut(page.blocks, id) }));
    this.snackBar
      .open(`“${this.title(block)}” was taken off the page.`, 'Undo')
      .onAction()
      .subscribe(() => this.open.session()?.undo());
  }
  private blockOf = (id: string): Block | undefined => everyBlock(this.page()?.blocks ?? []).find((block) => block.id === id);
  protected pick(id: string): void {
    this.pickedId.set(id);
    this.wrong.set({});
  }
  protected pickAt(index: number): void {
    this.pick(everyBlock(this.page()?.blocks ?? [])[index]?.id ?? '');
  }

  /** Changes fields of the picked block. */
  protected set(fields: Partial<TableBlock> | Readonly<Record<string, unknown>>): void {
    const id = this.pickedId();
    this.change('change the page', `block ${id} ${Object.keys(fields).join(' ')}`, (page) => ({
      ...page,
      blocks: mapBlocks(page.blocks, (block) => (block.id === id ? ({ ...block, ...fields } as Block) : block)),
    }));
  }
  protected setWidth(typed: string): void {
    const text = typed.trim().toLowerCase();
    this.check('width', readWidth(text), () => this.set({ width: text }));
  }
  protected setRoom(typed: string): void {
    const text = typed.trim().toLowerCase().replace(/\s+/g, ' ');
    this.check('room', readRoom(text), () => this.set({ room: text }));
  }
  private check(field: string, outcome: ReturnType<typeof readRoom> | ReturnType<typeof readWidth>, take: () => void): void {
    const problem = outcome.ok ? undefined : outcome.problems[0];
    this.wrong.set({ ...this.wrong(), [field]: problem ? `${problem.say} ${problem.remedy ?? ''}` : '' });
    if (!problem) take();
  }

  protected rename = (name: string): void => this.change('rename the page', 'name', (page) => ({ ...page, name }));
  protected setSlug(typed: string): void {
    const page = this.page();
    if (!page) return;
    try {
      pageSchema.validateSync({ ...page, slug: typed.trim() }, { strict: true });
    } catch (error) {
      return this.wrong.set({ ...this.wrong(), slug: (error as Error).message });
    }
    this.wrong.set({ ...this.wrong(), slug: '' });
    this.change('change the address', 'slug', (before) => ({ ...before, slug: typed.trim() }));
  }

  /** Changes what is said of the page itself. */
  protected setPage(fields: Partial<Pick<Page, 'title' | 'description' | 'inMenu' | 'wide'>>): void {
    this.change('change the page', `page ${Object.keys(fields).join(' ')}`, (page) => ({ ...page, ...fields }));
  }

  protected async publish(): Promise<void> {
    const edition = await this.publisher.publishPage(this.open.session());
    if (!edition) return;
    this.live.set(edition);
    this.snackBar.open(`The page is live at /site/${edition.slug}.`, 'Good');
  }
  protected async unpublish(): Promise<void> {
    const done = await this.deleting.attempt(async () => {
      await firstValueFrom(this.api.unpublishPage(this.id()));
      return true;
    });
    if (done) this.live.set(undefined);
  }

  /** Gives the page's tables the weight that settles what the house stylesheet takes from them. */
  protected settle(): void {
    const settles = this.under.standing()?.settles;
    if (!settles) return;
    const { weight, insists } = settles;
    this.change('change how much the themes weigh', '', (page) => ({
      ...page,
      weight: weight.ids + weight.classes > 0 ? weight : undefined,
      insists: insists || undefined,
    }));
  }

  private change(label: string, touches: string, make: (page: Page) => Page): void {
    this.open.act(label, touches, make);
  }
}

const newId = (): string => `b${crypto.randomUUID().slice(0, 8)}`;

/** Stands in while a table is on its way. */
const emptyNotice: Table = tableOf('Opening…', [['Opening…']]);
