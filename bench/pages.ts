import http from 'node:http';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import compression from 'compression';
import express from 'express';
import { setColumns, tableOf, type Table } from '../core/table';
import { openBrowser } from '../e2e/driver';
import { startApp } from '../e2e/server';
import { kB, ms, quantile, say } from './figures';

const ROWS = 1000;
const PLACEMENTS = 300;
const AT_ONCE = 16;
const SECONDS = 4;
const RUNS = 15;

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

/** What a person would write by hand for a plain table of this look. */
const handWritten = `body{margin:0 auto;max-width:64rem;padding:1rem 1.25rem 4rem;font:1rem/1.55 serif}
table{border-collapse:separate;border-spacing:0;width:100%}caption{text-align:start;font-weight:600;padding-bottom:8px}
th,td{padding:8px 12px;text-align:start;font:15px/1.4 sans-serif;border-bottom:1px solid #cdd}
thead th{background:#123c4d;color:#fff}tbody tr:nth-child(even){background:#eef5f7}tbody tr:hover{background:#dfeef3}tbody th{font-weight:600}`;

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
  const block = { id: 'a', kind: 'table', table: id, theme: 'harbour-dusk', width: 'fill', align: 'start', room: '0', visitor: null };
  const page = await send(`${url}/api/pages`, 'POST', { format: 'zest-page/5', name: 'Long', slug: 'long', blocks: [block] });
  await send(`${url}/api/pages/${String(page['id'])}/publish`, 'POST');
  const html = await (await fetch(`${url}/site/long`)).text();
  const bareHtml = html
    .replace(/<link[^>]*>/g, '')
    .replace('</head>', '<link rel="stylesheet" href="/hand.css"></head>')
    .replace(/ (?:class|data-[\w-]+)="[^"]*"/g, '');
  const server = express()
    .use(compression())
    .get('/', (_request, response) => void response.type('text/html').send(bareHtml))
    .get('/hand.css', (_request, response) => void response.type('text/css').send(handWritten))
    .listen(0, '127.0.0.1');
  await once(server, 'listening');
  const other = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
  const driver = await openBrowser();
  const times: readonly [number[], number[]] = [[], []];
  for (let run = -2; run < RUNS; run++)
    for (const [i, address] of [`${url}/site/long`, other].entries()) {
      await driver.get(`${address}?run=${run}`);
      const paint = await driver.executeAsyncScript<number>(
        `const done = arguments[0];
         const look = () => { const [first] = performance.getEntriesByName('first-contentful-paint'); first ? done(first.startTime) : requestAnimationFrame(look); };
         look();`,
      );
      if (run >= 0) times[i]?.push(paint);
    }
  await driver.quit();
  server.close();
  const [ours = NaN, hand = NaN] = times.map((each) => quantile(each, 0.5));
  say(
    `${ROWS} x 10, first paint of the live page and of hand-written CSS, medians of ${RUNS}; ratio (at most 1.15)`,
    `${ms(ours)}, ${ms(hand)}; ${(ours / hand).toFixed(2)}`,
  );
}

async function followed(url: string): Promise<void> {
  for (let i = 0; i < PLACEMENTS / 3; i++) {
    const blocks = [0, 1, 2].map((each) => ({
      id: `b${each}`,
      kind: 'table',
      table: 'fares-by-age',
      theme: 'ticket-stub',
      width: 'fill',
      align: 'start',
      room: '0',
      visitor: null,
    }));
    const page = await send(`${url}/api/pages`, 'POST', { format: 'zest-page/5', name: `Stop ${i}`, slug: `stop-${i}`, blocks });
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
