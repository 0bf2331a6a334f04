import { seasonPasses } from '../../core/examples';
import { ask, runServer, type Running } from '../tests/running';

describe('A pricing table on the server', () => {
  let server: Running;
  let id: string;
  beforeAll(async () => {
    server = await runServer();
  }, 60_000);
  afterAll(() => server.close());
  const at = (path = ''): string => `${server.url}/api/pricings/${id}${path}`;
  beforeEach(async () => {
    const { status, json } = await ask(`${server.url}/api/pricings`, 'POST', seasonPasses);
    expect(status).toBe(201);
    id = String(json['id']);
  });

  it('is given back as it was kept, with its answers and amounts to the letter', async () => {
    const { json } = await ask(at());
    expect(json['document']).toEqual(JSON.parse(JSON.stringify(seasonPasses)));
    expect([json['id'], json['revision']]).toEqual([id, 1]);
  });

  it('is published as it was seen, once for what is the same, and its editions stay', async () => {
    expect((await ask(at('/editions'), 'POST', undefined, { 'If-Match': '"1"' })).json['number']).toBe(1);
    expect((await ask(at('/editions'), 'POST')).json['number']).toBe(1);
    await ask(at(), 'PUT', { ...seasonPasses, featured: '' }, { 'If-Match': '"1"' });
    const stale = await ask(at('/editions'), 'POST', undefined, { 'If-Match': '"1"' });
    expect([stale.status, stale.json['type']]).toEqual([412, '/problems/changed-elsewhere']);
    expect((await ask(at('/editions'), 'POST', undefined, { 'If-Match': '"2"' })).json['number']).toBe(2);
    const all = JSON.parse((await ask(at('/editions'))).text) as readonly { readonly number: number }[];
    expect(all.map(({ number }) => number)).toEqual([2, 1]);
    expect((await ask(at('/editions/1'))).json['featured']).toBe(seasonPasses.featured);
    expect((await ask(at('/editions/2'))).json['featured']).toBe('');
  });

  it('makes one edition of what two windows publish at once', async () => {
    const both = await Promise.all([ask(at('/editions'), 'POST'), ask(at('/editions'), 'POST')]);
    expect(both.map(({ status, json }) => [status, json['number']])).toEqual([
      [201, 1],
      [201, 1],
    ]);
  });

  it('says what it has not: an edition, itself', async () => {
    for (const path of ['/editions/1', '/editions/none', '/editions/99999999999']) expect((await ask(at(path))).status).toBe(404);
    await ask(at(), 'DELETE');
    for (const [path, method] of [
      ['', 'GET'],
      ['/editions', 'GET'],
      ['/editions', 'POST'],
    ] as const)
      expect((await ask(at(path), method)).status)
        .withContext(`${method} ${path}`)
        .toBe(404);
  });
});
