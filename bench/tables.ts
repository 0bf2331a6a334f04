import fs from 'node:fs';
import path from 'node:path';
import Papa from 'papaparse';
import type { WebDriver, WebElement } from 'selenium-webdriver';
import { arrange, bringIn } from '../core/intake';
import { openBrowser } from '../e2e/tools/driver';
import { Person } from '../e2e/tools/person';
import { newFolder, startApp } from '../e2e/tools/server';
import { ms, quantile, say, takeTurns } from './figures';

const [ROWS, COLUMNS] = [100_000, 12];

/** A log of so many crossings: names, dates, places, numbers. */
function bigCsv(): string {
  const places = ['Skerrin', 'Tarn Isle', 'Low Sound', 'Fennel Point'];
  const line = (i: number): string =>
    [
      `L${i}`,
      `2026-${String((i % 12) + 1).padStart(2, '0')}-${String((i % 28) + 1).padStart(2, '0')}`,
      places[i % 4],
      ...Array.from({ length: COLUMNS - 3 }, (_, c) => ((i * (c + 7)) % 10_000) / 10),
    ].join(',');
  const names = ['Crossing', 'Day', 'To', ...Array.from({ length: COLUMNS - 3 }, (_, c) => `Reading ${c + 1}`)];
  return [names.join(','), ...Array.from({ length: ROWS }, (_, i) => line(i + 1))].join('\n');
}

/** A table of 100,000 rows: brought in, scrolled, edited and kept. */
export async function benchTables(): Promise<void> {
  const text = bigCsv();
  const bytes = new TextEncoder().encode(text);
  const bringWhole = (): unknown => {
    const read = bringIn('log.csv', bytes);
    if (!read.ok) throw new Error(read.problems[0]?.say);
    return arrange('log', read.value.raw);
  };
  const [bare, whole] = takeTurns(7, [() => Papa.parse(text, { delimiter: ',' }), bringWhole]).map((times) => quantile(times, 0.5));
  say(
    `${ROWS} x ${COLUMNS} CSV, ${(bytes.length / 1e6).toFixed(1)} MB: bare parser, import in the same thread, medians`,
    `${ms(bare ?? NaN)}, ${ms(whole ?? NaN)}`,
  );
  say('import to bare parser (at most 2)', ((whole ?? NaN) / (bare ?? NaN)).toFixed(2));

  const app = await startApp();
  const driver = await openBrowser();
  try {
    await inBrowser(driver, new Person(driver), app.url, bytes);
    say('memory of the server after it (resident)', megabytes(residentOf(app.pid)));
  } finally {
    await driver.quit();
    await app.kill();
  }
}

