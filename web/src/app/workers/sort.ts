import { Injectable } from '@angular/core';
import { wrap, type Remote } from 'comlink';
import { readingOf, sectionRows, sortGroups, textOf, type Table } from '../../../../core/table';
import type { SortWorker } from './sort.worker';

/** Texts of a column, and whole rows, that are handed over in one piece: each takes a few milliseconds. */
const [TEXTS_AT_ONCE, ROWS_AT_ONCE] = [2500, 1000];

/** Sorts, finds and adds up in a worker, which is started when it is first needed. */
@Injectable({ providedIn: 'root' })
export class SortService {
  private remote: Remote<SortWorker> | undefined;
  /** The rows that the worker has to find in. */
  private lent: Table['rows'] | undefined;
  private lentIn = '';
  /** What is under way in the worker, one thing after the other, since it holds one column at a time. */
  private line: Promise<unknown> = Promise.resolve();

  /** For each stretch of `sortGroups`, the order of its rows by a column. */
  orders = (table: Table, column: number, direction: 'ascending' | 'descending'): Promise<readonly Uint32Array[]> =>
    this.inTurn(async (worker) => {
      const groups = sortGroups(table);
      await this.handOver(worker, table, column, groups);
      return worker.orders(
        readingOf(table, column),
        direction,
        table.language,
        groups.map(({ count }) => count),
      );
    });

  /** What a column comes to over all body rows. */
  total = (table: Table, column: number): Promise<number | null> =>
    this.inTurn(async (worker) => {
      const kind = table.columns[column]?.total ?? '';
      if (kind === '') return null;
      await this.handOver(worker, table, column, sortGroups(table));
      return worker.total(readingOf(table, column), kind);
    });

  /** The body rows that have all of the words. */
  find = (table: Table, words: string): Promise<readonly number[]> =>
    this.inTurn(async (worker) => {
      const { first, count } = sectionRows(table, 'body');
      if (this.lent !== table.rows || this.lentIn !== table.language) {
        for (let from = first; from < first + count; from += ROWS_AT_ONCE) {
          const rows = table.rows.slice(from, Math.min(first + count, from + ROWS_AT_ONCE));
          await worker.lend(
            rows.map((row) => row.map(textOf).join('\n')),
            from === first,
            table.language,
          );
        }
        if (count === 0) await worker.lend([], true, table.language);
        this.lent = table.rows;
        this.lentIn = table.language;
      }
      const headings = new Set(table.groups);
      return Array.from(await worker.find(words), (at) => first + at).filter((row) => !headings.has(row));
    });

  private async handOver(worker: Remote<SortWorker>, table: Table, column: number, groups: ReturnType<typeof sortGroups>): Promise<void> {
    let isFirst = true;
    for (const { first, count } of groups)
      for (let from = first; from < first + count; from += TEXTS_AT_ONCE) {
        const rows = table.rows.slice(from, Math.min(first + count, from + TEXTS_AT_ONCE));
        await worker.take(
          rows.map((row) => textOf(row[column])),
          isFirst,
        );
        isFirst = false;
      }
    if (isFirst) await worker.take([], true);
  }

  private inTurn<T>(work: (worker: Remote<SortWorker>) => Promise<T>): Promise<T> {
    const remote = (this.remote ??= wrap<SortWorker>(new Worker(new URL('./sort.worker', import.meta.url), { type: 'module' })));
    // What comes of it is a task of its own, apart from taking it in.
    const done = this.line.then(() => work(remote)).then(async (made) => (await new Promise((next) => setTimeout(next)), made));
    this.line = done.catch(() => undefined);
    return done;
  }
}
