import { readFileSync } from 'node:fs';
import path from 'node:path';
import { Router } from 'express';
import { element, writeHtml } from '../../core/compile';
import { visitorFeatures, type VisitorFeature } from '../../core/page';
import { Refusal } from '../problems';
import { projectRoot } from '../project-root';
import { LivePages } from './live-pages';
import { answer, served, versioned, type Served } from './served';
import type { Site, SiteOptions } from './site';

const runtimeFolder = path.join(projectRoot(), 'dist/runtime/table');

/** The script for pages with some features, which was built for each choice of them (scripts/build-runtime.mjs). */
const nameOf = (features: readonly VisitorFeature[]): string => visitorFeatures.filter((name) => features.includes(name)).join('.') || 'plain';

/**
 * The practice site: a small website of its own beside the application. It serves published pages as plain HTML with two
 * stylesheets, the house's and ours, a few lines of script by which frames that scroll are stops of the Tab key, and a script of ours where
 * visitors can do something with a table. What a page is made
 * of is read anew whenever it has changed, so a theme that is published again is there at the next load.
 */
export function siteRoutes(site: Site, options: SiteOptions): Router {
  const router = Router();
  const scripts = new Map<string, Served>();
  const scriptOf = (name: string): Served => {
    const script = scripts.get(name) ?? served(readFileSync(path.join(runtimeFolder, `${name}.js`), 'utf8'));
    scripts.set(name, script);
    return script;
  };
  const live = new LivePages(
    site,
    options,
    (features) => {
      const name = nameOf(features);
      return versioned(`/site/table/${name}.js`, scriptOf(name));
    },
    () => versioned('/site/table/frames.js', scriptOf('frames')),
    () => versioned('/site/table/sheets.js', scriptOf('sheets')),
    () => versioned('/site/table/plans.js', scriptOf('plans')),
  );
  router.use((_request, response, next) => {
    response.set(
      'Content-Security-Policy',
      "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'self'",
    );
    next();
  });
  router.get('/', async (request, response) => {
    const slugs = [...(await options.pages.live()).values()].map(({ slug }) => slug).sort();
    await answer(request, response, 'text/html', served(listOf(options.siteName, slugs)));
  });
  for (const name of ['frames', 'sheets', 'plans'])
    router.get(`/table/${name}.js`, async (request, response) => answer(request, response, 'text/javascript', scriptOf(name)));
  router.get('/table/:name.js', async (request, response) => {
    const asked = String(request.params['name'] ?? '').split('.');
    const name = nameOf(visitorFeatures.filter((each) => asked.includes(each)));
    if (name !== asked.join('.')) throw new Refusal('not-found', 'There is no script with these features.');
    await answer(request, response, 'text/javascript', scriptOf(name));
  });
  router.get('/-house.css', async (request, response) => answer(request, response, 'text/css', (await site.house()).css));
  router.get('/:slug.css', async (request, response) => {
    const found = await live.at(String(request.params['slug'] ?? ''));
    await answer(request, response, 'text/css', found?.css ?? served(''), found ? 200 : 404);
  });
  router.get('/:slug', async (request, response) => {
    const found = await live.at(String(request.params['slug'] ?? ''));
    await answer(request, response, 'text/html', found?.html ?? served(missing), found ? 200 : 404);
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
