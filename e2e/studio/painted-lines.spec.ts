import type { WebDriver } from 'selenium-webdriver';
import { devTools, openBrowser } from '../tools/driver';
import { paintedOn } from '../tools/pixels';
import { startApp, type App } from '../tools/server';

/** Tables and themes from a seed, made here: this sees the running application only. */
function dice(seed: number): (most: number) => number {
  let state = seed * 2654435761 + 1013904223;
  return (most) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 4294967296) * most);
  };
}

interface Merge {
  readonly row: number;
  readonly column: number;
  readonly rows: number;
  readonly columns: number;
}

/** A table with merged cells anywhere that its row groups allow. */
function randomTable(seed: number): object {
  const roll = dice(seed);
  const [height, width] = [3 + roll(4), 2 + roll(4)];
  const headerRows = roll(3);
  const footerRows = roll(2);
  const taken = new Set<string>();
  const merges: Merge[] = [];
  const groupOf = (row: number): number => (row < headerRows ? 0 : row >= height - footerRows ? 2 : 1);
  for (let i = 0; i < 5; i++) {
    const [row, column] = [roll(height), roll(width)];
    const merge = { row, column, rows: 1 + roll(Math.min(3, height - row)), columns: 1 + roll(Math.min(3, width - column)) };
    const slots = Array.from(
      { length: merge.rows * merge.columns },
      (_, n) => [row + Math.floor(n / merge.columns), column + (n % merge.columns)] as const,
    );
    if (slots.length < 2 || slots.some(([r, c]) => taken.has(`${r} ${c}`) || groupOf(r) !== groupOf(row))) continue;
    slots.forEach(([r, c]) => taken.add(`${r} ${c}`));
    merges.push(merge);
  }
  const rows = Array.from({ length: height }, () => Array.from({ length: width }, () => 'x'));
  return {
    format: 'zest-table/2',
    name: `Case ${seed}`,
    caption: '',
    description: '',
    rows,
    merges,
    headerRows,
    rowHeaders: roll(2),
    footerRows,
    theme: '',
  };
}

const line = (width: number): string => `${width}px solid #000000`;
const outer = '3px solid #ff0000';
/** Inner lines are black, outer ones red; texts are not seen. Every other theme rounds its corners. */
const theme = (cells: string, radius: string): object => ({
  format: 'zest-theme/1',
  name: `Painted ${cells} ${radius}`,
  base: 'ground',
  swatches: [],
  values: {
    table: {
      rest: {
        fill: '#ffff00',
        ink: 'none',
        cells,
        gap: '8px',
        radius,
        'padding-top': '12px',
        'padding-bottom': '12px',
        'padding-start': '16px',
        'padding-end': '16px',
      },
    },
    'column-headers': { rest: { fill: '#0000ff' } },
    'body-rows': { rest: { fill: '#00aa00' } },
    lines: {
      rest: {
        ...Object.fromEntries(['top', 'end', 'bottom', 'start'].map((side) => [`outer-${side}`, outer])),
        ...Object.fromEntries(
          ['rows', 'columns', 'under-header', 'above-footer', 'between-tiers', 'beside-row-headers', 'after-first-row', 'before-last-column'].map(
            (name) => [name, line(2)],
          ),
        ),
      },
    },
  },
});

/** In the page: a place in the middle of each unit of each cell's start and top edge, and one inside each cell; and which are at the outside. */
const isDressed = `return document.readyState === 'complete' && document.styleSheets.length > 0 &&
  [...document.querySelectorAll('table')].every((table) => getComputedStyle(table).borderCollapse === 'separate' && table.offsetWidth >= 340)`;
