import { Worker } from 'node:worker_threads';
import { BackupError } from './archive';
import type { Answer } from './thread';
import type { Trial, Tried } from './trial';

/** Time that a trial may take, in ms: a hundred thousand rows take some seconds. */
const PATIENCE = 600_000;
const file = (): URL => new URL(import.meta.url.endsWith('.ts') ? './from-source.mjs' : './backup-trial.mjs', import.meta.url);

/** A trial (see `tried`) in a thread of its own, so that nobody waits for it. Rejects with BackupError, or with what went wrong. */
export async function triedInThread(trial: Trial): Promise<Tried> {
  const thread = new Worker(file(), { workerData: trial });
  try {
    const answer = await new Promise<Answer>((resolve, reject) => {
      const tooLong = setTimeout(() => reject(new BackupError('Trying the backup took too long.')), PATIENCE).unref();
      thread.once('message', resolve).once('error', reject);
      thread.once('exit', () => {
        clearTimeout(tooLong);
        reject(new Error('The thread that tried the backup ended'));
      });
    });
    if ('wrong' in answer) throw new BackupError(answer.wrong);
    if ('error' in answer) throw new Error(answer.error);
    return answer.done;
  } finally {
    await thread.terminate();
  }
}
