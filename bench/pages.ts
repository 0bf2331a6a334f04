import http from 'node:http';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import compression from 'compression';
import express from 'express';
import { emptyPage } from '../core/page';
import { setColumns, tableOf, type Table } from '../core/table';
import { devTools, openBrowser } from '../e2e/tools/driver';
import { startApp } from '../e2e/tools/server';
import { kB, ms, quantile, say } from './figures';

const ROWS = 1000;
const LARGE = 100_000;
const PLACEMENTS = 300;
const AT_ONCE = 16;
const SECONDS = 4;
const RUNS = 31;

const send = async (url: string, method: string, body?: unknown, headers: Record<string, string> = {}): Promise<Record<string, unknown>> => {
  const response = await fetch(url, { method, body: JSON.stringify(body ?? {}), headers: { 'Content-Type': 'application/json', ...headers } });
  if (!response.ok) throw new Error(`${url}: ${await response.text()}`);
  return (await response.json()) as Record<string, unknown>;
};

/** Live pages: how fast one is served beside bare bytes, painted beside hand-written CSS, and found among those that follow a theme. */
export async function benchPages(): Promise<void> {
  const app = await startApp({ demo: true });
  try {
    await served(app.url, 'night-boats');
    await painted(app.url);
    await followed(app.url);
    await besideLarge(app.url);
  } finally {
    await app.kill();
  }
}

/** Requests a second that are answered, asked for by so many connections that stay open. */
async function rate(url: string): Promise<number> {
  const agent = new http.Agent({ keepAlive: true, maxSockets: AT_ONCE });
  const one = (): Promise<void> =>
    new Promise((resolve, reject) => {
      http.get(url, { agent, headers: { 'Accept-Encoding': 'br' } }, (response) => response.resume().on('end', resolve)).on('error', reject);
    });
  const end = performance.now() + SECONDS * 1000;
  let count = 0;
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      while (performance.now() < end) {
        await one();
        count++;
      }
    }),
  );
  agent.destroy();
  return count / SECONDS;
}

async function served(url: string, page: string): Promise<void> {
  const bytes = await (await fetch(`${url}/site/${page}`)).text();
  const bare = express()
    .use(compression())
    .get('/', (_request, response) => void response.type('text/html').send(bytes));
  const server = bare.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const other = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
  // In turns, each after a run that warms it up.
  const rates: readonly [number[], number[]] = [[], []];
  for (let run = 0; run < 3; run++)
    for (const [i, address] of [`${url}/site/${page}`, other].entries()) {
      const found = await rate(address);
      if (run > 0) rates[i]?.push(found);
    }
  server.close();
  const [ours, bared] = rates.map((each) => quantile(each, 0.5));
  say(
    `a live page of ${kB(bytes.length)}, and the same bytes bare: requests a second; ratio (at least 0.4)`,
    `${(ours ?? NaN).toFixed(0)}, ${(bared ?? NaN).toFixed(0)}; ${((ours ?? NaN) / (bared ?? NaN)).toFixed(2)}`,
  );
}

/**
 * What a person would write by hand for this very table, on top of the same house stylesheet: its look, its bands, what the hand
 * brings, a first column that stays where it is tight, and stacked rows with labels where it is narrow.
 */
const handWritten = `#box-1{container-type:inline-size}#place-1{overflow-x:auto}
table{border-collapse:separate;border-spacing:0;width:100%;border:1px solid #d3dfe3;border-radius:8px;background:#fff}
caption,th,td{color:#12303f;font:15px/1.4 "Helvetica Neue",Arial,"Liberation Sans","Nimbus Sans",sans-serif;text-align:start}
caption{color:#123c4d;font-size:17.25px;font-weight:700;padding-bottom:10px}
th,td{padding:8px 14px}
thead{background:#123c4d;clip-path:inset(-.5px round 8.7px 8.7px 0 0)}
thead th{color:#f7fbfc;font-weight:700;font-size:13.04px}
tbody{clip-path:inset(-.5px round 0 0 8.7px 8.7px)}
tbody tr:nth-child(even){background:#eef5f7}
tbody tr:last-child>*{font-weight:600}
tbody th{font-weight:700}
tbody tr>*{border-top:1px solid #d3dfe3}
tbody tr:first-child>*{border-top:2px solid #b84a06}
@media (hover:hover){tbody tr:hover>*{background-image:linear-gradient(#fdead3 0 0)}}
tbody tr[aria-selected=true]>*{background-image:linear-gradient(#123c4d1f 0 0)}
@container (480px<width<=720px){
tr>:first-child{position:sticky;left:0;z-index:1;background-color:#fff}
thead tr>:first-child{background-color:#123c4d}
tbody tr:nth-child(even)>:first-child{background-color:#eef5f7}
}
@container (width<=480px){
table{table-layout:fixed}
thead,tbody,tr{display:block}
thead th{position:absolute;clip-path:inset(50%);width:1px;height:1px;overflow:hidden;padding:0}
tbody{clip-path:inset(-.5px round 8.7px)}
tbody th,td{display:flow-root;padding:4px 14px;overflow-wrap:anywhere}
tbody th{font-size:17.25px}
tbody td{text-align:end;border-top:none}tbody tr:first-child td{border-top:none}
td::before{float:inline-start;margin-inline-end:1em}
${Array.from({ length: 9 }, (_, i) => `td:nth-child(${i + 2})::before{content:"Reading ${i + 1}"/""}`).join('')}
}`;

