import { Router } from 'express';
import type { Database } from '../database/database';
import { deletedThings } from './deleted';

/** What lies deleted: it is brought back by its kind's own route. */
export function deletedRoutes(database: Database): Router {
  const router = Router();
  router.get('/', async (_request, response) => void response.set('Cache-Control', 'no-store').json(await deletedThings(database)));
  return router;
}
