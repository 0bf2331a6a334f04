import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { modeOf, type ModeName, type ThemeView } from '../../../../../../core/theme';
import { DressedAt } from '../../../controls/dressed/dressed-at';
import { StudioState } from '../studio-state';
import { SPECIMEN_FONT } from './specimen';

/** How wide each container is, in px, and the room between them. */
const [WIDTH, GAP] = [720, 16] as const;
const SMALLEST = 0.45;

/** The specimen as it is where it is bright and in each of its modes, side by side: a mode is judged beside the others. */
@Component({
  selector: 'zest-mode-specimens',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DressedAt],
  // Reached by keyboard, since it scrolls (WCAG 2.2, 2.1.1).
  host: { tabindex: '0', role: 'region', 'aria-label': 'The specimen in its modes' },
  template: `
    @for (each of seen(); track each.mode) {
      <figure [class.dark]="each.mode === 'dark'">
        <figcaption>
          <strong>{{ each.label }}</strong> {{ each.about }}
        </figcaption>
        <zest-dressed-at [view]="each.view" [table]="state.table()" [width]="width" [scale]="scale()" [font]="font" />
      </figure>
    }
    @if (view().modes.length === 0) {
      <p>It is the same in every mode. A mode begins with the first value or swatch that is set in it, or derive its dark.</p>
    }
  `,
  styleUrl: './side-by-side.scss',
})
export class ModeSpecimens {
  protected readonly state = inject(StudioState);
  readonly view = input.required<ThemeView>();
  protected readonly font = SPECIMEN_FONT;
  protected readonly width = WIDTH;
  protected readonly seen = computed(() => {
    const view = this.view();
    const bright = { mode: '' as ModeName | '', label: 'Bright', about: '', view: view.in('') };
    return [bright, ...view.modes.map((mode) => ({ mode, label: modeOf(mode).label, about: modeOf(mode).about, view: view.in(mode) }))];
  });
  protected readonly scale = computed(() => {
    const count = this.seen().length;
    return Math.max(SMALLEST, Math.min(1, (this.state.room() + 20 - (GAP + 18) * count) / (count * WIDTH)));
  });
}
