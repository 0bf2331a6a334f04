import { ChangeDetectionStrategy, Component, ElementRef, effect, inject, input, type OnInit } from '@angular/core';
import { besideIn, boxed, frameRules, askedBy, framedTable, sheetOf, tableRules, writeCss, writeHtml } from '../../../../../core/compile';
import { toHex } from '../../../../../core/colour';
import { pageOf } from '../../../../../core/paint';
import type { Table } from '../../../../../core/table';
import type { ThemeView } from '../../../../../core/theme';

/** A dressed table as it is in a container of some px, drawn smaller: a picture, which has no roles. */
@Component({
  selector: 'zest-dressed-at',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: '',
  styles: ':host { display: block; overflow: hidden; }',
  host: { 'aria-hidden': 'true', inert: '', '[style.width.px]': 'width() * scale()' },
})
export class DressedAt implements OnInit {
  readonly view = input.required<ThemeView>();
  readonly table = input.required<Table>();
  /** Width of the container in px. */
  readonly width = input.required<number>();
  /** Share of the real size. */
  readonly scale = input(1);
  readonly font = input('system-ui,sans-serif');

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly sheet = new CSSStyleSheet();
  private readonly content = document.createElement('div');

  constructor() {
    effect(() => {
      const [view, table] = [this.view(), this.table()];
      const css = writeCss(
        [...frameRules, ...sheetOf(view, { use: 'picture', key: 'shown', beside: besideIn(view, [table]) }), ...tableRules(table, 'table')],
        'compact',
      );
      this.sheet.replaceSync(`:host{color:${toHex(pageOf(view).ink)};font:16px/1.4 ${this.font()}}table{width:100%}${css}`);
      this.content.innerHTML = writeHtml(boxed(framedTable(table, { id: 'shown', theme: 'shown', ...askedBy(view, table) })), 'compact');
    });
    effect((onCleanup) => {
      const { style } = this.content;
      const scale = this.scale();
      style.width = `${this.width()}px`;
      style.transform = `scale(${scale})`;
      style.transformOrigin = '0 0';
      // What is drawn smaller takes less room below as well.
      const observer = new ResizeObserver(() => (this.host.style.height = `${Math.ceil(this.content.offsetHeight * scale)}px`));
      observer.observe(this.content);
      onCleanup(() => observer.disconnect());
    });
  }

  ngOnInit(): void {
    const shadow = this.host.attachShadow({ mode: 'open' });
    shadow.adoptedStyleSheets = [this.sheet];
    shadow.append(this.content);
  }
}
