import { Router } from 'express';
import type { Bases } from '../../core/theme';
import { documentRoutes, editionRoutes, holdIn, idOf, seenIn } from '../documents/routes';
import type { PageStore } from '../pages/queries';
import type { PricingStore } from './queries';

/** The routes of pricing tables: those that every document has, editions, and the pages that follow one. */
export function pricingRoutes(store: PricingStore, pages: PageStore, bases: Bases): Router {
  const router = Router();
  /** Live pages that would change if it were published. */
  router.get('/:id/followers', async (request, response) => {
    await store.get(idOf(request));
    response.set('Cache-Control', 'no-store').json(await pages.followers({ kind: 'pricing', id: idOf(request) }));
  });
  router.post('/:id/editions', async (request, response) => {
    response.status(201).json(await pages.publishFor({ kind: 'pricing', id: idOf(request) }, holdIn(request), seenIn(request)));
  });
  router.use(editionRoutes(store), documentRoutes({ store, bases }));
  return router;
}
