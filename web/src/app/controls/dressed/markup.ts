import { Directive, ElementRef, effect, inject, input } from '@angular/core';
import type { MarkupNode } from '../../../../../core/compile';

const SVG = 'http://www.w3.org/2000/svg';
const svgTags: ReadonlySet<string> = new Set(['svg', 'rect', 'path']);

function nodeOf(node: MarkupNode): Node {
  if (typeof node === 'string') return document.createTextNode(node);
  const made = svgTags.has(node.tag) ? document.createElementNS(SVG, node.tag) : document.createElement(node.tag);
  // A link in the tool is looked at, and leads nowhere.
  for (const [name, value] of Object.entries(node.attributes)) if (value !== undefined && name !== 'href') made.setAttribute(name, String(value));
  made.append(...node.children.map(nodeOf));
  return made;
}

/** Draws markup of core's as elements of the page, the same as is published: nothing of it is read as HTML. */
@Directive({ selector: '[zestMarkup]' })
export class Markup {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly zestMarkup = input.required<readonly MarkupNode[]>();
  constructor() {
    effect(() => this.host.replaceChildren(...this.zestMarkup().map(nodeOf)));
  }
}
