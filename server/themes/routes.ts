import { Router, type Request } from 'express';
import fs from 'node:fs';
import { strToU8, zipSync } from 'fflate';
import { themeFiles, type ThemeFiles } from '../../core/hand-off';
import { schemes } from '../../core/page';
import { isThemeBase, viewOfChain, type Bases } from '../../core/theme';
import { numberIn } from '../asked';
import { documentRoutes, holdIn, idOf, seenIn } from '../documents/routes';
import { fontPath } from '../media/routes';
import type { MediaStore } from '../media/queries';
import type { PageStore } from '../pages/queries';
import { Refusal } from '../problems';
import type { Chain } from './editions';
import type { ThemeStore } from './queries';

export function themeRoutes(store: ThemeStore, media: MediaStore, pages: PageStore, bases: Bases): Router {
  const router = Router();
  /** What a request takes away: the draft, or the newest edition with `?edition=newest`. */
  const filesOf = async (request: Request): Promise<{ readonly key: string; readonly files: ThemeFiles }> => {
    const id = idOf(request);
    const draft = await store.draft(id);
    const key = (await store.keys()).get(id) ?? id;
    const [published] = request.query['edition'] === 'newest' ? await store.newest([id]) : [draft];
    if (!published) throw new Refusal('not-published', `“${draft.document.name}” has no edition yet. Publish it first.`);
    return {
      key,
      files: themeFiles(
        viewOfChain(published.chain),
        key,
        schemes.find((each) => each === request.query['scheme']),
      ),
    };
  };
  router.get('/', async (_request, response) => {
    const [all, keys, newest] = await Promise.all([store.list(), store.keys(), store.newestNumbers()]);
    response.set('Cache-Control', 'no-store').json(all.map((kept) => ({ ...kept, key: keys.get(kept.id), edition: newest.get(kept.id) ?? 0 })));
  });
  router.get('/:id/editions', async (request, response) => {
    await store.get(idOf(request));
    response.json(await store.editions(idOf(request)));
  });
  /** Live pages that would change if it were published. */
  router.get('/:id/followers', async (request, response) => {
    await store.get(idOf(request));
    response.set('Cache-Control', 'no-store').json(await pages.followers({ kind: 'theme', id: idOf(request) }));
  });
  /** What it grows from and has changed since it was published: live pages show it on the editions of those. */
  router.get('/:id/below', async (request, response) => {
    const id = idOf(request);
    await store.get(id);
    response.set('Cache-Control', 'no-store').json((await store.changed([id])).filter((each) => each.id !== id));
  });
  router.post('/:id/editions', async (request, response) => {
    response.status(201).json(await pages.publishFor({ kind: 'theme', id: idOf(request) }, holdIn(request), seenIn(request)));
  });
  const editionOf = async (request: Request): Promise<Chain> => {
    const number = numberIn(request.params['number']);
    const found = number === undefined ? undefined : await store.edition(idOf(request), number);
    if (!found) throw new Refusal('not-found', 'There is no edition of this number.');
    return found;
  };
  /** One edition, whole. */
  router.get('/:id/editions/:number', async (request, response) => {
    const [theme] = await editionOf(request);
    response.json(theme);
  });
  /** One edition, then the themes that it stands on as they were in theirs, the nearest first. */
  router.get('/:id/editions/:number/chain', async (request, response) => {
    const [theme, ...below] = await editionOf(request);
    // What ships is at hand everywhere: it begins where something grows from a starter, or from nothing that is there.
    const grown = [theme, ...below].findIndex(({ base }) => !isThemeBase(base));
    response.json([theme, ...below].slice(0, grown + 1));
  });
  /** The hand-off: the stylesheet alone. Fonts and pictures that it names lie beside it in the ZIP file. */
  router.get('/:id/stylesheet', async (request, response) => {
    const { key, files } = await filesOf(request);
    response.type('text/css').attachment(`${key}.css`).send(files.css);
  });
  router.get('/:id/files', async (request, response) => {
    const { key, files } = await filesOf(request);
    response
      .type('application/zip')
      .attachment(`${key}.zip`)
      .send(Buffer.from(await zipped(key, files, media)));
  });
  router.use(documentRoutes({ store, bases }));
  return router;
}

/** A theme's files in one: the stylesheet, and in folders beside it the fonts and pictures that it names. */
async function zipped(key: string, { css, fonts, pictures }: ThemeFiles, media: MediaStore): Promise<Uint8Array> {
  const entries: Record<string, Uint8Array> = { [`${key}.css`]: strToU8(css) };
  for (const file of fonts) {
    const found = fontPath(file);
    if (found !== undefined) entries[`fonts/${file}`] = fs.readFileSync(found);
  }
  for (const id of pictures) {
    const found = await media.get(id);
    if (found) entries[`pictures/${id}`] = found.content;
  }
  return zipSync(entries);
}
