import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { arrangementOf, verdictAt, type Stretch } from '../../../../../../core/fit';
import { stepFor, type ThemeView } from '../../../../../../core/theme';
import { DressedAt } from '../../../controls/dressed/dressed-at';
import { SPECIMEN_FONT } from './specimen';
import { StudioState } from '../studio-state';

/** A phone's column, a tablet's, a wide page's: widths of containers in px. */
const WIDTHS = [340, 640, 1100] as const;
const GAP = 16;

/** The specimen in three containers side by side, each with a line on how it does there. */
@Component({
  selector: 'zest-three-specimens',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DressedAt],
  // Reached by keyboard, since it scrolls (WCAG 2.2, 2.1.1).
  host: { tabindex: '0', role: 'region', 'aria-label': 'The specimen in three containers' },
  template: `
    @for (each of seen(); track each.width) {
      <figure>
        <figcaption>
          <strong>{{ each.width }}</strong> <span [class.beyond]="each.isBeyond">{{ each.say }}</span>
        </figcaption>
        <zest-dressed-at [view]="view()" [table]="state.table()" [width]="each.width" [scale]="scale()" [font]="font" />
      </figure>
    }
  `,
  styles: `
    :host {
      display: flex;
      gap: 16px;
      overflow: auto;
      background: #fff;
      border: 1px solid var(--zest-line);
      border-block-end: 0;
      padding: 8px 12px;
      color: #20261f;
    }
    figure {
      margin: 0;
      flex: none;
    }
    figcaption {
      contain: inline-size;
      min-height: 36px;
      line-height: 1.3;
      color: #5d665a;
    }
    strong {
      font-family: var(--zest-mono);
      color: #20261f;
      margin-inline-end: 6px;
    }
    .beyond {
      color: #b3261e;
    }
  `,
})
export class ThreeSpecimens {
  protected readonly state = inject(StudioState);
  readonly view = input.required<ThemeView>();
  readonly stretches = input.required<readonly Stretch[]>();
  protected readonly font = SPECIMEN_FONT;
  protected readonly scale = computed(() => {
    const all = WIDTHS.reduce((sum, width) => sum + width, 0);
    return Math.max(0.3, Math.min(1, (this.state.room() + 60 - GAP * (WIDTHS.length - 1)) / all));
  });
  protected readonly seen = computed(() => {
    const [view, stretches] = [this.view(), this.stretches()];
    return WIDTHS.map((width) => {
      const say = stretches.length === 0 ? '' : verdictAt(stretches, width, arrangementOf(view.at(stepFor(view.steps, width))));
      return { width, say, isBeyond: say.startsWith('overflows') };
    });
  });
}
