import fs from 'node:fs';
import path from 'node:path';
import express, { Router } from 'express';
import { nonceOf } from './security';

/** The built web application: its files for a year where their names carry a hash, and its page for every view's address. */
export function webFiles(folder: string): Router {
  const router = Router();
  const index = path.join(folder, 'index.html');
  router.use(
    express.static(folder, {
      index: false,
      setHeaders: (response, file) =>
        void response.set('Cache-Control', /-[A-Z0-9]{8}\.\w+$/.test(file) ? 'public, max-age=31536000, immutable' : 'no-cache'),
    }),
  );
  router.get('/{*view}', (request, response, next) => {
    if (path.extname(request.path) !== '' || !fs.existsSync(index)) return next();
    const page = fs.readFileSync(index, 'utf8').replace('<zest-root>', `<zest-root ngCspNonce="${nonceOf(response)}">`);
    response.type('html').set('Cache-Control', 'no-cache').send(page);
  });
  return router;
}
