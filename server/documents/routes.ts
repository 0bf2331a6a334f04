import { Router, type Request, type Response } from 'express';
import type { Bases } from '../../core/theme';
import { readPublishing } from '../../core/page';
import { numberIn } from '../asked';
import { Refusal, invalid } from '../problems';
import type { Kept } from '../../core/documents';
import type { DocumentStore } from './store';

export interface DocumentRoutes<T extends { readonly name: string }> {
  readonly store: DocumentStore<T>;
  /** What documents grow from: those that were sent are read by their kind, as the web application reads them. */
  readonly bases: Bases;
  /** What a list says of each; the whole of it without one. */
  readonly summary?: (kept: Kept<T>) => unknown;
  /** Checks beyond the shape, before a document is kept. */
  readonly admit?: (id: string | undefined, document: T) => Promise<void>;
}

/** The revision that a request's If-Match names (RFC 9110, section 13.1.1). Refuses a missing or unreadable one. */
export function revisionOf(request: Request): number {
  const match = /^"(\d{1,9})"$/.exec(request.headers['if-match'] ?? '');
  if (!match) throw new Refusal('needs-if-match', 'Send If-Match with the revision in quotation marks, as in If-Match: "3".');
  return Number(match[1]);
}

/** The revision that a publisher has seen, where its request says so with If-Match. */
export const seenIn = (request: Request): number | undefined => (request.headers['if-match'] === undefined ? undefined : revisionOf(request));

export function send<T>(response: Response, kept: Kept<T>, more: object = {}, status = 200): void {
  response
    .status(status)
    .set('ETag', `"${kept.revision}"`)
    .set('Cache-Control', 'no-store')
    .json({ ...kept, ...more });
}

export const idOf = (request: Request): string => String(request.params['id'] ?? '');

/** Ids of pages that stay as they are while something is published, as a request says. */
export function holdIn(request: Request): readonly string[] {
  const read = readPublishing(request.body);
  if (!read.ok) throw invalid(read.problems);
  return read.value.hold;
}

/** What has editions that are documents as a whole. */
export interface HasEditions {
  readonly get: (id: string) => Promise<unknown>;
  readonly editions: (id: string) => Promise<readonly unknown[]>;
  readonly edition: (id: string, number: number) => Promise<unknown>;
}

/** The editions of a document, and one of them. */
export function editionRoutes(store: HasEditions): Router {
  const router = Router();
  router.get('/:id/editions', async (request, response) => {
    await store.get(idOf(request));
    response.set('Cache-Control', 'no-store').json(await store.editions(idOf(request)));
  });
  router.get('/:id/editions/:number', async (request, response) => {
    const number = numberIn(request.params['number']);
    const found = number === undefined ? undefined : await store.edition(idOf(request), number);
    if (!found) throw new Refusal('not-found', 'There is no edition of this number.');
    response.json(found);
  });
  return router;
}

/** The routes that every kind of document has: list, make, get, save, delete, bring back. */
export function documentRoutes<T extends { readonly name: string }>({ store, bases, summary, admit }: DocumentRoutes<T>): Router {
  const router = Router();
  const documentIn = (request: Request): T => {
    const outcome = store.kind.read(request.body, bases);
    if (!outcome.ok) throw invalid(outcome.problems);
    return outcome.value;
  };
  router.get('/', async (_request, response) => {
    const all = await store.list();
    response.set('Cache-Control', 'no-store').json(summary ? all.map(summary) : all);
  });
  router.post('/', async (request, response) => {
    const document = documentIn(request);
    await admit?.(undefined, document);
    const kept = await store.create(document);
    response.location(`${request.baseUrl}/${kept.id}`);
    send(response, kept, {}, 201);
  });
  router.get('/:id', async (request, response) => send(response, await store.get(idOf(request))));
  router.put('/:id', async (request, response) => {
    const revision = revisionOf(request);
    const document = documentIn(request);
    await admit?.(idOf(request), document);
    send(response, await store.save(idOf(request), revision, document));
  });
  router.delete('/:id', async (request, response) => {
    await store.delete(idOf(request));
    response.status(204).end();
  });
  router.post('/:id/restore', async (request, response) => send(response, await store.restore(idOf(request))));
  return router;
}
