import { Injectable } from '@angular/core';
import { transfer, wrap, type Remote } from 'comlink';
import type { Clipboard, Intake } from '../../../../core/intake';
import type { Outcome } from '../../../../core/outcome';
import type { IntakeWorker } from './intake.worker';

/** Brings tables in through a worker, which is started when it is first needed. */
@Injectable({ providedIn: 'root' })
export class IntakeService {
  private worker?: Remote<IntakeWorker>;

  async csv(name: string, file: File): Promise<Outcome<Intake>> {
    const bytes = new Uint8Array(await file.arrayBuffer());
    return this.started().readCsv(name, transfer(bytes, [bytes.buffer]));
  }
  async clipboard(name: string, clipboard: Clipboard): Promise<Outcome<Intake>> {
    return this.started().readClipboard(name, clipboard);
  }

  private started(): Remote<IntakeWorker> {
    return (this.worker ??= wrap<IntakeWorker>(new Worker(new URL('./intake.worker', import.meta.url), { type: 'module' })));
  }
}
