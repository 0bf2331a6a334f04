import { readAddress, writeAddress, type State } from './address';
import { folded, sorted, type Direction } from './compare';
import { fillFilters, passes } from './filters';
import { cellIn, sortHeaders, unitsOf, type Unit } from './units';

/**
 * Brings a placed table to life: sorting, search and pages, as its box says (docs/markup.md, "What visitors use"). Rows
 * are moved and hidden, never made, so that the stylesheet's bands, lines and first and last rows follow by themselves.
 */
export function dress(box: HTMLElement): void {
  const table = box.querySelector('table');
  if (!table || box.hasAttribute('data-ready')) return;
  box.setAttribute('data-ready', '');
  const view = box.ownerDocument.defaultView as Window;
  const can = new Set((box.dataset['visitor'] ?? '').split(' '));
  let size = Number(box.dataset['rows'] ?? 0);
  const words = JSON.parse(box.dataset['words'] ?? '{}') as Record<string, string>;
  const { units, headings } = unitsOf(table);
  const groups = [...new Set(units.map(({ group }) => group))];
  const headers = sortHeaders(table);
  const field = box.querySelector<HTMLInputElement>('.zp-search > label > input');
  const status = box.querySelector<HTMLElement>('[role=status]');
  const empty = box.querySelector<HTMLElement>('.zp-empty');
  const pager = box.querySelector<HTMLElement>('.zp-pager');
  const count = new Intl.NumberFormat(status?.lang || undefined);
  const say = (word: string, put: Record<string, string | number> = {}): string =>
    (words[word] ?? '').replace(/\{(\w+)\}/g, (_, name: string) => (typeof put[name] === 'number' ? count.format(put[name]) : (put[name] ?? '')));

  const state: State = box.hasAttribute('data-address') ? readAddress(box.id, view.location.search) : { search: '', page: 0, filters: new Map() };
  const [first, direction] = (box.dataset['first'] ?? '').split(',');
  if (first && state.column === undefined) Object.assign(state, { column: Number(first) - 1, direction });
  let order: readonly Unit[] = units;
  let texts: string[] | undefined;
  let matching: ReadonlySet<Unit> | undefined;
  let before: ReadonlySet<Unit> = new Set(units);
  let marked: Element[] = [];
  let news = '';
  let sizes: HTMLElement | undefined;

  const sort = (): void => {
    const { column, direction } = state;
    const all = column === undefined || !direction ? units : sorted(units, column, direction, box.dataset['language'] ?? 'en');
    // Row groups stay where they are, and so does the order in which pages are counted.
    order = groups.length < 2 ? all : groups.flatMap((group) => all.filter((unit) => unit.group === group));
    for (const [header, at] of headers) {
      if (at === column && direction) header.setAttribute('aria-sort', direction);
      else header.removeAttribute('aria-sort');
    }
  };

  /** Brings the rows that are shown to the front of their groups, in order; those that are hidden need none. */
  const place = (units: readonly Unit[]): void => {
    const next = new Map<HTMLTableSectionElement, ChildNode | null>();
    for (const { group, rows } of units) {
      let before = next.has(group)
        ? (next.get(group) ?? null)
        : (headings.get(group)?.nextSibling ?? (headings.has(group) ? null : group.firstChild));
      for (const row of rows) {
        if (before === row) before = row.nextSibling;
        else group.insertBefore(row, before);
      }
      next.set(group, before);
    }
  };

  const search = (): void => {
    const asked = folded(state.search).split(/\s+/).filter(Boolean);
    if (asked.length === 0 && state.filters.size === 0) return void (matching = undefined);
    if (asked.length > 0)
      texts ??= units.map(({ rows }) => folded(rows.map((row) => [...row.cells].map((cell) => cell.textContent).join('\n')).join('\n')));
    matching = new Set(units.filter((unit, i) => asked.every((word) => texts?.[i]?.includes(word)) && passes(unit, state.filters)));
  };

  /** Shows the rows of the page, and says so. */
  const show = (): void => {
    const found = matching ? order.filter((unit) => matching?.has(unit)) : order;
    const pages = size > 0 ? Math.max(1, Math.ceil(found.length / size)) : 1;
    state.page = Math.min(state.page, pages - 1);
    const from = size > 0 ? state.page * size : 0;
    const shown = new Set(size > 0 ? found.slice(from, from + size) : found);
    const filled = new Set([...shown].map(({ group }) => group));
    for (const unit of before) if (!shown.has(unit)) for (const row of unit.rows) row.hidden = true;
    for (const unit of shown) if (!before.has(unit)) for (const row of unit.rows) row.hidden = false;
    before = shown;
    place([...shown]);
    for (const [group, heading] of headings) heading.hidden = !filled.has(group);
    for (const cell of marked) cell.classList.remove('zp-sorted');
    const { column } = state;
    marked = column === undefined ? [] : [...shown].flatMap(({ rows }) => rows.flatMap((row) => cellIn(row, column) ?? []));
    for (const cell of marked) cell.classList.add('zp-sorted');
    if (empty) empty.hidden = found.length > 0;
    if (status) {
      status.hidden = false;
      const put = { from: found.length === 0 ? 0 : from + 1, to: from + shown.size, count: found.length, all: units.length };
      const text = [say(matching ? 'found' : 'info', put), news].filter(Boolean).join('. ');
      if (status.textContent !== text) status.textContent = text;
    }
    if (pager) page(pager, pages);
    if (box.hasAttribute('data-address'))
      view.history.replaceState(
        view.history.state,
        '',
        view.location.pathname + writeAddress(box.id, view.location.search, state) + view.location.hash,
      );
  };

  /** The pages to go to: the first, the last and those around; what had the focus has it again. */
  const page = (bar: HTMLElement, pages: number): void => {
    const had = (box.ownerDocument.activeElement as HTMLElement | null)?.closest<HTMLElement>('.zp-page')?.dataset['to'];
    const button = (to: string, text: string, name: string, is: { current?: boolean; off?: boolean }): HTMLButtonElement => {
      const made = box.ownerDocument.createElement('button');
      made.type = 'button';
      made.className = 'zp-page';
      made.dataset['to'] = to;
      made.textContent = text;
      made.setAttribute('aria-label', name);
      if (is.current) made.setAttribute('aria-current', 'page');
      if (is.off) made.setAttribute('aria-disabled', 'true');
      return made;
    };
    const numbers = [...new Set([0, state.page - 1, state.page, state.page + 1, pages - 1])].filter((at) => at >= 0 && at < pages);
    const nodes: Node[] = [button('previous', bar.dir === 'rtl' ? '›' : '‹', say('previous'), { off: state.page === 0 })];
    for (const [i, at] of numbers.entries()) {
      if (i > 0 && at - (numbers[i - 1] ?? 0) > 1) {
        const gap = box.ownerDocument.createElement('span');
        gap.textContent = '…';
        nodes.push(gap);
      }
      nodes.push(button(String(at), count.format(at + 1), say('page', { page: at + 1 }), { current: at === state.page }));
    }
    nodes.push(button('next', bar.dir === 'rtl' ? '‹' : '›', say('next'), { off: state.page === pages - 1 }));
    bar.replaceChildren(...nodes, ...(sizes ? [sizes] : []));
    bar.hidden = pages < 2 && !sizes;
    if (had !== undefined && !bar.hidden)
      (bar.querySelector<HTMLElement>(`[data-to="${had}"]`) ?? bar.querySelector<HTMLElement>('[aria-current]'))?.focus();
  };

  if (pager && box.hasAttribute('data-sizes')) {
    sizes = box.ownerDocument.createElement('label');
    const field = box.ownerDocument.createElement('select');
    const each = [...new Set([10, 20, 50, 100, size])].sort((a, b) => a - b);
    field.append(...each.map((rows) => new Option(count.format(rows), String(rows), rows === size, rows === size)));
    sizes.append(`${say('size')} `, field);
    field.addEventListener('change', () => {
      // The first row that was shown stays in view.
      const from = state.page * size;
      size = Number(field.value);
      state.page = Math.floor(from / size);
      news = '';
      show();
      field.focus();
    });
  }
  if (can.has('sort'))
    for (const [header, column] of headers) {
      if (!header.hasAttribute('data-sorts')) continue;
      const button = box.ownerDocument.createElement('button');
      button.type = 'button';
      button.className = 'zp-sort';
      button.append(...header.childNodes);
      header.append(button);
      const name = button.textContent;
      button.addEventListener('click', () => {
        const next: Direction | undefined = state.column !== column ? 'ascending' : state.direction === 'ascending' ? 'descending' : undefined;
        if (next) Object.assign(state, { column, direction: next, page: 0 });
        else Object.assign(state, { column: undefined, direction: undefined, page: 0 });
        news = next ? say(next, { column: name }) : say('unsorted');
        sort();
        show();
      });
    }
  if (field) {
    const bar = field.closest<HTMLElement>('.zp-search');
    if (bar) bar.hidden = false;
    field.value = state.search;
    field.addEventListener('input', () => {
      Object.assign(state, { search: field.value, page: 0 });
      news = '';
      search();
      show();
    });
  }
  const filters = box.querySelector<HTMLElement>('[data-filters]');
  if (filters) {
    const columns = [...headers].flatMap(([header, column]) => {
      const kind = header.getAttribute('data-filter');
      return kind ? [{ column, name: header.textContent, kind }] : [];
    });
    const changed = (): void => {
      state.page = 0;
      news = '';
      search();
      show();
    };
    fillFilters(filters, { columns, units, filters: state.filters, language: box.dataset['language'] ?? 'en', say, changed });
    if (filters.parentElement) filters.parentElement.hidden = false;
    if (state.filters.size > 0) filters.setAttribute('open', '');
  }
  pager?.addEventListener('click', (event) => {
    const button = (event.target as HTMLElement).closest<HTMLElement>('.zp-page');
    if (!button || button.getAttribute('aria-disabled') === 'true') return;
    const to = button.dataset['to'];
    state.page = to === 'previous' ? state.page - 1 : to === 'next' ? state.page + 1 : Number(to);
    news = '';
    show();
  });
  if (state.column !== undefined) sort();
  if (state.search || state.filters.size > 0) search();
  show();
}