/** Where some of a page's rows and cells stand at two widths: the two pages have to be the same to be compared. */
const standing = `const done = arguments[0];
  const look = () => {
    if (document.readyState !== 'complete') return requestAnimationFrame(look);
    const rows = [...document.querySelectorAll('tr')];
    const looked = [document.querySelector('table'), ...[0, 1, 2, 500, 1000].flatMap((at) => [rows[at], ...rows[at].cells])];
    done(looked.map((each) => { const { top, height, width } = each.getBoundingClientRect(); return [top, height, width].map(Math.round).join(' '); }));
  };
  look();`;

async function painted(url: string): Promise<void> {
  const table: Table = setColumns(
    {
      ...tableOf('Crossings', [
        Array.from({ length: 10 }, (_, c) => `Reading ${c}`),
        ...Array.from({ length: ROWS }, (_, r) =>
          Array.from({ length: 10 }, (_each, c) => (c === 0 ? `L${r}` : String(((r * (c + 7919)) % 10_000) / 10))),
        ),
      ]),
      headerRows: 1,
      rowHeaders: 1,
      caption: 'Crossings',
    },
    0,
    0,
    {},
  );
  const { id } = await send(`${url}/api/tables`, 'POST', table);
  const block = {
    id: 'a',
    kind: 'table',
    shows: { kind: 'tables', id },
    dress: { kind: 'themes', id: 'harbour-dusk' },
    width: 'fill',
    align: 'start',
    room: '0',
    visitor: null,
  };
  const page = await send(`${url}/api/pages`, 'POST', { format: 'zest-page/6', name: 'Long', slug: 'long', blocks: [block] });
  await send(`${url}/api/pages/${String(page['id'])}/publish`, 'POST');
  const html = await (await fetch(`${url}/site/long`)).text();
  const house = await (await fetch(`${url}/site/-house.css`)).text();
  const bareHtml = html
    .replace(/<link[^>]*>/g, '')
    .replace('</head>', '<link rel="stylesheet" href="/house.css"><link rel="stylesheet" href="/hand.css"></head>')
    .replace(/ (?:class|data-[\w-]+)="[^"]*"/g, '')
    .replace(/ role="(?:table|rowgroup|row|cell|columnheader|rowheader)"/g, '');
  const server = express()
    .use(compression())
    .get('/', (_request, response) => void response.type('text/html').send(bareHtml))
    .get('/house.css', (_request, response) => void response.type('text/css').send(house))
    .get('/hand.css', (_request, response) => void response.type('text/css').send(handWritten))
    .listen(0, '127.0.0.1');
  await once(server, 'listening');
  const other = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
  const driver = await openBrowser();
  // Both by number: a name is looked up first.
  const addresses = [`${url.replace('localhost', '127.0.0.1')}/site/long`, other];
  for (const width of [1280, 640, 400]) {
    await devTools(driver, 'Emulation.setDeviceMetricsOverride', { width, height: 800, deviceScaleFactor: 1, mobile: false });
    const [ours, hand] = [[], []] as [string[], string[]];
    for (const [list, address] of [
      [ours, addresses[0]],
      [hand, addresses[1]],
    ] as const) {
      await driver.get(address ?? '');
      list.push(...(await driver.executeAsyncScript<string[]>(standing)));
    }
    const differing = ours.findIndex((each, i) => each !== hand[i]);
    if (differing >= 0) throw new Error(`At ${width} px the two are not the same: ${ours[differing]} and ${hand[differing]}, element ${differing}`);
  }
  await devTools(driver, 'Emulation.setDeviceMetricsOverride', { width: 1280, height: 800, deviceScaleFactor: 1, mobile: false });
  const firsts: readonly [number[], number[]] = [[], []];
  const wholes: readonly [number[], number[]] = [[], []];
  for (let run = -2; run < RUNS; run++)
    for (const [i, address] of addresses.entries()) {
      await driver.get(`${address}?run=${run}`);
      const [first = NaN, whole = NaN] = await driver.executeAsyncScript<readonly number[]>(
        `const done = arguments[0];
         const look = () => {
           const [first] = performance.getEntriesByName('first-contentful-paint');
           if (first && document.readyState === 'complete') requestAnimationFrame(() => setTimeout(() => done([first.startTime, performance.now()])));
           else requestAnimationFrame(look);
         };
         look();`,
      );
      if (run >= 0) {
        firsts[i]?.push(first);
        wholes[i]?.push(whole);
      }
    }
  await driver.quit();
  server.close();
  for (const [what, times] of [
    [`first paint of the live page and of the same table with hand-written CSS, means of ${RUNS}; ratio (at most 1.15)`, firsts],
    ['the last of its rows painted', wholes],
  ] as const) {
    // Browsers paint before they have all rows or after, so that first paints come in two heaps: a median jumps between these.
    const [ours = NaN, hand = NaN] = times.map((each) => each.reduce((sum, time) => sum + time, 0) / each.length);
    say(`${ROWS} x 10, ${what}`, `${ms(ours)}, ${ms(hand)}; ${(ours / hand).toFixed(2)}`);
  }
}

