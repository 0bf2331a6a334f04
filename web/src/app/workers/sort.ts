import { Injectable } from '@angular/core';
import { wrap, type Remote } from 'comlink';
import { readingOf, sortGroups, textOf, type Table } from '../../../../core/table';
import type { SortWorker } from './sort.worker';

/** Texts that are handed over in one piece. */
const AT_ONCE = 10_000;

/** Sorts tables in a worker, which is started when it is first needed. */
@Injectable({ providedIn: 'root' })
export class SortService {
  private remote: Remote<SortWorker> | undefined;

  /** For each stretch of `sortGroups`, the order of its rows by a column. */
  async orders(table: Table, column: number, direction: 'ascending' | 'descending'): Promise<readonly Uint32Array[]> {
    this.remote ??= wrap<SortWorker>(new Worker(new URL('./sort.worker', import.meta.url), { type: 'module' }));
    const groups = sortGroups(table);
    let isFirst = true;
    for (const { first, count } of groups)
      for (let from = first; from < first + count; from += AT_ONCE) {
        const rows = table.rows.slice(from, Math.min(first + count, from + AT_ONCE));
        await this.remote.take(
          rows.map((row) => textOf(row[column])),
          isFirst,
        );
        isFirst = false;
      }
    return this.remote.orders(
      readingOf(table, column),
      direction,
      table.language,
      groups.map(({ count }) => count),
    );
  }
}
