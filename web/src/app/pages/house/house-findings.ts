import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import type { Standing } from '../../../../../core/house';

/** What the house stylesheet takes from a page's tables: one sentence with the one action that settles it, and the rules one by one. */
@Component({
  selector: 'zest-house-findings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p role="status" aria-label="House stylesheet">
      <span [class.out]="standing().out.length > 0">{{ standing().say }}</span>
      @if (standing().settles; as settles) {
        <button type="button" class="zest-choice" (click)="settled.emit()">{{ settles.say }}</button>
      }
      @if (standing().out.length > 0) {
        <button type="button" class="zest-choice" [attr.aria-expanded]="open()" (click)="open.set(!open())">
          {{ open() ? 'Hide' : 'Show' }} them
        </button>
      }
    </p>
    @if (open() && standing().out.length > 0) {
      <ol [attr.aria-label]="'What “' + house() + '” takes'" tabindex="0">
        @for (finding of standing().out; track $index) {
          <li>
            {{ finding.say }}
            @if (goes() && finding.at[0] !== undefined) {
              <button type="button" class="zest-choice" (click)="picked.emit(finding.at[0])">Go to the table</button>
            }
          </li>
        }
      </ol>
    }
  `,
  styles: `
    :host {
      display: block;
      flex: none;
    }
    p {
      margin: 0 0 6px;
      display: flex;
      flex-wrap: wrap;
      gap: 4px 10px;
      align-items: center;
      color: var(--zest-soft);
    }
    .out {
      color: var(--zest-alarm);
    }
    ol {
      margin: 0 0 8px;
      padding: 8px 12px 8px 32px;
      max-height: 168px;
      overflow: auto;
      background: var(--zest-card);
      border: 1px solid var(--zest-line);
      border-radius: 8px;
    }
    li {
      margin-block-end: 4px;
    }
  `,
})
export class HouseFindings {
  readonly standing = input.required<Standing>();
  /** What the house stylesheet is called. */
  readonly house = input.required<string>();
  /** Whether one can go to the tables from here. */
  readonly goes = input(true);
  readonly settled = output();
  /** A table to go to, by its block's id. */
  readonly picked = output<string>();
  protected readonly open = signal(false);
}
