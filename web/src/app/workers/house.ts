import { Injectable } from '@angular/core';
import { wrap, type Remote } from 'comlink';
import type { PageInput } from '../../../../core/compile';
import type { Judgement } from '../../../../core/house';
import type { HouseReading, HouseWorker } from './house.worker';

/** Reads house stylesheets and weighs them against pages, by a worker that is started when it is first needed. */
@Injectable({ providedIn: 'root' })
export class HouseService {
  private remote: Remote<HouseWorker> | undefined;

  read = (source: string): Promise<HouseReading> => this.worker().read(source);
  judge = (source: string, input: PageInput): Promise<Judgement> => this.worker().judge(source, input);

  private worker(): Remote<HouseWorker> {
    return (this.remote ??= wrap<HouseWorker>(new Worker(new URL('./house.worker', import.meta.url), { type: 'module' })));
  }
}
