import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { Router, type Request, type Response } from 'express';
import { compilePage, element, writeCss, writeHtml, type CompiledPage } from '../../core/compile';
import { projectRoot } from '../project-root';
import type { PageStore } from '../pages/queries';
import type { ThemeStore } from '../themes/queries';

const runtimeFile = path.join(projectRoot(), 'dist/runtime/table.js');
const SITE_NAME = 'The practice site';

/**
 * The practice site: a small website of its own beside the application. It serves published pages as plain
 * HTML and one stylesheet, with one script of ours where visitors can sort or search a table; a page's themes are read at each request, so a theme that is
 * published again is there at the next load.
 */
export function siteRoutes(pages: PageStore, themes: ThemeStore): Router {
  const router = Router();
  router.use((_request, response, next) => {
    response.set(
      'Content-Security-Policy',
      "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'self'",
    );
    next();
  });

  const compiled = async (slug: string): Promise<CompiledPage | undefined> => {
    const live = await pages.atAddress(slug);
    if (!live) return undefined;
    const used = live.page.blocks.flatMap((block) => (block.kind === 'table' ? [block.theme] : []));
    const published = await themes.newest([...new Set(used)]);
    return compilePage(
      { page: live.page, tables: live.tables, themes: new Map(published.map(({ id, key, theme }) => [id, { key, theme }])) },
      { stylesheet: `/site/${encodeURIComponent(slug)}.css`, runtime: '/site/table.js', siteName: SITE_NAME },
    );
  };

  router.get('/', async (request, response) => {
    const live = [...(await pages.live()).values()].map(({ slug }) => slug).sort();
    const links = live.map((slug) => element('li', {}, element('a', { href: `/site/${encodeURIComponent(slug)}` }, slug)));
    const body = element(
      'html',
      { lang: 'en' },
      element(
        'head',
        {},
        element('meta', { charset: 'utf-8' }),
        element('meta', { name: 'viewport', content: 'width=device-width, initial-scale=1' }),
        element('title', {}, SITE_NAME),
      ),
      element(
        'body',
        {},
        element(
          'main',
          {},
          element('h1', {}, SITE_NAME),
          links.length > 0 ? element('ul', {}, ...links) : element('p', {}, 'No page has been published yet.'),
        ),
      ),
    );
    answer(request, response, 'text/html', page(body));
  });
  router.get('/table.js', (request, response) => answer(request, response, 'text/javascript', readFileSync(runtimeFile, 'utf8')));
  router.get('/:slug.css', async (request, response) => {
    const found = await compiled(String(request.params['slug'] ?? ''));
    answer(request, response, 'text/css', found ? writeCss(found.css, 'compact') : '', found ? 200 : 404);
  });
  router.get('/:slug', async (request, response) => {
    const found = await compiled(String(request.params['slug'] ?? ''));
    answer(request, response, 'text/html', page(found?.html ?? missing), found ? 200 : 404);
  });
  return router;
}

const page = (html: Parameters<typeof writeHtml>[0]): string => `<!doctype html>\n${writeHtml(html)}\n`;
const missing = element(
  'html',
  { lang: 'en' },
  element('head', {}, element('title', {}, 'Not here')),
  element(
    'body',
    {},
    element('main', {}, element('h1', {}, 'Not here'), element('p', {}, 'There is no page at this address, or it was taken down.')),
  ),
);

/** Sends text with a strong ETag; a caller that has it already is told so. */
function answer(request: Request, response: Response, type: string, text: string, status = 200): void {
  response
    .set('ETag', `"${createHash('sha256').update(text).digest('base64url').slice(0, 22)}"`)
    .set('Cache-Control', 'no-cache')
    .type(type)
    .status(status);
  if (status === 200 && request.fresh) response.status(304).end();
  else response.send(text);
}
