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
  else all.clear();
  return {
    test: () => (all.size === 0 ? undefined : (unit) => passes(unit, all, live.fold)),
    renew: () => {
      all.clear();
      box?.querySelector('div')?.remove();
      if (box) fill(live, box);
    },
  };
};

/** Whether a row passes every filter. Where there is nothing, no range holds it. */
const passes = (unit: Unit, filters: Filters, fold: Live['fold']): boolean =>
  [...filters].every(([column, { text, is, from, to }]) => {
    const cell = unit.cellAt(column);
    const has = textOf(cell);
    if (is !== undefined) return has === is;
    if (text !== undefined) return fold(has).includes(fold(text));
    const value = cell?.getAttribute(VALUE);
    return !!value && Number(value) >= (from ?? -Infinity) && Number(value) <= (to ?? Infinity);
  });

const DAY = 86_400_000;

/**
 * Puts a field for each column that can be filtered into the box of the filters. An address may ask for anything: what no field
 * can say is left out, since nobody would see why rows are missing.
 */
function fill(live: Live, box: HTMLElement): void {
  const { make, say, state } = live;
  const fields = make('div');
  const clear: (() => void)[] = [];
  const asked = new Map(state.filters);
  state.filters.clear();
  const changed = (): void => {
    state.page = 0;
    live.again('found');
  };
  const add = <F extends HTMLInputElement | HTMLSelectElement>(label: string, field: F, take: (field: F) => Filter, at: number): void => {
    const line = make('label');
    line.append(label, field);
    fields.append(line);
    const put = (): void => set(state.filters, at, take(field));
    put();
    field.addEventListener('input', () => {
      put();
      changed();
    });
    clear.push(() => (field.value = ''));
  };
  for (const [header, column] of live.body().headers) {
    const kind = header.getAttribute(FILTER);
    if (!kind) continue;
    const name = header.textContent;
    const { is, text, ...ends } = asked.get(column) ?? {};
    if (kind === 'choice') add(name, choices(live, column, is), ({ value }) => ({ is: value }), column);
    else if (kind === 'text') add(name, make('input', { type: kind, value: text ?? '' }), ({ value }) => ({ text: value }), column);
    else
      for (const end of ['from', 'to'] as const) {
        const field = make('input', { type: kind, step: 'any', valueAsNumber: ends[end] ?? Number.NaN });
        // A day counts to its end.
        const more = end === 'to' && kind === 'date' ? DAY - 1 : 0;
        add(say(end, { column: name }), field, ({ valueAsNumber: value }) => ({ [end]: Number.isNaN(value) ? undefined : value + more }), column);
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

function choices(live: Live, column: number, is: string | undefined): HTMLSelectElement {
  const field = live.make('select');
  const values = [...new Set(live.body().units.map((unit) => textOf(unit.cellAt(column))))].filter(Boolean);
  const { compare } = new Intl.Collator(live.language, { numeric: true });
  field.append(new Option(live.say('any'), ''), ...values.sort(compare).map((value) => new Option(value, value, false, value === is)));
  return field;
}

function set(all: Filters, column: number, part: Filter): void {
  const next = { ...all.get(column), ...part };
  if (Object.values(next).some((each) => each !== undefined && each !== '')) all.set(column, next);
  else all.delete(column);
}
