import { dress } from './dress';
import { everyFeature } from './features';
import { tend } from './frames';
import { ALONE, HOST } from './marks';

/**
 * Fills elements on pages that are not ours with the tables that they name (docs/markup.md, "Elsewhere"). A table stands in a shadow
 * root of its own, so that neither page's stylesheet reaches the other. Until it is there, and where it cannot be had, what
 * stands in the element is shown.
 */
const script = document.currentScript as HTMLScriptElement;
const home = new URL(script.src).origin;
const name = script.dataset['element'] ?? HOST;
// eslint-disable-next-line no-console -- who builds the other page looks for a sentence where browsers put theirs
const say = (sentence: string): void => console.warn(`Zest Pane: ${sentence}`);

/** What stands at an address: a link to its stylesheet, then the table. */
async function fetched(address: string): Promise<DocumentFragment> {
  if (new URL(address, location.href).origin !== home) throw new Error(`it is not on ${home}`);
  const answer = await fetch(address, { credentials: 'omit' });
  if (!answer.ok) throw new Error(answer.status === 404 ? 'nothing is published there' : `the server answered ${answer.status}`);
  const template = document.createElement('template');
  template.innerHTML = await answer.text();
  return template.content;
}

/** Shows the table of an address in a host's shadow root; `isWanted` says whether it still is by the time that it has come. */
async function fill(host: Element, address: string, isWanted: () => boolean = () => true): Promise<void> {
  try {
    const content = await fetched(address);
    const style = content.querySelector('link');
    if (!style || !isWanted()) return;
    const styled = new Promise((resolve) => ['load', 'error'].forEach((each) => style.addEventListener(each, resolve)));
    // Faces of fonts count only in the document (CSS Scoping 1); the other rules name nothing but what is ours.
    if (![...document.styleSheets].some(({ href }) => href === style.href)) document.head.append(style.cloneNode());
    const root = host.shadowRoot ?? host.attachShadow({ mode: 'open' });
    // Nothing is shown undressed: what stood here stays until the stylesheet has come.
    if (!root.hasChildNodes()) root.append(document.createElement('slot'));
    root.append(style);
    await styled;
    if (!isWanted()) return style.remove();
    const box = document.createElement('div');
    box.className = ALONE;
    box.append(content);
    root.replaceChildren(style, box);
    root.querySelectorAll<HTMLElement>('[data-visitor]').forEach((each) => dress(each, everyFeature));
    tend(root);
  } catch (error) {
    say(`the table at ${address} is not shown: ${error instanceof Error ? error.message : String(error)}. What stands in its element is.`);
  }
}

class PlacedTable extends HTMLElement {
  static readonly observedAttributes = ['src'];
  static readonly isOurs = true;
  attributeChangedCallback(_name: string, before: string | null, address: string | null): void {
    if (address && address !== before) void fill(this, address, () => this.getAttribute('src') === address);
  }
}

const known = customElements.get(name) as { readonly isOurs?: true } | undefined;
if (!known) customElements.define(name, PlacedTable);
else if (!known.isOurs) {
  // The page's own element keeps its name and does what it does; the table stands right after it.
  say(`this page has an element of its own called ${name}, so tables stand right after it. Give them another name, with data-element on the script.`);
  for (const each of document.querySelectorAll(name)) {
    const address = each.getAttribute('src');
    if (!address || new URL(address, location.href).origin !== home) continue;
    const box = document.createElement('div');
    each.after(box);
    void fill(box, address);
  }
}