const megabytes = (bytes: number): string => `${Math.round(bytes / 1e6)} MB`;
const residentOf = (pid: number): number => Number(/VmRSS:\s+(\d+)/.exec(fs.readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) * 1024;

/** Tasks of over 50 ms on the interface's thread (Long Tasks API), from here on. */
const watchTasks = `
  globalThis.tasks = [];
  globalThis.watcher?.disconnect();
  globalThis.watcher = new PerformanceObserver((list) => { for (const { duration } of list.getEntries()) globalThis.tasks.push(duration); });
  globalThis.watcher.observe({ type: 'longtask' });`;
const tasksOver = async (driver: WebDriver): Promise<string> => {
  const tasks = await driver.executeScript<number[]>('return globalThis.tasks');
  return tasks.length === 0 ? 'none' : `${tasks.length}, the longest ${ms(Math.max(...tasks))}`;
};
const heap = async (driver: WebDriver): Promise<string> => megabytes(await driver.executeScript<number>('return performance.memory.usedJSHeapSize'));

/** Asks for little, so that the asking does not hold the page up: whether a cell of the grid is there, what the header says. */
const hasGrid = "return !!document.querySelector('zest-grid')?.shadowRoot?.querySelector('td')";
const isKept = "return /All changes kept/.test(document.querySelector('.kept')?.textContent ?? '')";
const SORTED = "return /rows sorted downwards/.test(document.querySelector('.said')?.textContent ?? '')";
const FOUND = "return / of 100,000 rows/.test(document.querySelector('.tools')?.textContent ?? '')";
const isPreviewed = "return /100,001 rows, 12 columns/.test(document.querySelector('mat-dialog-content strong')?.textContent ?? '')";
const wait = (driver: WebDriver, person: Person, script: string): Promise<boolean> =>
  person.untilLong(script, async () => (await driver.executeScript<boolean>(script)) || undefined);

/** Scrolls the grid by a step each frame, then leaps about; notes the frames and the most rows that were in the document. */
const scrollGrid = `
  const [leap, done] = arguments;
  const root = document.querySelector('zest-grid').shadowRoot, view = root.querySelector('.scroll');
  const frames = []; let most = 0, n = 0, last = performance.now();
  const step = () => {
    const now = performance.now(); frames.push(now - last); last = now;
    most = Math.max(most, root.querySelectorAll('tr').length);
    if (n++ >= 200) return done([frames.slice(2), most]);
    view.scrollTop = leap ? (n * 7919 % 200) / 200 * view.scrollHeight : view.scrollTop + 160;
    requestAnimationFrame(step);
  };
  requestAnimationFrame(step);`;

async function inBrowser(driver: WebDriver, person: Person, url: string, bytes: Uint8Array): Promise<void> {
  const file = path.join(newFolder(), 'log.csv');
  fs.writeFileSync(file, bytes);
  await person.open(`${url}/tables`);
  await person.click('button', 'New table');
  await person.find('button', 'Open a file');
  await driver.executeScript(watchTasks);
  const begun = performance.now();
  await (await driver.executeScript<WebElement>('return document.querySelector("input[type=file]")')).sendKeys(file);
  await wait(driver, person, isPreviewed);
  const read = performance.now();
  say('in the browser: file chosen to preview shown', ms(read - begun));
  await person.click('button', 'Create table');
  await wait(driver, person, hasGrid);
  say('kept at the server, opened and shown in the grid', ms(performance.now() - read));
  say('tasks over 50 ms meanwhile (none)', await tasksOver(driver));
  say('memory of the page then (JavaScript heap)', await heap(driver));

  for (const [what, leap] of [
    ['160 px a frame', false],
    ['leaps anywhere', true],
  ] as const) {
    await driver.executeScript(watchTasks);
    const [frames, most] = await driver.executeAsyncScript<[number[], number]>(scrollGrid, leap);
    say(`scrolling by ${what}: frames, median and 95th percentile`, `${ms(quantile(frames, 0.5))}, ${ms(quantile(frames, 0.95))}`);
    say('most rows in the document (at most 200); tasks over 50 ms (none)', `${most}; ${await tasksOver(driver)}`);
  }

  const [cell] = await person.all('cell', /^Skerrin$/);
  await cell?.click();
  await driver.executeScript(watchTasks);
  const times: number[] = [];
  for (let i = 0; i < 15; i++) {
    await person.press(`typed ${i}`);
    const started = performance.now();
    await person.press('\uE007');
    await wait(driver, person, isKept);
    times.push(performance.now() - started);
  }
  say('a cell typed to kept at the server, median of 15 (300 ms of quiet in it)', ms(quantile(times, 0.5)));
  say('tasks over 50 ms meanwhile (none)', await tasksOver(driver));
  const untilKept = async (act: () => Promise<void>): Promise<number> => {
    const started = performance.now();
    await act();
    await driver.executeAsyncScript('requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(arguments[0])))');
    await wait(driver, person, isKept);
    return performance.now() - started;
  };
  const inColumn = (item: string | RegExp) => (): Promise<void> => person.click('button', 'Column').then(() => person.click('menuitem', item));
  const undo = (): Promise<void> => person.click('button', /^Undo/);
  const [added, back] = [await untilKept(inColumn(/^Add after/)), await untilKept(undo)];
  const sorted = await untilKept(() => inColumn('Sort rows by it, downwards')().then(() => wait(driver, person, SORTED).then(() => undefined)));
  await untilKept(undo);
  const bound = sorted + (quantile(times, 0.5) ?? NaN);
  say(
    'a column added to 100,000 rows until kept, taken back, to a sort and a save (at most 1)',
    `${(added / bound).toFixed(2)}, ${(back / bound).toFixed(2)}`,
  );

  for (const [what, act, until] of [
    ['rows sorted', () => person.click('button', 'Column').then(() => person.click('menuitem', 'Sort rows by it, downwards')), SORTED],
    ['rows found', () => person.fill('searchbox', 'Find rows', 'skerrin 99'), FOUND],
  ] as const) {
    await driver.executeScript(watchTasks);
    const started = performance.now();
    await act();
    await wait(driver, person, until);
    say(`100,000 ${what} and shown; tasks over 50 ms (none)`, `${ms(performance.now() - started)}; ${await tasksOver(driver)}`);
  }
  say('memory of the page in the end (JavaScript heap)', await heap(driver));
}
