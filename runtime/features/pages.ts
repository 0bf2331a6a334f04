import type { Feature, Live } from '../feature';
import { PAGE, PAGER } from '../marks';
import type { Unit } from '../units';

const [CURRENT, OFF] = ['aria-current', 'aria-disabled'] as const;

interface Paging {
  size: number;
  /** Which of those that were found begins each page. */
  starts: readonly number[];
  /** Which of them the page is to show that is shown next; Infinity where that is not asked. */
  first: number;
}

/** A page begins where the one before has its rows. Rows that hang together stay on one, which may have more then. */
function startsOf(found: readonly Unit[], size: number): readonly number[] {
  const starts = [0];
  let count = 0;
  found.forEach(({ rows }, at) => {
    if (count >= size) {
      starts.push(at);
      count = 0;
    }
    count += rows.length;
  });
  return starts;
}

/** So many rows at once, and a bar to go from page to page. */
export const pages: Feature = (live) => {
  const { box, state } = live;
  const paging: Paging = { size: Number(box.dataset['rows']), starts: [0], first: Infinity };
  if (!paging.size) return undefined;
  let isOnPaper = false;
  const bar = box.querySelector<HTMLElement>(`.${PAGER}`);
  const sizes = bar && box.hasAttribute('data-sizes') ? sizesOf(live, paging) : undefined;
  // On paper all that were found, in their order; what is shown then is as before (HTML Standard, "Printing").
  const print = ({ type }: Event): void => {
    isOnPaper = type > 'b';
    live.again('shown');
  };
  addEventListener('beforeprint', print);
  addEventListener('afterprint', print);
  bar?.addEventListener('click', (event) => {
    const button = (event.target as HTMLElement).closest<HTMLElement>(`.${PAGE}`);
    if (!button || button.hasAttribute(OFF)) return;
    const to = button.dataset['to'];
    state.page = to === 'previous' ? state.page - 1 : to === 'next' ? state.page + 1 : Number(to);
    live.again('shown');
  });
  return {
    page: (found) => {
      if (isOnPaper) return [];
      const starts = (paging.starts = startsOf(found, paging.size));
      state.page = Math.min(state.page, starts.filter((at) => at <= paging.first).length - 1);
      paging.first = Infinity;
      return starts.slice(state.page, state.page + 2);
    },
    shown: () => {
      if (bar) fill(live, bar, paging.starts.length, sizes);
    },
  };
};

/** A list of how many rows there can be on a page; the first row that was shown stays in view. */
function sizesOf(live: Live, paging: Paging): HTMLElement {
  const { state } = live;
  const label = live.make('label');
  const field = live.make('select');
  const each = [...new Set([10, 20, 50, 100, paging.size])].sort((a, b) => a - b);
  field.append(...each.map((rows) => new Option(live.number(rows), String(rows), rows === paging.size, rows === paging.size)));
  label.append(`${live.say('size')} `, field);
  field.addEventListener('change', () => {
    Object.assign(paging, { size: Number(field.value), first: paging.starts[state.page] });
    state.page = Infinity;
    live.again('shown');
    field.focus();
  });
  return label;
}

/** The pages to go to: the first, the last and those around; what had the focus has it again. */
function fill(live: Live, bar: HTMLElement, count: number, sizes: HTMLElement | undefined): void {
  const { page } = live.state;
  const had = ((bar.getRootNode() as Document | ShadowRoot).activeElement as HTMLElement | null)?.closest<HTMLElement>(`.${PAGE}`)?.dataset['to'];
  const button = (to: string, text: string, name: string, mark: string, isMarked: boolean): HTMLButtonElement => {
    const made = live.make('button', { type: 'button', className: PAGE, textContent: text });
    made.setAttribute('aria-label', name);
    made.dataset['to'] = to;
    if (isMarked) made.setAttribute(mark, mark === CURRENT ? 'page' : 'true');
    return made;
  };
  const [before, after] = bar.dir === 'rtl' ? '›‹' : '‹›';
  const numbers = [...new Set([0, page - 1, page, page + 1, count - 1])].filter((at) => at >= 0 && at < count);
  const nodes: Node[] = [button('previous', before ?? '', live.say('previous'), OFF, page === 0)];
  let from = 0;
  for (const at of numbers) {
    // A page that would stand alone between two others stands there itself, and not a sign for it.
    if (at - from > 1) nodes.push(live.make('span', { textContent: '…' }));
    for (let each = at - from === 1 ? from : at; each <= at; each++)
      nodes.push(button(String(each), live.number(each + 1), live.say('page', { page: each + 1 }), CURRENT, each === page));
    from = at + 1;
  }
  nodes.push(button('next', after ?? '', live.say('next'), OFF, page === count - 1));
  bar.replaceChildren(...nodes, ...(sizes ? [sizes] : []));
  bar.hidden = count < 2 && !sizes;
  if (had !== undefined && !bar.hidden)
    (bar.querySelector<HTMLElement>(`[data-to="${had}"]`) ?? bar.querySelector<HTMLElement>(`[${CURRENT}]`))?.focus();
}
