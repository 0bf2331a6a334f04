import type { Feature, Live } from '../feature';
import { PAGE, PAGER } from '../marks';

const [CURRENT, OFF] = ['aria-current', 'aria-disabled'] as const;

/** So many rows at once, and a bar to go from page to page. */
export const pages: Feature = (live) => {
  const { box, state } = live;
  const paging = { size: Number(box.dataset['rows'] ?? 0), count: 1 };
  if (paging.size === 0) return undefined;
  const bar = box.querySelector<HTMLElement>(`.${PAGER}`);
  const sizes = bar && box.hasAttribute('data-sizes') ? sizesOf(live, paging) : undefined;
  bar?.addEventListener('click', (event) => {
    const button = (event.target as HTMLElement).closest<HTMLElement>(`.${PAGE}`);
    if (!button || button.hasAttribute(OFF)) return;
    const to = button.dataset['to'];
    state.page = to === 'previous' ? state.page - 1 : to === 'next' ? state.page + 1 : Number(to);
    live.again('shown');
  });
  return {
    page: (count) => {
      const { size } = paging;
      paging.count = Math.max(1, Math.ceil(count / size));
      state.page = Math.min(state.page, paging.count - 1);
      return { from: state.page * size, size };
    },
    shown: () => {
      if (bar) fill(live, bar, paging.count, sizes);
    },
  };
};

/** A list of how many rows there can be on a page; the first row that was shown stays in view. */
function sizesOf(live: Live, paging: { size: number }): HTMLElement {
  const { state } = live;
  const label = live.make('label');
  const field = live.make('select');
  const each = [...new Set([10, 20, 50, 100, paging.size])].sort((a, b) => a - b);
  field.append(...each.map((rows) => new Option(live.number(rows), String(rows), rows === paging.size, rows === paging.size)));
  label.append(`${live.say('size')} `, field);
  field.addEventListener('change', () => {
    const from = state.page * paging.size;
    paging.size = Number(field.value);
    state.page = Math.floor(from / paging.size);
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
