import { openBrowser } from '../e2e/driver';
import { Person } from '../e2e/person';
import { startApp } from '../e2e/server';
import { kB, ms, quantile, say } from './figures';

const EDITS = 200;

/**
 * Runs in the page: does an edit, then asks in each frame whether the specimen shows it, and notes the time
 * at which that frame had been painted (a task after the frame's callbacks) and how many frames it took.
 */
const measure = `
  const [mode, edits, done] = arguments;
  const find = (selector) => document.querySelector(selector);
  const specimen = find('zest-specimen .host').shadowRoot;
  const row = specimen.querySelector('tbody tr');
  const painted = () => new Promise((resolve) => { const channel = new MessageChannel(); channel.port1.onmessage = () => resolve(performance.now()); channel.port2.postMessage(0); });
  const frame = () => new Promise((resolve) => requestAnimationFrame(resolve));
  const colour = (i) => 'rgb(' + [200 + i % 50, 220, 230 - i % 60].join(', ') + ')';
  const hex = (i) => '#' + [200 + i % 50, 220, 230 - i % 60].map((n) => n.toString(16).padStart(2, '0')).join('');
  const css = [...specimen.adoptedStyleSheets[0].cssRules].map((rule) => rule.cssText).join('');
  const bare = (i) => specimen.adoptedStyleSheets[0].replaceSync(css + 'tbody > tr { background-color: ' + hex(i) + ' !important }');
  const ledger = (i) => {
    const cell = [...document.querySelectorAll('[role=gridcell]')].find((each) => (each.getAttribute('aria-label') ?? '').startsWith('Fill, Odd:'));
    cell.dispatchEvent(new KeyboardEvent('keydown', { key: 'F2', bubbles: true }));
    const field = cell.querySelector('input');
    field.value = hex(i);
    return () => field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }));
  };
  (async () => {
    const times = [], frames = [];
    for (let i = 0; i < edits + 10; i++) {
      const commit = mode === 'ledger' ? ledger(i) : () => bare(i);
      await frame(); await painted();
      const start = performance.now();
      commit();
      let count = 0;
      do { await frame(); count++; } while (getComputedStyle(row).backgroundColor !== colour(i) && count < 100);
      const end = await painted();
      if (i >= 10) { times.push(end - start); frames.push(count); }
    }
    done({ times, frames });
  })();`;

interface Measured {
  readonly times: readonly number[];
  readonly frames: readonly number[];
}

export async function benchBrowser(): Promise<void> {
  const app = await startApp({ demo: true });
  const driver = await openBrowser();
  const person = new Person(driver);
  try {
    await driver.manage().setTimeouts({ script: 120_000 });
    await person.open(`${app.url}/themes`);
    await person.find('link', 'Harbour dusk');
    const scripts = await driver.executeScript<number>(
      "return performance.getEntriesByType('resource').filter(({ initiatorType, name }) => /\\.js$/.test(name)).reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0)",
    );
    say('script transferred by the first load, compressed (at most 350 kB)', kB(scripts));

    await person.open(`${app.url}/themes/paper-stock?part=body-rows`);
    await person.choose(/Shown on/, 'Crossing log, autumn');
    await person.until('40 rows', async () =>
      (await driver.executeScript<number>("return document.querySelector('zest-specimen .host').shadowRoot.querySelectorAll('tbody tr').length")) ===
      40
        ? true
        : undefined,
    );
    const edit = await driver.executeAsyncScript<Measured>(measure, 'ledger', EDITS);
    const bare = await driver.executeAsyncScript<Measured>(measure, 'bare', EDITS);
    for (const [name, { times, frames }] of [
      ['an edit in the ledger', edit],
      ['bare replaceSync of the same CSS', bare],
    ] as const) {
      say(`${name} to paint, median and 95th percentile of ${times.length}`, `${ms(quantile(times, 0.5))}, ${ms(quantile(times, 0.95))}`);
      say(`${name}: frames, median and 95th percentile (at most 2)`, `${quantile(frames, 0.5)}, ${quantile(frames, 0.95)}`);
    }
    say(
      'ratio of the two, median and 95th percentile',
      `${(quantile(edit.times, 0.5) / quantile(bare.times, 0.5)).toFixed(2)}, ${(quantile(edit.times, 0.95) / quantile(bare.times, 0.95)).toFixed(2)}`,
    );

    for (const page of ['night-boats', 'thistle-press']) {
      const html = await (await fetch(`${app.url}/site/${page}`)).text();
      const css = await (await fetch(`${app.url}/site/${page}.css`)).text();
      say(`live page ${page}, HTML and CSS uncompressed (12 kB with one table)`, `${kB(html.length)} + ${kB(css.length)}`);
    }
  } finally {
    await driver.quit();
    await app.kill();
  }
}
