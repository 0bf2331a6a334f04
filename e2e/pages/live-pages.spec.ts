import http from 'node:http';
import type { WebDriver } from 'selenium-webdriver';
import { devTools, openBrowser } from '../tools/driver';
import { Person } from '../tools/person';
import { startApp } from '../tools/server';

const ARRANGEMENTS = ['as it is', 'scrolls', 'stacked', 'turned', 'most columns', 'fewest columns'] as const;
const WIDTHS = [320, 480, 640, 900, 1280, 1920] as const;

describe('Live pages', () => {
  let app: Awaited<ReturnType<typeof startApp>>;
  let driver: WebDriver;
  let person: Person;
  beforeAll(async () => {
    app = await startApp({ demo: true });
    driver = await openBrowser();
    person = new Person(driver);
  }, 1080_000);
  afterAll(async () => {
    await driver.quit();
    await app.kill();
  });

  const post = async (path: string, body: object): Promise<{ readonly id: string }> => {
    const response = await fetch(`${app.url}${path}`, {
      method: 'POST',
      body: JSON.stringify(body),
      headers: { 'Content-Type': 'application/json' },
    });
    if (!response.ok) throw new Error(`${path}: ${await response.text()}`);
    return (await response.json()) as { id: string };
  };
  const list = async (kind: string): Promise<readonly { readonly id: string; readonly document: Record<string, unknown> }[]> =>
    (await (await fetch(`${app.url}/api/${kind}`)).json()) as [];
  const placed = (id: string, table: string, theme: string, visitor: object | null = null): object => ({
    id,
    kind: 'table',
    shows: { kind: 'tables', id: table },
    dress: { kind: 'themes', id: theme },
    width: 'content',
    align: 'start',
    room: '8px 0',
    visitor,
  });
  /** How many bytes of an answer's body come over the wire to a browser that takes brotli. */
  const sent = (address: string): Promise<number> =>
    new Promise((resolve, reject) => {
      http
        .get(`${app.url}${address}`, { headers: { 'Accept-Encoding': 'gzip, deflate, br' } }, (response) => {
          let size = 0;
          response.on('data', (chunk: Buffer) => (size += chunk.length)).on('end', () => resolve(size));
        })
        .on('error', reject);
    });
  const publish = async (slug: string, blocks: readonly object[]): Promise<void> => {
    const { id } = await post('/api/pages', { format: 'zest-page/6', name: slug, slug, blocks });
    await post(`/api/pages/${id}/publish`, {});
  };

  /** The starters, by their places among all that there are: their names come from the server. */
  const STARTERS = 19;
  const starters = async (): Promise<readonly string[]> => {
    // A base that is none is refused with the names of all there are.
    const refused = await fetch(`${app.url}/api/themes`, {
      method: 'POST',
      body: JSON.stringify({ format: 'zest-theme/2', name: 'x', base: { starter: 'none of these', version: 1 }, swatches: [], values: {} }),
      headers: { 'Content-Type': 'application/json' },
    });
    return /one of: ([\w, ]+)/.exec(((await refused.json()) as { detail: string }).detail)?.[1]?.split(', ') ?? [];
  };

  it('are looked at in every starter and on every demo table', async () => {
    expect((await starters()).length).toBe(STARTERS);
    expect((await list('tables')).length).toBeGreaterThanOrEqual(8);
  });

  // A case for each starter, so that each has room: a few that every run has, and another one each time; all of them by `npm run prove -- pages`.
  const isProof = process.env['ZEST_PROVE'] === '1';
  const some = new Set([2, 4, 11, Math.floor(Date.now() / 1000) % STARTERS]);
  for (const at of Array.from({ length: STARTERS }, (_, i) => i).filter((each) => isProof || some.has(each)))
    it(`never scroll sideways, from 320 to 1920, for every demo table in every arrangement, in starter ${at + 1} of ${STARTERS}`, async () => {
      const base = (await starters())[at] ?? '';
      const tables = (await list('tables')).map(({ id }) => id);
      const wrong: string[] = [];
      const blocks: object[] = [];
      for (const arrangement of ARRANGEMENTS) {
        const values = { table: { rest: { arrangement } } };
        const grown = { format: 'zest-theme/2', name: `${base} ${arrangement}`, base: { starter: base, version: 1 }, swatches: [], values };
        const theme = await post('/api/themes', grown);
        for (const table of tables) blocks.push(placed(`b${blocks.length}`, table, theme.id));
      }
      await publish(`all-${base}`, blocks);
      for (const width of WIDTHS) {
        await devTools(driver, 'Emulation.setDeviceMetricsOverride', { width, height: 800, deviceScaleFactor: 1, mobile: false });
        if (width === WIDTHS[0]) await driver.get(`${app.url}/site/all-${base}`);
        const wide = await person.until(`${base} in a window of ${width}`, async () => {
          const [wide = 0, seen, count, state] = await driver.executeScript<readonly [number, number, number, string]>(
            "return [document.documentElement.scrollWidth, innerWidth, document.querySelectorAll('.zp-frame').length, document.readyState]",
          );
          return seen === width && state === 'complete' && count === blocks.length ? wide : undefined;
        });
        if (wide > width) wrong.push(`${base} at ${width}: ${wide}`);
      }
      expect(wrong).toEqual([]);
    });

  it('with a table of 12 rows and every feature on are at most 25 kB as they are sent, shift nothing and say nothing', async () => {
    await devTools(driver, 'Emulation.setDeviceMetricsOverride', { width: 1280, height: 800, deviceScaleFactor: 1, mobile: false });
    const rows = [
      ['Boat', 'To', 'Leaves', 'Fare', 'Berth'],
      ...Array.from({ length: 12 }, (_, i) => [
        `Boat ${i}`,
        ['Skerrin', 'Tarn Isle', 'Low Sound'][i % 3] ?? '',
        `${17 + (i % 6)}:${10 + i}`,
        `£${6 + i}.50`,
        String(i % 4),
      ]),
    ];
    const head = { format: 'zest-table/2', name: 'Twelve', caption: 'Twelve boats', description: 'Made up.', theme: '', merges: [] };
    const { id } = await post('/api/tables', { ...head, headerRows: 1, rowHeaders: 1, footerRows: 0, rows });
    const visitor = {
      sort: true,
      search: true,
      filter: true,
      info: true,
      pageRows: 5,
      sizes: true,
      unsorted: [],
      first: { name: 'Fare', column: 3, direction: 'descending' },
      choose: true,
      columns: true,
      rowLink: true,
      header: true,
      totals: true,
      address: true,
      language: 'en',
      wording: {},
    };
    await publish('twelve', [placed('a', id, 'harbour-dusk', visitor)]);
    const html = await (await fetch(`${app.url}/site/twelve`)).text();
    const addresses = [...html.matchAll(/(?:href|src)="(\/site\/[^"]+)"/g)].map(([, address]) => address ?? '');
    const sizes = await Promise.all(addresses.map(async (address) => [address, await sent(address)] as const));
    const script = sizes.find(([address]) => address.includes('.js'))?.[1] ?? Number.NaN;
    const all = (await sent('/site/twelve')) + sizes.reduce((sum, [, size]) => sum + size, 0);
    expect(script).toBeLessThanOrEqual(5000);
    expect(all).toBeLessThanOrEqual(25_000);
    await driver.manage().logs().get('browser');
    await person.open(`${app.url}/site/twelve`);
    await person.find('searchbox', 'Search');
    const shift = await driver.executeAsyncScript<number>(
      `const done = arguments[0]; let sum = 0;
       new PerformanceObserver((list) => { for (const each of list.getEntries()) if (!each.hadRecentInput) sum += each.value; }).observe({ type: 'layout-shift', buffered: true });
       requestAnimationFrame(() => requestAnimationFrame(() => document.fonts.ready.then(() => requestAnimationFrame(() => done(sum)))));`,
    );
    expect(shift).toBe(0);
    expect((await driver.manage().logs().get('browser')).map(({ message }) => message)).toEqual([]);
  });
});
