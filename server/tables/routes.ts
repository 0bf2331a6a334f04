import { Router } from 'express';
import { dataFormats, tableData, tableFile } from '../../core/hand-off';
import { previewOf, readChange, rowsProblem, type Row, type Table } from '../../core/table';
import { viewOfChain, type Bases } from '../../core/theme';
import { documentRoutes, holdIn, idOf, revisionOf, seenIn, send } from '../documents/routes';
import type { PageStore } from '../pages/queries';
import { Refusal, invalid } from '../problems';
import type { ThemeStore } from '../themes/queries';
import type { TableStore } from './queries';

/** Body rows that a list shows of each table, and that a preview has. */
const LIST_ROWS = 5;
const PREVIEW_ROWS = 2000;
/** Rows that are sent in one answer. */
const ROWS_AT_ONCE = 2000;

export function tableRoutes(store: TableStore, themes: ThemeStore, pages: PageStore, bases: Bases): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.set('Cache-Control', 'no-store').json(await store.previews(LIST_ROWS));
  });
  /** The hand-off: the table's markup, with the class of the theme that it is dressed in. */
  router.get('/:id/markup', async (request, response) => {
    const { document } = await store.get(idOf(request));
    const key = (await themes.keys()).get(document.theme);
    const dress = key === undefined ? undefined : { key, view: viewOfChain((await themes.draft(document.theme)).chain) };
    response
      .type('text/html')
      .attachment(`${asciiName(document.name)}.html`)
      .send(tableFile(document, dress));
  });
  /** The table's content as data: `data.csv`, `data.xlsx` and so on. */
  for (const { name, type } of dataFormats)
    router.get(`/:id/data.${name}`, async (request, response) => {
      const { document } = await store.get(idOf(request));
      const data = tableData(document, name);
      response
        .type(type)
        .attachment(`${asciiName(document.name)}.${name}`)
        .send(typeof data === 'string' ? data : Buffer.from(data));
    });
  /** The table without its rows; these follow piece by piece. */
  router.get('/:id/head', async (request, response) => send(response, await store.head(idOf(request))));
  router.get('/:id/rows', async (request, response) => {
    const { revision } = await store.head(idOf(request));
    const after = countIn(request.query['after'], Number.MAX_SAFE_INTEGER);
    const most = Math.min(ROWS_AT_ONCE, countIn(request.query['most'], ROWS_AT_ONCE) || ROWS_AT_ONCE);
    const { json, last, count } = await store.rowsAfter(idOf(request), after, most);
    response
      .set('Cache-Control', 'no-store')
      .type('application/json')
      .send(`{"revision":${revision},"last":${last},"count":${count},"rows":${json}}`);
  });
  /** The table with its first body rows only: enough to be seen in a theme. */
  router.get('/:id/preview', async (request, response) => {
    send(response, await store.preview(idOf(request), PREVIEW_ROWS));
  });
  /** Rows of a table that is on its way, piece by piece. */
  router.post('/:id/upload', async (request, response) => {
    const id = uploadIdOf(idOf(request));
    const wrong = rowsProblem(request.body);
    if (wrong) throw invalid([{ code: 'shape', say: wrong.say, at: wrong.at }]);
    await store.upload(id, request.body as readonly Row[]);
    response.status(204).end();
  });
  router.post('/:id/from-upload', async (request, response) =>
    send(response, await store.createFrom(uploadIdOf(idOf(request)), request.body, sentIn(request.query['rows'])), {}, 201),
  );
  router.post('/:id/duplicate', async (request, response) => send(response, await store.duplicate(idOf(request)), {}, 201));
  router.patch('/:id', async (request, response) => {
    const revision = revisionOf(request);
    const read = readChange(request.body);
    if (!read.ok) throw invalid(read.problems);
    const { document: _document, ...kept } = await store.change(idOf(request), revision, read.value);
    response.set('ETag', `"${kept.revision}"`).set('Cache-Control', 'no-store').json(kept);
  });
  router.get('/:id/editions', async (request, response) => {
    await store.head(idOf(request));
    response.set('Cache-Control', 'no-store').json(await store.editions.all(idOf(request)));
  });
  /** One edition with its first body rows only, as a preview shows it. */
  router.get('/:id/editions/:number/preview', async (request, response) => {
    const found = await store.editions.one(idOf(request), countIn(request.params['number'], 1e9));
    if (!found) throw new Refusal('not-found', 'There is no edition of this number.');
    response.json(previewOf(found, PREVIEW_ROWS));
  });
  /** Live pages that would change if it were published. */
  router.get('/:id/followers', async (request, response) => {
    await store.head(idOf(request));
    response.set('Cache-Control', 'no-store').json(await pages.followers({ kind: 'table', id: idOf(request) }));
  });
  router.post('/:id/editions', async (request, response) => {
    response.status(201).json(await pages.publishFor({ kind: 'table', id: idOf(request) }, holdIn(request), seenIn(request)));
  });
  router.get('/:id/history', async (request, response) => {
    response.set('Cache-Control', 'no-store').json(await store.history(idOf(request)));
  });
  router.get('/:id/history/:revision', async (request, response) => {
    response.set('Cache-Control', 'no-store').json(await store.at(idOf(request), countIn(request.params['revision'], 1e9)));
  });
  router.use(documentRoutes<Table>({ store, bases: bases }));
  return router;
}

const sentIn = (given: unknown): number | undefined => (given === undefined ? undefined : countIn(given, Number.MAX_SAFE_INTEGER));

function countIn(given: unknown, most: number): number {
  const text = typeof given === 'string' ? given : '0';
  const n = /^\d{1,16}$/.test(text) ? Number(text) : NaN;
  if (Number.isNaN(n) || n > most) throw new Refusal('invalid', `${text.slice(0, 40)} is not a whole number from 0 to ${most}.`);
  return n;
}

/** Ids under which rows are sent ahead are the caller's to choose, as UUIDs (RFC 9562), so that no two meet. */
function uploadIdOf(id: string): string {
  if (!/^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(id)) throw new Refusal('invalid', 'The id of rows that are sent ahead is a UUID.');
  return id;
}

const asciiName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '') || 'table';
