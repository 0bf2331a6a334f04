import { readFileSync } from 'node:fs';
import path from 'node:path';
import { Router, type Request, type Response } from 'express';
import { element, writeHtml } from '../../core/compile';
import { projectRoot } from '../project-root';
import { LivePages, served, type LivePagesOptions, type Served } from './live-pages';

const runtimeFile = path.join(projectRoot(), 'dist/runtime/table.js');

/**
 * The practice site: a small website of its own beside the application. It serves published pages as plain HTML with two
 * stylesheets, the house's and ours, and one script of ours where visitors can do something with a table. What a page is made
 * of is read anew whenever it has changed, so a theme that is published again is there at the next load.
 */
export function siteRoutes(options: LivePagesOptions): Router {
  const router = Router();
  let script: Served | undefined;
  const runtime = (): Served => (script ??= served(readFileSync(runtimeFile, 'utf8')));
  const live = new LivePages(options, runtime);
  router.use((_request, response, next) => {
    response.set(
      'Content-Security-Policy',
      "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'self'",
    );
    next();
  });
  router.get('/', async (request, response) => {
    const slugs = [...(await options.pages.live()).values()].map(({ slug }) => slug).sort();
    answer(request, response, 'text/html', served(listOf(options.siteName, slugs)));
  });
  router.get('/table.js', (request, response) => answer(request, response, 'text/javascript', runtime()));
  router.get('/-house.css', async (request, response) => answer(request, response, 'text/css', (await live.house()).css));
  router.get('/:slug.css', async (request, response) => {
    const found = await live.at(String(request.params['slug'] ?? ''));
    answer(request, response, 'text/css', found?.css ?? served(''), found ? 200 : 404);
  });
  router.get('/:slug', async (request, response) => {
    const found = await live.at(String(request.params['slug'] ?? ''));
    answer(request, response, 'text/html', found?.html ?? served(missing), found ? 200 : 404);
  });
  return router;
}

const documentOf = (title: string, ...body: readonly (string | ReturnType<typeof element>)[]): string =>
  `<!doctype html>\n${writeHtml(
    element(
      'html',
      { lang: 'en' },
      element(
        'head',
        {},
        element('meta', { charset: 'utf-8' }),
        element('meta', { name: 'viewport', content: 'width=device-width, initial-scale=1' }),
        element('title', {}, title),
        element('link', { rel: 'stylesheet', href: '/site/-house.css' }),
      ),
      element('body', {}, element('main', { id: 'content' }, element('div', { class: 'entry' }, element('h1', {}, title), ...body))),
    ),
  )}\n`;

function listOf(siteName: string, slugs: readonly string[]): string {
  const links = slugs.map((slug) => element('li', {}, element('a', { href: `/site/${encodeURIComponent(slug)}` }, slug)));
  return documentOf(siteName, links.length > 0 ? element('ul', {}, ...links) : element('p', {}, 'No page has been published yet.'));
}

const missing = documentOf('Not here', element('p', {}, 'There is no page at this address, or it was taken down.'));

/** A year, in seconds: as long as anything is kept (RFC 9111, section 4.2.1, leaves it open). */
const FOR_GOOD = 31_536_000;

/**
 * Sends a text with a strong ETag; a caller that has it already is told so. What was asked for by the version that it has is
 * kept for good, since another has another address; all else is asked for again.
 */
function answer(request: Request, response: Response, type: string, { text, tag }: Served, status = 200): void {
  const isVersioned = request.query['v'] === tag;
  response
    .set('ETag', `"${tag}"`)
    .set('Cache-Control', isVersioned ? `public, max-age=${FOR_GOOD}, immutable` : 'no-cache')
    .type(type)
    .status(status);
  if (status === 200 && request.fresh) response.status(304).end();
  else response.send(text);
}
