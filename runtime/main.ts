import { dress } from './dress';

const dressIn = (root: ParentNode): void => root.querySelectorAll<HTMLElement>('[data-visitor]').forEach(dress);
dressIn(document);
// Placements that are isolated from their page.
for (const { shadowRoot } of document.querySelectorAll('zest-pane-table')) if (shadowRoot) dressIn(shadowRoot);
