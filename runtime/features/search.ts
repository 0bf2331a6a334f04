import type { Feature } from '../feature';
import { SEARCH } from '../marks';
import { textOf } from '../text';

/** Rows that have every word that is asked for, in whatever case and with whatever marks. */
export const search: Feature = (live) => {
  const { box, state, fold } = live;
  let texts: readonly string[] | undefined;
  const field = box.querySelector<HTMLInputElement>(`.${SEARCH} > label > input`);
  const bar = field?.closest<HTMLElement>(`.${SEARCH}`);
  if (field && bar) {
    bar.hidden = false;
    field.value = state.search;
    field.addEventListener('input', () => {
      Object.assign(state, { search: field.value, page: 0 });
      live.again('found');
    });
  }
  return {
    test: () => {
      const asked = fold(state.search).split(/\s+/).filter(Boolean);
      if (asked.length === 0) return undefined;
      const all = (texts ??= live.body().units.map(({ rows }) => fold(rows.map((row) => [...row.cells].map(textOf).join('\n')).join('\n'))));
      return (_, at) => asked.every((word) => all[at]?.includes(word));
    },
    renew: () => (texts = undefined),
  };
};
