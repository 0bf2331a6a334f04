import { readAddress, writeAddress, type State } from './address';
import { folded, sorted, type Direction } from './compare';
import { fillFilters, passes } from './filters';
import { textOf } from './text';
import { addUp } from './totals';
import { sortHeaders, unitsOf, type Unit } from './units';

/**
 * Brings a placed table to life: sorting, search and pages, as its box says (docs/markup.md, "What visitors use"). Rows
 * are moved and hidden, never made, so that the stylesheet's bands, lines and first and last rows follow by themselves.
 */
export function dress(box: HTMLElement): void {
  let table = box.querySelector('table');
  if (!table || box.hasAttribute('data-ready')) return;
  box.setAttribute('data-ready', '');
  const view = box.ownerDocument.defaultView as Window;
  const can = new Set((box.dataset['visitor'] ?? '').split(' '));
  let size = Number(box.dataset['rows'] ?? 0);
  const words = JSON.parse(box.dataset['words'] ?? '{}') as Record<string, string>;
  let { units, headings } = unitsOf(table);
  let groups = [...table.tBodies];
  let headers = sortHeaders(table);
  let before: ReadonlySet<Unit> = new Set(units);
  const field = box.querySelector<HTMLInputElement>('.zp-search > label > input');
  const status = box.querySelector<HTMLElement>('[role=status]');
  const empty = box.querySelector<HTMLElement>('.zp-empty');
  const pager = box.querySelector<HTMLElement>('.zp-pager');
  const make = <K extends keyof HTMLElementTagNameMap>(tag: K, set: Partial<HTMLElementTagNameMap[K]> = {}): HTMLElementTagNameMap[K] =>
    Object.assign(box.ownerDocument.createElement(tag), set);
  const count = new Intl.NumberFormat(status?.lang || undefined);
  const say = (word: string, put: Record<string, string | number> = {}): string =>
    (words[word] ?? '').replace(/\{(\w+)\}/g, (_, name: string) => (typeof put[name] === 'number' ? count.format(put[name]) : (put[name] ?? '')));

  const state: State = box.hasAttribute('data-address') ? readAddress(box.id, view.location.search) : { search: '', page: 0, filters: new Map() };
  const [first, direction] = (box.dataset['first'] ?? '').split(',');
  if (first && state.column === undefined) Object.assign(state, { column: Number(first) - 1, direction });
  let order: readonly Unit[] = units;
  let texts: string[] | undefined;
  let matching: ReadonlySet<Unit> | undefined;
  let marked: Element[] = [];
  let news = '';
  /** Which rows were chosen, by where they stood at first. */
  const chosen = new Set<number>();
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
    if (asked.length > 0) texts ??= units.map(({ rows }) => folded(rows.map((row) => [...row.cells].map(textOf).join('\n')).join('\n')));
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
    // Groups of which nothing is shown are not there, so that first and last, and the lines between groups, are right.
    let next: Element | null = table?.tFoot ?? null;
    for (const group of [...groups].reverse()) {
      if (!filled.has(group)) group.remove();
      else {
        if (!group.isConnected || group.nextElementSibling !== next) table?.insertBefore(group, next);
        next = group;
      }
    }
    for (const cell of marked) cell.classList.remove('zp-sorted');
    const { column } = state;
    marked = column === undefined ? [] : [...shown].flatMap((unit) => unit.cellsAt(column));
    for (const cell of marked) cell.classList.add('zp-sorted');
    if (can.has('choose')) for (const unit of shown) if (!unit.rows[0]?.querySelector('.zp-choose')) tick(unit);
    if (can.has('totals') && table) addUp(table, found, box.dataset['language'] ?? 'en');
    if (empty) empty.hidden = found.length > 0;
    if (status) {
      status.hidden = false;
      const put = { from: found.length === 0 ? 0 : from + 1, to: from + shown.size, count: found.length, all: units.length };
      const text = [say(matching ? 'found' : 'info', put), chosen.size > 0 ? say('chosen', { count: chosen.size }) : '', news]
        .filter(Boolean)
        .join('. ');
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

  /** A box to choose a row by, in its first cell. */
  const tick = (unit: Unit): void => {
    const [row] = unit.rows;
    const cell = row?.cells[0];
    if (!row || !cell) return;
    const at = units.indexOf(unit);
    const made = make('input', { type: 'checkbox', className: 'zp-choose', checked: chosen.has(at) });
    made.setAttribute('aria-label', say('choose', { row: textOf(cell) }));
    const mark = (): void => unit.rows.forEach((each) => each.toggleAttribute('data-selected', made.checked));
    made.addEventListener('change', () => {
      if (made.checked) chosen.add(at);
      else chosen.delete(at);
      mark();
      news = '';
      show();
    });
    mark();
    cell.prepend(made);
  };

  /** The pages to go to: the first, the last and those around; what had the focus has it again. */
  const page = (bar: HTMLElement, pages: number): void => {
    const had = ((box.getRootNode() as Document | ShadowRoot).activeElement as HTMLElement | null)?.closest<HTMLElement>('.zp-page')?.dataset['to'];
    const button = (to: string, text: string, name: string, is: { current?: boolean; off?: boolean }): HTMLButtonElement => {
      const made = make('button', { type: 'button', className: 'zp-page', textContent: text });
      made.setAttribute('aria-label', name);
      made.dataset['to'] = to;
      if (is.current) made.setAttribute('aria-current', 'page');
      if (is.off) made.setAttribute('aria-disabled', 'true');
      return made;
    };
    const numbers = [...new Set([0, state.page - 1, state.page, state.page + 1, pages - 1])].filter((at) => at >= 0 && at < pages);
    const nodes: Node[] = [button('previous', bar.dir === 'rtl' ? '›' : '‹', say('previous'), { off: state.page === 0 })];
    for (const [i, at] of numbers.entries()) {
      if (i > 0 && at - (numbers[i - 1] ?? 0) > 1) {
        nodes.push(make('span', { textContent: '…' }));
      }
      nodes.push(button(String(at), count.format(at + 1), say('page', { page: at + 1 }), { current: at === state.page }));
    }
    nodes.push(button('next', bar.dir === 'rtl' ? '‹' : '›', say('next'), { off: state.page === pages - 1 }));
    bar.replaceChildren(...nodes, ...(sizes ? [sizes] : []));
    bar.hidden = pages < 2 && !sizes;
    if (had !== undefined && !bar.hidden)
      (bar.querySelector<HTMLElement>(`[data-to="${had}"]`) ?? bar.querySelector<HTMLElement>('[aria-current]'))?.focus();
  };

  const sortButtons = (): void => {
    if (!can.has('sort')) return;
    for (const [header, column] of headers) {
      if (!header.hasAttribute('data-sorts') || header.querySelector('.zp-sort')) continue;
      const button = make('button', { type: 'button', className: 'zp-sort' });
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
  };

  if (pager && box.hasAttribute('data-sizes')) {
    sizes = make('label');
    const field = make('select');
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
  sortButtons();
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
  const fill = (): void => {
    if (!filters) return;
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
  };
  fill();
  // The table with all of its columns takes this one's place, and the other way round; what was sorted by stays.
  const columns = box.querySelector<HTMLElement>('[data-columns]');
  const spare = columns?.parentElement?.querySelector('template')?.content.querySelector('table');
  if (columns?.parentElement && spare) {
    let other = spare;
    columns.parentElement.hidden = false;
    columns.addEventListener('click', () => {
      if (!table) return;
      const name = [...headers].find(([, column]) => column === state.column)?.[0].textContent;
      table.replaceWith(other);
      [table, other] = [other, table];
      const isMore = table === spare;
      columns.textContent = say(isMore ? 'fewer' : 'more');
      ({ units, headings } = unitsOf(table));
      groups = [...table.tBodies];
      headers = sortHeaders(table);
      before = new Set(units.filter(({ rows }) => !rows[0]?.hidden));
      texts = undefined;
      marked = [...table.querySelectorAll('.zp-sorted')];
      state.column = [...headers].find(([header]) => header.textContent === name)?.[1];
      state.filters.clear();
      filters?.querySelector('div')?.remove();
      fill();
      sortButtons();
      sort();
      search();
      show();
    });
  }
  if (can.has('rowLink'))
    box.addEventListener('click', (event) => {
      const target = event.target as HTMLElement;
      if (!target.closest('a,button,input,label,select,summary') && view.getSelection()?.isCollapsed !== false)
        target.closest('tbody > tr')?.querySelector<HTMLElement>('a[href]')?.click();
    });
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
