import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { removeStep, renameStep, setScale, setStep } from '../../../../../../core/edit';
import { SWATCH_NAME, stepSize } from '../../../../../../core/theme';
import { StudioState } from '../studio-state';

/** The type scale: a base size, a ratio, and the sizes that come of them. */
@Component({
  selector: 'zest-type-scale',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
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
        <li [class.open]="opened() === step.name">
          <button type="button" class="step" [attr.aria-expanded]="opened() === step.name" (click)="toggle(step.name)">
            <span [style.font-size.px]="Math.min(step.size, 20)">{{ step.name }}</span> <code>{{ step.size }}px</code>
          </button>
          @if (opened() === step.name) {
            <div class="editor">
              <label>Name <input class="zest-field" [value]="step.name" (change)="rename(step.name, $any($event.target).value)" /></label>
              <label
                >Step
                <input class="zest-field" type="number" min="-10" max="10" [value]="step.step" (change)="move(step.name, +$any($event.target).value)"
              /></label>
              @if (steps().length > 1) {
                <button mat-stroked-button type="button" (click)="remove(step.name)">Take it away</button>
              }
            </div>
          }
        </li>
      }
    </ul>
    <button mat-button type="button" (click)="add()">Add a step</button>
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
      background: var(--zest-card);
      border: 1px solid var(--zest-line);
      border-radius: 8px;
    }
    .step {
      all: unset;
      box-sizing: border-box;
      width: 100%;
      display: flex;
      justify-content: space-between;
      align-items: center;
      padding: 2px 10px;
      min-height: 26px;
      cursor: pointer;
      border-radius: 8px;
    }
    .step:focus-visible {
      outline: 2px solid var(--zest-zest);
    }
    .editor {
      display: grid;
      grid-template-columns: 1fr 64px;
      gap: 8px;
      padding: 4px 10px 10px;
      color: var(--zest-soft);
    }
    .editor button {
      grid-column: 1 / -1;
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
  protected readonly scale = computed(() => this.state.view()?.scale);
  protected readonly steps = computed(() => {
    const scale = this.scale();
    return scale?.steps.map(({ name, step }) => ({ name, step, size: stepSize(scale, step) })) ?? [];
  });

  protected set(field: 'base' | 'ratio', typed: string): void {
    const scale = this.scale();
    const n = Number(typed.trim().replace(',', '.').replace(/px$/, ''));
    const [least, most] = field === 'base' ? [6, 60] : [1, 2];
    if (!scale) return;
    if (!(n >= least && n <= most)) return this.wrong.set(`“${typed}” does not fit: use a number from ${least} to ${most}.`);
    this.wrong.set('');
    this.state.change(`change the type scale’s ${field}`, `scale ${field}`, (_, view) => setScale(view, { [field]: n }));
  }

  protected readonly opened = signal('');
  protected toggle = (name: string): void => this.opened.update((opened) => (opened === name ? '' : name));

  protected rename(name: string, typed: string): void {
    const to = typed.trim().toLowerCase();
    if (!SWATCH_NAME.test(to)) return this.wrong.set('A name is made of lower-case letters, digits and hyphens, a letter first.');
    if (to !== name && this.steps().some((step) => step.name === to)) return this.wrong.set(`There is a step “${to}” already.`);
    this.wrong.set('');
    this.state.change(`rename the step ${name}`, '', (_, view) => renameStep(view, name, to));
    this.opened.set(to);
  }
  protected move(name: string, step: number): void {
    if (!Number.isInteger(step) || step < -10 || step > 10) return this.wrong.set('A step is a whole number from -10 to 10; 0 is the base size.');
    this.wrong.set('');
    this.state.change(`move the step ${name}`, '', (_, view) => setStep(view, { name, step }));
  }
  protected remove(name: string): void {
    this.state.change(`take the step ${name} away`, '', (_, view) => removeStep(view, name));
    this.opened.set('');
  }
  protected add(): void {
    const taken = new Set(this.steps().map(({ name }) => name));
    const name = Array.from({ length: 20 }, (_, i) => (i === 0 ? 'large' : `large-${i + 1}`)).find((each) => !taken.has(each));
    const highest = Math.max(...this.steps().map(({ step }) => step));
    if (name === undefined || this.steps().length >= 20) return this.wrong.set('A type scale has at most 20 steps.');
    this.state.change(`add the step ${name}`, '', (_, view) => setStep(view, { name, step: Math.min(10, highest + 1) }));
    this.opened.set(name);
  }
}