async function followed(url: string): Promise<void> {
  for (let i = 0; i < PLACEMENTS / 3; i++) {
    const blocks = [0, 1, 2].map((each) => ({
      id: `b${each}`,
      kind: 'table',
      shows: { kind: 'tables', id: 'fares-by-age' },
      dress: { kind: 'themes', id: 'ticket-stub' },
      width: 'fill',
      align: 'start',
      room: '0',
      visitor: null,
    }));
    const page = await send(`${url}/api/pages`, 'POST', { format: 'zest-page/6', name: `Stop ${i}`, slug: `stop-${i}`, blocks });
    await send(`${url}/api/pages/${String(page['id'])}/publish`, 'POST');
  }
  let begun = performance.now();
  const followers = (await (await fetch(`${url}/api/themes/ticket-stub/followers`)).json()) as { blocks: unknown[] }[];
  const found = followers.reduce((sum, { blocks }) => sum + blocks.length, 0);
  say(`a theme on ${found} placements: the list before it is published (under 3 s)`, ms(performance.now() - begun));
  const { document, revision } = (await (await fetch(`${url}/api/themes/ticket-stub`)).json()) as { document: object; revision: number };
  await send(
    `${url}/api/themes/ticket-stub`,
    'PUT',
    { ...document, values: { 'body-rows': { rest: { ink: '#224466' } } } },
    { 'If-Match': `"${revision}"` },
  );
  const hold = followers.slice(0, 50).map((each) => (each as unknown as { id: string }).id);
  begun = performance.now();
  await send(`${url}/api/themes/ticket-stub/editions`, 'POST', { hold });
  say('the same published in one transaction, with 50 pages held', ms(performance.now() - begun));
}

/** A page that is asked for again and again, by itself and while a page of 100,000 rows is compiled for the first time. */
async function besideLarge(url: string): Promise<void> {
  const rows = Array.from({ length: LARGE }, (_, r) =>
    Array.from({ length: 10 }, (_, c) => (r === 0 ? `Column ${c}` : String((r * 7919 * (c + 1)) % 9973))),
  );
  const table = await send(`${url}/api/tables`, 'POST', tableOf('Large', rows));
  const [theme] = (await (await fetch(`${url}/api/themes`)).json()) as readonly { readonly id: string }[];
  const block = {
    id: 'a',
    kind: 'table',
    shows: { kind: 'tables', id: table['id'] },
    dress: { kind: 'themes', id: theme?.id },
    width: 'fill',
    align: 'start',
    room: '0',
    visitor: null,
  };
  const page = await send(`${url}/api/pages`, 'POST', { ...emptyPage('Large', 'large'), blocks: [block] });
  await send(`${url}/api/pages/${String(page['id'])}/publish`, 'POST');
  const timed = async (path: string): Promise<number> => {
    const started = performance.now();
    await (await fetch(`${url}${path}`)).arrayBuffer();
    return performance.now() - started;
  };
  await timed('/site/night-boats');
  const alone: number[] = [];
  for (let i = 0; i < 1000; i++) alone.push(await timed('/site/night-boats'));
  let isDone = false;
  const large = timed('/site/large').finally(() => (isDone = true));
  const beside: number[] = [];
  while (!isDone) beside.push(await timed('/site/night-boats'));
  const [idle, busy] = [alone, beside].map((each) => quantile(each, 0.95));
  say(
    `a small live page by itself and while one of ${LARGE.toLocaleString('en')} rows is compiled (${ms(await large)}): 95th percentiles, longest; ratio (at most 2)`,
    `${ms(idle ?? NaN)}, ${ms(busy ?? NaN)}, ${ms(Math.max(...beside))}; ${((busy ?? NaN) / (idle ?? NaN)).toFixed(2)}`,
  );
}
