import type { Direction } from '../compare';
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
  const get = (name: string): string => given.get(`${id}.${name}`) ?? '';
  const [, column, direction] = /^(\d{1,3}),((?:a|de)scending)$/.exec(get('sort')) ?? [];
  const page = Number(get('page'));
  const filters: Filters = new Map();
  const number = (text: string | undefined): number | undefined => (text ? Number(text) : undefined);
  for (const [name, value] of given) {
    const [before, at] = name.split('.filter.');
    const [any, is, text, from, to] = /^(?:=(.{1,200})|~(.{1,200})|(-?[\d.]{1,30}?)?\.\.(-?[\d.]{1,30})?)$/s.exec(value) ?? [];
    // Which columns there are, and what of this they could be asked, is for the filters to say.
    if (before === id && any) filters.set(Number(at) - 1, { is, text, from: number(from), to: number(to) });
  }
  return {
    filters,
    ...(column ? { column: Number(column) - 1, direction: direction as Direction } : {}),
    search: get('search').slice(0, 200),
    page: Math.max(0, Math.trunc(page) - 1) || 0,
  };
}

/** The address with a table's state in it, and everything else as it was. */
export function writeAddress(id: string, query: string, { column, direction, search, page, filters }: State): string {
  const given = new URLSearchParams(query);
  for (const name of [...given.keys()]) if (name.startsWith(`${id}.`)) given.delete(name);
  const put = (name: string, value: string | number | false | undefined): void => {
    if (value) given.set(`${id}.${name}`, String(value));
  };
  put('sort', column !== undefined && direction && `${column + 1},${direction}`);
  put('search', search);
  put('page', page && page + 1);
  for (const [at, { is, text, from, to }] of filters) put(`filter.${at + 1}`, is ? `=${is}` : text ? `~${text}` : `${from ?? ''}..${to ?? ''}`);
  const text = given.toString();
  return text && `?${text}`;
}
