import { Router } from 'express';
import type { Bases } from '../../core/theme';
import { numberIn } from '../asked';
import { documentRoutes, idOf, seenIn } from '../documents/routes';
import { Refusal } from '../problems';
import type { PricingStore } from './queries';

/** The routes of pricing tables: those that every document has, and editions. */
export function pricingRoutes(store: PricingStore, bases: Bases): Router {
  const router = Router();
  router.get('/:id/editions', async (request, response) => {
    await store.get(idOf(request));
    response.set('Cache-Control', 'no-store').json(await store.editions(idOf(request)));
  });
  router.get('/:id/editions/:number', async (request, response) => {
    const number = numberIn(request.params['number']);
    const found = number === undefined ? undefined : await store.edition(idOf(request), number);
    if (!found) throw new Refusal('not-found', 'There is no edition of this number.');
    response.json(found);
  });
  router.post('/:id/editions', async (request, response) => {
    response.status(201).json(await store.publish(idOf(request), seenIn(request)));
  });
  router.use(documentRoutes({ store, bases }));
  return router;
}
