import { ChangeDetectionStrategy, ChangeDetectorRef, Component, type OnInit, computed, inject, input, signal, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatMenuModule } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { isSaid, type Feature, type PricingFinding } from '../../../../core/pricing';
import { Deleting } from '../controls/deleting';
import { Name } from '../controls/rename';
import { UndoRedo } from '../controls/undo-redo';
import { Api } from '../documents/api';
import { OpenDocument } from '../documents/open-document';
import { Publisher } from '../publishing/publisher';
import { Grid } from '../tables/grid/grid';
import type { Carried } from '../tables/grid/strip';
import type { Pasted, Typed } from '../tables/grid/told';
import { Looks } from '../tables/looks/looks';
import type { LinesData } from './lines-dialog';
import { CardsSeen } from './cards-seen';
import { OfferForm } from './offer-form';
import { PlanForm } from './plan-form';
import { PricingEdits } from './pricing-edits';

/**
 * A pricing table as it is worked on: its comparison, in the theme that it wears, is typed in; beside it stands what cannot be seen there, and
 * what may be a mistake.
 */
@Component({
  selector: 'zest-plan-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CardsSeen, Grid, Looks, MatButtonModule, MatMenuModule, Name, OfferForm, PlanForm, RouterLink, UndoRedo],
  providers: [OpenDocument, PricingEdits],
  templateUrl: './plan-view.html',
  styleUrl: './plan-view.scss',
})
export class PlanView implements OnInit {
  readonly id = input.required<string>();
  private readonly api = inject(Api);
  private readonly changes = inject(ChangeDetectorRef);
  private readonly deleting = inject(Deleting);
  private readonly dialog = inject(MatDialog);
  private readonly publisher = inject(Publisher);
  private readonly open = inject<OpenDocument<'pricings'>>(OpenDocument);
  protected readonly edits = inject(PricingEdits);
  protected readonly pricing = this.open.document;
  protected readonly missing = this.open.missing;
  protected readonly themes = this.edits.themes;
  /** Whether the plans are seen as cards, in place of their comparison. */
  protected readonly asCards = signal(false);
  private readonly grid = viewChild(Grid);
  protected readonly panels = [
    ['plan', 'Details'],
    ['offer', 'Offer'],
    ['look', 'Look'],
    ['checks', 'Checks'],
  ] as const;
  protected readonly panel = signal<(typeof this.panels)[number][0]>('plan');
  protected readonly view = this.edits.view;
  protected readonly hidden = computed(() => this.pricing()?.plans.filter(({ hidden }) => hidden) ?? []);
  protected readonly size = computed(() => {
    const pricing = this.pricing();
    if (!pricing) return '';
    const { plans, features } = pricing;
    const counted = features.filter((each) => each.kind === 'feature' && isSaid(pricing, each)).length;
    return `pricing table, ${plans.length === 1 ? '1 plan' : `${plans.length} plans`}, ${counted === 1 ? '1 feature' : `${counted} features`}`;
  });
  /** Where in the comparison one is, in the names of the pricing table. */
  protected readonly where = computed(() => {
    const row = this.edits.comparison()?.rows[this.edits.choice().row];
    const of = row && 'feature' in row ? row.feature.name : row?.is === 'price' ? 'price' : row?.is === 'action' ? 'action' : 'name';
    return this.edits.choice().column === 0 ? of : `${this.edits.plan()?.name ?? ''}: ${of}`;
  });

  ngOnInit(): void {
    void this.load();
  }
  private async load(): Promise<void> {
    if (!(await this.open.open('pricings', this.id()))) return;
    this.themes.set((await this.deleting.attempt(() => firstValueFrom(this.api.themes()))) ?? []);
  }

  protected rename = (name: string): unknown => this.edits.act('rename the pricing table', 'name', (pricing) => ({ ...pricing, name }));
  protected publish(): unknown {
    const open = this.edits.findings().length;
    const said = open === 0 ? '' : open === 1 ? 'One check is open.' : `${open} checks are open.`;
    return this.publisher.publish('pricings', this.open.session(), undefined, said);
  }

  protected type({ row, column, text, block }: Typed): void {
    if (!block) return this.edits.type(row, column, text);
    const line = Array.from({ length: block.toColumn - block.column + 1 }, () => text);
    this.edits.put(
      'type in the chosen cells',
      block,
      Array.from({ length: block.toRow - block.row + 1 }, () => line),
    );
  }
  /** Typing goes on in a feature that is made for it, at once: the next key is meant for that. */
  protected grow(column: number): void {
    if (!this.edits.growFeature()) return;
    this.changes.detectChanges();
    this.grid()?.choose((this.edits.comparison()?.rows.length ?? 1) - 1, column);
  }
  protected paste({ clipboard: { text } }: Pasted): void {
    const lines = text.replace(/\r?\n$/, '').split(/\r?\n/);
    this.edits.put(
      'paste cells',
      this.edits.choice(),
      lines.map((line) => line.split('\t')),
    );
  }
  /** Chooses a cell of the comparison, when it is painted, and whatever menu was open has given the focus back. */
  protected chooseSoon(row: number, column: number): void {
    setTimeout(() => this.grid()?.choose(row, column));
  }

