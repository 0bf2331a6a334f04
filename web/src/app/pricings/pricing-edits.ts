import { Injectable, computed, inject, signal } from '@angular/core';
import { sayProblem, type Outcome } from '../../../../core/outcome';
import { checkAccents, checkWords } from '../../../../core/plan-checks';
import {
  addFeature,
  addPlan,
  changeFeature,
  changePlan,
  checkPricing,
  duplicatePlan,
  editedComparison,
  moveFeature,
  movePlan,
  pasteLines,
  readPricing,
  removeFeature,
  removePlan,
  settled,
  takeLooks,
  typeBlock,
  typeIn,
  type Feature,
  type Plan,
  type Pricing,
  type PricingFinding,
} from '../../../../core/pricing';
import { gridOf } from '../../../../core/table';
import { ThemeViews } from '../controls/dressed/theme-views';
import type { KeptTheme } from '../documents/api';
import { OpenDocument } from '../documents/open-document';
import type { Choice } from '../tables/choice';
import type { Asked } from '../tables/columns/column-form';
import type { LookNames } from '../tables/looks/look-rows';

/** What can be done to the pricing table that is open, and what was said of it. */
@Injectable()
export class PricingEdits {
  private readonly open = inject<OpenDocument<'pricings'>>(OpenDocument);
  private readonly views = inject(ThemeViews);
  readonly pricing = this.open.document;
  /** The themes that there are, and the one that it wears, as it is looked at. */
  readonly themes = signal<readonly KeptTheme[]>([]);
  readonly view = computed(() => {
    const theme = this.themes().find(({ id }) => id === this.pricing()?.theme)?.document;
    return theme && this.views.of(theme);
  });
  /** Why something could not be done; and what came of something that could. */
  readonly refusal = signal('');
  readonly said = signal('');
  /** What is chosen in the comparison. */
  readonly choice = signal<Choice>({ row: 0, column: 1, toRow: 0, toColumn: 1 });
  private readonly shownCurrency = signal('');
  /** The currency in which prices are seen and typed. */
  readonly currency = computed(() => {
    const { currencies = [], first } = this.pricing() ?? {};
    return currencies.find(({ code }) => code === this.shownCurrency())?.code ?? first?.currency ?? '';
  });
  readonly comparison = computed(() => {
    const pricing = this.pricing();
    return pricing && editedComparison(pricing, this.currency());
  });
  /** The plan, and the feature or group, in which the choice is. */
  readonly plan = computed<Plan | undefined>(() => this.comparison()?.plans[Math.max(0, this.choice().column - 1)]);
  readonly feature = computed<Feature | undefined>(() => {
    const row = this.comparison()?.rows[this.choice().row];
    return row && 'feature' in row ? row.feature : undefined;
  });
  readonly findings = computed<readonly PricingFinding[]>(() => {
    const pricing = this.pricing();
    const view = this.view();
    return pricing ? [...checkPricing(pricing), ...(view ? [...checkAccents(pricing, view), ...checkWords(pricing, view)] : [])] : [];
  });

  /** Chooses the name of a plan that is shown, by its number from 0. */
  choosePlan = (at: number): void => this.choice.set({ row: 0, column: at + 1, toRow: 0, toColumn: at + 1 });

  showIn = (currency: string): void => this.shownCurrency.set(currency);

  /** Changes the document, or says why it cannot be; `touches` as in DocumentSession.act. */
  act(label: string, touches: string, make: (pricing: Pricing) => Outcome<Pricing> | Pricing): boolean {
    const pricing = this.pricing();
    if (!pricing) return false;
    this.said.set('');
    const made = make(pricing);
    const asked: Outcome<Pricing> = 'ok' in made ? made : { ok: true, value: made };
    // What could not be kept is refused where it is typed, by the same reader that the server has.
    const outcome = asked.ok && asked.value !== pricing ? readPricing(asked.value) : asked;
    this.refusal.set(outcome.ok ? '' : outcome.problems.map(sayProblem).join(' '));
    if (!outcome.ok) return false;
    if (outcome.value !== pricing) this.open.act(label, touches, () => outcome.value);
    return true;
  }
  setPlan = (label: string, fields: Partial<Omit<Plan, 'id'>>): void => {
    const plan = this.plan();
    if (plan) this.act(label, `${plan.id} ${Object.keys(fields).join()}`, (pricing) => changePlan(pricing, plan.id, fields));
  };
  setFeature = (label: string, fields: Partial<Omit<Feature, 'id' | 'kind'>>): void => {
    const feature = this.feature();
    if (feature) this.act(label, `${feature.id} ${Object.keys(fields).join()}`, (pricing) => changeFeature(pricing, feature.id, fields));
  };

