import { FRAME, HOST } from './marks';

/**
 * A frame is a stop of the Tab key only where it scrolls: elsewhere there would be nothing to do on it. Its markup makes it one, for
 * browsers in which no script runs (WCAG 2.2, 2.1.1); one that has the focus stays one.
 */
export function tend(root: ParentNode): void {
  const sizes = new ResizeObserver((entries) => {
    for (const frame of new Set(entries.map(({ target }) => target.closest<HTMLElement>(`.${FRAME}`)))) {
      if (!frame) continue;
      const { scrollWidth, clientWidth, scrollHeight, clientHeight } = frame;
      if (scrollWidth > clientWidth || scrollHeight > clientHeight) frame.tabIndex = 0;
      else if (!frame.matches(':focus')) frame.removeAttribute('tabindex');
    }
  });
  for (const frame of root.querySelectorAll(`.${FRAME}`)) {
    const watch = (): void => [frame, ...frame.children].forEach((each) => sizes.observe(each));
    // A table with other columns may take the place of the one that stands there.
    new MutationObserver(watch).observe(frame, { childList: true });
    watch();
  }
}

/** All frames of the page, those in placements that are isolated from it as well. */
export function tendAll(): void {
  tend(document);
  for (const { shadowRoot } of document.querySelectorAll(HOST)) if (shadowRoot) tend(shadowRoot);
}
