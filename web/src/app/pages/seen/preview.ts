import { ChangeDetectionStrategy, Component, type ElementRef, computed, effect, input, output, signal, untracked, viewChild } from '@angular/core';
import { dress } from '../../../../../runtime/dress';
import { everyFeature } from '../../../../../runtime/features';
import { lookAt, type Seen } from './page-verdict';
import { compilePage, writeCss, writeHtml, type MarkupNode, type PageInput } from '../../../../../core/compile';
import { NOTHING_JUDGED, settled, type Judgement } from '../../../../../core/house';

/** What a page is seen under: the house stylesheet as pages carry it, and what it does to this one, once that is known. */
export interface Housed {
  readonly css: string;
  readonly judgement: Judgement | undefined;
}

/**
 * A page seen in a frame: the same compile as the live page, in a document of its own where no script may run
 * and the tool's styles do not reach. An edit replaces its body and its sheets; the frame is not loaded again.
 */
@Component({
  selector: 'zest-preview',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="seen" [style.width.px]="width() * scale()">
    <iframe
      #frame
      [title]="'Page preview, ' + width() + ' pixels'"
      sandbox="allow-same-origin"
      src="/preview.html"
      [style.width.px]="width()"
      [style.height.%]="100 / scale()"
      [style.scale]="scale() === 1 ? null : scale()"
      (load)="ready()"
    ></iframe>
  </div>`,
  styles: `
    :host {
      display: block;
      height: 100%;
      overflow: auto;
      background: var(--zest-desk);
    }
    .seen {
      height: 100%;
    }
    iframe {
      display: block;
      border: 0;
      /* No border: the page inside has the whole width. */
      outline: 1px solid var(--zest-line);
      background: #fff;
      height: 100%;
      transform-origin: 0 0;
      box-sizing: border-box;
      border-radius: 0 0 12px 12px;
    }
  `,
})
export class Preview {
  readonly input = input.required<PageInput>();
  readonly width = input.required<number>();
  readonly housed = input<Housed>({ css: '', judgement: undefined });
  /** How large it is drawn: 1 for its own size. */
  readonly scale = input(1);
  /** What is seen of its tables, whenever it has been laid out anew. */
  readonly seen = output<Seen>();
  /** A click on a block, by its place on the page. */
  readonly picked = output<number>();
  private readonly frame = viewChild.required<ElementRef<HTMLIFrameElement>>('frame');
  private readonly loaded = signal(false);
  private readonly compiled = computed(() => compilePage(this.input(), { stylesheet: '', siteName: 'The practice site', rooted: true }));
  private readonly css = computed(() => writeCss(settled(this.compiled(), this.housed().judgement ?? NOTHING_JUDGED, this.input().page), 'compact'));
  /** The house's sheet and ours, in the order of the live page. */
  private sheets?: readonly [CSSStyleSheet, CSSStyleSheet];

  constructor() {
    effect(() => {
      const view = this.frame().nativeElement.contentWindow as (Window & typeof globalThis) | null;
      if (!this.loaded() || !view) return;
      this.sheetsIn(view)[0].replaceSync(this.housed().css);
      untracked(() => this.lookAgain(view.document));
    });
    effect(() => {
      const view = this.frame().nativeElement.contentWindow as (Window & typeof globalThis) | null;
      if (!this.loaded() || !view) return;
      this.sheetsIn(view)[1].replaceSync(this.css());
      untracked(() => this.lookAgain(view.document));
    });
    effect(() => {
      const view = this.frame().nativeElement.contentWindow as (Window & typeof globalThis) | null;
      if (!this.loaded() || !view) return;
      const { html } = this.compiled();
      view.document.body.innerHTML = bodyOf(html)
        .map((node) => writeHtml(node))
        .join('');
      const isolated = [...view.document.querySelectorAll<HTMLTemplateElement>('template[data-root]')].map((template) =>
        rooted(template, this.sheetsIn(view)[1]),
      );
      // What visitors can do works here as on the live page; the frame itself runs no script. Its address stays its own.
      for (const box of [view.document, ...isolated].flatMap((root) => [...root.querySelectorAll<HTMLElement>('[data-visitor]')])) {
        box.removeAttribute('data-address');
        dress(box, everyFeature);
      }
      this.lookAgain(view.document);
    });
  }

  private sheetsIn(view: Window & typeof globalThis): readonly [CSSStyleSheet, CSSStyleSheet] {
    if (!this.sheets) {
      this.sheets = [new view.CSSStyleSheet(), new view.CSSStyleSheet()];
      view.document.adoptedStyleSheets = [...this.sheets];
    }
    return this.sheets;
  }

  private lookAgain(page: Document): void {
    const look = (): void => this.seen.emit(lookAt(page));
    requestAnimationFrame(look);
    // Fonts that come in late change widths.
    void page.fonts.ready.then(look);
  }

  protected ready(): void {
    const view = this.frame().nativeElement.contentDocument;
    this.sheets = undefined;
    view?.addEventListener('click', (event) => {
      const place = (event.composedPath()[0] as Element).closest('[id^=place-]')?.id.slice('place-'.length);
      if (place) this.picked.emit(Number(place) - 1);
      event.preventDefault();
    });
    this.loaded.set(false);
    this.loaded.set(true);
  }
}

/** A shadow root from its template, as a parser makes it of a page's markup; with our sheet in place of the link to it. */
function rooted(template: HTMLTemplateElement, sheet: CSSStyleSheet): ShadowRoot {
  const host = template.parentElement as HTMLElement;
  const root = host.attachShadow({ mode: 'open' });
  root.append(template.content);
  template.remove();
  root.querySelector('link')?.remove();
  root.adoptedStyleSheets = [sheet];
  return root;
}

const bodyOf = (html: MarkupNode): readonly MarkupNode[] => {
  if (typeof html === 'string') return [];
  const body = html.children.find((child) => typeof child !== 'string' && child.tag === 'body');
  return body && typeof body !== 'string' ? body.children : [];
};
