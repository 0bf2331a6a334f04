import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';

/** A text that cannot be read, as the list shows it. */
export interface UnreadableText {
  readonly key: string;
  /** Where its ink is set, in words. */
  readonly where: string;
  readonly ratio: number;
  readonly needed: number;
  /** How many of the cases in which the ink holds fail, where that is not all of them. */
  readonly times: string;
  /** The nearest ink that reads; undefined where none does. */
  readonly ink: string | undefined;
}

/** All texts that cannot be read, in one list: each leads to where it is set, and is mended by itself or with all others. */
@Component({
  selector: 'zest-unreadable-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    @if (texts().length > 0) {
      <details class="unreadable">
        <summary>{{ title() }}</summary>
        <ul>
          @for (text of texts(); track text.key) {
            <li>
              <button type="button" class="goto" [attr.aria-label]="'Go to ' + text.where" (click)="went.emit(text.key)">{{ text.where }}</button>
              <span class="zest-note">{{ text.ratio.toFixed(1) }} : 1, needs {{ text.needed }}{{ text.times }}</span>
              @if (text.ink) {
                <button mat-button type="button" [attr.aria-label]="'Use ' + text.ink + ' for ' + text.where" (click)="mended.emit([text.key])">
                  <span class="chip" aria-hidden="true" [style.background]="text.ink"></span>Use {{ text.ink }}
                </button>
              } @else {
                <span class="zest-note">No lightness of this ink reads everywhere; change a fill.</span>
              }
            </li>
          }
        </ul>
        @if (mendable().length > 1) {
          <button mat-stroked-button type="button" (click)="mended.emit(mendable())">Mend all {{ mendable().length }}</button>
        }
      </details>
    }
  `,
  styles: `
    .unreadable {
      margin-block-end: 14px;
      padding: 4px 12px;
      border-radius: 8px;
      background: var(--zest-glow);
    }
    summary {
      cursor: pointer;
      padding-block: 6px;
      font-weight: 600;
      color: var(--zest-alarm);
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      display: grid;
      justify-items: start;
      padding-block: 6px;
      border-block-end: 1px dashed var(--zest-line);
    }
    .goto {
      all: unset;
      cursor: pointer;
      min-height: 24px;
      text-decoration: underline;
      text-underline-offset: 3px;
    }
    .goto:focus-visible {
      outline: 2px solid var(--zest-zest);
      border-radius: 3px;
    }
    .chip {
      display: inline-block;
      width: 12px;
      height: 12px;
      border-radius: 3px;
      vertical-align: -2px;
      margin-inline-end: 4px;
    }
  `,
})
export class UnreadableList {
  readonly texts = input.required<readonly UnreadableText[]>();
  readonly went = output<string>();
  readonly mended = output<readonly string[]>();
  protected readonly title = (): string => (this.texts().length === 1 ? '1 ink cannot be read' : `${this.texts().length} inks cannot be read`);
  protected readonly mendable = (): readonly string[] => this.texts().flatMap(({ key, ink }) => (ink === undefined ? [] : [key]));
}
