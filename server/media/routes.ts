import path from 'node:path';
import express, { Router, type Response } from 'express';
import { families, fileOf } from '../../core/theme';
import { projectRoot } from '../project-root';
import { Refusal } from '../problems';
import type { MediaStore } from './queries';

/** Most that a picture may weigh. */
export const PICTURE_MOST = 5_000_000;

/** Pictures come as they are, with their name in the address: `POST /api/media?name=waves.png`. */
export function mediaRoutes(store: MediaStore): Router {
  const router = Router();
  router.get('/', async (_request, response) => void response.set('Cache-Control', 'no-store').json(await store.list()));
  router.post('/', express.raw({ type: () => true, limit: PICTURE_MOST }), async (request, response) => {
    const content: unknown = request.body;
    if (!Buffer.isBuffer(content) || content.length === 0) throw new Refusal('invalid', 'There is no picture in the request.');
    const name = typeof request.query['name'] === 'string' ? request.query['name'].slice(0, 120) : 'picture';
    response.status(201).json(await store.keep(name, content));
  });
  return router;
}

/** Kept pictures as files. */
export function mediaFiles(store: MediaStore): Router {
  const router = Router();
  router.get('/:id', async (request, response) => {
    const found = await store.get(String(request.params['id'] ?? ''));
    if (!found) throw new Refusal('not-found', 'There is no picture of this name.');
    sendPicture(response, found);
  });
  return router;
}

/** Sends a kept picture. Nothing in one can run, even where it is opened by itself. */
export function sendPicture(response: Response, { type, content }: { readonly type: string; readonly content: Uint8Array }): void {
  response
    .set('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox")
    .set('Cache-Control', 'public, max-age=31536000, immutable')
    .type(type)
    .send(content);
}

const packageOf = new Map(families.flatMap((family) => family.letters.map((range) => [fileOf(family, range), family.file] as const)));

/** Where a shipped font file lies; undefined for a name that is none. */
export function fontPath(file: string): string | undefined {
  const folder = packageOf.get(file);
  return folder === undefined ? undefined : path.join(projectRoot(), 'node_modules', '@fontsource-variable', folder, 'files', file);
}

/** The font files that themes can use. They ship for anyone to use, and browsers ask for them by CORS on every page (CSS Fonts 4, section 4.8). */
export function fontFiles(): Router {
  const router = Router();
  router.get('/:file', (request, response) => {
    const found = fontPath(String(request.params['file'] ?? ''));
    if (found === undefined) throw new Refusal('not-found', 'There is no font file of this name.');
    response
      .set('Access-Control-Allow-Origin', '*')
      .set('Cross-Origin-Resource-Policy', 'cross-origin')
      .set('Cache-Control', 'public, max-age=31536000, immutable')
      .sendFile(found);
  });
  return router;
}