  /** What was typed in a cell; one that was left as it is was only looked into. */
  type(row: number, column: number, text: string): void {
    const { table, rows, plans } = this.comparison() ?? {};
    const at = rows?.[row];
    if (!table || !at || gridOf(table).at(row, column).text === text) return;
    const what = {
      names: 'name a plan',
      badge: 'name a badge',
      price: 'type a price',
      action: 'word an action',
      group: 'name a heading',
      feature: 'type what a plan has',
    };
    this.act(what[at.is], '', (pricing) => typeIn(pricing, at, plans?.[column - 1], text));
  }
  /** Texts for a block of cells. */
  put(label: string, from: { readonly row: number; readonly column: number }, texts: readonly (readonly string[])[]): void {
    const pricing = this.pricing();
    if (!pricing) return;
    const done = typeBlock(pricing, from, texts, this.currency());
    this.act(label, '', () => done.pricing);
    const made = [
      ...(done.plans > 0 ? [done.plans === 1 ? '1 plan was made' : `${done.plans} plans were made`] : []),
      ...(done.features > 0 ? [done.features === 1 ? '1 feature was made' : `${done.features} features were made`] : []),
    ];
    this.said.set(
      done.cells === 0 ? '' : `${done.cells === 1 ? '1 cell' : `${done.cells} cells`} taken${made.length > 0 ? `; ${made.join(', ')}` : ''}.`,
    );
    this.refusal.set(done.problems.slice(0, 3).join(' '));
  }
  clear({ row, column, toRow, toColumn }: Choice): void {
    this.put(
      'empty the chosen cells',
      { row, column },
      Array.from({ length: toRow - row + 1 }, () => Array.from({ length: toColumn - column + 1 }, () => '')),
    );
  }

  /** What places of the comparison are called, for looks beside the theme. */
  readonly lookNames = computed((): LookNames => {
    const { plans = [], rows = [] } = this.comparison() ?? {};
    const planAt = (column: number): string => plans[column - 1]?.name ?? 'Features';
    const rowAt = (row: number): string => {
      const at = rows[row];
      return at && 'feature' in at ? at.feature.name : at?.is === 'price' ? 'Price' : at?.is === 'action' ? 'Action' : 'Names';
    };
    return {
      kinds: { column: 'plan', row: 'feature', cell: 'crossing' },
      at: ({ row, column }) => [...(column === null ? [] : [planAt(column)]), ...(row === null ? [] : [rowAt(row)])].join(': '),
    };
  });
  /** Takes the looks that the comparison is given. */
  look({ label, touches, make }: Asked): void {
    const shown = this.comparison();
    if (shown) this.act(label, touches, (pricing) => takeLooks(pricing, shown, make(shown.table).exceptions));
  }

  addPlan = (): boolean => this.act('add a plan', '', (pricing) => addPlan(pricing, '', this.plan()?.id));
  duplicatePlan = (): boolean => this.act('duplicate a plan', '', (pricing) => duplicatePlan(pricing, this.plan()?.id ?? ''));
  removePlan = (): boolean => this.act('delete a plan', '', (pricing) => removePlan(pricing, this.plan()?.id ?? ''));
  hidePlan = (): void => this.setPlan('hide a plan', { hidden: true });
  showPlan = (id: string): boolean => this.act('show a plan', '', (pricing) => changePlan(pricing, id, { hidden: false }));
  /** Takes a plan that is shown before another place among those, from 0; true where it moved. */
  carryPlan(from: number, before: number): boolean {
    const plans = this.comparison()?.plans ?? [];
    const moved = plans[from];
    if (!moved || before < 0 || before > plans.length || before === from || before === from + 1) return false;
    return this.act('move a plan', '', (pricing) => movePlan(pricing, moved.id, plans[before]?.id));
  }
  /** The same for a feature or a group by its row. */
  carryFeature(from: number, before: number): boolean {
    const rows = this.comparison()?.rows ?? [];
    const [moved, goal] = [rows[from], rows[before]];
    if (!moved || !('feature' in moved) || (goal && !('feature' in goal))) return false;
    return this.act('move a feature', '', (pricing) =>
      moveFeature(pricing, moved.feature.id, goal && 'feature' in goal ? goal.feature.id : undefined),
    );
  }
  addFeature = (kind: Feature['kind'] = 'feature', name = ''): boolean =>
    this.act(kind === 'group' ? 'add a heading' : 'add a feature', '', (pricing) => addFeature(pricing, name, kind, this.feature()?.id));
  /** One more feature at the end. */
  growFeature = (): boolean => this.act('add a feature', '', (pricing) => addFeature(pricing, ''));
  removeFeature = (): void => {
    const id = this.feature()?.id;
    if (id !== undefined) this.act('delete a feature', '', (pricing) => removeFeature(pricing, id));
  };
  /** Lines as what a plan has; which of them joined a feature that was there is said. */
  takeLines(plan: string, text: string): void {
    let said = '';
    const done = this.act('paste lines into a plan', '', (pricing) => {
      const found = pricing.plans.find(({ id }) => id === plan);
      const made = found ? pasteLines(pricing, found, text) : undefined;
      if (!made?.ok) return made ?? pricing;
      const joined = made.value.pasted.filter((each) => each.joined).length;
      const fresh = made.value.pasted.length - joined;
      said = `${fresh === 1 ? '1 line became a feature' : `${fresh} lines became features`}, ${joined} joined one that was there.`;
      return { ok: true, value: made.value.pricing };
    });
    if (done) this.said.set(said);
  }
  settle = (finding: PricingFinding): boolean => this.act('settle a finding', '', (pricing) => settled(pricing, finding.settle));
}
