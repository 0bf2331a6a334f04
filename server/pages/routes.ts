import { Router } from 'express';
import { readAlong } from '../../core/page';
import type { Bases } from '../../core/theme';
import { documentRoutes, editionRoutes, idOf, seenIn } from '../documents/routes';
import { invalid } from '../problems';
import type { PageStore } from './queries';

export function pageRoutes(store: PageStore, bases: Bases): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    const [all, live] = await Promise.all([store.list(), store.live()]);
    response.set('Cache-Control', 'no-store').json(all.map((kept) => ({ ...kept, live: live.get(kept.id) })));
  });
  router.post('/:id/publish', async (request, response) => {
    const read = readAlong(request.body);
    if (!read.ok) throw invalid(read.problems);
    response.status(201).json(await store.publish(idOf(request), read.value, seenIn(request)));
  });
  /** What it follows that has changed since it was published. */
  router.get('/:id/pending', async (request, response) => {
    response.set('Cache-Control', 'no-store').json(await store.pending(idOf(request)));
  });
  router.delete('/:id/publish', async (request, response) => {
    await store.get(idOf(request));
    await store.unpublish(idOf(request));
    response.status(204).end();
  });
  router.use(editionRoutes(store), documentRoutes({ store, bases, admit: (id, page) => store.admit(id, page) }));
  return router;
}
