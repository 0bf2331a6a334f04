import compression from 'compression';
import express, { type ErrorRequestHandler, type Express } from 'express';
import { starterBases } from '../core/theme';
import { BODY_MOST, jsonBodies, soundAddress } from './asked';
import type { BackupKeeping } from './backup/keeping';
import { backupRoutes } from './backup/routes';
import { changesOf } from './changes/changes';
import { changeRoutes } from './changes/routes';
import { CompilePool } from './compiling/pool';
import type { Database } from './database/database';
import { keepReserve } from './database/room';
import { deletedRoutes } from './documents/deleted-routes';
import { HouseStore } from './house/queries';
import { houseRoutes } from './house/routes';
import { MediaStore } from './media/queries';
import { PICTURE_MOST, fontFiles, mediaFiles, mediaRoutes } from './media/routes';
import { PageStore } from './pages/queries';
import { shownTables } from './pages/shown';
import { pageRoutes } from './pages/routes';
import { PricingStore } from './pricings/queries';
import { pricingRoutes } from './pricings/routes';
import { Refusal, problemBody, problemKinds } from './problems';
import { checkHost, checkOrigin, secureHeaders } from './security';
import { elsewhereRoutes } from './site/elsewhere-routes';
import { LivePlacements } from './site/placements';
import { siteRoutes } from './site/routes';
import { Site } from './site/site';
import { TableStore } from './tables/queries';
import { tableRoutes } from './tables/routes';
import { ThemeStore } from './themes/queries';
import { themeRoutes } from './themes/routes';
import { webFiles } from './web-files';

export interface AppDependencies {
  readonly database: Database;
  /** Folder of the built web application; none serves the API and the practice site only. */
  readonly web?: string;
  /** Where the neighbouring site answers; undefined where there is none. */
  readonly neighbour?: () => string | undefined;
  /** Bytes that are free where the database lies; without it, nothing is refused for want of room. */
  readonly room?: () => number;
  /** The backups that are kept; without it, none are. */
  readonly backups?: BackupKeeping;
  /** Is told of errors that are no refusals. */
  readonly log: (message: string) => void;
}

export interface Stores {
  readonly themes: ThemeStore;
  readonly tables: TableStore;
  readonly pages: PageStore;
  readonly pricings: PricingStore;
  readonly media: MediaStore;
  readonly house: HouseStore;
}

export function createStores(database: Database): Stores {
  const themes = new ThemeStore(database);
  const tables = new TableStore(database);
  const pricings = new PricingStore(database);
  return {
    themes,
    tables,
    pages: new PageStore(database, themes, { tables: shownTables(tables), pricings }),
    pricings,
    media: new MediaStore(database),
    house: new HouseStore(database),
  };
}

const SITE_NAME = 'The practice site';

/** The whole server as a value: nothing listens and nothing is read until it is asked. */
export function createApp({ database, web, neighbour, room, backups, log }: AppDependencies): Express {
  const { themes, tables, pages, pricings, media, house } = createStores(database);
  const app = express();
  app.disable('x-powered-by');
  app.use(checkHost, checkOrigin, secureHeaders, compression(), soundAddress);
  // Backups look after their room themselves: where there is none, old ones can still be taken away.
  app.use('/api/backups', backupRoutes(database, backups));
  if (room) app.use('/api', keepReserve(room));
  app.use('/api/media', mediaRoutes(media));
  app.use('/api', (request, _response, next) => {
    const hasBody =
      request.method === 'PUT' || request.method === 'PATCH' || (request.method === 'POST' && Number(request.headers['content-length'] ?? 0) > 0);
    if (hasBody && !request.is('application/json')) throw new Refusal('wrong-type', 'Send the document as application/json.');
    next();
  });
  app.use('/api', ...jsonBodies);
  app.use('/api/themes', themeRoutes(themes, media, pages, starterBases));
  app.use('/api/tables', tableRoutes(tables, themes, pages, starterBases));
  app.use('/api/pages', pageRoutes(pages, starterBases));
  app.use('/api/pricings', pricingRoutes(pricings, pages, starterBases));
  app.use('/api/house', houseRoutes(house));
  app.use('/api/deleted', deletedRoutes(database));
  app.use('/api/changes', changeRoutes(changesOf(database)));
  app.get('/api/neighbour', (_request, response) => void response.set('Cache-Control', 'no-store').json({ address: neighbour?.() ?? null }));
  app.get('/api/health', async (_request, response) => {
    await database.query('select 1');
    response.json({ ok: true });
  });
  const options = { database, pages, themes, house, siteName: SITE_NAME, compiling: new CompilePool(), log };
  const site = new Site(options);
  app.use('/site', siteRoutes(site, options));
  app.use('/elsewhere', elsewhereRoutes(new LivePlacements(site, options), media));
  app.use('/pictures', mediaFiles(media));
  app.use('/fonts', fontFiles());
  // Browsers ask for it beside every page of the practice site, which has none.
  app.get('/favicon.ico', (_request, response) => void response.status(204).end());
  app.use('/api', (request) => {
    throw new Refusal('no-such-address', `There is no ${request.method} ${request.originalUrl.slice(0, 200)}.`);
  });
  if (web !== undefined) app.use(webFiles(web));
  app.use((request) => {
    throw new Refusal('no-such-address', `There is nothing at ${request.originalUrl.slice(0, 200)}.`);
  });
  return app.use(answerErrors(log));
}

/** Every error becomes a problem body; what was not foreseen is logged here and told without its insides. */
function answerErrors(log: (message: string) => void): ErrorRequestHandler {
  return (error: unknown, _request, response, _next) => {
    const refusal = error instanceof Refusal ? error : refusalFrom(error);
    if (refusal.kind === 'server-error') log(error instanceof Error ? (error.stack ?? error.message) : String(error));
    response
      .status(problemKinds[refusal.kind].status)
      .type('application/problem+json')
      .send(JSON.stringify(problemBody(refusal)));
  };
}

function refusalFrom(error: unknown): Refusal {
  const { type, status, limit } = error as { type?: string; status?: number; limit?: number };
  if (type === 'entity.too.large' && limit === PICTURE_MOST)
    return new Refusal('too-large', `A picture weighs at most ${PICTURE_MOST / 1_000_000} MB. Make it smaller and bring it in again.`);
  if (type === 'entity.too.large') return new Refusal('too-large', `At most ${BODY_MOST.replace('mb', ' MB')} can be sent at once.`);
  if (type === 'entity.parse.failed') return new Refusal('not-json', 'The text is not JSON. Check its brackets and quotation marks.');
  if (type === 'charset.unsupported' || type === 'encoding.unsupported') return new Refusal('wrong-type', 'Send the document as UTF-8.');
  if (status !== undefined && status >= 400 && status < 500) return new Refusal('invalid', 'The request cannot be read.');
  return new Refusal('server-error', 'Try again; if it stays, restart the server.');
}
