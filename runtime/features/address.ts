import type { Feature } from '../feature';
import type { Filters, State } from '../state';

/** What a visitor has asked stands in the address of the page, under the table's id, so that it can be passed on. */
export const address: Feature = ({ box, state }) => {
  const view = box.ownerDocument.defaultView;
  if (!view || !box.hasAttribute('data-address')) return undefined;
  const { location, history } = view;
  Object.assign(state, readAddress(box.id, location.search));
  return { shown: () => history.replaceState(history.state, '', location.pathname + writeAddress(box.id, location.search, state) + location.hash) };
};

/** Reads `?place-1.sort=2,descending&place-1.search=moth&place-1.page=3`; what makes no sense is left out. */
export function readAddress(id: string, query: string): State {
  const given = new URLSearchParams(query);
  const [column, direction] = (given.get(`${id}.sort`) ?? '').split(',');
  const page = Number(given.get(`${id}.page`) ?? 1);
  const filters: Filters = new Map();
  for (const [name, value] of given) {
    const at = name.startsWith(`${id}.filter.`) ? Number(name.slice(id.length + 8)) - 1 : -1;
    const range = /^(-?\d+(?:\.\d+)?)?\.\.(-?\d+(?:\.\d+)?)?$/.exec(value);
    if (!Number.isInteger(at) || at < 0) continue;
    if (range && (range[1] ?? range[2]) !== undefined)
      filters.set(at, { ...(range[1] ? { from: Number(range[1]) } : {}), ...(range[2] ? { to: Number(range[2]) } : {}) });
    else if (value.length > 1 && value.length < 200) filters.set(at, value.startsWith('=') ? { is: value.slice(1) } : { text: value.slice(1) });
  }
  return {
    filters,
    ...(/^\d{1,3}$/.test(column ?? '') && (direction === 'ascending' || direction === 'descending') ? { column: Number(column) - 1, direction } : {}),
    search: (given.get(`${id}.search`) ?? '').slice(0, 200),
    page: Number.isInteger(page) && page > 0 ? page - 1 : 0,
  };
}

/** The address with a table's state in it, and everything else as it was. */
export function writeAddress(id: string, query: string, { column, direction, search, page, filters }: State): string {
  const given = new URLSearchParams(query);
  const put = (name: string, value: string | undefined): void =>
    value === undefined ? given.delete(`${id}.${name}`) : given.set(`${id}.${name}`, value);
  put('sort', column === undefined || !direction ? undefined : `${column + 1},${direction}`);
  put('search', search || undefined);
  put('page', page > 0 ? String(page + 1) : undefined);
  for (const name of [...given.keys()]) if (name.startsWith(`${id}.filter.`)) given.delete(name);
  for (const [at, { is, text, from, to }] of filters)
    put(`filter.${at + 1}`, is !== undefined ? `=${is}` : text !== undefined ? `~${text}` : `${from ?? ''}..${to ?? ''}`);
  const text = given.toString();
  return text && `?${text}`;
}