  protected addPlan(): void {
    if (this.edits.addPlan()) this.chooseSoon(0, Math.max(1, this.edits.choice().column + 1));
  }
  protected duplicatePlan(): void {
    if (this.edits.duplicatePlan()) this.chooseSoon(0, Math.max(1, this.edits.choice().column) + 1);
  }
  protected addFeature(kind: Feature['kind']): void {
    const at = this.edits.feature() ? this.edits.choice().row + 1 : (this.edits.comparison()?.rows.length ?? 1);
    if (this.edits.addFeature(kind)) this.chooseSoon(at, 0);
  }
  protected movePlan(by: -1 | 1): void {
    const { row, column } = this.edits.choice();
    if (this.edits.carryPlan(column - 1, by < 0 ? column - 2 : column + 1)) this.chooseSoon(row, column + by);
  }
  protected moveFeature(by: -1 | 1): void {
    const { row, column } = this.edits.choice();
    const id = this.edits.feature()?.id;
    if (this.edits.carryFeature(row, by < 0 ? row - 1 : this.pastGroup(row) + 1)) this.chooseSoon(this.rowOf(id), column);
  }
  /** The row below which something stands that was moved down by one: past one feature, or of a group past the next one with all that it has. */
  private pastGroup(row: number): number {
    const rows = this.edits.comparison()?.rows ?? [];
    if (rows[row]?.is !== 'group') return row + 1;
    const next = rows.findIndex(({ is }, i) => i > row && is === 'group');
    if (next < 0) return row;
    const after = rows.findIndex(({ is }, i) => i > next && is === 'group');
    return (after < 0 ? rows.length : after) - 1;
  }
  private readonly rowOf = (feature: string | undefined): number =>
    this.edits.comparison()?.rows.findIndex((row) => 'feature' in row && row.feature.id === feature) ?? 0;
  protected carry({ axis, from, before }: Carried & { readonly axis: 'row' | 'column' }): void {
    if (axis === 'column') {
      if (this.edits.carryPlan(from - 1, before - 1)) this.chooseSoon(0, before > from ? before - 1 : before);
      return;
    }
    const row = this.edits.comparison()?.rows[from];
    if (this.edits.carryFeature(from, before)) this.chooseSoon(row && 'feature' in row ? this.rowOf(row.feature.id) : from, 0);
  }

  /** A list of lines as what the plan has in which one is. */
  protected async pasteLines(): Promise<void> {
    const [pricing, plan] = [this.pricing(), this.edits.plan()];
    if (!pricing || !plan) return;
    const { LinesDialog } = await import('./lines-dialog');
    const data: LinesData = { pricing, plan };
    const taken = await firstValueFrom(
      this.dialog.open<unknown, LinesData, string>(LinesDialog, { width: '560px', maxWidth: '94vw', data }).afterClosed(),
    );
    if (taken !== undefined) this.edits.takeLines(plan.id, taken);
  }

  /** What the one action does that settles a finding. */
  protected settles({ settle }: PricingFinding): string {
    const words: { readonly [does in typeof settle.does]: string } = {
      'say no': 'Say no',
      join: 'Make them one',
      'remove badge': 'Take the badge off',
      unfeature: 'Feature none',
      'go to name': 'Name it',
      'go to price': 'Type the price',
      'go to action': 'See its actions',
      'go to accent': 'See its accent',
      'go to answer': 'See what it has',
    };
    return words[settle.does];
  }
  protected settle(finding: PricingFinding): void {
    const { settle } = finding;
    const plan = 'plan' in settle ? settle.plan : undefined;
    const column = 1 + (this.edits.comparison()?.plans.findIndex(({ id }) => id === plan) ?? 0);
    const rows = this.edits.comparison()?.rows ?? [];
    switch (settle.does) {
      case 'go to name':
        return this.chooseSoon(0, column);
      case 'go to price': {
        const period = 'period' in settle ? settle.period : undefined;
        return this.chooseSoon(
          Math.max(
            1,
            rows.findIndex((row) => row.is === 'price' && row.chosen.period === period),
          ),
          column,
        );
      }
      case 'go to action':
        this.chooseSoon(
          rows.findIndex(({ is }) => is === 'action'),
          column,
        );
        return this.panel.set('plan');
      case 'go to accent':
        this.chooseSoon(0, column);
        return this.panel.set('plan');
      case 'go to answer':
        return this.chooseSoon(this.rowOf(settle.feature), column);
      case 'say no':
      case 'join':
      case 'remove badge':
      case 'unfeature':
        this.edits.settle(finding);
    }
  }
}
