import { folded } from '../compare';
import type { Feature, Live } from '../feature';
import { FILTER, VALUE } from '../marks';
import type { Filter, Filters } from '../state';
import { textOf } from '../text';
import type { Unit } from '../units';

/** Rows that pass a filter of each column: words, one of its values, or a range. */
export const filters: Feature = (live) => {
  const { filters: all } = live.state;
  const box = live.box.querySelector<HTMLElement>('[data-filters]');
  if (box) fill(live, box);
  return {
    test: () => (all.size === 0 ? undefined : (unit) => passes(unit, all)),
    renew: () => {
      all.clear();
      box?.querySelector('div')?.remove();
      if (box) fill(live, box);
    },
  };
};

/** Whether a row passes every filter. Where there is nothing, no range holds it. */
const passes = (unit: Unit, filters: Filters): boolean =>
  [...filters].every(([column, { text, is, from, to }]) => {
    const cell = unit.cellAt(column);
    const has = textOf(cell);
    if (is !== undefined) return has === is;
    if (text !== undefined) return folded(has).includes(folded(text));
    const value = cell?.getAttribute(VALUE);
    return !!value && (from === undefined || Number(value) >= from) && (to === undefined || Number(value) <= to);
  });

const DAY = 86_400_000;

/** Puts a field for each column that can be filtered into the box of the filters. */
function fill(live: Live, box: HTMLElement): void {
  const { make, say, state } = live;
  const fields = make('div');
  const clear: (() => void)[] = [];
  const changed = (): void => {
    state.page = 0;
    live.again('found');
  };
  const add = (label: string, field: HTMLInputElement | HTMLSelectElement, value: string | undefined, take: (value: string) => void): void => {
    const line = make('label');
    line.append(label, field);
    fields.append(line);
    field.value = value ?? '';
    field.addEventListener(field.matches('select') ? 'change' : 'input', () => {
      take(field.value);
      changed();
    });
    clear.push(() => (field.value = ''));
  };
  for (const [header, column] of live.body().headers) {
    const kind = header.getAttribute(FILTER);
    if (!kind) continue;
    const name = header.textContent;
    const now = state.filters.get(column) ?? {};
    const put = (part: Filter): void => set(state.filters, column, part);
    if (kind === 'choice') add(name, choices(live, column), now.is, (is) => put({ is }));
    else if (kind === 'text') add(name, make('input', { type: kind }), now.text, (text) => put({ text }));
    else {
      const isDay = kind === 'date';
      const field = (): HTMLInputElement => make('input', { type: kind, step: 'any' });
      const shown = (value: number | undefined): string | undefined =>
        value === undefined ? undefined : isDay ? new Date(value).toISOString().slice(0, 10) : String(value);
      const read = (typed: string, more: number): number | undefined => (typed === '' ? undefined : isDay ? Date.parse(typed) + more : Number(typed));
      add(say('from', { column: name }), field(), shown(now.from), (typed) => put({ from: read(typed, 0) }));
      // A day counts to its end.
      add(say('to', { column: name }), field(), shown(now.to), (typed) => put({ to: read(typed, DAY - 1) }));
    }
  }
  const button = make('button', { type: 'button', textContent: say('clear') });
  button.addEventListener('click', () => {
    for (const each of clear) each();
    state.filters.clear();
    changed();
  });
  fields.append(button);
  box.append(fields);
  if (box.parentElement) box.parentElement.hidden = false;
  if (state.filters.size > 0) box.setAttribute('open', '');
}

function choices(live: Live, column: number): HTMLSelectElement {
  const field = live.make('select');
  const values = [...new Set(live.body().units.map((unit) => textOf(unit.cellAt(column))))].filter(Boolean);
  const { compare } = new Intl.Collator(live.language, { numeric: true });
  field.append(new Option(live.say('any'), ''), ...values.sort(compare).map((value) => new Option(value)));
  return field;
}

function set(all: Filters, column: number, part: Filter): void {
  const { text, is, from, to } = { ...all.get(column), ...part };
  if (text || is || from !== undefined || to !== undefined) all.set(column, { text: text || undefined, is: is || undefined, from, to });
  else all.delete(column);
}
