import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { firstValueFrom } from 'rxjs';
import { icons } from '../../../../core/media';
import { bad, good, type Outcome } from '../../../../core/outcome';
import {
  answerOf,
  availabilities,
  changePlan,
  featurePlaces,
  priceIn,
  readAmount,
  setAnswer,
  setNote,
  setPrice,
  typeAmount,
  writtenPrice,
  type Action,
  type Plan,
  type Price,
  type Pricing,
} from '../../../../core/pricing';
import { mediaAddress } from '../../../../core/theme';
import { Deleting } from '../controls/deleting';
import { Api } from '../documents/api';
import { AccentField } from './accent-field';
import { PricingEdits } from './pricing-edits';

/** What of the plan, and of the feature, in which one is cannot be typed in the comparison. */
@Component({
  selector: 'zest-plan-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AccentField, MatButtonModule, MatCheckboxModule],
  templateUrl: './plan-form.html',
  styleUrl: './form.scss',
})
export class PlanForm {
  private readonly api = inject(Api);
  private readonly deleting = inject(Deleting);
  protected readonly edits = inject(PricingEdits);
  protected readonly availabilities = availabilities;
  protected readonly icons = icons;
  protected readonly featurePlaces = featurePlaces;
  protected readonly kinds = [
    ['amount', 'Amount'],
    ['from', 'From an amount'],
    ['free', 'Free'],
    ['on request', 'On request'],
  ] as const;
  /** The currency in which prices are typed. */
  protected readonly first = computed(() => this.edits.pricing()?.currencies[0]?.code ?? '');
  protected readonly others = computed(() => this.edits.pricing()?.plans.filter(({ id }) => id !== this.edits.plan()?.id) ?? []);
  /** What the plan says itself of the feature in which one is, and its footnote. */
  protected readonly answer = computed(() => {
    const [pricing, plan, feature] = [this.edits.pricing(), this.edits.plan(), this.edits.feature()];
    if (!pricing || !plan || !feature) return undefined;
    const given = answerOf(pricing, feature, plan);
    return given?.of.id === plan.id ? given.answer : undefined;
  });
  protected readonly note = computed(() => this.edits.pricing()?.notes.find(({ id }) => id === this.answer()?.note)?.text ?? '');
  /** The plural forms that the document's language has. */
  protected readonly forms = computed(
    (): readonly string[] => new Intl.PluralRules(this.edits.pricing()?.language || 'en').resolvedOptions().pluralCategories,
  );
  /** Each period with what the plan costs in it, and with what is worked out of that. */
  protected readonly prices = computed(() => {
    const [pricing, plan] = [this.edits.pricing(), this.edits.plan()];
    if (!pricing || !plan) return [];
    return pricing.periods.map((period) => {
      const price = plan.prices.find((each) => each.period === period.id);
      const { perMonth, saving } = writtenPrice(pricing, plan, { period: period.id, currency: this.first() }) ?? {};
      const others = pricing.currencies.slice(1).map(({ code }) => ({
        code,
        isTyped: price?.by?.[code] !== undefined,
        typed: price?.by?.[code] ?? '',
        workedOut: priceIn(pricing, plan, period.id, code)?.amount ?? '',
      }));
      return { period, price, others, said: [perMonth, saving].filter(Boolean).join(', ') };
    });
  });

  protected set = (label: string, fields: Partial<Omit<Plan, 'id'>>): void => this.edits.setPlan(label, fields);
  protected feature(id: string, is: boolean): void {
    this.edits.act(is ? 'let a plan stand out' : 'let no plan stand out', '', (pricing) => ({ ...pricing, featured: is ? id : '' }));
  }

  /** A picture in place of the icon. */
  protected async bring(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    const kept = file && (await this.deleting.attempt(() => firstValueFrom(this.api.keepPicture(file))));
    if (kept) this.set('give a plan a picture', { picture: mediaAddress(kept.id) });
  }

  private onPlan(label: string, make: (pricing: Pricing, plan: Plan) => Outcome<Pricing> | Pricing): void {
    const plan = this.edits.plan();
    if (plan) this.edits.act(label, '', (pricing) => make(pricing, plan));
  }
  protected setAmount(period: string, typed: string, currency: string): void {
    this.onPlan('type a price', (pricing, plan) => typeAmount(pricing, plan.id, period, typed, currency));
  }
  protected setKind(period: string, field: HTMLSelectElement): void {
    const is = field.value as Price['is'] | '';
    this.onPlan('say how a price is said', (pricing, plan) => {
      if (is === '') return setPrice(pricing, plan.id, period, undefined);
      if (is === 'free' || is === 'on request') return setPrice(pricing, plan.id, period, { is });
      const had = plan.prices.find((each) => each.period === period);
      if (had?.amount !== undefined) return setPrice(pricing, plan.id, period, { ...had, is });
      field.value = had?.is ?? '';
      return bad({ code: 'pricing-amount', say: 'There is no amount yet.', remedy: 'Type it in the field beside this.' });
    });
  }
  /** What is kept beside an amount. */
  private setBeside(label: string, period: string, make: (price: Price) => Outcome<Price>): void {
    this.onPlan(label, (pricing, plan) => {
      const had = plan.prices.find((each) => each.period === period);
      const made = had && make(had);
      return made?.ok ? setPrice(pricing, plan.id, period, made.value) : (made ?? pricing);
    });
  }
  protected setWas(period: string, typed: string): void {
    this.setBeside('type an earlier price', period, ({ was: _, ...rest }) => {
      if (typed.trim() === '') return good(rest);
      const read = readAmount(typed);
      return read.ok ? good({ ...rest, was: read.value }) : read;
    });
  }
  protected setUnit(period: string, typed: string): void {
    const unit = typed.trim();
    this.setBeside('say what a price is for', period, ({ unit: _, ...rest }) => good(unit === '' ? rest : { ...rest, unit }));
  }

  protected setAction(at: number, fields: Partial<Action>): void {
    this.onPlan('change an action', (pricing, plan) =>
      changePlan(pricing, plan.id, { actions: plan.actions.map((each, i) => (i === at ? { ...each, ...fields } : each)) }),
    );
  }
  protected addAction(): void {
    this.onPlan('add an action', (pricing, plan) =>
      changePlan(pricing, plan.id, { actions: [...plan.actions, { text: '', href: '', rank: plan.actions.length === 0 ? 'first' : 'second' }] }),
    );
  }
  protected dropAction(at: number): void {
    this.onPlan('take an action away', (pricing, plan) => changePlan(pricing, plan.id, { actions: plan.actions.filter((_, i) => i !== at) }));
  }

  protected setCard(text: string): void {
    const [answer, feature] = [this.answer(), this.edits.feature()];
    if (!answer || !feature) return;
    const { card: _, ...bare } = answer;
    this.onPlan('word what a card says', (pricing, plan) =>
      setAnswer(pricing, feature.id, plan.id, text.trim() === '' ? bare : { ...bare, card: text.trim() }),
    );
  }
  protected setNote(text: string): void {
    const feature = this.edits.feature();
    if (feature) this.onPlan('write a footnote', (pricing, plan) => setNote(pricing, feature.id, plan.id, text));
  }
  protected setForm(form: string, text: string): void {
    const { phrase = {} } = this.edits.feature() ?? {};
    const others = Object.entries(phrase).filter(([name]) => name !== form);
    const made = Object.fromEntries(text.trim() === '' ? others : [...others, [form, text.trim()]]);
    this.edits.setFeature('word a feature', { phrase: made });
  }
}
