import { emptyPage } from '../../core/page';
import { gridTable, themeWith } from '../../core/tests/themes';
import { PageStore } from '../pages/queries';
import { ask, runServer, type Running } from '../tests/running';

describe('Published placements for other sites', () => {
  let server: Running;
  let pageId = '';
  let tableId = '';
  let themeId = '';
  let [used, unused] = ['', ''];
  const svg = (fill: string): string => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1 1"><rect width="1" height="1" fill="${fill}"/></svg>`;
  const look = themeWith({ 'body-rows': { even: { fill: '#abcdef' } } }, { name: 'Look' });
  const place = (path = ''): string => `${server.url}/elsewhere/${pageId}/a${path}`;
  const crossing = { Origin: 'http://paper.test' };
  beforeAll(async () => {
    server = await runServer();
    used = (await server.stores.media.keep('used.svg', Buffer.from(svg('red')))).id;
    unused = (await server.stores.media.keep('unused.svg', Buffer.from(svg('blue')))).id;
    const rows = [[{ text: '¤', marks: [{ from: 0, to: 1, kind: 'picture' as const, href: `/pictures/${used}` }] }, 'to see']];
    tableId = (await server.stores.tables.create(gridTable(1, 2, { caption: 'Boats', rows }))).id;
    themeId = (await server.stores.themes.create(look)).id;
    const block = {
      kind: 'table' as const,
      shows: { kind: 'tables' as const, id: tableId },
      dress: { kind: 'themes' as const, id: themeId },
      width: 'fill',
      align: 'start' as const,
      room: '0',
      visitor: null,
    };
    pageId = (await server.stores.pages.create({ ...emptyPage('Night', 'night'), blocks: [{ ...block, id: 'a' }] })).id;
    await server.stores.pages.publish(pageId);
  }, 60_000);
  afterAll(() => server.close());

  it('are not there unless their page is live', async () => {
    await server.stores.pages.unpublish(pageId);
    for (const path of ['', '.css', `/pictures/${used}`])
      expect((await ask(place(path))).status)
        .withContext(path)
        .toBe(404);
    await server.stores.pages.publish(pageId);
    expect((await ask(place())).status).toBe(200);
    expect((await ask(`${server.url}/elsewhere/${pageId}/b`)).status).toBe(404);
  });

  it('are a link to their stylesheet and their table, with whole addresses, as this server was called', async () => {
    const { text, headers } = await ask(place());
    expect(headers.get('content-type')).toContain('text/html');
    const [, address = ''] = /^<link rel="stylesheet" href="([^"]+)">\n<div class="zp-box"/.exec(text) ?? [];
    expect(address).toMatch(new RegExp(`^${place('.css')}\\?v=`));
    const css = await ask(address);
    expect([css.status, css.headers.get('cache-control')]).toEqual([200, 'public, max-age=31536000, immutable']);
    expect(css.text).toMatch(/#abcdef|#fedcba/);
    expect((await ask(place('').replace('127.0.0.1', 'localhost'))).text).toContain('href="http://localhost:');
    expect(text).not.toContain('.invalid');
  });

  it('may be read by any site, and so may the fonts; nothing else may', async () => {
    const open = async (url: string): Promise<readonly (string | null)[]> => {
      const { headers } = await ask(url, 'GET', undefined, crossing);
      return [headers.get('access-control-allow-origin'), headers.get('cross-origin-resource-policy')];
    };
    const font = 'inter-latin-wght-normal.woff2';
    for (const url of [place(), place('.css'), place(`/pictures/${used}`), `${server.url}/elsewhere/table.js`, `${server.url}/fonts/${font}`])
      expect(await open(url))
        .withContext(url)
        .toEqual(['*', 'cross-origin']);
    for (const path of ['/api/themes', `/api/pages/${pageId}`, '/api/neighbour', '/site/night', '/site/night.css', `/pictures/${used}`])
      expect(await open(`${server.url}${path}`))
        .withContext(path)
        .toEqual([null, 'same-origin']);
  });

  it('bring the pictures that are in them and no other', async () => {
    expect((await ask(place())).text).toContain(`src="${place(`/pictures/${used}`)}"`);
    expect((await ask(place(`/pictures/${used}`))).headers.get('content-security-policy')).toContain('sandbox');
    expect((await ask(place(`/pictures/${unused}`))).status).toBe(404);
  });

  it('are told apart by ETags, and follow what is published', async () => {
    const first = await ask(place());
    const again = { 'If-None-Match': first.headers.get('etag') ?? '', 'Cache-Control': 'max-age=0' };
    expect((await ask(place(), 'GET', undefined, again)).status).toBe(304);
    const { revision, document } = await server.stores.tables.get(tableId);
    await server.stores.tables.save(tableId, revision, { ...document, caption: 'Lanterns' });
    expect((await ask(place(), 'GET', undefined, again)).status)
      .withContext('only saved')
      .toBe(304);
    await server.stores.pages.publishFor({ kind: 'table', id: tableId }, []);
    const next = await ask(place(), 'GET', undefined, again);
    expect(next.status).toBe(200);
    expect(next.text).toContain('Lanterns');
    await server.stores.themes.save(themeId, 1, { ...look, values: { 'body-rows': { even: { fill: '#fedcba' } } } });
    await server.stores.pages.publishFor({ kind: 'theme', id: themeId }, []);
    expect((await ask(place('.css'))).text).toContain('#fedcba');
  });

  it('stay as they last were where they cannot be compiled any more, and say so to those who run the server', async () => {
    const before = (await ask(place())).text;
    const failing = spyOn(PageStore.prototype, 'liveOf').and.rejectWith(new Error('out of order'));
    await server.stores.pages.publishFor({ kind: 'theme', id: themeId }, []);
    expect((await ask(place())).text).toBe(before);
    expect(server.logged.join()).toContain('out of order');
    failing.and.callThrough();
  });
});
