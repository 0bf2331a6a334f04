import { Injectable } from '@angular/core';
import { transfer, wrap, type Remote } from 'comlink';
import type { Clipboard, FindingKind, Raw, SourceOptions } from '../../../../core/intake';
import type { Outcome } from '../../../../core/outcome';
import type { CameIn, IntakeWorker } from './intake.worker';

/** Work that was stopped on the way by the person. */
export class Stopped extends Error {}

/** Brings tables in through a worker, which is started when it is first needed. */
@Injectable({ providedIn: 'root' })
export class IntakeService {
  private worker: Worker | undefined;
  private remote: Remote<IntakeWorker> | undefined;
  private giveUp: ((reason: Stopped) => void) | undefined;

  async file(name: string, file: File): Promise<Outcome<CameIn>> {
    const bytes = new Uint8Array(await file.arrayBuffer());
    return this.unlessStopped<Outcome<CameIn>>(this.started().openFile(name, file.name, transfer(bytes, [bytes.buffer])));
  }
  readAgain(options: SourceOptions, refused: readonly FindingKind[]): Promise<Outcome<CameIn>> {
    return this.unlessStopped<Outcome<CameIn>>(this.started().readAgain(options, refused));
  }
  clipboard(name: string, clipboard: Clipboard): Promise<Outcome<CameIn>> {
    return this.unlessStopped<Outcome<CameIn>>(this.started().paste(name, clipboard));
  }
  arrangeAgain(refused: readonly FindingKind[]): Promise<CameIn> {
    return this.unlessStopped(this.started().arrangeAgain(refused));
  }
  cells(clipboard: Clipboard): Promise<Outcome<Raw>> {
    return this.unlessStopped<Outcome<Raw>>(this.started().cells(clipboard));
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
