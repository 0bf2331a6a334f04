import { Injectable } from '@angular/core';
import { wrap, type Remote } from 'comlink';
import type { Need, Proposal, Stretch } from '../../../../core/fit';
import type { Table } from '../../../../core/table';
import { familiesIn, type ThemeView } from '../../../../core/theme';
import { widthsInDocument } from './figure-widths';
import type { FitWorker, Worked } from './fit.worker';
import { fontFamiliesOf } from './font-families';

/** Told how wide tables have to be, by a worker that is started when it is first needed. */
@Injectable({ providedIn: 'root' })
export class FitService {
  private remote: Remote<FitWorker> | undefined;
  private line: Promise<unknown> = Promise.resolve();

  /** How a table does at every container width up to `most` px. */
  stretches = (view: ThemeView, table: Table, most: number, pageFamily: string): Promise<readonly Stretch[]> =>
    this.inTurn((worker) => this.final(worker, view, pageFamily, () => worker.stretches(view.chain, sendable(table), most, pageFamily)));

  /** What each column needs at a width step. */
  columns = (view: ThemeView, table: Table, pageFamily: string): Promise<readonly Need[]> =>
    this.inTurn((worker) => this.final(worker, view, pageFamily, () => worker.columns(view.chain, view.step, sendable(table), pageFamily)));

  /** Steps at which the table fits. */
  proposal = (view: ThemeView, table: Table, pageFamily: string): Promise<Proposal> =>
    this.inTurn((worker) => this.final(worker, view, pageFamily, () => worker.proposal(view.chain, sendable(table), pageFamily)));

  /** Asks again with what had to be looked at in the document, until nothing has to be. */
  private async final<T>(worker: Remote<FitWorker>, view: ThemeView, pageFamily: string, ask: () => Promise<Worked<T>>): Promise<T> {
    for (let round = 0; ; round++) {
      const { value, wanted } = await ask();
      if (wanted.length === 0 || round > 3) return value;
      await loadFonts(view, wanted.map(([text]) => text).join(''));
      await worker.learn(wanted, widthsInDocument(wanted, pageFamily));
    }
  }
  private inTurn<T>(work: (worker: Remote<FitWorker>) => Promise<T>): Promise<T> {
    this.remote ??= wrap<FitWorker>(new Worker(new URL('./fit.worker', import.meta.url), { type: 'module' }));
    const worker = this.remote;
    const done = this.line.then(() => work(worker));
    this.line = done.catch(() => undefined);
    return done;
  }
}

/** A table as it can be sent: rows that are worked out when they are asked for are so now (`computedTable`). */
const sendable = (table: Table): Table => ({ ...table, rows: Array.from(table.rows) });

/** Waits for the shipped families that a theme names, as far as texts need them. */
const loadFonts = (view: ThemeView, texts: string): Promise<unknown> =>
  Promise.allSettled(familiesIn(fontFamiliesOf(view)).map(({ family }) => document.fonts.load(`16px "${family}"`, texts)));
