import { dress } from './dress';
import type { Feature } from './feature';
import { HOST } from './marks';

/** Brings the placed tables of a page to life, each with those of the features that it has. */
export function start(features: readonly Feature[]): void {
  const dressIn = (root: ParentNode): void => root.querySelectorAll<HTMLElement>('[data-visitor]').forEach((box) => dress(box, features));
  dressIn(document);
  // Placements that are isolated from their page.
  for (const { shadowRoot } of document.querySelectorAll(HOST)) if (shadowRoot) dressIn(shadowRoot);
}
