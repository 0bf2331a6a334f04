import { ChangeDetectionStrategy, Component, ElementRef, effect, inject, input, output, type OnInit } from '@angular/core';
import {
  accentRules,
  accentedCards,
  byWidth,
  cardFrameRules,
  cardsElement,
  choiceRules,
  choicesElements,
  contract,
  linesInCommon,
  rule,
  sheetOf,
  writeCss,
  writeHtml,
} from '../../../../core/compile';
import { toHex } from '../../../../core/colour';
import { pageOf } from '../../../../core/paint';
import type { Pricing } from '../../../../core/pricing';
import type { ThemeView } from '../../../../core/theme';

const MANNER = 'own lists';

/** The plans as the cards that they are on a page, in their theme. A card that is pressed is told by its number, from 0. */
@Component({
  selector: 'zest-cards-seen',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: '',
  styles: `
    :host {
      display: block;
      overflow: auto;
      padding: 16px;
      background: #fff;
      border: 1px solid var(--zest-line);
      border-radius: 12px;
    }
  `,
  // It is scrolled by keys where it is higher than there is room.
  host: { role: 'region', 'aria-label': 'Cards', tabindex: '0' },
})
export class CardsSeen implements OnInit {
  readonly pricing = input.required<Pricing>();
  readonly view = input<ThemeView>();
  readonly picked = output<number>();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly sheet = new CSSStyleSheet();
  private readonly content = document.createElement('div');

  constructor() {
    effect(() => {
      const [view, pricing] = [this.view(), this.pricing()];
      const css = writeCss(
        [
          ...cardFrameRules,
          ...choiceRules([pricing]),
          ...(view ? sheetOf(view, { use: 'picture', key: 'seen', cards: 'alone' }) : []),
          ...(view ? byWidth(view, (each) => accentRules(each, 'seen', accentedCards(each, pricing, `#seen>.${contract.plans}`))) : []),
          rule(`.${contract.plans}>*`, ['grid-row', `span ${linesInCommon(pricing, MANNER)}`]),
        ],
        'compact',
      );
      const ground = view ? `:host{color:${toHex(pageOf(view).ink)}}` : '';
      this.sheet.replaceSync(`${ground}div{container:${contract.container}/inline-size}:host{font:16px/1.4 system-ui,sans-serif}${css}`);
    });
    effect(() => {
      const chosen = this.content.querySelector<HTMLInputElement>(':checked')?.value;
      const [pricing, dressed] = [this.pricing(), { id: 'seen', theme: 'seen' }];
      const all = [...choicesElements(pricing, dressed), cardsElement(pricing, { ...dressed, manner: MANNER, level: 2 })];
      this.content.innerHTML = all.map((each) => writeHtml(each, 'compact')).join('');
      // Nothing is followed here; which period was chosen stays so.
      this.content.querySelectorAll('a').forEach((link) => (link.tabIndex = -1));
      this.content.querySelectorAll('input').forEach((field) => (field.checked ||= field.value === chosen));
    });
  }

  ngOnInit(): void {
    const shadow = this.host.attachShadow({ mode: 'open' });
    shadow.adoptedStyleSheets = [this.sheet];
    shadow.append(this.content);
    this.content.addEventListener('click', (event) => {
      const target = event.target instanceof HTMLElement ? event.target : undefined;
      if (target?.closest('a')) event.preventDefault();
      const card = target?.closest(`.${contract.plan}`);
      const at = [...this.content.querySelectorAll(`.${contract.plan}`)].findIndex((each) => each === card);
      if (at >= 0) this.picked.emit(at);
    });
  }
}
