import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { nearestPassing, toHex } from '../../../../../core/colour';
import { readability } from '../../../../../core/paint';
import type { Link } from '../../../../../core/resolve';
import { propertyOf } from '../../../../../core/theme';
import { resolvedAt, sourceInWords } from './ledger-rows';
import { StudioState, sidesOf } from './studio-state';

interface Step {
  readonly where: string;
  readonly text: string;
  readonly state: Link['state'];
  readonly say?: string;
}

/** The chain behind the focused value, strongest first, and what would mend an ink that cannot be read. */
@Component({
  selector: 'zest-why',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    <h2>Why this {{ word() }}</h2>
    <ol>
      @for (step of steps(); track $index) {
        <li [class.holds]="step.state === 'holds'">
          <span>{{ step.where }}</span>
          @if (step.state === 'holds') {
            <strong>{{ step.text }}</strong>
          } @else {
            <s>{{ step.text }}<span class="hidden">, beaten</span></s>
          }
          @if (step.say) {
            <em>{{ step.say }}</em>
          }
        </li>
      }
    </ol>
    @if (finding(); as found) {
      <div class="finding">
        <p>
          <strong>{{ found.title }}</strong>
        </p>
        <p>
          Needs {{ found.needed }}.
          @if (found.offer) {
            The nearest that passes is <span class="chip" aria-hidden="true" [style.background]="found.offer"></span><code>{{ found.offer }}</code
            >.
          } @else {
            No lightness of this ink passes here; change the fill.
          }
        </p>
        @if (found.offer; as offer) {
          <button mat-stroked-button (click)="use(offer)">Use it here</button>
        }
      </div>
    }
  `,
  styles: `
    ol {
      list-style: none;
      margin: 8px 0 0;
      padding: 0;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      justify-content: space-between;
      gap: 2px 10px;
      padding: 6px 0;
      border-block-end: 1px dashed var(--zest-line);
      color: var(--zest-soft);
      font-size: 12px;
    }
    li.holds {
      color: var(--zest-ink);
    }
    li strong,
    s {
      font: 600 12px/1.4 var(--zest-mono);
      overflow-wrap: anywhere;
    }
    s {
      font-weight: 400;
    }
    em {
      flex-basis: 100%;
      color: var(--zest-alarm);
      font-style: normal;
    }
    .hidden {
      position: absolute;
      width: 1px;
      height: 1px;
      overflow: hidden;
      clip-path: inset(50%);
    }
    .finding {
      margin-block-start: 12px;
      padding: 10px 12px;
      border-radius: 8px;
      background: var(--zest-glow);
    }
    .finding p {
      margin: 0 0 6px;
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
export class Why {
  private readonly state = inject(StudioState);
  private readonly property = computed(() => sidesOf(this.state.row())[0] ?? 'fill');
  protected readonly word = computed(() => {
    const { kind, label } = propertyOf(this.property());
    return kind === 'line' ? 'line' : label.toLowerCase();
  });
  protected readonly steps = computed<readonly Step[]>(() => {
    const theme = this.state.theme();
    if (!theme || !this.fits()) return [];
    const { chain } = resolvedAt(theme, this.state.part(), this.state.condition(), this.property());
    return chain.map((link) => ({ where: sourceInWords(theme, link), text: link.text, state: link.state, say: link.say }));
  });
  protected readonly finding = computed(() => {
    const theme = this.state.theme();
    const part = this.state.part();
    if (!theme || part === 'lines' || !['ink', 'fill'].includes(this.property())) return undefined;
    const condition = this.state.condition();
    const { ratio, needed, passes, ink, ground } = readability(theme, { part, conditions: condition === 'rest' ? [] : [condition] });
    if (passes) return undefined;
    const offer = nearestPassing(ink, ground, needed);
    return { title: `The ink reads ${ratio.toFixed(1)} : 1 here`, needed, offer: offer && toHex(offer) };
  });

  /** While a part is changing, the focused property may not be one of its own. */
  private fits(): boolean {
    return (propertyOf(this.property()).parts as readonly string[]).includes(this.state.part());
  }
  protected use(offer: string): void {
    this.state.type(this.state.condition(), 'ink', offer);
  }
}
