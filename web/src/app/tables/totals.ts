import { DestroyRef, effect, inject, signal, type Signal } from '@angular/core';
import { totalOf, type Value } from '../../../../core/data-types';
import { rememberTotal, sectionRows, valuesOf, type Table } from '../../../../core/table';

/** Body rows up to which totals are worked out on the spot. */
const FEW = 5000;
/** Rows that are read in one turn, and how long the table rests before they are, in ms. */
const [AT_ONCE, REST] = [2000, 200];

/**
 * Works out the totals of a long table in turns while it rests, so that no edit waits for them; until then the ones of
 * before stand. Gives a number that goes up whenever totals have come.
 */
export function totalsInTurns(table: Signal<Table | undefined>): Signal<number> {
  const come = signal(0);
  const last = new Map<number, number | null>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const work = (now: Table, columns: readonly number[]): void => {
    const [column, ...rest] = columns;
    if (column === undefined) return come.update((n) => n + 1);
    const values: (Value | undefined)[] = [];
    const read = (from: number): void => {
      values.push(...valuesOf(now, column, from, AT_ONCE));
      if (from + AT_ONCE < sectionRows(now, 'body').count) return void (timer = setTimeout(() => read(from + AT_ONCE)));
      const kind = now.columns[column]?.total ?? '';
      const total = kind === '' ? null : totalOf(kind, values);
      last.set(column, total);
      rememberTotal(now, column, total);
      work(now, rest);
    };
    read(0);
  };
  effect(() => {
    const now = table();
    clearTimeout(timer);
    if (!now || sectionRows(now, 'body').count <= FEW) return;
    const columns = now.columns.flatMap(({ total }, column) => (total === '' ? [] : [column]));
    for (const column of columns) rememberTotal(now, column, last.get(column) ?? null);
    if (columns.length > 0) timer = setTimeout(() => work(now, columns), REST);
  });
  inject(DestroyRef).onDestroy(() => clearTimeout(timer));
  return come;
}
