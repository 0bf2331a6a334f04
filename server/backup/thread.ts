import { parentPort, workerData } from 'node:worker_threads';
import { PGlite } from '@electric-sql/pglite';
import { wrap } from '../database/open';
import { BackupError } from './archive';
import { tried, type Trial, type Tried } from './trial';

/** What the thread answers: what was found, or what is wrong with the backup, or with us. */
export type Answer = { readonly done: Tried } | { readonly wrong: string } | { readonly error: string };

const empty = async (): Promise<ReturnType<typeof wrap>> => wrap(await PGlite.create());
const answer = await tried(workerData as Trial, empty).then(
  (done): Answer => ({ done }),
  (error: unknown): Answer =>
    error instanceof BackupError ? { wrong: error.message } : { error: error instanceof Error ? (error.stack ?? error.message) : String(error) },
);
parentPort?.postMessage(answer);
