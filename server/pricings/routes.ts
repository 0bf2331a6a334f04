import { Router } from 'express';
import type { Bases } from '../../core/theme';
import { documentRoutes, editionRoutes, idOf, seenIn } from '../documents/routes';
import type { PricingStore } from './queries';

/** The routes of pricing tables: those that every document has, and editions. */
export function pricingRoutes(store: PricingStore, bases: Bases): Router {
  const router = Router();
  router.post('/:id/editions', async (request, response) => {
    response.status(201).json(await store.publish(idOf(request), seenIn(request)));
  });
  router.use(editionRoutes(store), documentRoutes({ store, bases }));
  return router;
}