const collect = `
  for (const other of document.querySelectorAll('header, h1')) other.remove();
  document.body.style.cssText = 'margin:0;padding:0;max-width:none';
  document.querySelectorAll('.zp-frame').forEach((frame, i) => { frame.style.cssText = 'position:absolute;overflow:visible;margin:0;left:' + (20 + (i % 3) * 385) + 'px;top:' + (20 + Math.floor(i / 3) * 420) + 'px'; });
  const tables = [...document.querySelectorAll('table')];
  tables.forEach((table) => { table.style.margin = '0'; });
  return tables.map((table) => {
    const box = (each) => { const { left, top, right, bottom } = each.getBoundingClientRect(); return { left, top, right, bottom }; };
    const rows = [...table.querySelectorAll('tr')].map(box);
    const whole = box(table);
    const cells = [...table.querySelectorAll('th, td')].map(box);
    const near = (a, b) => Math.abs(a - b) < 6 + 8;
    const columns = [...new Set(cells.map(({ left }) => Math.round(left)))].sort((a, b) => a - b);
    return { whole, cells: cells.map((cell) => ({
      ...cell,
      isFirst: near(cell.left, whole.left), isTop: near(cell.top, whole.top),
      ys: rows.filter((row) => row.bottom - row.top > 24 && row.top >= cell.top - 1 && row.bottom <= cell.bottom + 1).map((row) => (row.top + row.bottom) / 2),
      xs: columns.filter((x) => x >= cell.left - 1 && x < cell.right - 2).map((x) => x + 14),
    })) };
  });`;

interface Cell {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  readonly isFirst: boolean;
  readonly isTop: boolean;
  readonly ys: readonly number[];
  readonly xs: readonly number[];
}

const CASES = 100;
const PER_PAGE = 10;
const looks = [
  ['joined', '0'],
  ['single', '14px'],
  ['spaced', '0'],
  ['joined', '20px'],
  ['spaced', '20px'],
] as const;

