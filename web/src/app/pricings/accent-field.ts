import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { sayProblem, type Outcome } from '../../../../core/outcome';
import type { SlotReadability } from '../../../../core/paint';
import { hardestOfCards } from '../../../../core/plan-checks';
import { accentOf, viewWithAccent } from '../../../../core/pricing';
import { ACCENT, partOf, type ModeName } from '../../../../core/theme';
import { PricingEdits } from './pricing-edits';

/** What is told of an accent: what is wrong with it or, where it is seen, how well texts read with it. */
function noteOf(accent: Outcome<string> | undefined, hardest: SlotReadability | undefined, isSeen: boolean): string {
  if (!accent) return '';
  if (!accent.ok) return accent.problems.map(sayProblem).join(' ');
  if (!isSeen) return 'Not seen: the theme has no swatch “accent”.';
  if (!hardest) return '';
  return `The hardest to read is the ${partOf(hardest.slot.part).label.toLowerCase()}, at ${(Math.floor(hardest.ratio * 10) / 10).toFixed(1)} : 1.`;
}

/** The accent of the plan in which one is: a swatch of its theme or a colour, in the dark another one, with how well texts read with it. */
@Component({
  selector: 'zest-accent-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (each of fields(); track each.mode) {
      <label
        >{{ each.label }}
        <span class="pair">
          <span class="chip" aria-hidden="true" [style.background]="each.colour"></span>
          <input
            class="zest-field"
            maxlength="60"
            spellcheck="false"
            list="pricing-accents"
            [placeholder]="each.placeholder"
            [attr.aria-invalid]="refused() === each.mode ? true : null"
            [attr.aria-describedby]="refused() === each.mode ? 'accent-refusal' : each.note ? 'accent-note-' + each.mode : null"
            [value]="each.text"
            (change)="set(each.mode, $event.target)"
          />
        </span>
      </label>
      @if (refused() === each.mode) {
        <p id="accent-refusal" role="alert" class="refusal">{{ refusal() }}</p>
      } @else if (each.note) {
        <p class="zest-note" [id]="'accent-note-' + each.mode">{{ each.note }}</p>
      }
    }
    <datalist id="pricing-accents">
      @for (name of swatches(); track name) {
        <option [value]="name"></option>
      }
    </datalist>
  `,
  styles: `
    :host {
      display: contents;
    }
    .pair {
      display: grid;
      grid-template-columns: 24px minmax(0, 1fr);
      gap: 6px;
      align-items: center;
    }
    .chip {
      height: 24px;
      border: 1px solid var(--zest-line);
      border-radius: 6px;
      forced-color-adjust: none;
    }
    p {
      margin: 0;
    }
  `,
  styleUrl: './form.scss',
})
export class AccentField {
  private readonly edits = inject(PricingEdits);
  /** The mode whose text was refused, and why. */
  protected readonly refused = signal<ModeName | '' | undefined>(undefined);
  protected readonly refusal = signal('');
  protected readonly swatches = computed(() => this.edits.view()?.swatches.map(({ name }) => name) ?? []);

  protected readonly fields = computed(() => {
    const [plan, view] = [this.edits.plan(), this.edits.view()];
    if (!plan) return [];
    const modes: readonly ('' | 'dark')[] = view?.modes.includes('dark') === true ? ['', 'dark'] : [''];
    return modes.map((mode) => {
      const looked = view?.in(mode);
      const accent = looked && accentOf(looked, plan);
      const hardest = looked && accent?.ok === true && looked.colours.has(ACCENT) ? hardestOfCards(viewWithAccent(looked, plan)) : undefined;
      return {
        mode,
        label: mode === 'dark' ? 'In the dark' : 'Accent',
        text: (mode === '' ? plan.accent : plan.accentIn?.[mode]) ?? '',
        placeholder: mode === '' ? 'the theme’s' : plan.accent || 'the theme’s',
        colour: accent?.ok === true ? accent.value : 'none',
        note: noteOf(accent, hardest, looked?.colours.has(ACCENT) === true),
      };
    });
  });

  protected set(mode: '' | 'dark', field: EventTarget | null): void {
    const [plan, view] = [this.edits.plan(), this.edits.view()];
    if (!plan || !(field instanceof HTMLInputElement)) return;
    const text = field.value.trim();
    const read = text === '' || !view ? undefined : accentOf(view.in(mode), { ...plan, accent: text, accentIn: {} });
    this.refused.set(read?.ok === false ? mode : undefined);
    if (read?.ok === false) return this.refusal.set(read.problems.map(sayProblem).join(' '));
    if (mode === '') return this.edits.setPlan('give a plan an accent', { accent: text });
    const { [mode]: _, ...others } = plan.accentIn ?? {};
    this.edits.setPlan('give a plan an accent in the dark', { accentIn: text === '' ? others : { ...others, [mode]: text } });
  }
}
