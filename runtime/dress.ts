import type { Feature } from './feature';
import { liven } from './live';

/** Brings a placed table to life, as its box says (docs/markup.md, "What visitors use"), with those of the features that it has. */
export function dress(box: HTMLElement, features: readonly Feature[]): void {
  const table = box.querySelector('table');
  if (!table || box.hasAttribute('data-ready')) return;
  box.setAttribute('data-ready', '');
  liven(box, table, features);
}
