import { readFileSync } from 'node:fs';
import path from 'node:path';
import { Router, type Request } from 'express';
import type { MediaStore } from '../media/queries';
import { sendPicture } from '../media/routes';
import { projectRoot } from '../project-root';
import { Refusal } from '../problems';
import type { LivePlacement, LivePlacements } from './placements';
import { answer, served, type Served } from './served';

const scriptFile = path.join(projectRoot(), 'dist/runtime/elsewhere.js');

/**
 * Published placements for sites that are not ours: each as HTML with its stylesheet, and a script that puts them into elements.
 * Any site may read them (Fetch Standard, section 3.2), and nothing but them.
 */
export function elsewhereRoutes(placements: LivePlacements, media: MediaStore): Router {
  const router = Router();
  let script: Served | undefined;
  router.use((_request, response, next) => {
    response
      .set('Access-Control-Allow-Origin', '*')
      .set('Cross-Origin-Resource-Policy', 'cross-origin')
      .set('Content-Security-Policy', "default-src 'none'; style-src 'self'; img-src 'self' data:; font-src 'self'; frame-ancestors 'self'");
    next();
  });
  const found = async ({ params }: Request): Promise<LivePlacement> => {
    const placement = await placements.of(String(params['page'] ?? ''), String(params['block'] ?? ''));
    if (!placement) throw new Refusal('not-found', 'No table is published here, or its page was taken down.');
    return placement;
  };
  router.get('/table.js', (request, response) => answer(request, response, 'text/javascript', (script ??= served(readFileSync(scriptFile, 'utf8')))));
  router.get('/:page/:block.css', async (request, response) => answer(request, response, 'text/css', (await found(request)).css));
  router.get('/:page/:block/pictures/:picture', async (request, response) => {
    const id = String(request.params['picture'] ?? '');
    const picture = (await found(request)).pictures.has(id) ? await media.get(id) : undefined;
    if (!picture) throw new Refusal('not-found', 'There is no picture of this name in this table.');
    sendPicture(response, picture);
  });
  router.get('/:page/:block', async (request, response) =>
    answer(request, response, 'text/html', (await found(request)).html(`${request.protocol}://${request.headers.host ?? ''}`)),
  );
  return router;
}
