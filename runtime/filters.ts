import { folded } from './compare';
import { textOf } from './text';
import type { Unit } from './units';

/** What a column is filtered by: words, one of its values, or a range in which both ends count. */
export interface Filter {
  text?: string;
  is?: string;
  from?: number;
  to?: number;
}
export type Filters = Map<number, Filter>;

/** Whether a row passes every filter. Where there is nothing, no range holds it. */
export const passes = (unit: Unit, filters: Filters): boolean =>
  [...filters].every(([column, { text, is, from, to }]) => {
    const cell = unit.cellAt(column);
    const has = textOf(cell);
    if (is !== undefined) return has === is;
    if (text !== undefined) return folded(has).includes(folded(text));
    const value = cell?.getAttribute('data-value');
    return !!value && (from === undefined || Number(value) >= from) && (to === undefined || Number(value) <= to);
  });

const DAY = 86_400_000;

export interface Asked {
  /** The columns with a filter: where each stands, its name, and how it is filtered. */
  readonly columns: readonly { readonly column: number; readonly name: string; readonly kind: string }[];
  readonly units: readonly Unit[];
  readonly filters: Filters;
  readonly language: string;
  readonly say: (word: string, put?: Record<string, string>) => string;
  readonly changed: () => void;
}

/** Puts a field for each column that can be filtered into the box of the filters. */
export function fillFilters(box: HTMLElement, { columns, units, filters, language, say, changed }: Asked): void {
  const { ownerDocument: document } = box;
  const fields = document.createElement('div');
  const clear: (() => void)[] = [];
  const add = (label: string, field: HTMLInputElement | HTMLSelectElement, take: (value: string) => void): void => {
    const line = document.createElement('label');
    line.append(label, field);
    fields.append(line);
    field.addEventListener(field.matches('select') ? 'change' : 'input', () => {
      take(field.value);
      changed();
    });
    clear.push(() => (field.value = ''));
  };
  const put = (column: number, part: Filter): void => {
    const { text, is, from, to } = { ...filters.get(column), ...part };
    if (text || is || from !== undefined || to !== undefined) filters.set(column, { ...(text ? { text } : {}), ...(is ? { is } : {}), from, to });
    else filters.delete(column);
  };
  const input = (type: string, value: string | undefined): HTMLInputElement => {
    const field = document.createElement('input');
    field.type = type;
    if (type === 'number') field.step = 'any';
    field.value = value ?? '';
    return field;
  };
  for (const { column, name, kind } of columns) {
    const now = filters.get(column) ?? {};
    if (kind === 'choice') {
      const field = document.createElement('select');
      const values = [...new Set(units.map((unit) => textOf(unit.cellAt(column))))].filter(Boolean);
      const { compare } = new Intl.Collator(language, { numeric: true });
      field.append(new Option(say('any'), ''), ...values.sort(compare).map((value) => new Option(value)));
      field.value = now.is ?? '';
      add(name, field, (is) => put(column, { is }));
    } else if (kind === 'text') add(name, input('text', now.text), (text) => put(column, { text }));
    else {
      const isDay = kind === 'date';
      const shown = (value: number | undefined): string | undefined =>
        value === undefined ? undefined : isDay ? new Date(value).toISOString().slice(0, 10) : String(value);
      const read = (typed: string, more: number): number | undefined => (typed === '' ? undefined : isDay ? Date.parse(typed) + more : Number(typed));
      add(say('from', { column: name }), input(kind, shown(now.from)), (typed) => put(column, { from: read(typed, 0) }));
      // A day counts to its end.
      add(say('to', { column: name }), input(kind, shown(now.to)), (typed) => put(column, { to: read(typed, DAY - 1) }));
    }
  }
  const button = document.createElement('button');
  button.type = 'button';
  button.textContent = say('clear');
  button.addEventListener('click', () => {
    for (const each of clear) each();
    filters.clear();
    changed();
  });
  fields.append(button);
  box.append(fields);
}
