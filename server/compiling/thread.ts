import { parentPort } from 'node:worker_threads';
import { compiled, type Job } from './job';

/** What a thread answers: what came of the job, or what went wrong. */
export type Answer = { readonly done: ReturnType<typeof compiled> } | { readonly error: string };

parentPort?.on('message', (job: Job) => {
  let answer: Answer;
  try {
    answer = { done: compiled(job) };
  } catch (error) {
    answer = { error: error instanceof Error ? (error.stack ?? error.message) : String(error) };
  }
  parentPort?.postMessage(answer);
});
