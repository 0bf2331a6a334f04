import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { cardLists, planForms, showsCards, type PlanForm, type PlansShown, type TableBlock } from '../../../../../core/page';
import type { Theme } from '../../../../../core/theme';
import { ThemeViews } from '../../controls/dressed/theme-views';

interface NarrowForm {
  readonly upTo: number;
  readonly label: string;
  readonly form: PlanForm | undefined;
}

const forms: { readonly [form in PlanForm]: string } = {
  comparison: 'Comparison',
  cards: 'Cards',
  'cards and comparison': 'Cards, the comparison below',
  'one plan at a time': 'One plan at a time',
};
const lists: { readonly [list in (typeof cardLists)[number]]: string } = {
  'own lists': 'Each card its own list',
  'common lines': 'Features on common lines',
};

/** In which form a placement shows a pricing table: as cards, as the comparison or both, and otherwise where there is less room. */
@Component({
  selector: 'zest-plans-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatCheckbox],
  template: `
    <label
      >Form
      <select class="zest-field" (change)="setForm($any($event.target).value)">
        @for (each of all; track each) {
          <option [value]="each" [selected]="plans().form === each">{{ names[each] }}</option>
        }
      </select>
    </label>
    @for (each of narrower(); track each.upTo) {
      <label
        >{{ each.label }}
        <select class="zest-field" (change)="setFormAt(each.upTo, $any($event.target).value)">
          <option value="" [selected]="!each.form">As where there is more room</option>
          @for (form of all; track form) {
            <option [value]="form" [selected]="each.form === form">{{ names[form] }}</option>
          }
        </select>
      </label>
    }
    @if (hasCards()) {
      <label
        >Cards have
        <select class="zest-field" (change)="setLists($any($event.target).value)">
          @for (each of manners; track each) {
            <option [value]="each" [selected]="(plans().lists ?? 'own lists') === each">{{ lists[each] }}</option>
          }
        </select>
      </label>
      <mat-checkbox [checked]="plans().told === true" (change)="change({ told: $event.checked || undefined })"
        >Tell search engines of plans and prices</mat-checkbox
      >
    }
  `,
  styles: `
    label {
      display: block;
      color: var(--zest-soft);
      margin-block-end: 10px;
    }
  `,
})
export class PlansForm {
  private readonly views = inject(ThemeViews);
  readonly block = input.required<TableBlock>();
  readonly theme = input<Theme>();
  readonly changed = output<Partial<TableBlock>>();

  protected readonly all = planForms;
  protected readonly names = forms;
  protected readonly manners = cardLists;
  protected readonly lists = lists;
  protected readonly plans = computed<PlansShown>(() => this.block().plans ?? { form: 'comparison' });
  protected readonly hasCards = computed(() => showsCards(this.block().plans));
  /** The theme's width steps and, should there be any, other widths that have a form of their own. */
  protected readonly narrower = computed<readonly NarrowForm[]>(() => {
    const theme = this.theme();
    const { at = [] } = this.plans();
    const steps = theme ? this.views.of(theme).steps : [];
    const formAt = (width: number): PlanForm | undefined => at.find(({ upTo }) => upTo === width)?.form;
    const others = at.filter(({ upTo }) => !steps.some(({ width }) => width === upTo));
    return [
      ...steps.map(({ name, width }) => ({ upTo: width, label: `Form at ${name}, up to ${width}px`, form: formAt(width) })),
      ...others.map(({ upTo, form }) => ({ upTo, label: `Form up to ${upTo}px`, form })),
    ].sort((a, b) => b.upTo - a.upTo);
  });

  protected setForm(typed: string): void {
    const form = planForms.find((each) => each === typed);
    if (form) this.change({ form });
  }
  protected setFormAt(upTo: number, typed: string): void {
    const form = planForms.find((each) => each === typed);
    const others = (this.plans().at ?? []).filter((each) => each.upTo !== upTo);
    const at = form ? [...others, { upTo, form }].sort((a, b) => b.upTo - a.upTo) : others;
    this.change({ at: at.length === 0 ? undefined : at });
  }
  protected setLists(typed: string): void {
    this.change({ lists: cardLists.find((each) => each === typed) });
  }
  /** Nothing said is what a placement begins with: the comparison at every width. */
  protected change(part: { readonly [name in keyof PlansShown]?: PlansShown[name] | undefined }): void {
    const said = Object.fromEntries(Object.entries({ ...this.plans(), ...part }).filter(([, value]) => value !== undefined)) as unknown as PlansShown;
    this.changed.emit({ plans: Object.keys(said).length === 1 && said.form === 'comparison' ? undefined : said });
  }
}
