import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { resolve } from '../../../../core/resolve';
import type { Theme } from '../../../../core/theme';
import { ThemeViews } from '../controls/dressed/theme-views';

/** Which width holds where a theme asks for one: that of the placement, but where it leaves it to its content. */
@Component({
  selector: 'zest-width-note',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (says()) {
      <p class="zest-note">{{ says() }}</p>
    }
  `,
})
export class WidthNote {
  private readonly views = inject(ThemeViews);
  readonly width = input.required<string>();
  readonly theme = input<Theme>();
  protected readonly says = computed(() => {
    const theme = this.theme();
    if (!theme) return '';
    const { text } = resolve(this.views.of(theme), { part: 'table', conditions: [] }, 'width');
    if (text === 'content') return '';
    return this.width() === 'content'
      ? `As wide as its theme has it: ${text}.`
      : `Its theme asks for ${text}; ${this.width()} holds here. Write content to leave it to the theme.`;
  });
}
