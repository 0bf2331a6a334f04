import { CARDS, HOST } from './marks';

/**
 * What a visitor has chosen of plans, their period, currency or the one that is shown, stands in the address of the page under the name of
 * its switch, so that it can be passed on. Without a script the switches are the same, and choices are gone with the page.
 */
export function keepChoices(): void {
  const roots: readonly ParentNode[] = [document, ...[...document.querySelectorAll(HOST)].flatMap(({ shadowRoot }) => shadowRoot ?? [])];
  const given = new URLSearchParams(location.search);
  for (const root of roots)
    for (const field of root.querySelectorAll<HTMLInputElement>(`.${CARDS} input`)) if (given.get(field.name) === field.value) field.checked = true;
  addEventListener('change', (event) => {
    const [field] = event.composedPath();
    if (!(field instanceof HTMLInputElement) || !field.closest(`.${CARDS}`)) return;
    const now = new URLSearchParams(location.search);
    now.set(field.name, field.value);
    history.replaceState(history.state, '', `${location.pathname}?${String(now)}${location.hash}`);
  });
}
