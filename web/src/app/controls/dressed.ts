import { ChangeDetectionStrategy, Component, DestroyRef, ElementRef, effect, inject, input, signal, type OnInit } from '@angular/core';
import { besideOf, frameRules, tableElement, tableRules, themeCss, writeCss, writeHtml } from '../../../../core/compile';
import { needsContainer, type Table } from '../../../../core/table';
import type { Theme } from '../../../../core/theme';
import { Turns } from './turns';

/**
 * A dressed table as a picture: compiled by core into a shadow root, where the tool's own styles do not reach.
 * An edit of the theme replaces the sheet, not the elements. What it shows is decoration: it has no roles.
 */
@Component({
  selector: 'zest-dressed',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: '',
  styles: ':host { display: block; overflow: hidden; }',
  host: { 'aria-hidden': 'true', inert: '' },
})
export class Dressed implements OnInit {
  readonly theme = input.required<Theme | undefined>();
  readonly table = input.required<Table>();
  /** Share of the real size. */
  readonly scale = input(0.62);

  private readonly destroyed = inject(DestroyRef);
  private readonly turns = inject(Turns);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  /** Nothing is compiled before it comes near the window's view: a library may hold hundreds. */
  private readonly seen = signal(false);
  private readonly sheet = new CSSStyleSheet();
  private readonly content = document.createElement('div');

  constructor() {
    effect(() => {
      if (!this.seen()) return;
      const theme = this.theme();
      this.sheet.replaceSync(
        `:host{color:#000}div{font:16px/1.4 system-ui,sans-serif;zoom:${this.scale()}${needsContainer(this.table()) ? ';container-type:inline-size' : ''}}table{width:100%}${writeCss([...frameRules, ...(theme ? themeCss(theme, { key: 'shown', beside: besideOf([this.table()]) }) : []), ...tableRules(this.table(), 'table')], 'compact')}`,
      );
    });
    effect(() => {
      if (!this.seen()) return;
      this.content.innerHTML = writeHtml(tableElement(this.table(), { id: 'shown', theme: 'shown' }), 'compact');
    });
  }

  ngOnInit(): void {
    const shadow = this.host.attachShadow({ mode: 'open' });
    shadow.adoptedStyleSheets = [this.sheet];
    shadow.append(this.content);
    this.turns.join(this.host, () => this.seen.set(true));
    this.destroyed.onDestroy(() => this.turns.leave(this.host));
  }
}
