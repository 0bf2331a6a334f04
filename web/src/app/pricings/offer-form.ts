import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { languages } from '../../../../core/languages';
import { addCurrency, addPeriod, removeCurrency, removePeriod, savingKinds, setCurrency, type Period, type Pricing } from '../../../../core/pricing';
import type { KeptTheme } from '../documents/api';
import { PricingEdits } from './pricing-edits';

/** Periods that are offered; any other is named after it was added. */
const PERIODS: readonly Omit<Period, 'id'>[] = [
  { name: 'Monthly', months: 1 },
  { name: 'Yearly', months: 12 },
  { name: 'Once', months: null },
];

/** What goes for all plans: theme, language, tax, periods and currencies. */
@Component({
  selector: 'zest-offer-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatCheckboxModule],
  templateUrl: './offer-form.html',
  styleUrl: './form.scss',
})
export class OfferForm {
  readonly themes = input.required<readonly KeptTheme[]>();
  protected readonly edits = inject(PricingEdits);
  protected readonly languages = languages;
  protected readonly savingKinds = savingKinds;
  protected readonly endings = ['.00', '.50', '.90', '.95', '.99'];
  /** Periods that are not there yet. */
  protected readonly offered = computed(() =>
    PERIODS.filter(({ months }) => !this.edits.pricing()?.periods.some((period) => period.months === months)),
  );

  protected set(label: string, touches: string, fields: Partial<Pricing>): void {
    this.edits.act(label, touches, (pricing) => ({ ...pricing, ...fields }));
  }
  protected showFirst(first: Partial<Pricing['first']>): void {
    this.edits.act('say what is shown first', '', (pricing) => ({ ...pricing, first: { ...pricing.first, ...first } }));
  }
  protected setPeriod(id: string, fields: Partial<Omit<Period, 'id'>>): void {
    this.edits.act('change a period', '', (pricing) => ({
      ...pricing,
      periods: pricing.periods.map((each) => (each.id === id ? { ...each, ...fields } : each)),
    }));
  }
  protected setMonths(id: string, typed: string): void {
    const text = typed.trim();
    if (text !== '' && !/^\d{1,4}$/.test(text)) {
      this.edits.refusal.set(`“${typed.slice(0, 20)}” is no number of months. Type a whole one, or nothing where it cannot be said.`);
      return;
    }
    this.setPeriod(id, { months: text === '' ? null : Number(text) });
  }
  protected addPeriod(name: string, months: number | null): void {
    this.edits.act('add a period', '', (pricing) => addPeriod(pricing, name, months));
  }
  protected dropPeriod(id: string): void {
    this.edits.act('take a period away', '', (pricing) => removePeriod(pricing, id));
  }
  protected addCurrency(code: string, rate: string): boolean {
    return this.edits.act('add a currency', '', (pricing) => addCurrency(pricing, code.trim().toUpperCase(), rate));
  }
  protected setRate(code: string, rate: string): void {
    this.edits.act('set a rate', '', (pricing) => setCurrency(pricing, code, { rate }));
  }
  protected setEnding(code: string, ending: string): void {
    this.edits.act('say how amounts end', '', (pricing) => {
      if (ending !== '') return setCurrency(pricing, code, { rounding: { to: '1', ending } });
      const bare = pricing.currencies.map(({ rounding, ...each }) => (each.code === code || !rounding ? each : { ...each, rounding }));
      return { ...pricing, currencies: bare };
    });
  }
  protected dropCurrency(code: string): void {
    this.edits.act('take a currency away', '', (pricing) => removeCurrency(pricing, code));
  }
}
