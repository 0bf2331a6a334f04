import { DestroyRef, effect, inject, signal, type Signal } from '@angular/core';
import { rememberTotal, sectionRows, type Table } from '../../../../../core/table';
import { SortService } from '../../workers/sort';

/** Body rows up to which totals are worked out on the spot. */
const FEW = 5000;
/** How long the table rests before its totals are worked out, in ms. */
const REST = 200;

/**
 * Has the totals of a long table worked out in a worker while it rests, so that no edit waits for them; until then the ones
 * of before stand. Gives a number that goes up whenever totals have come.
 */
export function totalsFromWorker(table: Signal<Table | undefined>): Signal<number> {
  const come = signal(0);
  const worker = inject(SortService);
  const last = new Map<number, number | null>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const work = async (now: Table, columns: readonly number[]): Promise<void> => {
    for (const column of columns) {
      const total = await worker.total(now, column);
      // Totals of a table that was edited meanwhile are asked for anew.
      if (table() !== now) return;
      last.set(column, total);
      rememberTotal(now, column, total);
    }
    come.update((n) => n + 1);
  };
  effect(() => {
    const now = table();
    clearTimeout(timer);
    if (!now || sectionRows(now, 'body').count <= FEW) return;
    const columns = now.columns.flatMap(({ total }, column) => (total === '' ? [] : [column]));
    for (const column of columns) rememberTotal(now, column, last.get(column) ?? null);
    if (columns.length > 0) timer = setTimeout(() => void work(now, columns), REST);
  });
  inject(DestroyRef).onDestroy(() => clearTimeout(timer));
  return come;
}
