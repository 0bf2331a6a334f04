import { ChangeDetectionStrategy, Component, DestroyRef, ElementRef, computed, effect, inject, input, signal, type OnInit } from '@angular/core';
import { readsOtherwise, besideOf, frameRules, tableElement, sheetOf, tableRules, writeCss, writeHtml } from '../../../../../core/compile';
import { needsContainer, type Table } from '../../../../../core/table';
import type { ThemeView } from '../../../../../core/theme';
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
  readonly view = input.required<ThemeView | undefined>();
  readonly table = input.required<Table>();
  /** Share of the real size. */
  readonly scale = input(0.62);

  private readonly destroyed = inject(DestroyRef);
  private readonly turns = inject(Turns);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  /** Nothing is compiled before it comes near the window's view: a library may hold hundreds. Drawing it is a turn of its own. */
  private readonly turn = signal<'none' | 'compile' | 'draw'>('none');
  private readonly css = computed(() => {
    const view = this.view();
    const rules = view ? sheetOf(view, { use: 'card', key: 'shown', beside: besideOf([this.table()]) }) : [];
    const container = needsContainer(this.table()) ? ';container-type:inline-size' : '';
    return `:host{color:#000}div{font:16px/1.4 system-ui,sans-serif;zoom:${this.scale()}${container}}table{width:100%}${writeCss([...frameRules, ...rules, ...tableRules(this.table(), 'table')], 'compact')}`;
  });
  private readonly reads = computed(() => {
    const view = this.view();
    return view !== undefined && readsOtherwise(view);
  });
  private readonly sheet = new CSSStyleSheet();
  private readonly content = document.createElement('div');

  constructor() {
    effect(() => {
      if (this.turn() === 'none') return;
      const css = this.css();
      if (this.turn() === 'draw') this.sheet.replaceSync(css);
    });
    effect(() => {
      if (this.turn() !== 'draw') return;
      this.content.innerHTML = writeHtml(tableElement(this.table(), { id: 'shown', theme: 'shown', reads: this.reads() }), 'compact');
    });
  }

  ngOnInit(): void {
    const shadow = this.host.attachShadow({ mode: 'open' });
    shadow.adoptedStyleSheets = [this.sheet];
    shadow.append(this.content);
    this.turns.join(this.host, () => {
      this.turn.set('compile');
      this.turns.join(this.host, () => this.turn.set('draw'));
    });
    this.destroyed.onDestroy(() => this.turns.leave(this.host));
  }
}
