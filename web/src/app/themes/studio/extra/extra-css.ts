import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { checkExtra } from '../../../../../../core/css-check';
import { setExtraCss } from '../../../../../../core/edit';
import { NO_EXTRA } from '../../../../../../core/theme';
import { CssEditor } from '../../../controls/css/css-editor';
import { StudioState } from '../studio-state';
import { LowerSwitch } from './lower-switch';

/** The theme's extra CSS, for what the ledger does not have. What is typed is seen at once, and kept with the theme. */
@Component({
  selector: 'zest-extra-css',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CssEditor, LowerSwitch],
  template: `
    <div class="head">
      <zest-lower-switch />
      <span class="zest-note">parts as elements, conditions as pseudo-classes: <code>body-rows:hovered &#123; … &#125;</code></span>
    </div>
    <zest-css-editor
      [text]="state.theme()?.css ?? ''"
      label="Extra CSS"
      [notices]="notices()"
      [swatches]="swatches()"
      [place]="state.lineAsked()"
      (changed)="keep($event)"
    />
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      min-height: 0;
      flex: 1;
    }
    .head {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 12px;
      align-items: center;
      padding: 8px 16px;
      flex: none;
    }
    code {
      font: 500 12px/1.4 var(--zest-mono);
    }
    zest-css-editor {
      flex: 1;
      border-block-start: 1px solid var(--zest-line);
    }
  `,
})
export class ExtraCss {
  protected readonly state = inject(StudioState);
  protected readonly extra = computed(() => this.state.view()?.extras[0] ?? NO_EXTRA);
  protected readonly notices = computed(() => checkExtra(this.extra()));
  constructor() {
    effect(() => this.state.cssChecked.set({ extra: this.extra(), notices: this.notices() }));
  }
  protected readonly swatches = computed(() => this.state.view()?.swatches.map(({ name }) => name) ?? []);

  protected keep(text: string): void {
    this.state.change('write extra CSS', 'css', (theme) => setExtraCss(theme, text));
  }
}
