import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { pricingExamples } from '../../../../core/examples';
import { sayProblem } from '../../../../core/outcome';
import { PRICING_LIMITS, emptyPricing, fromGrid, readPricing, type Pricing } from '../../../../core/pricing';

export interface NewPricingData {
  /** Keeps it, and gives what went wrong. */
  readonly keep: (pricing: Pricing) => Promise<string | undefined>;
  /** The themes that it can be dressed in, by name, and the one that it is dressed in if nothing else is said. */
  readonly themes: readonly { readonly id: string; readonly name: string }[];
  readonly theme: string;
}

/** A new pricing table: of so many plans, from cells with prices in them, or from an example. It closes when what it made is kept. */
@Component({
  selector: 'zest-new-pricing-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule],
  templateUrl: './new-pricing-dialog.html',
  styles: `
    .ways {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 280px), 1fr));
      gap: 16px;
      align-items: start;
      margin-block-start: 16px;
    }
    section {
      border: 1px solid var(--zest-line);
      border-radius: 12px;
      padding: 14px;
      display: flex;
      flex-direction: column;
      gap: 10px;
    }
    .examples {
      grid-column: 1 / -1;
      flex-flow: row wrap;
      align-items: center;
    }
    .examples h3 {
      flex: 1 0 100%;
    }
    h3,
    p {
      margin: 0;
    }
    .called {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px 16px;
    }
    label {
      display: grid;
      gap: 4px;
      min-width: 0;
      color: var(--zest-soft);
    }
    input,
    select {
      box-sizing: border-box;
      width: 100%;
      min-width: 0;
    }
    textarea {
      resize: none;
    }
  `,
})
export class NewPricingDialog {
  protected readonly data = inject<NewPricingData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<NewPricingDialog, boolean>>(MatDialogRef);
  protected readonly most = PRICING_LIMITS.plans;
  protected readonly examples = pricingExamples;
  protected readonly name = signal('');
  protected readonly theme = signal(this.data.theme);
  protected readonly count = signal(3);
  protected readonly currency = signal('GBP');
  protected readonly pasted = signal('');
  protected readonly refusal = signal('');
  /** What the pasted cells are as a pricing table. */
  protected readonly found = computed(() => {
    const text = this.pasted().replace(/\r?\n$/, '');
    if (text.trim() === '') return undefined;
    return fromGrid(
      this.name().trim() || 'Plans',
      text.split(/\r?\n/).map((line) => line.split('\t')),
    );
  });
  protected readonly says = computed(() => {
    const found = this.found();
    if (!found?.ok) return '';
    const { pricing, plans, unread } = found.value;
    const features = pricing.features.filter(({ kind }) => kind === 'feature').length;
    const odd = unread.length === 0 ? '' : ` No amount: ${unread.slice(0, 3).join(', ')}; kept as on request.`;
    return `${pricing.plans.length} plans, ${plans === 'across' ? 'each in a column' : 'each in a row'}; ${pricing.periods.length === 1 ? '1 period' : `${pricing.periods.length} periods`}, ${features} features.${odd}`;
  });
  protected readonly wrongGrid = computed(() => {
    const found = this.found();
    return !found || found.ok ? '' : found.problems.map(sayProblem).join(' ');
  });

  protected begin(): Promise<void> {
    const count = this.count();
    if (!Number.isInteger(count) || count < 1 || count > this.most) {
      this.refusal.set(`A pricing table has 1 to ${this.most} plans.`);
      return Promise.resolve();
    }
    return this.take(emptyPricing('Plans', count, this.currency().trim().toUpperCase()));
  }
  /** Has it kept, under its name and in its theme, and closes. */
  protected async take(pricing: Pricing): Promise<void> {
    const name = this.name().trim() || pricing.name;
    const read = readPricing({ ...pricing, name, caption: pricing.caption === pricing.name ? name : pricing.caption, theme: this.theme() });
    this.refusal.set(read.ok ? '' : read.problems.map(sayProblem).join(' '));
    if (!read.ok) return;
    const wrong = await this.data.keep(read.value);
    if (wrong === undefined) this.dialog.close(true);
    else this.refusal.set(wrong);
  }
}
