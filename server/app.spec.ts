import { request as rawRequest } from 'node:http';
import { houseIn } from '../core/house';
import { emptyPage, type Page } from '../core/page';
import { gridTable, themeWith } from '../core/tests/themes';
import { ask, runServer, type Running } from './tests/running';
import { problemKinds } from './problems';

describe('The API', () => {
  let server: Running;
  beforeAll(async () => {
    server = await runServer();
  }, 60_000);
  afterAll(() => server.close());

  const theme = themeWith({ 'body-rows': { even: { fill: 'mist' } } }, { name: 'Harbour' });
  const make = async (kind: string, document: object): Promise<{ id: string; revision: number }> => {
    const { json, status } = await ask(`${server.url}/api/${kind}`, 'POST', document);
    expect(status).toBe(201);
    return json as unknown as { id: string; revision: number };
  };

  it('keeps a document and gives it back', async () => {
    const { id } = await make('themes', theme);
    const { json, headers } = await ask(`${server.url}/api/themes/${id}`);
    expect(json['document']).toEqual(theme);
    expect(headers.get('etag')).toBe('"1"');
  });

  it('saves under If-Match, and refuses a stale save with the document as it stands', async () => {
    const { id } = await make('themes', theme);
    const mine = await ask(`${server.url}/api/themes/${id}`, 'PUT', { ...theme, name: 'Mine' }, { 'If-Match': '"1"' });
    expect([mine.status, mine.json['revision']]).toEqual([200, 2]);
    const stale = await ask(`${server.url}/api/themes/${id}`, 'PUT', { ...theme, name: 'Theirs' }, { 'If-Match': '"1"' });
    expect(stale.status).toBe(412);
    expect(stale.headers.get('content-type')).toContain('application/problem+json');
    expect((stale.json['current'] as { document: { name: string } }).document.name).toBe('Mine');
  });

  it('keeps nothing over a document that was deleted, of whatever kind', async () => {
    for (const [kind, document] of [
      ['themes', theme],
      ['tables', gridTable(2, 2)],
      ['pages', emptyPage('Gone', 'gone')],
    ] as const) {
      const { id } = await make(kind, document);
      await ask(`${server.url}/api/${kind}/${id}`, 'DELETE');
      const saved = await ask(`${server.url}/api/${kind}/${id}`, 'PUT', { ...document, name: 'Late' }, { 'If-Match': '"1"' });
      expect(saved.status).withContext(kind).toBe(404);
      const back = await ask(`${server.url}/api/${kind}/${id}/restore`, 'POST');
      expect([(back.json['document'] as { name: string }).name, back.json['revision']]).toEqual([document.name, 1]);
    }
    const { id } = await make('tables', gridTable(2, 2));
    await ask(`${server.url}/api/tables/${id}`, 'DELETE');
    const late = { change: { rows: [{ at: 0, cells: [[0, 'late']] }] }, said: ['type'] };
    expect((await ask(`${server.url}/api/tables/${id}`, 'PATCH', late, { 'If-Match': '"1"' })).status).toBe(404);
  });

  it('deletes and brings back', async () => {
    const { id } = await make('tables', gridTable(2, 2));
    expect((await ask(`${server.url}/api/tables/${id}`, 'DELETE')).status).toBe(204);
    expect((await ask(`${server.url}/api/tables/${id}`)).status).toBe(404);
    expect((await ask(`${server.url}/api/tables/${id}`, 'DELETE')).status).toBe(404);
    expect((await ask(`${server.url}/api/tables/${id}/restore`, 'POST')).status).toBe(200);
    expect((await ask(`${server.url}/api/tables/${id}`)).status).toBe(200);
  });

  it('lists tables by their first rows only, with their sizes', async () => {
    const { id } = await make('tables', gridTable(300, 3, { name: 'Long' }));
    const { text } = await ask(`${server.url}/api/tables`);
    const found = (JSON.parse(text) as { id: string; rows: number; columns: number; document: { rows: unknown[] } }[]).find((each) => each.id === id);
    expect([found?.rows, found?.columns, found?.document.rows.length]).toEqual([300, 3, 6]);
  });

  it('gives themes of one name classes of their own, whatever the script', async () => {
    await make('themes', { ...theme, name: 'Twin' });
    await make('themes', { ...theme, name: 'Twin' });
    await make('themes', { ...theme, name: 'Νυχτερινό' });
    const keys = (JSON.parse((await ask(`${server.url}/api/themes`)).text) as { key: string }[]).map(({ key }) => key);
    expect(keys).toContain('twin');
    expect(keys).toContain('twin-2');
    expect(new Set(keys).size).toBe(keys.length);
  });

  it('hands a theme and a table over as files', async () => {
    const { id } = await make('themes', { ...theme, name: 'Filed' });
    const css = await ask(`${server.url}/api/themes/${id}/stylesheet`);
    expect(css.text).toContain('.zp-filed');
    expect(css.headers.get('content-disposition')).toContain('filed.css');
    const unpublished = await ask(`${server.url}/api/themes/${id}/stylesheet?edition=newest`);
    expect(unpublished.status).toBe(409);
    const table = await make('tables', gridTable(2, 2, { theme: id, name: 'Ταμείο' }));
    const html = await ask(`${server.url}/api/tables/${table.id}/markup`);
    expect(html.text).toContain('<table class="zp-filed">');
    expect(html.headers.get('content-disposition')).toContain('table.html');
  });

  it('numbers editions, and makes none where nothing changed', async () => {
    const { id } = await make('themes', { ...theme, name: 'Editions' });
    const publish = async (): Promise<unknown> => (await ask(`${server.url}/api/themes/${id}/editions`, 'POST')).json['number'];
    expect([await publish(), await publish()]).toEqual([1, 1]);
    await ask(`${server.url}/api/themes/${id}`, 'PUT', { ...theme, name: 'Changed' }, { 'If-Match': '"1"' });
    expect(await publish()).toBe(2);
    expect(JSON.parse((await ask(`${server.url}/api/themes/${id}/editions`)).text)).toEqual([
      jasmine.objectContaining({ number: 2 }),
      jasmine.objectContaining({ number: 1 }),
    ]);
  });

  describe('refuses with a problem body and never a stack trace', () => {
    const json = { 'Content-Type': 'application/json' };
    for (const [what, method, path, body, headers, status] of [
      ['an unknown id', 'GET', '/api/themes/nobody', undefined, {}, 404],
      ['an id that is an attack', 'GET', "/api/themes/'; drop table themes; --", undefined, {}, 404],
      ['an unknown address', 'GET', '/api/nothing', undefined, {}, 404],
      ['text that is not JSON', 'POST', '/api/themes', '{"name":', json, 400],
      ['an array', 'POST', '/api/themes', '[]', json, 400],
      ['a number for a name', 'POST', '/api/themes', JSON.stringify({ ...theme, name: 7 }), json, 400],
      ['null', 'POST', '/api/tables', 'null', json, 400],
      ['another media type', 'POST', '/api/pages', 'name=x', { 'Content-Type': 'application/x-www-form-urlencoded' }, 415],
      ['a huge body', 'POST', '/api/tables', JSON.stringify({ x: 'x'.repeat(17 * 1024 * 1024) }), json, 413],
      ['a save without If-Match', 'PUT', '/api/themes/x', JSON.stringify(theme), json, 428],
      ['a save with a weak If-Match', 'PUT', '/api/themes/x', JSON.stringify(theme), { ...json, 'If-Match': 'W/"1"' }, 428],
      ['a broken address', 'GET', '/api/themes/%E0%A4%A', undefined, {}, 400],
      ['publishing what is not there', 'POST', '/api/pages/nobody/publish', undefined, {}, 404],
      ['a foreign origin', 'POST', '/api/themes', JSON.stringify(theme), { ...json, Origin: 'https://elsewhere.example' }, 403],
    ] as const) {
      it(what, async () => {
        const answer = await ask(server.url + path, method, body, headers);
        expect(answer.status).toBe(status);
        expect(answer.headers.get('content-type')).toContain('application/problem+json');
        expect(answer.json['detail']).toEqual(jasmine.any(String));
        expect(answer.text).not.toMatch(/node_modules|\.ts:\d|at \w+ \(/);
      });
    }

    it('a foreign host name', async () => {
      const status = await new Promise((resolve) => {
        const { port } = new URL(server.url);
        rawRequest({ port, host: '127.0.0.1', path: '/api/health', headers: { Host: 'rebound.example' } }, (response) =>
          resolve(response.statusCode),
        ).end();
      });
      expect(status).toBe(403);
    });
    it('every problem at its path', async () => {
      const { json: body } = await ask(`${server.url}/api/tables`, 'POST', { ...gridTable(2, 2), name: '', headerRows: -1 });
      expect((body['problems'] as { at: string }[]).map(({ at }) => at).sort()).toEqual(['headerRows', 'name']);
    });
    it('and logs what was not foreseen without telling it', async () => {
      const failing = await runServer();
      await failing.database.close();
      const answer = await ask(`${failing.url}/api/themes`);
      expect([answer.status, answer.json['type']]).toEqual([500, '/problems/server-error']);
      expect(failing.logged.length).toBe(1);
      await failing.close().catch(() => undefined);
    }, 60_000);
  });

  it('has a sentence and a 4xx or 5xx status for every problem', () => {
    for (const [name, { status, title }] of Object.entries(problemKinds)) {
      expect(status).withContext(name).toBeGreaterThanOrEqual(400);
      expect(title).withContext(name).toMatch(/\.$/);
    }
  });
});

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
      blocks: [{ id: 'a', kind: 'table', table: tableId, theme: themeId, width: 'fill', align: 'start', room: '0', visitor: null }],
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
    expect(text).not.toContain('<script');
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
      { kind: 'table', id: tableId, name: 'Specimen', edition: jasmine.any(Number), others: [] },
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
    expect(page.blocks[0]).toEqual(jasmine.objectContaining({ heldTable: newest?.number }));
    // Taken back, it follows again.
    const free = { ...page, blocks: page.blocks.map((block) => ({ ...block, heldTable: undefined })) };
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
      while (!wanted.test(text)) text += new TextDecoder().decode((await reader?.read())?.value as Uint8Array | undefined);
      return text;
    };
    await heard(/: here/);
    await changeTable('Heard');
    expect(await heard(/\n\n$/)).toContain(JSON.stringify({ kind: 'table', id: tableId, what: 'saved' }));
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
