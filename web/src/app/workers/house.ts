import { Injectable } from '@angular/core';
import { wrap, type Remote } from 'comlink';
import type { PageInput } from '../../../../core/compile';
import { ROWS_TO_JUDGE, type Judgement } from '../../../../core/house';
import { previewOf } from '../../../../core/table';
import type { HouseReading, HouseWorker } from './house.worker';

/** Reads house stylesheets and weighs them against pages, by a worker that is started when it is first needed. */
@Injectable({ providedIn: 'root' })
export class HouseService {
  private remote: Remote<HouseWorker> | undefined;

  read = (source: string): Promise<HouseReading> => this.worker().read(source);
  /** Weighs a stylesheet against a page, of which only the first rows of each table are sent. */
  judge(source: string, input: PageInput): Promise<Judgement> {
    const tables = new Map([...input.tables].map(([id, table]) => [id, previewOf(table, ROWS_TO_JUDGE)]));
    // What a view knows are functions, which cannot be sent: the chain that it is made of can.
    const themes = new Map([...input.themes].map(([ref, { key, view }]) => [ref, { key, chain: view.chain }]));
    return this.worker().judge(source, { ...input, tables, themes });
  }

  private worker(): Remote<HouseWorker> {
    return (this.remote ??= wrap<HouseWorker>(new Worker(new URL('./house.worker', import.meta.url), { type: 'module' })));
  }
}
