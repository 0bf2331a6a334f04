import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatTooltipModule } from '@angular/material/tooltip';
import type { KindName } from '../../../../core/documents';
import { aroundStep, logOf, type Logged } from '../../../../core/edit';
import { OpenDocument } from '../documents/open-document';
import { when } from './when';

/** A step in the list of what was done, as it is told. */
interface Told extends Logged {
  readonly at: number | undefined;
  readonly told: string;
  /** What it changed, in words. */
  readonly changed: string;
}

/** Steps that are told with what they changed; the others by their names alone. */
const MOST_TOLD = 60;

/**
 * Undo and redo of the open document, as buttons that say what they would do; and everything that was done as a list, from which the
 * document goes back to any moment, and forward again.
 */
@Component({
  selector: 'zest-undo-redo',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatIconModule, MatMenuModule, MatTooltipModule],
  template: `
    <button
      mat-icon-button
      (click)="open.session()?.undo()"
      [disabled]="!open.undoLabel()"
      disabledInteractive
      [attr.aria-label]="'Undo ' + (open.undoLabel() ?? '')"
      [matTooltip]="open.undoLabel() ? 'Undo ' + open.undoLabel() : 'Nothing to undo'"
    >
      <mat-icon svgIcon="undo" />
    </button>
    <button
      mat-icon-button
      (click)="open.session()?.redo()"
      [disabled]="!open.redoLabel()"
      disabledInteractive
      [attr.aria-label]="'Do again: ' + (open.redoLabel() ?? '')"
      [matTooltip]="open.redoLabel() ? 'Do again: ' + open.redoLabel() : 'Nothing to do again'"
    >
      <mat-icon svgIcon="redo" />
    </button>
    <button mat-icon-button [matMenuTriggerFor]="list" (menuOpened)="look()" aria-label="What was done" matTooltip="What was done, to go back to">
      <mat-icon svgIcon="history" />
    </button>
    <mat-menu #list="matMenu" class="zest-history">
      @for (step of steps(); track step.count) {
        <button
          mat-menu-item
          [class.undone]="step.is === 'undone'"
          [class.here]="step.is === 'now'"
          [attr.aria-current]="step.is === 'now' ? 'step' : null"
          (click)="go(step)"
        >
          <span>{{ step.label }}</span>
          <small>{{ step.told }}</small>
          @if (step.changed) {
            <small class="changed">{{ step.changed }}</small>
          }
        </button>
      }
      <button mat-menu-item [class.here]="isAtStart()" [attr.aria-current]="isAtStart() ? 'step' : null" (click)="goTo(0, 'the beginning')">
        {{ steps().length === 0 ? 'Nothing was done yet' : 'The beginning' }}
      </button>
    </mat-menu>
  `,
  styles: ':host { display: flex; }',
})
export class UndoRedo {
  /** What changed from one state to another, in words; without it a step is told by its name. */
  readonly inWords = input<(before: never, after: never) => string>();
  protected readonly open = inject<OpenDocument<KindName>>(OpenDocument);
  protected readonly steps = signal<readonly Told[]>([]);
  protected readonly isAtStart = signal(true);

  /** Reads what was done, when the list is opened: it is not told at every step. */
  protected look(): void {
    const history = this.open.session()?.history;
    if (!history) return;
    const words = this.inWords();
    const log = logOf(history);
    this.isAtStart.set(!log.some(({ is }) => is === 'now'));
    this.steps.set(
      log.map((step, i) => {
        const isTold = words !== undefined && step.at !== undefined && i < MOST_TOLD;
        const all = isTold ? words(...(aroundStep(history, step.at) as [never, never])) : '';
        // What its name says already is not said again.
        const named = `${step.label.slice(step.label.indexOf(': ') + 2)}: `;
        const changed = all.startsWith(named) ? all.slice(named.length) : all;
        const time = step.time === undefined ? '' : when(step.time);
        return { ...step, told: [step.is === 'undone' ? 'taken back' : step.is === 'now' ? 'here' : '', time].filter(Boolean).join(', '), changed };
      }),
    );
  }

  protected go({ count, label }: Told): void {
    this.goTo(count, label);
  }
  protected goTo(count: number, label: string): void {
    this.open.session()?.goTo(count, label);
  }
}
