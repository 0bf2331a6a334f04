import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { uncountedIn, type Extra, type ExtraNotice } from '../../../../../core/theme';

/** What is to be known of extra CSS: what is wrong in it and where, and what the checks do not see. */
@Component({
  selector: 'zest-css-told',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>What is to be known</h2>
    @if (notices().length === 0 && uncounted().length === 0) {
      <p class="zest-note">Everything is taken, and counted where texts are checked.</p>
    }
    @if (notices().length > 0) {
      <ul aria-label="What is wrong in the extra CSS">
        @for (each of notices(); track $index) {
          <li [class.wrong]="each.isLeftOut">
            <button type="button" (click)="went.emit({ line: each.line, column: each.column })">Line {{ each.line }}</button>
            <span>{{ each.say }}</span>
          </li>
        }
      </ul>
    }
    @if (uncounted().length > 0) {
      <p class="zest-note">Not counted where contrast is checked; look at these yourself:</p>
      <ul aria-label="What is not counted">
        @for (each of uncounted(); track $index) {
          <li>
            <button type="button" (click)="went.emit({ line: each.line })">Line {{ each.line }}</button>
            <span>{{ each.property }}: {{ each.why }}.</span>
          </li>
        }
      </ul>
    }
  `,
  styles: `
    ul {
      list-style: none;
      margin: 8px 0 0;
      padding: 0;
    }
    li {
      padding: 6px 0;
      border-block-end: 1px dashed var(--zest-line);
      font-size: 12px;
      overflow-wrap: anywhere;
    }
    li.wrong span {
      color: var(--zest-alarm);
    }
    button {
      all: unset;
      cursor: pointer;
      font: 600 12px/1.4 var(--zest-mono);
      text-decoration: underline;
      text-underline-offset: 3px;
      min-height: 24px;
      margin-inline-end: 8px;
    }
    button:focus-visible {
      outline: 2px solid var(--zest-zest);
      border-radius: 3px;
    }
    p {
      margin: 8px 0 0;
    }
  `,
})
export class CssTold {
  readonly extra = input.required<Extra>();
  readonly notices = input.required<readonly ExtraNotice[]>();
  readonly went = output<{ readonly line: number; readonly column?: number }>();
  protected readonly uncounted = computed(() => uncountedIn(this.extra()));
}
