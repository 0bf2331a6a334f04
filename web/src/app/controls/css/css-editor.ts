import {
  CSP_NONCE,
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  afterNextRender,
  effect,
  inject,
  input,
  output,
  viewChild,
  type OnDestroy,
} from '@angular/core';
import type { EditorView } from '@codemirror/view';
import type { ExtraNotice } from '../../../../../core/theme';
import { cssView, goToPlace, markNotices, replaceText } from './css-view';

let count = 0;

/** A field for extra CSS, which completes parts, conditions and swatches and marks what is wrong at its place. */
@Component({
  selector: 'zest-css-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="view" #view></div>
    <p class="hidden" [id]="hint">Parts are written as elements, conditions as pseudo-classes of them. Tab leaves this field.</p>
  `,
  styles: `
    :host {
      display: block;
      position: relative;
      min-height: 0;
    }
    .view {
      height: 100%;
    }
    .hidden {
      position: absolute;
      width: 1px;
      height: 1px;
      overflow: hidden;
      clip-path: inset(50%);
      margin: 0;
    }
  `,
})
export class CssEditor implements OnDestroy {
  readonly text = input.required<string>();
  readonly label = input.required<string>();
  readonly notices = input<readonly ExtraNotice[]>([]);
  readonly swatches = input<readonly string[]>([]);
  /** A place to go to; another object goes there again. */
  readonly place = input<{ readonly line: number; readonly column?: number }>();
  readonly changed = output<string>();

  private readonly around = viewChild.required<ElementRef<HTMLElement>>('view');
  private readonly nonce = inject(CSP_NONCE, { optional: true }) ?? '';
  protected readonly hint = `css-hint-${++count}`;
  private view: EditorView | undefined;

  constructor() {
    afterNextRender(() => {
      this.view = cssView({
        parent: this.around().nativeElement,
        text: this.text(),
        label: this.label(),
        describedBy: this.hint,
        nonce: this.nonce,
        swatches: () => this.swatches(),
        changed: (text) => this.changed.emit(text),
      });
      markNotices(this.view, this.notices());
      const at = this.place();
      if (at) goToPlace(this.view, at.line, at.column);
    });
    effect(() => {
      const [text, notices] = [this.text(), this.notices()];
      if (!this.view) return;
      replaceText(this.view, text);
      markNotices(this.view, notices);
    });
    effect(() => {
      const at = this.place();
      if (at && this.view) goToPlace(this.view, at.line, at.column);
    });
  }

  ngOnDestroy(): void {
    this.view?.destroy();
  }
}
