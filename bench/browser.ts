import type { WebDriver } from 'selenium-webdriver';
import { dice, fullTheme, randomTheme } from '../core/tests/random';
import type { Theme } from '../core/theme';
import { openBrowser } from '../e2e/tools/driver';
import { Person } from '../e2e/tools/person';
import { startApp } from '../e2e/tools/server';
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
  const row = specimen.querySelector('tbody tr:nth-child(3)');
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

    await editToPaint(driver, person, app.url, 'paper-stock', 'an edit in the ledger');
    const full = await post(app.url, everyProperty());
    await editToPaint(driver, person, app.url, full, 'the same with every property set');
    await library(driver, person, app.url);

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

/** A theme with a value for every property at every place; its third row is an odd one, so that the edit shows on it. */
function everyProperty(): Theme {
  const theme = fullTheme(dice(5));
  const rows = theme.values['body-rows'];
  return { ...theme, name: 'Every property', values: { ...theme.values, 'body-rows': { ...rows, rest: { ...rows?.rest, band: '2nd' } } } };
}

const post = async (url: string, theme: object): Promise<string> => {
  const response = await fetch(`${url}/api/themes`, { method: 'POST', body: JSON.stringify(theme), headers: { 'Content-Type': 'application/json' } });
  return ((await response.json()) as { id: string }).id;
};

/** Edits in the ledger on 40 rows, beside the bare replacing of the same stylesheet. */
async function editToPaint(driver: WebDriver, person: Person, url: string, theme: string, name: string): Promise<void> {
  await person.open(`${url}/themes/${theme}?part=body-rows`);
  await person.choose(/Shown on/, 'Crossing log, autumn');
  await person.until('40 rows', async () =>
    (await driver.executeScript<number>("return document.querySelector('zest-specimen .host').shadowRoot.querySelectorAll('tbody tr').length")) === 40
      ? true
      : undefined,
  );
  const edit = await driver.executeAsyncScript<Measured>(measure, 'ledger', EDITS);
  const bare = await driver.executeAsyncScript<Measured>(measure, 'bare', EDITS);
  for (const [what, { times, frames }] of [
    [name, edit],
    ['bare replaceSync of the same CSS', bare],
  ] as const) {
    say(`${what}, to paint: median and 95th percentile of ${times.length}`, `${ms(quantile(times, 0.5))}, ${ms(quantile(times, 0.95))}`);
    say(`${what}: frames, median and 95th percentile (at most 2)`, `${quantile(frames, 0.5)}, ${quantile(frames, 0.95)}`);
  }
  say(
    'ratio of the two, median and 95th percentile (at most 3)',
    `${(quantile(edit.times, 0.5) / quantile(bare.times, 0.5)).toFixed(2)}, ${(quantile(edit.times, 0.95) / quantile(bare.times, 0.95)).toFixed(2)}`,
  );
}

/** Scrolls by `px` a frame, to the end or for 700 frames, and notes how long each took. */
const scrollThrough = `
  const [px, done] = arguments;
  const view = [...document.querySelectorAll('*')].find((each) => each.scrollHeight > each.clientHeight + 400 && getComputedStyle(each).overflowY !== 'visible') ?? document.scrollingElement;
  const frames = []; let last = performance.now();
  const step = () => {
    const now = performance.now(); frames.push(now - last); last = now;
    const before = view.scrollTop; view.scrollTop += px;
    if (view.scrollTop === before || frames.length > 700) done(frames.slice(1)); else requestAnimationFrame(step);
  };
  requestAnimationFrame(step);`;
const withoutPictures = `
  const sheet = new CSSStyleSheet(); sheet.replaceSync('.card > * { display: none }');
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];`;
const searchFor = `
  const [text, done] = arguments;
  const field = document.querySelector('input[type=search]');
  const begun = performance.now();
  field.value = text; field.dispatchEvent(new Event('input', { bubbles: true }));
  requestAnimationFrame(() => setTimeout(() => done([performance.now() - begun, document.querySelectorAll('.card').length])));`;

/** px a frame: flung, fast, and as one who looks at what passes. */
const PACES = [160, 60, 10] as const;

/** Opens the library with 500 more themes, scrolls through it at three paces, then types in its search. */
async function library(driver: WebDriver, person: Person, url: string): Promise<void> {
  for (let i = 0; i < 500; i++) await post(url, { ...randomTheme(dice(i)), name: `Theme ${i}` });
  const begun = performance.now();
  await person.open(`${url}/themes`);
  await person.find('link', 'Theme 499');
  say('a library of over 500 themes opens in', ms(performance.now() - begun));
  for (const px of PACES) {
    // Opened anew, since what was built stays.
    await person.open(`${url}/themes?at=${px}`);
    await person.find('link', 'Theme 499');
    const frames = await driver.executeAsyncScript<readonly number[]>(scrollThrough, px);
    await person.open(`${url}/themes?bare=${px}`);
    await person.find('link', 'Theme 499');
    await driver.executeScript(withoutPictures);
    const bare = await driver.executeAsyncScript<readonly number[]>(scrollThrough, px);
    for (const [what, each] of [
      ['scrolled through', frames],
      ['the same with empty cards', bare],
    ] as const)
      say(
        `${what}, ${px} px a frame, ${each.length} frames: median, 95th percentile, longest`,
        [quantile(each, 0.5), quantile(each, 0.95), Math.max(...each)].map(ms).join(', '),
      );
    say(
      'ratio of the two, median and 95th percentile',
      `${(quantile(frames, 0.5) / quantile(bare, 0.5)).toFixed(2)}, ${(quantile(frames, 0.95) / quantile(bare, 0.95)).toFixed(2)}`,
    );
  }
  const [time = NaN, found = NaN] = await driver.executeAsyncScript<readonly number[]>(searchFor, 'theme 42');
  say(`search as it is typed, to the next task after a frame (${found} found)`, ms(time));
}
