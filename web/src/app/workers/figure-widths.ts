import { fontOf, type Wanted } from './canvas-measure';

/** Widths of texts in px, set in the document: for figures and capitals other than those that a font has by itself. All in one layout. */
export function widthsInDocument(wanted: readonly Wanted[], pageFamily: string): readonly number[] {
  const probe = document.createElement('div');
  probe.style.cssText = 'position:absolute;visibility:hidden;inset:0 auto auto 0;width:0;height:0;overflow:hidden';
  const spans = wanted.map(([text, type]) => {
    const span = document.createElement('span');
    span.style.cssText = 'position:absolute;white-space:pre';
    span.style.font = fontOf(type, pageFamily);
    span.style.fontVariantNumeric = type.figures;
    span.style.fontVariantCaps = type.caps;
    span.style.letterSpacing = `${type.spacing}px`;
    span.textContent = text;
    return span;
  });
  probe.append(...spans);
  document.body.append(probe);
  const widths = spans.map((span) => span.getBoundingClientRect().width);
  probe.remove();
  return widths;
}
