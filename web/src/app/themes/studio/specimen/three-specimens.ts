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
  styleUrl: './side-by-side.scss',
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
