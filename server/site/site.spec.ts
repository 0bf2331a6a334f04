import { houseIn } from '../../core/house';
import { emptyPage, type Page } from '../../core/page';
import { gridTable, themeWith } from '../../core/tests/themes';
import { ask, runServer, type Running } from '../tests/running';

describe('The practice site', () => {
  let server: Running;
  let themeId: string;
  let pageId: string;
  let tableId: string;
  const look = themeWith({ 'body-rows': { even: { fill: '#abcdef' } } }, { name: 'Look' });
  beforeAll(async () => {
    server = await runServer();
    themeId = (await server.stores.themes.create(look)).id;
    tableId = (await server.stores.tables.create(gridTable(3, 2, { caption: 'Boats' }))).id;
    const page: Page = {
      ...emptyPage('Night', 'night'),
      blocks: [
        {
          id: 'a',
          kind: 'table',
          shows: { kind: 'tables', id: tableId },
          dress: { kind: 'themes', id: themeId },
          width: 'fill',
          align: 'start',
          room: '0',
          visitor: null,
        },
      ],
    };
    pageId = (await server.stores.pages.create(page)).id;
  }, 60_000);
  afterAll(() => server.close());

  beforeEach(async () => {
    const { revision } = await server.stores.themes.restore(themeId);
    await server.stores.themes.save(themeId, revision, look);
    await server.stores.themes.publish(themeId);
    await server.stores.tables.save(tableId, (await server.stores.tables.get(tableId)).revision, gridTable(3, 2, { caption: 'Boats' }));
    await server.stores.pages.publish(pageId, [{ kind: 'table', id: tableId }]);
  });
  const revisionOf = async (path: string): Promise<Record<string, string>> => ({
    'If-Match': (await ask(`${server.url}/api/${path}`)).headers.get('etag') ?? '',
  });

  it('shows nothing before it is published, a page after, and nothing once it is taken down', async () => {
    await server.stores.pages.unpublish(pageId);
    expect((await ask(`${server.url}/site/night`)).status).toBe(404);
    expect((await ask(`${server.url}/api/pages/${pageId}/publish`, 'POST')).status).toBe(201);
    const { status, text, headers } = await ask(`${server.url}/site/night`);
    expect(status).toBe(200);
    expect(text).toContain('<caption id="place-1-caption">Boats</caption>');
    expect(text.match(/<script/g)?.length)
      .withContext('frames.js alone')
      .toBe(1);
    expect(text).toMatch(/<script src="\/site\/table\/frames\.js\?[^"]*" defer/);
    expect(headers.get('content-security-policy')).toContain("default-src 'none'");
    expect((await ask(`${server.url}/site`)).text).toContain('href="/site/night"');
    await ask(`${server.url}/api/pages/${pageId}/publish`, 'DELETE');
    expect((await ask(`${server.url}/site/night`)).status).toBe(404);
  });

  it('follows a theme that is published again, and not one that is only saved', async () => {
    const css = async (): Promise<string> => (await ask(`${server.url}/site/night.css`)).text;
    expect(await css()).toContain('#abcdef');
    const changed = { ...look, values: { 'body-rows': { even: { fill: '#fedcba' } } } };
    await ask(`${server.url}/api/themes/${themeId}`, 'PUT', changed, await revisionOf(`themes/${themeId}`));
    expect(await css()).toContain('#abcdef');
    await ask(`${server.url}/api/themes/${themeId}/editions`, 'POST');
    expect(await css()).toContain('#fedcba');
  });

  const changeTable = async (caption: string): Promise<void> =>
    void (await ask(`${server.url}/api/tables/${tableId}`, 'PUT', gridTable(3, 2, { caption }), await revisionOf(`tables/${tableId}`)));
  const shown = async (): Promise<string> => (await ask(`${server.url}/site/night`)).text;

  it('follows a table that is published, by itself or with a page, and not one that is only saved', async () => {
    await changeTable('Changed');
    expect(await shown()).toContain('Boats');
    await ask(`${server.url}/api/pages/${pageId}/publish`, 'POST');
    expect(await shown())
      .withContext('the page alone')
      .toContain('Boats');
    expect((await ask(`${server.url}/api/pages/${pageId}/pending`)).json).toEqual([
      { kind: 'table', id: tableId, name: 'Specimen', edition: jasmine.any(Number), revision: jasmine.any(Number), others: [] },
    ] as never);
    await ask(`${server.url}/api/pages/${pageId}/publish`, 'POST', { along: [{ kind: 'table', id: tableId }] });
    expect(await shown()).toContain('Changed');
    expect((await ask(`${server.url}/api/pages/${pageId}/pending`)).json).toEqual([] as never);
    await changeTable('Once more');
    expect((await ask(`${server.url}/api/tables/${tableId}/editions`, 'POST')).status).toBe(201);
    expect(await shown()).toContain('Once more');
  });

  it('keeps a table that is deleted, and an edition that a page is held at', async () => {
    const [newest] = (await ask(`${server.url}/api/tables/${tableId}/editions`)).json as unknown as { number: number }[];
    await changeTable('Newer');
    const made = await ask(`${server.url}/api/tables/${tableId}/editions`, 'POST', { hold: [pageId] });
    expect(made.json['number']).toBe((newest?.number ?? 0) + 1);
    expect(await shown()).toContain('Boats');
    const page = (await ask(`${server.url}/api/pages/${pageId}`)).json['document'] as Page;
    expect(page.blocks[0]).toEqual(jasmine.objectContaining({ shows: { kind: 'tables', id: tableId, held: newest?.number } }));
    // Taken back, it follows again.
    const free = { ...page, blocks: page.blocks.map((block) => ({ ...block, shows: { kind: 'tables', id: tableId } })) };
    await ask(`${server.url}/api/pages/${pageId}`, 'PUT', free, await revisionOf(`pages/${pageId}`));
    await ask(`${server.url}/api/pages/${pageId}/publish`, 'POST');
    expect(await shown()).toContain('Newer');
    await ask(`${server.url}/api/tables/${tableId}`, 'DELETE');
    await ask(`${server.url}/api/pages/${pageId}/publish`, 'POST');
    expect(await shown()).toContain('Newer');
    await ask(`${server.url}/api/tables/${tableId}/restore`, 'POST');
  });

  it('tells which live pages follow a theme or a table, and refuses what is no list of pages', async () => {
    for (const [kind, id] of [
      ['themes', themeId],
      ['tables', tableId],
    ] as const) {
      const followers = (await ask(`${server.url}/api/${kind}/${id}/followers`)).json as unknown as { id: string; name: string }[];
      expect(followers.map((each) => [each.id, each.name])).toEqual([[pageId, 'Night']]);
      expect((await ask(`${server.url}/api/${kind}/${id}/editions`, 'POST', { hold: 'all' })).status).toBe(400);
    }
    expect((await ask(`${server.url}/api/pages/${pageId}/publish`, 'POST', { along: [{ kind: 'word', id: 'x' }] })).status).toBe(400);
    expect((await ask(`${server.url}/api/pages/${pageId}/editions`)).status).toBe(200);
    expect((await ask(`${server.url}/api/pages/${pageId}/editions/9999`)).status).toBe(404);
  });

  it('is as it was when it last could be compiled, where something on it is broken, and tells us', async () => {
    const before = await shown();
    const [{ document }] = (await server.database.query<{ document: unknown }>(
      'select document from table_editions where table_id = $1 order by number desc limit 1',
      [tableId],
    )) as [{ document: unknown }];
    const put = (value: unknown): Promise<unknown> =>
      server.database.query(
        'update table_editions set document = $2 where table_id = $1 and number = (select max(number) from table_editions where table_id = $1)',
        [tableId, JSON.stringify(value)],
      );
    await put({ name: 'Broken' });
    const known = server.logged.length;
    // Something else is published, so that the page is compiled anew.
    await ask(`${server.url}/api/house`, 'PUT', houseIn('plain'), await revisionOf('house'));
    expect(await shown()).toBe(before);
    expect(server.logged.length).toBe(known + 1);
    await put(document);
    server.logged.length = known;
  });

  it('says what changes as it happens, in server-sent events', async () => {
    const stop = new AbortController();
    const response = await fetch(`${server.url}/api/changes`, { signal: stop.signal });
    expect(response.headers.get('content-type')).toContain('text/event-stream');
    const reader = response.body?.getReader();
    const heard = async (wanted: RegExp): Promise<string> => {
      let text = '';
      while (!wanted.test(text)) {
        const bytes: Uint8Array | undefined = (await reader?.read())?.value;
        text += new TextDecoder().decode(bytes);
      }
      return text;
    };
    await heard(/: here/);
    await changeTable('Heard');
    expect(await heard(/\n\n$/)).toContain(JSON.stringify({ kind: 'table', id: tableId, what: 'saved' }).slice(0, -1));
    await ask(`${server.url}/api/themes/${themeId}/editions`, 'POST');
    expect(await heard(/published/)).toContain(`"id":"${themeId}","what":"published"`);
    stop.abort();
  });

  it('answers 304 to who has it', async () => {
    const first = await ask(`${server.url}/site/night`);
    const again = await ask(`${server.url}/site/night`, 'GET', undefined, {
      'If-None-Match': first.headers.get('etag') ?? '',
      'Cache-Control': 'max-age=0',
    });
    expect(again.status).toBe(304);
  });

  it('sends each coding that a caller takes, under a tag of its own', async () => {
    const plain = await ask(`${server.url}/site/night`, 'GET', undefined, { 'Accept-Encoding': 'identity' });
    expect(plain.headers.get('content-encoding')).toBeNull();
    const tags = new Set([plain.headers.get('etag')]);
    for (const coding of ['br', 'gzip']) {
      const coded = await ask(`${server.url}/site/night`, 'GET', undefined, { 'Accept-Encoding': `${coding}, identity;q=0.5` });
      expect([coded.headers.get('content-encoding'), coded.headers.get('vary'), coded.text]).toEqual([coding, 'Accept-Encoding', plain.text]);
      tags.add(coded.headers.get('etag'));
    }
    expect(tags.size).toBe(3);
    const refusing = await ask(`${server.url}/site/night`, 'GET', undefined, { 'Accept-Encoding': 'br;q=0, gzip;q=0' });
    expect(refusing.text).toBe(plain.text);
  });

  it('stays up when a theme is deleted, since editions stay', async () => {
    await ask(`${server.url}/api/themes/${themeId}`, 'DELETE');
    expect((await ask(`${server.url}/site/night.css`)).text).toContain('#abcdef');
  });

  it('carries the site’s house stylesheet, weighed against its tables, and follows it', async () => {
    const house = async (): Promise<Record<string, string>> => await revisionOf('house');
    const css = async (): Promise<string> => (await ask(`${server.url}/site/night.css`)).text;
    const before = await css();
    const own = { ...houseIn(''), name: 'old.css', css: '@import "x"; #content td { padding: 9px } td { text-shadow: 0 0 red }' };
    expect((await ask(`${server.url}/api/house`, 'PUT', own)).status).toBe(428);
    expect((await ask(`${server.url}/api/house`, 'PUT', { ...own, css: 'x'.repeat(1_000_001) }, await house())).status).toBe(400);
    expect((await ask(`${server.url}/api/house`, 'PUT', own, await house())).status).toBe(200);
    expect((await ask(`${server.url}/site/-house.css`)).text).toBe('#content td{padding:9px}td{text-shadow:0 0 red}');
    expect(await css()).toContain('.zp-box :where(td){text-shadow:revert}');
    // What the page has chosen is what it weighs.
    const { json } = await ask(`${server.url}/api/pages/${pageId}`);
    const document = { ...(json['document'] as Page), weight: { ids: 1, classes: 0 } };
    expect((await ask(`${server.url}/api/pages/${pageId}`, 'PUT', document, await revisionOf(`pages/${pageId}`))).status).toBe(200);
    await ask(`${server.url}/api/pages/${pageId}/publish`, 'POST');
    expect(await css()).toContain('.zp-box:not(#_) :where(td){text-shadow:revert}');
    await ask(`${server.url}/api/pages/${pageId}`, 'PUT', json['document'], await revisionOf(`pages/${pageId}`));
    await ask(`${server.url}/api/pages/${pageId}/publish`, 'POST');
    expect((await ask(`${server.url}/api/house`, 'PUT', houseIn('plain'), await house())).status).toBe(200);
    expect(await css()).toBe(before);
  });

  it('refuses to change a house stylesheet over another change', async () => {
    const stale = await revisionOf('house');
    await ask(`${server.url}/api/house`, 'PUT', houseIn('reset'), stale);
    const { status, json } = await ask(`${server.url}/api/house`, 'PUT', houseIn('plain'), stale);
    expect([status, json['type']]).toEqual([412, '/problems/changed-elsewhere']);
    await ask(`${server.url}/api/house`, 'PUT', houseIn('plain'), await revisionOf('house'));
  });

  it('lets files be kept for good under the address that names their content', async () => {
    const html = (await ask(`${server.url}/site/night`)).text;
    const addresses = [...html.matchAll(/href="([^"]+\.css\?v=[^"]+)"/g)].map(([, address]) => address ?? '');
    expect(addresses.length).toBe(2);
    for (const address of addresses) {
      const versioned = await ask(`${server.url}${address}`);
      expect([versioned.status, versioned.headers.get('cache-control')]).toEqual([200, 'public, max-age=31536000, immutable']);
      expect((await ask(`${server.url}${address.replace(/v=.*/, 'v=old')}`)).headers.get('cache-control')).toBe('no-cache');
    }
    expect((await ask(`${server.url}/site/night`)).headers.get('cache-control')).toBe('no-cache');
  });

  it('gives an address to one page only', async () => {
    const other = await ask(`${server.url}/api/pages`, 'POST', emptyPage('Other', 'night'));
    expect([other.status, other.json['type']]).toEqual([409, '/problems/address-taken']);
  });
});
