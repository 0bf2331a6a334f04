import type { WebDriver } from 'selenium-webdriver';
import { devTools, openBrowser } from '../tools/driver';
import { paintedOn } from '../tools/pixels';
import { startApp, type App } from '../tools/server';

interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

const outer = '4px solid #ff0000';
const theme = (table: Readonly<Record<string, string>>): object => ({
  format: 'zest-theme/1',
  name: `Lines ${table['cells'] ?? 'joined'}`,
  base: 'ground',
  swatches: [],
  values: {
    table: { rest: { fill: '#ffff00', ink: 'none', radius: '24px', ...table } },
    'column-headers': { rest: { fill: '#0000ff' } },
    'body-rows': { rest: { fill: '#00aa00' } },
    lines: {
      rest: {
        'outer-top': outer,
        'outer-end': outer,
        'outer-bottom': outer,
        'outer-start': outer,
        rows: '2px solid #000000',
        columns: '2px solid #000000',
        'under-header': '3px solid #000000',
      },
    },
  },
});
/** Both lower corner cells start in the row above the last one. */
const table = {
  format: 'zest-table/2',
  name: 'Corners',
  caption: 'Corners',
  description: '',
  headerRows: 1,
  rowHeaders: 0,
  footerRows: 0,
  theme: '',
  rows: [
    ['head', 'head', 'head'],
    ['tall', 'cell', 'tall'],
    ['', 'cell', ''],
  ],
  merges: [
    { row: 1, column: 0, rows: 2, columns: 1 },
    { row: 1, column: 2, rows: 2, columns: 1 },
  ],
};

/** As many lines as there should be, each as wide as it should be: to the pixel, but for the blur of half pixels. */
function expectLines(runs: readonly number[], widths: readonly number[], ratio: number): void {
  expect(runs.length)
    .withContext(`lines ${runs.join(' ')}`)
    .toBe(widths.length);
  const blur = Number.isInteger(ratio) ? 0 : 1;
  runs.forEach((run, i) =>
    expect(Math.abs(run - (widths[i] ?? 0) * ratio))
      .withContext(`line ${i}: ${run}`)
      .toBeLessThanOrEqual(blur),
  );
}

