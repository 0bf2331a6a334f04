import { Router } from 'express';
import { readAlong } from '../../core/page';
import type { Bases } from '../../core/theme';
import { numberIn } from '../asked';
import { documentRoutes, idOf, seenIn } from '../documents/routes';
import { Refusal, invalid } from '../problems';
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
  router.get('/:id/editions', async (request, response) => {
    await store.get(idOf(request));
    response.set('Cache-Control', 'no-store').json(await store.editions(idOf(request)));
  });
  /** One edition's document. */
  router.get('/:id/editions/:number', async (request, response) => {
    const number = numberIn(request.params['number']);
    const found = number === undefined ? undefined : await store.edition(idOf(request), number);
    if (!found) throw new Refusal('not-found', 'There is no edition of this number.');
    response.json(found);
  });
  router.delete('/:id/publish', async (request, response) => {
    await store.get(idOf(request));
    await store.unpublish(idOf(request));
    response.status(204).end();
  });
  router.use(documentRoutes({ store, bases, admit: (id, page) => store.admit(id, page) }));
  return router;
}
