import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { firstValueFrom } from 'rxjs';
import { changesBetween, documentAt, momentsOf, setValue, type ThemeChange } from '../../../../../../core/edit';
import type { Theme, ThemeView } from '../../../../../../core/theme';
import { Compared, type Side } from './compared';
import { Api } from '../../../documents/api';
import type { DocumentSession } from '../../../documents/session';
import type { StudioState } from '../studio-state';
import { ThemeViews } from '../../../controls/dressed/theme-views';
import { when } from '../../../controls/when';

interface Choice {
  readonly id: string;
  readonly name: string;
  readonly load: () => Promise<ThemeView> | ThemeView;
}

/** The draft beside an earlier moment of this work or an edition: as pictures, and as a list of what changed. */
@Component({
  selector: 'zest-compare-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Compared, MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>Compare {{ now()?.name }}</h2>
    <mat-dialog-content>
      <label class="with"
        >With
        <select class="zest-field" (change)="choose($any($event.target).value)">
          @for (choice of choices(); track choice.id) {
            <option [value]="choice.id" [selected]="choice.id === chosen()">{{ choice.name }}</option>
          }
        </select>
      </label>
      <zest-compared
        label="What changed"
        [sides]="sides()"
        [table]="data.state.table()"
        [changes]="changes()"
        [goesBack]="true"
        (back)="putBack($event)"
      >
        Nothing differs.
      </zest-compared>
      <p class="zest-note">In the studio, hold F8 to see what is chosen here.</p>
    </mat-dialog-content>
    <mat-dialog-actions><button mat-button mat-dialog-close>Close</button></mat-dialog-actions>
  `,
  styleUrl: './compare-dialog.scss',
})
export class CompareDialog {
  protected readonly data = inject<{ readonly state: StudioState; readonly session: DocumentSession<Theme> }>(MAT_DIALOG_DATA);
  private readonly api = inject(Api);
  private readonly views = inject(ThemeViews);
  protected readonly now = this.data.state.theme;
  protected readonly chosen = signal('0');
  protected readonly earlier = signal<ThemeView | undefined>(undefined);
  protected readonly choices = signal<readonly Choice[]>(moments(this.data.session, this.views));
  protected readonly name = computed(() => this.choices().find(({ id }) => id === this.chosen())?.name ?? '');
  protected readonly sides = computed((): readonly [Side, Side] => {
    const [earlier, now] = [this.earlier(), this.now()];
    return [
      { name: 'Earlier', title: `Earlier: ${this.name()}`, view: earlier },
      { name: 'Now', view: now && this.views.of(now) },
    ];
  });
  protected readonly changes = computed<readonly ThemeChange[]>(() => {
    const [earlier, now] = [this.earlier(), this.now()];
    return earlier && now ? changesBetween(earlier, this.views.of(now)) : [];
  });

  constructor() {
    const last = this.choices().at(-1);
    if (last) void this.choose(last.id);
    void this.loadEditions();
  }

  private async loadEditions(): Promise<void> {
    const { id } = this.data.session;
    const editions = await firstValueFrom(this.api.themeEditions(id)).catch(() => []);
    const found = editions.map(({ number, publishedAt, standsOn: [below] }): Choice => ({
      id: `edition ${number}`,
      name: `Edition ${number}, ${when(publishedAt)}${below ? `, on edition ${below.number} of ${below.name}` : ''}`,
      load: async () => this.views.ofEdition(await firstValueFrom(this.api.themeEdition(id, number))),
    }));
    this.choices.update((choices) => [...choices, ...found]);
    if (!this.earlier() && found[0]) await this.choose(found[0].id);
  }

  protected async choose(id: string): Promise<void> {
    const choice = this.choices().find((each) => each.id === id);
    if (!choice) return;
    this.chosen.set(id);
    const view = await choice.load();
    this.earlier.set(view);
    this.data.state.backTo.set({ view, name: choice.name });
  }

  protected putBack({ place, property, before, what }: ThemeChange): void {
    if (place && property) this.data.state.change(`put back ${what.toLowerCase()}`, '', (theme) => setValue(theme, place, property, before));
  }
}

/** The earlier moments of this work, the newest first, the beginning last. */
function moments(session: DocumentSession<Theme>, views: ThemeViews): readonly Choice[] {
  const history = session.history;
  return momentsOf(history).map(({ steps, label, time: at }) => ({
    id: String(steps),
    name: label === undefined ? 'The beginning' : `${at === undefined ? '' : `${when(at)}, `}after: ${label}`,
    load: () => views.of(documentAt(history, steps)),
  }));
}
