import { Injectable } from '@angular/core';
import { proxy, wrap, type Remote } from 'comlink';
import type { Chosen, Clipboard, FindingKind, Raw, SourceOptions } from '../../../../core/intake';
import { good, type Outcome } from '../../../../core/outcome';
import { isSameCell, type Row, type Table, type TableHead } from '../../../../core/table';
import type { AgainShown, CameIn, IntakeWorker, Told } from './intake.worker';

/** Work that was stopped on the way by the person. */
export class Stopped extends Error {}

/** Rows that are handed to the worker in one piece. */
const ROWS_AT_ONCE = 2000;

/** Brings tables in through a worker, which is started when it is first needed. */
@Injectable({ providedIn: 'root' })
export class IntakeService {
  private worker: Worker | undefined;
  private remote: Remote<IntakeWorker> | undefined;
  private giveUp: ((reason: Stopped) => void) | undefined;

  file(name: string, file: File, told: Told): Promise<Outcome<CameIn>> {
    return this.unlessStopped<Outcome<CameIn>>(this.started().openFile(name, file, proxy(told)));
  }
  readAgain(options: SourceOptions, refused: readonly FindingKind[], chosen: Chosen, told: Told): Promise<Outcome<CameIn>> {
    return this.unlessStopped<Outcome<CameIn>>(this.started().readAgain(options, refused, chosen, proxy(told)));
  }
  clipboard(name: string, clipboard: Clipboard): Promise<Outcome<CameIn>> {
    return this.unlessStopped<Outcome<CameIn>>(this.started().paste(name, clipboard));
  }
  arrangeAgain(refused: readonly FindingKind[], chosen: Chosen): Promise<CameIn> {
    return this.unlessStopped(this.started().arrangeAgain(refused, chosen));
  }
  cells(clipboard: Clipboard): Promise<Outcome<Raw>> {
    return this.unlessStopped<Outcome<Raw>>(this.started().cells(clipboard));
  }
  /** Sends what came in to the server; gives its head and the id under which its rows are there. */
  async send(told: Told): Promise<Outcome<{ readonly head: TableHead; readonly upload: string; readonly rows: number }>> {
    const upload = crypto.randomUUID();
    const sent = await this.unlessStopped<Outcome<number>>(this.started().send(upload, proxy(told)));
    return sent.ok ? good({ head: await this.unlessStopped<TableHead>(this.started().head()), upload, rows: sent.value }) : sent;
  }
  /** Names of the columns by which rows can be told in a table and in what came in for it. */
  async keys({ rows, ...head }: Table): Promise<readonly string[]> {
    for (let from = 0; from < rows.length; from += ROWS_AT_ONCE)
      await this.unlessStopped(this.started().lend(rows.slice(from, from + ROWS_AT_ONCE), from === 0));
    return this.unlessStopped<readonly string[]>(this.started().keys(head));
  }
  compare({ rows: _rows, ...head }: Table, key: string): Promise<Outcome<AgainShown>> {
    return this.unlessStopped<Outcome<AgainShown>>(this.started().compare(head, key));
  }
  /** The table that the last comparison made. Rows that are as they were are the old table's own, so that nothing of them has to be sent. */
  async newer(table: Table): Promise<Table> {
    const head = await this.unlessStopped<TableHead>(this.started().newerHead());
    const rows: Row[] = [];
    for (;;) {
      const piece = await this.unlessStopped<readonly Row[]>(this.started().newerRows(rows.length));
      if (piece.length === 0) return { ...head, rows };
      for (const row of piece) {
        const was = table.rows[rows.length];
        rows.push(was?.length === row.length && row.every((cell, i) => isSameCell(cell, was[i] ?? '')) ? was : row);
      }
    }
  }
  /** Ends whatever is being read; what was read before is forgotten with it. */
  stop(): void {
    this.worker?.terminate();
    this.worker = this.remote = undefined;
    this.giveUp?.(new Stopped('Stopped'));
  }

  private unlessStopped<T>(work: Promise<T>): Promise<T> {
    return Promise.race([work, new Promise<never>((_, reject) => (this.giveUp = reject))]);
  }
  private started(): Remote<IntakeWorker> {
    this.worker ??= new Worker(new URL('./intake.worker', import.meta.url), { type: 'module' });
    return (this.remote ??= wrap<IntakeWorker>(this.worker));
  }
}
