import { bodyOf, place, type Body } from './body';
import type { Feature, Live, Part } from './feature';
import { folded } from './folded';
import { EMPTY, OUT } from './marks';
import { emptyState } from './state';
import type { Unit } from './units';
import { wordsOf } from './words';

/**
 * Brings a table to life. Rows are moved and hidden, never made, so that the stylesheet's bands, lines and first and last rows
 * follow by themselves.
 */
export function liven(box: HTMLElement, first: HTMLTableElement, features: readonly Feature[]): void {
  const status = box.querySelector<HTMLElement>('[role=status]');
  const empty = box.querySelector<HTMLElement>(`.${EMPTY}`);
  let body = bodyOf(first);
  let ordered = body.units;
  let found: ReadonlySet<Unit> | undefined;
  let seen: ReadonlySet<Unit> = new Set(ordered);

  const again: Live['again'] = (stage, news = '') => {
    if (stage === 'order') ordered = inOrder(body, parts);
    if (stage !== 'shown') found = narrowed(body, parts);
    const all = found ? ordered.filter((unit) => found?.has(unit)) : ordered;
    const [from = 0, to] = parts.map((part) => part.page?.(all)).find(Boolean) ?? [];
    const shown = new Set(all.slice(from, to));
    for (const unit of seen) if (!shown.has(unit)) hide(unit, true);
    for (const unit of shown) if (!seen.has(unit)) hide(unit, false);
    seen = shown;
    place(body, shown);
    for (const part of parts) part.shown?.(all, shown);
    if (empty) empty.hidden = all.length > 0;
    if (!status) return;
    const put = { from: rowsIn(all.slice(0, from)) + (all.length && 1), to: rowsIn(all.slice(0, to)), count: rowsIn(all), all: rowsIn(body.units) };
    const text = [live.say(found ? 'found' : 'info', put), ...parts.map((part) => part.says?.()), news].filter(Boolean).join('. ');
    status.hidden = false;
    if (status.textContent !== text) status.textContent = text;
  };
  const language = box.dataset['language'] as string;
  const live: Live = {
    ...wordsOf(box, status?.lang),
    box,
    state: emptyState(),
    can: new Set(box.dataset['visitor']?.split(' ')),
    language,
    fold: (text) => folded(text, language, box.dataset['letters'] ?? ''),
    body: () => body,
    make: (tag, set) => Object.assign(box.ownerDocument.createElement(tag), set),
    again,
    replace: (table) => {
      const name = [...body.headers].find(([, column]) => column === live.state.column)?.[0].textContent;
      body.table.replaceWith(table);
      body = bodyOf(table);
      seen = new Set(body.units.filter(({ rows }) => !rows[0]?.hidden));
      for (const part of parts) part.renew?.(name);
      again('order');
    },
  };
  const parts = features.flatMap((start) => start(live) ?? []);
  again('order');
}

const rowsIn = (units: readonly Unit[]): number => units.reduce((count, { rows }) => count + rows.length, 0);
const hide = ({ rows }: Unit, is: boolean): void => rows.forEach((row) => (row.hidden = is));

/** Row groups stay where they are, and so does the order in which pages are counted. */
function inOrder({ units, groups }: Body, parts: readonly Part[]): readonly Unit[] {
  const all = parts.reduce((each, part) => part.order?.(each) ?? each, units);
  return groups.length < 2 ? all : groups.flatMap((group) => all.filter((unit) => unit.group === group));
}

/** The rows that pass every test; undefined where there is none. What is left out is told from what stands on another page. */
function narrowed({ units }: Body, parts: readonly Part[]): ReadonlySet<Unit> | undefined {
  const tests = parts.flatMap((part) => part.test?.() ?? []);
  const found = new Set(units.filter((unit, at) => tests.every((test) => test(unit, at))));
  for (const unit of units) for (const row of unit.rows) row.toggleAttribute(OUT, !found.has(unit));
  return tests.length > 0 ? found : undefined;
}
