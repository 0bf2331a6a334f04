import { Router, type Request } from 'express';
import type { Backups } from '../../core/documents';
import type { Database } from '../database/database';
import { Refusal } from '../problems';
import { BackupError } from './archive';
import { BROUGHT_MOST, type BackupKeeping } from './keeping';
import { countsOf } from './pieces';

/** Backups are listed, made, downloaded, brought in, restored and taken away. Without a folder for them there are none. */
export function backupRoutes(database: Database, keeping: BackupKeeping | undefined): Router {
  const router = Router();
  const kept = (): BackupKeeping => {
    if (!keeping) throw new Refusal('no-backups', 'This server was started with --backups none. Start it with a folder for backups.');
    return keeping;
  };
  const nameIn = (request: Request): string => String(request.params['name'] ?? '');
  router.get('/', async (_request, response) => {
    const all: Backups = {
      folder: keeping?.folder ?? null,
      kept: (await keeping?.list()) ?? [],
      trouble: keeping?.trouble ?? '',
      damage: keeping?.damage ?? [],
      counts: await countsOf(database),
    };
    response.set('Cache-Control', 'no-store').json(all);
  });
  router.post('/', async (_request, response) => void response.status(201).json(await refusing(kept().make('asked'))));
  router.post('/brought', async (request, response) => {
    const bytes = Number(request.headers['content-length'] ?? Number.NaN);
    if (!(bytes > 0)) throw new Refusal('invalid', 'There is no backup in the request.');
    if (bytes > BROUGHT_MOST) throw new Refusal('too-large', `A backup that is brought in has at most ${BROUGHT_MOST / 1_000_000_000} GB.`);
    response.status(201).json(await refusing(kept().bring(request, bytes)));
  });
  router.get('/:name', async (request, response) => {
    const file = await refusing(
      Promise.resolve().then(() => kept().fileOf(nameIn(request))),
      'not-found',
    );
    response.set('Cache-Control', 'no-store').type('application/zip').download(file);
  });
  router.delete('/:name', async (request, response) => {
    await refusing(
      Promise.resolve().then(() => kept().remove(nameIn(request))),
      'not-found',
    );
    response.status(204).end();
  });
  router.post('/:name/restore', async (request, response) => void response.json(await refusing(kept().restore(nameIn(request)))));
  return router;
}

/** What is wrong with a backup is told as a refusal. */
async function refusing<T>(work: Promise<T>, kind: 'invalid' | 'not-found' = 'invalid'): Promise<T> {
  try {
    return await work;
  } catch (error) {
    throw error instanceof BackupError ? new Refusal(kind, error.message) : error;
  }
}
