import { CdkTrapFocus } from '@angular/cdk/a11y';
import { CdkConnectedOverlay, CdkOverlayOrigin } from '@angular/cdk/overlay';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { addWidthStep, changeWidthStep, deleteWidthStep, stepBelow } from '../../../../../../core/edit';
import { sayProblem } from '../../../../../../core/outcome';
import { StudioState } from '../studio-state';

/** The theme's width steps as tabs, narrowest first: what is set while one is picked holds in containers so narrow. */
@Component({
  selector: 'zest-width-steps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkConnectedOverlay, CdkOverlayOrigin, CdkTrapFocus, MatButtonModule, MatIconModule],
  template: `
    <div class="steps" role="group" aria-label="Width steps" cdkOverlayOrigin #origin="cdkOverlayOrigin">
      @for (step of steps(); track step.name) {
        <button
          type="button"
          class="zest-choice"
          [attr.aria-pressed]="state.step() === step.name"
          [attr.aria-label]="'At ' + step.name + ', ' + step.width + ' pixels and narrower' + (step.count ? ', ' + step.count + ' set' : '')"
          (click)="state.goToStep(step.name)"
        >
          {{ step.name }} <span class="width">{{ step.width }}</span>
          @if (step.count) {
            <span class="dot" aria-hidden="true"></span>
          }
        </button>
      }
      <button type="button" class="zest-choice" [attr.aria-pressed]="state.step() === ''" (click)="state.goToStep('')">Every width</button>
      @if (state.step(); as step) {
        <button mat-icon-button type="button" [attr.aria-label]="'Change the step ' + step" (click)="open(step)"><mat-icon svgIcon="edit" /></button>
      }
      <button mat-icon-button type="button" aria-label="Add a width step" (click)="open('')"><mat-icon svgIcon="add" /></button>
    </div>
    <ng-template
      cdkConnectedOverlay
      [cdkConnectedOverlayOrigin]="origin"
      [cdkConnectedOverlayOpen]="opened() !== undefined"
      [cdkConnectedOverlayViewportMargin]="8"
      [cdkConnectedOverlayHasBackdrop]="true"
      cdkConnectedOverlayBackdropClass="cdk-overlay-transparent-backdrop"
      (backdropClick)="opened.set(undefined)"
      (overlayKeydown)="$event.key === 'Escape' && opened.set(undefined)"
    >
      @if (opened(); as at) {
        <form
          class="zest-popover"
          role="dialog"
          [attr.aria-label]="at.step ? 'The step ' + at.step : 'A width step'"
          cdkTrapFocus
          cdkTrapFocusAutoCapture
          (submit)="$event.preventDefault(); take(name.value, width.value)"
        >
          <label>Name <input class="zest-field" #name [value]="at.name" [readonly]="at.from !== ''" autocomplete="off" /></label>
          @if (at.from) {
            <p class="zest-note">It is a step of {{ at.from }}: another width holds in this theme alone.</p>
          }
          <label>Holds up to, px <input class="zest-field" #width type="number" [value]="at.width" /></label>
          <p class="zest-wrong" role="alert">{{ wrong() }}</p>
          <div class="actions">
            @if (at.step && !at.from) {
              <button mat-button type="button" (click)="remove(at.step)">Take it away</button>
            }
            <button mat-flat-button type="submit">{{ at.step ? 'Change it' : 'Add it' }}</button>
          </div>
        </form>
      }
    </ng-template>
  `,
  styles: `
    .steps {
      display: flex;
      flex-wrap: wrap;
      gap: 4px;
      align-items: center;
    }
    .zest-choice {
      white-space: nowrap;
    }
    .width {
      color: var(--zest-soft);
      font-weight: 400;
    }
    .dot {
      display: inline-block;
      width: 6px;
      height: 6px;
      border-radius: 50%;
      background: currentColor;
      vertical-align: 2px;
      margin-inline-start: 4px;
    }
    form {
      display: grid;
      gap: 8px;
      width: 220px;
    }
    form p {
      margin: 0;
    }
    .actions {
      display: flex;
      justify-content: end;
      gap: 8px;
    }
  `,
})
export class WidthSteps {
  protected readonly state = inject(StudioState);
  protected readonly steps = computed(() => {
    const view = this.state.view();
    if (!view) return [];
    return view.steps
      .map(({ name, width }) => ({
        name,
        width,
        from: stepBelow(view, name)?.of?.name ?? '',
        count: Object.values(view.theme.widths?.find((each) => each.name === name)?.values ?? {})
          .flatMap((part) => Object.values(part))
          .reduce((sum, own) => sum + Object.keys(own).length, 0),
      }))
      .reverse();
  });
  /** What is changed; a step of no name yet is one that is added. */
  protected readonly opened = signal<{ readonly step: string; readonly name: string; readonly width: number; readonly from: string } | undefined>(
    undefined,
  );
  protected readonly wrong = signal('');

  protected open(name: string): void {
    const step = this.steps().find((each) => each.name === name);
    this.wrong.set('');
    this.opened.set(step ? { ...step, step: name } : { step: '', name: '', from: '', width: Math.round(this.state.width() / 8) * 8 });
  }

  protected take(typedName: string, typedWidth: string): void {
    const [view, at] = [this.state.view(), this.opened()];
    if (!view || !at) return;
    const [name, width] = [typedName.trim().toLowerCase(), Number(typedWidth)];
    const changed = at.step ? changeWidthStep(view, at.step, { name, width }) : addWidthStep(view, name, width);
    const [problem] = changed.ok ? [] : changed.problems;
    if (!changed.ok) return this.wrong.set(problem ? sayProblem(problem) : 'It cannot be taken.');
    this.state.change(at.step ? `change the width step ${at.step}` : `add the width step ${name}`, '', () => changed.value);
    this.opened.set(undefined);
    this.state.goToStep(name);
  }

  protected remove(step: string): void {
    this.state.goToStep('');
    this.state.change(`take away the width step ${step}`, '', (_, view) => deleteWidthStep(view, step));
    this.opened.set(undefined);
  }
}
