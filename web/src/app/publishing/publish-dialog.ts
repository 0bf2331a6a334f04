import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { calledOf } from '../../../../core/documents';
import type { TableBlock } from '../../../../core/page';
import { previewOf, type Table } from '../../../../core/table';
import { modeOf, type ThemeView } from '../../../../core/theme';
import { placeInWords } from '../../../../core/edit';
import { unreadableByMode } from '../../../../core/paint';
import { Dressed } from '../controls/dressed/dressed';
import { Api, type Changed, type Followed, type Follower } from '../documents/api';
import { AsPublished, askOnce } from './as-published';
import { ThemeViews } from '../controls/dressed/theme-views';

export interface Publishing {
  readonly kind: Followed;
  readonly id: string;
  readonly name: string;
  readonly followers: readonly Follower[];
  /** Themes that it grows from, which have changed since they were published. */
  readonly below: readonly Changed[];
  /** What is still to be looked at, as a sentence; empty for nothing. */
  readonly open: string;
}

/** A placed table as it is live and as it would be. */
interface Picture {
  readonly table: Table;
  readonly view: ThemeView | undefined;
}
interface Pair {
  readonly name: string;
  readonly now: Picture | undefined;
  readonly then: Picture;
}

/** Placements of a page that are shown as pictures; of more, the number is told. */
const SHOWN = 2;
const ROWS = 6;
/** Texts that cannot be read of which each is told. */
const UNREAD = 8;

/** Before a theme or a table is published: every live page that would change, as it is and as it would be, and which of them stay. */
@Component({
  selector: 'zest-publish-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dressed, MatButtonModule, MatCheckboxModule, MatDialogModule, MatProgressBarModule],
  templateUrl: './publish-dialog.html',
  styleUrl: './publish-dialog.scss',
})
export class PublishDialog {
  protected readonly data = inject<Publishing>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<PublishDialog, readonly string[]>>(MatDialogRef);
  private readonly api = inject(Api);
  private readonly views = inject(ThemeViews);
  private readonly held = signal<ReadonlySet<string>>(new Set());
  /** Pictures of placements, by page and block, as they come in. */
  private readonly pairs = signal<ReadonlyMap<string, Pair>>(new Map());
  protected readonly done = computed(() => this.pairs().size);
  protected readonly all = this.data.followers.reduce((sum, { blocks }) => sum + Math.min(SHOWN, blocks.length), 0);
  protected readonly word = calledOf(this.data.kind);
  protected readonly count = computed(() => this.data.followers.length - this.held().size);
  /** Each document is fetched once, however many placements show it. */
  private readonly once = askOnce();
  private readonly published = new AsPublished(this.api, this.once);

  /** Texts of a theme that cannot be read as it would be published, in each of its modes. */
  protected readonly unread = signal<readonly string[]>([]);

  constructor() {
    if (this.data.kind === 'themes') void this.read();
    void this.look();
  }

  protected isHeld = (id: string): boolean => this.held().has(id);
  protected hold(id: string, is: boolean): void {
    const held = new Set(this.held());
    if (is) held.add(id);
    else held.delete(id);
    this.held.set(held);
  }
  protected holdAll(is: boolean): void {
    this.held.set(new Set(is ? this.data.followers.map(({ id }) => id) : []));
  }
  protected pairsOf = ({ id, blocks }: Follower): readonly Pair[] =>
    blocks.slice(0, SHOWN).flatMap((block) => this.pairs().get(`${id} ${block.id}`) ?? []);
  protected more = ({ blocks }: Follower): number => Math.max(0, blocks.length - SHOWN);
  protected publish(): void {
    this.dialog.close([...this.held()]);
  }

  private async look(): Promise<void> {
    for (const follower of this.data.followers)
      for (const block of follower.blocks.slice(0, SHOWN)) {
        const pair = await this.pairFor(block).catch(() => undefined);
        if (pair) this.pairs.update((pairs) => new Map(pairs).set(`${follower.id} ${block.id}`, pair));
      }
  }

  private async read(): Promise<void> {
    const chain = await this.published.next(this.data.id).catch(() => undefined);
    if (!chain) return;
    const told = unreadableByMode(this.views.ofEdition(chain)).flatMap(({ mode, inks }) =>
      inks.map(({ place, worst }) => {
        const where = place ? placeInWords(place) : 'The page’s own ink';
        return `${where}${mode === '' ? '' : `, ${modeOf(mode).words}`}: ${worst.ratio.toFixed(1)} : 1, where ${worst.needed} : 1 is needed`;
      }),
    );
    const more = told.length - UNREAD;
    this.unread.set(more > 0 ? [...told.slice(0, UNREAD), `and ${more} more; the studio lists them`] : told);
  }

  private async pairFor(block: TableBlock): Promise<Pair> {
    const dress = block.dress?.id ?? '';
    const [liveTable, live] = await Promise.all([this.newestTable(block.shows), this.published.newest(dress)]);
    const liveTheme = live && this.views.ofEdition(live);
    const { table: draft } = await this.once(`table ${block.shows.id}`, this.api.shown(block.shows));
    const now = liveTable && { table: liveTable, view: liveTheme };
    const then = this.data.kind === 'themes' ? { table: liveTable ?? draft, view: await this.thenFor(dress) } : { table: draft, view: liveTheme };
    const short = ({ table, view }: Picture): Picture => ({ table: previewOf(table, ROWS), view });
    return { name: draft.name, now: now && short(now), then: short(then) };
  }

  private async newestTable(shows: TableBlock['shows']): Promise<Table | undefined> {
    const { kind, id } = shows;
    const [newest] = await this.once(`editions ${id}`, this.api.editions(id, kind));
    return newest && (await this.once(`edition ${id}`, this.api.shownEdition(shows, newest.number))).table;
  }
  private async thenFor(dress: string): Promise<ThemeView | undefined> {
    const then = await this.published.with(dress, this.data.id);
    return then && this.views.ofEdition(then);
  }
}
