import type { Feature } from '../feature';

/** The table with all of its columns takes this one's place, and the other way round. */
export const columns: Feature = (live) => {
  const button = live.box.querySelector<HTMLElement>('[data-columns]');
  const spare = live.box.querySelector('template')?.content.querySelector('table');
  if (!button || !spare) return undefined;
  let other: HTMLTableElement = spare;
  (button.parentElement as HTMLElement).hidden = false;
  button.addEventListener('click', () => {
    const next = other;
    other = live.body().table;
    button.textContent = live.say(next === spare ? 'fewer' : 'more');
    live.replace(next);
  });
  return undefined;
};
