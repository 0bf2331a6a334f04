import { Router } from 'express';
import { readPage } from '../../core/page';
import { documentRoutes, idOf } from '../documents/routes';
import type { PageStore } from './queries';

export function pageRoutes(store: PageStore): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    const [all, live] = await Promise.all([store.list(), store.live()]);
    response.set('Cache-Control', 'no-store').json(all.map((kept) => ({ ...kept, live: live.get(kept.id) })));
  });
  router.post('/:id/publish', async (request, response) => {
    response.status(201).json(await store.publish(idOf(request)));
  });
  router.delete('/:id/publish', async (request, response) => {
    await store.get(idOf(request));
    await store.unpublish(idOf(request));
    response.status(204).end();
  });
  router.use(documentRoutes({ store, read: readPage, admit: (id, page) => store.admit(id, page) }));
  return router;
}
