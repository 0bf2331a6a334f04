import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { stepSize, type TypeScale } from '../../../../../core/theme';
import { StudioState } from './studio-state';

/** The type scale: a base size, a ratio, and the sizes that come of them. */
@Component({
  selector: 'zest-type-scale',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 class="zest-label">Type steps</h2>
    <div class="fields">
      <label
        >Base, px <input class="zest-field" inputmode="decimal" [value]="scale()?.base" (change)="set('base', $any($event.target).value)"
      /></label>
      <label
        >Ratio <input class="zest-field" inputmode="decimal" [value]="scale()?.ratio" (change)="set('ratio', $any($event.target).value)"
      /></label>
    </div>
    <p class="zest-wrong" role="alert">{{ wrong() }}</p>
    <ul aria-label="Type steps">
      @for (step of steps(); track step.name) {
        <li>
          <span [style.font-size.px]="Math.min(step.size, 20)">{{ step.name }}</span><code>{{ step.size }}px</code>
        </li>
      }
    </ul>
  `,
  styles: `
    h2 {
      font-family: var(--zest-text);
      margin-block-end: 8px;
    }
    .fields {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px;
      color: var(--zest-soft);
    }
    p {
      margin: 4px 0;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      display: flex;
      flex-direction: column;
      gap: 4px;
    }
    li {
      display: flex;
      justify-content: space-between;
      align-items: center;
      background: var(--zest-card);
      border: 1px solid var(--zest-line);
      border-radius: 8px;
      padding: 2px 10px;
      min-height: 24px;
    }
    code {
      color: var(--zest-soft);
    }
  `,
})
export class TypeScalePanel {
  private readonly state = inject(StudioState);
  protected readonly Math = Math;
  protected readonly wrong = signal('');
  protected readonly scale = computed(() => this.state.look()?.scale);
  protected readonly steps = computed(() => {
    const scale = this.scale();
    return scale?.steps.map(({ name, step }) => ({ name, size: stepSize(scale, step) })) ?? [];
  });

  protected set(field: 'base' | 'ratio', typed: string): void {
    const scale = this.scale();
    const n = Number(typed.trim().replace(',', '.').replace(/px$/, ''));
    const [least, most] = field === 'base' ? [6, 60] : [1, 2];
    if (!scale) return;
    if (!(n >= least && n <= most)) return this.wrong.set(`“${typed}” does not fit: use a number from ${least} to ${most}.`);
    this.wrong.set('');
    this.state.change(`change the type scale’s ${field}`, `scale ${field}`, (theme): typeof theme => ({
      ...theme,
      scale: { ...scale, [field]: n } satisfies TypeScale,
    }));
  }
}
