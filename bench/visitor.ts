import { PLAIN_VISITOR, emptyPage } from '../core/page';
import { tableOf } from '../core/table';
import { themeWith } from '../core/tests/themes';
import { newestOf } from '../core/theme';
import { openBrowser } from '../e2e/tools/driver';
import { startApp } from '../e2e/tools/server';
import { kB, ms, quantile, say } from './figures';

const [ROWS, COLUMNS] = [5000, 8];

/** From what a visitor does to the frame after it is painted, beside the bare work on the same data. */
const measure = `
  const [what, done] = arguments;
  const wait = () => new Promise((resolve) => setTimeout(resolve, 30));
  const box = document.querySelector('[data-visitor]');
  const painted = () => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
  const rows = [...box.querySelectorAll('tbody tr')];
  const bare = {
    sort: () => { const keys = rows.map((row) => Number(row.cells[3].dataset.value ?? row.cells[3].textContent)); return [...keys.keys()].sort((a, b) => keys[a] - keys[b] || a - b); },
    search: () => rows.filter((row) => row.textContent.toLowerCase().includes('skerrin 4')),
    page: () => rows.slice(20, 40),
  };
  const field = box.querySelector('input');
  let n = 0;
  const act = {
    sort: () => box.querySelectorAll('.zp-sort')[3].click(),
    search: () => { field.value = n++ % 2 ? 'skerrin 4' : 'skerrin'; field.dispatchEvent(new Event('input')); },
    page: () => box.querySelector('[data-to="next"]').click(),
  };
  (async () => {
    const [with_, work, without] = [[], [], []];
    for (let i = 0; i < 13; i++) {
      await wait();
      let start = performance.now();
      bare[what]();
      without.push(performance.now() - start);
      start = performance.now();
      act[what]();
      work.push(performance.now() - start);
      await painted();
      with_.push(performance.now() - start);
    }
    // The least that a page can do for it: the same rows, put in their order by hand, and painted.
    const byHand = [];
    for (let i = 0; what === 'sort' && i < 13; i++) {
      await wait();
      const start = performance.now();
      const order = bare.sort();
      rows[0].parentNode.append(...(i % 2 ? order.toReversed() : order).map((at) => rows[at]));
      await painted();
      byHand.push(performance.now() - start);
    }
    if (what === 'search') { field.value = ''; field.dispatchEvent(new Event('input')); }
    done([with_, work, without, byHand]);
  })();`;

/** A published table of 5,000 rows in the hands of a visitor. */
export async function benchVisitor(): Promise<void> {
  const app = await startApp();
  const driver = await openBrowser();
  const send = async (path: string, body: unknown): Promise<{ readonly id: string }> => {
    const answer = await fetch(`${app.url}${path}`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
    if (!answer.ok) throw new Error(await answer.text());
    return (await answer.json()) as { readonly id: string };
  };
  try {
    const places = ['Skerrin', 'Tarn Isle', 'Low Sound', 'Fennel Point'];
    const rows = Array.from({ length: ROWS }, (_, i) => [
      `L${i}`,
      places[i % 4] ?? '',
      `2026-${String((i % 12) + 1).padStart(2, '0')}-${String((i % 28) + 1).padStart(2, '0')}`,
      ...Array.from({ length: COLUMNS - 3 }, (_each, c) => String(((i * (c + 7919)) % 10_000) / 10)),
    ]);
    const names = ['Crossing', 'To', 'Day', ...Array.from({ length: COLUMNS - 3 }, (_, c) => `Reading ${c + 1}`)];
    const { id } = await send('/api/tables', tableOf('Log', [names, ...rows], { rowHeaders: 1 }));
    const block = { id: 'a', kind: 'table', shows: { kind: 'tables', id }, dress: null, width: 'fill', align: 'start', room: '0' };
    const theme = await send('/api/themes', themeWith({}, { base: { starter: 'nightfall', version: newestOf('nightfall') } }));
    for (const [slug, pageRows, dress] of [
      ['pages', 20, null],
      ['whole', 0, null],
      ['dressed', 0, { kind: 'themes', id: theme.id }],
    ] as const) {
      const page = await send('/api/pages', { ...emptyPage(slug, slug), blocks: [{ ...block, dress, visitor: { ...PLAIN_VISITOR, pageRows } }] });
      await send(`/api/pages/${page.id}/publish`, {});
      await driver.get(`${app.url}/site/${slug}`);
      for (const what of pageRows > 0 ? (['sort', 'search', 'page'] as const) : (['sort', 'search'] as const)) {
        const [painted = [], work = [], bare = [], byHand = []] = await driver.executeAsyncScript<number[][]>(measure, what);
        const [p, w, b] = [painted, work, bare].map((times) => quantile(times, 0.5));
        say(
          `${ROWS} x ${COLUMNS} ${pageRows > 0 ? '20 on a page' : 'all on one page'}${dress ? ', dressed' : ''}: ${what}, done to painted (at most 100 ms), of it script, bare ${what}; medians`,
          `${ms(p ?? NaN)}, ${ms(w ?? NaN)}, ${ms(b ?? NaN)}`,
        );
        if (byHand.length > 0)
          say(
            '  the same rows put in order by hand, done to painted; ratio of the two (at most 3)',
            `${ms(quantile(byHand, 0.5))}; ${((p ?? NaN) / quantile(byHand, 0.5)).toFixed(2)}`,
          );
      }
    }
    const runtime = await fetch(`${app.url}/site/table/address.filters.choose.totals.columns.rowLink.js`, {
      headers: { 'accept-encoding': 'identity' },
    });
    const { brotliCompressSync, gzipSync } = await import('node:zlib');
    const text = await runtime.text();
    say('the runtime, compressed as it is sent (at most 5 kB), and by gzip', `${kB(brotliCompressSync(text).length)}, ${kB(gzipSync(text).length)}`);
  } finally {
    await driver.quit();
    await app.kill();
  }
}
