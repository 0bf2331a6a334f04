import { ChangeDetectionStrategy, Component, type ElementRef, type OnInit, computed, effect, inject, input, signal, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatSnackBar } from '@angular/material/snack-bar';
import { MatTooltipModule } from '@angular/material/tooltip';
import { RouterLink } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import {
  canStand,
  copyOf,
  blockKinds,
  blockName,
  blockTitle,
  emptyBlock,
  everyBlock,
  mapBlocks,
  moveBlock,
  nudgeBlock,
  pageDress,
  placeOfBlock,
  putIn,
  reached,
  siteDress,
  takeOut,
  within,
  type Block,
  type Page,
  type Spot,
  type TableBlock,
} from '../../../../core/page';
import type { Table } from '../../../../core/table';
import type { Theme } from '../../../../core/theme';
import { Deleting } from '../controls/deleting';
import { Name } from '../controls/rename';
import { Ruler } from '../controls/ruler';
import { UndoRedo } from '../controls/undo-redo';
import { followRoom } from '../controls/follow-room';
import { Api, type Edition } from '../documents/api';
import { OpenDocument } from '../documents/open-document';
import { Publisher } from '../publishing/publisher';
import { PutElsewhere } from '../publishing/put-elsewhere';
import { lookNarrow } from './seen/look-narrow';
import { detailOf, narrowWarning, verdictOf, type Seen } from './seen/page-verdict';
import { PageFacts, type PageFact } from './page-facts';
import { Preview } from './seen/preview';
import { BlockForm } from './blocks/block-form';
import { BlockOutline, type Moved } from './blocks/block-outline';
import type { PageEditions } from './editions-dialog';
import { HouseFindings } from './house/house-findings';
import { StandsOn } from './stands-on';
import { ThreeWidths } from './seen/three-widths';
import { UnderHouse } from './house/under-house';
import { PlacingForm } from './placing/placing-form';
import { PlansForm } from './placing/plans-form';
import { VisitorForm } from './visitor-form';
import { When } from '../controls/when';

