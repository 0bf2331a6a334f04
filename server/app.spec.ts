import { request as rawRequest } from 'node:http';
import { emptyPage } from '../core/page';
import { seasonPasses } from '../core/examples';
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
      ['pricings', seasonPasses],
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
    const modes = [{ name: 'dark', values: { 'body-rows': { rest: { ink: '#fedcba' } } } }];
    const { id: dark } = await make('themes', { ...theme, name: 'Goes dark', modes });
    const inDark = async (query: string): Promise<string> => (await ask(`${server.url}/api/themes/${dark}/stylesheet${query}`)).text;
    expect([await inDark('?scheme=follows'), await inDark('?scheme=__proto__')]).toEqual([
      jasmine.stringContaining('prefers-color-scheme'),
      await inDark(''),
    ]);
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

  it('publishes what was seen and nothing newer', async () => {
    const { id } = await make('themes', theme);
    const page = await make('pages', { ...emptyPage('Seen', 'seen'), blocks: [] });
    for (const [at, save, publish] of [
      [`themes/${id}`, { ...theme, name: 'Newer' }, `themes/${id}/editions`],
      [`pages/${page.id}`, { ...emptyPage('Newer', 'seen') }, `pages/${page.id}/publish`],
    ] as const) {
      await ask(`${server.url}/api/${at}`, 'PUT', save, { 'If-Match': '"1"' });
      const early = await ask(`${server.url}/api/${publish}`, 'POST', {}, { 'If-Match': '"1"' });
      expect([early.status, early.json['detail']]).toEqual([
        412,
        '“Newer” was changed in another window in the meantime. See it as it is now, then publish.',
      ]);
      expect((await ask(`${server.url}/api/${publish}`, 'POST', {}, { 'If-Match': '"2"' })).status).toBe(201);
    }
    const along = [{ kind: 'theme', id, revision: 1 }];
    expect((await ask(`${server.url}/api/pages/${page.id}/publish`, 'POST', { along }, { 'If-Match': '"2"' })).status).toBe(412);
  });

  it('makes one edition of a page that two windows publish as it is', async () => {
    const { id } = await make('pages', emptyPage('Twice', 'twice'));
    const publish = async (): Promise<unknown> =>
      (await ask(`${server.url}/api/pages/${id}/publish`, 'POST', {}, { 'If-Match': '"1"' })).json['number'];
    expect(await Promise.all([publish(), publish()])).toEqual([1, 1]);
    expect(await publish()).toBe(1);
    await ask(`${server.url}/api/pages/${id}/publish`, 'DELETE');
    expect(await publish())
      .withContext('after it was taken down')
      .toBe(2);
  });

  it('tells every window what was saved, at which revision, and what was deleted', async () => {
    const { id } = await make('themes', theme);
    const told: unknown[] = [];
    const stop = new AbortController();
    const stream = await fetch(`${server.url}/api/changes`, { signal: stop.signal });
    const reader = stream.body?.pipeThrough(new TextDecoderStream()).getReader();
    await ask(`${server.url}/api/themes/${id}`, 'PUT', { ...theme, name: 'Newer' }, { 'If-Match': '"1"' });
    await ask(`${server.url}/api/themes/${id}`, 'DELETE');
    await ask(`${server.url}/api/themes/${id}/restore`, 'POST', {});
    while (told.length < 3) {
      const { value = '' } = (await reader?.read()) ?? {};
      for (const [, data = ''] of value.matchAll(/^data: (.*)$/gm)) told.push(JSON.parse(data));
    }
    stop.abort();
    expect(told).toEqual([
      { kind: 'theme', id, what: 'saved', revision: 2 },
      { kind: 'theme', id, what: 'deleted' },
      { kind: 'theme', id, what: 'saved', revision: 2 },
    ]);
  });

  it('takes rows that were sent ahead only whole', async () => {
    const { id } = await make('tables', gridTable(3, 2));
    const upload = '0b7d7c1e-8f5d-4e0a-9c41-5a1f0c7d2e90';
    await ask(`${server.url}/api/tables/${upload}/upload`, 'POST', [['new', 'row']]);
    const change = (rows: number): object => ({ change: { rows: [{ at: 1, take: 0, upload, rows }] }, said: [] });
    const early = await ask(`${server.url}/api/tables/${id}`, 'PATCH', change(2), { 'If-Match': '"1"' });
    expect([early.status, early.json['type']]).toEqual([409, '/problems/rows-missing']);
    expect((await ask(`${server.url}/api/tables/${id}`, 'PATCH', change(1), { 'If-Match': '"1"' })).status).toBe(200);
    const { rows: _rows, ...head } = gridTable(1, 2);
    const other = upload.replace('0b', '1b');
    await ask(`${server.url}/api/tables/${other}/upload`, 'POST', [['new', 'row']]);
    expect((await ask(`${server.url}/api/tables/${other}/from-upload?rows=2`, 'POST', head)).status).toBe(409);
    expect((await ask(`${server.url}/api/tables/${other}/from-upload?rows=1`, 'POST', head)).status).toBe(201);
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
    it('a pricing table that is to show what it has not, at its path', async () => {
      const { status, json: body } = await ask(`${server.url}/api/pricings`, 'POST', { ...seasonPasses, featured: 'gone' });
      expect(status).toBe(400);
      expect((body['problems'] as { at: string }[]).map(({ at }) => at)).toEqual(['featured']);
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
