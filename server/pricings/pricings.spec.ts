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

  describe('on a page', () => {
    const block = (shows: object) => ({ id: 'b1', kind: 'table', shows, dress: null, width: 'fill', align: 'theme', room: '0', visitor: null });
    const page = (slug: string, shows: object) => ({ format: 'zest-page/6', name: slug, slug, blocks: [block(shows)] });
    const live = async (slug: string): Promise<string> => (await (await fetch(`${server.url}/site/${slug}`)).text()).replaceAll('&#8203;', '');
    const place = async (slug: string, held?: number): Promise<string> => {
      const made = await ask(`${server.url}/api/pages`, 'POST', page(slug, { kind: 'pricings', id, ...(held === undefined ? {} : { held }) }));
      expect([slug, made.status, made.json['detail']]).toEqual([slug, 201, undefined]);
      expect((await ask(`${server.url}/api/pages/${String(made.json['id'])}/publish`, 'POST', {})).status).toBe(201);
      return String(made.json['id']);
    };
    const rename = async (name: string, revision: number): Promise<void> => {
      const [first, ...others] = seasonPasses.plans;
      const changed = { ...seasonPasses, plans: [{ ...first, name }, ...others] };
      expect((await ask(at(), 'PUT', changed, { 'If-Match': `"${revision}"` })).status).toBe(200);
    };

    it('is shown as its comparison, and gets its first edition where it had none', async () => {
      await place('passes-first');
      const html = await live('passes-first');
      expect(html).toContain('<th scope="col"');
      for (const said of ['Saloon', '£9.50', 'Save 10%', 'href="/passes/deck"', 'Refund in storms']) expect(html).withContext(said).toContain(said);
      expect((JSON.parse((await ask(at('/editions'))).text) as readonly unknown[]).length).toBe(1);
    });

    it('is followed by those that follow it, once it is published, and by none that is held', async () => {
      await ask(at('/editions'), 'POST');
      await place('passes-follow');
      await place('passes-held', 1);
      await rename('Open deck', 1);
      expect(await live('passes-follow')).not.toContain('Open deck');
      const followers = JSON.parse((await ask(at('/followers'))).text) as readonly { readonly name: string }[];
      expect(followers.map(({ name }) => name)).toEqual(['passes-follow']);
      expect((await ask(at('/editions'), 'POST', { hold: [] })).json['number']).toBe(2);
      expect(await live('passes-follow')).toContain('Open deck');
      expect(await live('passes-held')).not.toContain('Open deck');
    });

    it('stays on a page that is held while it is published', async () => {
      const stays = await place('passes-stay');
      await rename('Forecastle', 1);
      expect((await ask(at('/editions'), 'POST', { hold: [stays] })).status).toBe(201);
      expect(await live('passes-stay')).not.toContain('Forecastle');
      const kept = (await ask(`${server.url}/api/pages/${stays}`)).json['document'] as { readonly blocks: readonly { readonly shows: unknown }[] };
      expect(kept.blocks[0]?.shows).toEqual({ kind: 'pricings', id, held: 1 });
    });

    it('is told as what a page follows and has changed, and goes along with the page', async () => {
      const standing = await place('passes-along');
      await rename('Stern', 1);
      const pending = JSON.parse((await ask(`${server.url}/api/pages/${standing}/pending`)).text) as readonly object[];
      expect(pending).toEqual([{ kind: 'pricing', id, name: 'Season passes', edition: 1, revision: 2, others: [] }]);
      await ask(`${server.url}/api/pages/${standing}/publish`, 'POST', { along: [{ kind: 'pricing', id, revision: 2 }] });
      expect(await live('passes-along')).toContain('Stern');
    });

    it('is not the place for another kind of document', async () => {
      const wrong = await ask(`${server.url}/api/pages`, 'POST', page('passes-wrong', { kind: 'themes', id }));
      expect([wrong.status, JSON.stringify(wrong.json)]).toEqual([400, jasmine.stringContaining('A placement shows a table or a pricing table.')]);
    });
  });
});
