import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import { compiled, type Compiled, type Job } from './job';
import type { Answer } from './thread';

/** Letters of tables up to which a job takes less time here than it takes to send; about 2,000 rows of ten columns. */
const SMALL = 200_000;
/** Time that one job may take, and that a thread is kept with nothing to do, in ms. */
const [PATIENCE, IDLE] = [300_000, 30_000] as const;

interface Waiting {
  readonly job: Job;
  readonly resolve: (done: Compiled | undefined) => void;
  readonly reject: (error: Error) => void;
}

/** The file of a thread: beside this one in the sources, beside the server's own where it was built. */
const file = (): URL => new URL(import.meta.url.endsWith('.ts') ? './from-source.mjs' : './compiling.mjs', import.meta.url);

/**
 * Compiles what visitors get. What is large is compiled in threads, so that nobody else waits for it: one fewer than there
 * are processors, so that one is left for all else. A thread that fails or takes too long takes its own job with it and no other.
 */
export class CompilePool {
  private readonly most = Math.max(1, Math.min(4, availableParallelism() - 1));
  private readonly waiting: Waiting[] = [];
  private readonly idle = new Map<Worker, NodeJS.Timeout>();
  private threads = 0;

  /** What comes of a job; undefined where there is nothing to compile. Rejects with what went wrong. */
  async run(job: Job): Promise<Compiled | undefined> {
    if (job.tables.reduce((sum, [, json]) => sum + json.length, 0) <= SMALL) return compiled(job);
    return new Promise((resolve, reject) => {
      this.waiting.push({ job, resolve, reject });
      this.next();
    });
  }

  private next(): void {
    if (this.waiting.length === 0) return;
    const [free] = this.idle.keys();
    if (!free && this.threads >= this.most) return;
    const task = this.waiting.shift();
    if (task) this.give(free ?? this.begun(), task);
  }

  private begun(): Worker {
    const thread = new Worker(file());
    // The process may end while a thread has nothing to do; a server that listens keeps it alive by itself.
    thread.unref();
    thread.on('exit', () => {
      this.threads--;
      clearTimeout(this.idle.get(thread));
      this.idle.delete(thread);
      this.next();
    });
    this.threads++;
    return thread;
  }

  private give(thread: Worker, { job, resolve, reject }: Waiting): void {
    clearTimeout(this.idle.get(thread));
    this.idle.delete(thread);
    const stop = (error: Error): void => {
      forget();
      reject(error);
      void thread.terminate();
    };
    const tooLong = setTimeout(() => stop(new Error(`Compiling took more than ${PATIENCE / 1000} s`)), PATIENCE).unref();
    const ended = (): void => stop(new Error('The thread that compiled it ended'));
    const answered = (answer: Answer): void => {
      forget();
      if ('error' in answer) reject(new Error(answer.error));
      else resolve(answer.done);
      this.idle.set(thread, setTimeout(() => void thread.terminate(), IDLE).unref());
      this.next();
    };
    const forget = (): void => {
      clearTimeout(tooLong);
      thread.off('message', answered).off('error', stop).off('exit', ended);
    };
    // An error without a listener would end the process.
    thread.on('error', stop).on('exit', ended).on('message', answered);
    thread.postMessage(job);
  }
}
