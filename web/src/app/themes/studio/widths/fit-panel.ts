import { CdkTrapFocus } from '@angular/cdk/a11y';
import { CdkConnectedOverlay, CdkOverlayOrigin, type ConnectedPosition } from '@angular/cdk/overlay';
import { ChangeDetectionStrategy, Component, computed, effect, inject, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { NARROWEST, arrangementOf, verdictAt, type Proposal, type Stretch } from '../../../../../../core/fit';
import { columnNames, shownTable } from '../../../../../../core/table';
import { stepFor } from '../../../../../../core/theme';
import { FitService } from '../../../workers/fit';
import { FitChart, type ColumnNeed } from './fit-chart';
import { SPECIMEN_FONT } from '../specimen/specimen';
import { StudioState } from '../studio-state';

/** Widths up to which it is worked out how the specimen does, in px. */
const MOST = 1920;
/** Rest after a change before it is worked out again, in ms. */
const REST_MS = 120;

/** How the specimen does at the width that is looked at, in one line, and the one action that makes it fit. */
@Component({
  selector: 'zest-fit',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkConnectedOverlay, CdkOverlayOrigin, CdkTrapFocus, FitChart, MatButtonModule],
  template: `
    <p role="status" [class.beyond]="verdict().isBeyond" [title]="verdict().say">{{ verdict().say }}</p>
    <button mat-button type="button" cdkOverlayOrigin #origin="cdkOverlayOrigin" (click)="propose()">Make it fit</button>
    <ng-template
      cdkConnectedOverlay
      [cdkConnectedOverlayOrigin]="origin"
      [cdkConnectedOverlayOpen]="proposal() !== undefined"
      [cdkConnectedOverlayViewportMargin]="8"
      [cdkConnectedOverlayPush]="true"
      [cdkConnectedOverlayPositions]="below"
      [cdkConnectedOverlayHasBackdrop]="true"
      cdkConnectedOverlayBackdropClass="cdk-overlay-transparent-backdrop"
      (backdropClick)="proposal.set(undefined)"
      (overlayKeydown)="$event.key === 'Escape' && proposal.set(undefined)"
    >
      @if (proposal(); as found) {
        <div class="zest-popover" role="dialog" aria-label="Steps at which it fits" cdkTrapFocus cdkTrapFocusAutoCapture>
          @defer (on immediate) {
            <zest-fit-chart [columns]="columns()" />
          }
          @for (each of found.why; track each) {
            <p>{{ each }}</p>
          } @empty {
            <p>It fits from {{ least }} px on as it is.</p>
          }
          <div class="actions">
            <button mat-button type="button" (click)="proposal.set(undefined)">Leave it</button>
            @if (found.why.length > 0) {
              <button mat-flat-button type="button" (click)="take(found)">
                Take {{ found.why.length === 1 ? 'it' : 'all ' + found.why.length }}
              </button>
            }
          </div>
        </div>
      }
    </ng-template>
  `,
  styles: `
    :host {
      display: flex;
      flex: 0 1 auto;
      min-width: 0;
      align-items: center;
      gap: 4px;
      color: var(--zest-soft);
    }
    :host > p {
      min-width: 0;
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    button {
      flex: none;
    }
    p {
      margin: 0;
    }
    .beyond {
      color: var(--zest-alarm);
      font-weight: 600;
    }
    .zest-popover {
      display: grid;
      gap: 10px;
      width: 340px;
    }
    .actions {
      display: flex;
      justify-content: end;
      gap: 8px;
    }
  `,
})
export class FitPanel {
  private readonly state = inject(StudioState);
  private readonly fit = inject(FitService);
  protected readonly least = NARROWEST;
  /** Below its button: what it shows comes in bit by bit, and would be out of sight above it. */
  protected readonly below: ConnectedPosition[] = [{ originX: 'end', originY: 'bottom', overlayX: 'end', overlayY: 'top' }];
  /** How it does at every width, for the ruler. */
  readonly found = output<readonly Stretch[]>();
  private readonly stretches = signal<readonly Stretch[]>([]);
  protected readonly columns = signal<readonly ColumnNeed[]>([]);
  protected readonly proposal = signal<Proposal | undefined>(undefined);
  protected readonly verdict = computed(() => {
    const [view, width, stretches] = [this.state.view(), this.state.width(), this.stretches()];
    if (!view || stretches.length === 0) return { say: '', isBeyond: false };
    const say = verdictAt(stretches, width, arrangementOf(view.at(stepFor(view.steps, width))));
    return { say: `${width} px: ${say}`, isBeyond: say.startsWith('overflows') };
  });

  /** The theme, whatever step is looked at: how it does at every width hangs on none. */
  private readonly whole = computed(() => this.state.view()?.at(''));

  constructor() {
    effect((onCleanup) => {
      const [view, table] = [this.whole(), this.state.table()];
      if (!view) return;
      let isGone = false;
      const timer = setTimeout(
        () =>
          void this.fit.stretches(view, table, MOST, SPECIMEN_FONT).then((stretches) => {
            if (isGone) return;
            this.stretches.set(stretches);
            this.found.emit(stretches);
          }),
        REST_MS,
      );
      onCleanup(() => {
        isGone = true;
        clearTimeout(timer);
      });
    });
  }

  protected async propose(): Promise<void> {
    const [view, table] = [this.state.view(), this.state.table()];
    if (!view) return;
    const needs = await this.fit.columns(view, table, SPECIMEN_FONT);
    const names = columnNames(shownTable(table));
    this.columns.set(needs.map((need, i) => ({ ...need, name: names[i] || `Column ${i + 1}` })));
    this.proposal.set(await this.fit.proposal(view, table, SPECIMEN_FONT));
  }
  protected take(proposal: Proposal): void {
    this.proposal.set(undefined);
    const widths = proposal.theme.widths;
    this.state.change('make it fit narrow containers', '', (theme) => ({ ...theme, widths }));
    this.state.goToStep(this.state.view()?.steps.at(-1)?.name ?? '');
  }
}
