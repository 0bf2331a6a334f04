import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { Router, type Request, type Response } from 'express';
import { compilePage, element, heldKey, writeCss, writeHtml, type CompiledPage, type PageInput } from '../../core/compile';
import { themeRef, type Block } from '../../core/page';
import type { Theme } from '../../core/theme';
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
    return compilePage(
      { page: live.page, tables: live.tables, themes: await themesOf(live.page.blocks) },
      { stylesheet: `/site/${encodeURIComponent(slug)}.css`, runtime: '/site/table.js', siteName: SITE_NAME },
    );
  };

  /** Each placement's theme: its newest edition, or the one at which it is held, under a class of its own. One that is gone gives way to the newest. */
  const themesOf = async (blocks: readonly Block[]): Promise<PageInput['themes']> => {
    const placed = blocks.filter((block) => block.kind === 'table');
    const newest = new Map((await themes.newest([...new Set(placed.map(({ theme }) => theme))])).map((each) => [each.id, each]));
    const found = new Map<string, { readonly key: string; readonly theme: Theme }>();
    for (const block of placed) {
      const now = newest.get(block.theme);
      const held = now && block.held !== undefined ? await themes.edition(block.theme, block.held) : undefined;
      if (now) found.set(themeRef(block), held ? { key: heldKey(now.key, block.held ?? 0), theme: held } : { key: now.key, theme: now.theme });
    }
    return found;
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
