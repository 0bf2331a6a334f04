import express, { type ErrorRequestHandler, type Express, type Response as Answer } from 'express';
import { element, escapeText, writeHtml, type MarkupNode } from '../../core/compile';
import { slugOf } from '../../core/page';
import { checkHost, checkOrigin } from '../security';
import { STYLES, storiesOf, type Story } from './stories';

const NAME = 'The Kelp Courier';
/** Most characters of a story. */
const STORY_MOST = 2_000_000;
/** Most stories: they are kept in memory only. */
const STORIES_MOST = 50;
/** So long is waited for what a story includes, in ms, and so many bytes of it are taken: a table of 100,000 rows has about 30 MB. */
const INCLUDE_WITHIN = 20_000;
const INCLUDE_MOST = 64_000_000;

/**
 * The neighbouring site: a small stand-in for a site that is not ours, on a port of its own. Its people write stories as HTML and paste
 * into them what they got elsewhere. It keeps them until it stops. Its policy lets scripts run from `server`, where Zest Pane
 * answers, and no other.
 */
export function createNeighbour(server: string): Express {
  const stories = new Map(storiesOf(server));
  const app = express();
  app.disable('x-powered-by');
  app.use(checkHost, checkOrigin, (_request, response, next) => {
    const policy = ['default-src', 'script-src', 'connect-src', 'style-src', 'font-src', 'img-src'].map((each) =>
      each === 'default-src'
        ? `${each} 'none'`
        : `${each} ${each === 'style-src' || each === 'script-src' ? "'self' " : ''}${server}${each === 'img-src' ? ' data:' : ''}`,
    );
    response
      .set('Content-Security-Policy', `${policy.join('; ')}; form-action 'self'; base-uri 'none'; frame-ancestors 'none'`)
      .set('X-Content-Type-Options', 'nosniff')
      .set('Cache-Control', 'no-cache');
    next();
  });
  app.get('/favicon.ico', (_request, response) => void response.status(204).end());
  app.get('/paper.css', (_request, response) => void response.type('css').send(STYLES));
  app.get('/', (_request, response) => {
    const list = [...stories].map(([slug, { title }]) => element('li', {}, element('a', { href: `/story/${encodeURIComponent(slug)}` }, title)));
    send(response, NAME, writeHtml(element('ul', {}, ...list)));
  });
  app.get('/story/:slug', async (request, response, next) => {
    const story = stories.get(String(request.params['slug']));
    if (!story) return next();
    const edit = element('p', {}, element('a', { href: `/edit/${encodeURIComponent(String(request.params['slug']))}` }, 'Edit this story'));
    send(response, story.title, `${await included(story.body, server)}\n${writeHtml(edit)}`);
  });
  app.get('/edit{/:slug}', (request, response) => {
    const slug = String(request.params['slug'] ?? '');
    send(response, stories.has(slug) ? 'Edit the story' : 'New story', form(stories.get(slug) ?? { title: '', body: '' }, slug));
  });
  app.post('/edit{/:slug}', express.urlencoded({ extended: false, limit: STORY_MOST * 3 }), (request, response) => {
    const fields = (request.body ?? {}) as Readonly<Record<string, unknown>>;
    const [title, body] = ['title', 'body'].map((name) => (typeof fields[name] === 'string' ? fields[name] : ''));
    const slug = String(request.params['slug'] ?? '') || slugOf(title ?? '');
    if (!title || title.length > 200) return refuse(response, 'A story has a headline of at most 200 characters.');
    if ((body ?? '').length > STORY_MOST) return refuse(response, 'This story is too long to be kept.');
    if (!stories.has(slug) && stories.size >= STORIES_MOST) return refuse(response, 'There are as many stories as the paper has room for.');
    stories.set(slug, { title, body: body ?? '' });
    response.redirect(303, `/story/${encodeURIComponent(slug)}`);
  });
  app.use((_request, response) => {
    response.status(404);
    send(response, 'Not here', '<p>There is no such story.</p>');
  });
  const failed: ErrorRequestHandler = (_error, _request, response, _next) => {
    response.status(400);
    send(response, 'Something went wrong', '<p>This could not be read. Go back and try again.</p>');
  };
  return app.use(failed);
}

function refuse(response: Answer, sentence: string): void {
  response.status(400);
  send(response, 'This is not kept', `<p>${escapeText(sentence)}</p>`);
}

const form = ({ title, body }: Story, slug: string): string => {
  const field = (name: string, label: string, ...made: readonly MarkupNode[]): readonly MarkupNode[] => [
    element('label', { for: name }, label),
    ...made,
  ];
  return writeHtml(
    element(
      'form',
      { method: 'post', action: `/edit${slug ? `/${encodeURIComponent(slug)}` : ''}` },
      ...field(
        'title',
        'Headline',
        element('input', { id: 'title', name: 'title', value: title === '' ? undefined : title, required: '', maxlength: 200 }),
      ),
      ...field('body', 'Story, as HTML', element('textarea', { id: 'body', name: 'body', rows: 18 }, `\n${body}`)),
      element('button', {}, 'Save the story'),
    ),
    'compact',
  );
};

/** A page of the paper; `body` is HTML. */
function send(response: Answer, title: string, body: string): void {
  response.type('html').send(`<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escapeText(title)}</title>
<link rel="stylesheet" href="/paper.css">
</head>
<body>
<div id="paper">
<header><p>${NAME}</p><nav aria-label="Paper"><a href="/">All stories</a> <a href="/edit">New story</a></nav></header>
<main>
<h1>${escapeText(title)}</h1>
${body}
</main>
</div>
</body>
</html>
`);
}

/** Puts in what a story includes from the table's server, as web servers do it (SSI's `include virtual`), and nothing from anywhere else. */
async function included(body: string, server: string): Promise<string> {
  const pieces = body.split(/<!--#include virtual="([^"]*)" -->/);
  const put = await Promise.all(pieces.map(async (piece, i) => (i % 2 === 0 ? piece : await fetched(piece, server))));
  return put.join('');
}

/** What is published for other sites (docs/api.md); what else that server has is its own business. */
const PUBLISHED = /^\/elsewhere\/[^/]+\/[^/]+$/;

async function fetched(address: string, server: string): Promise<string> {
  const none = '<p>The table that stands here cannot be had just now.</p>';
  if (!URL.canParse(address)) return none;
  const { origin, pathname } = new URL(address);
  if (origin !== server || !PUBLISHED.test(pathname)) return none;
  try {
    const answer = await fetch(address, { redirect: 'error', signal: AbortSignal.timeout(INCLUDE_WITHIN) });
    return answer.ok ? await readAtMost(answer, INCLUDE_MOST) : none;
  } catch {
    return none;
  }
}

/** The text of an answer. Throws where there is more of it: it is not read on. */
async function readAtMost(answer: Response, most: number): Promise<string> {
  const pieces: Uint8Array[] = [];
  let length = 0;
  for await (const piece of (answer.body ?? []) as AsyncIterable<Uint8Array>) {
    length += piece.length;
    if (length > most) throw new RangeError(`More than ${most} bytes came.`);
    pieces.push(piece);
  }
  return Buffer.concat(pieces).toString('utf8');
}
