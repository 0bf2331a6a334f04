import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { StudioState } from '../studio-state';

/** What stands below the specimen: the ledger, or the extra CSS. */
@Component({
  selector: 'zest-lower-switch',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button type="button" class="zest-choice" [attr.aria-pressed]="state.lower() === 'values'" (click)="state.lower.set('values')">Ledger</button>
    <button type="button" class="zest-choice" [attr.aria-pressed]="state.lower() === 'css'" (click)="open()">
      Extra CSS
      @if (problems() > 0) {
        <span class="wrong" [attr.aria-label]="problems() + ' left out'">{{ problems() }}</span>
      }
    </button>
  `,
  styles: `
    :host {
      display: flex;
      gap: 4px;
      flex: none;
      align-self: center;
    }
    .wrong {
      color: var(--zest-alarm);
      margin-inline-start: 4px;
    }
  `,
})
export class LowerSwitch {
  protected readonly state = inject(StudioState);
  protected readonly problems = computed(() => this.state.cssNotices().filter(({ isLeftOut }) => isLeftOut).length);
  protected open(): void {
    this.state.lower.set('css');
    this.state.lineAsked.set({ line: 1 });
  }
}
