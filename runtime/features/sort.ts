import { sorted, type Direction } from '../compare';
import type { Feature, Live } from '../feature';
import { SORT, SORTED, SORTS } from '../marks';

/** Rows in the order of a column: upwards, downwards, and their own again. */
export const sort: Feature = (live) => {
  const { state } = live;
  const [first, direction] = live.box.dataset['first']?.split(',') ?? [];
  if (first && state.column === undefined) Object.assign(state, { column: Number(first) - 1, direction });
  let marked: readonly Element[] = [];
  buttons(live);
  return {
    order: (units) => {
      const { column = -1, direction } = state;
      // An address may name a column that is not there.
      let way: Direction | undefined;
      for (const [header, at] of live.body().headers) {
        if (at === column && direction) header.setAttribute('aria-sort', (way = direction));
        else header.removeAttribute('aria-sort');
      }
      return way && sorted(units, column, way, live.language);
    },
    shown: (_, shown) => {
      for (const cell of marked) cell.classList.remove(SORTED);
      const { column } = state;
      marked = column === undefined ? [] : [...shown].flatMap((unit) => unit.cellsAt(column));
      for (const cell of marked) cell.classList.add(SORTED);
    },
    // What was sorted by stays, wherever its column stands now.
    renew: (name) => {
      marked = [...live.body().table.querySelectorAll(`.${SORTED}`)];
      state.column = [...live.body().headers].find(([header]) => header.textContent === name)?.[1];
      buttons(live);
    },
  };
};

/** Puts a button into each header that rows can be sorted by. */
function buttons(live: Live): void {
  if (!live.can.has('sort')) return;
  for (const [header, column] of live.body().headers) {
    if (!header.hasAttribute(SORTS) || header.querySelector(`.${SORT}`)) continue;
    const button = live.make('button', { type: 'button', className: SORT });
    button.append(...header.childNodes);
    header.append(button);
    const name = button.textContent;
    button.addEventListener('click', () => {
      const { state } = live;
      const next: Direction | undefined = state.column !== column ? 'ascending' : state.direction === 'ascending' ? 'descending' : undefined;
      Object.assign(state, { column: next && column, direction: next, page: 0 });
      live.again('order', live.say(next ?? 'unsorted', { column: name }));
    });
  }
}
