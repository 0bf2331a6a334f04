import { Router } from 'express';
import { themeFile } from '../../core/hand-off';
import { readTheme } from '../../core/theme';
import { documentRoutes, idOf } from '../documents/routes';
import { Refusal } from '../problems';
import type { ThemeStore } from './queries';

export function themeRoutes(store: ThemeStore): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    const [all, keys, newest] = await Promise.all([store.list(), store.keys(), store.newestNumbers()]);
    response.set('Cache-Control', 'no-store').json(all.map((kept) => ({ ...kept, key: keys.get(kept.id), edition: newest.get(kept.id) ?? 0 })));
  });
  router.get('/:id/editions', async (request, response) => {
    await store.get(idOf(request));
    response.json(await store.editions(idOf(request)));
  });
  router.post('/:id/editions', async (request, response) => {
    response.status(201).json(await store.publish(idOf(request)));
  });
  /** The hand-off: the draft's stylesheet, or the newest edition's with `?edition=newest`. */
  router.get('/:id/stylesheet', async (request, response) => {
    const id = idOf(request);
    const { document } = await store.get(id);
    const key = (await store.keys()).get(id) ?? id;
    const [published] = request.query['edition'] === 'newest' ? await store.newest([id]) : [{ theme: document }];
    if (!published) throw new Refusal('not-published', `“${document.name}” has no edition yet. Publish it first.`);
    response.type('text/css').attachment(`${key}.css`).send(themeFile(published.theme, key));
  });
  router.use(documentRoutes({ store, read: readTheme }));
  return router;
}