describe('Lines as they are painted, for a hundred random tables with merged cells', () => {
  let app: App;
  let driver: WebDriver;
  beforeAll(async () => {
    app = await startApp();
    driver = await openBrowser();
    const post = async (address: string, body?: object): Promise<{ id: string }> =>
      (await (
        await fetch(app.url + address, {
          method: 'POST',
          ...(body ? { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } } : {}),
        })
      ).json()) as { id: string };
    const themes = await Promise.all(looks.map(([cells, radius]) => post('/api/themes', theme(cells, radius))));
    for (let first = 0; first < CASES; first += PER_PAGE) {
      const blocks = [];
      for (let seed = first; seed < first + PER_PAGE; seed++) {
        const { id } = await post('/api/tables', randomTable(seed));
        blocks.push({
          id: `b${seed}`,
          kind: 'table',
          shows: { kind: 'tables', id },
          dress: { kind: 'themes', id: themes[seed % looks.length]?.id ?? '' },
          width: '340px',
          align: 'start',
          room: '0',
          visitor: null,
        });
      }
      const page = { format: 'zest-page/6', name: `p${first}`, slug: `p${first}`, blocks };
      await post(`/api/pages/${(await post('/api/pages', page)).id}/publish`);
    }
  }, 1080_000);
  afterAll(async () => {
    await driver.quit();
    await app.kill();
  });

  for (const ratio of [1, 1.5, 2]) {
    it(`are one on every edge and none within a cell, at ${ratio} device pixels`, async () => {
      await devTools(driver, 'Emulation.setDeviceMetricsOverride', { width: 1180, height: 1720, deviceScaleFactor: ratio, mobile: false });
      const blur = Number.isInteger(ratio) ? 0 : 1;
      const wrong: string[] = [];
      let edges = 0;
      for (let first = 0; first < CASES; first += PER_PAGE) {
        await driver.get(`${app.url}/site/p${first}`);
        // On a slow machine the driver can be back before the page has its stylesheet.
        await driver.wait(() => driver.executeScript<boolean>(isDressed), 20_000);
        const tables = await driver.executeScript<readonly { readonly cells: readonly Cell[] }[]>(collect);
        const painted = await paintedOn(driver, ratio);
        tables.forEach(({ cells }, i) => {
          const check = (what: string, from: readonly [number, number], to: readonly [number, number], wanted: readonly number[]): void => {
            const runs = painted.runs('line', from, to);
            edges++;
            const good = runs.length === wanted.length && runs.every((run, n) => Math.abs(run - (wanted[n] ?? 0) * ratio) <= blur);
            if (!good)
              wrong.push(
                `case ${first + i}: ${what} at ${from.map(Math.round).join(' ')} painted ${runs.join(' ') || 'none'}, wanted ${wanted.join(' ') || 'none'}`,
              );
          };
          const isClosed = looks[(first + i) % looks.length]?.[0] === 'spaced';
          for (const cell of cells) {
            if (isClosed) {
              // Spaced cells touch nothing: each is closed all around.
              for (const y of cell.ys) check('end', [cell.right - 7, y], [cell.right + 4, y], [2]);
              for (const x of cell.xs) check('bottom', [x, cell.bottom - 7], [x, cell.bottom + 4], [2]);
            }
            for (const y of cell.ys) if (isClosed || !cell.isFirst) check('start', [cell.left - 4, y], [cell.left + 7, y], [2]);
            for (const x of cell.xs) if (isClosed || !cell.isTop) check('top', [x, cell.top - 4], [x, cell.top + 7], [2]);
            const y = cell.ys[0];
            if (y !== undefined) check('inside', [cell.left + 8, y], [cell.right - 6, y], []);
          }
        });
      }
      expect(edges).toBeGreaterThan(1500);
      expect(wrong.slice(0, 8)).toEqual([]);
    }, 1080_000);
  }

  it('that are dashed meet in ink at every crossing and at the corners', async () => {
    const post = async (address: string, body?: object): Promise<{ id: string }> =>
      (await (
        await fetch(app.url + address, {
          method: 'POST',
          ...(body ? { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } } : {}),
        })
      ).json()) as { id: string };
    const dashed = theme('joined', '0') as { values: { lines: { rest: Record<string, string> } } };
    const rest = Object.fromEntries(
      Object.entries(dashed.values.lines.rest).map(([name, text]) => [name, text.replace('solid', 'dashed').replace('2px', '4px')]),
    );
    const dressed = await post('/api/themes', { ...dashed, values: { ...dashed.values, lines: { rest } } });
    const rows = Array.from({ length: 4 }, () => Array.from({ length: 4 }, () => 'x'));
    const { id } = await post('/api/tables', {
      ...randomTable(0),
      name: 'Dashed',
      rows,
      merges: [],
      headerRows: 1,
      footerRows: 0,
      rowHeaders: 0,
    });
    const block = {
      id: 'a',
      kind: 'table',
      shows: { kind: 'tables', id },
      dress: { kind: 'themes', id: dressed.id },
      width: '340px',
      align: 'start',
      room: '0',
      visitor: null,
    };
    await post(`/api/pages/${(await post('/api/pages', { format: 'zest-page/6', name: 'dashed', slug: 'dashed', blocks: [block] })).id}/publish`);
    await devTools(driver, 'Emulation.setDeviceMetricsOverride', { width: 820, height: 700, deviceScaleFactor: 2, mobile: false });
    await driver.get(`${app.url}/site/dashed`);
    const [table] = await driver.executeScript<readonly { readonly whole: Cell; readonly cells: readonly Cell[] }[]>(collect);
    if (!table) throw new Error('The page has its table');
    const painted = await paintedOn(driver, 2);
    const { left, top, right, bottom } = table.whole;
    for (const [x, y] of [
      [left + 1.5, top + 1.5],
      [right - 1.5, top + 1.5],
      [left + 1.5, bottom - 1.5],
      [right - 1.5, bottom - 1.5],
    ] as const)
      expect(painted.at(x, y)).withContext(`corner ${x} ${y}`).toBe('outer');
    const crossings = table.cells.filter(({ isFirst, isTop }) => !isFirst && !isTop);
    expect(crossings.length).toBe(9);
    for (const cell of crossings) {
      const inks = [painted.at(cell.left + 2, cell.top + 2), painted.at(cell.left - 2, cell.top + 2), painted.at(cell.left + 2, cell.top - 2)];
      expect(inks).withContext(`crossing ${cell.left} ${cell.top}`).toEqual(['line', 'line', 'line']);
    }
  });
});
