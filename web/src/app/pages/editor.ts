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
  dressed,
  pageDress,
  pageSchema,
  reached,
  readRoom,
  readWidth,
  siteDress,
  tableRef,
  themeRef,
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
import { detailOf, verdictOf, type Seen } from './page-verdict';
import { Preview } from './preview';
import type { PageEditions } from './editions-dialog';
import { HouseFindings } from './house-findings';
import { ThreeWidths } from './three-widths';
import { UnderHouse } from './under-house';
import { VisitorForm } from './visitor-form';

type LiveState = KeptPage['live'];

@Component({
  selector: 'zest-page-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
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
  ],
  providers: [OpenDocument, UnderHouse],
  templateUrl: './editor.html',
  styleUrl: './editor.scss',
})
export class PageEditor implements OnInit {
  readonly id = input.required<string>();
  private readonly api = inject(Api);
  private readonly deleting = inject(Deleting);
  private readonly snackBar = inject(MatSnackBar);
  private readonly publisher = inject(Publisher);
  private readonly dialog = inject(MatDialog);

  private readonly open = inject<OpenDocument<Page>>(OpenDocument);
  protected readonly page = this.open.document;
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

  protected readonly picked = computed(() => this.page()?.blocks.find(({ id }) => id === this.pickedId()));
  protected readonly preview = computed<PageInput | undefined>(() => {
    const page = this.page();
    if (!page) return undefined;
    const themes = new Map(this.themes().map(({ id, key, document }) => [id, { key, theme: document }]));
    // A held edition that is on its way, or gone, is seen as the theme is now.
    for (const block of dressed(page, undefined).blocks) {
      const now = block.kind === 'table' && block.held !== undefined ? themes.get(block.theme) : undefined;
      if (block.kind !== 'table' || block.held === undefined || !now) continue;
      const held = this.heldThemes().get(themeRef(block));
      themes.set(themeRef(block), held ? { key: heldKey(now.key, block.held), theme: held } : now);
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
      const wanted = [...new Set((this.page()?.blocks ?? []).flatMap((block) => (block.kind === 'table' && block.table ? [block.table] : [])))];
      for (const id of wanted) if (!this.fullTables().has(id)) void this.fetchTable(id);
    });
    effect(() => {
      for (const block of this.page()?.blocks ?? []) if (block.kind === 'table') void this.fetchEditions(block);
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

  protected title(block: Block): string {
    if (block.kind === 'table') return this.tables().find(({ id }) => id === block.table)?.document.name ?? 'A table that is gone';
    const text = block.text.trim().replace(/\s+/g, ' ');
    return text === '' ? (block.kind === 'heading' ? 'Empty heading' : 'Empty text') : text.slice(0, 60);
  }
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
      blocks: page.blocks.map((block) =>
        block.kind === 'table' && block.id !== id ? { ...block, theme: '', held: undefined, reach: undefined } : block,
      ),
    }));
  }

  protected add(kind: Block['kind']): void {
    const id = `b${crypto.randomUUID().slice(0, 8)}`;
    const first = this.tables()[0];
    const block: Block =
      kind === 'heading'
        ? { id, kind, level: 2, text: '' }
        : kind === 'text'
          ? { id, kind, text: '' }
          : {
              id,
              kind,
              table: first?.id ?? '',
              theme: this.reachingTheme() ? '' : first?.document.theme || (this.themes()[0]?.id ?? ''),
              width: 'fill',
              align: 'start',
              room: '16px 0 24px',
              visitor: null,
            };
    const at = (this.page()?.blocks.findIndex((each) => each.id === this.pickedId()) ?? -1) + 1 || (this.page()?.blocks.length ?? 0);
    this.change(`add a ${kind}`, '', (page) => ({ ...page, blocks: page.blocks.toSpliced(at, 0, block) }));
    this.pick(id);
  }
  protected move(block: Block, by: -1 | 1): void {
    this.change(`move “${this.title(block)}”`, '', (page) => {
      const at = page.blocks.findIndex(({ id }) => id === block.id);
      if (at + by < 0 || at + by >= page.blocks.length) return page;
      return { ...page, blocks: page.blocks.toSpliced(at, 1).toSpliced(at + by, 0, block) };
    });
  }
  protected remove(block: Block): void {
    this.change(`delete “${this.title(block)}”`, '', (page) => ({
      ...page,
      blocks: page.blocks.filter(({ id }) => id !== block.id),
    }));
    this.snackBar
      .open(`“${this.title(block)}” was taken off the page.`, 'Undo')
      .onAction()
      .subscribe(() => this.open.session()?.undo());
  }
  protected pick(id: string): void {
    this.pickedId.set(id);
    this.wrong.set({});
  }
  protected pickAt(index: number): void {
    this.pick(this.page()?.blocks[index]?.id ?? '');
  }

  /** Changes fields of the picked block. */
  protected set(fields: Partial<TableBlock> | { text: string } | { level: 2 | 3 }): void {
    const id = this.pickedId();
    this.change('change the page', `block ${id} ${Object.keys(fields).join(' ')}`, (page) => ({
      ...page,
      blocks: page.blocks.map((block) => (block.id === id ? ({ ...block, ...fields } as Block) : block)),
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

/** Stands in while a table is on its way. */
const emptyNotice: Table = tableOf('Opening…', [['Opening…']]);
