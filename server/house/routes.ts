import { Router, type Response } from 'express';
import { readHouseDocument } from '../../core/house';
import { revisionOf } from '../documents/routes';
import { invalid } from '../problems';
import type { KeptHouse } from '../../core/documents';
import type { HouseStore } from './queries';

/** The site's house stylesheet: read, and saved under If-Match. */
export function houseRoutes(store: HouseStore): Router {
  const router = Router();
  const send = (response: Response, kept: KeptHouse): void =>
    void response.set('ETag', `"${kept.revision}"`).set('Cache-Control', 'no-store').json(kept);
  router.get('/', async (_request, response) => send(response, await store.get()));
  router.put('/', async (request, response) => {
    const revision = revisionOf(request);
    const outcome = readHouseDocument(request.body);
    if (!outcome.ok) throw invalid(outcome.problems);
    send(response, await store.save(revision, outcome.value));
  });
  return router;
}
