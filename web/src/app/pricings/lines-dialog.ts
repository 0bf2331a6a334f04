import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { sayProblem } from '../../../../core/outcome';
import { pasteLines, type Plan, type Pricing } from '../../../../core/pricing';

export interface LinesData {
  readonly pricing: Pricing;
  readonly plan: Plan;
}

/** Lines of a list as what a plan has, with what becomes of each before it is taken. */
@Component({
  selector: 'zest-lines-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>Lines for “{{ data.plan.name }}”</h2>
    <mat-dialog-content>
      <label
        >One feature a line
        <textarea class="zest-field" rows="7" cdkFocusInitial [value]="text()" (input)="text.set($any($event.target).value)"></textarea>
      </label>
      @if (wrong()) {
        <p class="zest-wrong" role="alert">{{ wrong() }}</p>
      }
      @if (lines(); as lines) {
        <ul aria-label="What becomes of them">
          @for (line of lines; track $index) {
            <li>
              {{ line.line }} <span class="zest-note">{{ line.joined ? 'joins “' + line.name + '”' : 'becomes a feature' }}</span>
            </li>
          }
        </ul>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-button mat-dialog-close>Leave it</button>
      <button mat-flat-button [disabled]="!lines()" [mat-dialog-close]="text()">Take them</button>
    </mat-dialog-actions>
  `,
  styles: `
    label {
      display: grid;
      gap: 6px;
      color: var(--zest-soft);
    }
    ul {
      margin: 12px 0 0;
      padding-inline-start: 18px;
      max-height: 30vh;
      overflow: auto;
    }
  `,
})
export class LinesDialog {
  protected readonly data = inject<LinesData>(MAT_DIALOG_DATA);
  protected readonly text = signal('');
  private readonly made = computed(() => pasteLines(this.data.pricing, this.data.plan, this.text()));
  protected readonly wrong = computed(() => {
    const made = this.made();
    return made.ok || this.text().trim() === '' ? '' : made.problems.map(sayProblem).join(' ');
  });
  protected readonly lines = computed(() => {
    const made = this.made();
    if (!made.ok) return undefined;
    const { pricing, pasted } = made.value;
    return pasted.map((each) => ({ ...each, name: pricing.features.find(({ id }) => id === each.feature)?.name ?? '' }));
  });
}
