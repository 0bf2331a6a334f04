import { emptyPage, type TableBlock } from '../../core/page';
import { gridTable, starter, themeWith } from '../../core/tests/themes';
import { CHAIN_MOST, type Theme } from '../../core/theme';
import { sweepDeleted } from '../documents/deleted';
import { ask, runServer, type Running } from '../tests/running';

const brand = (fill: string): Theme =>
  themeWith({ 'body-rows': { even: { fill: 'brand' } } }, { name: 'Brand', swatches: [{ name: 'brand', colour: fill }] });
const grown = (name: string, base: string, weight = '600'): Theme =>
  themeWith({ 'column-headers': { rest: { weight } } }, { name, base: { theme: base }, swatches: [] });

describe('Themes that grow from themes', () => {
  let server: Running;
  const post = (path: string, body?: unknown) => ask(`${server.url}/api${path}`, 'POST', body);
  const make = async (theme: Theme): Promise<string> => String((await post('/themes', theme)).json['id']);
  const save = async (id: string, theme: Theme) => {
    const { revision } = await server.stores.themes.get(id);
    return ask(`${server.url}/api/themes/${id}`, 'PUT', theme, { 'If-Match': `"${revision}"` });
  };
  const publish = (id: string, hold: readonly string[] = []) => post(`/themes/${id}/editions`, { hold });
  const editions = async (id: string): Promise<readonly string[]> =>
    (await server.stores.themes.editions(id)).map(({ number, standsOn }) =>
      [`${number}`, ...standsOn.map((each) => `${each.name} ${each.number}`)].join(' on '),
    );
  const block = (id: string, table: string, theme: string): TableBlock => ({
    id,
    kind: 'table',
    shows: { kind: 'tables', id: table },
    dress: { kind: 'themes', id: theme },
    width: 'fill',
    align: 'start',
    room: '0',
    visitor: null,
  });
  const page = async (slug: string, theme: string): Promise<string> => {
    const { id: table } = await server.stores.tables.create(gridTable(4, 2, { headerRows: 1 }));
    const { id } = await server.stores.pages.create({ ...emptyPage(slug, slug), blocks: [block('a', table, theme)] });
    await server.stores.pages.publish(id);
    return id;
  };
  const css = async (slug: string): Promise<string> => (await ask(`${server.url}/site/${slug}.css`)).text;

  beforeEach(async () => {
    server = await runServer();
  });
  afterEach(() => server.close());

  it('are published on the newest edition of all that they stand on, which gets its first with them', async () => {
    const base = await make(brand('#aa0000'));
    const [winter] = [await make(grown('Winter', base))];
    const night = await make(grown('Winter night', winter, '700'));
    expect((await publish(night)).status).toBe(201);
    expect(await editions(night)).toEqual(['1 on Winter 1 on Brand 1']);
    expect(await editions(base)).toEqual(['1']);
    expect((await publish(night)).json['number']).toBe(1);
    const chain = (await ask(`${server.url}/api/themes/${night}/editions/1/chain`)).json as unknown as readonly Theme[];
    expect(chain.map(({ name }) => name)).toEqual(['Winter night', 'Winter', 'Brand']);
    expect((await ask(`${server.url}/api/themes/${night}/stylesheet?edition=newest`)).text).toContain('#aa0000');
  });

  it('follow their base on live pages at once, in one transaction, and are held with all that was seen', async () => {
    const base = await make(brand('#aa0000'));
    const winter = await make(grown('Winter', base));
    await publish(winter);
    const [follows, holds] = [await page('follows', winter), await page('holds', winter)];
    expect([await css('follows'), await css('holds')]).toEqual([jasmine.stringContaining('#aa0000'), jasmine.stringContaining('#aa0000')]);
    await save(base, brand('#00aa00'));
    // What is only kept is in the tool, and on no live page.
    expect((await ask(`${server.url}/api/themes/${winter}/stylesheet`)).text).toContain('#00aa00');
    expect(await css('follows')).toContain('#aa0000');
    const followers = (await ask(`${server.url}/api/themes/${base}/followers`)).json as unknown as readonly { readonly id: string }[];
    expect(followers.map(({ id }) => id).sort()).toEqual([follows, holds].sort());
    await publish(base, [holds]);
    expect(await css('follows')).toContain('#00aa00');
    expect(await css('holds')).toContain('#aa0000');
    expect(await editions(winter)).toEqual(['2 on Brand 2', '1 on Brand 1']);
    // A second colour: the held page stays where it is.
    await save(base, brand('#0000aa'));
    await publish(base);
    expect([await css('follows'), await css('holds')]).toEqual([jasmine.stringContaining('#0000aa'), jasmine.stringContaining('#aa0000')]);
    // A page that follows hears of what its themes grow from.
    await save(base, brand('#222222'));
    const pending = (await ask(`${server.url}/api/pages/${follows}/pending`)).json as unknown as readonly object[];
    expect(pending).toEqual([jasmine.objectContaining({ kind: 'theme', id: base, name: 'Brand', edition: 3, others: [] })]);
  });

  it('are carried along in the order in which they stand', async () => {
    const base = await make(brand('#aa0000'));
    const winter = await make(grown('Winter', base));
    const night = await make(grown('Winter night', winter));
    await publish(night);
    await save(winter, grown('Winter', base, '300'));
    await save(base, brand('#00aa00'));
    await publish(base);
    // Drafts are not published with their base: only what they last published is carried along.
    expect((await server.stores.themes.edition(winter, 2))?.[0].values).toEqual(grown('Winter', base).values);
    expect([await editions(winter), await editions(night)]).toEqual([
      ['2 on Brand 2', '1 on Brand 1'],
      ['2 on Winter 2 on Brand 2', '1 on Winter 1 on Brand 1'],
    ]);
  });

  it('cannot grow from themselves, from what is not here, or from too many', async () => {
    const base = await make(brand('#aa0000'));
    const winter = await make(grown('Winter', base));
    const night = await make(grown('Winter night', winter));
    const looped = await save(base, { ...brand('#aa0000'), base: { theme: night } });
    expect([looped.status, looped.json['detail']]).toEqual([
      409,
      'A theme cannot grow from itself: “Brand”, from “Winter night”, from “Winter”, from “Brand”. Let “Brand” grow from another.',
    ]);
    expect((await server.stores.themes.get(base)).document).toEqual(brand('#aa0000'));
    expect((await save(base, { ...brand('#aa0000'), base: { theme: base } })).json['detail']).toContain('“Brand”, from “Brand”');
    expect((await post('/themes', grown('Lost', 'no-such'))).json['detail']).toBe('The theme that “Lost” is to grow from is not here.');
    let last = night;
    for (let n = 3; n < CHAIN_MOST; n++) last = await make(grown(`Grown ${n}`, last));
    const most = await make(grown('Most', last));
    expect((await post('/themes', grown('Too many', most))).json['detail']).toContain('more than 12 themes');
  });

  it('are not published in a loop, though only what was last published has one', async () => {
    const [a, b] = [await make(themeWith({}, { name: 'A' })), await make(themeWith({}, { name: 'B' }))];
    await save(b, grown('B', a));
    await publish(b);
    await save(b, themeWith({}, { name: 'B' }));
    await save(a, grown('A', b));
    const refused = await publish(a);
    expect([refused.status, refused.json['detail']]).toEqual([409, 'As it was last published, “B” still grows from this theme. Publish “B” first.']);
    await publish(b);
    expect((await publish(a)).status).toBe(201);
  });

  it('keep what they grow from: it cannot be deleted, nor is it swept away', async () => {
    const base = await make(brand('#aa0000'));
    const winter = await make(grown('Winter', base));
    const refused = await ask(`${server.url}/api/themes/${base}`, 'DELETE');
    expect([refused.status, refused.json['detail']]).toEqual([
      409,
      '“Winter” grows from it. Detach it in the studio first, or let it grow from another.',
    ]);
    await ask(`${server.url}/api/themes/${winter}`, 'DELETE');
    expect((await ask(`${server.url}/api/themes/${base}`, 'DELETE')).status).toBe(204);
    expect((await post(`/themes/${winter}/restore`)).json['detail']).toBe(
      '“Winter” grows from “Brand”, which was deleted too. Bring “Brand” back first.',
    );
    expect((await post('/themes', grown('Late', base))).json['detail']).toContain('“Brand”, was deleted');
    const later = new Date(Date.now() + 40 * 86_400_000);
    // What stands on another goes first.
    expect([await sweepDeleted(server.database, later), await sweepDeleted(server.database, later)]).toEqual([1, 1]);
  });

  it('keep what their editions stand on, for pages that are held there', async () => {
    const base = await make(brand('#aa0000'));
    const winter = await make(grown('Winter', base));
    await publish(winter);
    await save(winter, themeWith({}, { name: 'Winter', base: starter('ground') }));
    await publish(winter);
    expect((await ask(`${server.url}/api/themes/${base}`, 'DELETE')).status).toBe(204);
    expect(await sweepDeleted(server.database, new Date(Date.now() + 40 * 86_400_000))).toBe(0);
    expect((await server.stores.themes.edition(winter, 1))?.[1]?.name).toBe('Brand');
  });
});
