import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { PageInput } from '../../../../../core/compile';
import { detailOf, verdictOf, type Seen } from './page-verdict';
import { Preview, type Housed } from './preview';

/** A phone, a tablet, a desktop: widths of windows in px. */
const WIDTHS = [360, 768, 1280] as const;
const GAP = 14;

/** A page at three widths side by side, each with a line on how its tables do there. */
@Component({
  selector: 'zest-three-widths',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Preview],
  template: `
    @for (each of widths; track each) {
      <figure>
        <figcaption [title]="detail(each)">
          <strong>{{ each }}</strong> <span [class.beyond]="isBeyond(each)">{{ say(each) }}</span>
        </figcaption>
        <zest-preview
          [input]="input()"
          [housed]="housed()"
          [width]="each"
          [scale]="scale()"
          (picked)="picked.emit($event)"
          (seen)="take(each, $event)"
        />
      </figure>
    }
  `,
  styles: `
    :host {
      display: flex;
      gap: 14px;
      overflow: auto;
    }
    figure {
      margin: 0;
      display: flex;
      flex-direction: column;
      flex: none;
      min-height: 0;
    }
    figcaption {
      contain: inline-size;
      min-height: 54px;
      color: var(--zest-soft);
      line-height: 1.3;
      overflow: hidden;
    }
    strong {
      margin-inline-end: 6px;
      font-family: var(--zest-mono);
      color: var(--zest-ink);
    }
    .beyond {
      color: var(--zest-alarm);
    }
    zest-preview {
      flex: 1;
      min-height: 0;
    }
  `,
})
export class ThreeWidths {
  readonly input = input.required<PageInput>();
  readonly housed = input<Housed>({ css: '', judgement: undefined });
  /** Width that there is for all three, in px. */
  readonly room = input.required<number>();
  readonly picked = output<number>();
  protected readonly widths = WIDTHS;
  private readonly found = signal<ReadonlyMap<number, Seen>>(new Map());
  protected readonly scale = computed(() => {
    const all = WIDTHS.reduce((sum, width) => sum + width, 0);
    return Math.max(0.25, Math.min(1, (this.room() - GAP * (WIDTHS.length - 1)) / all));
  });

  protected take(width: number, seen: Seen): void {
    this.found.update((found) => new Map(found).set(width, seen));
  }
  protected say(width: number): string {
    const seen = this.found().get(width);
    return seen ? verdictOf(seen) : '';
  }
  protected detail(width: number): string {
    const seen = this.found().get(width);
    return seen ? detailOf(seen) : '';
  }
  protected isBeyond(width: number): boolean {
    const seen = this.found().get(width);
    return seen !== undefined && (seen.sideways > 0 || seen.beyond.length > 0);
  }
}