describe('What is painted: lines and corners of a table with merged cells', () => {
  let app: App;
  let driver: WebDriver;
  beforeAll(async () => {
    app = await startApp();
    driver = await openBrowser();
    const post = async (path: string, body?: object): Promise<{ id: string }> =>
      (await (
        await fetch(app.url + path, {
          method: 'POST',
          ...(body ? { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } } : {}),
        })
      ).json()) as { id: string };
    const { id } = await post('/api/tables', table);
    for (const [slug, values] of [
      ['joined', {}],
      ['spaced', { cells: 'spaced', gap: '6px' }],
    ] as const) {
      const dressed = await post('/api/themes', theme(values));
      const page = {
        format: 'zest-page/6',
        name: slug,
        slug,
        blocks: [
          {
            id: 'a',
            kind: 'table',
            shows: { kind: 'tables', id },
            dress: { kind: 'themes', id: dressed.id },
            width: '400px',
            align: 'start',
            room: '0',
            visitor: null,
          },
        ],
      };
      await post(`/api/pages/${(await post('/api/pages', page)).id}/publish`);
    }
  });
  afterAll(async () => {
    await driver.quit();
    await app.kill();
  });

  const look = async (slug: string, ratio: number): Promise<{ cells: readonly Box[]; grid: Box }> => {
    await devTools(driver, 'Emulation.setDeviceMetricsOverride', { width: 800, height: 600, deviceScaleFactor: ratio, mobile: false });
    await driver.get(`${app.url}/site/${slug}`);
    await driver.wait(async () => (await driver.executeScript<number>('return devicePixelRatio')) === ratio, 5000);
    const [cells, grid] = await driver.executeAsyncScript<[readonly Box[], Box]>(`
      const done = arguments[0];
      // Whole pixels: what is tested is who draws what, not how half a pixel is rounded.
      for (const other of document.querySelectorAll('header, h1')) other.hidden = true;
      const frame = document.querySelector('.zp-frame');
      frame.style.cssText = 'position:absolute;left:40px;top:60px;width:420px;margin:0';
      document.querySelector('table').style.margin = '0';
      const box = (element) => { const { left, top, right, bottom } = element.getBoundingClientRect(); return { left, top, right, bottom }; };
      const { left, right, bottom } = box(document.querySelector('table'));
      const measured = [[...document.querySelectorAll('th, td')].map(box), { left, right, bottom, top: box(document.querySelector('caption')).bottom }];
      // What was just moved is painted two frames on.
      document.fonts.ready.then(() => requestAnimationFrame(() => requestAnimationFrame(() => done(measured))));`);
    return { cells, grid };
  };

  for (const ratio of [1, 1.5, 2]) {
    it(`joined: closed outside, rounded and clipped, one line per edge, at ${ratio} device pixels`, async () => {
      const { cells, grid } = await look('joined', ratio);
      const painted = await paintedOn(driver, ratio);
      const { left, top, right, bottom } = grid;
      const [middleX, middleY] = [(left + right) / 2, (top + bottom) / 2];
      // The outside is closed: the whole straight part of each side is one run of the outer line.
      const straight = (length: number): number => Math.floor((length - 2 * 26) * ratio);
      expect(painted.runs('outer', [left + 26, top + 2], [right - 26, top + 2])[0]).toBeGreaterThanOrEqual(straight(right - left));
      expect(painted.runs('outer', [left + 26, bottom - 2], [right - 26, bottom - 2])[0]).toBeGreaterThanOrEqual(straight(right - left));
      expect(painted.runs('outer', [left + 2, top + 26], [left + 2, bottom - 26])[0]).toBeGreaterThanOrEqual(straight(bottom - top));
      expect(painted.runs('outer', [right - 2, top + 26], [right - 2, bottom - 26])[0]).toBeGreaterThanOrEqual(straight(bottom - top));
      // Corners: page outside the curve, line on it, fill inside. The curve's middle lies 7 px in (24 less 24 times the cosine of 45°).
      for (const [x, y, dx, dy, fill] of [
        [left, top, 1, 1, 'header'],
        [right, top, -1, 1, 'header'],
        [left, bottom, 1, -1, 'body'],
        [right, bottom, -1, -1, 'body'],
      ] as const) {
        const along = (n: number): string => painted.at(x + dx * n, y + dy * n);
        expect([along(3), along(5)])
          .withContext(`outside ${dx} ${dy}`)
          .toEqual(['page', 'page']);
        expect(along(8.5)).withContext(`line ${dx} ${dy}`).toBe('outer');
        expect([along(12), along(16)])
          .withContext(`inside ${dx} ${dy}`)
          .toEqual([fill, fill]);
      }
      // Down through the middle column: one line of 3 under the header, one of 2 between the rows.
      expectLines(painted.runs('line', [middleX - 30, top], [middleX - 30, bottom]), [3, 2], ratio);
      // Down through the merged cell: no line inside it.
      expectLines(painted.runs('line', [left + 40, top], [left + 40, bottom]), [3], ratio);
      // Across: one line of 2 between columns, twice.
      expectLines(
        painted.runs('line', [left, middleY + 8], [right, middleY + 8]).filter((run) => run <= 2 * ratio),
        [2, 2],
        ratio,
      );
      expect(cells.length).toBe(7);
    });

    it(`spaced: the table’s fill in the gaps, and each cell closed all around, at ${ratio} device pixels`, async () => {
      const { cells, grid } = await look('spaced', ratio);
      const painted = await paintedOn(driver, ratio);
      const [first, second] = cells;
      if (!first || !second) throw new Error('There are header cells');
      expect(painted.at(grid.left + 7, (first.top + first.bottom) / 2)).toBe('table');
      expect(painted.at((first.right + second.left) / 2, (first.top + first.bottom) / 2)).toBe('table');
      expect(painted.at(grid.left + 2, (grid.top + grid.bottom) / 2)).toBe('outer');
      expectLines(painted.runs('line', [second.left + 60, grid.top], [second.left + 60, grid.bottom]), [2, 2, 3, 2, 2, 2], ratio);
      expectLines(painted.runs('line', [grid.left, first.top + 20], [grid.right, first.top + 20]), [2, 2, 2, 2, 2, 2], ratio);
    });
  }
});
