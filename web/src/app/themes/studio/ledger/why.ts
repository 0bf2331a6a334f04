import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink, type Params } from '@angular/router';
import { staysBehind, takenAlong } from '../../../../../../core/edit';
import { hasPictureBehind } from '../../../../../../core/paint';
import type { Link } from '../../../../../../core/resolve';
import { idIn, propertyOf, type ThemeView } from '../../../../../../core/theme';
import { findingAt } from './findings';
import { resolvedAt, sourceInWords } from './ledger-rows';
import { sidesOf } from '../../../values/rows';
import { StudioState } from '../studio-state';

interface Step {
  readonly where: string;
  readonly text: string;
  readonly state: Link['state'];
  readonly place: Link['place'];
  /** The line of this theme's own extra CSS. */
  readonly line?: number;
  readonly say?: string;
  /** The theme below that says it, where it can be opened, and the place there. */
  readonly in?: { readonly id: string; readonly name: string; readonly place: Params };
}

/** The chain behind the focused value, strongest first, and what would mend an ink that cannot be read. */
@Component({
  selector: 'zest-why',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, RouterLink],
  template: `
    <h2>Why this {{ word() }}</h2>
    <ol>
      @for (step of steps(); track $index) {
        <li [class.holds]="step.state === 'holds'">
          @if (step.line; as line) {
            <button type="button" class="goto" [attr.aria-label]="'Go to ' + step.where" (click)="state.goToLine(line)">{{ step.where }}</button>
          } @else if (step.place; as place) {
            <button type="button" class="goto" [attr.aria-label]="'Go to ' + step.where" (click)="state.goTo(place, property())">
              {{ step.where }}
            </button>
          } @else {
            <span>{{ step.where }}</span>
          }
          @if (step.state === 'holds') {
            <strong>{{ step.text }}</strong>
          } @else {
            <s>{{ step.text }}<span class="hidden">, beaten</span></s>
          }
          @if (step.in; as base) {
            <a class="in" [routerLink]="['/themes', base.id]" [queryParams]="base.place">Set it in {{ base.name }}</a>
          }
          @if (step.say) {
            <em>{{ step.say }}</em>
          }
        </li>
      }
    </ol>
    @if (behind().length > 0) {
      <div class="behind">
        <p class="zest-note">Parts that stay as they are, since what the theme grows from says it there:</p>
        <ul aria-label="Parts that do not follow">
          @for (each of behind(); track each.part) {
            <li>
              <span>{{ each.label }}</span> <strong>{{ each.text }}</strong>
            </li>
          }
        </ul>
        <button mat-stroked-button (click)="takeAlong()">
          {{ behind().length === 1 ? 'Take it along' : 'Take all ' + behind().length + ' along' }}
        </button>
      </div>
    }
    @if (finding(); as found) {
      <div class="finding">
        <p>
          <strong>{{ found.title }}</strong>
        </p>
        <p>
          {{ found.say }}
          @if (found.offer) {
            The nearest that passes is <span class="chip" aria-hidden="true" [style.background]="found.offer"></span><code>{{ found.offer }}</code
            >.
          } @else {
            No lightness of this ink passes everywhere; change a fill.
          }
        </p>
        @if (found.others) {
          <p class="zest-note">This changes too: {{ found.others }}.</p>
        }
        @if (found.offer; as offer) {
          <button mat-stroked-button (click)="use(offer)">Use it here</button>
        }
      </div>
    } @else if (onPicture()) {
      <p class="zest-note">A picture lies behind this text, so its contrast cannot be known. Choose a quiet one.</p>
    }
  `,
  styles: `
    ol,
    ul {
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
    .goto {
      all: unset;
      cursor: pointer;
      text-decoration: underline;
      text-decoration-color: var(--zest-line);
      text-underline-offset: 3px;
      min-height: 20px;
    }
    .goto:hover {
      text-decoration-color: currentColor;
    }
    .goto:focus-visible {
      outline: 2px solid var(--zest-zest);
      border-radius: 3px;
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
    .in {
      flex-basis: 100%;
      color: inherit;
    }
    .hidden {
      position: absolute;
      width: 1px;
      height: 1px;
      overflow: hidden;
      clip-path: inset(50%);
    }
    .behind {
      margin-block-start: 12px;
    }
    .behind p {
      margin: 0;
    }
    .behind button {
      margin-block-start: 8px;
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
  protected readonly state = inject(StudioState);
  protected readonly property = computed(() => sidesOf(this.state.row())[0] ?? 'fill');
  protected readonly word = computed(() => {
    const { kind, label } = propertyOf(this.property());
    return kind === 'line' ? 'line' : label.toLowerCase();
  });
  protected readonly steps = computed<readonly Step[]>(() => {
    const view = this.state.view();
    if (!view || !this.fits()) return [];
    const { chain } = resolvedAt(view, this.state.part(), this.state.condition(), this.property());
    return chain.map((link) => ({
      where: sourceInWords(link),
      text: link.text,
      state: link.state,
      place: link.place,
      ...(link.source === 'theme' && link.line !== undefined ? { line: link.line } : {}),
      say: link.say,
      in: this.below(view, link),
    }));
  });
  private below({ chain }: ThemeView, { of, place, source, line }: Link): Step['in'] {
    const id = of && source === 'base' ? idIn(chain, of) : undefined;
    if (!of || !place || id === undefined) return undefined;
    if (line !== undefined) return { id, name: of.name, place: { line } };
    const { part, condition, step = null, mode = null } = place;
    return { id, name: of.name, place: { part, condition, step, mode, property: this.state.row() } };
  }
  /** What does not follow the whole table in this property. */
  protected readonly behind = computed(() => {
    const view = this.state.view();
    return view && this.state.part() === 'table' && this.state.condition() === 'rest' ? staysBehind(view, this.property()) : [];
  });
  protected takeAlong(): void {
    const name = this.property();
    const label = `take parts along: ${this.word()}`;
    this.state.change(label, '', (_, view) => takenAlong(view, name));
  }
  protected readonly finding = computed(() => {
    const view = this.state.view();
    return view && this.isAboutReading() ? findingAt(view, this.state.part(), this.state.condition()) : undefined;
  });
  protected readonly onPicture = computed(() => {
    const view = this.state.view();
    return view !== undefined && this.isAboutReading() && hasPictureBehind(view, { part: this.state.part(), conditions: [] });
  });

  private isAboutReading = (): boolean => ['ink', 'fill'].includes(this.property()) && this.fits();
  /** While a part is changing, the focused property may not be one of its own. */
  private fits = (): boolean => propertyOf(this.property()).parts.includes(this.state.part());

  protected use(offer: string): void {
    this.state.type(this.state.condition(), 'ink', offer);
  }
}
