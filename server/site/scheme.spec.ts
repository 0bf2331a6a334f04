import { houseIn } from '../../core/house';
import { emptyPage, type TableBlock } from '../../core/page';
import { gridTable, themeWith } from '../../core/tests/themes';
import { ask, runServer, type Running } from '../tests/running';

describe('The whole site’s way with dark', () => {
  let server: Running;
  beforeAll(async () => {
    server = await runServer();
  });
  afterAll(() => server.close());

  it('holds on every page that does not say itself, at the next load, and elsewhere too', async () => {
    const modes = [{ name: 'dark' as const, swatches: [{ name: 'mist', colour: '#15191c' }], values: {} }];
    const { id: theme } = await server.stores.themes.create({ ...themeWith({ table: { rest: { fill: 'mist' } } }), modes });
    const { id: table } = await server.stores.tables.create(gridTable(2, 2));
    const block: TableBlock = {
      id: 'a',
      kind: 'table',
      shows: { kind: 'tables', id: table },
      dress: { kind: 'themes', id: theme },
      width: 'fill',
      align: 'start',
      room: '0',
      visitor: null,
    };
    const pageOf = async (slug: string, scheme?: 'light'): Promise<string> => {
      const { id } = await server.stores.pages.create({ ...emptyPage(slug, slug), ...(scheme ? { scheme } : {}), blocks: [block] });
      await server.stores.pages.publish(id);
      return id;
    };
    const [open] = [await pageOf('open'), await pageOf('bright', 'light')];
    const isDark = async (path: string): Promise<boolean> => (await ask(`${server.url}${path}`)).text.includes('prefers-color-scheme');
    const all = ['/site/open.css', '/site/bright.css', `/elsewhere/${open}/a.css`];
    expect(await Promise.all(all.map(isDark))).toEqual([false, false, false]);
    const house = async (scheme?: string) => {
      const { revision } = (await ask(`${server.url}/api/house`)).json;
      return ask(`${server.url}/api/house`, 'PUT', { ...houseIn('plain'), ...(scheme ? { scheme } : {}) }, { 'If-Match': `"${String(revision)}"` });
    };
    expect((await house('follows')).status).toBe(200);
    expect(await Promise.all(all.map(isDark))).toEqual([true, false, true]);
    expect((await house('night')).status).toBe(400);
    expect((await house()).status).toBe(200);
    expect(await Promise.all(all.map(isDark))).toEqual([false, false, false]);
  });
});