@Component({
  selector: 'zest-page-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BlockForm,
    BlockOutline,
    When,
    HouseFindings,
    MatButtonModule,
    MatCheckboxModule,
    MatIconModule,
    MatMenuModule,
    MatTooltipModule,
    Name,
    PageFacts,
    Preview,
    RouterLink,
    Ruler,
    ThreeWidths,
    UndoRedo,
    VisitorForm,
    PlacingForm,
    PlansForm,
    PutElsewhere,
  ],
  providers: [OpenDocument, StandsOn, UnderHouse],
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

  private readonly open = inject<OpenDocument<'pages'>>(OpenDocument);
  protected readonly page = this.open.document;
  protected readonly blockKinds = blockKinds;
  protected readonly nameOfKind = blockName;
  protected readonly missing = this.open.missing;
  protected readonly stands = inject(StandsOn);
  protected readonly tables = this.stands.tables;
  protected readonly themes = this.stands.themes;
  protected readonly live = this.stands.live;
  protected readonly pickedId = signal('');
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

  protected readonly picked = computed(() => this.blockOf(this.pickedId()));
  protected readonly preview = this.stands.preview;
  protected readonly under = inject(UnderHouse);
  constructor() {
    effect(() => this.under.page.set(this.stands.preview()));
    followRoom(this.stage, () => 40, this);
  }

  ngOnInit(): void {
    void this.stands.open(this.id());
  }

  protected editionsOf = (id: string, held: number | undefined): readonly Edition[] => this.stands.editionsOf(id, held);
  /** Holds the picked placement at an edition of its theme or its table, or lets it follow. */
  protected hold(what: 'shows' | 'dress', edition: string): void {
    const block = this.picked();
    const ref = block?.kind === 'table' ? block[what] : undefined;
    if (ref) this.set({ [what]: { kind: ref.kind, id: ref.id, ...(edition === '' ? {} : { held: Number(edition) }) } });
  }
  /** Another table, or another theme, at its newest edition. */
  /** Only a pricing table has a form of its plans. */
  protected show = (id: string): void => {
    const kind = this.tables().find((each) => each.id === id)?.kind ?? 'tables';
    this.set({ shows: { kind, id }, ...(kind === 'pricings' ? {} : { plans: undefined }) });
  };
  protected dress = (theme: string): void => this.set({ dress: theme === '' ? null : { kind: 'themes', id: theme } });

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

  protected readonly title = (block: Block): string => blockTitle(block, (id) => this.tables().find((table) => table.id === id)?.document.name);
  protected readonly about = (block: Block): string => (block.kind === 'table' ? `Table in ${this.themeName(block)}` : blockName(block.kind));
  protected tableOf(block: TableBlock): Table | undefined {
    return this.tables().find(({ id }) => id === block.shows.id)?.document;
  }
  protected themeOf(block: TableBlock): Theme | undefined {
    return this.themes().find(({ id }) => id === (block.dress?.id ?? this.reachingTheme()))?.document;
  }
  protected themeName(block: TableBlock): string {
    const name = this.themeOf(block)?.name ?? 'no theme';
    return block.dress ? name : `${name}, as it is reached`;
  }
  /** The theme that reaches what has none of its own on this page. */
  protected reachingTheme(): string {
    const page = this.page();
    const found = page && (pageDress(page) ?? siteDress([page, ...this.stands.otherPages()]));
    return found?.id ?? '';
  }
  protected readonly reaching = computed(() => {
    const [page, block] = [this.page(), this.picked()];
    if (!page || block?.kind !== 'table' || !block.reach) return undefined;
    const { follow, keep } = reached(block, page, [page, ...this.stands.otherPages()]);
    const name = (spot: Spot<Page>): string => this.title(spot.block) + (spot.page === page ? '' : ` on “${spot.page.name}”`);
    return { follow: follow.map(name), keep: keep.map(name), here: keep.filter((spot) => spot.page === page && spot.block.dress !== null).length };
  });
  /** Lets the page's other tables have no theme of their own, so that the picked one's reaches them. */
  protected letFollow(): void {
    const id = this.pickedId();
    this.change('let the page’s tables follow', '', (page) => ({
      ...page,
      blocks: mapBlocks(page.blocks, (block) => (block.kind === 'table' && block.id !== id ? { ...block, dress: null, reach: undefined } : block)),
    }));
  }

  private newBlock(kind: Block['kind'], id: string): Block {
    if (kind !== 'table') return emptyBlock(kind, id);
    const first = this.tables()[0];
    const theme = this.reachingTheme() ? '' : first?.document.theme || (this.themes()[0]?.id ?? '');
    return {
      id,
      kind,
      shows: { kind: first?.kind ?? 'tables', id: first?.id ?? '' },
      dress: theme === '' ? null : { kind: 'themes', id: theme },
      width: 'fill',
      align: 'theme',
      room: '16px 0 24px',
      visitor: null,
    };
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
  /** What a table's description says can be seen too: as a text above it, the lines that stood above it where it came from among them. */
  protected putAbove(text: string): void {
    const place = placeOfBlock(this.page()?.blocks ?? [], this.pickedId());
    if (!place) return;
    const block: Block = { id: newId(), kind: 'text', text };
    this.change('put a description above its table', '', (page) => ({ ...page, blocks: putIn(page.blocks, block, place) }));
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
  protected rename = (name: string): void => this.change('rename the page', 'name', (page) => ({ ...page, name }));
  /** Changes what is said of the page itself. */
  protected setPage(fact: PageFact): void {
    const what = Object.keys(fact).join(' ');
    this.change(what === 'slug' ? 'change the address' : 'change the page', `page ${what}`, (page) => ({ ...page, ...fact }));
  }

  protected async publish(): Promise<void> {
    const edition = await this.publisher.publishPage(this.open.session());
    if (!edition) return;
    this.live.set(edition);
    const said = `The page is live at /site/${edition.slug}.`;
    this.snackBar.open(said, 'Good');
    // What a phone makes of it is known a moment later, or on a slow server some moments.
    const seen = await lookNarrow(`/site/${edition.slug}`);
    const warning = seen ? narrowWarning(seen) : '';
    if (warning !== '') this.snackBar.open(`${said} ${warning}`, 'Good');
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
